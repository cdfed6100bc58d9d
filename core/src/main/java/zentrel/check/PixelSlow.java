package zentrel.check;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import zentrel.pixel.ControllerSplit;
import zentrel.pixel.ControllerSplit.Out;
import zentrel.pixel.OutputFigures;
import zentrel.pixel.PixelRefresh;
import zentrel.plan.*;
import zentrel.text.Numbers;

/** Fewer pictures a second than wanted: {@code pixel.slow}. */
final class PixelSlow extends PixelRule {
    PixelSlow() {
        super("pixel.slow");
    }

    @Override
    Optional<Finding> finding(Plan plan, ControllerSplit split, Out out) {
        PixelRefresh refresh = OutputFigures.of(plan, out).refresh();
        int wanted = out.output().limits().wanted();
        if (refresh.reached() >= wanted) {
            return Optional.empty();
        }
        List<Edit> fixes = new ArrayList<>();
        if (refresh.limit() == PixelRefresh.Limit.DATA_LINE) {
            moved(id(), split, out, refresh.mostPixels()).ifPresent(fixes::add);
        }
        int accepted = Math.max(1, (int) Math.floor(refresh.reached()));
        fixes.add(new Edit(
                RuleWords.say(
                        id() + ".fix/accept",
                        "rate",
                        accepted,
                        "output",
                        out.output().name()),
                p -> p.with(out.output().id(), o -> o.withLimits(o.limits().withWanted(accepted)))));
        return Optional.of(about(
                Severity.AT_RISK,
                out,
                RuleWords.say(
                        id() + ".says",
                        "output",
                        out.output().name(),
                        "controller",
                        controller(plan, out),
                        "rate",
                        Numbers.plain(Math.round(refresh.reached() * 10) / 10.0),
                        "wanted",
                        wanted,
                        "limit",
                        RuleWords.say(id() + ".limit/" + refresh.limit().word(), "count", out.pixels()),
                        "most",
                        refresh.mostPixels()),
                fixes));
    }
}
