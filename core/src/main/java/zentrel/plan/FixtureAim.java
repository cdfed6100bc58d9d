package zentrel.plan;

import io.soabase.recordbuilder.core.RecordBuilder;

/**
 * How a fixture hangs, and where it points.
 *
 * @param standing whether it stands; else it hangs
 * @param turn to which side it tilts: clockwise seen from above, 0 is away from the front; 0 to 360 degrees
 * @param tilt from straight down where it hangs, from straight up where it stands: 0 to 180 degrees
 */
@RecordBuilder
public record FixtureAim(boolean standing, double turn, double tilt) implements FixtureAimBuilder.With {
    public static final FixtureAim DOWN = new FixtureAim(false, 0, 0);

    public FixtureAim {
        requireTurn(turn);
        if (!(tilt >= 0 && tilt <= 180)) {
            throw new IllegalArgumentException("A fixture is tilted by 0 to 180 degrees, not by " + tilt + ".");
        }
    }

    static void requireTurn(double turn) {
        if (!(turn >= 0 && turn <= 360)) {
            throw new IllegalArgumentException("A turn is 0 to 360 degrees, not " + turn + ".");
        }
    }

    /** The same that points from a place to another. */
    public FixtureAim pointed(Position from, Position at) {
        double across = Math.hypot(at.x() - from.x(), at.y() - from.y());
        double down = Math.toDegrees(Math.atan2(across, from.z() - at.z()));
        double bearing = across == 0 ? turn : Math.toDegrees(Math.atan2(at.x() - from.x(), at.y() - from.y()));
        return new FixtureAim(standing, tenth((bearing + 360) % 360), tenth(standing ? 180 - down : down));
    }

    private static double tenth(double degrees) {
        return Math.round(degrees * 10) / 10.0;
    }
}
