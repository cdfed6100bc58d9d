package zentrel.app.lit;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import zentrel.check.Report;
import zentrel.gear.PlaceEdits;
import zentrel.lit.Beam;
import zentrel.lit.Bounds;
import zentrel.lit.FixtureLook;
import zentrel.lit.Lamp;
import zentrel.lit.LitPlan;
import zentrel.lit.LitPlan.DarkGroup;
import zentrel.lit.PixelPlaces;
import zentrel.lit.Place;
import zentrel.lit.Vector;
import zentrel.plan.Fixture;
import zentrel.plan.Id;
import zentrel.plan.Kind;
import zentrel.plan.PixelRun;
import zentrel.plan.Plan;

/** What the Lit view draws. Made off the JavaFX thread. */
final class LitSight {
    private final LitPlan lit;
    private final Place place;
    private final Bounds bounds;
    private final List<Placed> placed;
    private final Map<Id<PixelRun>, Lamp> runs;
    private final float[] points;
    private final List<DarkGroup> dark;

    private LitSight(LitPlan lit, Place place, List<Placed> placed, Map<Id<PixelRun>, Lamp> runs, float[] points) {
        this.lit = lit;
        this.place = place;
        bounds = Place.bounds(lit.plan());
        this.placed = List.copyOf(placed);
        this.runs = runs;
        this.points = points;
        dark = lit.dark();
    }

    LitPlan lit() {
        return lit;
    }

    Place place() {
        return place;
    }

    Bounds bounds() {
        return bounds;
    }

    /** The lamps that have a position, in the order of the plan. */
    List<Placed> placed() {
        return placed;
    }

    /** The fixtures that are shown by pixels of their own, by the run. */
    Map<Id<PixelRun>, Lamp> runs() {
        return runs;
    }

    /** Where each pixel is: x, y, z in turn; not to be changed. */
    float[] points() {
        return points;
    }

    List<DarkGroup> dark() {
        return dark;
    }

    /** A lamp with its place; it keeps where its light fell last, for most lamps stand still. */
    static final class Placed {
        private final Lamp lamp;
        private final Vector at;
        private Beam fallen;
        private List<Vector> falls;

        Placed(Lamp lamp, Vector at, Place place) {
            this.lamp = lamp;
            this.at = at;
            fallen = beam(lamp.full());
            falls = place.fallsOn(fallen, RIM);
        }

        Lamp lamp() {
            return lamp;
        }

        Fixture fixture() {
            return lamp.fixture();
        }

        Vector at() {
            return at;
        }

        Beam beam(FixtureLook look) {
            return Beam.of(at, lamp.fixture().use().aim(), lamp.optics(), look);
        }

        /** The outline of where a beam of this lamp falls; empty for the sky. */
        List<Vector> falls(Beam beam, Place place) {
            if (!beam.equals(fallen)) {
                fallen = beam;
                falls = place.fallsOn(beam, RIM);
            }
            return falls;
        }
    }

    /** Corners of the outline of where light falls. */
    static final int RIM = 18;

    static LitSight of(Report report) {
        return of(LitPlan.of(report.signalPaths()));
    }

    static LitSight of(LitPlan lit) {
        Plan plan = lit.plan();
        Place place = Place.of(plan.surroundings());
        Map<Id<Fixture>, Id<PixelRun>> shown = new HashMap<>();
        plan.pixelRuns().forEach(r -> r.fixture().ifPresent(f -> shown.putIfAbsent(f, r.id())));
        List<Placed> placed = new ArrayList<>();
        Map<Id<PixelRun>, Lamp> runs = new HashMap<>();
        for (Lamp lamp : lit.lamps()) {
            Optional<Id<PixelRun>> run =
                    Optional.ofNullable(shown.get(lamp.fixture().id()));
            run.ifPresent(r -> runs.put(r, lamp));
            if (run.isEmpty()) {
                lamp.fixture().use().position().ifPresent(at -> placed.add(new Placed(lamp, Vector.of(at), place)));
            }
        }
        return new LitSight(lit, place, placed, runs, points(lit));
    }

    private static float[] points(LitPlan lit) {
        float[] points = new float[3 * lit.pixels().count()];
        int next = 0;
        for (PixelRun run : lit.pixels().runs()) {
            PixelPlaces places = PixelPlaces.of(run);
            for (int i = 0; i < places.count(); i++) {
                Vector at = places.at(i);
                points[next++] = (float) at.x();
                points[next++] = (float) at.y();
                points[next++] = (float) at.z();
            }
        }
        return points;
    }

    Plan plan() {
        return lit.plan();
    }

    Optional<Placed> find(Id<?> id) {
        return placed.stream().filter(p -> p.fixture().id().equals(id)).findFirst();
    }

    /** The lamp of a fixture, wherever it is. */
    Optional<Lamp> lamp(Id<Fixture> id) {
        return lit.lamps().stream().filter(l -> l.fixture().id().equals(id)).findFirst();
    }

    /** Fixtures that have neither a position nor pixels. */
    List<Fixture> unplaced() {
        return lit.lamps().stream()
                .map(Lamp::fixture)
                .filter(f -> f.use().position().isEmpty())
                .filter(f ->
                        runs.values().stream().noneMatch(l -> l.fixture().id().equals(f.id())))
                .toList();
    }

    /** Where something is that can be gone to. */
    Optional<Vector> at(Id<?> id) {
        Optional<Vector> lamp = find(id).map(Placed::at);
        return lamp.or(() -> id.as(Kind.FIXTURE)
                        .flatMap(f -> runs.entrySet().stream()
                                .filter(e -> e.getValue().fixture().id().equals(f))
                                .map(Map.Entry::getKey)
                                .findFirst())
                        .flatMap(this::middle))
                .or(() -> id.as(Kind.PIXEL_RUN).flatMap(this::middle))
                .or(() -> PlaceEdits.at(plan(), id).map(Vector::of));
    }

    /** The middle pixel of a run. */
    private Optional<Vector> middle(Id<PixelRun> run) {
        for (int r = 0; r < lit.pixels().runs().size(); r++) {
            if (lit.pixels().runs().get(r).id().equals(run)) {
                return Optional.of(point((lit.pixels().first(r) + lit.pixels().first(r + 1)) / 2));
            }
        }
        return Optional.empty();
    }

    Vector point(int pixel) {
        return new Vector(points[3 * pixel], points[3 * pixel + 1], points[3 * pixel + 2]);
    }
}
