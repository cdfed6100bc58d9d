package zentrel.plan;

import java.util.Optional;
import zentrel.text.PlainText;

/**
 * The stable name of one thing in a plan. It never changes when the thing is renamed, and no two things of one plan share
 * one, so that a finding can name its subjects by id alone.
 *
 * @param <E> what it names
 * @param kind the kind of what it names
 * @param value 1 to {@value #MAX_LENGTH} characters, no blanks, control characters, {@code @} or {@code #} (those two are used
 *     to name fixes)
 */
public record Id<E>(Kind<E> kind, String value) {
    /** The longest id accepted, in characters. */
    public static final int MAX_LENGTH = 200;

    public Id {
        requireValid(value);
    }

    /**
     * Checks the text of an id.
     *
     * @throws IllegalArgumentException with a sentence that quotes the text
     */
    static void requireValid(String value) {
        Optional<String> wrong = wrong(value);
        if (wrong.isPresent()) {
            throw new IllegalArgumentException(wrong.get());
        }
    }

    /** Whether it names something of this kind. */
    @SuppressWarnings("ReferenceEquality")
    public boolean is(Kind<?> other) {
        return kind == other;
    }

    /** This id, where it names something of a kind. */
    @SuppressWarnings("unchecked")
    public <F> Optional<Id<F>> as(Kind<F> other) {
        return is(other) ? Optional.of((Id<F>) this) : Optional.empty();
    }

    /** Whether a text may be an id at all. */
    static boolean isValid(String value) {
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

    /** By the text alone, which no two things of a plan share. */
    @Override
    public int hashCode() {
        return value.hashCode();
    }

    @Override
    public String toString() {
        return value;
    }
}
