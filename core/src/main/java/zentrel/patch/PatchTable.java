package zentrel.patch;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import zentrel.plan.PatchColumn;
import zentrel.plan.PatchRow;
import zentrel.plan.PatchRow.SlotRun;
import zentrel.plan.Position;
import zentrel.plan.SlotNotation;
import zentrel.plan.SlotStyle;
import zentrel.plan.Universe;
import zentrel.table.Columns;
import zentrel.table.LeftOut;
import zentrel.table.TextTable;
import zentrel.text.PlainText;

/** Reads a list of fixtures from a table. */
public final class PatchTable {
    private static final int LONGEST = 400;
    private static final double MILLIMETRES = 1000;
    private static final double MOST_FIXTURES_ARE_NEARER = 500;

    /** What a column may hold. */
    public enum Column implements Columns.Kind {
        NUMBER(
                "number",
                "number|fixture number|fixture|fixture id|fixtureid|fid|id|no|nr|num|fixture no|fix|unit id|spot number"),
        CHANNEL("channel", "channel|chan|ch|control channel|channel number"),
        LABEL("label", "label|name|title|fixture name|fixture label|description|text"),
        TYPE("type", "type|fixture type|fixturetype|instrument|instrument type|kind|model|device type|device"),
        MODE("mode", "mode|dmx mode|fixture mode|personality"),
        UNIVERSE("universe", "universe|uni|univ|u|dmx universe|universe number|universe no"),
        SLOT(
                "slot",
                "slot|address|dmx|dmx address|addr|start|start slot|start address|patch|dmx slot|dmx channel|start channel"
                        + "|absolute|absolute address|absolute slot|universe slot|universe and slot|universe address|dmx start"),
        FOOTPRINT(
                "footprint",
                "footprint|slots|channels|channel count|number of channels|dmx channels|dmx footprint|size|slot count|width"),
        PART("part", "part|break|cell|element"),
        PLACE("place", "place|position|location|hanging position|pos|where|truss|pipe|bar"),
        X("x", "x|x m|pos x|position x|x pos|posx|x metres|x mm|pos x mm|position x mm"),
        Y("y", "y|y m|pos y|position y|y pos|posy|y metres|y mm|pos y mm|position y mm"),
        Z("z", "z|z m|pos z|position z|z pos|posz|z metres|z mm|pos z mm|position z mm"),
        PURPOSE("purpose", "purpose|use|focus|function"),
        UNIT("unit", "unit|unit number|circuit|circuit number|unit no|circ"),
        NOTE("note", "note|notes|comment|comments|remark|remarks");

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

    private static final Map<Column, PatchColumn> SAME = new EnumMap<>(Map.ofEntries(
            Map.entry(Column.NUMBER, PatchColumn.NUMBER),
            Map.entry(Column.LABEL, PatchColumn.LABEL),
            Map.entry(Column.TYPE, PatchColumn.TYPE),
            Map.entry(Column.MODE, PatchColumn.MODE),
            Map.entry(Column.FOOTPRINT, PatchColumn.FOOTPRINT),
            Map.entry(Column.PLACE, PatchColumn.PLACE),
            Map.entry(Column.PURPOSE, PatchColumn.PURPOSE),
            Map.entry(Column.UNIT, PatchColumn.UNIT),
            Map.entry(Column.NOTE, PatchColumn.NOTE)));

    private final TextTable table;
    private final Map<Column, Integer> at;
    private final int first;
    private final SlotNotation notation;
    private final int base;
    private final boolean millimetres;
    private final Map<String, Integer> rowOfNumber = new HashMap<>();
    private final Map<String, Integer> listed = new HashMap<>();
    private final List<PatchRow> rows = new ArrayList<>();
    private final List<LeftOut> leftOut = new ArrayList<>();

    private PatchTable(TextTable table, Map<Column, Integer> at, int first, OptionalInt wantedBase) {
        this.table = table;
        this.at = at;
        this.first = first;
        SlotScan scan = SlotScan.of(table, at, first);
        notation = scan.notation();
        base = wantedBase.orElse(scan.base());
        millimetres = metresAreMillimetres();
    }

    /** Reads it; columns are told by their headings, else by what stands in them. */
    public static FixtureList read(TextTable table) {
        return read(table, OptionalInt.empty());
    }

