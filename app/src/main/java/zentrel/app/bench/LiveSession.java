package zentrel.app.bench;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.ScheduledFuture;
import java.util.concurrent.TimeUnit;
import java.util.function.Consumer;
import java.util.function.Supplier;
import java.util.function.UnaryOperator;
import javafx.application.Platform;
import org.jspecify.annotations.Nullable;
import zentrel.app.look.Daemons;
import zentrel.ipv4.Ipv4Address;
import zentrel.live.Discovery;
import zentrel.live.EventLog;
import zentrel.live.LiveEvent;
import zentrel.live.Ping;
import zentrel.live.SealedFile;
import zentrel.live.SealedState;
import zentrel.live.SendJob;
import zentrel.live.StreamWatch;
import zentrel.live.UniverseSeen;
import zentrel.net.Guarded;
import zentrel.net.NetAdapter;
import zentrel.net.NetHost;
import zentrel.net.OutputGuard;
import zentrel.net.Recorded;
import zentrel.net.real.RealNet;
import zentrel.plan.Plan;
import zentrel.standin.StandinSite;

/**
 * Looks at one net: an adapter of this computer, or a recording. Everything waits on a thread of its own; the view reads
 * {@link #snapshot}. Nothing but group joins leaves in the state that it starts in.
 */
final class LiveSession implements AutoCloseable {
    private static final int EVERY_MILLIS = 250;
    private static final int ADAPTER_EVERY = 8;

    private final OutputGuard guard = new OutputGuard(OutputGuard.State.LISTEN);
    private final Supplier<Plan> plan;
    private final LiveLook look;
    private final ScheduledExecutorService worker =
            Executors.newSingleThreadScheduledExecutor(r -> Daemons.of(r, "live"));
    private final DeviceTasks tasks = new DeviceTasks(this::discovery, this::note);
    private volatile LiveSnapshot snapshot = LiveSnapshot.EMPTY;
    private volatile Optional<NetAdapter> adapter = Optional.empty();
    private volatile Optional<Place> place = Optional.empty();
    private final SeenRecorder recorder = new SeenRecorder();
    private final Player player = new Player();
    private final BenchSender sender = new BenchSender();
    private volatile @Nullable String lost;

    private volatile @Nullable NetHost host;

    // on the worker
    private volatile @Nullable Watches watches;
    private EventLog log = new EventLog();
    private int ticks;

    /**
     * Looks at nothing yet.
     *
     * @param asPlanned the address that the plan has for one that was seen, as stand-ins on loopback have others
     */
    LiveSession(Supplier<Plan> plan, UnaryOperator<Ipv4Address> asPlanned) {
        this.plan = plan;
        this.look = new LiveLook(plan, asPlanned);
        ScheduledFuture<?> unused =
                worker.scheduleWithFixedDelay(this::tick, EVERY_MILLIS, EVERY_MILLIS, TimeUnit.MILLISECONDS);
    }

    OutputGuard.State state() {
        return guard.state();
    }

    /** The adapter that is looked at; empty for a recording, or where nothing is. */
    Optional<NetAdapter> adapter() {
        return adapter;
    }

    /** The net that is looked at, behind its guard; empty where none is. */
    Optional<StandinSite> site() {
        NetHost net = host;
        return net == null ? Optional.empty() : adapter.map(a -> new StandinSite(net, a));
    }

    /** What is looked at; empty where nothing is. */
    Optional<Place> place() {
        return place;
    }

    LiveSnapshot snapshot() {
        return snapshot;
    }

    // --- choosing where ---

    /** Looks at a place, only listening; {@code done} is told on the JavaFX thread what went wrong. */
    void open(Place at, Consumer<Optional<String>> done) {
        guard.set(OutputGuard.State.LISTEN);
        worker.execute(() -> {
            closeNow();
            log = new EventLog();
            Finishing.of(done, () -> open(at));
        });
    }

    private void open(Place at) throws IOException {
        if (at instanceof Place.Rehearsed rehearsed) {
            play(new PlayedRehearsal(plan.get(), rehearsed.segment()));
        } else if (at instanceof Place.Recorded recorded) {
            play(new PlayedRecording(recorded.file(), (who, when) -> log.queried(who, when)));
        } else {
            listen(at.real().orElseThrow());
        }
        place = Optional.of(at);
    }

    private void listen(NetAdapter at) throws IOException {
        NetHost net = new Recorded(new Guarded(new RealNet(), guard), recorder);
        host = net;
        watch(net, at);
        adapter = Optional.of(at);
    }

    private void play(PlayedNet net) throws IOException {
        player.play(net);
        NetHost seen = new Recorded(new Guarded(net.host(), guard), recorder);
        host = seen;
        watch(seen, net.adapter());
        if (net instanceof PlayedRehearsal) {
            adapter = Optional.of(net.adapter());
        }
    }

