package zentrel.plan;

import zentrel.text.Word;

/** At which corner of a grid the first pixel is, seen from the front as it was made; of a strip, at which end. */
public enum PixelCorner implements Word {
    BOTTOM_LEFT,
    BOTTOM_RIGHT,
    TOP_LEFT,
    TOP_RIGHT;

    public boolean isRight() {
        return this == BOTTOM_RIGHT || this == TOP_RIGHT;
    }

    public boolean isTop() {
        return this == TOP_LEFT || this == TOP_RIGHT;
    }
}
