package zentrel.text;

import java.util.Optional;

/** What the text of an id may be: no blanks, control characters, {@code @} or {@code #}. */
public final class IdText {
    /** The longest id accepted, in characters. */
    public static final int MAX_LENGTH = 200;

    private IdText() {}

    /**
     * Checks the text of an id.
     *
     * @throws IllegalArgumentException with a sentence that quotes the text
     */
    public static void requireValid(String value) {
        Optional<String> wrong = wrong(value);
        if (wrong.isPresent()) {
            throw new IllegalArgumentException(wrong.get());
        }
    }

    /** Whether a text may be an id at all. */
    public static boolean isValid(String value) {
        return wrong(value).isEmpty();
    }

    private static Optional<String> wrong(String value) {
        if (value.isEmpty()) {
            return Optional.of("An id may not be empty.");
        }
        if (value.length() > MAX_LENGTH) {
            return Optional.of("An id may have at most " + MAX_LENGTH + " characters; this one has " + value.length()
                    + ": \"" + value.substring(0, 20) + "…\".");
        }
        for (int i = 0; i < value.length(); i++) {
            char c = value.charAt(i);
            if (Character.isWhitespace(c) || Character.isISOControl(c) || c == '@' || c == '#') {
                return Optional.of("The id \"" + PlainText.shown(value, MAX_LENGTH)
                        + "\" may not contain blanks, control characters, @ or #.");
            }
        }
        return PlainText.fault(value).map(f -> "The id \"" + PlainText.shown(value, MAX_LENGTH) + "\" " + f + ".");
    }
}
