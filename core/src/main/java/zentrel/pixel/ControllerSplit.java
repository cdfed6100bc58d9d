package zentrel.pixel;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import zentrel.pixel.PixelSplit.Run;
import zentrel.plan.*;

/**
 * The pixels of a controller, spread over the universes of its outputs by their rules. Universes are counted from 0 over the whole
 * controller; which number each has is what its port is set to.
 *
 * @param outputs in the order of the plan
 */
public record ControllerSplit(Id<Receiver> receiver, List<Out> outputs) {
    public ControllerSplit {
        outputs = List.copyOf(outputs);
    }

    /**
     * Pixels of one run in one universe.
     *
     * @param slots what they take there; its universe is counted over the controller
     */
    public record Piece(PixelRun run, Run slots) {}

    /**
     * An output.
     *
     * @param pieces in the order of the data
     * @param firstUniverse its first, counted over the controller
     * @param universes how many it takes; one of them may be shared with the output before
     * @param pixels all of its own, with those that stay dark at the start
     */
    public record Out(
            PixelOutput output, List<PixelRun> runs, List<Piece> pieces, int firstUniverse, int universes, int pixels) {
        public Out {
            runs = List.copyOf(runs);
            pieces = List.copyOf(pieces);
        }

        /** The port by which a universe of it arrives; empty where it has too few. */
        public Optional<Id<Port>> port(Piece piece) {
            int at = piece.slots().number() - firstUniverse;
            return at < output.ports().size() ? Optional.of(output.ports().get(at)) : Optional.empty();
        }

        /** Whether more is on it than it drives or takes; never where nobody said how much that is. */
        public boolean isOver() {
            PixelLimits most = output.limits();
            return (most.pixels() > 0 && pixels > most.pixels())
                    || (most.universes() > 0 && universes > most.universes());
        }

        /** The same, fed otherwise. */
        public Out withSupply(PixelSupply supply) {
            return new Out(output.withSupply(supply), runs, pieces, firstUniverse, universes, pixels);
        }

        /** Slots of all its pixels. */
        public int channels() {
            return pieces.stream().mapToInt(p -> p.slots().slots()).sum();
        }
    }

    /** Controllers that have pixel outputs, in the order of the plan. */
    public static List<Id<Receiver>> controllers(Plan plan) {
        Set<Id<Receiver>> all = new LinkedHashSet<>();
        plan.pixelOutputs().forEach(o -> all.add(o.receiver()));
        return List.copyOf(all);
    }

    /** The split of every controller of a plan. */
    public static List<ControllerSplit> all(Plan plan) {
        return controllers(plan).stream().map(r -> of(plan, r)).toList();
    }

    /** The output of a run; empty where it is on none. */
    public static Optional<PixelOutput> outputOf(Plan plan, Id<PixelRun> run) {
        return plan.pixelOutputs().stream().filter(o -> o.runs().contains(run)).findFirst();
    }

    /** Splits the pixels of a controller. */
    public static ControllerSplit of(Plan plan, Id<Receiver> receiver) {
        List<Out> outputs = new ArrayList<>();
        Filling filling = new Filling(0, 1);
        int used = 0; // universes until now
        for (PixelOutput output : plan.pixelOutputs()) {
            if (!output.receiver().equals(receiver)) {
                continue;
            }
            Out out = out(plan, output, filling, used);
            outputs.add(out);
            used = Math.max(used, out.firstUniverse() + out.universes());
        }
        return new ControllerSplit(receiver, outputs);
    }

    private static Out out(Plan plan, PixelOutput output, Filling filling, int used) {
        PixelDivision rules = output.division();
        List<PixelRun> runs =
                output.runs().stream().map(r -> plan.index().get(r)).toList();
        boolean shares = rules.goesOn()
                && used > 0
                && !runs.isEmpty()
                && filling.hasRoom(runs.get(0).type().slots(), rules.straddles(), rules.perUniverse());
        if (!shares) {
            filling.beginAt(used, rules.firstSlot());
        }
        int first = filling.universe();
        List<Piece> pieces = new ArrayList<>();
        int pixels = rules.skipped();
        for (PixelRun run : runs) {
            pixels += run.pixels();
            filling.put(driven(run, rules), run.type().slots(), rules.straddles(), rules.perUniverse())
                    .forEach(p -> pieces.add(new Piece(run, p)));
        }
        int universes = pieces.isEmpty() ? 0 : filling.universe() - first + 1;
        return new Out(output, runs, pieces, first, universes, pixels);
    }

    /** How many pixels of a run take slots, where several are driven as one. */
    public static int driven(PixelRun run, PixelDivision rules) {
        return (run.pixels() + rules.together() - 1) / rules.together();
    }

    /** The output with a name or id of the plan's; empty where the controller has none. */
    public Optional<Out> find(Id<PixelOutput> output) {
        return outputs.stream().filter(o -> o.output().id().equals(output)).findFirst();
    }

    /** Universes of all its outputs, each counted once. */
    public int universes() {
        return outputs.stream()
                .mapToInt(o -> o.firstUniverse() + o.universes())
                .max()
                .orElse(0);
    }

    /** Pixels of all its outputs. */
    public int pixels() {
        return outputs.stream().mapToInt(Out::pixels).sum();
    }

    /**
     * How many controllers like this one its pixels need: so that no output has more than it drives, all outputs filled.
     *
     * @return 0 where nobody said how many an output drives
     */
    public int controllersNeeded() {
        long drives =
                outputs.stream().mapToLong(o -> o.output().limits().pixels()).sum();
        boolean known = outputs.stream().allMatch(o -> o.output().limits().pixels() > 0);
        return known && drives > 0 ? (int) Math.max(1, (pixels() + drives - 1) / drives) : 0;
    }

    /** A run's slots as a fixture has them, in the order of the data; those that no port brings are left out. */
    public List<Break> breaks(Plan plan, PixelRun run) {
        List<Break> breaks = new ArrayList<>();
        for (Out out : outputs) {
            for (Piece piece : out.pieces()) {
                Optional<Port> port = piece.run().id().equals(run.id())
                        ? out.port(piece).map(p -> plan.index().port(p))
                        : Optional.empty();
                port.flatMap(Port::universe)
                        .ifPresent(u -> breaks.add(new Break(
                                u,
                                piece.slots().firstSlot(),
                                piece.slots().slots(),
                                plan.index().linesOf(port.orElseThrow().id()).stream()
                                        .findFirst()
                                        .map(Line::id))));
            }
        }
        return breaks;
    }
}
