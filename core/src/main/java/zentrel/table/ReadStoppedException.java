package zentrel.table;

/** Reading was stopped by whoever watched it; nothing was read. */
public final class ReadStoppedException extends RuntimeException {
    private static final long serialVersionUID = 1L;

    ReadStoppedException() {
        super("Reading was stopped. Nothing was imported.");
    }
}
