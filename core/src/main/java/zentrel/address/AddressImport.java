package zentrel.address;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.BiPredicate;
import java.util.function.UnaryOperator;
import java.util.regex.Pattern;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.ipv4.SpecialAddresses;
import zentrel.plan.*;
import zentrel.profile.AdapterKind;
import zentrel.table.AddressCells;
import zentrel.table.Columns;
import zentrel.table.LeftOut;
import zentrel.table.TextTable;
import zentrel.text.Counted;

/**
 * A table of addresses taken over into a plan: every row is about an adapter that is in it. A row that will not do is left out
 * and said so; all the others make one edit, or none.
 *
 * @param readdressing the addresses that change, in a safe order; its edits bring gateways, hardware addresses and places too
 * @param facts how many gateways, hardware addresses and places change
 * @param same how many rows say what the plan says already
 * @param leftOut the rows that were left out, and why
 */
public record AddressImport(AddressChange readdressing, int facts, int same, List<LeftOut> leftOut) {
    /** What a column may hold. */
    public enum Column implements Columns.Kind {
        HOST("host", "host|name|device|box|label|unit|host name|hostname|device name"),
        ADAPTER("adapter", "adapter|interface|port|nic|network adapter|connection"),
        SEGMENT("segment", "segment|network|vlan|lan"),
        ADDRESS("address", "address|ip|ipv4|ip address|ipv4 address|ip adress|addr"),
        MASK("mask", "mask|subnet mask|netmask|subnet|prefix|prefix length|cidr"),
        GATEWAY("gateway", "gateway|router|default gateway|gw"),
        MAC("hardware address", "mac|mac address|hardware address|ethernet address|physical address"),
        PLACE("place", "place|location|where|position|room|area");

        private final String title;
        private final String headings;

        Column(String title, String headings) {
            this.title = title;
            this.headings = headings;
        }

        @Override
        public Columns.Words words() {
            return new Columns.Words(title, headings);
        }
    }

    private static final Pattern FOUR_NUMBERS = Pattern.compile("\\d+\\.\\d+\\.\\d+\\.\\d+(/.*)?");
    private static final Pattern MAC_ADDRESS = Pattern.compile("([0-9A-Fa-f]{2}[:-]){5}[0-9A-Fa-f]{2}");

    public AddressImport {
        leftOut = List.copyOf(leftOut);
    }

    /** Tells the columns by their headings, and those that nothing is written above by what stands in them. */
    public static Columns<Column> guess(Plan plan, TextTable table) {
        Columns<Column> headed = Columns.headed(table, List.of(Column.values()), List.of(Column.ADDRESS, Column.MAC));
        Map<Column, Integer> at = new LinkedHashMap<>(headed.at());
        Names names = new Names(plan);
        for (int i = 0; i < table.width(); i++) {
            if (!at.containsValue(i)) {
                int column = i;
                List<String> cells = new ArrayList<>();
                for (int row = headed.first();
                        row < Math.min(headed.first() + 200, table.rows().size());
                        row++) {
                    if (!table.cell(row, i).isEmpty()) {
                        cells.add(table.cell(row, i));
                    }
                }
                likely(cells, names, at).ifPresent(kind -> at.put(kind, column));
            }
        }
        return new Columns<>(at, headed.first());
    }

    /** What most cells of a column are, among what no other column is. */
    private static Optional<Column> likely(List<String> cells, Names names, Map<Column, Integer> known) {
        Map<Column, BiPredicate<Names, String>> tests = new LinkedHashMap<>();
        tests.put(Column.MAC, (n, c) -> MAC_ADDRESS.matcher(c).matches());
        tests.put(Column.ADDRESS, (n, c) -> FOUR_NUMBERS.matcher(c).matches() && !c.startsWith("255."));
        tests.put(Column.MASK, (n, c) -> c.startsWith("255.") || c.matches("/\\d{1,2}"));
        tests.put(Column.HOST, (n, c) -> n.hosts.containsKey(lower(c)));
        tests.put(Column.SEGMENT, (n, c) -> n.segments.contains(lower(c)));
        tests.put(Column.ADAPTER, (n, c) -> n.adapters.contains(lower(c)));
        tests.put(Column.PLACE, (n, c) -> n.places.contains(lower(c)));
        tests.put(Column.GATEWAY, (n, c) -> FOUR_NUMBERS.matcher(c).matches());
        return tests.entrySet().stream()
                .filter(t -> !known.containsKey(t.getKey()))
                .filter(t -> !cells.isEmpty()
                        && 2
                                        * cells.stream()
                                                .filter(c -> t.getValue().test(names, c))
                                                .count()
                                > cells.size())
                .map(Map.Entry::getKey)
                .findFirst();
    }

