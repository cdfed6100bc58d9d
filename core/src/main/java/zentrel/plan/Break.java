package zentrel.plan;

/**
 * One run of slots of a fixture.
 *
 * @param start the first slot, from 1; beyond 512 it is a mistake that the check names
 * @param footprint how many slots, from 1
 */
public record Break(UniverseId universe, int start, int footprint) {
    public Break {
        if (start < 1) {
            throw new IllegalArgumentException("A start slot is 1 or more, not " + start + ".");
        }
        if (footprint < 1) {
            throw new IllegalArgumentException("A footprint is 1 slot or more, not " + footprint + ".");
        }
    }

    /** The last slot it uses. */
    public int end() {
        return start + footprint - 1;
    }

    public boolean sharesSlotsWith(Break other) {
        return universe.equals(other.universe) && start <= other.end() && other.start <= end();
    }
}
