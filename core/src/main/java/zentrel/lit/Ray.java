package zentrel.lit;

import java.util.Optional;

/**
 * A line that begins somewhere.
 *
 * @param direction a metre long
 */
public record Ray(Vector from, Vector direction) {
    private static final double FLAT = 1e-9;

    public Vector at(double distance) {
        return from.plus(direction.times(distance));
    }

    /** How far it is to a level of a height; empty where it never comes there. */
    public Optional<Double> toHeight(double height) {
        return toPlane(new Vector(0, 0, height), Vector.UP);
    }

    /** How far it is to a plane. */
    Optional<Double> toPlane(Vector in, Vector normal) {
        double towards = direction.dot(normal);
        if (Math.abs(towards) < FLAT) {
            return Optional.empty();
        }
        double distance = in.minus(from).dot(normal) / towards;
        return distance > 0 ? Optional.of(distance) : Optional.empty();
    }
}
