package zentrel.net;

/**
 * The time of a net, in nanoseconds: real, or simulated. What it is told to do runs in the net's turn, one thing after the other, never
 * at the same time as a packet is handled.
 */
public interface Clock {
    /** A time that never goes back; it says nothing about the date. */
    long now();

    /** Does something once, at a time; at the next turn where that has passed. */
    Timer at(long nanos, Runnable task);

    /**
     * Does something again and again, at fixed times; times that were missed are left out.
     *
     * @param first when for the first time
     * @param period nanoseconds from one to the next, above 0
     */
    Timer every(long first, long period, Runnable task);

    /** Something that is to be done. */
    @FunctionalInterface
    interface Timer {
        /** It is not done any more; nothing where it was done, or cancelled. */
        void cancel();
    }
}
