package zentrel.lit;

import java.util.ArrayList;
import java.util.List;
import zentrel.plan.FixtureAim;
import zentrel.plan.FixtureOptics;

/**
 * The light of a fixture.
 *
 * @param angle of the whole beam, degrees
 */
public record Beam(Ray middle, double angle) {
    /**
     * The light of a fixture that shows something.
     *
     * <p>Pan turns the head counterclockwise seen from above where it hangs, tilt lifts it to where the aim's turn points; both are
     * in the middle at half of their range, where the light falls along the axis of the base (the direction of rotation follows the
     * right-hand rule around the axes of a hanging device: {@code GDTF_AXES} of the sources says how surely).
     */
    public static Beam of(Vector from, FixtureAim aim, FixtureOptics optics, FixtureLook look) {
        double turn = aim.turn();
        double tilt = aim.tilt();
        if (look.moves()) {
            double pan = (look.pan() - 0.5) * optics.pan();
            turn += aim.standing() ? pan : -pan;
            tilt += (look.tilt() - 0.5) * optics.tilt();
        }
        double angle = optics.beam() + (optics.wide() - optics.beam()) * look.zoom();
        return new Beam(new Ray(from, direction(aim.standing(), turn, tilt)), angle);
    }

    /** A direction of a turn and a tilt, degrees. */
    static Vector direction(boolean standing, double turn, double tilt) {
        double b = Math.toRadians(turn);
        double t = Math.toRadians(tilt);
        return new Vector(Math.sin(b) * Math.sin(t), Math.cos(b) * Math.sin(t), standing ? Math.cos(t) : -Math.cos(t));
    }

    /** Rays along its edge, around. */
    List<Ray> rim(int count) {
        Vector side = middle.direction().square();
        Vector other = middle.direction().cross(side);
        double out = Math.tan(Math.toRadians(angle / 2));
        List<Ray> rays = new ArrayList<>(count);
        for (int i = 0; i < count; i++) {
            double a = 2 * Math.PI * i / count;
            Vector towards =
                    middle.direction().plus(side.times(out * Math.cos(a))).plus(other.times(out * Math.sin(a)));
            rays.add(new Ray(middle.from(), towards.unit()));
        }
        return rays;
    }

    /** The outline of its end in the open, where it meets nothing. */
    public List<Vector> end(double distance, int corners) {
        return rim(corners).stream().map(r -> r.at(distance)).toList();
    }
}
