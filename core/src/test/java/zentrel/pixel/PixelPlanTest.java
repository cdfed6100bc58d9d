package zentrel.pixel;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import zentrel.check.Check;
import zentrel.command.Commands;
import zentrel.demo.FernlightTrail;
import zentrel.entry.Entries;
import zentrel.entry.Field;
import zentrel.gear.DeviceFactory;
import zentrel.gear.Library;
import zentrel.gear.PixelEdits;
import zentrel.gear.PixelSpread;
import zentrel.plan.*;
import zentrel.table.TextTable;

/** Pixels of a plan: where they are, which slot lights them, and how they are tried. */
class PixelPlanTest {
    private static final Library LIBRARY = Library.shipped();

    private static PixelRun run(PixelShape shape, PixelWiring wiring, PixelPlacing placing) {
        return new PixelRun(Kind.PIXEL_RUN.id("r"), "Run", shape, wiring, PixelType.USUAL, placing, Optional.empty());
    }

    /** A plan with one controller of nine outputs, 720 pixels each. */
    private static Plan controller() {
        return DeviceFactory.boxes(
                        Plan.EMPTY,
                        LIBRARY,
                        LIBRARY.find("house/pixel-controller").orElseThrow(),
                        1,
                        "Floor controller",
                        "Hall")
                .edit()
                .applyTo(Plan.EMPTY);
    }

    private static Plan with(Plan plan, int count, PixelShape shape, PixelType type, int first) {
        return PixelEdits.add(
                        plan,
                        plan.receivers().get(0),
                        count,
                        "Strip",
                        shape,
                        type,
                        Optional.of(first),
                        Optional.empty())
                .applyTo(plan);
    }

    /** TRADE's worked value: 3060 RGB pixels on five outputs = 612 = 170 + 170 + 170 + 102, 20 universes (170 × 3 = 510 of 512). */
    @Test
    void theWorkedValueAsGearPortsAndFixtures() {
        Plan plan = with(controller(), 5, PixelShape.strip(612, 0.016), PixelType.USUAL, 31);
        ControllerSplit split = ControllerSplit.of(plan, plan.receivers().get(0).id());
        assertThat(split.pixels()).isEqualTo(3060);
        assertThat(split.universes()).isEqualTo(20);
        assertThat(plan.universes()).extracting(Universe::number).containsExactlyElementsOf(numbers(31, 50));
        assertThat(plan.fixtures()).hasSize(5);
        assertThat(plan.fixtures().get(1).breaks())
                .extracting(b -> plan.index().universe(b.universe()).number() + "/" + b.start() + "+" + b.footprint())
                .containsExactly("35/1+510", "36/1+510", "37/1+510", "38/1+306");
        assertThat(split.outputs().get(0).channels()).isEqualTo(1836);
        assertThat(split.outputs().get(0).output().ports())
                .extracting(p -> plan.index().port(p).name())
                .containsExactly("Output 1", "Output 1, universe 2", "Output 1, universe 3", "Output 1, universe 4");
        assertThat(rules(plan)).doesNotContain("pixel.over-output", "pixel.split", "pixel.slow");
        // Fewer pixels: the ports that are left over go, and what was patched follows.
        Plan fewer = plan.with(plan.pixelRuns().get(0).id(), r -> r.withShape(PixelShape.strip(200, 0.016)));
        assertThat(rules(fewer)).contains("pixel.split");
        Plan again = PixelSpread.of(fewer, plan.receivers().get(0).id(), Optional.empty(), Optional.empty())
                .applyTo(fewer);
        assertThat(again.pixelOutputs().get(0).ports()).hasSize(2);
        assertThat(again.receivers().get(0).ports()).hasSize(9 + 15 - 2);
        assertThat(rules(again)).doesNotContain("pixel.split");
    }

    private static List<Integer> numbers(int first, int last) {
        List<Integer> all = new ArrayList<>();
        for (int i = first; i <= last; i++) {
            all.add(i);
        }
        return all;
    }

    private static Set<String> rules(Plan plan) {
        Set<String> rules = new HashSet<>();
        Check.run(plan).findings().forEach(f -> rules.add(f.rule()));
        return rules;
    }

