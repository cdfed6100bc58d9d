package zentrel.control;

import java.util.Locale;

/**
 * One thing in which two cue lists differ.
 *
 * @param a what the first list says, b the second; empty where it says nothing
 */
public record CueDifference(Kind kind, String list, CueNumber cue, String a, String b) {
    /** What differs. */
    public enum Kind {
        MISSING_IN_A,
        MISSING_IN_B,
        LABEL,
        TIME,
        ORDER,
        NOTE;

        /** As it is written for programs. */
        public String word() {
            return name().toLowerCase(Locale.ROOT).replace('_', '-');
        }
    }
}
