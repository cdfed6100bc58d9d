package zentrel.address;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import zentrel.ipv4.Ipv4Address;
import zentrel.ipv4.Subnet;
import zentrel.plan.Adapter;
import zentrel.plan.Host;
import zentrel.plan.Id;
import zentrel.plan.Plan;
import zentrel.plan.Segment;
import zentrel.profile.HostKind;
import zentrel.profile.Profile;

/**
 * How the addresses of a segment are laid out. Plans that last give each kind of box a block of its own with room to double, or
 * a bit field to each fact worth reading off a label (common practice, no source).
 */
public sealed interface Scheme {
    /** The blocks of a subnet, and the one that each adapter belongs to. */
    record Layout(List<AddressBlock> blocks, Map<Id<Adapter>, AddressBlock> byAdapter, Optional<AddressBlock> pool) {
        public Layout {
            blocks = List.copyOf(blocks);
        }
    }

    /**
     * Lays out the adapters of a segment.
     *
     * @throws IllegalArgumentException with a sentence that says where there is no room and what would do
     */
    Layout over(Plan plan, Id<Segment> segment, Subnet subnet);

    /**
     * A block for each kind of box, sized by powers of two with room to double, each starting on its own edge.
     *
     * @param pool addresses for a DHCP pool in a block of its own; 0 for none
     */
    record ByKind(int pool) implements Scheme {
        private static final int SMALLEST = 8;

        @Override
        public Layout over(Plan plan, Id<Segment> segment, Subnet subnet) {
            Map<HostKind, List<Adapter>> kinds = byKind(plan, segment);
            List<AddressBlock> blocks = new ArrayList<>();
            Map<Id<Adapter>, AddressBlock> byAdapter = new LinkedHashMap<>();
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
                kind.getValue().forEach(a -> byAdapter.put(a.id(), block));
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

        private static Map<HostKind, List<Adapter>> byKind(Plan plan, Id<Segment> segment) {
            Map<HostKind, List<Adapter>> kinds = new EnumMap<>(HostKind.class);
            for (Adapter adapter : plan.index().adaptersOn(segment)) {
                kinds.computeIfAbsent(plan.index().hostOf(adapter.id()).kind(), k -> new ArrayList<>())
                        .add(adapter);
            }
            return kinds;
        }
    }

    /**
     * A bit field for each fact worth reading off a label, read from left to right in the host part; the last one is the number
     * among the boxes that have all the other facts alike.
     */
    record ByFields(List<Field> fields) implements Scheme {
        private static final String NUMBER = "number";
        private static final Pattern ONE =
                Pattern.compile("(?<name>\\p{L}[\\p{L} ]{0,30}?)\\s+(?<bits>\\d{1,2})(?:\\s*=\\s*(?<words>.+))?");

        /**
         * One field.
         *
         * @param name place, kind, type, number; or any other name for a fact of one's own
         * @param words for a fact of one's own: a box has the first of these that its name or place contains, counted from 1, and
         *     0 where it has none of them
         */
        public record Field(String name, int bits, List<String> words) {
            public Field {
                words = List.copyOf(words);
            }

            /** What a box has here, as a word; empty where it has nothing. */
            private String of(Plan plan, Host host) {
                return switch (name) {
                    case "place" -> host.place().isEmpty() ? "no place" : host.place();
                    case "kind" -> title(host.kind());
                    case "type" ->
                        plan.index().profileOf(host).map(Profile::name).orElse("no profile");
                    default -> {
                        String told = (host.name() + " " + host.place()).toLowerCase(Locale.ROOT);
                        yield words.stream()
                                .filter(w -> told.contains(w.toLowerCase(Locale.ROOT)))
                                .findFirst()
                                .orElse("");
                    }
                };
            }
        }

        public ByFields {
            fields = List.copyOf(fields);
        }

