package zentrel.standin;

import java.io.IOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import zentrel.ipv4.Ipv4Address;
import zentrel.net.BoundedTable;
import zentrel.net.Clock;
import zentrel.net.Packet;
import zentrel.net.SendIntent;
import zentrel.net.SendResult;
import zentrel.net.UdpPort;
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
import zentrel.profile.Protocol;
import zentrel.text.PlainText;
import zentrel.universe.SacnUniverse;

/**
 * A stand-in that takes levels: a node, which also answers polls, or a previs, which does so if its settings say. Both
 * protocols, several sources, loss, synchronization. All of it lives in the net's turn; levels may be read from anywhere.
 */
public final class LevelStandin implements AutoCloseable {
    private static final long SWEEP_NANOS = 200_000_000L;

    /** Sources by universe remembered at once, so that each is reported as heard once and not at every packet. */
    private static final int MOST_HEARD = 4096;

    private static final int PATIENCE_SECONDS = 60;

    /** The source name of sACN has 64 bytes (ANSI E1.31-2018 §6.2.2). */
    private static final int NAME_CHARACTERS = 64;

    /** Events of strangers in a second: more than anybody reads. */
    private static final int MOST_EVENTS = 50;

    private record Numbered(Protocol protocol, int universe) {}

    private record HeardKey(Numbered number, Ipv4Address from) {}

    /** What a packet says of its source. */
    private record From(SourceIdentity identity, Ipv4Address address, String name, int priority, int syncAddress) {
        /** Its name, if it has one, and its address. */
        String shown() {
            return name.isEmpty()
                    ? address + (identity.physical() == 0 ? "" : " input " + identity.physical())
                    : name + " " + address;
        }
    }

    /** What a stand-in says and takes by Art-Net beside levels. */
    interface Face {
        /** The pages of its answer to a poll. */
        List<ArtPollReply> pages(Ipv4Address address, List<StandinPort> artnetPorts);

        /** Takes a packet that is neither levels nor poll nor synchronization. */
        void take(ArtNetPacket packet, Packet arrived, UdpPort port);
    }

    private final StandinSite artnetSite;
    private final StandinSite site;
    private final Face face;
    private final String name;
    private final List<StandinPort> ports;
    private final boolean answersPolls;
    private final Consumer<StandinEvent> listener;
    private final Predicate<Ipv4Address> planned;
    private final Map<String, PortMerge> merges = new LinkedHashMap<>();
    private final Map<Numbered, List<StandinPort>> byNumber = new HashMap<>();
    private final BoundedTable<HeardKey, Boolean> heard = new BoundedTable<>(MOST_HEARD, PATIENCE_SECONDS);
    private final BoundedTable<SourceIdentity, From> sources = new BoundedTable<>(MOST_HEARD, PATIENCE_SECONDS);
    private final EventLimit events = new EventLimit(MOST_EVENTS);
    private final FailedSends failedSends;
    private final ArtSyncHold artSync;
    private @Nullable SacnSyncHold sacnSync;
    private volatile @Nullable UdpPort artnet;
    private volatile @Nullable UdpPort sacn;
    private Clock.@Nullable Timer sweeper;

    /** A stand-in in whose plan no source is known. */
    public LevelStandin(
            StandinSite site,
            String name,
            List<StandinPort> ports,
            boolean answersPolls,
            Consumer<StandinEvent> listener) {
        this(site, name, ports, answersPolls, from -> false, listener);
    }

    /**
     * A stand-in.
     *
     * @param planned whether a source of the plan has an address; there is room for it however many others there are
     */
    public LevelStandin(
            StandinSite site,
            String name,
            List<StandinPort> ports,
            boolean answersPolls,
            Predicate<Ipv4Address> planned,
            Consumer<StandinEvent> listener) {
        this(site, site, name, ports, answersPolls, planned, listener);
    }

    /** A stand-in that takes the two protocols on different adapters of one computer. */
    public LevelStandin(
            StandinSite artnet,
            StandinSite sacn,
            String name,
            List<StandinPort> ports,
            boolean answersPolls,
            Predicate<Ipv4Address> planned,
            Consumer<StandinEvent> listener) {
        this(artnet, sacn, name, ports, answersPolls, planned, listener, new Face() {
            @Override
            public List<ArtPollReply> pages(Ipv4Address address, List<StandinPort> artnetPorts) {
                return PollPages.of(address, name, artnetPorts);
            }

            @Override
            public void take(ArtNetPacket packet, Packet arrived, UdpPort port) {} // it can be set by nobody
        });
    }

