package zentrel.lit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import zentrel.command.Commands;
import zentrel.demo.FernlightTrail;
import zentrel.gear.Library;
import zentrel.gear.PlaceEdits;
import zentrel.gear.Spots;
import zentrel.path.SignalPaths;
import zentrel.path.Verdict;
import zentrel.plan.*;

/** Where light falls, what levels show, how it is seen, and why a fixture is dark; the worked values are plain geometry. */
class LitTest {
    private static final double CLOSE = 1e-6;

    private static Surrounding body(
            BodyForm form, double x, double y, double z, double w, double d, double h, double turn) {
        return new Surrounding(
                Kind.SURROUNDING.id(form.word() + x),
                form.word(),
                form,
                new Position(x, y, z),
                new BodySize(w, d, h),
                turn);
    }

    private static FixtureLook head(double pan, double tilt) {
        return FixtureLook.DARK.withMoves(true).withPan(pan).withTilt(tilt).withRed(1);
    }

    /** Pan turns about the vertical, tilt lifts out of it: where the middle of the beam meets the ground. */
    @ParameterizedTest(name = "at {0}, {1}, turn {2} tilt {3}, pan {4} of 540, tilt {5} of 270: {6}")
    @CsvSource({
        "0/0/4, hung, 0, 0, 0.5, 0.5, 0/0/0",
        "0/0/5, hung, 0, 0, 0.5, 0.6666666667, 0/5/0", // tilt 45°: as far away as it is high
        "0/0/5, hung, 0, 0, 0.6666666667, 0.6666666667, -5/0/0", // pan 90° counterclockwise from above: to the left
        "0/0/5, hung, 90, 0, 0.5, 0.6666666667, 5/0/0", // the base turned clockwise: to the right
        "0/0/5, hung, 0, 0, 0.5, 0.3333333333, 0/-5/0",
        "2/3/3, hung, 180, 45, fixed, 0, 2/0/0",
        "2/3/3, hung, 0, 60, fixed, 0, 2/8.196152/0", // 3 · tan 60°
        "0/0/2, standing, 0, 135, fixed, 0, 0/2/0",
        "0/0/0.2, standing, 0, 0, fixed, 0, sky"
    })
    void beamsFallWhereTheirAnglesLead(
            String at, String hangs, double turn, double tilt, String pan, double tilted, String falls) {
        FixtureAim aim = new FixtureAim(hangs.equals("standing"), turn, tilt);
        FixtureLook look = pan.equals("fixed") ? FixtureLook.DARK : head(Double.parseDouble(pan), tilted);
        Beam beam = Beam.of(vector(at), aim, FixtureOptics.USUAL, look);
        Optional<Place.Hit> hit = Place.of(List.of()).hit(beam.middle());
        if (falls.equals("sky")) {
            assertThat(hit).isEmpty();
        } else {
            assertThat(hit.orElseThrow().at().minus(vector(falls)).length()).isLessThan(1e-5);
        }
    }

    private static Vector vector(String text) {
        double[] v = Arrays.stream(text.split("/", -1))
                .mapToDouble(Double::parseDouble)
                .toArray();
        return new Vector(v[0], v[1], v[2]);
    }

    /** A beam of 30° from 4 m falls as a circle of 4 · tan 15° = 1.0718 m; half way through its zoom of 10° to 50° it has 30°. */
    @Test
    void beamsAreAsWideAsTheirAngle() {
        FixtureOptics optics = new FixtureOptics(10, 50, 540, 270);
        Beam beam = Beam.of(new Vector(1, 2, 4), FixtureAim.DOWN, optics, FixtureLook.DARK.withZoom(0.5));
        assertThat(beam.angle()).isEqualTo(30);
        assertThat(Place.of(List.of()).fallsOn(beam, 36)).hasSize(36).allSatisfy(v -> {
            assertThat(v.z()).isCloseTo(0, within(CLOSE));
            assertThat(Math.hypot(v.x() - 1, v.y() - 2)).isCloseTo(4 * Math.tan(Math.toRadians(15)), within(CLOSE));
        });
    }

