package zentrel.profile;

import zentrel.text.Word;

/** What a receiver does with two sources of equal priority. */
public enum Merge implements Word {
    /** The highest level of each slot. */
    HTP,
    /** The latest level of each slot. */
    LTP,
    /** It takes one source and ignores the rest. */
    NONE
}