    /** A stand-in that says of itself what another wants. */
    LevelStandin(
            StandinSite artnet,
            StandinSite sacn,
            String name,
            List<StandinPort> ports,
            boolean answersPolls,
            Predicate<Ipv4Address> planned,
            Consumer<StandinEvent> listener,
            Face face) {
        this.face = face;
        this.artnetSite = artnet;
        this.site = sacn;
        this.name = name;
        this.ports = List.copyOf(ports);
        this.answersPolls = answersPolls;
        this.listener = listener;
        this.planned = planned;
        this.artSync = new ArtSyncHold(planned);
        this.failedSends = new FailedSends(listener);
        for (StandinPort port : ports) {
            merges.put(port.id(), new PortMerge(port));
            if (port.output() && port.enabled()) {
                byNumber.computeIfAbsent(new Numbered(port.protocol(), port.wire()), n -> new ArrayList<>())
                        .add(port);
            }
        }
    }

    /**
     * Opens its ports and starts to take levels; from any thread.
     *
     * @throws IOException with a sentence, if a port cannot be had
     */
    public void start() throws IOException {
        site.host().call(() -> {
            open();
            return true;
        });
    }

    private void open() throws IOException {
        artnet = artnetSite.openWithBroadcasts(ArtNetPacket.PORT, this::artnet);
        UdpPort port = site.open(SacnPacket.PORT, this::sacn);
        sacn = port;
        Set<Integer> universes = ports.stream()
                .filter(p -> p.protocol() == Protocol.SACN && Protocol.SACN.carries(p.wire()))
                .map(StandinPort::wire)
                .collect(Collectors.toSet());
        for (int universe : universes) {
            port.join(SacnUniverse.group(universe));
        }
        sacnSync = new SacnSyncHold(name, new SyncGroups(port, universes));
        sweeper = site.clock().every(site.clock().now() + SWEEP_NANOS, SWEEP_NANOS, this::sweep);
    }

    public String name() {
        return name;
    }

    /** What a port puts out now: 512 levels; zeros for a port that is not known. From any thread. */
    public byte[] levels(String port) {
        PortMerge merge = merges.get(port);
        return merge == null ? new byte[512] : merge.output();
    }

    /** The port by which it takes and answers Art-Net, while it is open. */
    Optional<UdpPort> artnetPort() {
        return Optional.ofNullable(artnet);
    }

    /** What kept it from receiving all, as a sentence; from any thread. */
    public Optional<String> trouble() {
        UdpPort a = artnet;
        UdpPort s = sacn;
        return a == null || s == null ? Optional.empty() : a.trouble().or(s::trouble);
    }

    // --- Art-Net ---

    private void artnet(Packet arrived) {
        Decoded<ArtNetPacket> decoded = ArtNetCodec.decode(arrived.bytes());
        if (decoded instanceof Decoded.Malformed<ArtNetPacket> bad) {
            report(new StandinEvent.Unreadable(arrived.source(), bad.toString()), false);
            return;
        }
        ArtNetPacket packet = decoded.packet().orElse(null);
        if (packet instanceof ArtDmx dmx) {
            From from = new From(SourceIdentity.artnet(arrived.source(), dmx.physical()), arrived.source(), "", 0, 0);
            levels(
                    Protocol.ARTNET,
                    dmx.portAddress().value(),
                    from,
                    dmx.sequence(),
                    dmx.data().toArray(),
                    false);
        } else if (packet instanceof ArtPoll poll) {
            answer(poll, arrived.source());
        } else if (packet instanceof ArtSync) {
            artSync.sync(arrived.source(), site.clock().now());
        } else if (packet != null && artnet != null) {
            face.take(packet, arrived, artnet);
        }
    }

    private void answer(ArtPoll poll, Ipv4Address from) {
        List<StandinPort> artnetPorts =
                ports.stream().filter(p -> Protocol.ARTNET.carries(p.wire())).toList();
        if (!answersPolls
                || artnet == null
                || (poll.target().isPresent()
                        && artnetPorts.stream()
                                .noneMatch(p -> p.wire()
                                                >= poll.target().get().lowest().value()
                                        && p.wire()
                                                <= poll.target().get().highest().value()))) {
            return;
        }
        for (ArtPollReply reply : face.pages(artnetSite.adapter().address().address(), artnetPorts)) {
            // Replies go to the Art-Net port, whatever port the poll came from.
            SendResult sent = artnet.send(SendIntent.ASKING, from, ArtNetPacket.PORT, ArtNetCodec.encode(reply));
            if (sent.failed()) {
                failedSends.add(sent.why());
                return;
            }
        }
        report(new StandinEvent.PollAnswered(from), planned.test(from));
    }

    // --- sACN ---

    private void sacn(Packet arrived) {
        Decoded<SacnPacket> decoded = SacnCodec.decode(arrived.bytes());
        if (decoded instanceof Decoded.Malformed<SacnPacket> bad) {
            report(new StandinEvent.Unreadable(arrived.source(), bad.toString()), false);
            return;
        }
        SacnPacket packet = decoded.packet().orElse(null);
        if (packet instanceof SacnData data) {
            data(data, arrived.source());
        } else if (packet instanceof SacnSync sync && sacnSync != null) {
            sacnSync.sync(sync.syncAddress(), site.clock().now());
        }
    }

