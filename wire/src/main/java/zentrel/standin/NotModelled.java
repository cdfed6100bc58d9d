package zentrel.standin;

import zentrel.plan.Id;

/**
 * Something of a plan that a stand-in does not do, so that a result is read with it in mind.
 *
 * @param what what kind of thing
 * @param at where in the plan
 * @param words a sentence
 */
public record NotModelled(What what, Id<?> at, String words) {
    /** The kinds. */
    public enum What {
        /** DMX that goes from a source straight to a fixture. */
        DIRECT_DMX,
        /** A number that is not known, or that its protocol does not have. */
        NUMBER,
        /** A rate that is not specified. */
        RATE,
        /** An identity that is no CID. */
        CID,
        /** What a receiver does when nothing comes any more: a stored scene, or nobody has said. */
        LOSS,
        /** Levels of its own beside those that a console passes on. */
        OWN_LEVELS,
        /** How many networks what is sent may cross, or the UDP port that it is sent from. */
        SENDING
    }
}
