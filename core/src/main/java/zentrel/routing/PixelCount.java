package zentrel.routing;

import zentrel.plan.Universe;

/**
 * How many universes pixels take where no pixel is split over two.
 *
 * @param pixels how many there are, from 1
 * @param components slots of each: 3 for RGB, 4 for RGBW
 */
public record PixelCount(int pixels, int components) {
    /** More than one plan can name. */
    private static final int MOST_PIXELS = 10_000_000;

    public PixelCount {
        if (pixels < 1 || pixels > MOST_PIXELS || components < 1 || components > Universe.SLOTS) {
            throw new IllegalArgumentException("Count 1 to " + MOST_PIXELS + " pixels of 1 to " + Universe.SLOTS
                    + " slots each, not " + pixels + " of " + components + ".");
        }
    }

    /** Whole pixels in one universe: 170 RGB, 128 RGBW. */
    public int perUniverse() {
        return Universe.SLOTS / components;
    }

    public int universes() {
        return (pixels + perUniverse() - 1) / perUniverse();
    }

    /** Pixels in the last universe. */
    public int inTheLast() {
        return pixels - (universes() - 1) * perUniverse();
    }
}
