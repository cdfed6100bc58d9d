package zentrel.live;

import java.io.IOException;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Consumer;
import org.jspecify.annotations.Nullable;
import zentrel.net.Clock;
import zentrel.standin.ConsoleSpec;
import zentrel.standin.ConsoleStandin;
import zentrel.standin.ConsoleStream;
import zentrel.standin.StandinEvent;
import zentrel.standin.StandinSite;

/** Sends test levels until it is closed; sACN ends with its three terminated packets. Levels leave only while output is armed. */
public final class TestSender implements AutoCloseable {
    private final StandinSite site;
    private final SendJob job;
    private final ConsoleStandin console;
    private Clock.@Nullable Timer steps;
    private long step;
    private volatile boolean closed;

    /**
     * Sends nothing yet.
     *
     * @param name how the source calls itself in sACN
     * @param told gets what could not be sent
     */
    public TestSender(StandinSite site, String name, SendJob job, Consumer<StandinEvent> told) {
        this.site = site;
        this.job = job;
        List<ConsoleStream> streams = job.universes().stream()
                .map(u -> new ConsoleStream(
                        "" + u,
                        job.protocol(),
                        u,
                        job.delivery(),
                        job.to(),
                        job.priority(),
                        job.ratePerSecond(),
                        false,
                        job.preview(),
                        job.sync(),
                        false))
                .toList();
        console = new ConsoleStandin(
                site,
                new ConsoleSpec(
                        name,
                        UUID.randomUUID(),
                        streams,
                        true,
                        job.sync() == 0 ? Optional.empty() : Optional.of(job.sync())),
                told);
    }

    /**
     * Starts; from any thread.
     *
     * @throws IOException with a sentence, if a port cannot be had
     */
    public void start() throws IOException {
        put();
        console.start();
        long period = Math.round(job.look().stepSeconds() * 1e9);
        site.host()
                .run(() -> steps = site.host().clock().every(site.host().clock().now() + period, period, this::next));
    }

    private void next() {
        step++;
        put();
    }

    private void put() {
        for (int i = 0; i < job.universes().size(); i++) {
            int wire = job.universes().get(i);
            console.setLevels(
                    "" + wire, job.look().levels(step, i, job.universes().size(), job.protocol(), wire));
        }
        console.hurry();
    }

    /** Packets that have left so far; from any thread. */
    public long sentCount() {
        return console.sentCount();
    }

    /** Packets that could not be sent so far; from any thread. */
    public long failedCount() {
        return console.failedCount();
    }

    /** Ends; from any thread. */
    @Override
    public void close() {
        if (closed) {
            return;
        }
        closed = true;
        site.host().run(() -> Optional.ofNullable(steps).ifPresent(Clock.Timer::cancel));
        if (job.zeroAtEnd()) {
            job.universes().forEach(u -> console.setLevels("" + u, new byte[512]));
            console.hurry();
        }
        console.close();
    }
}
