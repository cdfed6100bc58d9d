package zentrel.patch;

import zentrel.text.Word;

/**
 * One thing in which two lists differ about a fixture.
 *
 * @param number the fixture's number, of whichever list has one
 * @param a what the first list says; empty where the fixture is missing there
 * @param b what the second list says; as {@code a}
 * @param matchedBy how the two rows were found to be the same fixture; of one that is missing, how it was looked for
 */
public record PatchDifference(Kind kind, String number, String a, String b, MatchedBy matchedBy) {
    /** What differs. */
    public enum Kind implements Word {
        MISSING_IN_A,
        MISSING_IN_B,
        NUMBER,
        UNIVERSE,
        ADDRESS,
        TYPE,
        MODE,
        FOOTPRINT,
        LABEL,
        POSITION;

        /** Whether one of the lists lacks the fixture. */
        public boolean isMissing() {
            return this == MISSING_IN_A || this == MISSING_IN_B;
        }
    }

    /** By what two rows are the same fixture. */
    public enum MatchedBy implements Word {
        NUMBER,
        /** They start at the same slot. */
        PLACE,
        /** One label, or one position in metres, that no other fixture of either list has, and the same type. */
        LIKENESS
    }
}