    /** An 8 × 8 RGB panel is 192 slots: two to a universe, and a third straddles where it may (64 × 3 = 192; 2 × 192 = 384). */
    @Test
    void panelsShareAUniverse() {
        Plan plan = with(controller(), 1, PixelShape.grid(8, 8, 0.01), PixelType.USUAL, 1);
        PixelOutput first = plan.pixelOutputs().get(0);
        List<PixelRun> panels = new ArrayList<>(plan.pixelRuns());
        for (int i = 2; i <= 3; i++) {
            panels.add(panels.get(0)
                    .withId(Kind.PIXEL_RUN.id("p" + i))
                    .withName("Panel " + i)
                    .withFixture(Optional.empty()));
        }
        Plan three = plan.with(Kind.PIXEL_RUN, panels)
                .with(
                        first.id(),
                        o -> o.withRuns(panels.stream().map(PixelRun::id).toList()));
        ControllerSplit whole = ControllerSplit.of(three, first.receiver());
        assertThat(slots(whole)).containsExactly("0/1+192", "0/193+192", "0/385+126", "1/1+66");
        ControllerSplit straddling = ControllerSplit.of(
                three.with(first.id(), o -> o.withDivision(o.division().withStraddles(true))), first.receiver());
        assertThat(slots(straddling)).containsExactly("0/1+192", "0/193+192", "0/385+128", "1/1+64");
    }

    private static List<String> slots(ControllerSplit split) {
        return split.outputs().get(0).pieces().stream()
                .map(p -> p.slots().number() + "/" + p.slots().firstSlot() + "+"
                        + p.slots().slots())
                .toList();
    }

    /** Every pixel of random rigs lies on its own slots, one after the other, against a count pixel by pixel. */
    @RepeatedTest(60)
    void pixelsLieWhereTheyAreCounted(RepetitionInfo info) {
        Random random = new Random(info.getCurrentRepetition() * 7919L);
        Plan plan = controller();
        int runs = 1 + random.nextInt(7);
        for (int i = 0; i < runs; i++) {
            PixelType type = PixelType.USUAL
                    .withOrder(List.of("RGB", "GRBW", "W", "RGBAW").get(random.nextInt(4)))
                    .withBits(random.nextInt(4) == 0 ? 16 : 8);
            plan = with(plan, 1, PixelShape.strip(1 + random.nextInt(400), 0.02), type, 1);
        }
        PixelDivision rules = new PixelDivision(
                random.nextBoolean(),
                random.nextBoolean(),
                1,
                random.nextBoolean() ? 0 : 20 + random.nextInt(100),
                random.nextInt(3),
                1 + random.nextInt(3));
        for (PixelOutput o : plan.pixelOutputs()) {
            plan = plan.with(o.id(), x -> x.withDivision(rules));
        }
        plan = PixelSpread.of(plan, plan.receivers().get(0).id(), Optional.of(1), Optional.empty())
                .applyTo(plan);
        assertThat(rules(plan)).doesNotContain("pixel.split");
        PixelMap map = PixelMap.of(plan);
        Map<Id<PixelRun>, Integer> indexes = new HashMap<>();
        for (int r = 0; r < map.runs().size(); r++) {
            indexes.put(map.runs().get(r).id(), r);
        }
        int universe = 0;
        int slot = 1;
        int inside = 0;
        boolean any = false;
        for (PixelOutput output : plan.pixelOutputs()) {
            boolean begins = true;
            for (Id<PixelRun> id : output.runs()) {
                PixelRun run = plan.index().get(id);
                int each = run.type().slots();
                int r = indexes.get(id);
                for (int i = 0; i < run.pixels(); i++) {
                    if (i % rules.together() == 0) {
                        boolean full = rules.straddles() ? slot > 512 : slot + each - 1 > 512;
                        boolean most = rules.perUniverse() > 0 && inside == rules.perUniverse();
                        if (full || most || (begins && any && !rules.goesOn())) {
                            universe++;
                            slot = 1;
                            inside = 0;
                        }
                        begins = false;
                        any = true;
                        slot += each;
                        inside++;
                    }
                    int expected = universe * 512 + slot - each - 1;
                    assertThat(map.at(map.first(r) + i))
                            .as("pixel %d of %s", i, run.name())
                            .isEqualTo(expected);
                    if (slot > 513) { // the rest lies in the next universe
                        if (i % rules.together() == rules.together() - 1 || i == run.pixels() - 1) {
                            universe++;
                            slot -= 512;
                            inside = 0;
                        }
                    }
                }
            }
        }
    }

