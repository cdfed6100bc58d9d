package zentrel.app.pixels;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import zentrel.check.Finding;
import zentrel.check.Report;
import zentrel.check.Severity;
import zentrel.pixel.ControllerSplit;
import zentrel.pixel.ControllerSplit.Out;
import zentrel.pixel.ControllerSplit.Piece;
import zentrel.pixel.OutputFigures;
import zentrel.pixel.PixelMap;
import zentrel.plan.Id;
import zentrel.plan.Kind;
import zentrel.plan.PixelOutput;
import zentrel.plan.PixelRun;
import zentrel.plan.Plan;
import zentrel.plan.Port;
import zentrel.plan.Setting;
import zentrel.plan.Universe;
import zentrel.profile.Protocol;

/**
 * What the Pixels page draws. Made off the JavaFX thread.
 *
 * @param numbers the show number of each universe of the map; 0 where too few ports bring them
 * @param wires by which protocol and number each universe of the map arrives; empty where no port is set
 */
record PixelSight(Plan plan, PixelMap map, List<Row> rows, List<Integer> numbers, List<Optional<Wire>> wires) {
    static final PixelSight NONE = new PixelSight(Plan.EMPTY, PixelMap.of(Plan.EMPTY), List.of(), List.of(), List.of());

    /** A number in its protocol. */
    record Wire(Protocol protocol, int number) {}

    /** A universe of an output. */
    record Part(int universe, int number, int pixels, int slots) {}

    /**
     * An output.
     *
     * @param full how many pixels its bar has room for
     * @param figures empty where it has no pixels
     * @param worst the worst that is found about it
     */
    record Row(
            String controller,
            boolean firstOfIt,
            Out out,
            List<Part> parts,
            int full,
            Optional<OutputFigures> figures,
            Optional<Severity> worst) {
        PixelOutput output() {
            return out.output();
        }
    }

    /** Works it out. */
    static PixelSight of(Report report) {
        Plan plan = report.plan();
        List<ControllerSplit> splits = ControllerSplit.all(plan);
        PixelMap map = PixelMap.of(plan, splits);
        Map<Id<?>, Severity> worst = new HashMap<>();
        for (Finding f : report.findings()) {
            if (f.rule().startsWith("pixel.")) {
                worst.merge(f.cause(), f.severity(), (a, b) -> a.compareTo(b) > 0 ? a : b);
            }
        }
        List<Integer> numbers = map.universes().stream()
                .map(u -> u.map(x -> plan.index().universe(x).number()).orElse(0))
                .toList();
        List<Row> rows = new ArrayList<>();
        int before = 0;
        for (ControllerSplit split : splits) {
            int most = split.outputs().stream()
                    .mapToInt(o -> Math.max(o.pixels(), o.output().limits().pixels()))
                    .max()
                    .orElse(1);
            boolean first = true;
            for (Out out : split.outputs()) {
                if (!out.runs().isEmpty() || split.outputs().size() <= MOST_EMPTY) {
                    rows.add(new Row(
                            plan.index().get(split.receiver()).name(),
                            first,
                            out,
                            parts(out, before, numbers),
                            Math.max(1, most),
                            out.runs().isEmpty() ? Optional.empty() : Optional.of(OutputFigures.of(plan, out)),
                            Optional.ofNullable(worst.get(out.output().id()))));
                    first = false;
                }
            }
            before += split.universes();
        }
        return new PixelSight(
                plan,
                map,
                rows,
                numbers,
                map.ports().stream()
                        .map(p -> p.flatMap(x -> wire(plan.index().port(x))))
                        .toList());
    }

    /** Outputs without pixels are left out of controllers that have more than so many. */
    private static final int MOST_EMPTY = 6;

    private static Optional<Wire> wire(Port port) {
        return port.wire()
                .map(Setting::inForce)
                .map(w -> new Wire(port.protocol().inForce(), w));
    }

    private static List<Part> parts(Out out, int before, List<Integer> numbers) {
        List<Part> parts = new ArrayList<>();
        for (Piece piece : out.pieces()) {
            int universe = before + piece.slots().number();
            int last = parts.size() - 1;
            if (last >= 0 && parts.get(last).universe() == universe) {
                Part had = parts.get(last);
                parts.set(
                        last,
                        new Part(
                                universe,
                                had.number(),
                                had.pixels() + piece.slots().pixels(),
                                had.slots() + piece.slots().slots()));
            } else {
                parts.add(new Part(
                        universe,
                        numbers.get(universe),
                        piece.slots().pixels(),
                        piece.slots().slots()));
            }
        }
        return parts;
    }

    /** A run among those of the map; −1 where it is gone. */
    int indexOf(Id<PixelRun> run) {
        for (int i = 0; i < map.runs().size(); i++) {
            if (map.runs().get(i).id().equals(run)) {
                return i;
            }
        }
        return -1;
    }

    /** What a pixel is, in a line: its run, number, output, universe and slots. */
    String said(int pixel) {
        int r = map.runOf(pixel);
        PixelRun run = map.runs().get(r);
        int within = pixel - map.first(r) + 1;
        String where = map.outputOf(r)
                .flatMap(o -> plan.index().find(o))
                .map(PixelOutput::name)
                .orElse("no output");
        int universe = map.universeOf(pixel);
        if (universe < 0) {
            return run.name() + ", pixel " + within + " · " + where + " · no slot";
        }
        int slot = map.slotOf(pixel);
        int last = slot + run.type().slots() - 1;
        return run.name() + ", pixel " + within + " · " + where + " · "
                + (numbers.get(universe) == 0 ? "no universe" : "U" + numbers.get(universe)) + " slots " + slot + " to "
                + (last <= Universe.SLOTS ? last : "512, then 1 to " + (last - Universe.SLOTS));
    }

    /** The runs of an output. */
    List<Id<PixelRun>> runsOf(Id<PixelOutput> output) {
        return plan.index().find(output).map(PixelOutput::runs).orElse(List.of());
    }

    /** The runs that are there. */
    List<PixelRun> runs(java.util.Collection<Id<PixelRun>> ids) {
        return plan.table(Kind.PIXEL_RUN).stream()
                .filter(r -> ids.contains(r.id()))
                .toList();
    }
}
