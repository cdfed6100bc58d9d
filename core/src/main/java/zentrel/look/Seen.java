package zentrel.look;

import java.time.Instant;

/**
 * What a person answered.
 *
 * @param place the hop that was asked about, counted along all legs of the path from 0
 * @param answer whether the signal was seen to get that far
 * @param at when
 * @param by who; may be empty
 */
public record Seen(int place, Answer answer, Instant at, String by) {
    /** What can be said of an observation. */
    public enum Answer {
        YES,
        NO,
        CANNOT_TELL
    }
}
