package zentrel.gear;

import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.plan.*;

/**
 * Rows of a spreadsheet as gear. The columns are told by their headings, or by what stands in them where there are none;
 * a row that will not do is left out and said so, and all the others make one edit.
 *
 * @param edit adds what the good rows describe
 * @param made how many boxes that are
 * @param leftOut the rows that were left out, each with its number in the text, from 1, and why
 * @param columns which column was taken for what, in the order of the text
 */
public record Pasting(Edit edit, int made, List<LeftOut> leftOut, List<String> columns) {
    /** A row that is not in the edit. */
    public record LeftOut(long row, String why) {
        /** The row and the reason as one line. */
        public String text() {
            return "Row " + row + ": " + why;
        }
    }

    /** What a column may hold. */
    enum Column {
        NAME("|name|device|host|label|unit|"),
        TYPE("|type|kind|what|model|gear|profile|"),
        PLACE("|place|location|where|position|room|area|"),
        ADDRESS("|address|ip|ipv4|ip address|"),
        MASK("|mask|subnet mask|netmask|subnet|prefix|"),
        COUNT("|count|quantity|qty|number of|pieces|how many|");

        private final String headings;

        Column(String headings) {
            this.headings = headings;
        }

        boolean isHeaded(String heading) {
            return !heading.isEmpty() && headings.contains("|" + heading.replace("|", "") + "|");
        }
    }

    /** More boxes than one rig has; a larger table is another table. */
    private static final int MOST_ROWS = 5000;

    private static final int MOST_PLACES = 200;

    public Pasting {
        leftOut = List.copyOf(leftOut);
        columns = List.copyOf(columns);
    }

    /**
     * Reads pasted rows: cells apart by tabs, semicolons or commas.
     *
     * @throws IllegalArgumentException with a sentence, where it is no table, or no column says what the rows are
     */
    public static Pasting of(Plan plan, Library library, String text) {
        List<CSVRecord> rows = rows(text);
        if (rows.isEmpty()) {
            throw new IllegalArgumentException("There are no rows to paste.");
        }
        Map<Column, Integer> columns = headings(rows.get(0));
        boolean headed = columns.size() >= 2 || columns.containsKey(Column.TYPE);
        if (!headed) {
            columns = guess(rows, library.with(plan));
        }
        if (!columns.containsKey(Column.TYPE)) {
            throw new IllegalArgumentException(
                    "No column says what the rows are. Give one the heading \"type\", with words such as \"node 4\".");
        }
        List<LeftOut> leftOut = new ArrayList<>();
        Set<Ipv4Address> seen = new HashSet<>();
        Plan next = plan;
        int made = 0;
        for (CSVRecord row : rows.subList(headed ? 1 : 0, rows.size())) {
            if (blank(row)) {
                continue;
            }
            try {
                Plan before = next;
                next = add(next, library, row, columns, seen);
                made += next.hosts().size() - before.hosts().size();
            } catch (IllegalArgumentException e) {
                leftOut.add(new LeftOut(row.getRecordNumber(), String.valueOf(e.getMessage())));
            }
        }
        return new Pasting(
                Making.put("Paste " + made + (made == 1 ? " box" : " boxes"), plan, next),
                made,
                leftOut,
                told(columns));
    }

    private static List<CSVRecord> rows(String text) {
        String plain = text.startsWith("\uFEFF") ? text.substring(1) : text;
        String first = plain.lines().findFirst().orElse("");
        char apart = first.indexOf('\t') >= 0 ? '\t' : first.indexOf(';') >= 0 ? ';' : ',';
        CSVFormat format = CSVFormat.DEFAULT
                .builder()
                .setDelimiter(apart)
                .setIgnoreEmptyLines(false)
                .setTrailingData(true)
                .setLenientEof(true)
                .get();
        try (CSVParser parser = CSVParser.parse(new StringReader(plain), format)) {
            List<CSVRecord> rows = new ArrayList<>();
            for (CSVRecord row : parser) {
                if (rows.size() >= MOST_ROWS) {
                    throw new IllegalArgumentException(
                            "More than " + MOST_ROWS + " rows are no rig; nothing was pasted.");
                }
                rows.add(row);
            }
            return rows;
        } catch (IOException | UncheckedIOException e) {
            throw new IllegalArgumentException("What was pasted is no table: " + e.getMessage() + ".", e);
        }
    }

    private static String cell(CSVRecord row, int column) {
        // Spreadsheets leave hidden blanks behind: no-break spaces and marks without width.
        return column < row.size()
                ? row.get(column).replaceAll("[\\u00A0\\u200B\\uFEFF]", " ").strip()
                : "";
    }

    private static boolean blank(CSVRecord row) {
        for (int i = 0; i < row.size(); i++) {
            if (!cell(row, i).isEmpty()) {
                return false;
            }
        }
        return true;
    }

