package zentrel.standin;

import java.io.IOException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.UUID;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicLong;
import java.util.concurrent.atomic.AtomicReference;
import java.util.function.Consumer;
import zentrel.ipv4.Ipv4Address;
import zentrel.packet.Bytes;
import zentrel.packet.artnet.ArtDmx;
import zentrel.packet.artnet.ArtNetCodec;
import zentrel.packet.artnet.ArtNetPacket;
import zentrel.packet.artnet.ArtPoll;
import zentrel.packet.artnet.ArtPollReply;
import zentrel.packet.sacn.SacnCodec;
import zentrel.packet.sacn.SacnData;
import zentrel.packet.sacn.SacnDiscovery;
import zentrel.packet.sacn.SacnPacket;
import zentrel.plan.Delivery;
import zentrel.profile.Protocol;
import zentrel.universe.PortAddress;
import zentrel.universe.SacnUniverse;
import zentrel.wire.BoundedTable;
import zentrel.wire.Datagram;
import zentrel.wire.SendIntent;
import zentrel.wire.Wire;

/**
 * A stand-in that sends universes by both protocols. Levels leave only while the wire's guard is armed. Changed levels are
 * sent at the stream's rate three times, then repeated every 0.9 s (ANSI E1.31-2018 §6.6.2: 800–1000 ms).
 */
public final class ConsoleStandin implements AutoCloseable {
    private static final System.Logger LOG = System.getLogger(ConsoleStandin.class.getName());
    private static final long REPEAT_NANOS = 900_000_000L;
    private static final int FRESH_FRAMES = 3;
    private static final int POLL_MILLIS = 2_500;
    private static final int DISCOVERY_SECONDS = 10;

    /** A node that has not answered for this long is not sent to any more: three polls and a bit. */
    private static final long FORGET_NANOS = 9_000_000_000L;

    /** Nodes and their ports held at once; those of made-up answers take no more. */
    private static final int MOST_SUBSCRIBERS = 4096;

    private static final int PATIENCE_SECONDS = 9;

    private static final class Out {
        private final ConsoleStream stream;
        private final byte[] levels = new byte[512];
        private int sequence;
        private int fresh = FRESH_FRAMES;
        private long nextNanos;

        Out(ConsoleStream stream) {
            this.stream = stream;
        }
    }

    private record Subscriber(Ipv4Address node, int portAddress) {}

    private record Page(Ipv4Address node, int bindIndex) {}

    private final Wire wire;
    private final String name;
    private final UUID cid;
    private final boolean continuous;
    private final Consumer<StandinEvent> listener;
    private final Map<String, Out> outs = new LinkedHashMap<>();
    private final BoundedTable<Subscriber, Boolean> subscribers =
            new BoundedTable<>(MOST_SUBSCRIBERS, PATIENCE_SECONDS);
    private final BoundedTable<Page, AtomicReference<List<Integer>>> reported =
            new BoundedTable<>(MOST_SUBSCRIBERS, PATIENCE_SECONDS);
    private final FailedSends failedSends;
    private final ScheduledExecutorService clock;
    private final AtomicLong sent = new AtomicLong();
    private boolean terminating;

    /**
     * A console.
     *
     * @param continuous send every frame at the rate, changed or not
     */
    public ConsoleStandin(
            Wire wire,
            String name,
            UUID cid,
            List<ConsoleStream> streams,
            boolean continuous,
            Consumer<StandinEvent> listener) {
        this.wire = wire;
        this.name = name;
        this.cid = cid;
        this.continuous = continuous;
        this.listener = listener;
        this.failedSends = new FailedSends(listener);
        streams.forEach(s -> outs.put(s.id(), new Out(s)));
        clock = Executors.newSingleThreadScheduledExecutor(r -> {
            Thread t = new Thread(r, "stand-in " + name);
            t.setDaemon(true);
            return t;
        });
    }