    /**
     * Works it out.
     *
     * @param columns where what stands; {@link Column#HOST} or {@link Column#MAC} must be among them
     * @param mine the computer one sits at, which is changed last
     * @throws IllegalArgumentException with a sentence, where the columns do not say which box a row is about
     */
    public static AddressImport of(Plan plan, TextTable table, Columns<Column> columns, Optional<Id<Host>> mine) {
        if (!columns.at().containsKey(Column.HOST) && !columns.at().containsKey(Column.MAC)) {
            throw new IllegalArgumentException(
                    "No column says which device a row is about. Say which one has its name, or"
                            + " its hardware address.");
        }
        Rows rows = new Rows(plan);
        for (int row = 0; row < table.rows().size(); row++) {
            if (table.isBlank(row) || row == columns.first() - 1) {
                continue; // nothing, or the headings
            }
            try {
                if (row < columns.first()) {
                    throw new IllegalArgumentException("it stands above the headings");
                }
                rows.take(row + 1L, table.row(row, columns.at()));
            } catch (IllegalArgumentException e) {
                rows.leftOut.add(new LeftOut(row + 1L, String.valueOf(e.getMessage())));
            }
        }
        return rows.finished(mine);
    }

    private static String lower(String text) {
        return text.toLowerCase(Locale.ROOT);
    }

    private static String mac(String text) {
        return lower(text).replace('-', ':');
    }

    /** What is called how in a plan, in lower case. */
    private static final class Names {
        private final Map<String, Host> hosts = new HashMap<>();
        private final Map<String, Adapter> macs = new HashMap<>();
        private final Set<String> adapters = new HashSet<>();
        private final Set<String> segments = new HashSet<>();
        private final Set<String> places = new HashSet<>();

        Names(Plan plan) {
            for (Host host : plan.hosts()) {
                hosts.putIfAbsent(lower(host.name()), host);
                if (!host.place().isEmpty()) {
                    places.add(lower(host.place()));
                }
                for (Adapter adapter : host.adapters()) {
                    adapters.add(lower(adapter.name()));
                    adapter.mac().ifPresent(m -> macs.putIfAbsent(mac(m), adapter));
                }
            }
            plan.segments().forEach(s -> segments.add(lower(s.name())));
        }
    }

    /** The rows taken so far. */
    private static final class Rows {
        private final Plan plan;
        private final Names names;
        private final List<AddressChange.Change> changes = new ArrayList<>();
        private final List<LeftOut> leftOut = new ArrayList<>();
        private final Map<Id<Adapter>, Integer> taken = new HashMap<>();
        private final Map<Ipv4Address, Long> rowOf = new HashMap<>();
        private final Map<Id<Adapter>, UnaryOperator<Adapter>> told = new LinkedHashMap<>();
        private final Map<Id<Host>, String> places = new LinkedHashMap<>();
        private int same;

        Rows(Plan plan) {
            this.plan = plan;
            this.names = new Names(plan);
        }

