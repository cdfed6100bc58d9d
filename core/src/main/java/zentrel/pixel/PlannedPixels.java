package zentrel.pixel;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import zentrel.pixel.ControllerSplit.Out;
import zentrel.pixel.ControllerSplit.Piece;
import zentrel.pixel.PixelSplit.Output;
import zentrel.pixel.PixelSplit.Run;
import zentrel.plan.Id;
import zentrel.plan.Plan;
import zentrel.plan.Port;

/** The pixels of a plan as its pixel controllers put them out, with the numbers of their universes. */
public final class PlannedPixels {
    private PlannedPixels() {}

    /**
     * Every output that has pixels, in the order of the controllers; what no port brings is left out.
     *
     * @throws IllegalArgumentException with a sentence, where there are none
     */
    public static PixelSplit of(Plan plan) {
        List<Output> outputs = new ArrayList<>();
        for (ControllerSplit split : ControllerSplit.all(plan)) {
            for (Out out : split.outputs()) {
                if (!out.pieces().isEmpty()) {
                    outputs.add(new Output(outputs.size() + 1, out.pixels(), byUniverse(plan, out)));
                }
            }
        }
        if (outputs.isEmpty()) {
            throw new IllegalArgumentException("No pixel controller of this plan has pixels on an output.");
        }
        return new PixelSplit(outputs);
    }

    /** What the runs of an output take of each universe, as one; its pixels counted over the output. */
    private static List<Run> byUniverse(Plan plan, Out out) {
        Map<Integer, Run> all = new TreeMap<>();
        int pixel = 1;
        for (Piece piece : out.pieces()) {
            Run slots = piece.slots();
            Optional<Integer> number = number(plan, out.port(piece));
            int begins = pixel;
            pixel += slots.pixels();
            number.ifPresent(n -> all.merge(
                    slots.number(),
                    new Run(n, begins, slots.pixels(), slots.firstSlot(), slots.slots(), slots.straddles()),
                    (a, b) -> new Run(
                            n,
                            a.firstPixel(),
                            a.pixels() + b.pixels(),
                            a.firstSlot(),
                            a.slots() + b.slots(),
                            b.straddles())));
        }
        return List.copyOf(all.values());
    }

    private static Optional<Integer> number(Plan plan, Optional<Id<Port>> port) {
        return port.flatMap(p -> plan.index().port(p).universe())
                .map(u -> plan.index().universe(u).number());
    }
}
