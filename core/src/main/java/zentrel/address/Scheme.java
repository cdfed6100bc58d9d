package zentrel.address;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import zentrel.ipv4.Ipv4Address;
import zentrel.ipv4.Subnet;
import zentrel.plan.Adapter;
import zentrel.plan.Host;
import zentrel.plan.HostKind;
import zentrel.plan.Plan;
import zentrel.plan.SegmentId;

/**
 * How the addresses of a segment are laid out. Plans that last give each kind of box a block of its own with room to double, or
 * a bit field to each fact worth reading off a label (common practice, no source).
 */
public sealed interface Scheme {
    /** The blocks of a subnet, and the one that each adapter belongs to. */
    record Layout(List<AddressBlock> blocks, Map<Adapter, AddressBlock> byAdapter, Optional<AddressBlock> pool) {
        public Layout {
            blocks = List.copyOf(blocks);
        }
    }

    /**
     * Lays out the adapters of a segment.
     *
     * @throws IllegalArgumentException with a sentence that says where there is no room and what would do
     */
    Layout over(Plan plan, SegmentId segment, Subnet subnet);

    /**
     * A block for each kind of box, sized by powers of two with room to double, each starting on its own edge.
     *
     * @param pool addresses for a DHCP pool in a block of its own; 0 for none
     */
    record ByKind(int pool) implements Scheme {
        private static final int SMALLEST = 8;

        @Override
        public Layout over(Plan plan, SegmentId segment, Subnet subnet) {
            Map<HostKind, List<Adapter>> kinds = byKind(plan, segment);
            List<AddressBlock> blocks = new ArrayList<>();
            Map<Adapter, AddressBlock> byAdapter = new LinkedHashMap<>();
            long size = 1L << (32 - subnet.prefixLength());
            long next = 0;
            for (Map.Entry<HostKind, List<Adapter>> kind : kinds.entrySet()) {
                int boxes = kind.getValue().size();
                // one address of the first block names the network, one of the last is the broadcast
                long room = powerOfTwo(Math.max(SMALLEST, 2L * boxes + 1));
                long start = edge(next, room);
                need(start + room, size, subnet, title(kind.getKey()) + " need a block of " + room);
                AddressBlock block = block(subnet, start, room, title(kind.getKey()), boxes);
                blocks.add(block);
                kind.getValue().forEach(a -> byAdapter.put(a, block));
                next = start + room;
            }
            Optional<AddressBlock> given = Optional.empty();
            if (pool > 0) {
                long room = powerOfTwo(pool + 1L);
                long start = size - room; // at the far end, where nothing grows towards it for longest
                need(edge(next, room) + room, size, subnet, "The DHCP pool needs a block of " + room);
                given = Optional.of(block(subnet, start, room, "DHCP pool", pool));
                blocks.add(given.get());
            }
            return new Layout(blocks, byAdapter, given);
        }

        private static Map<HostKind, List<Adapter>> byKind(Plan plan, SegmentId segment) {
            Map<HostKind, List<Adapter>> kinds = new EnumMap<>(HostKind.class);
            for (Adapter adapter : plan.index().adaptersOn(segment)) {
                kinds.computeIfAbsent(plan.index().hostOf(adapter.id()).kind(), k -> new ArrayList<>())
                        .add(adapter);
            }
            return kinds;
        }
    }

    /**
     * A bit field for the place, one for the kind of box, and one for its number among those; read from left to right in the
     * host part.
     */
    record ByFields(int placeBits, int kindBits, int numberBits) implements Scheme {
        @Override
        public Layout over(Plan plan, SegmentId segment, Subnet subnet) {
            int hostBits = 32 - subnet.prefixLength();
            if (placeBits + kindBits + numberBits > hostBits) {
                throw new IllegalArgumentException("Fields of " + placeBits + ", " + kindBits + " and " + numberBits
                        + " bits are " + (placeBits + kindBits + numberBits) + " together, and " + subnet + " has "
                        + hostBits + " for its hosts. A mask of /" + (32 - placeBits - kindBits - numberBits)
                        + " would do.");
            }
            Map<String, Integer> places = new LinkedHashMap<>();
            Map<HostKind, Integer> kinds = new EnumMap<>(HostKind.class);
            Map<List<Integer>, List<Adapter>> groups = new LinkedHashMap<>();
            Map<List<Integer>, String> titles = new LinkedHashMap<>();
            for (Host host : plan.hosts()) {
                for (Adapter adapter : host.adapters()) {
                    if (adapter.segment().equals(Optional.of(segment))) {
                        int place = places.computeIfAbsent(host.place(), p -> places.size() + 1);
                        int kind = kinds.computeIfAbsent(host.kind(), k -> kinds.size() + 1);
                        List<Integer> key = List.of(place, kind);
                        groups.computeIfAbsent(key, k -> new ArrayList<>()).add(adapter);
                        titles.putIfAbsent(
                                key, (host.place().isEmpty() ? "no place" : host.place()) + ", " + title(host.kind()));
                    }
                }
            }
            fits(places.size(), placeBits, "places", "place");
            fits(kinds.size(), kindBits, "kinds of box", "kind");
            List<AddressBlock> blocks = new ArrayList<>();
            Map<Adapter, AddressBlock> byAdapter = new LinkedHashMap<>();
            groups.forEach((key, adapters) -> {
                fits(adapters.size(), numberBits, "boxes of " + titles.get(key), "number");
                long start = ((long) key.get(0) << (kindBits + numberBits)) | ((long) key.get(1) << numberBits);
                AddressBlock block =
                        block(subnet, start, 1L << numberBits, String.valueOf(titles.get(key)), adapters.size());
                blocks.add(block);
                adapters.forEach(a -> byAdapter.put(a, block));
            });
            return new Layout(blocks, byAdapter, Optional.empty());
        }

        /** A field counts from 1, so that 0 means nobody. */
        private static void fits(int count, int bits, String what, String field) {
            if (count > (1 << bits) - 1) {
                int needed = 32 - Integer.numberOfLeadingZeros(count);
                throw new IllegalArgumentException("There are " + count + " " + what + ", and " + bits
                        + (bits == 1 ? " bit counts" : " bits count") + " to " + ((1 << bits) - 1) + ". Give the "
                        + field + " " + needed + " bits.");
            }
        }
    }

    /** The kind as a heading. */
    private static String title(HostKind kind) {
        return switch (kind) {
            case CONSOLE -> "Consoles";
            case COMPUTER -> "Computers";
            case NODE -> "Nodes";
            case PIXEL_CONTROLLER -> "Pixel controllers";
            case SWITCH -> "Switches";
            case ACCESS_POINT -> "Access points";
            case ROUTER -> "Routers";
            case REMOTE -> "Remotes";
            default -> "Others";
        };
    }

    private static AddressBlock block(Subnet subnet, long start, long size, String title, int boxes) {
        Ipv4Address first = subnet.network().plus((int) start);
        return new AddressBlock(title, new Subnet(first, 32 - Long.numberOfTrailingZeros(size)), boxes);
    }

    private static void need(long end, long size, Subnet subnet, String what) {
        if (end > size) {
            int length = 32 - Long.numberOfTrailingZeros(powerOfTwo(end));
            throw new IllegalArgumentException(what + ", and after the blocks before it " + subnet + " has no room for "
                    + "it. A mask of /" + length + " would do.");
        }
    }

    private static long powerOfTwo(long least) {
        return least <= 1 ? 1 : Long.highestOneBit(least - 1) << 1;
    }

    private static long edge(long from, long size) {
        return (from + size - 1) / size * size;
    }
}
