package zentrel.live;

import java.io.IOException;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.function.Predicate;
import zentrel.ipv4.Ipv4Address;
import zentrel.packet.Decoded;
import zentrel.packet.artnet.ArtDmx;
import zentrel.packet.artnet.ArtNetCodec;
import zentrel.packet.artnet.ArtNetPacket;
import zentrel.packet.artnet.ArtPoll;
import zentrel.packet.artnet.ArtPollReply;
import zentrel.packet.sacn.SacnCodec;
import zentrel.packet.sacn.SacnData;
import zentrel.packet.sacn.SacnDiscovery;
import zentrel.packet.sacn.SacnPacket;
import zentrel.profile.Protocol;
import zentrel.universe.SacnUniverse;
import zentrel.wire.BoundedTable;
import zentrel.wire.Datagram;
import zentrel.wire.SendIntent;
import zentrel.wire.Wire;

/** Listens on one adapter and counts. Sends nothing but the group joins that listening needs, and polls where it is told to. */
public final class StreamWatch {
    private record Key(Protocol protocol, int universe, Ipv4Address source) {}

    private static final class Count {
        private String name = "";
        private int priority = 100;
        private boolean preview;
        private long packets;
        private long lost;
        private int sequence;
        private long firstNanos;
        private long lastNanos;
    }

    /** Sources by universe held at most, so that a flood of made-up ones cannot fill the memory. */
    private static final int MOST_STREAMS = 70_000;

    /** Devices that answered polls, and universes of each, held at most. */
    private static final int MOST_ANSWERS = 4096;

    private static final int MOST_WAITED_FOR = 1020; // 255 pages of four ports

    /** How long a source that stopped keeps its place when others want it. */
    private static final int PATIENCE_SECONDS = 60;

    private final Wire wire;
    private final Predicate<Ipv4Address> planned;
    private final BoundedTable<Key, Count> counts = new BoundedTable<>(MOST_STREAMS, PATIENCE_SECONDS);
    private final Set<Integer> joined = new HashSet<>();
    private final BoundedTable<Ipv4Address, Set<Integer>> answers = new BoundedTable<>(MOST_ANSWERS, PATIENCE_SECONDS);
    private final BitSet announced = new BitSet();
    private long unreadable;

    /** Watches without a plan. */
    public StreamWatch(Wire wire) {
        this(wire, from -> false);
    }

    /**
     * Watches.
     *
     * @param planned whether a source of the plan has an address; there is room for it however many others there are
     */
    public StreamWatch(Wire wire, Predicate<Ipv4Address> planned) {
        this.wire = wire;
        this.planned = planned;
    }

    /**
     * Starts to listen: Art-Net, the discovery group of sACN, and these sACN universes. What is announced besides is not joined,
     * for anybody may announce anything; it is in {@link #announced}.
     */
    public void start(Iterable<Integer> sacnUniverses) throws IOException {
        wire.listen(ArtNetPacket.PORT, true, this::artnet);
        wire.listen(SacnPacket.PORT, false, this::sacn);
        join(SacnPacket.DISCOVERY_UNIVERSE);
        for (int universe : sacnUniverses) {
            join(universe);
        }
    }

    private synchronized void join(int universe) throws IOException {
        if (joined.add(universe)) {
            wire.join(SacnPacket.PORT, SacnUniverse.group(universe), this::sacn);
        }
    }

    private synchronized void artnet(Datagram datagram) {
        Decoded<ArtNetPacket> decoded = ArtNetCodec.decode(datagram.bytes());
        if (decoded instanceof Decoded.Malformed) {
            unreadable++;
        }
        decoded.packet().ifPresent(p -> {
            if (p instanceof ArtDmx dmx) {
                count(Protocol.ARTNET, dmx.portAddress().value(), datagram.from(), "", 100, false, dmx.sequence());
            } else if (p instanceof ArtPollReply reply) {
                answered(datagram.from(), reply);
            }
        });
    }

    private void answered(Ipv4Address from, ArtPollReply reply) {
        answers.use(from, planned.test(from), System.nanoTime(), TreeSet::new).ifPresent(waits -> {
            for (int i = 0; i < reply.ports(); i++) {
                if (reply.isOutput(i) && !reply.isSacn(i) && waits.size() < MOST_WAITED_FOR) {
                    waits.add(reply.output(i).value());
                }
            }
        });
    }

