package zentrel.lit;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.ArrayList;
import java.util.List;

/**
 * From where somebody looks. Immutable: looking around gives another one.
 *
 * @param target what is in the middle
 * @param bearing in which direction is looked, degrees clockwise from away
 * @param elevation how far from above, degrees: 90 straight down, 0 level
 * @param distance from the eye to the target, metres
 * @param parallel whether what is far away stays as large, as in a plan
 */
@RecordBuilder
public record Camera(Vector target, double bearing, double elevation, double distance, boolean parallel)
        implements CameraBuilder.With {
    /** Half of what is seen from the upper to the lower edge, as a tangent: 45 degrees in all. */
    private static final double HALF = Math.tan(Math.toRadians(22.5));

    private static final double NEAREST = 0.3;
    private static final double FARTHEST = 50_000;
    private static final double LOWEST = -89;

    /** Nearer than this to the eye nothing is drawn. */
    private static final double NEAR = 0.05;

    private static final double MARGIN = 1.06;

    public Camera {
        bearing = ((bearing % 360) + 360) % 360;
        elevation = Math.max(LOWEST, Math.min(90, elevation));
        distance = Math.max(NEAREST, Math.min(FARTHEST, distance));
    }

    /** From a place at another. */
    public static Camera between(Vector eye, Vector target) {
        Vector to = target.minus(eye);
        return new Camera(
                target,
                Math.toDegrees(Math.atan2(to.x(), to.y())),
                Math.toDegrees(Math.atan2(-to.z(), Math.hypot(to.x(), to.y()))),
                to.length(),
                false);
    }

    /** Where the eye is. */
    public Vector eye() {
        return target.minus(forward().times(distance));
    }

    /** In which direction is looked. */
    public Vector forward() {
        double b = Math.toRadians(bearing);
        double e = Math.toRadians(elevation);
        return new Vector(Math.sin(b) * Math.cos(e), Math.cos(b) * Math.cos(e), -Math.sin(e));
    }

    /** What is to the right in the picture. */
    public Vector right() {
        double b = Math.toRadians(bearing);
        return new Vector(Math.cos(b), -Math.sin(b), 0);
    }

    /** What is upwards in the picture. */
    public Vector up() {
        return right().cross(forward());
    }

    // --- looking around ---

    /** Around the target. */
    public Camera orbited(double degreesRight, double degreesUp) {
        return withBearing(bearing + degreesRight).withElevation(elevation + degreesUp);
    }

    /** Sideways and up, as parts of what is seen from edge to edge. */
    public Camera panned(double right, double up) {
        double seen = 2 * HALF * distance;
        return withTarget(target.plus(right().times(right * seen)).plus(up().times(up * seen)));
    }

    /** Nearer below 1, farther above it. */
    public Camera dollied(double by) {
        return withDistance(distance * by);
    }

    /** Over the ground, in the direction in which is looked; the faster the farther one is away. */
    public Camera walked(double forward, double right) {
        double step = Math.max(0.2, distance * 0.06);
        double b = Math.toRadians(bearing);
        Vector ahead = new Vector(Math.sin(b), Math.cos(b), 0);
        return withTarget(target.plus(ahead.times(forward * step)).plus(right().times(right * step)));
    }

    /** In the same direction, so that all of a box is seen. */
    public Camera fitted(Bounds bounds, double aspect) {
        Vector middle = bounds.middle();
        double needed = NEAREST;
        for (Vector corner : bounds.corners()) {
            Vector from = corner.minus(middle);
            double across = Math.abs(from.dot(right())) / Math.max(0.1, aspect);
            double height = Math.abs(from.dot(up()));
            double toEye = parallel ? 0 : -from.dot(forward());
            needed = Math.max(needed, Math.max(across, height) / HALF + toEye);
        }
        return withTarget(middle).withDistance(needed * MARGIN);
    }

    // --- onto the screen ---

    /** What is seen on a screen of a size. */
    public View on(double width, double height) {
        return new View(this, width, height);
    }

    /** A place on the screen. */
    public record Spot(double x, double y, double depth) {}

    /** What a camera sees on a screen; the basis is worked out once. */
    public static final class View {
        private final Camera camera;
        private final double width;
        private final double height;
        private final Vector eye;
        private final Vector right;
        private final Vector up;
        private final Vector forward;
        private final double scale;

        private View(Camera camera, double width, double height) {
            this.camera = camera;
            this.width = width;
            this.height = height;
            eye = camera.eye();
            right = camera.right();
            up = camera.up();
            forward = camera.forward();
            scale = height / 2 / HALF;
        }

        public Camera camera() {
            return camera;
        }

        /** Screen pixels to the metre at a depth. */
        public double scale(double depth) {
            return scale / (camera.parallel() ? camera.distance() : depth);
        }

        /** How far a place is from the eye, in the direction in which is looked. */
        public double depth(Vector at) {
            return at.minus(eye).dot(forward);
        }

        /** Whether a place is in front of the eye. */
        public boolean isAhead(Vector at) {
            return camera.parallel() || depth(at) > NEAR;
        }

        /** A place that is in front of the eye, on the screen. */
        public Spot spot(Vector at) {
            Vector from = at.minus(eye);
            double depth = from.dot(forward);
            double s = scale(depth);
            return new Spot(width / 2 + from.dot(right) * s, height / 2 - from.dot(up) * s, depth);
        }

        /** The part of an outline that is in front of the eye; empty where none is. */
        public List<Spot> outline(List<Vector> corners) {
            List<Spot> spots = new ArrayList<>();
            for (int i = 0; i < corners.size(); i++) {
                Vector a = corners.get(i);
                Vector b = corners.get((i + 1) % corners.size());
                boolean seesA = isAhead(a);
                if (seesA) {
                    spots.add(spot(a));
                }
                if (seesA != isAhead(b)) {
                    spots.add(spot(cut(a, b)));
                }
            }
            return spots;
        }

        /** The part of a line that is in front of the eye: two spots, or none. */
        public List<Spot> line(Vector a, Vector b) {
            boolean seesA = isAhead(a);
            boolean seesB = isAhead(b);
            if (!seesA && !seesB) {
                return List.of();
            }
            return List.of(spot(seesA ? a : cut(a, b)), spot(seesB ? b : cut(a, b)));
        }

        private Vector cut(Vector a, Vector b) {
            double from = depth(a) - NEAR;
            double to = depth(b) - NEAR;
            return a.plus(b.minus(a).times(from / (from - to))).plus(forward.times(NEAR / 100));
        }

        /**
         * Many places at once, in plain loops.
         *
         * @param points x, y and z of each in turn
         * @param into x, y and the screen pixels to the metre of each in turn; no number where it is behind the eye
         */
        public void spots(float[] points, float[] into) {
            boolean parallel = camera.parallel();
            for (int i = 0; i + 2 < points.length; i += 3) {
                double x = points[i] - eye.x();
                double y = points[i + 1] - eye.y();
                double z = points[i + 2] - eye.z();
                double depth = x * forward.x() + y * forward.y() + z * forward.z();
                if (!parallel && depth <= NEAR) {
                    into[i] = Float.NaN;
                    continue;
                }
                double s = scale / (parallel ? camera.distance() : depth);
                into[i] = (float) (width / 2 + (x * right.x() + y * right.y() + z * right.z()) * s);
                into[i + 1] = (float) (height / 2 - (x * up.x() + y * up.y() + z * up.z()) * s);
                into[i + 2] = (float) s;
            }
        }

        /** The line of sight through a spot of the screen. */
        public Ray ray(double x, double y) {
            double sideways = (x - width / 2) / scale;
            double upwards = (height / 2 - y) / scale;
            if (camera.parallel()) {
                Vector from =
                        eye.plus(right.times(sideways * camera.distance())).plus(up.times(upwards * camera.distance()));
                return new Ray(from.minus(forward.times(FARTHEST)), forward);
            }
            return new Ray(
                    eye,
                    forward.plus(right.times(sideways)).plus(up.times(upwards)).unit());
        }
    }
}