    private void data(SacnData data, Ipv4Address address) {
        From from = new From(
                SourceIdentity.sacn(data.cid()),
                address,
                PlainText.shown(data.sourceName(), NAME_CHARACTERS),
                data.priority(),
                data.forceSync() ? 0 : data.syncAddress());
        if (data.terminated()) {
            lose(data.universe(), from, "said that it stops");
        } else if (data.startCode() == 0) { // other start codes carry no levels
            levels(
                    Protocol.SACN,
                    data.universe(),
                    from,
                    data.sequence(),
                    data.slots().toArray(),
                    data.preview());
        }
    }

    // --- both ---

    private void levels(Protocol protocol, int universe, From from, int sequence, byte[] levels, boolean preview) {
        long now = site.clock().now();
        Numbered number = new Numbered(protocol, universe);
        boolean isPlanned = planned.test(from.address());
        HeardKey key = new HeardKey(number, from.address());
        boolean first = !heard.contains(key);
        if (heard.use(key, isPlanned, now, () -> true).isPresent() && first) {
            report(new StandinEvent.Heard(protocol, universe, from.address()), isPlanned);
        }
        for (StandinPort port : byNumber.getOrDefault(number, List.of())) {
            PortMerge merge = merges.get(port.id());
            if (merge == null || (preview && port.live())) {
                continue; // preview must not reach live output (§6.2.6)
            }
            boolean isNew = !merge.knows(from.identity());
            if (!merge.take(from.identity(), isPlanned, from.priority(), sequence, levels, now)) {
                continue;
            }
            if (isNew) {
                sources.use(from.identity(), isPlanned, now, () -> from);
                report(
                        new StandinEvent.SourceFound(port.id(), from.address(), from.shown(), from.priority()),
                        isPlanned);
            }
            Runnable apply = () -> putOut(port, merge, from.shown());
            boolean held = protocol == Protocol.SACN
                    ? sacnSync != null && sacnSync.holds(from.identity(), from.syncAddress(), port.id(), apply, now)
                    : artSync.holds(from.address(), merge.sourceCount() > 1, port.id(), apply, now);
            if (!held) {
                apply.run();
            }
        }
    }

    /** Reports what strangers can cause, as far as anybody can read it. */
    private void report(StandinEvent event, boolean ofThePlan) {
        if (ofThePlan || events.admits(site.clock().now())) {
            listener.accept(event);
        }
    }

    private void putOut(StandinPort port, PortMerge merge, String source) {
        Map<Integer, Integer> changed = merge.update();
        if (!changed.isEmpty()) {
            listener.accept(new StandinEvent.Levels(port.id(), port.protocol(), port.wire(), source, changed));
        }
    }

    private void lose(int universe, From from, String why) {
        for (StandinPort port : ports) {
            PortMerge merge = merges.get(port.id());
            if (merge != null
                    && port.protocol() == Protocol.SACN
                    && port.wire() == universe
                    && merge.knows(from.identity())) {
                boolean isPlanned = merge.isPlanned(from.identity());
                merge.drop(from.identity());
                gone(port, merge, from.identity(), from, isPlanned, why);
            }
        }
    }

    private void gone(
            StandinPort port, PortMerge merge, SourceIdentity identity, From from, boolean isPlanned, String why) {
        if (sacnSync != null) {
            sacnSync.release(identity);
        }
        report(new StandinEvent.SourceLost(port.id(), from.address(), from.shown(), why), isPlanned);
        putOut(port, merge, from.shown());
    }

    private void sweep() {
        long now = site.clock().now();
        for (StandinPort port : ports) {
            PortMerge merge = merges.get(port.id());
            if (merge == null) {
                continue;
            }
            for (PortMerge.Lost lost : merge.lapse(now)) {
                From from = sources.get(lost.source())
                        .orElseGet(() -> new From(lost.source(), lost.source().address(), "a source", 0, 0));
                gone(port, merge, lost.source(), from, lost.planned(), "not received any more");
            }
        }
        if (sacnSync != null) {
            sacnSync.sweep(now);
        }
        artSync.sweep(now);
        long more = events.takeLeftOut(now);
        if (more > 0) {
            listener.accept(new StandinEvent.NotListed(more));
        }
    }

    /** Stops taking levels; from any thread. */
    @Override
    public void close() {
        site.host().run(this::closeNow);
    }

    /** The same, at once; within the net's turn. */
    void closeNow() {
        Optional.ofNullable(sweeper).ifPresent(Clock.Timer::cancel);
        Optional.ofNullable(artnet).ifPresent(UdpPort::close);
        Optional.ofNullable(sacn).ifPresent(UdpPort::close);
    }
}
