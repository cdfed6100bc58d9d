package zentrel.patch;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import zentrel.plan.PatchColumn;
import zentrel.plan.PatchList;
import zentrel.plan.PatchRow;
import zentrel.plan.PatchRow.SlotRun;
import zentrel.plan.Position;
import zentrel.plan.SlotNotation;
import zentrel.plan.SlotStyle;
import zentrel.table.TextTable;

/**
 * How a list of fixtures is written for another program.
 *
 * @param columns what is written, in this order; where universe and slot are written together, they stand where the slot does
 * @param style how start slots are written
 */
@RecordBuilder
public record ListLayout(List<PatchColumn> columns, SlotStyle style) implements ListLayoutBuilder.With {
    /** All that lists usually tell. */
    public static final ListLayout USUAL = new ListLayout(
            List.of(
                    PatchColumn.NUMBER,
                    PatchColumn.LABEL,
                    PatchColumn.TYPE,
                    PatchColumn.MODE,
                    PatchColumn.UNIVERSE,
                    PatchColumn.SLOT,
                    PatchColumn.FOOTPRINT,
                    PatchColumn.PLACE,
                    PatchColumn.POSITION,
                    PatchColumn.PURPOSE,
                    PatchColumn.UNIT,
                    PatchColumn.NOTE),
            SlotStyle.USUAL);

    public ListLayout {
        columns = List.copyOf(columns);
        if (columns.isEmpty()) {
            throw new IllegalArgumentException("A layout has at least one column.");
        }
    }

    /** As a program wants it. */
    public static ListLayout of(PatchList list) {
        return new ListLayout(list.columns().isEmpty() ? USUAL.columns : list.columns(), list.style());
    }

    /** The list as a table; a fixture with several parts has a row for each. */
    public TextTable table(List<PatchRow> rows) {
        boolean parts = rows.stream().anyMatch(r -> r.runs().size() > 1);
        List<List<String>> table = new ArrayList<>();
        List<String> head = new ArrayList<>();
        columns.forEach(c -> head.addAll(headings(c)));
        if (parts) {
            head.add("Part");
        }
        table.add(head);
        for (PatchRow row : rows) {
            for (int part = 0; part < Math.max(1, row.runs().size()); part++) {
                List<String> cells = new ArrayList<>();
                for (PatchColumn column : columns) {
                    cells.addAll(cells(row, column, part));
                }
                if (parts) {
                    cells.add(row.runs().size() > 1 ? String.valueOf(part + 1) : "");
                }
                table.add(cells);
            }
        }
        return new TextTable(table);
    }

    private List<String> headings(PatchColumn column) {
        return switch (column) {
            case POSITION -> List.of("X (m)", "Y (m)", "Z (m)");
            case UNIVERSE -> style.notation() == SlotNotation.TWO_COLUMNS ? List.of("Universe") : List.of();
            case SLOT -> List.of(style.notation() == SlotNotation.TWO_COLUMNS ? "Slot" : "Address");
            default -> {
                String word = column.word();
                yield List.of(word.substring(0, 1).toUpperCase(Locale.ROOT) + word.substring(1));
            }
        };
    }

    private List<String> cells(PatchRow row, PatchColumn column, int part) {
        return switch (column) {
            case NUMBER -> List.of(row.number());
            case LABEL -> List.of(row.label());
            case TYPE -> List.of(row.type());
            case MODE -> List.of(row.mode());
            case PLACE -> List.of(row.place());
            case PURPOSE -> List.of(row.purpose());
            case UNIT -> List.of(row.unit());
            case NOTE -> List.of(row.note());
            case POSITION ->
                row.position()
                        .map(p -> List.of(Position.plain(p.x()), Position.plain(p.y()), Position.plain(p.z())))
                        .orElse(List.of("", "", ""));
            case UNIVERSE, SLOT, FOOTPRINT ->
                part < row.runs().size() ? cells(row.runs().get(part), column) : blank(column);
        };
    }

    private List<String> blank(PatchColumn column) {
        return column == PatchColumn.UNIVERSE && style.notation() != SlotNotation.TWO_COLUMNS ? List.of() : List.of("");
    }

    private List<String> cells(SlotRun run, PatchColumn column) {
        if (column == PatchColumn.FOOTPRINT) {
            return List.of(run.footprint() == 0 ? "" : String.valueOf(run.footprint()));
        }
        if (style.notation() != SlotNotation.TWO_COLUMNS) {
            return column == PatchColumn.UNIVERSE ? List.of() : List.of(style.written(run));
        }
        return List.of(String.valueOf(column == PatchColumn.UNIVERSE ? run.universe() - 1 + style.base() : run.slot()));
    }
}
