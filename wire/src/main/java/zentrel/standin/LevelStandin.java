package zentrel.standin;

import java.io.IOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.function.Consumer;
import java.util.function.Predicate;
import zentrel.ipv4.Ipv4Address;
import zentrel.packet.Decoded;
import zentrel.packet.artnet.ArtDmx;
import zentrel.packet.artnet.ArtNetCodec;
import zentrel.packet.artnet.ArtNetPacket;
import zentrel.packet.artnet.ArtPoll;
import zentrel.packet.artnet.ArtPollReply;
import zentrel.packet.artnet.ArtSync;
import zentrel.packet.sacn.SacnCodec;
import zentrel.packet.sacn.SacnData;
import zentrel.packet.sacn.SacnPacket;
import zentrel.packet.sacn.SacnSync;
import zentrel.profile.Merge;
import zentrel.profile.Protocol;
import zentrel.source.Sources;
import zentrel.text.PlainText;
import zentrel.universe.SacnUniverse;
import zentrel.wire.BoundedTable;
import zentrel.wire.Datagram;
import zentrel.wire.SendIntent;
import zentrel.wire.Wire;

/**
 * A stand-in that takes levels: a node, which also answers polls, or a previs, which does so if its settings say. Both
 * protocols, several sources, loss, synchronization. Events come on its own threads.
 */
public final class LevelStandin implements AutoCloseable {
    private static final System.Logger LOG = System.getLogger(LevelStandin.class.getName());

    /** How long data is held for a synchronization packet that stays away (ANSI E1.31-2018 §11; the loss time). */
    private static final long SYNC_PATIENCE_NANOS = 2_500_000_000L;

    /** How long an ArtSync keeps a node synchronous. */
    private static final long ARTSYNC_NANOS = Math.round(Sources.ARTSYNC_LAPSE.value() * 1e9);

    private static final int SWEEP_MILLIS = 200;

    /** Sources by universe remembered at once, so that each is reported as heard once and not at every packet. */
    private static final int MOST_HEARD = 4096;

    private static final int PATIENCE_SECONDS = 60;

    /** The source name of sACN has 64 bytes (ANSI E1.31-2018 §6.2.2). */
    private static final int NAME_CHARACTERS = 64;

    /** Events of strangers in a second: more than anybody reads. */
    private static final int MOST_EVENTS = 50;

    private record Held(Runnable apply, long sinceNanos) {}

    private record Numbered(Protocol protocol, int universe) {}

    private record HeardKey(Numbered number, Ipv4Address from) {}

    private final Wire wire;
    private final String name;
    private final List<StandinPort> ports;
    private final boolean answersPolls;
    private final Consumer<StandinEvent> listener;
    private final Predicate<Ipv4Address> planned;
    private final Map<String, PortMerge> merges = new LinkedHashMap<>();
    private final Map<Numbered, List<StandinPort>> byNumber = new HashMap<>();
    private final BoundedTable<HeardKey, Boolean> heard = new BoundedTable<>(MOST_HEARD, PATIENCE_SECONDS);
    private final EventLimit events = new EventLimit(MOST_EVENTS);
    private final SyncGroups syncGroups;
    private final FailedSends failedSends;
    private final Map<Integer, Map<String, Held>> heldForSync = new HashMap<>();
    private final Map<Integer, Long> lastSync = new HashMap<>();
    private final BoundedTable<Ipv4Address, long[]> lastArtSync = new BoundedTable<>(MOST_HEARD, PATIENCE_SECONDS);
    private final Map<Ipv4Address, Map<String, Held>> heldForArtSync = new HashMap<>();
    private final Set<Integer> joined = new HashSet<>();
    private final ScheduledExecutorService sweeper;

    /** A stand-in in whose plan no source is known. */
    public LevelStandin(
            Wire wire,
            String name,
            List<StandinPort> ports,
            Merge merge,
            boolean answersPolls,
            Consumer<StandinEvent> listener) {
        this(wire, name, ports, merge, answersPolls, from -> false, listener);
    }