    private void watch(NetHost net, NetAdapter at) throws IOException {
        // a ping leaves by the system, past the guard, so the guard is asked; of what is played nothing can be pinged
        Ping ping = Ping.ofSystem();
        Ping asking = (a, limit) -> player.net().isEmpty() && guard.state() != OutputGuard.State.LISTEN
                ? ping.answers(a, limit)
                : Optional.empty();
        try {
            watches = Watches.start(net, at, plan.get(), asking);
        } catch (IOException e) {
            closeNow();
            throw e;
        }
    }

    /** Goes to another time of a recording, forward or back. */
    void goTo(long time) {
        inRecording(net -> {
            if (net.goTo(time)) {
                closeWatch();
                log = new EventLog();
                play(net);
                net.advance(Math.max(0, time - net.host().clock().now()));
            }
        });
    }

    /** Lets time of a recording pass, beside what passes by itself. */
    void stepBy(long nanos) {
        inRecording(net -> net.advance(nanos));
    }

    private interface InRecording {
        void run(PlayedNet net) throws IOException;
    }

    private void inRecording(InRecording work) {
        worker.execute(() -> {
            try {
                work.run(player.net().orElseThrow(() -> new IOException("none is played.")));
            } catch (IOException e) {
                lost = "The recording cannot be read there: " + e.getMessage();
            }
        });
    }

    /** How fast a recording is played from now on; 0 holds it. */
    void setSpeed(double value) {
        worker.execute(() -> player.setSpeed(value));
    }

    /** Looks at nothing any more. */
    void stop(Runnable done) {
        guard.set(OutputGuard.State.LISTEN);
        worker.execute(() -> {
            closeNow();
            Platform.runLater(done);
        });
    }

    private void closeNow() {
        stopSendingNow();
        closeWatch();
        stopRecordingNow();
        Optional.ofNullable(host).ifPresent(NetHost::close);
        host = null;
        player.close().ifPresent(p -> log.add(new LiveEvent(0, "recording", false, p)));
        adapter = Optional.empty();
        place = Optional.empty();
        lost = null;
        snapshot = LiveSnapshot.EMPTY;
    }

    private void closeWatch() {
        Optional.ofNullable(watches).ifPresent(Watches::close);
        watches = null;
    }

    /** Polls and pings an address besides, as long as questions may leave. */
    void alsoAsk(Ipv4Address address) {
        worker.execute(() -> discovery().ifPresent(d -> d.alsoAsk(address)));
    }

    // --- states ---

    /** Lets questions leave, and nothing else. */
    void ask() {
        guard.set(OutputGuard.State.ASK);
        worker.execute(() -> discovery().ifPresent(Discovery::pollNow));
    }

    /** Nothing leaves but group joins. */
    void listenOnly() {
        guard.set(OutputGuard.State.LISTEN);
    }

    /** Lets levels and settings leave by the adapter that is looked at; whether it is armed now. */
    boolean arm() {
        adapter.ifPresent(a -> guard.arm(a.name()));
        return guard.state() == OutputGuard.State.ARMED;
    }

    /** Stops all output at once; what is sent says by its last packets that it ends. */
    void stopOutput() {
        tasks.stop();
        NetHost net = host;
        if (guard.state() == OutputGuard.State.ARMED) {
            if (sender.end() && net != null) {
                net.run(() -> guard.set(OutputGuard.State.ASK)); // in the net's turn, right after the last packets
            } else {
                guard.set(OutputGuard.State.ASK);
            }
        }
        worker.execute(this::stopSendingNow);
    }

    // --- sending ---

    /** Sends test levels in place of those that are sent. */
    void send(List<SendJob> jobs, String words, Consumer<Optional<String>> done) {
        worker.execute(() -> Finishing.of(done, () -> {
            NetHost net = host;
            Optional<NetAdapter> at = adapter;
            if (net == null || at.isEmpty()) {
                throw new IOException("Choose an adapter first.");
            }
            if (guard.state() != OutputGuard.State.ARMED) { // else it would begin whenever somebody arms again
                throw new IOException("Nothing is sent: output is not armed any more.");
            }
            sender.start(
                    new StandinSite(net, at.get()), jobs, words, this::sent, why -> note(true, "Not sent: " + why));
        }));
    }

    private void sent(boolean grave, String text) {
        log.add(new LiveEvent(now(), "sending", grave, text));
    }

    private Optional<Discovery> discovery() {
        return Optional.ofNullable(watches).map(Watches::devices);
    }

    private void note(boolean grave, String text) {
        worker.execute(() -> log.add(new LiveEvent(now(), "set", grave, text)));
    }

