package zentrel.app.bench;

import java.io.IOException;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.function.Consumer;
import java.util.function.Supplier;
import javafx.application.Platform;
import org.jspecify.annotations.Nullable;
import zentrel.app.look.Daemons;
import zentrel.found.FoundDevice;
import zentrel.live.Discovery;
import zentrel.live.NodeSetter;
import zentrel.live.NodeSetting;
import zentrel.live.RdmBrowser;

/** What waits for the answers of devices: setting them, asking their fixtures. One after the other, on a thread of its own. */
final class DeviceTasks implements AutoCloseable {
    private static final Duration RESTART = Duration.ofSeconds(30);

    /** Gets what happened, as a sentence. */
    interface Log {
        void note(boolean grave, String text);
    }

    /** How a setting came out, for whoever asked for it. */
    interface SetDone {
        void done(Optional<NodeSetter.Outcome> outcome, String words);
    }

    private final Supplier<Optional<Discovery>> discovery;
    private final Log log;
    private final AtomicBoolean stopped = new AtomicBoolean();
    private final ExecutorService thread = Executors.newSingleThreadExecutor(r -> Daemons.of(r, "set"));

    /** @param discovery the one that runs, if one does */
    DeviceTasks(Supplier<Optional<Discovery>> discovery, Log log) {
        this.discovery = discovery;
        this.log = log;
    }

    /** Sets a device and waits for its answer, on a thread of its own. */
    void set(FoundDevice device, NodeSetting wanted, Consumer<String> progress, SetDone done) {
        @Nullable Discovery by = discovery.get().orElse(null);
        if (by == null) {
            done.done(Optional.empty(), "Choose an adapter first.");
            return;
        }
        stopped.set(false);
        thread.execute(() -> {
            Optional<NodeSetter.Outcome> outcome = Optional.empty();
            String words;
            try {
                NodeSetter setter =
                        new NodeSetter(by, stopped::get, text -> Platform.runLater(() -> progress.accept(text)));
                NodeSetter.Outcome got = setter.set(device, wanted, RESTART);
                outcome = Optional.of(got);
                words = got.isConfirmed()
                        ? "Confirmed by its answer after %.1f s.".formatted(got.seconds())
                        : "Not confirmed: " + String.join("; ", got.missing()) + ".";
            } catch (IOException | IllegalArgumentException e) {
                words = String.valueOf(e.getMessage());
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
                words = "It was stopped.";
            }
            Optional<NodeSetter.Outcome> result = outcome;
            String said = words;
            log.note(result.isEmpty(), device.title() + " was set. " + said);
            Platform.runLater(() -> done.done(result, said));
        });
    }

    /** Something that is asked by RDM. */
    interface Asking<T> {
        T ask(RdmBrowser browser) throws IOException, InterruptedException;
    }

    /** Asks fixtures by RDM, on the thread that sets; told on the JavaFX thread. */
    <T> void rdm(Asking<T> work, Consumer<T> done, Consumer<String> failed) {
        @Nullable Discovery by = discovery.get().orElse(null);
        if (by == null) {
            failed.accept("Choose an adapter first.");
            return;
        }
        stopped.set(false);
        thread.execute(() -> {
            try {
                T result = work.ask(new RdmBrowser(by, stopped::get));
                Platform.runLater(() -> done.accept(result));
            } catch (IOException | IllegalArgumentException e) {
                Platform.runLater(() -> failed.accept(String.valueOf(e.getMessage())));
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
                Platform.runLater(() -> failed.accept("It was stopped."));
            }
        });
    }

    /** A device with what is to be set on it. */
    record Wanted(FoundDevice device, NodeSetting setting) {}

    /**
     * Sets many devices, one after the other: first all names and ports, then addresses, so that none is lost on the way. It goes on
     * where one does not confirm; each is in the log.
     *
     * @param progress told on the JavaFX thread which one it is at
     * @param done told on the JavaFX thread how many confirmed
     */
    void setAll(List<Wanted> all, Consumer<String> progress, Consumer<String> done) {
        @Nullable Discovery by = discovery.get().orElse(null);
        if (by == null) {
            done.accept("Choose an adapter first.");
            return;
        }
        stopped.set(false);
        thread.execute(() -> {
            List<Wanted> inOrder = new ArrayList<>(all);
            inOrder.sort(Comparator.comparing(w -> w.setting().address().isPresent())); // stable: the order of the plan
            int confirmed = 0;
            int at = 0;
            for (Wanted each : inOrder) {
                if (stopped.get()) {
                    break;
                }
                String where = "Setting " + ++at + " of " + inOrder.size() + ": "
                        + each.device().title();
                Platform.runLater(() -> progress.accept(where));
                confirmed += setOne(by, each) ? 1 : 0;
            }
            String said = confirmed + " of " + inOrder.size() + " confirmed" + (stopped.get() ? "; it was stopped" : "")
                    + ". See what happened.";
            Platform.runLater(() -> done.accept(said));
        });
    }

    private boolean setOne(Discovery by, Wanted wanted) {
        String name = wanted.device().title();
        try {
            NodeSetter.Outcome got =
                    new NodeSetter(by, stopped::get, t -> {}).set(wanted.device(), wanted.setting(), RESTART);
            log.note(
                    !got.isConfirmed(),
                    name
                            + (got.isConfirmed()
                                    ? " was set: " + String.join("; ", got.sent())
                                    : " did not confirm: " + String.join("; ", got.missing())));
            return got.isConfirmed();
        } catch (IOException | IllegalArgumentException e) {
            log.note(true, name + " was not set: " + e.getMessage());
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            stopped.set(true);
        }
        return false;
    }

    /** Ends what is under way. */
    void stop() {
        stopped.set(true);
    }

    @Override
    public void close() {
        stop();
        thread.shutdownNow();
    }
}