    /**
     * Reads it.
     *
     * @param base the number that the list gives the first universe, 0 or 1; empty to tell by what stands there
     * @throws IllegalArgumentException with a sentence, where no column tells which fixture, or where it starts
     */
    public static FixtureList read(TextTable table, OptionalInt base) {
        Columns<Column> columns = Columns.headed(table, List.of(Column.values()), List.of());
        Map<Column, Integer> at = new LinkedHashMap<>(columns.at());
        int first = columns.first();
        if (at.isEmpty()) {
            at = ColumnGuess.of(table);
            first = 0;
        }
        settleChannel(at);
        if (!at.containsKey(Column.NUMBER) && !at.containsKey(Column.SLOT)) {
            throw new IllegalArgumentException("No column holds fixture numbers or start slots; write a heading above"
                    + " each, such as number, label, type, mode, universe, slot and footprint.");
        }
        return new PatchTable(table, at, first, base).all();
    }

    /** A column called "channel" is the fixture's number where slots stand elsewhere, else the slot where numbers do. */
    private static void settleChannel(Map<Column, Integer> at) {
        Integer channel = at.remove(Column.CHANNEL);
        if (channel != null) {
            at.putIfAbsent(at.containsKey(Column.NUMBER) ? Column.SLOT : Column.NUMBER, channel);
        }
    }

    private FixtureList all() {
        for (int row = first; row < table.rows().size(); row++) {
            if (!table.isBlank(row)) {
                try {
                    take(row);
                } catch (IllegalArgumentException e) {
                    leftOut.add(new LeftOut(row + 1L, String.valueOf(e.getMessage())));
                }
            }
        }
        return new FixtureList(rows, has(), leftOut, told(), new SlotStyle(notation, base));
    }

    private Set<PatchColumn> has() {
        Set<PatchColumn> has = EnumSet.noneOf(PatchColumn.class);
        at.keySet().stream().filter(SAME::containsKey).forEach(c -> has.add(SAME.get(c)));
        if (at.containsKey(Column.SLOT)) {
            has.add(PatchColumn.UNIVERSE);
            has.add(PatchColumn.SLOT);
        }
        if (at.containsKey(Column.X) || at.containsKey(Column.Y) || at.containsKey(Column.Z)) {
            has.add(PatchColumn.POSITION);
        }
        return has;
    }

    private List<String> told() {
        List<String> told = new ArrayList<>(new Columns<>(at, first).told());
        if (at.containsKey(Column.SLOT)) {
            told.add(
                    switch (notation) {
                        case ABSOLUTE -> "slots are counted through all universes";
                        case TOGETHER -> "universe and slot stand together, universes from " + base;
                        case TWO_COLUMNS -> "universe and slot stand apart, universes from " + base;
                    });
        }
        return told;
    }

    private String text(int row, Column column) {
        Integer index = at.get(column);
        if (index == null) {
            return "";
        }
        String cell = PlainText.cleaned(table.cell(row, index))
                .replaceAll("\\s+", " ")
                .strip();
        return cell.length() > LONGEST ? cell.substring(0, LONGEST) : cell;
    }

    private void take(int row) {
        String number = FixtureNumber.plain(text(row, Column.NUMBER));
        List<SlotRun> runs = runs(row);
        if (number.isEmpty() && runs.isEmpty()) {
            throw new IllegalArgumentException(
                    text(row, Column.LABEL).isEmpty()
                            ? "it has no fixture number and no start slot"
                            : "“" + PlainText.shown(text(row, Column.LABEL), 60)
                                    + "” has no fixture number and no start slot");
        }
        boolean isPart = !text(row, Column.PART).isEmpty();
        Integer before = number.isEmpty() ? null : listed.get(number);
        if (before != null && isPart && !runs.isEmpty()) {
            PatchRow whole = rows.get(before);
            List<SlotRun> more = new ArrayList<>(whole.runs());
            more.addAll(runs);
            rows.set(before, whole.withRuns(more));
            return;
        }
        if (before != null) {
            throw new IllegalArgumentException(
                    "fixture " + number + " stands in row " + rowOfNumber.get(number) + " already");
        }
        Optional<Position> position = position(row);
        if (!number.isEmpty()) {
            listed.put(number, rows.size());
            rowOfNumber.put(number, row + 1);
        }
        rows.add(new PatchRow(
                number,
                text(row, Column.LABEL),
                text(row, Column.TYPE),
                text(row, Column.MODE),
                runs,
                text(row, Column.PLACE),
                position,
                text(row, Column.PURPOSE),
                text(row, Column.UNIT),
                text(row, Column.NOTE)));
    }

