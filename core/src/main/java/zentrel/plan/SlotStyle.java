package zentrel.plan;

import io.soabase.recordbuilder.core.RecordBuilder;

/**
 * How a program writes start slots.
 *
 * @param base the number that it gives the first universe, 0 or 1
 */
@RecordBuilder
public record SlotStyle(SlotNotation notation, int base) implements SlotStyleBuilder.With {
    /** As most do. */
    public static final SlotStyle USUAL = new SlotStyle(SlotNotation.TWO_COLUMNS, 1);

    public SlotStyle {
        if (base < 0 || base > 1) {
            throw new IllegalArgumentException("Universes are counted from 0 or from 1, not from " + base + ".");
        }
    }

    /** A start slot as the program writes it, in one piece. */
    public String written(PatchRow.SlotRun run) {
        return notation.written(run, base);
    }
}
