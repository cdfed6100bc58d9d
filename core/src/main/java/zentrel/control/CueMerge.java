package zentrel.control;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** One cue list made of two, row by row. */
public final class CueMerge {
    /** Which of the two lists is right. */
    public enum Side {
        A,
        B
    }

    private CueMerge() {}

    /**
     * The list that comes of it: a cue that the right list has not falls away. Rows of which nothing is said stay as the first list has
     * them, and cues that only one list has stay.
     *
     * @param right by the place of the row
     */
    public static List<Cue> of(CueComparison comparison, Map<Integer, Side> right) {
        List<Cue> all = new ArrayList<>();
        for (int i = 0; i < comparison.rows().size(); i++) {
            CueComparison.Row row = comparison.rows().get(i);
            Optional<Side> side = Optional.ofNullable(right.get(i));
            Optional<Cue> cue = side.map(s -> s == Side.A ? row.a() : row.b())
                    .orElseGet(() -> row.a().or(row::b));
            cue.ifPresent(all::add);
        }
        return List.copyOf(all);
    }

    /** The cues whose label a side has to take over from the other, as they are then. */
    public static List<Cue> labelsFor(Side side, CueComparison comparison, Map<Integer, Side> right) {
        List<Cue> all = new ArrayList<>();
        for (int i = 0; i < comparison.rows().size(); i++) {
            CueComparison.Row row = comparison.rows().get(i);
            boolean label = row.differences().stream().anyMatch(d -> d.kind() == CueDifference.Kind.LABEL);
            Side is = right.get(i);
            if (label && is != null && is != side) {
                (is == Side.A ? row.a() : row.b()).ifPresent(all::add);
            }
        }
        return List.copyOf(all);
    }
}
