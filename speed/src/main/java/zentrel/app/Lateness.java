package zentrel.app;

import java.util.Arrays;
import java.util.List;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.atomic.AtomicBoolean;
import javafx.application.Platform;

/**
 * For measuring: another thread asks the JavaFX thread every two milliseconds for an answer; how late the answers come is how long
 * the window did not answer.
 */
final class Lateness {
    private static final int EVERY_MILLIS = 2;

    private final ConcurrentLinkedQueue<Long> late = new ConcurrentLinkedQueue<>();
    private final AtomicBoolean counting = new AtomicBoolean();

    void start() {
        Thread asking = new Thread(this::ask, "asking");
        asking.setDaemon(true);
        asking.start();
    }

    /** Whether answers that are asked for from now on count. */
    void count(boolean on) {
        counting.set(on);
    }

    /** What was counted so far, in nanoseconds, and forgets it. */
    List<Long> taken() {
        List<Long> taken = List.copyOf(late);
        late.clear();
        return taken;
    }

    private void ask() {
        try {
            while (true) {
                long asked = System.nanoTime();
                boolean counted = counting.get();
                Platform.runLater(() -> {
                    if (counted) {
                        late.add(System.nanoTime() - asked);
                    }
                });
                Thread.sleep(EVERY_MILLIS);
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    /** A part of values, in milliseconds: 0.5 is the median, 1 the largest. */
    static double at(List<Long> values, double part) {
        long[] sorted = values.stream().mapToLong(Long::longValue).sorted().toArray();
        int index = (int) Math.ceil(part * sorted.length) - 1;
        return Arrays.stream(sorted).skip(Math.max(0, index)).findFirst().orElse(0) / 1e6;
    }
}