        void take(long row, Map<Column, String> cells) {
            Optional<HostAddress> typed = AddressCells.address(cell(cells, Column.ADDRESS), cell(cells, Column.MASK));
            Adapter adapter = adapter(cells, typed);
            Optional<HostAddress> address = typed.map(a -> masked(adapter, a, cells));
            address.ifPresent(a -> SpecialAddresses.notOnANetwork(a).ifPresent(why -> {
                throw new IllegalArgumentException(why);
            }));
            UnaryOperator<Adapter> facts = facts(adapter, cells);
            boolean says = address.isPresent();
            boolean changes = !facts.apply(adapter).equals(adapter);
            String place = cell(cells, Column.PLACE);
            Host host = plan.index().hostOf(adapter.id());
            boolean moves = !place.isEmpty() && !place.equals(host.place());
            if (says) {
                changes |= address(row, adapter, address.get());
            } else if (cell(cells, Column.GATEWAY).isEmpty()
                    && cell(cells, Column.MAC).isEmpty()
                    && place.isEmpty()) {
                throw new IllegalArgumentException("it gives no address");
            }
            if (!facts.apply(adapter).equals(adapter)) {
                told.merge(adapter.id(), facts, (a, b) -> x -> b.apply(a.apply(x)));
            }
            if (moves) {
                places.put(host.id(), place);
            }
            if (!changes && !moves) {
                same++;
            }
        }

        /** Takes the address of a row; returns whether it changes anything. */
        private boolean address(long row, Adapter adapter, HostAddress address) {
            int at = taken.getOrDefault(adapter.id(), 0);
            Optional<HostAddress> before = at < adapter.addresses().size()
                    ? Optional.of(adapter.addresses().get(at).inForce())
                    : Optional.empty();
            boolean change = !before.equals(Optional.of(address));
            Long earlier = rowOf.putIfAbsent(address.address(), row);
            if (earlier != null && change) {
                throw new IllegalArgumentException(address.address() + " stands in row " + earlier + " already");
            }
            taken.put(adapter.id(), at + 1);
            if (change) {
                changes.add(
                        new AddressChange.Change(adapter.id(), plan.index().name(adapter.id()), before, address, true));
            }
            return change;
        }

        private static String cell(Map<Column, String> cells, Column column) {
            return cells.getOrDefault(column, "");
        }

        private UnaryOperator<Adapter> facts(Adapter adapter, Map<Column, String> cells) {
            String gateway = cell(cells, Column.GATEWAY);
            Optional<Ipv4Address> router =
                    gateway.isEmpty() ? adapter.gateway() : Optional.of(Ipv4Address.parse(gateway));
            String typed = cell(cells, Column.MAC);
            if (!typed.isEmpty() && !MAC_ADDRESS.matcher(typed).matches()) {
                throw new IllegalArgumentException("\"" + typed
                        + "\" is no hardware address; it has six pairs of digits, as in 02:1a:00:00:00:07");
            }
            boolean known = typed.isEmpty()
                    || adapter.mac().filter(m -> mac(m).equals(mac(typed))).isPresent();
            return a -> (known ? a : a.withMac(Optional.of(typed))).withGateway(router);
        }

        /** Without a mask of its own an address has that of its segment, where it is in its range. */
        private HostAddress masked(Adapter adapter, HostAddress typed, Map<Column, String> cells) {
            boolean said = !cell(cells, Column.MASK).isEmpty()
                    || cell(cells, Column.ADDRESS).contains("/");
            return said
                    ? typed
                    : adapter.segment()
                            .flatMap(s -> plan.index().segment(s).subnet())
                            .filter(s -> s.contains(typed.address()))
                            .map(s -> new HostAddress(typed.address(), s.prefixLength()))
                            .orElse(typed);
        }

