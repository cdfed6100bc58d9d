package zentrel.standin;

import java.util.concurrent.TimeUnit;

/**
 * How many events of strangers are reported: so many a second, and the rest is counted. A flood of packets would else become a
 * flood of lines. Not for several threads at once.
 */
final class EventLimit {
    private static final long SECOND = TimeUnit.SECONDS.toNanos(1);

    private final int perSecond;
    private long secondBegan;
    private int inSecond;
    private long leftOut;

    /** @param perSecond events let through in a second, above 0 */
    EventLimit(int perSecond) {
        this.perSecond = perSecond;
    }

    /** Whether one more is reported now; one that is not is counted. */
    boolean admits(long nowNanos) {
        if (inSecond == 0 || nowNanos - secondBegan >= SECOND) {
            secondBegan = nowNanos;
            inSecond = 0;
        }
        if (inSecond >= perSecond) {
            leftOut++;
            return false;
        }
        inSecond++;
        return true;
    }

    /** How many were not reported since this was asked last, for more than a second; 0 while the second still runs. */
    long takeLeftOut(long nowNanos) {
        if (leftOut == 0 || nowNanos - secondBegan < SECOND) {
            return 0;
        }
        long taken = leftOut;
        leftOut = 0;
        inSecond = 0;
        return taken;
    }
}
