package zentrel.file;

/** A plan cannot be read or written. The message is one sentence for people that says what is wrong and where. */
public final class PlanFileException extends Exception {
    private static final long serialVersionUID = 1L;

    public PlanFileException(String message) {
        super(message);
    }

    public PlanFileException(String message, Throwable cause) {
        super(message, cause);
    }
}
