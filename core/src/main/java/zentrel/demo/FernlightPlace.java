package zentrel.demo;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import zentrel.gear.Spots;
import zentrel.plan.*;

/** The garden of the demo: what stands in it, where its fixtures are, and from where it is looked at; all of it invented. */
final class FernlightPlace {
    private static final String PICTURE = "trail-from-above.jpg";
    private static final int PICTURE_WIDTH = 1280;
    private static final int PICTURE_HEIGHT = 960;
    private static final double PICTURE_METRES = 64;

    /** Fixtures of a universe in places: the fixtures of universe 3 are numbered 301, 302 … */
    private record Row(FixtureAim aim, List<Position> places) {}

    private FernlightPlace() {}

    static Plan add(Plan plan) {
        Map<Integer, Row> rows = rows();
        List<Fixture> fixtures = plan.fixtures().stream()
                .map(f -> placed(f, rows.get(Integer.parseInt(f.number()) / 100)))
                .toList();
        return plan.with(Kind.FIXTURE, fixtures)
                .with(Kind.SURROUNDING, surroundings())
                .with(Kind.GROUND_PICTURE, List.of(picture()))
                .with(Kind.VIEWPOINT, viewpoints())
                .with(
                        Kind.PIXEL_RUN,
                        plan.pixelRuns().stream()
                                .map(r -> r.withPlacing(
                                        r.placing().withAt(arch(r.placing().at()))))
                                .toList());
    }

    private static Position arch(Position at) {
        return new Position(Math.round(10 * at.x() - 90) / 10.0, 30, at.z());
    }

    private static Fixture placed(Fixture f, @Nullable Row row) {
        int index = Integer.parseInt(f.number()) % 100 - 1;
        return row == null || index >= row.places().size()
                ? f
                : f.withUse(f.use()
                        .withPosition(Optional.of(row.places().get(index)))
                        .withAim(row.aim()));
    }

    private static Position at(double x, double y, double z) {
        return new Position(x, y, z);
    }

    private static FixtureAim standing(double turn, double tilt) {
        return new FixtureAim(true, turn, tilt);
    }

    private static FixtureAim hung(double turn, double tilt) {
        return new FixtureAim(false, turn, tilt);
    }

    private static Map<Integer, Row> rows() {
        return Map.ofEntries(
                Map.entry(1, new Row(standing(0, 60), Spots.line(at(-9, 12.5, 0.2), at(-1, 12.5, 0.2), 12))),
                Map.entry(2, new Row(hung(180, 0), Spots.line(at(-9, 22, 3.5), at(-1, 22, 3.5), 9))),
                Map.entry(3, new Row(hung(0, 20), Spots.line(at(11, 13, 3.2), at(21, 13, 3.2), 10))),
                Map.entry(4, new Row(hung(0, 25), Spots.line(at(26.3, 18.6, 5), at(33.7, 18.6, 5), 10))),
                Map.entry(5, new Row(standing(0, 20), Spots.line(at(26.2, 18.8, 0.2), at(33.8, 18.8, 0.2), 12))),
                Map.entry(6, new Row(hung(0, 0), Spots.line(at(23.2, 7.5, 1.8), at(23.2, 15, 1.8), 8))),
                Map.entry(7, new Row(standing(90, 40), Spots.arc(at(9.5, 0, 0.2), 3.5, 300, 420, 9))),
                Map.entry(8, new Row(hung(0, 0), path())),
                Map.entry(9, new Row(standing(0, 0), Spots.arc(at(-8, 28, 0.1), 1.2, 0, 360, 6))),
                Map.entry(10, new Row(standing(180, 60), Spots.line(at(0, -4, 0.6), at(8, -4, 0.6), 9))),
                Map.entry(20, new Row(standing(0, 15), orchard(1.8, 0.2, 11))),
                Map.entry(21, new Row(hung(0, 0), orchard(0.9, 2.6, 9))),
                Map.entry(22, new Row(standing(0, 35), Spots.arc(at(41, 26.5, 0.2), 3, 0, 360, 8))),
                Map.entry(23, new Row(hung(0, 0), Spots.line(at(-9, 2, 3), at(-2, 2, 3), 6))));
    }

