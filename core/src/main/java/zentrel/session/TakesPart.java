package zentrel.session;

import java.util.List;
import java.util.Optional;
import zentrel.plan.Application;
import zentrel.plan.Attachment;
import zentrel.plan.Id;
import zentrel.plan.Part;

/**
 * A program that takes part in a session, or attaches to one of its desks.
 *
 * @param part its part; for what only attaches, previs
 * @param by the console's own stream by which it attaches; empty for a desk, and for what takes the levels as they are sent
 * @param inSession whether it is a desk of the session
 * @param lacks what it lacks, in the order in which it is mended
 */
public record TakesPart(
        Id<Application> program,
        Part part,
        Optional<Id<Attachment>> by,
        boolean inSession,
        State state,
        List<Lack> lacks) {
    public TakesPart {
        lacks = List.copyOf(lacks);
    }

    /** How far it is, as far as the plan tells. */
    public enum State {
        NO_POWER("no power"),
        NOT_STARTED("not started"),
        KEY_DIFFERS("key not recognised"),
        LICENCE_MISSING("licence key not recognised"),
        CANNOT_ENTER("cannot enter"),
        CAN_ENTER("can enter"),
        IN_STEP("in step");

        private final String words;

        State(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /** The most important thing that it lacks. */
    public Optional<Lack> first() {
        return lacks.stream().findFirst();
    }
}