    /**
     * Asks every Art-Net device that the adapter reaches what it waits for. A question sets nothing, but it is sent.
     *
     * @return whether it left: the wire's guard may be set to listening only
     */
    public boolean ask() throws IOException {
        return wire.send(
                SendIntent.ASKING,
                ArtNetPacket.PORT,
                wire.broadcast(),
                ArtNetPacket.PORT,
                ArtNetCodec.encode(ArtPoll.plain()));
    }

    /** The Art-Net universes that the outputs of each device wait for, as its answers to polls say. */
    public synchronized Map<Ipv4Address, Set<Integer>> answers() {
        Map<Ipv4Address, Set<Integer>> copy = new TreeMap<>();
        answers.forEach((from, waits) -> copy.put(from, Set.copyOf(waits)));
        return copy;
    }

    private void sacn(Datagram datagram) {
        Decoded<SacnPacket> decoded = SacnCodec.decode(datagram.bytes());
        if (decoded instanceof Decoded.Malformed) {
            synchronized (this) {
                unreadable++;
            }
        }
        decoded.packet().ifPresent(p -> {
            if (p instanceof SacnData data && !data.terminated()) {
                count(
                        Protocol.SACN,
                        data.universe(),
                        datagram.from(),
                        data.sourceName(),
                        data.priority(),
                        data.preview(),
                        data.sequence());
            } else if (p instanceof SacnDiscovery discovery) {
                discovered(discovery);
            }
        });
    }

    private synchronized void discovered(SacnDiscovery discovery) {
        for (int universe : discovery.universes()) {
            if (Protocol.SACN.carries(universe) && !joined.contains(universe)) {
                announced.set(universe);
            }
        }
    }

    /** The sACN universes that sources announce and that are not listened to, in order. */
    public synchronized List<Integer> announced() {
        return announced.stream().boxed().toList();
    }

    /** Packets with levels from sources that found no room in the list. */
    public synchronized long notListed() {
        return counts.leftOut();
    }

    private synchronized void count(
            Protocol protocol,
            int universe,
            Ipv4Address source,
            String name,
            int priority,
            boolean preview,
            int sequence) {
        Key key = new Key(protocol, universe, source);
        long now = System.nanoTime();
        Optional<Count> held = counts.use(key, planned.test(source), now, Count::new);
        if (held.isEmpty()) {
            return;
        }
        Count count = held.get();
        if (count.packets == 0) {
            count.firstNanos = now;
        } else if (!(protocol == Protocol.ARTNET && (sequence == 0 || count.sequence == 0))) {
            // sACN counts 0–255; Art-Net 1–255, with 0 for "not numbered".
            int steps = protocol == Protocol.SACN
                    ? (sequence - count.sequence) & 0xFF
                    : Math.floorMod(sequence - count.sequence, 255);
            if (steps > 1 && steps < 128) {
                count.lost += steps - 1;
            }
        }
        count.name = name;
        count.priority = priority;
        count.preview = preview;
        count.sequence = sequence;
        count.packets++;
        count.lastNanos = now;
    }

    /** What was heard so far, by protocol, universe and source. */
    public synchronized List<StreamSeen> seen() {
        List<StreamSeen> list = new ArrayList<>();
        counts.forEach((key, c) -> {
            double seconds = (c.lastNanos - c.firstNanos) / 1e9;
            double rate = c.packets > 1 && seconds > 0 ? (c.packets - 1) / seconds : 0;
            list.add(new StreamSeen(
                    key.protocol(),
                    key.universe(),
                    key.source(),
                    c.name,
                    c.priority,
                    c.preview,
                    c.packets,
                    c.lost,
                    rate));
        });
        list.sort(Comparator.comparing(StreamSeen::protocol)
                .thenComparing(StreamSeen::universe)
                .thenComparing(StreamSeen::source));
        return list;
    }

    /** Packets on the listening ports that could not be read. */
    public synchronized long unreadable() {
        return unreadable;
    }
}