    /**
     * A stand-in.
     *
     * @param planned whether a source of the plan has an address; there is room for it however many others there are
     */
    public LevelStandin(
            Wire wire,
            String name,
            List<StandinPort> ports,
            Merge merge,
            boolean answersPolls,
            Predicate<Ipv4Address> planned,
            Consumer<StandinEvent> listener) {
        this.wire = wire;
        this.name = name;
        this.ports = List.copyOf(ports);
        this.answersPolls = answersPolls;
        this.listener = listener;
        this.planned = planned;
        this.syncGroups = new SyncGroups(
                wire, joined, universe -> wire.join(SacnPacket.PORT, SacnUniverse.group(universe), this::sacn));
        this.failedSends = new FailedSends(listener);
        for (StandinPort port : ports) {
            merges.put(port.id(), new PortMerge(port.protocol(), merge));
            if (port.output() && port.enabled()) {
                byNumber.computeIfAbsent(new Numbered(port.protocol(), port.wire()), n -> new ArrayList<>())
                        .add(port);
            }
        }
        sweeper = Executors.newSingleThreadScheduledExecutor(r -> {
            Thread t = new Thread(r, "stand-in " + name);
            t.setDaemon(true);
            return t;
        });
    }

    /** Opens the sockets and starts to take levels. */
    public void start() throws IOException {
        wire.listen(ArtNetPacket.PORT, true, this::artnet);
        wire.listen(SacnPacket.PORT, false, this::sacn);
        for (StandinPort port : ports) {
            if (port.protocol() == Protocol.SACN && Protocol.SACN.carries(port.wire())) {
                joinGroup(port.wire());
            }
        }
        Future<?> unused =
                sweeper.scheduleAtFixedRate(this::guardedSweep, SWEEP_MILLIS, SWEEP_MILLIS, TimeUnit.MILLISECONDS);
    }

    private synchronized void joinGroup(int universe) throws IOException {
        if (joined.add(universe)) {
            wire.join(SacnPacket.PORT, SacnUniverse.group(universe), this::sacn);
        }
    }

    public String name() {
        return name;
    }

    public Wire wire() {
        return wire;
    }

    /** What a port puts out now: 512 levels; zeros for a port that is not known. */
    public synchronized byte[] levels(String port) {
        PortMerge merge = merges.get(port);
        return merge == null ? new byte[512] : merge.output();
    }

    // --- Art-Net ---

    private void artnet(Datagram datagram) {
        Decoded<ArtNetPacket> decoded = ArtNetCodec.decode(datagram.bytes());
        if (decoded instanceof Decoded.Malformed<ArtNetPacket> bad) {
            report(new StandinEvent.Unreadable(datagram.from(), bad.toString()), false);
            return;
        }
        Optional<ArtNetPacket> packet = decoded.packet();
        if (packet.isEmpty()) {
            return;
        }
        if (packet.get() instanceof ArtDmx dmx) {
            String source = datagram.from() + (dmx.physical() == 0 ? "" : " input " + dmx.physical());
            levels(
                    Protocol.ARTNET,
                    dmx.portAddress().value(),
                    datagram.from(),
                    source,
                    0,
                    dmx.sequence(),
                    dmx.data().toArray(),
                    0);
        } else if (packet.get() instanceof ArtPoll poll) {
            answer(poll, datagram);
        } else if (packet.get() instanceof ArtSync) {
            artSync(datagram.from());
        }
    }

    private synchronized void artSync(Ipv4Address from) {
        long now = System.nanoTime();
        lastArtSync.use(from, planned.test(from), now, () -> new long[1]).ifPresent(last -> last[0] = now);
        Map<String, Held> held = heldForArtSync.remove(from);
        if (held != null) {
            held.values().forEach(h -> h.apply().run());
        }
    }

