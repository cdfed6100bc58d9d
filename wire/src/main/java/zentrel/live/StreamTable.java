package zentrel.live;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.UUID;
import java.util.function.Consumer;
import java.util.function.Predicate;
import org.jspecify.annotations.Nullable;
import zentrel.ipv4.Ipv4Address;
import zentrel.net.BoundedTable;
import zentrel.net.Packet;
import zentrel.packet.Bytes;
import zentrel.packet.artnet.ArtDmx;
import zentrel.packet.artnet.ArtDmxView;
import zentrel.packet.artnet.ArtNetPacket;
import zentrel.packet.artnet.ArtNzs;
import zentrel.packet.sacn.SacnDataView;
import zentrel.profile.Protocol;
import zentrel.source.Sources;

/** The sources of each universe: levels, rates, losses. Bounded, and quick for each packet. Not for several threads at once. */
final class StreamTable {
    /** In sACN the identity is the CID (ANSI E1.31-2018 §5.6), in Art-Net address and physical input. */
    private record Key(Protocol protocol, int universe, long high, long low) {}

    private static final class Count {
        private Ipv4Address source = Ipv4Address.ANY;
        private String name = "";
        private int priority = 100;
        private boolean preview;
        private boolean ended;
        private long packets;
        private long lost;
        private long outOfOrder;
        private long twice;
        private int sequence;
        private long firstNanos;
        private long lastNanos;
        private long lastInterval;
        private double jitter;
        private int sync;
        private @Nullable Ipv4Address otherAddress;
        private long otherAddressAt;
        private byte @Nullable [] slotPriorities;
        private @Nullable Map<Integer, Long> otherStartCodes;
        private final RecentRate rate = new RecentRate();
        private byte @Nullable [] levels;
    }

    /** Sources by universe held at most, so that a flood of made-up ones cannot fill the memory. */
    private static final int MOST = 70_000;

    /** Of those, how many have their levels kept: more than any rig sends. */
    private static final int MOST_WITH_LEVELS = 12_000;

    /** How long a source that stopped keeps its place when others want it. */
    private static final int PATIENCE_SECONDS = 60;

    /** How often a source's name is looked at again, in packets. */
    private static final int NAME_EVERY = 64;

    private static final long SACN_LOSS = Math.round(Sources.SACN_LOSS.value() * 1e9);
    private static final long ARTNET_LOSS = Math.round(Sources.ARTNET_MERGE_LAPSE.value() * 1e9);

    /** The alternate start code of per-slot priority: registered, common, not in E1.31. */
    private static final int SLOT_PRIORITY = 0xDD;

    /** A number that went on by more than this went back: −20 < (int8)(B − A) < 0 (ANSI E1.31-2018 §6.7.2). */
    private static final int LATE = 236;

    private static final Bytes NO_LEVELS = Bytes.zeros(512);

    private final Predicate<Ipv4Address> planned;
    private final BoundedTable<Key, Count> counts = new BoundedTable<>(MOST, PATIENCE_SECONDS);
    private int withLevels;

    StreamTable(Predicate<Ipv4Address> planned) {
        this.planned = planned;
    }

    void artnet(ArtDmxView dmx, Packet packet) {
        @Nullable Count count = artnet(dmx.portAddress(), dmx.physical(), dmx.sequence(), packet);
        if (count != null && count.levels != null) {
            dmx.levels(packet.payload(), count.levels);
        }
    }

    /** A packet that the quick way did not take, as one of odd length. */
    void artnet(ArtNetPacket read, Packet packet) {
        if (read instanceof ArtDmx dmx) {
            @Nullable Count count = artnet(dmx.portAddress().value(), dmx.physical(), dmx.sequence(), packet);
            if (count != null && count.levels != null) {
                byte[] levels = dmx.data().toArray();
                System.arraycopy(levels, 0, count.levels, 0, levels.length);
            }
        } else if (read instanceof ArtNzs nzs) {
            @Nullable Count count = artnet(nzs.portAddress().value(), 0, nzs.sequence(), packet);
            if (count != null) {
                byte[] slots = nzs.data().toArray();
                otherStartCode(count, nzs.startCode(), into -> System.arraycopy(slots, 0, into, 0, slots.length));
            }
        }
    }

    private @Nullable Count artnet(int universe, int physical, int sequence, Packet packet) {
        @Nullable Count count = count(new Key(Protocol.ARTNET, universe, packet.source().bits(), physical), packet);
        if (count == null) {
            return null;
        }
        if (count.packets > 1 && sequence != 0 && count.sequence != 0) {
            ordered(
                    count,
                    sequence,
                    Math.floorMod(sequence - count.sequence, 255)); // counts 1–255; 0 is "not numbered"
        } else {
            count.sequence = sequence;
        }
        return count;
    }

