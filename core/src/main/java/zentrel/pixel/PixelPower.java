package zentrel.pixel;

import java.util.List;
import zentrel.source.Sources;

/**
 * What pixels draw at full white, or at a limit, and what feeds them.
 *
 * @param amps at the limit
 * @param watts the same at the supply's voltage
 * @param supplyWatts what the supply should give: a fifth more
 * @param fuseAmps the next fuse above a quarter more; 0 where none is large enough
 * @param feeds from how many points the run is fed so that its far end keeps enough voltage
 * @param dropVolts what is lost along the run fed so
 * @param dropOneFeed what would be lost where it is fed from one end only
 * @param cableDrop what is lost on the cable from the supply, there and back
 */
public record PixelPower(
        double amps,
        double watts,
        double supplyWatts,
        double fuseAmps,
        int feeds,
        double dropVolts,
        double dropOneFeed,
        double cableDrop) {
    /** Ratings of blade fuses, amperes (ISO 8820-3). */
    private static final List<Double> FUSES =
            List.of(1.0, 2.0, 3.0, 4.0, 5.0, 7.5, 10.0, 15.0, 20.0, 25.0, 30.0, 35.0, Sources.LARGEST_FUSE.value());

    private static final double FUSE_SPARE = 1.25;

    private static final int MOST_FEEDS = 10_000;

    /**
     * A run and what feeds it.
     *
     * @param pixels from 1
     * @param milliamps of one pixel at full white: about 60 for RGB at 5 V, about 80 for RGBW (common practice)
     * @param limit the brightness that is allowed, 0 to 1
     * @param volts of the supply
     * @param runMetres how long the run is; 0 where nothing is to be said of its voltage
     * @param runOhms resistance of a metre of the run, both ways together
     * @param cableMetres length of the cable from the supply; 0 for none
     * @param cableSquare its cross section, mm²
     * @param dropAllowed share of the voltage that may be lost along the run, such as 0.1
     */
    public record Run(
            int pixels,
            double milliamps,
            double limit,
            double volts,
            double runMetres,
            double runOhms,
            double cableMetres,
            double cableSquare,
            double dropAllowed) {
        public Run {
            require(
                    pixels >= 1 && pixels <= PixelSplit.MOST_PIXELS,
                    "There are 1 to " + PixelSplit.MOST_PIXELS + " pixels, not " + pixels + ".");
            require(milliamps > 0 && milliamps <= 10_000, "A pixel draws up to 10000 mA, not " + milliamps + ".");
            require(limit > 0 && limit <= 1, "A limit is a share up to 1, not " + limit + ".");
            require(volts > 0 && volts <= 60, "Pixels run on up to 60 V, not " + volts + ".");
            require(runMetres >= 0 && runOhms >= 0 && cableMetres >= 0, "A length and a resistance are 0 or more.");
            require(cableSquare > 0, "A cross section is more than 0 mm², not " + cableSquare + ".");
            require(dropAllowed > 0 && dropAllowed < 1, "A drop is a share between 0 and 1, not " + dropAllowed + ".");
        }

        private static void require(boolean holds, String sentence) {
            if (!holds) {
                throw new IllegalArgumentException(sentence);
            }
        }
    }

    /** Works it out. The current falls evenly along a run, so half of its resistance counts; a feed serves both ways. */
    public static PixelPower of(Run run) {
        double amps = run.pixels() * run.milliamps() / 1000 * run.limit();
        double watts = amps * run.volts();
        double fuse =
                FUSES.stream().filter(f -> f >= amps * FUSE_SPARE).findFirst().orElse(0.0);
        double oneFeed = amps * run.runOhms() * run.runMetres() / 2;
        int feeds = 1;
        double drop = oneFeed;
        while (drop > run.dropAllowed() * run.volts() && feeds < MOST_FEEDS) {
            feeds++;
            drop = fedAt(oneFeed, feeds);
        }
        double cable = amps * Sources.COPPER.value() * 2 * run.cableMetres() / run.cableSquare();
        return new PixelPower(amps, watts, watts * Sources.SUPPLY_SPARE.value(), fuse, feeds, drop, oneFeed, cable);
    }

    /** What is lost along the run, volts, where it is fed at so many points. */
    public double dropFedAt(int points) {
        return fedAt(dropOneFeed, points);
    }

    /** Fed at several points, each in the middle of its share: the longest way is half a share, and carries half of its current. */
    private static double fedAt(double oneFeed, int points) {
        return points == 1 ? oneFeed : oneFeed / (4.0 * points * points);
    }
}
