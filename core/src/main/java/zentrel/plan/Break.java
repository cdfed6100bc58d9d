package zentrel.plan;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.Optional;

/**
 * One run of slots of a fixture.
 *
 * @param start the first slot, from 1; beyond 512 it is a mistake that the check names
 * @param footprint how many slots, from 1
 * @param line the DMX line by which it is connected, where that is another than the fixture's own
 */
@RecordBuilder
public record Break(Id<Universe> universe, int start, int footprint, Optional<Id<Line>> line)
        implements BreakBuilder.With {
    /** A run of slots on the fixture's own line. */
    public Break(Id<Universe> universe, int start, int footprint) {
        this(universe, start, footprint, Optional.empty());
    }

    public Break {
        if (start < 1) {
            throw new IllegalArgumentException("A start slot is 1 or more, not " + start + ".");
        }
        if (footprint < 1) {
            throw new IllegalArgumentException("A footprint is 1 slot or more, not " + footprint + ".");
        }
    }

    /** The same slots from another start. */
    public Break startingAt(int slot) {
        return new Break(universe, slot, footprint, line);
    }

    /** The last slot it uses. */
    public int end() {
        return start + footprint - 1;
    }

    public boolean sharesSlotsWith(Break other) {
        return universe.equals(other.universe) && start <= other.end() && other.start <= end();
    }
}
