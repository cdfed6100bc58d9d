package zentrel.standin;

import java.util.concurrent.atomic.AtomicLong;
import java.util.function.Consumer;
import org.jspecify.annotations.Nullable;

/** Sends that failed: reported once for each reason in a row, and counted. */
final class FailedSends {
    private final Consumer<StandinEvent> listener;
    private final AtomicLong count = new AtomicLong();
    private @Nullable String last;

    FailedSends(Consumer<StandinEvent> listener) {
        this.listener = listener;
    }

    void add(String why) {
        count.incrementAndGet();
        if (!why.equals(last)) {
            last = why;
            listener.accept(new StandinEvent.NotSent(why));
        }
    }

    /** How many failed so far; from any thread. */
    long count() {
        return count.get();
    }
}
