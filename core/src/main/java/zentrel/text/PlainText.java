package zentrel.text;

import java.util.Locale;
import java.util.Optional;

/**
 * Text of one line without characters that act instead of being seen. In a generated command or file a line break would start a
 * line of its own, ESC drives a terminal, and a direction mark makes text read otherwise than it is.
 */
public final class PlainText {
    private PlainText() {}

    /** What kind of character may not stand in a name; empty for those that may. */
    private static Optional<String> acting(int c) {
        if (c == '\n' || c == '\r' || c == 0x85 || c == 0x2028 || c == 0x2029) {
            return Optional.of("a line break");
        }
        if (c == '\t') {
            return Optional.of("a tab");
        }
        if (Character.isISOControl(c)) {
            return Optional.of("a control character");
        }
        // Unicode 15, 9.2: embeddings, overrides and isolates
        if ((c >= 0x202A && c <= 0x202E) || (c >= 0x2066 && c <= 0x2069)) {
            return Optional.of("a mark that changes the direction of text");
        }
        if (c >= Character.MIN_SURROGATE && c <= Character.MAX_SURROGATE) {
            return Optional.of("half of a character");
        }
        return Optional.empty();
    }

    /**
     * What is wrong with a text, with the place: {@code has a line break after "Hut"}; empty for plain text. Takes time in
     * proportion to the length and makes nothing where the text is plain.
     */
    public static Optional<String> fault(String text) {
        for (int i = 0; i < text.length(); ) {
            int c = text.codePointAt(i);
            Optional<String> what = acting(c);
            if (what.isPresent()) {
                String before = text.substring(Math.max(0, i - 20), i);
                return Optional.of("has " + what.get() + " (" + code(c) + ")"
                        + (before.isEmpty() ? " at its start" : " after \"" + shown(before, 20) + "\""));
            }
            i += Character.charCount(c);
        }
        return Optional.empty();
    }

    /**
     * Lets plain text through.
     *
     * @param what the text is, as the start of a sentence: "The name"
     * @return the text
     * @throws IllegalArgumentException with a sentence, for any other text
     */
    public static String require(String what, String text) {
        Optional<String> fault = fault(text);
        if (fault.isPresent()) {
            throw new IllegalArgumentException(what + " " + fault.get() + ". Remove it.");
        }
        return text;
    }

    /** Every text of several, by {@link #require(String, String)}. */
    public static void requireAll(String what, Iterable<String> texts) {
        texts.forEach(t -> require(what, t));
    }

    /** The text as plain text: line breaks, tabs and control characters become one blank, the rest is left out. */
    public static String cleaned(String text) {
        if (fault(text).isEmpty()) {
            return text;
        }
        StringBuilder plain = new StringBuilder(text.length());
        for (int i = 0; i < text.length(); ) {
            int c = text.codePointAt(i);
            i += Character.charCount(c);
            boolean acts = acting(c).isPresent();
            boolean blank = acts && (Character.isISOControl(c) || c == 0x2028 || c == 0x2029);
            boolean afterBlank = plain.length() > 0 && plain.charAt(plain.length() - 1) == ' ';
            if (blank || c == ' ') {
                plain.append(afterBlank ? "" : " ");
            } else if (!acts) {
                plain.appendCodePoint(c);
            }
        }
        return plain.toString();
    }

    /**
     * Text from somebody unknown, to be shown: what acts or cannot be seen is written as its code point, {@code <U+001B>}, and the
     * text ends after a number of characters.
     *
     * @param most characters shown, at least 1; one more says that there were more
     */
    public static String shown(String text, int most) {
        StringBuilder shown = new StringBuilder(Math.min(text.length(), most) + 1);
        int characters = 0;
        for (int i = 0; i < text.length(); ) {
            int c = text.codePointAt(i);
            if (characters++ == most) {
                return shown.append('…').toString();
            }
            if (acting(c).isPresent() || isUnseen(c)) {
                shown.append('<').append(code(c)).append('>');
            } else {
                shown.appendCodePoint(c);
            }
            i += Character.charCount(c);
        }
        return shown.toString();
    }

    /** Marks without width, and what no font shows. */
    private static boolean isUnseen(int c) {
        int type = Character.getType(c);
        return type == Character.FORMAT || type == Character.PRIVATE_USE || type == Character.UNASSIGNED;
    }

    private static String code(int c) {
        return String.format(Locale.ROOT, "U+%04X", c);
    }
}
