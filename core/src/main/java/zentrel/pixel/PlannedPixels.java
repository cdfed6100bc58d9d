package zentrel.pixel;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import zentrel.pixel.PixelSplit.Output;
import zentrel.pixel.PixelSplit.Run;
import zentrel.plan.Break;
import zentrel.plan.Fixture;
import zentrel.plan.Line;
import zentrel.plan.Plan;
import zentrel.plan.Port;
import zentrel.plan.Receiver;
import zentrel.profile.ApplicationKind;

/** The pixels of a plan as its pixel controllers put them out. */
public final class PlannedPixels {
    private PlannedPixels() {}

    /**
     * Every output of every pixel controller that has fixtures, in the order of the plan; an output's fixtures in the order of their
     * start slots.
     *
     * @param components slots of a pixel
     * @throws IllegalArgumentException with a sentence, where no output has any
     */
    public static PixelSplit of(Plan plan, int components) {
        if (components < 1) {
            throw new IllegalArgumentException("A pixel has at least one slot, not " + components + ".");
        }
        List<Output> outputs = new ArrayList<>();
        for (Receiver receiver : plan.receivers()) {
            if (plan.index().application(receiver.application()).kind() != ApplicationKind.PIXEL_CONTROLLER) {
                continue;
            }
            for (Port port : receiver.ports()) {
                List<Run> runs = runs(plan, port, components);
                if (!runs.isEmpty()) {
                    outputs.add(new Output(
                            outputs.size() + 1,
                            runs.stream().mapToInt(Run::pixels).sum(),
                            runs));
                }
            }
        }
        if (outputs.isEmpty()) {
            throw new IllegalArgumentException("No pixel controller of this plan has fixtures on an output.");
        }
        return new PixelSplit(outputs);
    }

    private static List<Run> runs(Plan plan, Port port, int components) {
        List<Break> breaks = new ArrayList<>();
        for (Line line : plan.index().linesOf(port.id())) {
            for (Fixture f : plan.index().fixturesOn(line.id())) {
                breaks.addAll(f.breaks());
            }
        }
        breaks.sort(Comparator.comparingInt((Break b) -> number(plan, b)).thenComparingInt(Break::start));
        List<Run> runs = new ArrayList<>();
        int pixel = 1;
        for (Break b : breaks) {
            int pixels = (b.footprint() + components - 1) / components;
            runs.add(
                    new Run(number(plan, b), pixel, pixels, b.start(), b.footprint(), b.footprint() % components != 0));
            pixel += pixels;
        }
        return runs;
    }

    private static int number(Plan plan, Break b) {
        return plan.index().universe(b.universe()).number();
    }
}