    /** Where it starts; nothing where the cells are empty or say that it is not patched. */
    private List<SlotRun> runs(int row) {
        String slot = text(row, Column.SLOT);
        if (isNone(slot)) {
            return List.of();
        }
        SlotRun start;
        if (notation == SlotNotation.TOGETHER || SlotNotation.isTogether(slot)) {
            start = SlotNotation.together(slot, base);
        } else {
            long number = SlotNotation.whole(slot)
                    .orElseThrow(
                            () -> new IllegalArgumentException("“" + PlainText.shown(slot, 60) + "” is no start slot"));
            if (notation == SlotNotation.ABSOLUTE) {
                start = SlotNotation.absolute(number);
            } else {
                String universe = text(row, Column.UNIVERSE);
                if (isNone(universe)) {
                    throw new IllegalArgumentException("slot " + number + " has no universe");
                }
                start = SlotNotation.run(
                        SlotNotation.whole(universe)
                                .orElseThrow(() -> new IllegalArgumentException(
                                        "“" + PlainText.shown(universe, 60) + "” is no universe")),
                        number,
                        base);
            }
        }
        return List.of(new SlotRun(start.universe(), start.slot(), footprint(row)));
    }

    private static boolean isNone(String cell) {
        return cell.isEmpty() || cell.matches("[-–—]+|(?i)none|not patched|unpatched|n/a");
    }

    private int footprint(int row) {
        String cell = text(row, Column.FOOTPRINT);
        if (cell.isEmpty()) {
            return 0;
        }
        long slots = SlotNotation.whole(cell.replaceFirst("(?i)\\s*(slots?|ch|channels?)$", ""))
                .orElseThrow(() -> new IllegalArgumentException("“" + PlainText.shown(cell, 60) + "” is no footprint"));
        if (slots < 1 || slots > Universe.SLOTS) {
            throw new IllegalArgumentException("a footprint has 1 to " + Universe.SLOTS + " slots, not " + slots);
        }
        return (int) slots;
    }

    private Optional<Position> position(int row) {
        Optional<Double> x = metres(row, Column.X);
        Optional<Double> y = metres(row, Column.Y);
        Optional<Double> z = metres(row, Column.Z);
        return x.isEmpty() && y.isEmpty() && z.isEmpty()
                ? Optional.empty()
                : Optional.of(new Position(x.orElse(0.0), y.orElse(0.0), z.orElse(0.0)));
    }

    private Optional<Double> metres(int row, Column axis) {
        String cell = text(row, axis).replaceFirst("(?i)\\s*m(m|etres?)?$", "").replace(',', '.');
        if (cell.isEmpty()) {
            return Optional.empty();
        }
        if (!cell.matches("[+-]?\\d{1,9}(\\.\\d{1,9})?")) {
            throw new IllegalArgumentException(
                    "“" + PlainText.shown(text(row, axis), 60) + "” is no position in metres");
        }
        return Optional.of(Double.parseDouble(cell) / (millimetres ? MILLIMETRES : 1));
    }

    /** By the heading, or where a number is farther out than any place of a show. */
    private boolean metresAreMillimetres() {
        for (Column axis : List.of(Column.X, Column.Y, Column.Z)) {
            Integer column = at.get(axis);
            if (column == null) {
                continue;
            }
            if (first > 0
                    && table.cell(first - 1, column)
                            .toLowerCase(java.util.Locale.ROOT)
                            .contains("mm")) {
                return true;
            }
            for (int row = first; row < table.rows().size(); row++) {
                String cell = text(row, axis);
                if (cell.matches("[+-]?\\d{1,9}([.,]\\d{1,9})?")
                        && Math.abs(Double.parseDouble(cell.replace(',', '.'))) > MOST_FIXTURES_ARE_NEARER) {
                    return true;
                }
            }
        }
        return false;
    }
}
