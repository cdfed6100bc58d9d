package zentrel.plan;

import zentrel.text.Word;

/** In what shape the pixels of a run lie. */
public enum PixelForm implements Word {
    /** One straight row: a strip or a string. */
    STRIP,
    /** Columns and rows: a panel or a matrix. */
    GRID,
    /** A circle that comes back to its first pixel. */
    LOOP,
    /** Evenly along a line that was drawn through points. */
    DRAWN,
    /** Each pixel at a point of its own. */
    PLACED
}