    /** Bodies are met before the ground: a wall, a turned wall, a platform; from within a room its far wall. */
    @Test
    void bodiesAreMetBeforeTheGround() {
        Ray level = new Ray(new Vector(0, 0, 1), new Vector(0, 1, 0));
        Place wall = Place.of(List.of(body(BodyForm.WALL, 0, 5, 0, 4, 0.2, 3, 0)));
        assertThat(wall.hit(level).orElseThrow().distance()).isCloseTo(4.9, within(CLOSE));
        assertThat(wall.hit(level).orElseThrow().normal()).isEqualTo(new Vector(0, -1, 0));
        Place turned = Place.of(List.of(body(BodyForm.WALL, 0, 5, 0, 4, 0.2, 3, 45)));
        assertThat(turned.hit(level).orElseThrow().distance())
                .as("half the thickness along a slope of 45°")
                .isCloseTo(5 - 0.1 * Math.sqrt(2), within(CLOSE));
        Place above = Place.of(List.of(body(BodyForm.WALL, 0, 5, 2, 4, 0.2, 3, 0)));
        assertThat(above.hit(level)).as("it passes below").isEmpty();
        Ray down = new Ray(new Vector(0, 5, 4), new Vector(0, 0, -1));
        Place platform = Place.of(List.of(body(BodyForm.PLATFORM, 0, 5, 0, 2, 2, 0.8, 0)));
        assertThat(platform.hit(down).orElseThrow().distance()).isCloseTo(3.2, within(CLOSE));
        assertThat(platform.under(0.9, 5.9)).isEqualTo(0.8);
        assertThat(platform.under(1.1, 5)).isZero();
        Place room = Place.of(List.of(body(BodyForm.ROOM, 0, 0, 0, 10, 8, 4, 0)));
        assertThat(room.hit(level).orElseThrow().distance()).isCloseTo(4, within(CLOSE));
        Place tree = Place.of(List.of(body(BodyForm.TREE, 0, 0, 0, 3, 3, 5, 0)));
        assertThat(tree.hit(level)).as("a lamp in a tree shines out of it").isEmpty();
    }

    /** Pointed at a place, the middle of a fixed beam meets it. */
    @Test
    void whatIsPointedAtAPlaceMeetsIt() {
        Random random = new Random(5);
        for (int i = 0; i < 300; i++) {
            Position from = new Position(random.nextDouble(-9, 9), random.nextDouble(-9, 9), random.nextDouble(1, 8));
            Position at = new Position(random.nextDouble(-9, 9), random.nextDouble(-9, 9), 0);
            FixtureAim aim = new FixtureAim(random.nextBoolean(), 0, 0).pointed(from, at);
            Beam beam = Beam.of(Vector.of(from), aim, FixtureOptics.USUAL, FixtureLook.DARK);
            double away = from.distance(at);
            Vector meets = beam.middle().at(away);
            assertThat(meets.minus(Vector.of(at)).length())
                    .as("%s to %s by %s", from, at, aim) // an aim is kept to a tenth of a degree
                    .isLessThan(away * Math.toRadians(0.1) + 0.001);
        }
    }

    /** Levels and what a screen shows of them; additive and subtractive mixing as usual. */
    @ParameterizedTest(name = "{0} at {1}: {2}")
    @CsvSource(
            delimiter = '|',
            value = {
                "dimmer, red, green, blue | 255 255 128 0 | FF8000",
                "dimmer, red, green, blue | 128 255 255 255 | 808080",
                "red, green, blue | 10 20 30 | 0A141E",
                "red, green, blue, white | 0 0 0 128 | 808080",
                "red, green, blue, white | 255 0 0 255 | FF8080", // scaled down, the hue stays
                "red, green, blue, amber | 0 0 0 255 | FFA600",
                "dimmer, cyan, magenta, yellow | 255 0 255 255 | FF0000",
                "dimmer, cyan, magenta, yellow | 255 255 0 0 | 00FFFF",
                "dimmer, white temperature | 255 255 | FFA659",
                "dimmer, shutter | 255 0 | 000000",
                "dimmer, shutter | 255 255 | FFFFFF",
                "dimmer, dimmer fine | 127 255 | 7F7F7F", // 32767 of 65535, a little less than half
                "dimmer, pan, tilt | 0 128 128 | 000000",
                "red 1, green 1, blue 1, red 2, green 2, blue 2 | 255 0 0 0 0 255 | 800080",
                "'' | 77 | 4D4D4D",
                "reset, speed, macro | 3 200 9 | C8C8C8"
            })
    void levelsShowAsColours(String slots, String levels, String shown) {
        List<String> names = List.of(slots.replace("'", "").split(", ", -1));
        int[] at =
                Arrays.stream(levels.split(" ", -1)).mapToInt(Integer::parseInt).toArray();
        FixtureReader reader = FixtureReader.of(Optional.of(new FixtureMode("", List.of(names))), List.of(at.length));
        FixtureLook look = reader.read((part, slot) -> at[slot]);
        assertThat(String.format(Locale.ROOT, "%06X", look.screen() & 0xFFFFFF)).isEqualTo(shown);
    }

