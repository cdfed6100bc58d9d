package zentrel.speed;

import java.util.Arrays;
import java.util.Locale;
import java.util.function.IntSupplier;

/** Times work that is done several times, and prints the median and the first. */
final class Timing {
    private static final int TIMES = 21;

    private Timing() {}

    /**
     * Times it.
     *
     * @param part what the line begins with
     * @param work gives a number, which is printed, so that none of it is left out
     */
    static void print(String part, String what, IntSupplier work) {
        long[] times = new long[TIMES];
        int result = 0;
        for (int i = 0; i < TIMES; i++) {
            long begun = System.nanoTime();
            result = work.getAsInt();
            times[i] = System.nanoTime() - begun;
        }
        long first = times[0];
        Arrays.sort(times);
        System.out.printf(
                Locale.ROOT,
                "%-9s %s %d: %.1f ms (median of %d; the first time %.1f ms)%n",
                part,
                what,
                result,
                times[TIMES / 2] / 1e6,
                TIMES,
                first / 1e6);
    }
}
