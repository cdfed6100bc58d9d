package zentrel.source;

/**
 * A value with its source.
 *
 * @param says what holds, as a sentence
 * @param where the clause, the trial, or what the memory is of
 * @param confidence how sure it is, in percent; 100 for what is published or was tried
 */
public record Sourced<T>(T value, String says, Origin origin, String where, int confidence) {
    /** Below this, in percent, nothing that rests on it alone is called broken. */
    public static final int SURE_ENOUGH = 75;

    /** What a value is known from. */
    public enum Origin {
        /** A clause of a published standard. */
        STANDARD,
        /** Tried here against a kernel; a test repeats it. */
        TRIAL,
        /** Common practice, without a published source. */
        PRACTICE,
        /** Memory of a document that is not at hand, or of how a system behaves. */
        MEMORY
    }

    /** Whether a verdict that rests on it alone is at risk at most. */
    public boolean isDoubtful() {
        return confidence < SURE_ENOUGH;
    }

    /** The source in a few words. */
    public String source() {
        return switch (origin) {
            case STANDARD -> where;
            case TRIAL -> "tested: " + where;
            case PRACTICE -> "common practice, no published source";
            case MEMORY -> "from memory, " + confidence + " % sure" + (where.isEmpty() ? "" : ": " + where);
        };
    }

    /** What holds and how it is known, to be read by people. */
    public String sentence() {
        return says.substring(0, says.length() - 1) + " (" + source() + ")";
    }
}
