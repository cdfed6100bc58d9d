package zentrel.pixel;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import zentrel.pixel.ControllerSplit.Out;
import zentrel.pixel.ControllerSplit.Piece;
import zentrel.plan.*;
import zentrel.table.TextTable;
import zentrel.text.Numbers;
import zentrel.text.Word;

/** Pixels as tables for people and other programs. */
public final class PixelTables {
    /** What a table tells. */
    public enum Form implements Word {
        /** What is set on each controller, in its own numbers. */
        CONTROLLERS,
        /** Which pixels are in which universe. */
        UNIVERSES,
        /** What is written on the cables and boxes of each output. */
        LABELS,
        /** Where each pixel is. */
        PLACES
    }

    private PixelTables() {}

    /** The pixels of a plan as a table with headings. */
    public static TextTable of(Plan plan, Form form) {
        return new TextTable(
                switch (form) {
                    case CONTROLLERS -> controllers(plan);
                    case UNIVERSES -> universes(plan);
                    case LABELS -> labels(plan);
                    case PLACES -> places(plan);
                });
    }

    private static String name(Plan plan, Out out) {
        return plan.index().get(out.output().receiver()).name();
    }

    private static List<List<String>> controllers(Plan plan) {
        List<List<String>> rows = new ArrayList<>();
        rows.add(List.of(
                "Controller",
                "Output",
                "Protocol",
                "First number",
                "First slot",
                "Universes",
                "Pixels",
                "Chip",
                "Order",
                "Bits",
                "Skip",
                "As one",
                "Most in a universe",
                "A pixel in two universes",
                "Brightness"));
        for (ControllerSplit split : ControllerSplit.all(plan)) {
            for (Out out : split.outputs()) {
                if (out.runs().isEmpty()) {
                    continue;
                }
                PixelOutput o = out.output();
                PixelType type = out.runs().get(0).type();
                Optional<Port> first = out.pieces().isEmpty()
                        ? Optional.empty()
                        : out.port(out.pieces().get(0)).map(plan.index()::port);
                int slot =
                        out.pieces().isEmpty() ? 1 : out.pieces().get(0).slots().firstSlot();
                rows.add(List.of(
                        name(plan, out),
                        o.name(),
                        first.map(p -> p.protocol().planned().title()).orElse(""),
                        first.flatMap(p -> shown(plan, split, p)).orElse(""),
                        String.valueOf(slot),
                        String.valueOf(out.universes()),
                        String.valueOf(out.pixels()),
                        type.chip().title(),
                        type.order(),
                        String.valueOf(type.bits()),
                        String.valueOf(o.division().skipped()),
                        String.valueOf(o.division().together()),
                        o.division().perUniverse() == 0
                                ? "as many as fit"
                                : String.valueOf(o.division().perUniverse()),
                        o.division().straddles() ? "yes" : "no",
                        o.supply().brightness() + " %"));
            }
        }
        return rows;
    }

    /** The number as the controller's own screen shows it. */
    private static Optional<String> shown(Plan plan, ControllerSplit split, Port port) {
        Application program =
                plan.index().application(plan.index().get(split.receiver()).application());
        return port.wire().map(w -> program.shown(port.protocol().planned(), w.planned()));
    }

    private static List<List<String>> universes(Plan plan) {
        List<List<String>> rows = new ArrayList<>();
        rows.add(List.of(
                "Universe",
                "Name",
                "Controller",
                "Output",
                "Pixels of",
                "First pixel",
                "Last pixel",
                "First slot",
                "Last slot"));
        for (ControllerSplit split : ControllerSplit.all(plan)) {
            for (Out out : split.outputs()) {
                for (Piece piece : out.pieces()) {
                    Optional<Universe> universe = out.port(piece)
                            .flatMap(p -> plan.index().port(p).universe())
                            .map(plan.index()::universe);
                    int first = piece.slots().firstPixel();
                    int slot = piece.slots().firstSlot();
                    rows.add(List.of(
                            universe.map(u -> String.valueOf(u.number())).orElse("none"),
                            universe.map(Universe::name).orElse(""),
                            name(plan, out),
                            out.output().name(),
                            piece.run().name(),
                            String.valueOf(first),
                            String.valueOf(first + piece.slots().pixels() - 1),
                            String.valueOf(slot),
                            String.valueOf(slot + piece.slots().slots() - 1)));
                }
            }
        }
        return rows;
    }

    private static List<List<String>> labels(Plan plan) {
        List<List<String>> rows = new ArrayList<>();
        rows.add(List.of("Label", "Line 2", "Line 3"));
        for (ControllerSplit split : ControllerSplit.all(plan)) {
            for (Out out : split.outputs()) {
                List<String> numbers = out.output().ports().stream()
                        .flatMap(p -> plan.index().port(p).universe().stream())
                        .map(u -> "U" + plan.index().universe(u).number())
                        .toList();
                for (PixelRun run : out.runs()) {
                    rows.add(List.of(
                            run.name(),
                            name(plan, out) + ", " + out.output().name() + ", "
                                    + (numbers.isEmpty()
                                            ? "no universe"
                                            : numbers.size() == 1
                                                    ? numbers.get(0)
                                                    : numbers.get(0) + " to " + numbers.get(numbers.size() - 1)),
                            run.shape().counted() + " " + run.type().order() + ", "
                                    + Numbers.plain(out.output().supply().volts()) + " V"));
                }
            }
        }
        return rows;
    }

