package zentrel.plan;

import io.soabase.recordbuilder.core.RecordBuilder;

/**
 * What an output can do, and what is wanted of it.
 *
 * @param pixels the most that it drives; 0 where nobody said
 * @param universes the most that it takes; 0 where nobody said
 * @param rate frames a second that it makes at most; 0 where nobody said
 * @param wanted frames a second that are wanted
 */
@RecordBuilder
public record PixelLimits(int pixels, int universes, int rate, int wanted) implements PixelLimitsBuilder.With {
    /** Forty frames a second look smooth (common practice, no source). */
    public static final PixelLimits USUAL = new PixelLimits(0, 0, 0, 40);

    private static final int MOST_RATE = 10_000;

    public PixelLimits {
        if (pixels < 0 || universes < 0 || rate < 0 || rate > MOST_RATE || wanted < 1 || wanted > MOST_RATE) {
            throw new IllegalArgumentException("Limits are 0 or more, and at least one frame a second is wanted.");
        }
    }
}
