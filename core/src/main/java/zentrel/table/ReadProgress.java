package zentrel.table;

/** Follows the reading of a table, and may stop it. Called on the thread that reads. */
public interface ReadProgress {
    /** Nobody watches, and it runs to its end. */
    ReadProgress NONE = share -> true;

    /**
     * Reading has come so far.
     *
     * @param share from 0 to 1; never less than before
     * @return whether to go on
     */
    boolean goOn(double share);
}
