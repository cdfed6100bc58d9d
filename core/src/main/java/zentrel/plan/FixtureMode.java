package zentrel.plan;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import zentrel.text.PlainText;

/**
 * One way in which a type of fixture takes slots.
 *
 * @param name as the fixture's own menu calls it
 * @param parts what each slot does, in order, part by part; most have one part, and a slot of which nothing is known is blank
 */
@RecordBuilder
public record FixtureMode(String name, List<List<String>> parts) implements FixtureModeBuilder.With {
    /** After the name of what a slot does, where it is the finer half of it. */
    public static final String FINE = " fine";

    private static final int MOST_PARTS = 64;

    public FixtureMode {
        PlainText.require("The name of a mode", name);
        parts = parts.stream().map(List::copyOf).toList();
        if (parts.isEmpty() || parts.size() > MOST_PARTS) {
            throw new IllegalArgumentException("A mode has 1 to " + MOST_PARTS + " parts, not " + parts.size() + ".");
        }
        for (List<String> part : parts) {
            if (part.isEmpty() || part.size() > Universe.SLOTS) {
                throw new IllegalArgumentException(
                        "Each part of a mode has 1 to " + Universe.SLOTS + " slots, not " + part.size() + ".");
            }
            part.forEach(slot -> PlainText.require("The name of a slot", slot));
        }
    }

    /** How many slots a part takes, from 0. */
    public int footprint(int part) {
        return parts.get(part).size();
    }

    /** How many slots it takes in all. */
    public int footprint() {
        return parts.stream().mapToInt(List::size).sum();
    }
}
