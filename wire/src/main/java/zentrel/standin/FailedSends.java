package zentrel.standin;

import java.io.IOException;
import java.util.concurrent.atomic.AtomicLong;
import java.util.function.Consumer;
import org.jspecify.annotations.Nullable;

/** Sends that failed: reported once for each reason in a row, and counted. May be used by several threads. */
final class FailedSends {
    private final Consumer<StandinEvent> listener;
    private final AtomicLong count = new AtomicLong();
    private @Nullable String last;

    FailedSends(Consumer<StandinEvent> listener) {
        this.listener = listener;
    }

    void add(IOException failure) {
        count.incrementAndGet();
        String why = String.valueOf(failure.getMessage());
        synchronized (this) {
            if (why.equals(last)) {
                return;
            }
            last = why;
        }
        listener.accept(new StandinEvent.NotSent(why));
    }

    /** How many failed so far. */
    long count() {
        return count.get();
    }
}