    /** Opens the sockets and starts to send, as far as the guard lets it. */
    public void start() throws IOException {
        boolean finds = outs.values().stream().anyMatch(o -> o.stream.delivery() == Delivery.FOUND);
        if (finds) {
            wire.listen(ArtNetPacket.PORT, false, this::reply);
            every(POLL_MILLIS, TimeUnit.MILLISECONDS, this::poll);
        }
        double fastest = outs.values().stream()
                .mapToDouble(o -> o.stream.ratePerSecond())
                .max()
                .orElse(40);
        long tick = Math.max(1_000_000L, (long) (1e9 / fastest / 2));
        every(tick, TimeUnit.NANOSECONDS, this::tick);
        if (outs.values().stream().anyMatch(o -> o.stream.protocol() == Protocol.SACN)) {
            every(DISCOVERY_SECONDS, TimeUnit.SECONDS, this::announce);
        }
    }

    private void every(long period, TimeUnit unit, Step step) {
        Future<?> unused = clock.scheduleAtFixedRate(() -> guarded(step), 0, period, unit);
    }

    public String name() {
        return name;
    }

    public Wire wire() {
        return wire;
    }

    /** Datagrams with levels that have left so far. */
    public long sentCount() {
        return sent.get();
    }

    /** Datagrams that could not be sent so far. */
    public long failedCount() {
        return failedSends.count();
    }

    private interface Step {
        void run() throws IOException;
    }

    /** A failure must not end the clock: the adapter may come back. */
    private void guarded(Step step) {
        try {
            step.run();
        } catch (IOException e) {
            failedSends.add(e);
        } catch (RuntimeException e) {
            LOG.log(System.Logger.Level.WARNING, name + " could not send; it tries again.", e);
        }
    }

    /**
     * Sets one slot.
     *
     * @param slot 1–512
     * @param level 0–255
     */
    public synchronized void setSlot(String stream, int slot, int level) {
        if (slot < 1 || slot > 512 || level < 0 || level > 255) {
            throw new IllegalArgumentException(
                    "A slot is 1–512 and a level 0–255, not " + slot + " and " + level + ".");
        }
        Out out = outs.get(stream);
        if (out == null) {
            throw new IllegalArgumentException(name + " sends no stream \"" + stream + "\".");
        }
        out.levels[slot - 1] = (byte) level;
        out.fresh = FRESH_FRAMES;
    }

    private synchronized void tick() throws IOException {
        long now = System.nanoTime();
        for (Out out : outs.values()) {
            if (out.stream.standby() || (out.nextNanos != 0 && now < out.nextNanos)) {
                continue;
            }
            long frame = (long) (1e9 / out.stream.ratePerSecond());
            if (send(out, false)) {
                out.fresh = Math.max(0, out.fresh - 1);
            }
            boolean hurry = continuous || out.fresh > 0;
            // Deadlines stay on the grid, so that the rate is kept on average.
            long due = out.nextNanos == 0 || now - out.nextNanos > 4 * frame ? now : out.nextNanos;
            out.nextNanos = due + (hurry ? frame : REPEAT_NANOS);
        }
    }

    /** Makes a fresh look leave with the next tick. */
    public synchronized void hurry() {
        outs.values().forEach(o -> o.nextNanos = 0);
    }

    private boolean send(Out out, boolean terminated) {
        ConsoleStream s = out.stream;
        // Art-Net counts 1 to 255 and keeps 0 for "not numbered"; sACN counts 0 to 255.
        out.sequence = s.protocol() == Protocol.ARTNET ? out.sequence % 255 + 1 : (out.sequence + 1) & 0xFF;
        byte[] bytes = s.protocol() == Protocol.ARTNET
                ? ArtNetCodec.encode(new ArtDmx(out.sequence, 0, new PortAddress(s.wire()), Bytes.of(out.levels)))
                : SacnCodec.encode(new SacnData(
                        cid,
                        name,
                        s.priority(),
                        0,
                        out.sequence,
                        false,
                        terminated,
                        false,
                        s.wire(),
                        0,
                        Bytes.of(out.levels)));
        int port = s.protocol() == Protocol.ARTNET ? ArtNetPacket.PORT : SacnPacket.PORT;
        boolean left = false;
        for (Ipv4Address to : destinations(s)) {
            try {
                if (wire.send(SendIntent.SETTING, port, to, port, bytes)) {
                    left = true;
                    sent.incrementAndGet();
                }
            } catch (IOException e) {
                failedSends.add(e); // the other destinations may be reached all the same
            }
        }
        return left;
    }