    /** Along the path, one every few metres. */
    private static List<Position> path() {
        List<Position> spots = new ArrayList<>(Spots.line(at(5, -4, 1), at(5, 2, 1), 3));
        spots.addAll(Spots.line(at(7, 8, 1), at(9.5, 12, 1), 2));
        spots.addAll(Spots.line(at(22, 18.4, 1), at(46, 11, 1), 7));
        return spots;
    }

    private static List<Position> trees() {
        List<Position> trees = new ArrayList<>(Spots.grid(at(38, 3, 0), 3, 4, 1, 3));
        trees.addAll(Spots.grid(at(38, 17, 0), 3, 4, 1, 3));
        return trees;
    }

    /** Round about the trees, two at each. */
    private static List<Position> orchard(double out, double height, int count) {
        List<Position> spots = new ArrayList<>();
        List<Position> trees = trees();
        for (int i = 0; i < count; i++) {
            Position tree = trees.get(i / 2 % trees.size());
            spots.add(at(tree.x() + (i % 2 == 0 ? -out : out), tree.y() - 1.7, height));
        }
        return spots;
    }

    private static Surrounding body(
            String id, String name, BodyForm form, Position at, double width, double depth, double height) {
        return new Surrounding(Kind.SURROUNDING.id(id), name, form, at, new BodySize(width, depth, height), 0);
    }

    private static List<Surrounding> surroundings() {
        List<Surrounding> all = new ArrayList<>(List.of(
                body("glasshouse-house", "Glasshouse", BodyForm.BLOCK, at(-5, 17.5, 0), 8, 5, 3.4),
                body("boathouse-house", "Boathouse", BodyForm.BLOCK, at(30, 23, 0), 8, 6, 5.2),
                body("bridge-deck", "Bridge", BodyForm.PLATFORM, at(16, 14.5, 0), 11, 3.2, 0.5),
                body("jetty-deck", "Jetty", BodyForm.PLATFORM, at(22, 11.4, 0), 2, 8, 0.4),
                body("hut-house", "Hut", BodyForm.BLOCK, at(-6, -2, 0), 3, 2.4, 2.4),
                body("terrace-floor", "Terrace", BodyForm.FLOOR, at(-5.5, 3, 0), 8, 5, 0),
                body("fountain-basin", "Fountain", BodyForm.STEPS, at(-8, 28, 0), 3, 3, 0.5)));
        int number = 1;
        for (Position tree : trees()) {
            all.add(body("tree-" + number, "Tree " + number, BodyForm.TREE, tree, 3, 3, 5));
            number++;
        }
        number = 1;
        for (Position rock : List.of(at(40, 26, 0), at(41.5, 27, 0), at(42.6, 25.4, 0), at(39.4, 28, 0))) {
            all.add(body("rock-" + number, "Rock " + number, BodyForm.BLOCK, rock, 1.6, 1.6, 0.9));
            number++;
        }
        return all;
    }

    private static GroundPicture picture() {
        return new GroundPicture(
                Kind.GROUND_PICTURE.id("from-above"),
                "Trail from above",
                at(-12, -6, 0),
                0,
                new KnownLength(0, 0, PICTURE_WIDTH, 0, PICTURE_METRES),
                PictureFile.of(PICTURE_WIDTH, PICTURE_HEIGHT, bytes()));
    }

    private static byte[] bytes() {
        try (InputStream in =
                Objects.requireNonNull(FernlightPlace.class.getResourceAsStream(PICTURE), "the picture of the demo")) {
            return in.readAllBytes();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static List<Viewpoint> viewpoints() {
        return List.of(
                view("hut-view", "Hut", at(-6, -14, 6), at(6, 10, 0)),
                view("canal-view", "Canal side", at(13, -12, 9), at(17, 14, 1)),
                view("bridge-view", "Bridge", at(9, 10, 2.2), at(18, 15, 1.5)),
                view("boathouse-view", "Boathouse", at(24, 8, 2.4), at(30, 20, 2)),
                view("tunnel-view", "Pergola tunnel", at(1, 22, 2.2), at(1.5, 30, 1.4)));
    }

    private static Viewpoint view(String id, String name, Position eye, Position target) {
        return new Viewpoint(Kind.VIEWPOINT.id(id), name, eye, target);
    }
}
