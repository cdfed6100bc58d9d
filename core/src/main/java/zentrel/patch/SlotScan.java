package zentrel.patch;

import java.util.Map;
import java.util.Optional;
import zentrel.patch.PatchTable.Column;
import zentrel.plan.SlotNotation;
import zentrel.plan.Universe;
import zentrel.table.TextTable;

/**
 * Tells how a list writes start slots, by all of its rows.
 *
 * @param base the number that it gives the first universe
 */
record SlotScan(SlotNotation notation, int base) {
    /** So many of a hundred rows in universe 0 are no slip of the hand. */
    private static final int SHARE_OF_ZERO = 5;

    static SlotScan of(TextTable table, Map<Column, Integer> at, int first) {
        Integer slots = at.get(Column.SLOT);
        Integer universes = at.get(Column.UNIVERSE);
        if (slots == null) {
            return new SlotScan(SlotNotation.TWO_COLUMNS, 1);
        }
        int together = 0;
        int whole = 0;
        int past = 0;
        int agree = 0;
        int zero = 0;
        int pairs = 0;
        for (int row = first; row < table.rows().size(); row++) {
            String cell = table.cell(row, slots).strip();
            Optional<Long> number = SlotNotation.whole(cell);
            if (SlotNotation.isTogether(cell)) {
                together++;
                pairs++;
                zero += cell.matches("(?i)(u|uni|universe)?\\s*0\\D+0*[1-9]\\d*") ? 1 : 0;
            } else if (number.isPresent()) {
                whole++;
                past += number.get() > Universe.SLOTS ? 1 : 0;
                Optional<Long> universe = universes == null
                        ? Optional.empty()
                        : SlotNotation.whole(table.cell(row, universes).strip());
                if (universe.isPresent() && number.get() > 0) {
                    pairs++;
                    zero += universe.get() == 0 ? 1 : 0;
                    agree += (number.get() - 1) / Universe.SLOTS + 1 == universe.get() ? 1 : 0;
                }
            }
        }
        int base = zero >= 2 && zero * 100 >= pairs * SHARE_OF_ZERO ? 0 : 1;
        if (together > whole) {
            return new SlotScan(SlotNotation.TOGETHER, base);
        }
        boolean alone = universes == null;
        boolean counted = past > 0 && agree * 2 > whole;
        return new SlotScan(alone || counted ? SlotNotation.ABSOLUTE : SlotNotation.TWO_COLUMNS, base);
    }
}