    @Test
    void headsMoveByCoarseAndFine() {
        FixtureReader reader = FixtureReader.of(
                Optional.of(new FixtureMode(
                        "", List.of(List.of("dimmer", "pan", "pan fine", "tilt", "zoom", "strobe", "red 1", "red 2")))),
                List.of(8));
        int[] at = {255, 128, 0, 64, 51, 128, 255, 0};
        FixtureLook look = reader.read((part, slot) -> at[slot]);
        assertThat(look.pan()).isCloseTo(128 * 256 / 65535.0, within(CLOSE));
        assertThat(look.tilt()).isCloseTo(64 / 255.0, within(CLOSE));
        assertThat(look.zoom()).isCloseTo(0.2, within(CLOSE));
        assertThat(look.strobe()).isGreaterThan(1);
        assertThat(look.cells()).containsExactly(0xFFFF0000, 0xFF000000);
        assertThat(reader.moves()).isTrue();
    }

    // --- looking ---

    /** A line of sight through the spot of a place meets the place; what is fitted is in the picture; behind the eye is nothing. */
    @Test
    void whatIsSeenIsWhereItIs() {
        Random random = new Random(9);
        for (int i = 0; i < 400; i++) {
            Camera camera = new Camera(
                    new Vector(random.nextDouble(-9, 9), random.nextDouble(-9, 9), random.nextDouble(0, 3)),
                    random.nextDouble(0, 360),
                    random.nextDouble(-80, 90),
                    random.nextDouble(1, 60),
                    random.nextBoolean());
            Vector at = new Vector(random.nextDouble(-30, 30), random.nextDouble(-30, 30), random.nextDouble(0, 9));
            Camera.View view = camera.on(800, 500);
            Camera.Spot middle = view.spot(camera.target());
            assertThat(middle.x()).isCloseTo(400, within(1e-3));
            assertThat(middle.y()).isCloseTo(250, within(1e-3));
            if (view.isAhead(at)) {
                Camera.Spot spot = view.spot(at);
                Ray ray = view.ray(spot.x(), spot.y());
                double along = at.minus(ray.from()).dot(ray.direction());
                assertThat(ray.at(along).minus(at).length()).isLessThan(1e-4 * (1 + Math.abs(along)));
                float[] packed = new float[3];
                view.spots(new float[] {(float) at.x(), (float) at.y(), (float) at.z()}, packed);
                assertThat((double) packed[0]).isCloseTo(spot.x(), within(0.1 + Math.abs(spot.x()) * 1e-3));
            }
            assertThat(Camera.between(camera.eye(), camera.target())
                            .forward()
                            .minus(camera.forward())
                            .length())
                    .isLessThan(1e-5);
        }
        Bounds bounds = Place.bounds(FernlightTrail.ready());
        for (int bearing = 0; bearing < 360; bearing += 15) {
            for (double elevation : new double[] {0, 30, 60, 90}) {
                Camera fitted = new Camera(new Vector(0, 0, 0), bearing, elevation, 1, false).fitted(bounds, 1.6);
                Camera.View view = fitted.on(800, 500);
                assertThat(bounds.corners()).allSatisfy(c -> {
                    assertThat(view.isAhead(c)).isTrue();
                    assertThat(view.spot(c).x()).isBetween(0.0, 800.0);
                    assertThat(view.spot(c).y()).isBetween(0.0, 500.0);
                });
            }
        }
        Camera.View view =
                Camera.between(new Vector(0, 0, 1), new Vector(0, 1, 1)).on(800, 500);
        assertThat(view.line(new Vector(0, -5, 0), new Vector(1, -9, 0))).isEmpty();
        assertThat(view.outline(List.of(new Vector(-1, -5, 0), new Vector(1, -5, 0), new Vector(0, 9, 0))))
                .hasSize(3)
                .allSatisfy(s -> assertThat(s.depth()).isPositive());
    }

    // --- the place ---

