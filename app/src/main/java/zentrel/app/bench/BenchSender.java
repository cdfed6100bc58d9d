package zentrel.app.bench;

import java.io.IOException;
import java.util.Optional;
import java.util.function.Consumer;
import org.jspecify.annotations.Nullable;
import zentrel.live.SendJob;
import zentrel.live.TestSender;
import zentrel.standin.StandinEvent;
import zentrel.standin.StandinSite;

/** Sends one job of test levels at a time; what it does is told as a sentence. Lives on the worker; it may be ended from elsewhere. */
final class BenchSender {
    private volatile @Nullable TestSender sender;
    private volatile @Nullable String sending;

    /** Told what happened. */
    @FunctionalInterface
    interface Told {
        void of(boolean grave, String text);
    }

    void start(StandinSite site, SendJob job, String words, Told told, Consumer<String> notSent) throws IOException {
        stop(told);
        TestSender started = new TestSender(site, "Zentrel bench", job, e -> {
            if (e instanceof StandinEvent.NotSent n) {
                notSent.accept(n.why());
            }
        });
        sender = started;
        started.start();
        sending = words;
        told.of(false, "Zentrel sends " + words);
    }

    /** What is sent, in words; empty where nothing is. */
    Optional<String> words() {
        return Optional.ofNullable(sending);
    }

    /** Sends the last packets, which say that it ends; whether anything was sent. From any thread. */
    boolean end() {
        TestSender running = sender;
        if (running != null) {
            running.close();
        }
        return running != null;
    }

    void stop(Told told) {
        boolean was = end();
        sender = null;
        sending = null;
        if (was) {
            told.of(false, "Zentrel stops sending");
        }
    }
}
