package zentrel.app.bench;

import java.io.IOException;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.function.Consumer;
import org.jspecify.annotations.Nullable;
import zentrel.live.SendJob;
import zentrel.live.TestSender;
import zentrel.standin.StandinEvent;
import zentrel.standin.StandinSite;

/** Sends test levels, one thing at a time; what it does is told as a sentence. Lives on the worker; it may be ended from elsewhere. */
final class BenchSender {
    private final List<TestSender> senders = new CopyOnWriteArrayList<>();
    private volatile @Nullable String sending;

    /** Told what happened. */
    @FunctionalInterface
    interface Told {
        void of(boolean grave, String text);
    }

    void start(StandinSite site, List<SendJob> jobs, String words, Told told, Consumer<String> notSent)
            throws IOException {
        stop(told);
        for (SendJob job : jobs) {
            TestSender started = new TestSender(site, "Zentrel bench", job, e -> {
                if (e instanceof StandinEvent.NotSent n) {
                    notSent.accept(n.why());
                }
            });
            senders.add(started);
            started.start();
        }
        sending = words;
        told.of(false, "Zentrel sends " + words);
    }

    /** What is sent, in words; empty where nothing is. */
    Optional<String> words() {
        return Optional.ofNullable(sending);
    }

    /** Sends the last packets, which say that it ends; whether anything was sent. From any thread. */
    boolean end() {
        senders.forEach(TestSender::close);
        return !senders.isEmpty();
    }

    void stop(Told told) {
        boolean was = end();
        senders.clear();
        sending = null;
        if (was) {
            told.of(false, "Zentrel stops sending");
        }
    }
}