    /** All eight ways in which a panel can hang are told by what is seen: recovered from the lit pixels themselves. */
    @ParameterizedTest
    @EnumSource(PixelCorner.class)
    void theCornerTestTellsHowAPanelHangs(PixelCorner first) {
        Set<CornerTest.Seen> different = new HashSet<>();
        for (boolean mirrored : new boolean[] {false, true}) {
            for (int turn = 0; turn < 360; turn += 90) {
                for (int wiring = 0; wiring < 4; wiring++) {
                    PixelWiring wired = new PixelWiring(first, wiring % 2 == 1, wiring / 2 == 1);
                    PixelRun hung = run(
                            PixelShape.grid(7, 5, 0.1),
                            wired,
                            new PixelPlacing(new Position(1, 0, 2), turn, mirrored, false));
                    CornerTest.Seen seen = lit(hung);
                    assertThat(CornerTest.seen(hung)).isEqualTo(seen);
                    PixelRun planned = hung.withPlacing(PixelPlacing.USUAL);
                    assertThat(CornerTest.placing(planned, seen).turn()).isEqualTo(turn);
                    assertThat(CornerTest.placing(planned, seen).mirrored()).isEqualTo(mirrored);
                    different.add(seen);
                }
            }
        }
        assertThat(different).containsExactlyInAnyOrderElementsOf(CornerTest.all());
    }

    /** What somebody sees: the levels of the look, read back pixel by pixel. */
    private static CornerTest.Seen lit(PixelRun hung) {
        Plan plan = with(controller(), 1, hung.shape(), PixelType.USUAL.withOrder("RGB"), 1);
        Id<PixelRun> id = plan.pixelRuns().get(0).id();
        PixelMap map =
                PixelMap.of(plan.with(id, r -> r.withWiring(hung.wiring()).withPlacing(hung.placing())));
        byte[] levels = map.levels();
        PixelLook.CORNERS.fill(map, levels, 0, PixelLook.Run.USUAL);
        PixelLayout layout = map.layout(0);
        int white = -1;
        List<Integer> red = new ArrayList<>();
        for (int i = 0; i < map.count(); i++) {
            int shown = PixelColour.shown(levels, map.at(i), map.runs().get(0).type()) & 0xFFFFFF;
            white = shown == 0xFFFFFF ? i : white;
            if (shown == 0xFF0000) {
                red.add(i);
            }
        }
        PixelLayout.Bounds all = layout.bounds();
        boolean right = layout.x(white) > (all.left() + all.right()) / 2;
        boolean top = layout.y(white) > (all.bottom() + all.top()) / 2;
        float y = layout.y(white);
        return new CornerTest.Seen(
                PixelCorner.valueOf((top ? "TOP_" : "BOTTOM_") + (right ? "RIGHT" : "LEFT")),
                red.stream().allMatch(i -> Math.abs(layout.y(i) - y) < 1e-4));
    }

