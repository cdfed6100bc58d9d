package zentrel.plan;

import io.soabase.recordbuilder.core.RecordBuilder;

/**
 * Two points of a picture whose distance somebody knows, by which the picture is scaled.
 *
 * @param x1 from the left, picture pixels
 * @param y1 from the top, picture pixels
 * @param metres how far the two are apart
 */
@RecordBuilder
public record KnownLength(double x1, double y1, double x2, double y2, double metres)
        implements KnownLengthBuilder.With {
    private static final double MOST = 100_000;
    private static final double LEAST_PIXELS = 1;

    public KnownLength {
        for (double each : new double[] {x1, y1, x2, y2}) {
            if (!(Math.abs(each) <= MOST)) {
                throw new IllegalArgumentException("A point of a picture is at most " + (int) MOST + " pixels out.");
            }
        }
        if (Math.hypot(x2 - x1, y2 - y1) < LEAST_PIXELS) {
            throw new IllegalArgumentException("The two ends of a known length are at least a picture pixel apart.");
        }
        if (!(metres > 0 && metres <= MOST)) {
            throw new IllegalArgumentException("A known length is more than 0 m and at most 100 km.");
        }
    }

    public double metresPerPixel() {
        return metres / Math.hypot(x2 - x1, y2 - y1);
    }
}
