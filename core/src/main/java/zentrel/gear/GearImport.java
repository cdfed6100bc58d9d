package zentrel.gear;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.plan.*;
import zentrel.profile.Profile;
import zentrel.table.AddressCells;
import zentrel.table.Columns;
import zentrel.table.LeftOut;
import zentrel.table.TextTable;
import zentrel.text.Counted;

/**
 * Rows of a spreadsheet as gear. The columns are told by their headings, or by what stands in them where there are none;
 * a row that will not do is left out and said so, and all the others make one edit.
 *
 * @param edit adds what the good rows describe
 * @param made how many boxes that are
 * @param leftOut the rows that were left out, each with its number in the text, from 1, and why
 * @param columns which column was taken for what, in the order of the text
 */
public record GearImport(Edit edit, int made, List<LeftOut> leftOut, List<String> columns) {
    /** What a column may hold. */
    enum Column implements Columns.Kind {
        NAME("name", "name|device|host|label|unit"),
        TYPE("type", "type|kind|what|model|gear|profile"),
        PLACE("place", "place|location|where|position|room|area"),
        ADDRESS("address", "address|ip|ipv4|ip address"),
        MASK("mask", "mask|subnet mask|netmask|subnet|prefix"),
        COUNT("count", "count|quantity|qty|number of|pieces|how many");

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

    /** More boxes than one rig has; a larger table is another table. */
    private static final int MOST_ROWS = 5000;

    private static final int MOST_PLACES = 200;

    public GearImport {
        leftOut = List.copyOf(leftOut);
        columns = List.copyOf(columns);
    }

    /**
     * Reads pasted rows: cells apart by tabs, semicolons or commas.
     *
     * @throws IllegalArgumentException with a sentence, where it is no table, or no column says what the rows are
     */
    public static GearImport of(Plan plan, Library library, String text) {
        TextTable table = TextTable.parse(text);
        if (IntStream.range(0, table.rows().size()).allMatch(table::isBlank)) {
            throw new IllegalArgumentException("There are no rows to paste.");
        }
        if (table.rows().size() > MOST_ROWS) {
            throw new IllegalArgumentException("More than " + MOST_ROWS + " rows are no rig; nothing was pasted.");
        }
        Columns<Column> columns = Columns.headed(table, List.of(Column.values()), List.of(Column.TYPE));
        if (columns.at().isEmpty()) {
            columns = new Columns<>(guess(table, library.with(plan)), 0);
        }
        if (!columns.at().containsKey(Column.TYPE)) {
            throw new IllegalArgumentException(
                    "No column says what the rows are. Give one the heading \"type\", with words such as \"node 4\".");
        }
        List<LeftOut> leftOut = new ArrayList<>();
        Set<Ipv4Address> seen = new HashSet<>();
        Plan next = plan;
        int made = 0;
        for (int row = columns.first(); row < table.rows().size(); row++) {
            if (table.isBlank(row)) {
                continue;
            }
            try {
                Plan before = next;
                next = add(next, library, table.row(row, columns.at()), seen);
                made += next.hosts().size() - before.hosts().size();
            } catch (IllegalArgumentException e) {
                leftOut.add(new LeftOut(row + 1L, String.valueOf(e.getMessage())));
            }
        }
        return new GearImport(
                DeviceFactory.put("Paste " + Counted.of(made, "device"), plan, next), made, leftOut, columns.told());
    }

    /** Tells columns by what most of their cells are: addresses, words of a profile; the first other one is the name. */
    private static Map<Column, Integer> guess(TextTable table, Library library) {
        Map<Column, Integer> columns = new EnumMap<>(Column.class);
        int rows = Math.min(table.rows().size(), 50);
        for (int i = 0; i < table.width(); i++) {
            int at = i;
            List<String> cells = IntStream.range(0, rows)
                    .mapToObj(r -> table.cell(r, at))
                    .filter(c -> !c.isEmpty())
                    .toList();
            int filled = cells.size();
            long addresses = cells.stream()
                    .filter(c -> c.matches("\\d+\\.\\d+\\.\\d+\\.\\d+(/.*)?"))
                    .count();
            long types = cells.stream()
                    .filter(c -> !library.matching(words(c)).isEmpty())
                    .count();
            if (filled > 0 && addresses * 2 > filled) {
                columns.putIfAbsent(columns.containsKey(Column.ADDRESS) ? Column.MASK : Column.ADDRESS, i);
            } else if (filled > 0 && types * 2 > filled) {
                columns.putIfAbsent(Column.TYPE, i);
            } else if (filled > 0) {
                columns.putIfAbsent(columns.containsKey(Column.NAME) ? Column.PLACE : Column.NAME, i);
            }
        }
        return columns;
    }

    private static List<String> words(String text) {
        return Arrays.stream(text.split("[\\s,]+")).filter(w -> !w.isEmpty()).toList();
    }

    private static Plan add(Plan plan, Library library, Map<Column, String> row, Set<Ipv4Address> seen) {
        String type = row.getOrDefault(Column.TYPE, "");
        if (type.isEmpty()) {
            throw new IllegalArgumentException("nothing says what it is");
        }
        Profile profile = library.with(plan).matching(words(type)).stream()
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("no profile is called \"" + type + "\""));
        String counted = row.getOrDefault(Column.COUNT, "");
        if (!counted.isEmpty() && !counted.matches("\\d{1,4}")) {
            throw new IllegalArgumentException("\"" + counted + "\" is no count");
        }
        int count = counted.isEmpty() ? 1 : Integer.parseInt(counted);
        Optional<HostAddress> address = address(row);
        if (address.isPresent() && count != 1) {
            throw new IllegalArgumentException("one address for " + count + " devices; give each a row of its own");
        }
        address.ifPresent(a -> {
            if (!seen.add(a.address())) {
                throw new IllegalArgumentException(a.address() + " stands in an earlier row already");
            }
        });
        String place = row.getOrDefault(Column.PLACE, "");
        GearEdit made = DeviceFactory.boxes(
                plan,
                library,
                profile,
                count,
                row.getOrDefault(Column.NAME, ""),
                place.substring(0, Math.min(place.length(), MOST_PLACES)));
        Plan next = made.edit().applyTo(plan);
        if (address.isPresent()) {
            Host host = next.index().host(made.hosts().get(0));
            if (host.adapters().isEmpty()) {
                throw new IllegalArgumentException(
                        profile.name() + " has no network adapter to give " + address.get() + " to");
            }
            next = next.with(
                    host.adapters().get(0).id(),
                    a -> a.withAddresses(List.of(new AdapterAddress(Setting.of(address.get()), AddressOrigin.MANUAL))));
        }
        return next;
    }

    private static Optional<HostAddress> address(Map<Column, String> row) {
        return AddressCells.address(row.getOrDefault(Column.ADDRESS, ""), row.getOrDefault(Column.MASK, ""));
    }
}
