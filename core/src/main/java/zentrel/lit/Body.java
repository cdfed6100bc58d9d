package zentrel.lit;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import zentrel.plan.BodyForm;
import zentrel.plan.Surrounding;

/** A surrounding as a box that light falls on; a tree and a pole are boxes too, which is near enough for where light falls. */
public final class Body {
    private static final double INSIDE = 1e-6;

    /** How thick what is flat counts. */
    private static final double THIN = 0.001;

    private final Surrounding of;
    private final double sin;
    private final double cos;
    private final double[] half;
    private final Vector middle;

    /** The square of the radius of the ball around it. */
    private final double around;

    Body(Surrounding of) {
        this.of = of;
        double angle = Math.toRadians(of.turn());
        sin = Math.sin(angle);
        cos = Math.cos(angle);
        double height = Math.max(THIN, of.size().height());
        half = new double[] {of.size().width() / 2, of.size().depth() / 2, height / 2};
        around = half[0] * half[0] + half[1] * half[1] + half[2] * half[2];
        middle = Vector.of(of.position()).plus(new Vector(0, 0, of.size().height() - height / 2));
    }

    public Surrounding of() {
        return of;
    }

    /** Into the body's own directions. */
    private Vector inner(Vector v) {
        return new Vector(v.x() * cos - v.y() * sin, v.x() * sin + v.y() * cos, v.z());
    }

    private Vector outer(Vector v) {
        return new Vector(v.x() * cos + v.y() * sin, -v.x() * sin + v.y() * cos, v.z());
    }

    /**
     * A corner.
     *
     * @param x −1 to its left, 1 to its right
     * @param y −1 near, 1 away
     * @param up 0 at its base, 1 on top
     */
    public Vector corner(double x, double y, double up) {
        return Vector.of(of.position())
                .plus(outer(new Vector(x * half[0], y * half[1], up * of.size().height())));
    }

    /** The corners of its base or of its top, around. */
    public List<Vector> ring(double up) {
        return List.of(corner(-1, -1, up), corner(1, -1, up), corner(1, 1, up), corner(-1, 1, up));
    }

    /** The outlines of its sides and of its top. */
    public List<List<Vector>> faces() {
        List<Vector> low = ring(0);
        List<Vector> high = ring(1);
        List<List<Vector>> faces = new ArrayList<>();
        if (of.size().height() > 0) {
            for (int i = 0; i < 4; i++) {
                int next = (i + 1) % 4;
                faces.add(List.of(low.get(i), low.get(next), high.get(next), high.get(i)));
            }
        }
        faces.add(high);
        return faces;
    }

    /** Whether a spot of the ground is below or above it. */
    boolean covers(double x, double y) {
        Vector in = inner(new Vector(x - of.position().x(), y - of.position().y(), 0));
        return Math.abs(in.x()) <= half[0] && Math.abs(in.y()) <= half[1];
    }

    /** Where light falls on it: from without onto its near side, from within a room onto its walls. */
    Optional<Place.Hit> hit(Ray ray) {
        Vector apart = middle.minus(ray.from());
        double along = apart.dot(ray.direction());
        if (apart.dot(apart) - along * along > around) {
            return Optional.empty(); // it passes the ball around the body
        }
        Vector from = inner(ray.from().minus(middle));
        Vector to = inner(ray.direction());
        double near = Double.NEGATIVE_INFINITY;
        double far = Double.POSITIVE_INFINITY;
        Vector nearNormal = Vector.UP;
        Vector farNormal = Vector.UP;
        double[] f = {from.x(), from.y(), from.z()};
        double[] t = {to.x(), to.y(), to.z()};
        for (int axis = 0; axis < 3; axis++) {
            if (Math.abs(t[axis]) < INSIDE) {
                if (Math.abs(f[axis]) > half[axis]) {
                    return Optional.empty();
                }
                continue;
            }
            double sign = Math.signum(t[axis]);
            double enters = (-sign * half[axis] - f[axis]) / t[axis];
            double leaves = (sign * half[axis] - f[axis]) / t[axis];
            if (enters > near) {
                near = enters;
                nearNormal = outer(axis(axis, -sign));
            }
            if (leaves < far) {
                far = leaves;
                farNormal = outer(axis(axis, -sign));
            }
        }
        if (near > far || far <= INSIDE) {
            return Optional.empty();
        }
        if (near > INSIDE) {
            return of.form() == BodyForm.ROOM
                    ? Optional.of(new Place.Hit(ray.at(far), farNormal, far, Optional.of(of)))
                    : Optional.of(new Place.Hit(ray.at(near), nearNormal, near, Optional.of(of)));
        }
        return of.form() == BodyForm.ROOM
                ? Optional.of(new Place.Hit(ray.at(far), farNormal, far, Optional.of(of)))
                : Optional.empty(); // what hangs in a tree shines out of it
    }

    private static Vector axis(int axis, double length) {
        return new Vector(axis == 0 ? length : 0, axis == 1 ? length : 0, axis == 2 ? length : 0);
    }
}
