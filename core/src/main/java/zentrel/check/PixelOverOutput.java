package zentrel.check;

import java.util.Optional;
import zentrel.pixel.ControllerSplit;
import zentrel.pixel.ControllerSplit.Out;
import zentrel.plan.*;

/** More on an output than it drives: {@code pixel.over-output}. */
final class PixelOverOutput extends PixelRule {
    PixelOverOutput() {
        super("pixel.over-output");
    }

    @Override
    Optional<Finding> finding(Plan plan, ControllerSplit split, Out out) {
        if (!out.isOver()) {
            return Optional.empty();
        }
        PixelLimits limits = out.output().limits();
        boolean pixels = limits.pixels() > 0 && out.pixels() > limits.pixels();
        int count = pixels ? out.pixels() : out.universes();
        int most = pixels ? limits.pixels() : limits.universes();
        String text = RuleWords.say(
                id() + ".says/" + (pixels ? "pixels" : "universes"),
                "output",
                out.output().name(),
                "controller",
                controller(plan, out),
                "count",
                count,
                "most",
                most);
        int needed = split.controllersNeeded();
        return Optional.of(about(
                Severity.BROKEN,
                out,
                needed > 1 ? text + " " + RuleWords.say(id() + ".needed", "count", needed) : text,
                moved(id(), split, out, 0).stream().toList()));
    }
}
