package zentrel.app.bench;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.ScheduledFuture;
import java.util.concurrent.TimeUnit;
import java.util.function.Consumer;
import java.util.function.Supplier;
import java.util.function.UnaryOperator;
import javafx.application.Platform;
import org.jspecify.annotations.Nullable;
import zentrel.gear.ConfirmedSettings;
import zentrel.ipv4.Ipv4Address;
import zentrel.live.Discovery;
import zentrel.live.EventLog;
import zentrel.live.LiveEvent;
import zentrel.live.Ping;
import zentrel.live.RecordedNet;
import zentrel.live.RecordingFile;
import zentrel.live.SealedFile;
import zentrel.live.SealedState;
import zentrel.live.SendJob;
import zentrel.live.StreamWatch;
import zentrel.live.TestSender;
import zentrel.net.Guarded;
import zentrel.net.NetAdapter;
import zentrel.net.NetHost;
import zentrel.net.OutputGuard;
import zentrel.net.Recorded;
import zentrel.net.real.RealNet;
import zentrel.packet.pcap.PcapReader;
import zentrel.plan.Plan;
import zentrel.standin.StandinEvent;
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
    private final ScheduledExecutorService worker = Executors.newSingleThreadScheduledExecutor(r -> daemon(r, "live"));
    private final DeviceTasks tasks = new DeviceTasks(this::discovery, this::note);
    private volatile LiveSnapshot snapshot = LiveSnapshot.EMPTY;
    private volatile Optional<NetAdapter> adapter = Optional.empty();
    private volatile @Nullable RecordingFile recording;
    private volatile @Nullable String sending;
    private volatile @Nullable String lost;

    private volatile @Nullable NetHost host;
    private volatile @Nullable TestSender sender;

    // on the worker
    private volatile @Nullable Discovery discovery;
    private @Nullable StreamWatch watch;
    private @Nullable RecordedNet played;
    private @Nullable PcapReader reader;
    private EventLog log = new EventLog();
    private double speed = 1;
    private long playedAt;
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

    private static Thread daemon(Runnable work, String name) {
        Thread thread = new Thread(work, name);
        thread.setDaemon(true);
        return thread;
    }

    OutputGuard.State state() {
        return guard.state();
    }

    /** The adapter that is looked at; empty for a recording, or where nothing is. */
    Optional<NetAdapter> adapter() {
        return adapter;
    }

    LiveSnapshot snapshot() {
        return snapshot;
    }

    // --- choosing where ---

    /** Looks at an adapter, only listening; {@code done} is told on the JavaFX thread what went wrong. */
    void open(NetAdapter at, Consumer<Optional<String>> done) {
        guard.set(OutputGuard.State.LISTEN);
        worker.execute(() -> {
            closeNow();
            log = new EventLog();
            finish(done, () -> listen(at));
        });
    }

    private void listen(NetAdapter at) throws IOException {
        NetHost net = new Recorded(new Guarded(new RealNet(), guard), p -> {
            RecordingFile file = recording;
            if (file != null) {
                file.take(p);
            }
        });
        host = net;
        Set<Ipv4Address> planned = ConfirmedSettings.addresses(plan.get());
        watch(net, at, planned);
        adapter = Optional.of(at);
        lost = null;
    }

    private void watch(NetHost net, NetAdapter at, Set<Ipv4Address> planned) throws IOException {
        StreamWatch streams = new StreamWatch(net, at, planned::contains);
        Discovery devices = new Discovery(net, at, List.of(), Ping.ofSystem(), planned::contains);
        watch = streams;
        discovery = devices;
        try {
            streams.start(LiveGroups.of(plan.get()));
            devices.start();
        } catch (IOException e) {
            closeNow();
            throw e;
        }
    }

    /** Plays a recording from its start. */
    void open(Path file, double howFast, Consumer<Optional<String>> done) {
        guard.set(OutputGuard.State.LISTEN);
        worker.execute(() -> {
            closeNow();
            log = new EventLog();
            finish(done, () -> {
                PcapReader opened = new PcapReader(file);
                reader = opened;
                RecordedNet net = new RecordedNet(opened);
                played = net;
                host = net;
                speed = howFast;
                playedAt = System.nanoTime();
                watch(net, net.everything(), ConfirmedSettings.addresses(plan.get()));
            });
        });
    }

    /** How fast a recording is played from now on; 0 holds it. */
    void setSpeed(double value) {
        worker.execute(() -> speed = value);
    }

    private interface Work {
        void run() throws IOException;
    }

    private static void finish(Consumer<Optional<String>> done, Work work) {
        Optional<String> problem = Optional.empty();
        try {
            work.run();
        } catch (IOException e) {
            problem = Optional.of(String.valueOf(e.getMessage()));
        }
        Optional<String> said = problem;
        Platform.runLater(() -> done.accept(said));
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
        Optional.ofNullable(discovery).ifPresent(Discovery::close);
        Optional.ofNullable(watch).ifPresent(StreamWatch::close);
        discovery = null;
        watch = null;
        stopRecordingNow();
        Optional.ofNullable(host).ifPresent(NetHost::close);
        host = null;
        played = null;
        if (reader != null) {
            try {
                reader.close();
            } catch (IOException e) {
                log.add(new LiveEvent(0, "recording", false, "The recording was not closed: " + e.getMessage()));
            }
            reader = null;
        }
        adapter = Optional.empty();
        snapshot = LiveSnapshot.EMPTY;
    }

    // --- states ---

    /** Lets questions leave, and nothing else. */
    void ask() {
        guard.set(OutputGuard.State.ASK);
        worker.execute(() -> Optional.ofNullable(discovery).ifPresent(Discovery::pollNow));
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
        TestSender running = sender;
        NetHost net = host;
        if (guard.state() == OutputGuard.State.ARMED) {
            if (running == null || net == null) {
                guard.set(OutputGuard.State.ASK);
            } else {
                running.close();
                net.run(() -> guard.set(OutputGuard.State.ASK)); // in the net's turn, right after those packets
            }
        }
        worker.execute(this::stopSendingNow);
    }

    // --- sending ---

    /** Sends test levels in place of those that are sent. */
    void send(SendJob job, String words, Consumer<Optional<String>> done) {
        worker.execute(() -> finish(done, () -> {
            stopSendingNow();
            NetHost net = host;
            Optional<NetAdapter> at = adapter;
            if (net == null || at.isEmpty()) {
                throw new IOException("Choose an adapter first.");
            }
            TestSender started =
                    new TestSender(new StandinSite(net, at.get()), "Zentrel bench", job, this::couldNotSend);
            sender = started;
            started.start();
            sending = words;
            log.add(new LiveEvent(net.clock().now(), "sending", false, "Zentrel sends " + words));
        }));
    }

    private void couldNotSend(StandinEvent event) {
        if (event instanceof StandinEvent.NotSent e) {
            worker.execute(() -> log.add(new LiveEvent(now(), "not-sent", true, "Not sent: " + e.why())));
        }
    }

    private Optional<Discovery> discovery() {
        return Optional.ofNullable(discovery);
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
        TestSender running = sender;
        sender = null;
        sending = null;
        if (running != null) {
            running.close();
            log.add(new LiveEvent(now(), "sending", false, "Zentrel stops sending"));
        }
    }

    // --- recording ---

    /** Records what arrives and what is sent, until {@link #stopRecording}. */
    void record(Path file, Consumer<Optional<String>> done) {
        worker.execute(() -> finish(done, () -> {
            stopRecordingNow();
            NetHost net = host;
            if (net == null || played != null) {
                throw new IOException("Choose an adapter first.");
            }
            long epoch = System.currentTimeMillis() * 1_000_000L - net.clock().now();
            recording = new RecordingFile(
                    Files.newOutputStream(file, StandardOpenOption.CREATE, StandardOpenOption.TRUNCATE_EXISTING),
                    epoch);
        }));
    }

    void stopRecording() {
        worker.execute(this::stopRecordingNow);
    }

    private void stopRecordingNow() {
        RecordingFile file = recording;
        recording = null;
        NetHost net = host;
        if (file == null || net == null) {
            return;
        }
        try {
            net.call(() -> {
                file.close(); // in the net's turn, so that no packet is half written
                return true;
            });
            file.failure().ifPresent(f -> log.add(new LiveEvent(now(), "recording", true, f)));
        } catch (IOException e) {
            log.add(new LiveEvent(now(), "recording", true, "The recording did not end well: " + e.getMessage()));
        }
    }

    /** Sets devices and asks fixtures, on a thread of its own. */
    DeviceTasks tasks() {
        return tasks;
    }

    // --- looking ---

    private void tick() {
        StreamWatch streams = watch;
        Discovery devices = discovery;
        if (streams == null || devices == null) {
            return;
        }
        try {
            RecordedNet net = played;
            if (net != null) {
                long real = System.nanoTime();
                net.advance(net.clock().now() + Math.round((real - playedAt) * speed));
                playedAt = real;
            } else if (ticks++ % ADAPTER_EVERY == 0) {
                checkAdapter();
            }
            take(streams, devices);
        } catch (IOException | RuntimeException e) {
            lost = "Looking failed: " + e.getMessage();
        }
    }

    /** An adapter that is gone, or has another address, stops all output; that it is back is noticed. */
    private void checkAdapter() {
        Optional<NetAdapter> at = adapter;
        if (at.isEmpty()) {
            return;
        }
        boolean there = new RealNet()
                .adapterAt(at.get().address().address())
                .filter(a -> a.name().equals(at.get().name()) && a.up())
                .isPresent();
        if (!there && lost == null) {
            lost = at.get() + " is gone: no cable, switched off, or another address. Output was stopped; connect it"
                    + " again, or choose another.";
            stopSendingNow();
            guard.set(OutputGuard.State.LISTEN);
            log.add(new LiveEvent(now(), "adapter", true, at.get() + " is gone"));
        } else if (there && lost != null) {
            lost = null;
            log.add(new LiveEvent(now(), "adapter", false, at.get() + " is back"));
        }
    }

    private void take(StreamWatch streams, Discovery devices) throws IOException {
        StreamWatch.Found found = streams.found();
        List<String> troubles = new ArrayList<>(found.trouble());
        Optional.ofNullable(lost).ifPresent(troubles::add);
        troubles.addAll(devices.troubles());
        troubles.addAll(found.remarks());
        Optional.ofNullable(reader).flatMap(PcapReader::damage).ifPresent(troubles::add);
        RecordingFile file = recording;
        snapshot = look.of(
                found,
                devices.devices(),
                log,
                now(),
                new LiveLook.Rest(
                        troubles.stream().distinct().toList(),
                        Optional.ofNullable(file).map(RecordingFile::packets),
                        Optional.ofNullable(sending)));
    }

    // --- as it worked ---

    /** Keeps what is seen now in a file, and tells from now on what changed since. */
    void seal(Path to, Consumer<Optional<String>> done) {
        worker.execute(() -> finish(done, () -> {
            LiveSnapshot now = snapshot;
            SealedState state = SealedState.of(
                    now.devices().stream().map(LiveDevice::found).toList(),
                    now.universes(),
                    System.currentTimeMillis());
            SealedFile.write(state, to);
            look.since(state);
        }));
    }

    /** Tells from now on what changed since a state was sealed. */
    void since(Path file, Consumer<Optional<String>> done) {
        worker.execute(() -> finish(done, () -> look.since(SealedFile.read(file))));
    }

    /** The adapters of this computer, asked of the system and told on the JavaFX thread. */
    void adapters(Consumer<List<NetAdapter>> told) {
        worker.execute(() -> {
            List<NetAdapter> all = new RealNet().adapters();
            Platform.runLater(() -> told.accept(all));
        });
    }

    @Override
    public void close() {
        guard.set(OutputGuard.State.LISTEN);
        tasks.close();
        worker.execute(this::closeNow);
        worker.shutdown();
    }
}
