package zentrel.plan;

import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import zentrel.plan.PatchRow.SlotRun;
import zentrel.text.PlainText;
import zentrel.text.Word;

/**
 * How a list writes where a fixture starts.
 *
 * <p>All three are common practice, no source.
 */
public enum SlotNotation implements Word {
    /** Universe and slot in columns of their own. */
    TWO_COLUMNS,
    /** Both in one: 3.17; 3/17, 3:17 and U3 slot 17 are read too. */
    TOGETHER,
    /** Slots counted through all universes: 1041 is slot 17 of the third. */
    ABSOLUTE;

    /** Universes that lists count to: as many as Art-Net has (Art-Net 4, 15-bit Port-Address). */
    public static final int UNIVERSES = 32_768;

    private static final Pattern TOGETHER_WRITTEN = Pattern.compile(
            "(?:u|uni|universe)?\\s*(\\d{1,9})\\s*(?:[./:,\\\\|-]|\\s+|\\s*(?:slot|ch|channel|address|addr)\\s*)\\s*(\\d{1,9})",
            Pattern.CASE_INSENSITIVE);
    private static final Pattern WHOLE =
            Pattern.compile("(?:u|uni|universe)?\\s*(\\d{1,9})(?:\\.0+)?", Pattern.CASE_INSENSITIVE);

    /** Whether a cell holds universe and slot together. */
    public static boolean isTogether(String cell) {
        return TOGETHER_WRITTEN.matcher(cell).matches() && !WHOLE.matcher(cell).matches();
    }

    /** A whole number, with the word for a universe before it or not. */
    public static Optional<Long> whole(String cell) {
        Matcher m = WHOLE.matcher(cell);
        return m.matches() ? Optional.of(Long.valueOf(m.group(1))) : Optional.empty();
    }

    /**
     * Reads both from one cell.
     *
     * @param base the number that the list gives the first universe, 0 or 1
     * @throws IllegalArgumentException with the rest of a sentence, where it is no start slot
     */
    public static SlotRun together(String cell, int base) {
        Matcher m = TOGETHER_WRITTEN.matcher(cell);
        if (!m.matches()) {
            throw new IllegalArgumentException(
                    "“" + cell + "” is no start slot; write 3.17, or 3 and 17 in two columns");
        }
        return run(Long.parseLong(m.group(1)), Long.parseLong(m.group(2)), base);
    }

    /** A universe and a slot as numbers; as {@link #together}. */
    public static SlotRun run(long universe, long slot, int base) {
        long number = universe + 1 - base;
        if (universe < base || number > UNIVERSES) {
            throw new IllegalArgumentException(
                    "there is no universe " + universe + "; they go from " + base + " to " + (UNIVERSES - 1 + base));
        }
        if (slot < 1 || slot > Universe.SLOTS) {
            throw new IllegalArgumentException("there is no slot " + slot + "; a universe has 1 to " + Universe.SLOTS);
        }
        return new SlotRun((int) number, (int) slot, 0);
    }

    /** Slots counted through all universes; as {@link #together}. */
    public static SlotRun absolute(long number) {
        if (number < 1 || number > (long) UNIVERSES * Universe.SLOTS) {
            throw new IllegalArgumentException("there is no slot " + number
                    + "; counted through all universes they go from 1 to " + (long) UNIVERSES * Universe.SLOTS);
        }
        return new SlotRun((int) ((number - 1) / Universe.SLOTS) + 1, (int) ((number - 1) % Universe.SLOTS) + 1, 0);
    }

    /**
     * Reads a start slot that is written in any of these ways, in one text.
     *
     * @throws IllegalArgumentException with the rest of a sentence, where it is none
     */
    public static SlotRun readAddress(String text) {
        return isTogether(text)
                ? together(text, 1)
                : absolute(whole(text)
                        .orElseThrow(() ->
                                new IllegalArgumentException("“" + PlainText.shown(text, 60) + "” is no start slot")));
    }

    /**
     * As this notation writes it in one cell.
     *
     * @param base the number of the first universe, 0 or 1
     */
    public String written(SlotRun run, int base) {
        return this == ABSOLUTE
                ? String.valueOf((long) (run.universe() - 1) * Universe.SLOTS + run.slot())
                : (run.universe() - 1 + base) + "." + run.slot();
    }
}
