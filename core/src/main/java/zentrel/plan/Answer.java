package zentrel.plan;

import zentrel.text.Word;

/** What can be said of an observation: whether the signal was seen to get that far. */
public enum Answer implements Word {
    YES,
    NO,
    CANNOT_TELL
}
