package zentrel.lit;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import zentrel.plan.GroundPicture;
import zentrel.plan.PixelRun;
import zentrel.plan.Plan;
import zentrel.plan.Surrounding;

/** The place of a plan: its bodies, and the ground at height 0 below them. */
public final class Place {
    /** Light that meets nothing is drawn so far, metres. */
    public static final double OPEN_SKY = 12;

    private static final double FARTHEST = 200;
    private static final double USUAL = 5;

    private final List<Body> bodies;

    private Place(List<Body> bodies) {
        this.bodies = bodies;
    }

    public static Place of(List<Surrounding> surroundings) {
        return new Place(surroundings.stream().map(Body::new).toList());
    }

    public List<Body> bodies() {
        return bodies;
    }

    /**
     * Where light falls.
     *
     * @param normal out of what it falls on, a metre long
     * @param on what it falls on; empty for the ground
     */
    public record Hit(Vector at, Vector normal, double distance, Optional<Surrounding> on) {}

    /** What light meets first; empty where it goes into the sky. */
    public Optional<Hit> hit(Ray ray) {
        return seen(ray).filter(h -> h.distance() <= FARTHEST);
    }

    /** What somebody sees along a line of sight, however far away; empty for the sky. */
    public Optional<Hit> seen(Ray ray) {
        @Nullable Hit best = ray.toHeight(0)
                .map(d -> new Hit(ray.at(d), Vector.UP, d, Optional.empty()))
                .orElse(null);
        for (Body body : bodies) { // a plain loop: it is asked for thousands of rays a second
            @Nullable Hit hit = body.hit(ray).orElse(null);
            if (hit != null && (best == null || hit.distance() <= best.distance())) {
                best = hit; // of a floor on the ground and the ground, the floor
            }
        }
        return Optional.ofNullable(best);
    }

    /** The height of what stands at a spot, on which other things can stand. */
    public double under(double x, double y) {
        return bodies.stream()
                .filter(b -> b.of().form().carries() && b.covers(x, y))
                .mapToDouble(b -> b.of().top())
                .max()
                .orElse(0);
    }

    /** The outline of where a beam falls, on the surface that its middle meets or on what is before it; empty where it meets none. */
    public List<Vector> fallsOn(Beam beam, int corners) {
        Optional<Hit> middle = hit(beam.middle());
        if (middle.isEmpty()) {
            return List.of();
        }
        List<Vector> outline = new ArrayList<>();
        for (Ray rim : beam.rim(corners)) {
            double onPlane =
                    rim.toPlane(middle.get().at(), middle.get().normal()).orElse(FARTHEST);
            double first = hit(rim).map(Hit::distance).orElse(FARTHEST); // what is met before, such as the ground below
            outline.add(rim.at(Math.min(FARTHEST, Math.min(onPlane, first))));
        }
        return outline;
    }

    /** The box around a plan's place and all that is in it; of an empty one, a few metres of ground. */
    public static Bounds bounds(Plan plan) {
        List<Vector> all = new ArrayList<>();
        for (Surrounding s : plan.surroundings()) {
            Body body = new Body(s);
            all.addAll(body.ring(0));
            all.addAll(body.ring(1));
        }
        for (GroundPicture g : plan.groundPictures()) {
            if (g.picture().isThere()) {
                all.add(Vector.of(g.place(0, 0)));
                all.add(Vector.of(g.place(g.picture().width(), 0)));
                all.add(Vector.of(g.place(0, g.picture().height())));
                all.add(Vector.of(g.place(g.picture().width(), g.picture().height())));
            }
        }
        plan.fixtures().forEach(f -> f.use().position().map(Vector::of).ifPresent(all::add));
        for (PixelRun run : plan.pixelRuns()) {
            PixelPlaces places = PixelPlaces.of(run);
            int last = places.count() - 1;
            for (int i = 0; i <= last; i += Math.max(1, last / 16)) {
                all.add(places.at(i));
            }
        }
        if (all.isEmpty()) {
            return new Bounds(new Vector(-USUAL, -USUAL, 0), new Vector(USUAL, USUAL, USUAL / 2));
        }
        Bounds bounds = Bounds.of(all.get(0));
        for (Vector each : all) {
            bounds = bounds.and(each);
        }
        return bounds;
    }
}
