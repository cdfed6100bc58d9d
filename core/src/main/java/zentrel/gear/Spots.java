package zentrel.gear;

import java.util.ArrayList;
import java.util.List;
import zentrel.plan.Position;

/** Places for several things: along a line, on an arc, in a grid. */
public final class Spots {
    private Spots() {}

    /** Evenly from a place to another, both of them taken; a single one is in the middle. */
    public static List<Position> line(Position from, Position to, int count) {
        List<Position> spots = new ArrayList<>(count);
        for (int i = 0; i < count; i++) {
            double part = count == 1 ? 0.5 : (double) i / (count - 1);
            spots.add(rounded(
                    from.x() + (to.x() - from.x()) * part,
                    from.y() + (to.y() - from.y()) * part,
                    from.z() + (to.z() - from.z()) * part));
        }
        return spots;
    }

    /**
     * Evenly on an arc.
     *
     * @param from where the first is, degrees clockwise from away; the last is at {@code to}
     * @param to a whole turn from the first, none is put there twice
     */
    public static List<Position> arc(Position middle, double radius, double from, double to, int count) {
        boolean whole = Math.abs(to - from) >= 360;
        List<Position> spots = new ArrayList<>(count);
        for (int i = 0; i < count; i++) {
            double part = count == 1 ? 0 : (double) i / (whole ? count : count - 1);
            double angle = Math.toRadians(from + (to - from) * part);
            spots.add(
                    rounded(middle.x() + radius * Math.sin(angle), middle.y() + radius * Math.cos(angle), middle.z()));
        }
        return spots;
    }

    /** Row by row away from a corner, so many to the right. */
    public static List<Position> grid(Position corner, int columns, double right, double away, int count) {
        List<Position> spots = new ArrayList<>(count);
        for (int i = 0; i < count; i++) {
            int row = i / columns;
            spots.add(rounded(corner.x() + i % columns * right, corner.y() + row * away, corner.z()));
        }
        return spots;
    }

    private static Position rounded(double x, double y, double z) {
        return new Position(millimetre(x), millimetre(y), millimetre(z));
    }

    static double millimetre(double metres) {
        return Math.round(metres * 1000) / 1000.0;
    }
}
