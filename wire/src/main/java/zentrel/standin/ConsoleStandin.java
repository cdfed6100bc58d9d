package zentrel.standin;

import java.io.IOException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.concurrent.atomic.AtomicLong;
import java.util.function.Consumer;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import zentrel.ipv4.Ipv4Address;
import zentrel.net.Clock;
import zentrel.net.SendIntent;
import zentrel.net.SendResult;
import zentrel.net.UdpPort;
import zentrel.packet.artnet.ArtNetCodec;
import zentrel.packet.artnet.ArtNetPacket;
import zentrel.packet.artnet.ArtPoll;
import zentrel.packet.sacn.SacnCodec;
import zentrel.packet.sacn.SacnDiscovery;
import zentrel.packet.sacn.SacnPacket;
import zentrel.packet.sacn.SacnSync;
import zentrel.plan.Delivery;
import zentrel.profile.Protocol;
import zentrel.universe.SacnUniverse;

/**
 * A stand-in that sends universes by both protocols. Levels leave only while the guard of its computer is armed. Changed levels are
 * sent at the stream's rate three times, then repeated every 0.9 s (ANSI E1.31-2018 §6.6.2: 800–1000 ms). All of it lives in the net's
 * turn; counts may be read from anywhere.
 */
public final class ConsoleStandin implements AutoCloseable {
    private static final long REPEAT_NANOS = 900_000_000L;
    private static final long POLL_NANOS = 2_500_000_000L;
    private static final long DISCOVERY_NANOS = 10_000_000_000L;

    private final StandinSite artnetSite;
    private final StandinSite site;
    private final ConsoleSpec spec;
    private final Map<String, SentUniverse> sent = new LinkedHashMap<>();
    private final FoundNodes found;
    private final FailedSends failedSends;
    private final List<Clock.Timer> timers = new ArrayList<>();
    private final AtomicLong packets = new AtomicLong();
    private final AtomicLong held = new AtomicLong();
    private @Nullable UdpPort artnet;
    private @Nullable UdpPort sacn;
    private Clock.@Nullable Timer next;
    private int syncSequence;
    private boolean closed;

    /** A console that sends nothing yet. */
    public ConsoleStandin(StandinSite site, ConsoleSpec spec, Consumer<StandinEvent> listener) {
        this(site, site, spec, listener);
    }

    /** A console that sends the two protocols by different adapters of one computer. */
    public ConsoleStandin(StandinSite artnet, StandinSite sacn, ConsoleSpec spec, Consumer<StandinEvent> listener) {
        this.artnetSite = artnet;
        this.site = sacn;
        this.spec = spec;
        this.failedSends = new FailedSends(listener);
        this.found = new FoundNodes(listener, this::isFor, this::isNewNode);
        spec.streams().forEach(s -> sent.put(s.id(), new SentUniverse(s, spec)));
    }

    /**
     * Opens its ports and starts to send, as far as the guard lets it; from any thread.
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
        long now = site.clock().now();
        boolean finds = sent.values().stream().anyMatch(s -> s.stream.delivery() == Delivery.FOUND);
        sacn = site.openToSend();
        if (finds) {
            artnet = artnetSite.open(
                    ArtNetPacket.PORT, p -> found.take(p, site.clock().now()));
            timers.add(site.clock().every(now, POLL_NANOS, this::poll));
        } else {
            artnet = artnetSite.openToSend();
        }
        if (sent.values().stream().anyMatch(s -> s.stream.protocol() == Protocol.SACN)) {
            timers.add(site.clock().every(now, DISCOVERY_NANOS, this::announce));
        }
        sendDue();
    }

    public String name() {
        return spec.name();
    }

    /** Packets with levels that have left so far; from any thread. */
    public long sentCount() {
        return packets.get();
    }

    /** Packets that the guard kept so far; from any thread. */
    public long heldCount() {
        return held.get();
    }

    /** Packets that could not be sent so far; from any thread. */
    public long failedCount() {
        return failedSends.count();
    }

    /**
     * Sets one slot; from any thread.
     *
     * @param slot 1–512
     * @param level 0–255
     */
    public void setSlot(String stream, int slot, int level) {
        if (slot < 1 || slot > 512 || level < 0 || level > 255) {
            throw new IllegalArgumentException(
                    "A slot is 1–512 and a level 0–255, not " + slot + " and " + level + ".");
        }
        SentUniverse universe = sent.get(stream);
        if (universe == null) {
            throw new IllegalArgumentException(name() + " sends no stream \"" + stream + "\".");
        }
        site.host().run(() -> universe.set(slot, level));
    }

    /**
     * Sets all slots at once; from any thread.
     *
     * @param levels 512, copied
     */
    public void setLevels(String stream, byte[] levels) {
        SentUniverse universe = sent.get(stream);
        if (universe == null || levels.length != 512) {
            throw new IllegalArgumentException(name() + " sends no stream \"" + stream + "\" of 512 slots.");
        }
        byte[] copy = levels.clone();
        site.host().run(() -> universe.set(copy));
    }

    /** Makes a fresh look leave now; from any thread. */
    public void hurry() {
        site.host().run(() -> {
            sent.values().forEach(SentUniverse::hurry);
            hurried();
        });
    }

    /** Comes to send what waits no longer. */
    private void hurried() {
        if (sacn != null && !closed) {
            sendDue();
        }
    }

    private boolean isFor(int portAddress) {
        return sentTo(portAddress).findAny().isPresent();
    }

