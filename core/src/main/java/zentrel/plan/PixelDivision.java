package zentrel.plan;

import io.soabase.recordbuilder.core.RecordBuilder;

/**
 * How an output spreads its pixels over universes.
 *
 * @param straddles whether a pixel may lie in two universes; else the rest of a universe stays empty
 * @param goesOn whether it goes on in the universe where the output before ended; else it begins one
 * @param firstSlot where it begins in its first universe, 1 to 512
 * @param perUniverse the most pixels in a universe; 0 for as many as fit
 * @param skipped pixels at the start that stay dark and take no slots
 * @param together how many pixels are driven as one
 */
@RecordBuilder
public record PixelDivision(
        boolean straddles, boolean goesOn, int firstSlot, int perUniverse, int skipped, int together)
        implements PixelDivisionBuilder.With {
    public static final PixelDivision USUAL = new PixelDivision(false, false, 1, 0, 0, 1);

    public PixelDivision {
        if (firstSlot < 1 || firstSlot > Universe.SLOTS) {
            throw new IllegalArgumentException("The first slot is 1 to 512, not " + firstSlot + ".");
        }
        if (perUniverse < 0 || perUniverse > Universe.SLOTS) {
            throw new IllegalArgumentException("A universe takes up to 512 pixels, not " + perUniverse + ".");
        }
        if (skipped < 0 || skipped > PixelPoints.MOST || together < 1 || together > PixelPoints.MOST) {
            throw new IllegalArgumentException("Skip 0 pixels or more, and drive 1 or more as one.");
        }
    }
}
