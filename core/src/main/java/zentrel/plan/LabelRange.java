package zentrel.plan;

/**
 * A run of universes as an application labels them, and what they are on the wire: wire = label + offset.
 *
 * @param first first label of the run
 * @param last last label, not below the first
 * @param offset what is added to a label to get the wire number
 */
public record LabelRange(int first, int last, int offset) {
    public LabelRange {
        if (last < first) {
            throw new IllegalArgumentException("A range runs upwards: " + first + " to " + last + " does not.");
        }
    }

    public boolean contains(int label) {
        return label >= first && label <= last;
    }
}
