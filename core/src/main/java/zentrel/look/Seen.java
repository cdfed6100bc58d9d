package zentrel.look;

import java.time.Instant;
import java.util.List;
import zentrel.path.SignalPath;
import zentrel.plan.Answer;
import zentrel.plan.Plan;
import zentrel.plan.Sighting;

/**
 * What a person answered.
 *
 * @param place the hop that was asked about, counted along all legs of the path from 0
 * @param answer whether the signal was seen to get that far
 * @param at when
 * @param by who; may be empty
 */
public record Seen(int place, Answer answer, Instant at, String by) {
    /** What the plan keeps of a path, in the order in which it was seen. */
    public static List<Seen> of(Plan plan, SignalPath path) {
        if (path.signal().isEmpty() || path.receiver().isEmpty()) {
            return List.of();
        }
        return plan.sightings().stream()
                .filter(s -> s.isOf(path.signal().get(), path.receiver().get()))
                .map(Seen::of)
                .toList();
    }

    private static Seen of(Sighting s) {
        return new Seen(s.hop() - 1, s.answer(), s.at(), s.by());
    }
}