    private static Map<Column, Integer> headings(CSVRecord row) {
        Map<Column, Integer> columns = new EnumMap<>(Column.class);
        for (int i = 0; i < row.size(); i++) {
            String heading = cell(row, i).toLowerCase(Locale.ROOT);
            int at = i;
            for (Column column : Column.values()) {
                if (column.isHeaded(heading)) {
                    columns.putIfAbsent(column, at);
                }
            }
        }
        return columns;
    }

    /** Tells columns by what most of their cells are: addresses, words of a profile; the first other one is the name. */
    private static Map<Column, Integer> guess(List<CSVRecord> rows, Library library) {
        Map<Column, Integer> columns = new EnumMap<>(Column.class);
        List<CSVRecord> sample = rows.subList(0, Math.min(rows.size(), 50));
        int width = sample.stream().mapToInt(CSVRecord::size).max().orElse(0);
        for (int i = 0; i < width; i++) {
            int at = i;
            long filled = sample.stream().filter(r -> !cell(r, at).isEmpty()).count();
            long addresses = sample.stream()
                    .filter(r -> cell(r, at).matches("\\d+\\.\\d+\\.\\d+\\.\\d+(/.*)?"))
                    .count();
            long types = sample.stream()
                    .filter(r -> !library.matching(words(cell(r, at))).isEmpty()
                            && !cell(r, at).isEmpty())
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

    private static List<String> told(Map<Column, Integer> columns) {
        return columns.entrySet().stream()
                .sorted(Map.Entry.comparingByValue())
                .map(e -> "column " + (e.getValue() + 1) + ": "
                        + e.getKey().name().toLowerCase(Locale.ROOT))
                .toList();
    }

    private static List<String> words(String text) {
        return Arrays.stream(text.split("[\\s,]+")).filter(w -> !w.isEmpty()).toList();
    }

    private static Plan add(
            Plan plan, Library library, CSVRecord row, Map<Column, Integer> columns, Set<Ipv4Address> seen) {
        String type = field(row, columns, Column.TYPE);
        if (type.isEmpty()) {
            throw new IllegalArgumentException("nothing says what it is");
        }
        Profile profile = library.with(plan).matching(words(type)).stream()
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("no profile is called \"" + type + "\""));
        String counted = field(row, columns, Column.COUNT);
        if (!counted.isEmpty() && !counted.matches("\\d{1,4}")) {
            throw new IllegalArgumentException("\"" + counted + "\" is no count");
        }
        int count = counted.isEmpty() ? 1 : Integer.parseInt(counted);
        Optional<HostAddress> address = address(row, columns);
        if (address.isPresent() && count != 1) {
            throw new IllegalArgumentException("one address for " + count + " boxes; give each a row of its own");
        }
        address.ifPresent(a -> {
            if (!seen.add(a.address())) {
                throw new IllegalArgumentException(a.address() + " stands in an earlier row already");
            }
        });
        String place = field(row, columns, Column.PLACE);
        Made made = Making.boxes(
                plan,
                library,
                profile,
                count,
                field(row, columns, Column.NAME),
                place.substring(0, Math.min(place.length(), MOST_PLACES)));
        Plan next = made.edit().applyTo(plan);
        if (address.isPresent()) {
            Host host = next.index().host(made.hosts().get(0));
            if (host.adapters().isEmpty()) {
                throw new IllegalArgumentException(
                        profile.name() + " has no network adapter to give " + address.get() + " to");
            }
            next = next.withAdapter(
                    host.adapters().get(0).id(),
                    a -> a.withAddresses(List.of(new AdapterAddress(Setting.of(address.get()), AddressOrigin.MANUAL))));
        }
        return next;
    }

    private static String field(CSVRecord row, Map<Column, Integer> columns, Column column) {
        return columns.containsKey(column) ? cell(row, columns.get(column)) : "";
    }

    private static Optional<HostAddress> address(CSVRecord row, Map<Column, Integer> columns) {
        String address = field(row, columns, Column.ADDRESS);
        String mask = field(row, columns, Column.MASK);
        if (address.isEmpty()) {
            return Optional.empty();
        }
        if (address.contains("/")) {
            return Optional.of(HostAddress.parse(address));
        }
        if (!mask.isEmpty()) {
            return Optional.of(HostAddress.parse(address + "/" + mask.replaceFirst("^/", "")));
        }
        Ipv4Address parsed = Ipv4Address.parse(address);
        // The mask that systems fill in by class (RFC 791), private ranges as people use them.
        int usual = parsed.octet(0) == 192 ? 24 : parsed.octet(0) == 172 ? 16 : 8;
        return Optional.of(new HostAddress(parsed, usual));
    }
}