    private void answer(ArtPoll poll, Datagram datagram) {
        if (!answersPolls) {
            return;
        }
        List<StandinPort> artnetPorts =
                ports.stream().filter(p -> Protocol.ARTNET.carries(p.wire())).toList();
        if (poll.target().isPresent()
                && artnetPorts.stream()
                        .noneMatch(p -> p.wire() >= poll.target().get().lowest().value()
                                && p.wire() <= poll.target().get().highest().value())) {
            return;
        }
        try {
            for (ArtPollReply reply : PollPages.of(wire.address(), name, artnetPorts)) {
                // Replies go to the Art-Net port, whatever port the poll came from.
                wire.send(
                        SendIntent.ASKING,
                        ArtNetPacket.PORT,
                        datagram.from(),
                        ArtNetPacket.PORT,
                        ArtNetCodec.encode(reply));
            }
            report(new StandinEvent.PollAnswered(datagram.from()), planned.test(datagram.from()));
        } catch (IOException e) {
            failedSends.add(e);
        }
    }

    // --- sACN ---

    private void sacn(Datagram datagram) {
        Decoded<SacnPacket> decoded = SacnCodec.decode(datagram.bytes());
        if (decoded instanceof Decoded.Malformed<SacnPacket> bad) {
            report(new StandinEvent.Unreadable(datagram.from(), bad.toString()), false);
            return;
        }
        Optional<SacnPacket> packet = decoded.packet();
        if (packet.isEmpty()) {
            return;
        }
        if (packet.get() instanceof SacnData data) {
            data(data, datagram);
        } else if (packet.get() instanceof SacnSync sync) {
            sync(sync.syncAddress());
        }
    }

    private void data(SacnData data, Datagram datagram) {
        String source = PlainText.shown(data.sourceName(), NAME_CHARACTERS) + " " + datagram.from();
        if (data.terminated()) {
            lose(data.universe(), source, "said that it stops");
            return;
        }
        if (data.preview() || data.startCode() != 0) {
            return; // preview must not reach live output (§6.2.6); other start codes carry no levels
        }
        levels(
                Protocol.SACN,
                data.universe(),
                datagram.from(),
                source,
                data.priority(),
                data.sequence(),
                data.slots().toArray(),
                data.forceSync() ? 0 : data.syncAddress());
    }

    private synchronized void sync(int address) {
        if (!syncGroups.isUsed(address)) {
            return; // of a source that no port takes
        }
        lastSync.put(address, System.nanoTime());
        Map<String, Held> held = heldForSync.remove(address);
        if (held != null) {
            held.values().forEach(h -> h.apply().run());
        }
    }

    // --- both ---

    private synchronized void levels(
            Protocol protocol,
            int universe,
            Ipv4Address from,
            String source,
            int priority,
            int sequence,
            byte[] levels,
            int syncAddress) {
        long now = System.nanoTime();
        Numbered number = new Numbered(protocol, universe);
        boolean isPlanned = planned.test(from);
        HeardKey key = new HeardKey(number, from);
        boolean first = !heard.contains(key);
        if (heard.use(key, isPlanned, now, () -> true).isPresent() && first) {
            report(new StandinEvent.Heard(protocol, universe, from), isPlanned);
        }
        for (StandinPort port : byNumber.getOrDefault(number, List.of())) {
            PortMerge merge = merges.get(port.id());
            if (merge == null) {
                continue;
            }
            boolean isNew = !merge.knows(source);
            if (!merge.take(source, isPlanned, priority, sequence, levels, now)) {
                continue;
            }
            if (isNew) {
                report(new StandinEvent.SourceFound(port.id(), source, priority), isPlanned);
            }
            if (protocol == Protocol.SACN) {
                useSync(source, syncAddress, now);
            }
            Runnable apply = () -> putOut(port, merge, source);
            boolean artSync = protocol == Protocol.ARTNET
                    && lastArtSync
                            .get(from)
                            .filter(l -> now - l[0] < ARTSYNC_NANOS)
                            .isPresent();
            if (protocol == Protocol.SACN && syncAddress != 0 && synchronousNow(syncAddress, now)) {
                heldForSync
                        .computeIfAbsent(syncAddress, k -> new LinkedHashMap<>())
                        .put(port.id(), new Held(apply, now));
            } else if (artSync) {
                heldForArtSync.computeIfAbsent(from, k -> new LinkedHashMap<>()).put(port.id(), new Held(apply, now));
            } else {
                apply.run();
            }
        }
    }

