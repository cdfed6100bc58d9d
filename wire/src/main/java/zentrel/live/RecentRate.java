package zentrel.live;

import java.util.concurrent.TimeUnit;

/** How often something came in the last two seconds, in steps of a quarter. Not for several threads at once. */
final class RecentRate {
    private static final long STEP = TimeUnit.MILLISECONDS.toNanos(250);
    private static final int STEPS = 8;

    private final int[] counts = new int[STEPS];
    private long first;
    private long lastStep;
    private boolean started;

    void add(long now) {
        if (!started) {
            started = true;
            first = now;
            lastStep = Math.floorDiv(now, STEP);
        }
        advance(now);
        counts[(int) Math.floorMod(lastStep, (long) STEPS)]++;
    }

    private void advance(long now) {
        long step = Math.floorDiv(now, STEP);
        if (step - lastStep >= STEPS) {
            java.util.Arrays.fill(counts, 0);
            lastStep = step;
        }
        while (lastStep < step) {
            lastStep++;
            counts[(int) Math.floorMod(lastStep, (long) STEPS)] = 0;
        }
    }

    /** Times a second. */
    double perSecond(long now) {
        if (!started) {
            return 0;
        }
        advance(now);
        int sum = 0;
        for (int count : counts) {
            sum += count;
        }
        // the window begins with its oldest step, or with the first packet
        long from = Math.max(first, (lastStep - STEPS + 1) * STEP);
        double seconds = (now - from) / 1e9;
        boolean fromFirst = from == first; // then the first packet is the start, not within
        return seconds <= 0 ? 0 : Math.max(0, fromFirst ? sum - 1 : sum) / Math.max(seconds, 1e-3);
    }
}
