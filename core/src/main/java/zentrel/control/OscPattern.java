package zentrel.control;

/**
 * Matching of OSC address patterns: {@code ?}, {@code *}, {@code [a-c]}, {@code [!a]} and <code>{one,two}</code>, none of
 * which crosses a slash (OSC 1.0 specification, 2002, "OSC Message Dispatching and Pattern Matching").
 */
public final class OscPattern {
    /** Work is bounded, for patterns come from files and from the network. */
    private static final int MOST_STEPS = 20_000;

    private final String pattern;
    private final String address;
    private int steps;

    private OscPattern(String pattern, String address) {
        this.pattern = pattern;
        this.address = address;
    }

    /** Whether {@code address} is one that {@code pattern} means. A pattern that needs too much work matches nothing. */
    public static boolean matches(String pattern, String address) {
        return new OscPattern(pattern, address).match(0, 0);
    }

    /** Whether the text has any of the pattern characters. */
    public static boolean isPattern(String text) {
        return text.chars().anyMatch(c -> "?*[]{}".indexOf(c) >= 0);
    }

    private boolean match(int p, int a) {
        if (++steps > MOST_STEPS) {
            return false;
        }
        if (p == pattern.length()) {
            return a == address.length();
        }
        char c = pattern.charAt(p);
        switch (c) {
            case '*':
                for (int end = a; ; end++) {
                    if (match(p + 1, end)) {
                        return true;
                    }
                    if (end == address.length() || address.charAt(end) == '/') {
                        return false;
                    }
                }
            case '?':
                return a < address.length() && address.charAt(a) != '/' && match(p + 1, a + 1);
            case '[':
                int close = pattern.indexOf(']', p + 1);
                return close > 0
                        && a < address.length()
                        && address.charAt(a) != '/'
                        && inSet(pattern.substring(p + 1, close), address.charAt(a))
                        && match(close + 1, a + 1);
            case '{':
                int end = pattern.indexOf('}', p + 1);
                if (end < 0) {
                    return false;
                }
                for (String word : pattern.substring(p + 1, end).split(",", -1)) {
                    if (address.startsWith(word, a) && match(end + 1, a + word.length())) {
                        return true;
                    }
                }
                return false;
            default:
                return a < address.length() && address.charAt(a) == c && match(p + 1, a + 1);
        }
    }

    private static boolean inSet(String set, char c) {
        boolean negated = set.startsWith("!");
        boolean found = false;
        for (int i = negated ? 1 : 0; i < set.length(); i++) {
            if (i + 2 < set.length() && set.charAt(i + 1) == '-') {
                found |= c >= set.charAt(i) && c <= set.charAt(i + 2);
                i += 2;
            } else {
                found |= c == set.charAt(i);
            }
        }
        return found != negated;
    }
}
