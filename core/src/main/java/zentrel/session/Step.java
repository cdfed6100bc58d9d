package zentrel.session;

import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import zentrel.plan.Application;
import zentrel.plan.Id;

/**
 * One thing to do until a session works.
 *
 * @param order 1 first
 * @param program whose it is
 * @param lack what it mends; for settling
 * @param waitSeconds how long it takes until the next thing of the same program can be done; empty where nobody has said
 * @param sign what is seen when it worked; empty text where nobody has said
 * @param after the orders of those that must be done before
 * @param startsAt when it can be begun at the earliest, in s after the first one
 */
public record Step(
        int order,
        Id<Application> program,
        What what,
        Optional<Lack> lack,
        OptionalInt waitSeconds,
        String sign,
        boolean done,
        List<Integer> after,
        int startsAt) {
    public Step {
        after = List.copyOf(after);
    }

    /** What is done, in the order in which one program goes through it. */
    public enum What {
        POWER,
        ADDRESS,
        START,
        SETTLE,
        RESTART,
        CREATE,
        SAVE,
        ENTER,
        ATTACH
    }

    /** When it is over at the earliest, in s after the first one. */
    public int endsAt() {
        return startsAt + (done ? 0 : waitSeconds.orElse(0));
    }
}
