package zentrel.cli;

/** Bad arguments or unreadable input: one sentence, exit 2. */
final class Refusal extends Exception {
    private static final long serialVersionUID = 1L;

    Refusal(String message) {
        super(message);
    }

    Refusal(String message, Throwable cause) {
        super(message, cause);
    }
}