    private long now() {
        NetHost net = host;
        return net == null ? 0 : net.clock().now();
    }

    /** Ends what is sent. */
    void stopSending() {
        worker.execute(this::stopSendingNow);
    }

    private void stopSendingNow() {
        sender.stop(this::sent);
    }

    // --- recording ---

    /** Records what arrives and what is sent, until {@link #stopRecording}. */
    void record(Path file, Consumer<Optional<String>> done) {
        worker.execute(() -> Finishing.of(done, () -> {
            stopRecordingNow();
            NetHost net = host;
            if (net == null || adapter.isEmpty()) {
                throw new IOException("Choose an adapter first.");
            }
            recorder.start(net, file);
        }));
    }

    void stopRecording() {
        worker.execute(this::stopRecordingNow);
    }

    private void stopRecordingNow() {
        NetHost net = host;
        if (net != null) {
            recorder.stop(net).ifPresent(f -> log.add(new LiveEvent(now(), "recording", true, f)));
        }
    }

    /** Sets devices and asks fixtures, on a thread of its own. */
    DeviceTasks tasks() {
        return tasks;
    }

    // --- looking ---

    private void tick() {
        Watches looking = watches;
        if (looking == null) {
            return;
        }
        try {
            Optional<PlayedNet> net = player.net();
            if (net.isPresent()) {
                player.advance(net.get());
            } else if (ticks++ % ADAPTER_EVERY == 0) {
                checkAdapter();
            }
            take(looking);
        } catch (IOException | RuntimeException e) {
            lost = "Looking failed: " + e.getMessage();
        }
    }

    /** An adapter that is gone, or has another address, stops all output; that it is back is noticed. */
    private void checkAdapter() {
        Optional<NetAdapter> at = adapter;
        boolean there = at.isEmpty() || Adapters.isThere(at.get());
        if (!there && lost == null) {
            lost = Adapters.gone(at.get());
            stopSendingNow();
            guard.set(OutputGuard.State.LISTEN);
            log.add(new LiveEvent(now(), "adapter", true, at.get() + " is gone"));
        } else if (there && lost != null && at.isPresent()) {
            lost = null;
            log.add(new LiveEvent(now(), "adapter", false, at.get() + " is back"));
        }
    }

    /** What is heard at this moment, told on the JavaFX thread; nothing where that cannot be had. */
    void heard(Consumer<List<UniverseSeen>> told) {
        worker.execute(() -> {
            Watches looking = watches;
            List<UniverseSeen> now = List.of();
            try {
                now = looking == null
                        ? now
                        : UniverseSeen.of(looking.streams().found().streams());
            } catch (IOException e) {
                lost = "Looking failed: " + e.getMessage();
            }
            List<UniverseSeen> seen = now;
            Platform.runLater(() -> told.accept(seen));
        });
    }

    private void take(Watches looking) throws IOException {
        StreamWatch.Found found = looking.streams().found();
        List<String> troubles = new ArrayList<>(found.trouble());
        Optional.ofNullable(lost).ifPresent(troubles::add);
        troubles.addAll(looking.devices().troubles());
        troubles.addAll(found.remarks());
        Optional<PlayedNet> net = player.net();
        net.flatMap(PlayedNet::trouble).ifPresent(troubles::add);
        snapshot = look.of(
                found,
                looking.devices().devices(),
                looking.desks().seen(),
                log,
                now(),
                new LiveLook.Rest(
                        troubles.stream().distinct().toList(),
                        recorder.packets(),
                        sender.words(),
                        net.flatMap(PlayedNet::span)));
    }

    // --- as it worked ---

    /** Keeps what is seen now in a file, and tells from now on what changed since. */
    void seal(Path to, Consumer<Optional<String>> done) {
        worker.execute(() -> Finishing.of(done, () -> {
            LiveSnapshot now = snapshot;
            SealedState state = SealedState.of(
                            now.devices().stream().map(LiveDevice::found).toList(),
                            now.universes(),
                            System.currentTimeMillis())
                    .withPlan(plan.get());
            SealedFile.write(state, to);
            look.since(state);
        }));
    }

    /** Tells from now on what changed since a state was sealed. */
    void since(Path file, Consumer<Optional<String>> done) {
        worker.execute(() -> Finishing.of(done, () -> look.since(SealedFile.read(file))));
    }

    /** The adapters of this computer, asked of the system and told on the JavaFX thread. */
    void adapters(Consumer<List<NetAdapter>> told) {
        worker.execute(() -> Adapters.all(told));
    }

    @Override
    public void close() {
        guard.set(OutputGuard.State.LISTEN);
        tasks.close();
        worker.execute(this::closeNow);
        worker.shutdown();
    }
}
