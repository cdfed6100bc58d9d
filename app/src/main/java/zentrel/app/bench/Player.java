package zentrel.app.bench;

import java.io.IOException;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** Lets the time of a played net go on beside the real one. Lives on the worker; only whether it plays may be asked elsewhere. */
final class Player {
    /** What is made up for at most, in ns, where nobody asked for long. */
    private static final long MOST = 1_000_000_000L;

    private volatile @Nullable PlayedNet net;
    private double speed = 1;
    private long lastNanos;

    /** What is played; empty where nothing is. */
    Optional<PlayedNet> net() {
        return Optional.ofNullable(net);
    }

    void play(PlayedNet value) {
        net = value;
        lastNanos = System.nanoTime();
    }

    /** How fast a recording is played; 0 holds it. A rehearsal goes on as real time does. */
    void setSpeed(double value) {
        speed = value;
    }

    /** Lets the time pass that passed since this was last asked. */
    void advance(PlayedNet played) throws IOException {
        long real = System.nanoTime();
        long passed = Math.min(real - lastNanos, MOST); // this computer may have slept
        lastNanos = real;
        played.advance(played instanceof PlayedRehearsal ? passed : Math.round(passed * speed));
    }

    /** Ends what is played; what went wrong with it, as a sentence. */
    Optional<String> close() {
        PlayedNet ended = net;
        net = null;
        if (ended != null) {
            try {
                ended.close();
            } catch (IOException e) {
                return Optional.of("The recording was not closed: " + e.getMessage());
            }
        }
        return Optional.empty();
    }
}
