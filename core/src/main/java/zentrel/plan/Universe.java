package zentrel.plan;

import io.soabase.recordbuilder.core.RecordBuilder;
import zentrel.text.PlainText;

/**
 * 512 slots with a name. It has one number in each protocol that carries it (a stream's and a port's wire number); this
 * one is the show's own.
 *
 * @param number the show's number, from 1
 * @param merge whether two sources on it are meant
 */
@RecordBuilder
public record Universe(Id<Universe> id, String name, int number, boolean merge) implements Named, UniverseBuilder.With {
    public Universe {
        PlainText.require("The name of a universe", name);
    }

    /** Slots of a universe (ANSI E1.11: 512 after the start code). */
    public static final int SLOTS = 512;

    /** The short label, such as U5. */
    public String label() {
        return "U" + number;
    }
}