    /** A length that was wrong is corrected: what stands on the picture follows, heights stay, and it can be taken back. */
    @Test
    void aPictureIsScaledAndWhatStandsOnItFollows() {
        Plan plan = FernlightTrail.ready();
        GroundPicture picture = plan.groundPictures().get(0);
        Plan half = PlaceEdits.known(picture, picture.known().withMetres(32)).applyTo(plan);
        Position corner = picture.position();
        Fixture before = plan.index().fixture(Kind.FIXTURE.id("f501"));
        Position was = before.use().position().orElseThrow();
        Position is = half.index().fixture(before.id()).use().position().orElseThrow();
        assertThat(is.x()).isCloseTo(corner.x() + (was.x() - corner.x()) / 2, within(0.001));
        assertThat(is.y()).isCloseTo(corner.y() + (was.y() - corner.y()) / 2, within(0.001));
        assertThat(is.z()).isEqualTo(was.z());
        Surrounding house = half.index().get(Kind.SURROUNDING.id("boathouse-house"));
        assertThat(house.size()).isEqualTo(new BodySize(4, 3, 5.2));
        GroundPicture scaled = half.groundPictures().get(0);
        assertThat(scaled.width()).isEqualTo(32);
        assertThat(scaled.across(is.x(), is.y()) / scaled.width())
                .as("it stands on the same spot of the picture")
                .isCloseTo(picture.across(was.x(), was.y()) / picture.width(), within(1e-4));
        Plan back = PlaceEdits.known(scaled, picture.known()).applyTo(half);
        assertThat(back.index()
                        .fixture(before.id())
                        .use()
                        .position()
                        .orElseThrow()
                        .distance(was))
                .isLessThan(0.002);
    }

    @Test
    void aTurnedPictureKnowsItsSpots() {
        GroundPicture turned = new GroundPicture(
                Kind.GROUND_PICTURE.id("g"),
                "G",
                new Position(3, 4, 0),
                90,
                new KnownLength(0, 0, 100, 0, 10),
                PictureFile.of(200, 100, new byte[] {1}));
        assertThat(turned.place(0, 100)).isEqualTo(new Position(3, 4, 0));
        assertThat(turned.place(100, 100).distance(new Position(3, -6, 0)))
                .as("its lower edge leads towards the front")
                .isLessThan(1e-9);
        assertThat(turned.across(3, -6)).isCloseTo(10, within(1e-9));
        assertThat(turned.covers(12, -10)).isTrue();
        assertThat(turned.covers(2, -10)).isFalse();
    }

    @Test
    void placesAlongALineAnArcAndAGrid() {
        assertThat(Spots.line(new Position(0, 0, 4), new Position(6, 3, 4), 4))
                .containsExactly(
                        new Position(0, 0, 4), new Position(2, 1, 4), new Position(4, 2, 4), new Position(6, 3, 4));
        assertThat(Spots.arc(new Position(1, 1, 0), 2, 0, 360, 4))
                .containsExactly(
                        new Position(1, 3, 0), new Position(3, 1, 0), new Position(1, -1, 0), new Position(-1, 1, 0));
        assertThat(Spots.grid(new Position(0, 0, 0), 2, 1.5, 2, 3))
                .containsExactly(new Position(0, 0, 0), new Position(1.5, 0, 0), new Position(0, 2, 0));
    }

    /** Several bodies of one line stand where it says, each with a name of its own, on what is under them. */
    @Test
    void severalBodiesAreBuilt() {
        Plan plan = FernlightTrail.ready();
        Plan after = new Commands(plan, Library.shipped(), null)
                .read("build 3 pole Lamp of 0.1x0.1x3 from 22/9/0 to 22/13/0")
                .offers()
                .get(0)
                .work()
                .get()
                .edit()
                .applyTo(plan);
        assertThat(after.surroundings()
                        .subList(
                                plan.surroundings().size(), after.surroundings().size()))
                .extracting(s -> s.name() + " at " + s.position())
                .containsExactly("Lamp 1 at 22 / 9 / 0.4", "Lamp 2 at 22 / 11 / 0.4", "Lamp 3 at 22 / 13 / 0.4");
    }

    /** Bad lines are refused in a sentence; good ones do what they say. */
    @ParameterizedTest
    @ValueSource(
            strings = {
                "build castle of 3x3x3 at 0/0/0",
                "build 0 tree of 3x3x5 from 0/0/0 to 9/0/0",
                "build wall of 0 x 2 at 0/0/0",
                "build wall of 8 by 3 at 0/0/0",
                "build wall of 99999x1x1 at 0/0/0",
                "hang 101-104 from 0/0 to 4/4/4",
                "hang 101-104 around 0/0/0 radius far",
                "hang 99991 at 0/0/0",
                "point 101-104 at the platform",
                "view gate from 0/0/0 to 0/0/0",
                "shift 101-104 by 2",
                "turn 101-104 by a bit"
            })
    void badLinesAreRefused(String line) {
        Commands.Reading reading = new Commands(FernlightTrail.ready(), Library.shipped(), null).read(line);
        if (reading.offers().isEmpty()) {
            assertThat(reading.why().orElseThrow()).hasSizeGreaterThan(20);
        } else {
            assertThatThrownBy(() -> reading.offers().get(0).work().get())
                    .isInstanceOf(IllegalArgumentException.class)
                    .hasMessageMatching("(?s).{20,}");
        }
    }