    /** A grid of three by two by hand: serpentine by columns from the top right, turned and mirrored. */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "BOTTOM_LEFT|false|false|0|false|0 0,1 0,2 0,0 1,1 1,2 1",
                "BOTTOM_LEFT|false|true|0|false|0 0,1 0,2 0,2 1,1 1,0 1",
                "TOP_RIGHT|true|true|0|false|2 1,2 0,1 0,1 1,0 1,0 0",
                "BOTTOM_LEFT|false|false|90|false|0 2,0 1,0 0,1 2,1 1,1 0",
                "BOTTOM_LEFT|false|false|180|false|2 1,1 1,0 1,2 0,1 0,0 0",
                "BOTTOM_LEFT|false|false|270|false|1 0,1 1,1 2,0 0,0 1,0 2",
                "BOTTOM_LEFT|false|false|0|true|2 0,1 0,0 0,2 1,1 1,0 1",
                "BOTTOM_LEFT|false|false|90|true|0 0,0 1,0 2,1 0,1 1,1 2"
            })
    void pixelsOfAGridByHand(
            PixelCorner first, boolean columns, boolean serpentine, int turn, boolean mirrored, String expected) {
        PixelLayout layout = PixelLayout.of(run(
                PixelShape.grid(3, 2, 1),
                new PixelWiring(first, columns, serpentine),
                new PixelPlacing(new Position(0, 0, 0), turn, mirrored, false)));
        List<String> got = new ArrayList<>();
        for (int i = 0; i < layout.count(); i++) {
            got.add(Math.round(layout.x(i)) + " " + Math.round(layout.y(i)));
        }
        assertThat(String.join(",", got)).isEqualTo(expected);
    }

    /** A loop of n pixels at pitch p is a circle of circumference n × p; a drawn line is walked evenly. */
    @Test
    void loopsAndDrawnLines() {
        PixelLayout loop = PixelLayout.of(
                run(PixelShape.strip(100, 0.0314159).withForm(PixelForm.LOOP), PixelWiring.USUAL, PixelPlacing.USUAL));
        assertThat(loop.bounds().width()).isCloseTo(1f, within(1e-3f));
        PixelRun drawn = run(
                new PixelShape(PixelForm.DRAWN, 5, 1, 0.5, PixelPoints.of(0, 0, 0, 1, 1, 1)),
                PixelWiring.USUAL,
                PixelPlacing.USUAL.movedTo(10, 20));
        PixelLayout line = PixelLayout.of(drawn);
        assertThat(line.x(1)).isEqualTo(10f);
        assertThat(line.y(1)).isEqualTo(20.5f);
        assertThat(line.x(3)).isEqualTo(10.5f);
        assertThat(line.y(3)).isEqualTo(21f);
        assertThat(PixelPoints.unpacked(drawn.shape().points().packed()))
                .isEqualTo(drawn.shape().points());
        assertThatIllegalArgumentException()
                .isThrownBy(() -> PixelPoints.read("0 0, 1"))
                .withMessageStartingWith("Point 2, \"1\", is not two numbers");
    }

    /** Turning four times and mirroring twice change nothing; mirroring swaps left and right as it hangs. */
    @Test
    void turnedAndMirroredAsItHangs() {
        Plan plan = with(controller(), 1, PixelShape.grid(4, 2, 0.1), PixelType.USUAL, 1);
        Id<PixelRun> id = plan.pixelRuns().get(0).id();
        Plan next = plan;
        for (int i = 0; i < 4; i++) {
            PixelLayout.Bounds around = PixelLayout.of(next.index().get(id)).bounds();
            next = PixelEdits.turn(next.index().get(id), 90).applyTo(next);
            PixelLayout.Bounds turned = PixelLayout.of(next.index().get(id)).bounds();
            assertThat(turned.left() + turned.right())
                    .as("its middle stays")
                    .isCloseTo(around.left() + around.right(), within(2e-4f));
            assertThat(turned.bottom() + turned.top()).isCloseTo(around.bottom() + around.top(), within(2e-4f));
            Plan mirrored = PixelEdits.mirror(next.index().get(id)).applyTo(next);
            PixelLayout before = PixelLayout.of(next.index().get(id));
            PixelLayout after = PixelLayout.of(mirrored.index().get(id));
            for (int p = 0; p < before.count(); p++) {
                assertThat(after.x(p))
                        .isCloseTo(before.bounds().left() + before.bounds().right() - before.x(p), within(1e-4f));
                assertThat(after.y(p)).isCloseTo(before.y(p), within(1e-4f));
            }
        }
        assertThat(next.pixelRuns()).isEqualTo(plan.pixelRuns());
    }

    /** Lines that cannot be are refused in a sentence; nothing is made of them. */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "pixels 5 strips of 0 on pergola|A run has 1 to 1000000 pixels, not 0.",
                "pixels 999 strips of 999999 on pergola|A plan has up to 1000000 pixels",
                "pixels 3 panels of 8x8 RGBQ on pergola|\"RGBQ\" is no order of colours",
                "pixels 2 strips of 100 at 1 km on pergola|\"1 km\" is no distance",
                "spread pergola from U63995|Pergola controller receives no universe 64000; its pixels need 9 of them.",
                "turn arch 3 by 45|A run is turned by 90, 180 or 270 degrees, not by 45.",
                "set turn of arch 3 to 45|A run is turned by 0, 90, 180 or 270 degrees, not 45.",
                "set shape of arch 3 to heap of 7|\"heap of 7\" is no shape of pixels"
            })
    void whatCannotBeIsRefusedInASentence(String line, String sentence) {
        Plan demo = FernlightTrail.ready();
        String said;
        try {
            Commands.Reading reading = new Commands(demo, LIBRARY, null).read(line);
            said = reading.offers().isEmpty()
                    ? reading.why().orElse("nothing")
                    : reading.offers().get(0).work().get().edit().applyTo(demo).toString();
        } catch (IllegalArgumentException e) {
            said = String.valueOf(e.getMessage());
        }
        assertThat(said).contains(sentence);
    }

    @Test
    void gridsAreWrittenWithOrWithoutBlanks() {
        Plan demo = FernlightTrail.ready();
        for (String written : List.of("8x4", "8 x 4", "8×4")) {
            Plan made = new Commands(demo, LIBRARY, null)
                    .read("pixels 1 panel of " + written + " RGB at 50 mm on pergola")
                    .offers()
                    .get(0)
                    .work()
                    .get()
                    .edit()
                    .applyTo(demo);
            assertThat(made.pixelRuns().get(9).shape()).isEqualTo(PixelShape.grid(8, 4, 0.05));
        }
    }

    /** What a table of places says is where the pixels are, and it is written as it was read. */
    @Test
    void placesComeInAndGoOut() {
        Plan plan = with(controller(), 2, PixelShape.strip(3, 0.1), PixelType.USUAL, 1);
        Plan placed = PixelTables.placed(
                        plan,
                        PixelTables.read(TextTable.parse(
                                "Run,Pixel,x,y\nStrip 2,1,4.5,1\nStrip 2,2,4.75,1.5\nStrip 2,3,5,1.25\n")),
                        Optional.empty())
                .applyTo(plan);
        assertThat(PixelTables.of(placed, PixelTables.Form.PLACES).csv())
                .contains("Strip 2,1,4.5000,1.0000")
                .contains("Strip 2,2,4.7500,1.5000")
                .contains("Strip 2,3,5.0000,1.2500");
        assertThatIllegalArgumentException()
                .isThrownBy(() -> PixelTables.read(TextTable.parse("x,y\n1,2\n3,four\n")))
                .withMessageStartingWith("Row 3: \"3\" and \"four\" are no place");
        assertThatIllegalArgumentException()
                .isThrownBy(() -> PixelTables.placed(
                        plan,
                        PixelTables.read(TextTable.parse("1,2\n3,4\n")),
                        Optional.of(plan.pixelRuns().get(0))))
                .withMessage("Strip 1 has 3 pixels, and the table places 2 of it.");
    }

    /** The demo's arches are patched as the controller puts them out, and its figures are those worked out by hand. */
    @Test
    void theDemosArches() {
        Plan demo = FernlightTrail.ready();
        ControllerSplit split = ControllerSplit.controllers(demo).stream()
                .map(r -> ControllerSplit.of(demo, r))
                .findFirst()
                .orElseThrow();
        for (PixelRun run : demo.pixelRuns()) {
            assertThat(split.breaks(demo, run))
                    .isEqualTo(demo.index().fixture(run.fixture().orElseThrow()).breaks());
        }
        OutputFigures figures = OutputFigures.of(demo, split.outputs().get(0));
        assertThat(figures.power().amps()).as("320 × 60 mA").isCloseTo(19.2, within(1e-9));
        assertThat(figures.refresh().frameMillis())
                .as("320 × 24 × 1.25 µs + 50 µs")
                .isCloseTo(9.65, within(1e-9));
        assertThat(figures.refresh().limit()).isEqualTo(PixelRefresh.Limit.NETWORK);
        assertThat(OutputFigures.tears(demo, split.outputs().get(0).output())).isTrue();
        assertThat(OutputFigures.tears(demo, split.outputs().get(4).output()))
                .as("one universe comes as a whole")
                .isFalse();
    }

    /** Pixels hang on one output; what somebody enters on a second one is refused, in its own order it is not. */
    @Test
    void pixelsHangOnOneOutput() {
        Plan plan = FernlightTrail.ready();
        Field<PixelOutput> runs = Entries.find(Kind.PIXEL_OUTPUT, "runs").orElseThrow();
        Id<PixelOutput> first = Kind.PIXEL_OUTPUT.id("pergola.pixels1");
        assertThatIllegalArgumentException()
                .isThrownBy(() -> runs.entered(plan, first, "Arch 1, Arch 3"))
                .withMessageStartingWith("Arch 3 hangs on ")
                .withMessageEndingWith("; take it off there first.");
        Plan turned = runs.entered(plan, first, "Arch 2, Arch 1");
        assertThat(turned.index().get(first).runs())
                .containsExactly(Kind.PIXEL_RUN.id("arch-2"), Kind.PIXEL_RUN.id("arch-1"));
    }
}
