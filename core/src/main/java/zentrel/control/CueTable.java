package zentrel.control;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import zentrel.table.Columns;
import zentrel.table.LeftOut;
import zentrel.table.TextTable;

/**
 * A cue list read from a table.
 *
 * @param cues in the order of the table
 * @param has which columns were told
 * @param leftOut rows that are no cue, and why
 */
public record CueTable(List<Cue> cues, Set<Column> has, List<LeftOut> leftOut) {
    private static final String ONLY_LIST = "1";
    private static final int LONGEST = 400;
    private static final Pattern MINUTES = Pattern.compile("([0-9]{1,4}):([0-9]{1,2}(?:[.,][0-9]{1,3})?)");
    private static final Pattern SECONDS = Pattern.compile("([0-9]{1,6}(?:[.,][0-9]{1,3})?)\\s*(?:s|sec|seconds)?");
    private static final int MINUTE = 60;

    /** What a column may hold. */
    public enum Column implements Columns.Kind {
        LIST("list", "list|cue list|cuelist|list number"),
        CUE("cue", "cue|cue number|number|no|nr|cue no"),
        LABEL("label", "label|name|title|cue label|cue name|description"),
        TIME("time", "time|fade|fade time|seconds|duration|in time|cue time"),
        NOTE("note", "note|notes|comment|comments|remark|remarks|cue note");

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

    public CueTable {
        cues = List.copyOf(cues);
        has = Set.copyOf(has);
        leftOut = List.copyOf(leftOut);
    }

    /**
     * Reads it; columns are told by their headings, else by what stands in them.
     *
     * @throws IllegalArgumentException with a sentence, where no column holds cue numbers
     */
    public static CueTable of(TextTable table) {
        Columns<Column> columns = Columns.headed(table, List.of(Column.values()), List.of(Column.CUE));
        Map<Column, Integer> at = columns.at();
        if (!at.containsKey(Column.CUE)) {
            at = guessed(table);
            columns = new Columns<>(at, 0);
        }
        List<Cue> cues = new ArrayList<>();
        List<LeftOut> leftOut = new ArrayList<>();
        Map<String, Integer> seen = new HashMap<>();
        for (int row = columns.first(); row < table.rows().size(); row++) {
            if (table.isBlank(row)) {
                continue;
            }
            Map<Column, String> cells = table.row(row, at);
            Optional<String> fault = take(cells, seen, row, cues);
            if (fault.isPresent()) {
                leftOut.add(new LeftOut(row + 1L, fault.get()));
            }
        }
        return new CueTable(cues, at.isEmpty() ? Set.of() : EnumSet.copyOf(at.keySet()), leftOut);
    }

    private static Map<Column, Integer> guessed(TextTable table) {
        Map<Column, Integer> at = new HashMap<>();
        for (int column = 0; column < table.width(); column++) {
            int numbers = 0;
            int words = 0;
            for (int row = 0; row < table.rows().size(); row++) {
                String cell = table.cell(row, column).strip();
                numbers += CueNumber.of(cell).isPresent() ? 1 : 0;
                words += !cell.isEmpty() && CueNumber.of(cell).isEmpty() ? 1 : 0;
            }
            if (numbers > words && !at.containsKey(Column.CUE)) {
                at.put(Column.CUE, column);
            } else if (words > numbers && at.containsKey(Column.CUE) && !at.containsKey(Column.LABEL)) {
                at.put(Column.LABEL, column);
            }
        }
        if (!at.containsKey(Column.CUE)) {
            throw new IllegalArgumentException(
                    "No column holds cue numbers; write a heading above it, such as cue, and label, time, note, list.");
        }
        return at;
    }

    private static Optional<String> take(
            Map<Column, String> cells, Map<String, Integer> seen, int row, List<Cue> cues) {
        String number = cells.getOrDefault(Column.CUE, "").strip();
        if (number.isEmpty()) {
            return Optional.of("it has no cue number");
        }
        Optional<CueNumber> cue = CueNumber.of(number);
        if (cue.isEmpty()) {
            return Optional.of("“" + number + "” is no cue number; it goes from 0 to 99999.9999");
        }
        String named = cells.getOrDefault(Column.LIST, "").strip();
        String list = named.isEmpty() ? ONLY_LIST : named;
        Integer before = seen.putIfAbsent(list + "\n" + cue.get(), row + 1);
        if (before != null) {
            return Optional.of("cue " + cue.get() + " of list " + list + " stands in row " + before + " already");
        }
        cues.add(new Cue(
                list,
                cue.get(),
                text(cells, Column.LABEL),
                seconds(text(cells, Column.TIME)),
                text(cells, Column.NOTE)));
        return Optional.empty();
    }

    private static String text(Map<Column, String> cells, Column column) {
        String text = cells.getOrDefault(column, "").strip().replaceAll("\\s+", " ");
        return text.length() > LONGEST ? text.substring(0, LONGEST) : text;
    }

    /** A time in seconds as short as it says the same; what is no time stays as it stands. */
    static String seconds(String text) {
        Matcher minutes = MINUTES.matcher(text);
        if (minutes.matches()) {
            return plain(new BigDecimal(minutes.group(1))
                    .multiply(BigDecimal.valueOf(MINUTE))
                    .add(new BigDecimal(minutes.group(2).replace(',', '.'))));
        }
        Matcher seconds = SECONDS.matcher(text);
        return seconds.matches() ? plain(new BigDecimal(seconds.group(1).replace(',', '.'))) : text;
    }

    private static String plain(BigDecimal value) {
        return value.signum() == 0 ? "0" : value.stripTrailingZeros().toPlainString();
    }

    /** The list as a table for a spreadsheet, which can be read again. */
    public static TextTable table(List<Cue> cues) {
        List<List<String>> rows = new ArrayList<>();
        rows.add(List.of("List", "Cue", "Label", "Time", "Note"));
        cues.forEach(c -> rows.add(List.of(c.list(), c.number().toString(), c.label(), c.time(), c.note())));
        return new TextTable(rows);
    }
}