    void sacn(SacnDataView data, Packet packet) {
        Key key = new Key(Protocol.SACN, data.universe(), data.cidHigh(), data.cidLow());
        if (data.isTerminated()) {
            counts.get(key).ifPresent(c -> c.ended = true);
            return;
        }
        @Nullable Count count = count(key, packet);
        if (count == null) {
            return;
        }
        if (count.packets > 1) {
            ordered(count, data.sequence(), (data.sequence() - count.sequence) & 0xFF);
        } else {
            count.sequence = data.sequence();
        }
        count.priority = data.priority();
        count.preview = data.isPreview();
        if (count.packets % NAME_EVERY == 1) {
            count.name = new String(data.name(packet.payload()), StandardCharsets.UTF_8);
        }
        count.sync = data.syncAddress();
        if (data.startCode() != 0) {
            otherStartCode(count, data.startCode(), into -> data.levels(packet.payload(), into));
        } else if (count.levels != null) {
            data.levels(packet.payload(), count.levels);
        }
    }

    private @Nullable Count count(Key key, Packet packet) {
        @Nullable Count count = counts.touch(key, packet.time());
        if (count == null) {
            count = counts.use(key, planned.test(packet.source()), packet.time(), this::fresh)
                    .orElse(null);
            if (count == null) {
                return null;
            }
        }
        if (count.packets == 0) {
            count.firstNanos = packet.time();
        } else {
            interval(count, packet);
        }
        count.source = packet.source();
        count.ended = false;
        count.packets++;
        count.lastNanos = packet.time();
        count.rate.add(packet.time());
        return count;
    }

    private static void interval(Count count, Packet packet) {
        long interval = packet.time() - count.lastNanos;
        if (!packet.source().equals(count.source)) {
            count.otherAddress = count.source;
            count.otherAddressAt = packet.time();
        }
        if (count.packets > 1) {
            count.jitter += (Math.abs(interval - count.lastInterval) - count.jitter) / 16;
        }
        count.lastInterval = interval;
    }

    /** Slots under another start code than zero: they are counted, and those of 0xDD kept. */
    private static void otherStartCode(Count count, int startCode, Consumer<byte[]> read) {
        Map<Integer, Long> counted = count.otherStartCodes;
        if (counted == null) {
            counted = new TreeMap<>();
            count.otherStartCodes = counted;
        }
        counted.merge(startCode, 1L, Long::sum);
        if (startCode == SLOT_PRIORITY) {
            byte[] into = count.slotPriorities;
            if (into == null) {
                into = new byte[512];
                count.slotPriorities = into;
            }
            read.accept(into);
        }
    }

    private Count fresh() {
        Count count = new Count();
        if (withLevels < MOST_WITH_LEVELS) {
            withLevels++;
            count.levels = new byte[512];
        }
        return count;
    }

    /**
     * Counts by the number of a packet, and remembers it unless it is one that comes late.
     *
     * @param steps how far the number went on, round the end
     */
    private static void ordered(Count count, int sequence, int steps) {
        if (steps == 0) {
            count.outOfOrder++;
            count.twice++;
            return;
        }
        if (steps > LATE) { // it comes late, so it is not lost
            count.outOfOrder++;
            count.lost = Math.max(0, count.lost - 1);
            return;
        }
        if (steps > 1 && steps < 128) {
            count.lost += steps - 1;
        }
        count.sequence = sequence;
    }

    long notListed() {
        return counts.leftOut();
    }

    List<StreamSeen> seen(long now) {
        List<StreamSeen> list = new ArrayList<>();
        counts.forEach((key, c) -> list.add(new StreamSeen(
                key.protocol(),
                key.universe(),
                c.source,
                key.protocol() == Protocol.SACN ? Optional.of(new UUID(key.high(), key.low())) : Optional.empty(),
                c.name,
                c.priority,
                c.preview,
                c.packets,
                c.lost,
                c.outOfOrder,
                c.twice,
                c.rate.perSecond(now),
                Math.round(c.jitter),
                c.firstNanos,
                c.lastNanos,
                c.sync,
                Optional.ofNullable(c.otherAddress).filter(a -> now - c.otherAddressAt < SACN_LOSS),
                c.otherStartCodes == null ? Map.of() : c.otherStartCodes,
                Optional.ofNullable(c.slotPriorities).map(Bytes::of),
                state(key.protocol(), c, now),
                c.levels == null ? NO_LEVELS : Bytes.of(c.levels))));
        list.sort(Comparator.comparing(StreamSeen::protocol)
                .thenComparing(StreamSeen::universe)
                .thenComparing(StreamSeen::source)
                .thenComparing(s -> s.cid().map(UUID::toString).orElse("")));
        return list;
    }

    private static StreamSeen.State state(Protocol protocol, Count count, long now) {
        if (count.ended) {
            return StreamSeen.State.ENDED;
        }
        long patience = protocol == Protocol.SACN ? SACN_LOSS : ARTNET_LOSS;
        return now - count.lastNanos > patience ? StreamSeen.State.SILENT : StreamSeen.State.SENDS;
    }
}