    private void useSync(String source, int syncAddress, long now) {
        try {
            syncGroups.use(source, syncAddress, now);
        } catch (IOException e) {
            LOG.log(System.Logger.Level.DEBUG, name + " could not join a synchronization group.", e);
        }
    }

    private void sourceGone(String source) {
        try {
            syncGroups.release(source);
        } catch (IOException e) {
            LOG.log(System.Logger.Level.DEBUG, name + " could not leave a synchronization group.", e);
        }
    }

    /** Reports what strangers can cause, as far as anybody can read it. */
    private synchronized void report(StandinEvent event, boolean ofThePlan) {
        if (ofThePlan || events.admits(System.nanoTime())) {
            listener.accept(event);
        }
    }

    /** Data waits for synchronization only once a synchronization packet has been seen, and not for ever (§11.1). */
    private boolean synchronousNow(int syncAddress, long now) {
        Long last = lastSync.get(syncAddress);
        return last != null && now - last < SYNC_PATIENCE_NANOS;
    }

    private void putOut(StandinPort port, PortMerge merge, String source) {
        Map<Integer, Integer> changed = merge.update();
        if (!changed.isEmpty()) {
            listener.accept(new StandinEvent.Levels(port.id(), port.protocol(), port.wire(), source, changed));
        }
    }

    private synchronized void lose(int universe, String source, String why) {
        for (StandinPort port : ports) {
            PortMerge merge = merges.get(port.id());
            if (merge != null && port.protocol() == Protocol.SACN && port.wire() == universe && merge.knows(source)) {
                boolean isPlanned = merge.isPlanned(source);
                merge.drop(source);
                sourceGone(source);
                report(new StandinEvent.SourceLost(port.id(), source, why), isPlanned);
                putOut(port, merge, source);
            }
        }
    }

    /** A failure must not end the sweeping. */
    private void guardedSweep() {
        try {
            sweep();
        } catch (RuntimeException e) {
            LOG.log(System.Logger.Level.ERROR, name + " could not look for lost sources; it tries again.", e);
        }
    }

    private synchronized void sweep() {
        long now = System.nanoTime();
        for (StandinPort port : ports) {
            PortMerge merge = merges.get(port.id());
            if (merge == null) {
                continue;
            }
            for (PortMerge.Lost lost : merge.lapse(now)) {
                sourceGone(lost.name());
                report(new StandinEvent.SourceLost(port.id(), lost.name(), "not received any more"), lost.planned());
                putOut(port, merge, lost.name());
            }
        }
        release(heldForSync, now, SYNC_PATIENCE_NANOS);
        release(heldForArtSync, now, ARTSYNC_NANOS);
        lastSync.keySet().removeIf(address -> !syncGroups.isUsed(address));
        long more = events.takeLeftOut(now);
        if (more > 0) {
            listener.accept(new StandinEvent.NotListed(more));
        }
    }

    private static <K> void release(Map<K, Map<String, Held>> held, long now, long patience) {
        held.values()
                .forEach(map -> map.values().removeIf(h -> {
                    boolean late = now - h.sinceNanos() > patience;
                    if (late) {
                        h.apply().run();
                    }
                    return late;
                }));
        held.values().removeIf(Map::isEmpty);
    }

    @Override
    public void close() {
        sweeper.shutdownNow();
        wire.close();
    }
}
