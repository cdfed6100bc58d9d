package zentrel.plan;

import io.soabase.recordbuilder.core.RecordBuilder;

/**
 * The light of a type of fixture, and how far its head moves; degrees.
 *
 * @param beam the whole angle of its beam; with a zoom the narrowest
 * @param wide with a zoom the widest
 * @param pan from one end to the other
 * @param tilt from one end to the other
 */
@RecordBuilder
public record FixtureOptics(double beam, double wide, double pan, double tilt) implements FixtureOpticsBuilder.With {
    /** Until somebody says (common practice, no source). */
    public static final FixtureOptics USUAL = new FixtureOptics(25, 50, 540, 270);

    private static final double MOST_BEAM = 170;
    private static final double MOST_TRAVEL = 3600;

    public FixtureOptics {
        for (double each : new double[] {beam, wide}) {
            if (!(each > 0 && each <= MOST_BEAM)) {
                throw new IllegalArgumentException("A beam is more than 0 and at most 170 degrees wide.");
            }
        }
        for (double each : new double[] {pan, tilt}) {
            if (!(each >= 0 && each <= MOST_TRAVEL)) {
                throw new IllegalArgumentException("A head moves by 0 to 3600 degrees.");
            }
        }
    }
}
