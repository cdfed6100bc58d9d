package zentrel.plan;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import java.util.Optional;
import zentrel.text.PlainText;

/**
 * A fixture as a list tells it. What is blank or empty was not told.
 *
 * @param runs its runs of slots, one a part; none where it has no address
 * @param place where it hangs, in words
 * @param position the same in metres
 */
@RecordBuilder
public record PatchRow(
        String number,
        String label,
        String type,
        String mode,
        List<SlotRun> runs,
        String place,
        Optional<Position> position,
        String purpose,
        String unit,
        String note)
        implements PatchRowBuilder.With {
    /**
     * A run of slots.
     *
     * @param universe the number that the list gives it, from 1
     * @param slot the first, 1 to 512
     * @param footprint how many; 0 where the list does not tell
     */
    public record SlotRun(int universe, int slot, int footprint) {
        public SlotRun {
            if (universe < 0 || slot < 1 || footprint < 0) {
                throw new IllegalArgumentException(
                        "Universe " + universe + ", slot " + slot + " with " + footprint + " slots is no place.");
            }
        }

        /** As it is written here: U3 slot 17. */
        public String shown() {
            return "U" + universe + " slot " + slot;
        }
    }

    public PatchRow {
        for (String each : new String[] {number, label, type, mode, place, purpose, unit, note}) {
            PlainText.require("A value of a list", each);
        }
        runs = List.copyOf(runs);
    }

    /** A fixture with what every list tells. */
    public static PatchRow of(String number, String label, String type, String mode, List<SlotRun> runs) {
        return new PatchRow(number, label, type, mode, runs, "", Optional.empty(), "", "", "");
    }

    /** What people call it: its number, if it has one, and its label. */
    public String shown() {
        String both = (number + " " + label).strip();
        return both.isEmpty() ? runs.stream().findFirst().map(SlotRun::shown).orElse("a fixture") : both;
    }

    /** All slots that it takes, as far as they are told. */
    public int footprint() {
        return runs.stream().mapToInt(SlotRun::footprint).sum();
    }
}