    private Set<Ipv4Address> destinations(ConsoleStream s) {
        return switch (s.delivery()) {
            case UNICAST -> new LinkedHashSet<>(s.to());
            case MULTICAST -> Set.of(SacnUniverse.group(s.wire()));
            case BROADCAST -> Set.of(wire.broadcast());
            case DIRECT -> Set.of(); // leaves by the box's own connectors, not by the wire
            case LIMITED_BROADCAST ->
                Set.of(wire.address().isLoopback() ? wire.broadcast() : Ipv4Address.LIMITED_BROADCAST);
            case FOUND -> {
                Set<Ipv4Address> nodes = new TreeSet<>();
                subscribers.forEach((subscriber, known) -> {
                    if (subscriber.portAddress() == s.wire()) {
                        nodes.add(subscriber.node());
                    }
                });
                yield nodes;
            }
        };
    }

    private synchronized void poll() throws IOException {
        long now = System.nanoTime();
        subscribers.forget(now, FORGET_NANOS);
        reported.forget(now, FORGET_NANOS);
        wire.send(
                SendIntent.ASKING,
                ArtNetPacket.PORT,
                wire.broadcast(),
                ArtNetPacket.PORT,
                ArtNetCodec.encode(ArtPoll.plain()));
    }

    private void reply(Datagram datagram) {
        ArtNetCodec.decode(datagram.bytes()).packet().ifPresent(packet -> {
            if (packet instanceof ArtPollReply reply) {
                found(datagram.from(), reply);
            }
        });
    }

    private synchronized void found(Ipv4Address node, ArtPollReply reply) {
        long now = System.nanoTime();
        List<Integer> addresses = new ArrayList<>();
        for (int i = 0; i < reply.ports(); i++) {
            if (reply.isOutput(i) && !reply.isSacn(i)) {
                int address = reply.output(i).value();
                addresses.add(address);
                List<Out> wanted = outs.values().stream()
                        .filter(o -> o.stream.delivery() == Delivery.FOUND && o.stream.wire() == address)
                        .toList();
                Subscriber subscriber = new Subscriber(node, address);
                boolean isNew = !subscribers.contains(subscriber);
                // Only what some stream is for is remembered: the rest would be a stranger's to make up.
                if (!wanted.isEmpty()
                        && subscribers.use(subscriber, false, now, () -> true).isPresent()
                        && isNew) {
                    wanted.forEach(o -> o.nextNanos = 0);
                }
            }
        }
        reported.use(new Page(node, reply.bindIndex()), false, now, () -> new AtomicReference<>(List.of()))
                .filter(before -> !addresses.equals(before.getAndSet(addresses)) && !addresses.isEmpty())
                .ifPresent(before -> listener.accept(new StandinEvent.Found(node, addresses)));
    }

    private synchronized void announce() throws IOException {
        List<Integer> universes = outs.values().stream()
                .filter(o -> o.stream.protocol() == Protocol.SACN && !o.stream.standby())
                .map(o -> o.stream.wire())
                .distinct()
                .sorted()
                .toList();
        int pages = Math.max(1, (universes.size() + SacnDiscovery.PAGE - 1) / SacnDiscovery.PAGE);
        for (int page = 0; page < pages; page++) {
            List<Integer> part = universes.subList(
                    page * SacnDiscovery.PAGE, Math.min((page + 1) * SacnDiscovery.PAGE, universes.size()));
            wire.send(
                    SendIntent.SETTING,
                    SacnPacket.PORT,
                    SacnUniverse.group(SacnPacket.DISCOVERY_UNIVERSE),
                    SacnPacket.PORT,
                    SacnCodec.encode(new SacnDiscovery(cid, name, page, pages - 1, part)));
        }
    }

    /** Says three times that each sACN universe ends (§6.2.6), then closes. */
    @Override
    public void close() {
        synchronized (this) {
            if (terminating) {
                return;
            }
            terminating = true;
            for (Out out : outs.values()) {
                if (out.stream.protocol() == Protocol.SACN && !out.stream.standby()) {
                    for (int i = 0; i < 3; i++) {
                        guarded(() -> send(out, true));
                    }
                }
            }
        }
        clock.shutdownNow();
        wire.close();
    }
}
