package zentrel.plan;

import io.soabase.recordbuilder.core.RecordBuilder;

/**
 * What feeds the pixels of an output; the controller's own supply is another thing.
 *
 * @param volts of the supply
 * @param watts that it gives; 0 where nobody said
 * @param brightness the most that is allowed, 1 to 100 percent
 * @param feeds at how many points along the pixels it is fed in
 * @param cableMetres from the supply to the pixels; 0 where nobody said
 * @param cableSquare cross section of that cable, mm²
 */
@RecordBuilder
public record PixelSupply(double volts, double watts, int brightness, int feeds, double cableMetres, double cableSquare)
        implements PixelSupplyBuilder.With {
    public static final PixelSupply USUAL = new PixelSupply(5, 0, 100, 1, 0, 1.5);

    private static final double MOST_VOLTS = 60;
    private static final double MOST_WATTS = 1_000_000;
    private static final int MOST_FEEDS = 1_000;

    public PixelSupply {
        if (!(volts > 0 && volts <= MOST_VOLTS)) {
            throw new IllegalArgumentException("Pixels run on up to 60 V, not " + volts + ".");
        }
        if (!(watts >= 0 && watts <= MOST_WATTS) || !(cableMetres >= 0 && cableMetres <= Position.FARTHEST)) {
            throw new IllegalArgumentException("A power and a length are 0 or more.");
        }
        if (!(cableSquare > 0 && cableSquare <= 1000)) {
            throw new IllegalArgumentException("A cross section is more than 0 mm², not " + cableSquare + ".");
        }
        if (brightness < 1 || brightness > 100) {
            throw new IllegalArgumentException("Brightness is 1 to 100 %, not " + brightness + ".");
        }
        if (feeds < 1 || feeds > MOST_FEEDS) {
            throw new IllegalArgumentException("Pixels are fed at 1 to 1000 points, not " + feeds + ".");
        }
    }
}
