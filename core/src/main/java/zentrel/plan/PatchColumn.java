package zentrel.plan;

import zentrel.text.Word;

/** What a list of fixtures tells of each. */
public enum PatchColumn implements Word {
    NUMBER,
    LABEL,
    TYPE,
    MODE,
    UNIVERSE,
    SLOT,
    FOOTPRINT,
    /** The pipe, truss or room, in words. */
    PLACE,
    /** In metres. */
    POSITION,
    PURPOSE,
    UNIT,
    NOTE
}