    private static List<List<String>> places(Plan plan) {
        List<List<String>> rows = new ArrayList<>();
        rows.add(List.of("Run", "Pixel", "x", "y"));
        for (PixelRun run : plan.pixelRuns()) {
            PixelLayout layout = PixelLayout.of(run);
            for (int i = 0; i < layout.count(); i++) {
                rows.add(List.of(
                        run.name(),
                        String.valueOf(i + 1),
                        String.format(Locale.ROOT, "%.4f", layout.x(i)),
                        String.format(Locale.ROOT, "%.4f", layout.y(i))));
            }
        }
        return rows;
    }

    /**
     * Runs whose pixels lie where a table says: x and y in metres in the last two columns, the run's name in the first, the pixels in the
     * order of the rows; without a name, all are one run.
     *
     * @return the points of each run that the table names, the nameless one as ""
     * @throws IllegalArgumentException with a sentence that names the row, where a place is not two numbers, or there are none
     */
    public static Map<String, PixelPoints> read(TextTable table) {
        Map<String, List<Float>> all = new HashMap<>();
        int width = table.width();
        for (int r = 0; r < table.rows().size(); r++) {
            if (table.isBlank(r)) {
                continue;
            }
            String x = table.cell(r, Math.max(0, width - 2)).strip();
            String y = table.cell(r, width - 1).strip();
            if (r == 0 && !x.matches(NUMBER)) {
                continue; // headings
            }
            if (width < 2 || !x.matches(NUMBER) || !y.matches(NUMBER)) {
                throw new IllegalArgumentException("Row " + (r + 1) + ": \"" + x + "\" and \"" + y
                        + "\" are no place; the last two columns are metres to the right and up.");
            }
            List<Float> points =
                    all.computeIfAbsent(width > 2 ? table.cell(r, 0).strip() : "", n -> new ArrayList<>());
            points.add(Float.parseFloat(x.replace(',', '.')));
            points.add(Float.parseFloat(y.replace(',', '.')));
        }
        if (all.isEmpty()) {
            throw new IllegalArgumentException("The table has no row with a place.");
        }
        Map<String, PixelPoints> read = new HashMap<>();
        all.forEach((name, points) -> {
            float[] xy = new float[points.size()];
            for (int i = 0; i < xy.length; i++) {
                xy[i] = points.get(i);
            }
            read.put(name, PixelPoints.of(xy));
        });
        return read;
    }

    private static final String NUMBER = "[-+]?\\d{1,6}(?:[.,]\\d{1,6})?";

    /**
     * A plan with its runs placed so: each named run pixel by pixel; a nameless table places the run that is given.
     *
     * @throws IllegalArgumentException with a sentence, where a name or the number of pixels does not fit
     */
    public static Edit placed(Plan plan, Map<String, PixelPoints> places, Optional<PixelRun> chosen) {
        Map<Id<PixelRun>, PixelRun> after = new HashMap<>();
        places.forEach((name, points) -> {
            PixelRun run = name.isEmpty()
                    ? chosen.orElseThrow(() -> new IllegalArgumentException(
                            "The table names no run; choose the one whose pixels it places."))
                    : plan.pixelRuns().stream()
                            .filter(r -> r.name().equalsIgnoreCase(name))
                            .findFirst()
                            .orElseThrow(() -> new IllegalArgumentException("The plan has no pixel run " + name + "."));
            if (points.count() != run.pixels()) {
                throw new IllegalArgumentException(run.name() + " has " + run.pixels()
                        + " pixels, and the table places " + points.count() + " of it.");
            }
            float left = Float.MAX_VALUE;
            float low = Float.MAX_VALUE;
            for (int i = 0; i < points.count(); i++) {
                left = Math.min(left, points.x(i));
                low = Math.min(low, points.y(i));
            }
            after.put(
                    run.id(),
                    run.withShape(new PixelShape(
                                    PixelForm.PLACED,
                                    points.count(),
                                    1,
                                    run.shape().pitch(),
                                    points))
                            .withWiring(PixelWiring.USUAL)
                            .withPlacing(run.placing()
                                    .withTurn(0)
                                    .withMirrored(false)
                                    .movedTo(left, low)));
        });
        return new Edit(
                "Place the pixels of " + after.size() + (after.size() == 1 ? " run" : " runs"),
                p -> p.with(
                        Kind.PIXEL_RUN,
                        p.pixelRuns().stream()
                                .map(r -> after.getOrDefault(r.id(), r))
                                .toList()));
    }
}
