package zentrel.lit;

import java.util.ArrayList;
import java.util.List;

/** The box around what is there, metres. */
public record Bounds(Vector low, Vector high) {
    /** Around one place. */
    public static Bounds of(Vector at) {
        return new Bounds(at, at);
    }

    public Bounds and(Vector at) {
        return new Bounds(
                new Vector(Math.min(low.x(), at.x()), Math.min(low.y(), at.y()), Math.min(low.z(), at.z())),
                new Vector(Math.max(high.x(), at.x()), Math.max(high.y(), at.y()), Math.max(high.z(), at.z())));
    }

    public Vector middle() {
        return low.plus(high).times(0.5);
    }

    List<Vector> corners() {
        List<Vector> corners = new ArrayList<>();
        for (double x : new double[] {low.x(), high.x()}) {
            for (double y : new double[] {low.y(), high.y()}) {
                for (double z : new double[] {low.z(), high.z()}) {
                    corners.add(new Vector(x, y, z));
                }
            }
        }
        return corners;
    }

    /** The longest of its sides on the ground. */
    public double across() {
        return Math.max(high.x() - low.x(), high.y() - low.y());
    }
}