    private void isNewNode(int portAddress) {
        sentTo(portAddress).forEach(SentUniverse::hurry);
        hurried();
    }

    /** The universes of a number that are sent to the nodes that were found. */
    private Stream<SentUniverse> sentTo(int portAddress) {
        return sent.values().stream()
                .filter(s -> s.stream.delivery() == Delivery.FOUND && s.stream.wire() == portAddress);
    }

    /** Sends what is due and comes again when the next is. */
    private void sendDue() {
        if (closed) {
            return;
        }
        long now = site.clock().now();
        boolean synchronize = false;
        long soonest = now + REPEAT_NANOS;
        for (SentUniverse universe : sent.values()) {
            if (universe.stream.standby()) {
                continue;
            }
            if (universe.isDue(now)) {
                boolean left = send(universe, universe.frame(false));
                synchronize |= left && universe.stream.syncAddress() != 0;
                universe.sent(now, left, spec.continuous(), REPEAT_NANOS);
            }
            soonest = Math.min(soonest, universe.due(now));
        }
        if (synchronize && spec.sync().isPresent()) {
            synchronize(spec.sync().get());
        }
        if (next != null) {
            next.cancel();
        }
        next = site.clock().at(soonest, this::sendDue);
    }

    private boolean send(SentUniverse universe, byte[] bytes) {
        ConsoleStream s = universe.stream;
        boolean isArtNet = s.protocol() == Protocol.ARTNET;
        int toPort = isArtNet ? ArtNetPacket.PORT : SacnPacket.PORT;
        boolean left = false;
        for (Ipv4Address to : destinations(s)) {
            if (send(isArtNet ? artnet : sacn, SendIntent.SETTING, to, toPort, bytes)) {
                left = true;
                packets.incrementAndGet();
            }
        }
        return left;
    }

    private boolean send(@Nullable UdpPort port, SendIntent intent, Ipv4Address to, int toPort, byte[] bytes) {
        if (port == null) {
            return false;
        }
        SendResult result = port.send(intent, to, toPort, bytes);
        if (result.failed()) {
            failedSends.add(result.why()); // the other destinations may be reached all the same
        } else if (!result.left()) {
            held.incrementAndGet();
        }
        return result.left();
    }

    private Set<Ipv4Address> destinations(ConsoleStream s) {
        return switch (s.delivery()) {
            case UNICAST -> new LinkedHashSet<>(s.to());
            case MULTICAST -> Set.of(SacnUniverse.group(s.wire()));
            case BROADCAST -> Set.of(siteOf(s).adapter().broadcast());
            case DIRECT -> Set.of(); // leaves by the box's own connectors, not by the network
            case LIMITED_BROADCAST ->
                Set.of(
                        siteOf(s).adapter().loopback()
                                ? siteOf(s).adapter().broadcast()
                                : Ipv4Address.LIMITED_BROADCAST);
            case FOUND -> new TreeSet<>(found.nodesOf(s.wire()));
        };
    }

    private StandinSite siteOf(ConsoleStream stream) {
        return stream.protocol() == Protocol.ARTNET ? artnetSite : site;
    }

    private void synchronize(int universe) {
        syncSequence = (syncSequence + 1) & 0xFF;
        send(
                sacn,
                SendIntent.SETTING,
                SacnUniverse.group(universe),
                SacnPacket.PORT,
                SacnCodec.encode(new SacnSync(spec.cid(), syncSequence, universe)));
    }

    private void poll() {
        found.forget(site.clock().now());
        byte[] bytes = ArtNetCodec.encode(ArtPoll.plain());
        send(artnet, SendIntent.ASKING, artnetSite.adapter().broadcast(), ArtNetPacket.PORT, bytes);
    }

    private void announce() {
        List<Integer> universes = sent.values().stream()
                .map(s -> s.stream)
                .filter(s -> s.protocol() == Protocol.SACN && !s.standby())
                .map(ConsoleStream::wire)
                .distinct()
                .sorted()
                .toList();
        int pages = Math.max(1, (universes.size() + SacnDiscovery.PAGE - 1) / SacnDiscovery.PAGE);
        for (int page = 0; page < pages; page++) {
            List<Integer> part = universes.subList(
                    page * SacnDiscovery.PAGE, Math.min((page + 1) * SacnDiscovery.PAGE, universes.size()));
            send(
                    sacn,
                    SendIntent.SETTING,
                    SacnUniverse.group(SacnPacket.DISCOVERY_UNIVERSE),
                    SacnPacket.PORT,
                    SacnCodec.encode(new SacnDiscovery(spec.cid(), spec.name(), page, pages - 1, part)));
        }
    }

    /** Says three times that each sACN universe ends (§6.2.6), then closes; from any thread. */
    @Override
    public void close() {
        site.host().run(() -> {
            if (closed) {
                return;
            }
            closed = true;
            for (SentUniverse universe : sent.values()) {
                if (universe.stream.protocol() == Protocol.SACN && !universe.stream.standby()) {
                    for (int i = 0; i < 3; i++) {
                        send(universe, universe.frame(true));
                    }
                }
            }
            timers.forEach(Clock.Timer::cancel);
            Optional.ofNullable(next).ifPresent(Clock.Timer::cancel);
            Optional.ofNullable(artnet).ifPresent(UdpPort::close);
            Optional.ofNullable(sacn).ifPresent(UdpPort::close);
        });
    }
}
