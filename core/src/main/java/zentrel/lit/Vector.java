package zentrel.lit;

import zentrel.plan.Position;

/** A direction or a place in metres: to the right, away, up. */
public record Vector(double x, double y, double z) {
    public static final Vector UP = new Vector(0, 0, 1);

    public static Vector of(Position at) {
        return new Vector(at.x(), at.y(), at.z());
    }

    /** As a place of a plan, to the millimetre. */
    public Position position() {
        return new Position(millimetre(x), millimetre(y), millimetre(z));
    }

    private static double millimetre(double metres) {
        double within = Math.max(-Position.FARTHEST, Math.min(Position.FARTHEST, metres));
        return Math.round(within * 1000) / 1000.0;
    }

    public Vector plus(Vector v) {
        return new Vector(x + v.x, y + v.y, z + v.z);
    }

    public Vector minus(Vector v) {
        return new Vector(x - v.x, y - v.y, z - v.z);
    }

    public Vector times(double by) {
        return new Vector(x * by, y * by, z * by);
    }

    public double dot(Vector v) {
        return x * v.x + y * v.y + z * v.z;
    }

    public Vector cross(Vector v) {
        return new Vector(y * v.z - z * v.y, z * v.x - x * v.z, x * v.y - y * v.x);
    }

    public double length() {
        return Math.sqrt(dot(this));
    }

    /** The same direction, a metre long; itself where it has no length. */
    public Vector unit() {
        double length = length();
        return length == 0 ? this : times(1 / length);
    }

    /** Another one square to it. */
    Vector square() {
        return cross(Math.abs(z) > 0.9 * length() ? new Vector(1, 0, 0) : UP).unit();
    }
}