    // --- why it is dark ---

    /** A fixture is dark where one of its paths is needed and none arrives, each with a cause; of the whole plan, none is. */
    @Test
    void eachFaultIsSeenAsDarkness() {
        assertThat(LitPlan.of(new SignalPaths(FernlightTrail.ready())).dark()).isEmpty();
        SignalPaths paths = new SignalPaths(FernlightTrail.draft());
        LitPlan lit = LitPlan.of(paths);
        Set<String> dark = new HashSet<>();
        for (Lamp lamp : lit.lamps()) {
            boolean reached =
                    paths.ofFixture(lamp.fixture().id()).paths().stream().anyMatch(p -> p.verdict() != Verdict.BROKEN);
            assertThat(lamp.dark().isEmpty()).as(lamp.fixture().label()).isEqualTo(reached);
            lamp.dark().ifPresent(d -> dark.add(d.rule()));
        }
        Set<String> rules = lit.dark().stream().map(g -> g.dark().rule()).collect(Collectors.toSet());
        assertThat(rules).isEqualTo(dark);
        assertThat(rules)
                .contains(
                        "universe.off-by-one",
                        "port.direction",
                        "universe.protocol-differs",
                        "port.disabled",
                        "adapter.unplugged",
                        "patch.past-end");
        assertThat(lit.dark()).allSatisfy(g -> assertThat(g.dark().text()).hasSizeGreaterThan(20));
        assertThat(lit.dark().stream().mapToInt(g -> g.fixtures().size()).sum()).isEqualTo((int)
                lit.lamps().stream().filter(l -> l.dark().isPresent()).count());
    }

    /** Levels come by the number of the port that is reached, each part of a fixture from its own universe. */
    @Test
    void levelsComeByThePortThatIsReached() {
        LitPlan lit = LitPlan.of(new SignalPaths(FernlightTrail.ready()));
        Lamp wash = lamp(lit, "f102");
        assertThat(wash.wires()).hasSize(1);
        byte[] levels = new byte[512];
        levels[18] = (byte) 255; // slot 19: its dimmer
        levels[20] = (byte) 255; // its shutter
        levels[27] = (byte) 255; // red
        FixtureLook look = wash.look(
                        w -> w.equals(wash.wires().get(0).orElseThrow()) ? Optional.of(levels) : Optional.empty())
                .orElseThrow();
        assertThat(look.hue()).isEqualTo(0xFFFF0000);
        assertThat(look.brightness()).isCloseTo(Math.pow(255 * 256 / 65535.0, 2), within(0.001));
        assertThat(wash.look(w -> Optional.empty())).as("not heard").isEmpty();
        assertThat(lamp(lit, "f1201").wires())
                .as("the second arch begins in U11 and goes on in U12")
                .hasSize(2)
                .doesNotHaveDuplicates();
    }

    private static Lamp lamp(LitPlan lit, String id) {
        return lit.lamps().stream()
                .filter(l -> l.fixture().id().value().equals(id))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void fixturesAreGroupedByWhatFeedsThem() {
        Plan plan = FernlightTrail.ready();
        List<LitGroups.Group> universes = LitGroups.of(plan, LitGroups.By.UNIVERSE);
        assertThat(universes.stream()
                        .filter(g -> g.name().startsWith("U5 "))
                        .findFirst()
                        .orElseThrow()
                        .fixtures())
                .hasSize(12);
        List<LitGroups.Group> nodes = LitGroups.of(plan, LitGroups.By.NODE);
        assertThat(nodes.stream()
                        .filter(g -> g.name().equals("Boathouse node"))
                        .findFirst()
                        .orElseThrow()
                        .fixtures())
                .contains(Kind.FIXTURE.id("f501"), Kind.FIXTURE.id("f401"));
        for (LitGroups.By by : LitGroups.By.values()) {
            Set<Id<Fixture>> all = LitGroups.of(plan, by).stream()
                    .flatMap(g -> g.fixtures().stream())
                    .collect(Collectors.toSet());
            assertThat(all).as(by.word()).hasSize(plan.fixtures().size());
        }
    }
}
