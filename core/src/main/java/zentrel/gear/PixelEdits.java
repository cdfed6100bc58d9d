package zentrel.gear;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import zentrel.pixel.ControllerSplit;
import zentrel.pixel.PixelLayout;
import zentrel.pixel.PixelLayout.Bounds;
import zentrel.pixel.PixelMap;
import zentrel.plan.*;
import zentrel.profile.ApplicationKind;
import zentrel.profile.PortKind;
import zentrel.profile.ProfileApplication;
import zentrel.text.Counted;

/** Edits of pixels: runs on the outputs of a controller, their universes, how they hang. */
public final class PixelEdits {
    /** The most runs that one line adds. */
    public static final int MOST_RUNS = 1_000;

    private static final double LEAST_GAP = 0.3;

    private static final double GAP_OF_WIDTH = 0.03;

    private PixelEdits() {}

    /** Controllers on which pixels can be put, in the order of the plan. */
    public static List<Receiver> controllers(Plan plan) {
        return plan.receivers().stream()
                .filter(r -> plan.index().application(r.application()).kind() == ApplicationKind.PIXEL_CONTROLLER)
                .toList();
    }

    /** Adds runs that no controller drives: what needs no address, or what is not connected yet. */
    public static Edit add(Plan plan, int count, String name, PixelShape shape, PixelType type) {
        List<PixelRun> runs = made(plan, new Ids(plan), count, name, shape, type);
        return new Edit("Add " + said(count, name, shape), p -> p.with(Kind.PIXEL_RUN, and(p.pixelRuns(), runs)));
    }

    private static String said(int count, String name, PixelShape shape) {
        return (count == 1 ? "" : count + " × ") + name + " of " + shape.counted() + " pixels";
    }

    private static List<PixelRun> and(List<PixelRun> before, List<PixelRun> more) {
        List<PixelRun> all = new ArrayList<>(before);
        all.addAll(more);
        return all;
    }

