package zentrel.plan;

import java.util.Optional;
import zentrel.text.IdText;

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
    public static final int MAX_LENGTH = IdText.MAX_LENGTH;

    public Id {
        IdText.requireValid(value);
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