        /**
         * Reads fields as people type them: {@code place 4, kind 4, number 8}; a fact of one's own has its words behind it, as in
         * {@code side 2 = left / right}.
         *
         * @throws IllegalArgumentException with a sentence about the field that will not do
         */
        public static ByFields parse(String text) {
            List<Field> fields = new ArrayList<>();
            for (String part : text.split(",", -1)) {
                Matcher matcher = ONE.matcher(part.strip());
                if (!matcher.matches()) {
                    throw new IllegalArgumentException("\"" + part.strip()
                            + "\" is no field. A field is a fact and its bits, as in \"place 4\", or \"side 2 = left /"
                            + " right\" for a fact of your own.");
                }
                String name = matcher.group("name").toLowerCase(Locale.ROOT);
                List<String> words = matcher.group("words") == null
                        ? List.of()
                        : Arrays.stream(matcher.group("words").split("/"))
                                .map(String::strip)
                                .filter(w -> !w.isEmpty())
                                .toList();
                boolean known = List.of("place", "kind", "type", NUMBER).contains(name);
                if (known != words.isEmpty()) {
                    throw new IllegalArgumentException(
                            known
                                    ? "The " + name + " comes from the plan; give a fact of your own another name."
                                    : "\"" + name + "\" is a fact of your own, so say its words: \"" + name + " "
                                            + matcher.group("bits") + " = left / right\". Known facts are place, kind,"
                                            + " type and number.");
                }
                if (fields.stream().anyMatch(f -> f.name().equals(name))) {
                    throw new IllegalArgumentException("There are two fields called \"" + name + "\".");
                }
                int bits = Integer.parseInt(matcher.group("bits"));
                if (bits < 1 || bits > 16) {
                    throw new IllegalArgumentException("A field has 1 to 16 bits, and " + name + " has " + bits + ".");
                }
                fields.add(new Field(name, bits, words));
            }
            if (!fields.get(fields.size() - 1).name().equals(NUMBER)) {
                throw new IllegalArgumentException("The last field is the number, as in \"number 8\".");
            }
            return new ByFields(fields);
        }

        @Override
        public Layout over(Plan plan, Id<Segment> segment, Subnet subnet) {
            int hostBits = 32 - subnet.prefixLength();
            int needed = fields.stream().mapToInt(Field::bits).sum();
            if (needed > hostBits) {
                throw new IllegalArgumentException("Fields of "
                        + String.join(
                                ", ", fields.stream().map(f -> "" + f.bits()).toList())
                        + " bits are " + needed + " together, and " + subnet + " has " + hostBits
                        + " for its hosts. A mask of /" + (32 - needed) + " would do.");
            }
            List<Field> facts = fields.subList(0, fields.size() - 1);
            int numberBits = fields.get(fields.size() - 1).bits();
            List<Map<String, Integer>> values = new ArrayList<>();
            facts.forEach(f -> {
                Map<String, Integer> known = new LinkedHashMap<>();
                f.words().forEach(w -> known.put(w, known.size() + 1));
                values.add(known);
            });
            Map<List<String>, List<Adapter>> groups = new LinkedHashMap<>();
            for (Adapter adapter : plan.index().adaptersOn(segment)) {
                Host host = plan.index().hostOf(adapter.id());
                List<String> key = facts.stream().map(f -> f.of(plan, host)).toList();
                for (int i = 0; i < key.size(); i++) {
                    if (!key.get(i).isEmpty()) {
                        Map<String, Integer> known = values.get(i);
                        known.putIfAbsent(key.get(i), known.size() + 1);
                    }
                }
                groups.computeIfAbsent(key, k -> new ArrayList<>()).add(adapter);
            }
            for (int i = 0; i < facts.size(); i++) {
                fits(
                        values.get(i).size(),
                        facts.get(i).bits(),
                        "values of " + facts.get(i).name(),
                        facts.get(i).name());
            }
            List<AddressBlock> blocks = new ArrayList<>();
            Map<Id<Adapter>, AddressBlock> byAdapter = new LinkedHashMap<>();
            groups.forEach((key, adapters) -> {
                String title =
                        String.join(", ", key.stream().filter(k -> !k.isEmpty()).toList());
                fits(adapters.size(), numberBits, "devices of " + title, NUMBER);
                long start = 0;
                for (int i = 0; i < key.size(); i++) {
                    start = start << facts.get(i).bits() | values.get(i).getOrDefault(key.get(i), 0);
                }
                AddressBlock block = block(subnet, start << numberBits, 1L << numberBits, title, adapters.size());
                blocks.add(block);
                adapters.forEach(a -> byAdapter.put(a.id(), block));
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
    static String title(HostKind kind) {
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
