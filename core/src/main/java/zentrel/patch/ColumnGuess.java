package zentrel.patch;

import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Set;
import zentrel.patch.PatchTable.Column;
import zentrel.plan.SlotNotation;
import zentrel.plan.Universe;
import zentrel.table.TextTable;

/** Tells the columns of a list without headings by what stands in them. */
final class ColumnGuess {
    private static final int SAMPLE = 500;
    private static final double MOST = 0.6;

    private ColumnGuess() {}

    /**
     * Numbers that are all different are the fixtures' own, cells such as 3.17 start slots; of two more columns of numbers the one
     * that never passes 512 and is the more varied is the slot, the other the universe; the first words are the label, further
     * ones that repeat the type.
     */
    static Map<Column, Integer> of(TextTable table) {
        Map<Column, Integer> at = new LinkedHashMap<>();
        for (int column = 0; column < table.width(); column++) {
            Look look = new Look(table, column);
            if (look.filled == 0) {
                continue;
            }
            if (look.share(look.together) > MOST && look.together > look.distinctWholes.size()) {
                at.putIfAbsent(Column.SLOT, column);
            } else if (look.share(look.whole) > MOST) {
                number(at, look, table, column);
            } else {
                at.putIfAbsent(at.containsKey(Column.LABEL) ? Column.TYPE : Column.LABEL, column);
            }
        }
        return at;
    }

    private static void number(Map<Column, Integer> at, Look look, TextTable table, int column) {
        Integer before = at.get(Column.UNIVERSE);
        if (!at.containsKey(Column.NUMBER) && look.distinctWholes.size() == look.whole) {
            at.put(Column.NUMBER, column);
        } else if (!at.containsKey(Column.SLOT) && before == null) {
            at.put(look.most > Universe.SLOTS ? Column.SLOT : Column.UNIVERSE, column);
        } else if (!at.containsKey(Column.SLOT) && before != null && look.most <= Universe.SLOTS) {
            boolean swapped = look.distinctWholes.size() < new Look(table, before).distinctWholes.size();
            at.put(Column.UNIVERSE, swapped ? column : before);
            at.put(Column.SLOT, swapped ? before : column);
        } else {
            at.putIfAbsent(Column.FOOTPRINT, column);
        }
    }

    private static final class Look {
        private final Set<Long> distinctWholes = new HashSet<>();
        private int filled;
        private int whole;
        private int together;
        private long most;

        Look(TextTable table, int column) {
            for (int row = 0; row < Math.min(SAMPLE, table.rows().size()); row++) {
                String cell = table.cell(row, column).strip();
                filled += cell.isEmpty() ? 0 : 1;
                together += SlotNotation.isTogether(cell) ? 1 : 0;
                SlotNotation.whole(cell).ifPresent(n -> {
                    whole++;
                    most = Math.max(most, n);
                    distinctWholes.add(n);
                });
            }
        }

        double share(int of) {
            return filled == 0 ? 0 : (double) of / filled;
        }
    }
}
