package zentrel.plan;

import java.math.BigDecimal;
import java.math.RoundingMode;

/**
 * A place in the show's space.
 *
 * @param x metres to the right, seen from the front
 * @param y metres away from the front
 * @param z metres up from the floor
 */
public record Position(double x, double y, double z) {
    /** Farther out than any place is. */
    public static final double FARTHEST = 100_000;

    public Position {
        for (double each : new double[] {x, y, z}) {
            if (!(Math.abs(each) <= FARTHEST)) {
                throw new IllegalArgumentException("A position is within 100 km of the middle, not " + each + " m.");
            }
        }
    }

    /** Metres as text, to the millimetre. */
    public static String plain(double metres) {
        BigDecimal rounded = BigDecimal.valueOf(metres).setScale(3, RoundingMode.HALF_UP);
        return rounded.signum() == 0 ? "0" : rounded.stripTrailingZeros().toPlainString();
    }

    /** As people write it: 4.5 / 0 / 6. */
    @Override
    public String toString() {
        return plain(x) + " / " + plain(y) + " / " + plain(z);
    }

    /** How far apart two are, in metres. */
    public double distance(Position other) {
        return Math.sqrt((x - other.x) * (x - other.x) + (y - other.y) * (y - other.y) + (z - other.z) * (z - other.z));
    }
}