        /** The adapter that a row is about: by name, by hardware address, by segment, by range; else the box's first. */
        private Adapter adapter(Map<Column, String> cells, Optional<HostAddress> address) {
            Optional<Adapter> byMac = Optional.ofNullable(names.macs.get(mac(cell(cells, Column.MAC))));
            String name = cell(cells, Column.HOST);
            if (name.isEmpty()) {
                return byMac.orElseThrow(() -> new IllegalArgumentException("nothing says which device it is about"));
            }
            Host host = names.hosts.get(lower(name));
            if (host == null) {
                return byMac.orElseThrow(
                        () -> new IllegalArgumentException("no device of the plan is called \"" + name + "\""));
            }
            List<Adapter> own = host.adapters().stream()
                    .filter(a -> a.kind() != AdapterKind.LOOPBACK)
                    .toList();
            if (own.isEmpty()) {
                throw new IllegalArgumentException(host.name() + " has no network adapter");
            }
            String called = cell(cells, Column.ADAPTER);
            if (!called.isEmpty()) {
                return host.adapters().stream()
                        .filter(a -> a.name().equalsIgnoreCase(called))
                        .findFirst()
                        .orElseThrow(() -> new IllegalArgumentException(
                                host.name() + " has no adapter called \"" + called + "\""));
            }
            String segment = cell(cells, Column.SEGMENT);
            return byMac.filter(own::contains)
                    .or(() -> own.stream()
                            .filter(a -> a.segment()
                                    .filter(s -> plan.index().name(s).equalsIgnoreCase(segment))
                                    .isPresent())
                            .findFirst())
                    .or(() -> own.stream()
                            .filter(a -> address.isPresent()
                                    && a.segment()
                                            .flatMap(
                                                    s -> plan.index().segment(s).subnet())
                                            .filter(s ->
                                                    s.contains(address.get().address()))
                                            .isPresent())
                            .findFirst())
                    .orElse(own.get(0));
        }

        AddressImport finished(Optional<Id<Host>> mine) {
            Map<Id<Adapter>, UnaryOperator<Adapter>> adapters = Map.copyOf(told);
            Map<Id<Host>, String> moved = Map.copyOf(places);
            int rows = changes.size() + adapters.size() + moved.size();
            UnaryOperator<Plan> facts = p -> {
                List<Host> hosts = new ArrayList<>(p.hosts());
                hosts.replaceAll(h -> told(h, adapters, moved));
                return p.with(Kind.HOST, hosts);
            };
            AddressChange readdressing = AddressChange.of(
                    plan, "Import a table of " + Counted.of(rows, "change"), changes, mine, twice(), facts);
            return new AddressImport(
                    new AddressChange(
                            readdressing.changes(),
                            readdressing.steps(),
                            readdressing.warnings(),
                            readdressing.edit(),
                            readdressing.later().and(facts)),
                    adapters.size() + moved.size(),
                    same,
                    leftOut);
        }

        private static Host told(
                Host host, Map<Id<Adapter>, UnaryOperator<Adapter>> adapters, Map<Id<Host>, String> moved) {
            Host next = moved.containsKey(host.id()) ? host.withPlace(moved.getOrDefault(host.id(), "")) : host;
            return next.adapters().stream().anyMatch(a -> adapters.containsKey(a.id()))
                    ? next.withAdapters(next.adapters().stream()
                            .map(a -> adapters.getOrDefault(a.id(), UnaryOperator.identity())
                                    .apply(a))
                            .toList())
                    : next;
        }

        /** Boxes that keep an address which the table gives to another one. */
        private List<String> twice() {
            Set<Id<Adapter>> changed = new HashSet<>();
            changes.forEach(c -> changed.add(c.adapter()));
            Map<Ipv4Address, AddressChange.Change> given = new HashMap<>();
            changes.forEach(c -> given.put(c.after().address(), c));
            List<String> warnings = new ArrayList<>();
            for (Host host : plan.hosts()) {
                for (Adapter adapter : host.adapters()) {
                    for (AdapterAddress a : adapter.addresses()) {
                        AddressChange.Change other = given.get(a.inForce().address());
                        if (other != null
                                && !changed.contains(adapter.id())
                                && plan.index()
                                        .adapter(other.adapter())
                                        .segment()
                                        .equals(adapter.segment())) {
                            warnings.add("The table gives " + a.inForce().address() + " to the " + other.name()
                                    + ", and the " + plan.index().name(adapter.id()) + " has it and keeps it.");
                        }
                    }
                }
            }
            return warnings;
        }
    }
}