    /** New runs, each above the one before, all above what is there. */
    private static List<PixelRun> made(Plan plan, Ids ids, int count, String name, PixelShape shape, PixelType type) {
        if (count < 1 || count > MOST_RUNS) {
            throw new IllegalArgumentException("Add 1 to " + MOST_RUNS + " runs at a time, not " + count + ".");
        }
        long all = (long) count * shape.pixels()
                + plan.pixelRuns().stream().mapToLong(PixelRun::pixels).sum();
        if (all > PixelPoints.MOST) {
            throw new IllegalArgumentException(
                    "A plan has up to " + PixelPoints.MOST + " pixels; with these it would have " + all + ".");
        }
        Set<String> taken = new LinkedHashSet<>();
        plan.pixelRuns().forEach(r -> taken.add(r.name()));
        Bounds before = PixelMap.of(plan).bounds();
        double gap = gap(before);
        double up = plan.pixelRuns().isEmpty() ? 0 : before.top() + gap;
        List<PixelRun> runs = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            String called = called(name, count, taken);
            taken.add(called);
            runs.add(new PixelRun(
                    Kind.PIXEL_RUN.id(ids.next(Ids.of(called, "pixels"))),
                    called,
                    shape,
                    PixelWiring.USUAL,
                    type,
                    PixelPlacing.USUAL.movedTo(0, up),
                    Optional.empty()));
            up += PixelLayout.of(runs.get(i)).bounds().height() + gap;
        }
        return runs;
    }

    /**
     * Adds runs, one to each output with the fewest pixels, and splits the controller anew.
     *
     * @param name of the runs; from the second on they are counted
     * @param firstUniverse the show number of the controller's first universe; where not given, its universes stay and others follow
     * @param source what sends them; where not given, what sends to the controller already, or the only one that sends
     * @throws IllegalArgumentException with a sentence, where the controller has no output
     */
    public static Edit add(
            Plan plan,
            Receiver controller,
            int count,
            String name,
            PixelShape shape,
            PixelType type,
            Optional<Integer> firstUniverse,
            Optional<Application> source) {
        Plan next = outputs(plan, controller);
        Ids ids = new Ids(next);
        List<PixelOutput> outputs = new ArrayList<>(next.pixelOutputs());
        Map<Id<PixelOutput>, Integer> load = new HashMap<>();
        ControllerSplit.of(next, controller.id())
                .outputs()
                .forEach(o -> load.put(o.output().id(), o.pixels()));
        if (load.isEmpty()) {
            throw new IllegalArgumentException(
                    controller.name() + " has no output for pixels; add a port to it first.");
        }
        List<PixelRun> runs = made(next, ids, count, name, shape, type);
        for (PixelRun run : runs) {
            int on = emptiest(outputs, load);
            PixelOutput output = outputs.get(on);
            load.merge(output.id(), run.pixels(), Integer::sum);
            List<Id<PixelRun>> more = new ArrayList<>(output.runs());
            more.add(run.id());
            outputs.set(on, output.withRuns(more));
        }
        Plan added = next.with(Kind.PIXEL_RUN, and(next.pixelRuns(), runs)).with(Kind.PIXEL_OUTPUT, outputs);
        String text = "Add " + said(count, name, shape) + " to " + controller.name();
        return DeviceFactory.put(
                text,
                plan,
                PixelSpread.of(added, controller.id(), firstUniverse, source).applyTo(added));
    }

    /** Room for a name between runs that are placed by themselves, metres: more in a layout that is wide. */
    private static double gap(Bounds all) {
        return Math.max(LEAST_GAP, all.width() * GAP_OF_WIDTH);
    }

    private static String called(String name, int count, Set<String> taken) {
        if (count == 1 && !taken.contains(name)) {
            return name;
        }
        int number = 1;
        while (taken.contains(name + " " + number)) {
            number++;
        }
        return name + " " + number;
    }

    private static int emptiest(List<PixelOutput> outputs, Map<Id<PixelOutput>, Integer> load) {
        int best = -1;
        for (int i = 0; i < outputs.size(); i++) {
            Integer pixels = load.get(outputs.get(i).id());
            if (pixels != null
                    && (best < 0 || pixels < load.getOrDefault(outputs.get(best).id(), 0))) {
                best = i;
            }
        }
        return best;
    }

    /** The plan with an output for each connector of a controller that belongs to none yet. */
    public static Plan outputs(Plan plan, Receiver controller) {
        Set<Id<Port>> known = new LinkedHashSet<>();
        plan.pixelOutputs().forEach(o -> known.addAll(o.ports()));
        boolean any = plan.pixelOutputs().stream().anyMatch(o -> o.receiver().equals(controller.id()));
        Ids ids = new Ids(plan);
        List<PixelOutput> outputs = new ArrayList<>(plan.pixelOutputs());
        for (Port port : controller.ports()) {
            if (!any && port.kind() == PortKind.DMX && !known.contains(port.id())) {
                outputs.add(new PixelOutput(
                        Kind.PIXEL_OUTPUT.id(ids.next(port.id().value() + ".pixels")),
                        port.name(),
                        controller.id(),
                        List.of(port.id()),
                        List.of(),
                        PixelDivision.USUAL,
                        PixelLimits.USUAL.withPixels(mostPixels(plan, controller, port)),
                        PixelSupply.USUAL));
            }
        }
        return outputs.size() == plan.pixelOutputs().size() ? plan : plan.with(Kind.PIXEL_OUTPUT, outputs);
    }

    private static int mostPixels(Plan plan, Receiver controller, Port port) {
        return plan
                .index()
                .profileOf(plan.index().application(controller.application()))
                .map(ProfileApplication::ports)
                .orElse(List.of())
                .stream()
                .filter(g -> port.name().startsWith(g.name()))
                .flatMap(g -> g.pixels().stream())
                .findFirst()
                .orElse(0);
    }

    /** The plan with a run at the end of another output, and the controller split anew. */
    public static Plan moved(Plan plan, Id<PixelRun> run, Id<PixelOutput> to) {
        Plan next = plan.with(
                Kind.PIXEL_OUTPUT,
                plan.pixelOutputs().stream()
                        .map(o -> {
                            List<Id<PixelRun>> runs = new ArrayList<>(o.runs());
                            runs.remove(run);
                            if (o.id().equals(to)) {
                                runs.add(run);
                            }
                            return o.withRuns(runs);
                        })
                        .toList());
        Id<Receiver> controller = plan.index().get(to).receiver();
        return PixelSpread.of(next, controller, Optional.empty(), Optional.empty())
                .applyTo(next);
    }

    /** One more output of a controller, without pixels. */
    public static Edit output(Plan plan, Receiver controller, String name) {
        if (plan.pixelOutputs().stream()
                .anyMatch(o -> o.receiver().equals(controller.id()) && o.name().equalsIgnoreCase(name))) {
            throw new IllegalArgumentException(controller.name() + " has an output " + name + " already.");
        }
        PixelOutput made = new PixelOutput(
                Kind.PIXEL_OUTPUT.id(Ids.free(plan, controller.id().value() + "." + Ids.of(name, "output"))),
                name,
                controller.id(),
                List.of(),
                List.of(),
                PixelDivision.USUAL,
                PixelLimits.USUAL,
                PixelSupply.USUAL);
        return new Edit(
                "Add the pixel output " + name + " to " + controller.name(), p -> p.and(Kind.PIXEL_OUTPUT, made));
    }

    /** Turns a run clockwise around its middle by so many degrees, 90 at a time. */
    public static Edit turn(PixelRun run, int degrees) {
        if (degrees % 90 != 0) {
            throw new IllegalArgumentException("A run is turned by 90, 180 or 270 degrees, not by " + degrees + ".");
        }
        PixelPlacing turned = run.placing().turnedBy(degrees);
        Bounds before = PixelLayout.of(run).bounds();
        Bounds after = PixelLayout.of(run.withPlacing(turned)).bounds();
        double across = fine((before.width() - after.width()) / 2.0);
        double up = fine((before.height() - after.height()) / 2.0);
        return placed(
                "Turn " + run.name() + " by " + degrees + "°",
                run,
                turned.movedTo(fine(turned.across() + across), fine(turned.up() + up)));
    }

    /** To the tenth of a millimetre, so that turns that undo each other leave nothing behind. */
    private static double fine(double metres) {
        return Math.round(metres * 10_000) / 10_000.0;
    }

    /** Swaps left and right of a run as it hangs. */
    public static Edit mirror(PixelRun run) {
        boolean onSide = run.placing().turn() % 180 != 0;
        PixelPlacing next = run.placing().withMirrored(!run.placing().mirrored());
        return placed("Mirror " + run.name(), run, onSide ? next.turnedBy(180) : next);
    }

    /** Moves runs in the layout, metres. */
    public static Edit move(List<PixelRun> runs, double across, double up) {
        Map<Id<PixelRun>, PixelPlacing> after = new HashMap<>();
        runs.forEach(r -> after.put(
                r.id(),
                r.placing().movedTo(r.placing().across() + across, r.placing().up() + up)));
        String text = "Move " + (runs.size() == 1 ? runs.get(0).name() : Counted.of(runs.size(), "pixel run")) + " by "
                + Position.plain(across) + " / " + Position.plain(up) + " m";
        return new Edit(text, p -> {
            Plan next = p;
            for (Map.Entry<Id<PixelRun>, PixelPlacing> each : after.entrySet()) {
                next = next.with(each.getKey(), r -> r.withPlacing(each.getValue()));
            }
            return next;
        });
    }

    /** A run as a test of its corners and wiring has shown it. */
    public static Edit placed(String text, PixelRun run, PixelPlacing placing) {
        return new Edit(text, p -> p.with(run.id(), r -> r.withPlacing(placing)));
    }
}
