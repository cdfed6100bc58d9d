package zentrel.demo;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import zentrel.plan.*;
import zentrel.profile.PixelChip;
import zentrel.profile.PortKind;
import zentrel.profile.Protocol;

/** The tunnel of nine light arches in the demo: 160 pixels an arch, two arches on an output, the last on one of its own. */
final class FernlightPixels {
    private static final int ARCHES = 9;
    private static final int PIXELS = 160;
    private static final int SLOTS = 3 * PIXELS;
    private static final int FIRST_UNIVERSE = 11;
    private static final int IN_UNIVERSE = 510;
    private static final int MOST_ON_OUTPUT = 720;
    private static final double WIDTH = 2;
    private static final double UPRIGHT = 1.6;
    private static final int APART_DECIMETRES = 24;
    private static final int ROUND_POINTS = 16;

    private FernlightPixels() {}

    /** The universes of the tunnel are counted from {@link #FIRST_UNIVERSE} with its arches. */
    static boolean isPixels(int universe) {
        return universe >= FIRST_UNIVERSE && universe < FIRST_UNIVERSE + ARCHES;
    }

    /** The line by which the first pixel of a universe's arch is reached. */
    static String lineOf(int universe) {
        return "pergola.line" + ((universe - FIRST_UNIVERSE) / 2 * 2 + 1);
    }

    /** A port for each universe; an output takes one or two. */
    static List<Port> ports(PlanSketch s, String[] names) {
        List<Port> ports = new ArrayList<>();
        for (int i = 0; i < ARCHES; i++) {
            int universe = FIRST_UNIVERSE + i;
            String output = "Output " + (i / 2 + 1);
            ports.add(PlanSketch.port(
                    "pergola.o" + (i + 1),
                    i % 2 == 0 ? output : output + ", universe 2",
                    PortKind.DMX,
                    Protocol.SACN,
                    universe,
                    "u" + universe));
            s.line("pergola.line" + (i + 1), names[universe - 1] + " string", "pergola.o" + (i + 1));
        }
        return ports;
    }

    /** The slots of an arch, counted from 1: the second of two begins where the first ends, and goes on in the next universe. */
    static Break[] slots(int arch) {
        int first = arch % 2 == 1 ? arch : arch - 1;
        if (arch == first) {
            return new Break[] {slots(first, 1, SLOTS)};
        }
        int left = IN_UNIVERSE - SLOTS;
        return new Break[] {slots(first, SLOTS + 1, left), slots(first + 1, 1, SLOTS - left)};
    }

    private static Break slots(int universe, int start, int footprint) {
        return new Break(
                Kind.UNIVERSE.id("u" + (FIRST_UNIVERSE + universe - 1)),
                start,
                footprint,
                Optional.of(Kind.LINE.id("pergola.line" + universe)));
    }

    /** The pixels on the controller's outputs. */
    static Plan add(Plan plan) {
        List<PixelRun> runs = new ArrayList<>();
        List<PixelOutput> outputs = new ArrayList<>();
        for (int arch = 1; arch <= ARCHES; arch++) {
            runs.add(arch(arch));
        }
        for (int first = 1; first <= ARCHES; first += 2) {
            boolean two = first < ARCHES;
            int output = first / 2 + 1;
            outputs.add(new PixelOutput(
                    Kind.PIXEL_OUTPUT.id("pergola.pixels" + output),
                    "Output " + output,
                    Kind.RECEIVER.id("pergola-rx"),
                    two ? List.of(port(first), port(first + 1)) : List.of(port(first)),
                    two
                            ? List.of(runs.get(first - 1).id(), runs.get(first).id())
                            : List.of(runs.get(first - 1).id()),
                    PixelDivision.USUAL,
                    PixelLimits.USUAL
                            .withPixels(MOST_ON_OUTPUT)
                            .withUniverses(5)
                            .withRate(60),
                    new PixelSupply(5, 100, 100, 3, 3, 2.5)));
        }
        return plan.with(Kind.PIXEL_RUN, runs).with(Kind.PIXEL_OUTPUT, outputs);
    }

    private static Id<Port> port(int universe) {
        return Kind.PORT.id("pergola.o" + universe);
    }

    private static float millimetres(double metres) {
        return Math.round(metres * 1000) / 1000f;
    }

    /** Up one side, over and down the other. */
    private static PixelRun arch(int number) {
        float[] xy = new float[2 * (ROUND_POINTS + 3)];
        double radius = WIDTH / 2;
        for (int i = 0; i <= ROUND_POINTS; i++) {
            double angle = Math.PI - Math.PI * i / ROUND_POINTS;
            xy[2 * (i + 1)] = millimetres(radius + radius * Math.cos(angle));
            xy[2 * (i + 1) + 1] = millimetres(UPRIGHT + radius * Math.sin(angle));
        }
        xy[2 * (ROUND_POINTS + 2)] = (float) WIDTH;
        double length = 2 * UPRIGHT + Math.PI * radius;
        return new PixelRun(
                Kind.PIXEL_RUN.id("arch-" + number),
                "Arch " + number,
                new PixelShape(
                        PixelForm.DRAWN, PIXELS, 1, Math.round(1000 * length / PIXELS) / 1000.0, PixelPoints.of(xy)),
                PixelWiring.USUAL,
                new PixelType(PixelChip.WS2812B, "GRB", 8, 60),
                PixelPlacing.USUAL.movedTo(APART_DECIMETRES * (number - 1) / 10.0, 0),
                Optional.of(Kind.FIXTURE.id("f" + (FIRST_UNIVERSE + number - 1) + "01")));
    }
}
