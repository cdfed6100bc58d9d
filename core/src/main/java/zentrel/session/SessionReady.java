package zentrel.session;

import java.util.List;
import zentrel.plan.Id;
import zentrel.plan.Session;

/**
 * How far a session is.
 *
 * @param steps all that is to do, in an order that can be followed from the first to the last; what is done already is among them
 * @param members its desks in the order of the plan, then what attaches to them
 */
public record SessionReady(Id<Session> session, List<Step> steps, List<TakesPart> members) {
    public SessionReady {
        steps = List.copyOf(steps);
        members = List.copyOf(members);
    }

    /** Whether nothing is left to do. */
    public boolean isReady() {
        return steps.stream().allMatch(Step::done)
                && members.stream().flatMap(m -> m.lacks().stream()).noneMatch(Lack::stops);
    }

    /** How long it takes from now, in s, as far as anybody has said how long what takes. */
    public int seconds() {
        return steps.stream().mapToInt(Step::endsAt).max().orElse(0);
    }

    /** How many steps are left. */
    public long left() {
        return steps.stream().filter(s -> !s.done()).count();
    }
}
