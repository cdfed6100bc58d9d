package zentrel.check;

import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import zentrel.gear.PixelSpread;
import zentrel.pixel.ControllerSplit;
import zentrel.pixel.ControllerSplit.Out;
import zentrel.plan.*;

/** Pixels patched otherwise than their controller puts them out: {@code pixel.split}. */
final class PixelSplitDiffers extends PixelRule {
    PixelSplitDiffers() {
        super("pixel.split");
    }

    @Override
    Optional<Finding> finding(Plan plan, ControllerSplit split, Out out) {
        Edit fix = new Edit(
                RuleWords.say(id() + ".fix", "controller", controller(plan, out)),
                p -> PixelSpread.of(p, split.receiver(), Optional.empty(), Optional.empty())
                        .applyTo(p));
        if (out.universes() > out.output().ports().size()) {
            PixelRun first = out.pieces().stream()
                    .filter(p -> out.port(p).isEmpty())
                    .findFirst()
                    .orElseThrow()
                    .run();
            return Optional.of(about(
                    Severity.BROKEN,
                    out,
                    RuleWords.say(
                            id() + ".says/ports",
                            "output",
                            out.output().name(),
                            "controller",
                            controller(plan, out),
                            "count",
                            out.universes(),
                            "most",
                            out.output().ports().size(),
                            "run",
                            first.name()),
                    List.of(fix)));
        }
        for (PixelRun run : out.runs()) {
            List<Break> put = split.breaks(plan, run);
            List<Break> patched =
                    run.fixture().map(f -> plan.index().fixture(f).breaks()).orElse(List.of());
            if (!same(put, patched)) {
                return Optional.of(about(
                        Severity.BROKEN,
                        out,
                        RuleWords.say(
                                id() + ".says/" + (patched.isEmpty() ? "none" : "slots"),
                                "run",
                                run.name(),
                                "patched",
                                said(plan, patched),
                                "output",
                                out.output().name(),
                                "put",
                                said(plan, put)),
                        List.of(fix)));
            }
        }
        return Optional.empty();
    }

    private static boolean same(List<Break> one, List<Break> other) {
        return places(one).equals(places(other));
    }

    private static List<List<Object>> places(List<Break> breaks) {
        return breaks.stream()
                .<List<Object>>map(b -> List.of(b.universe(), b.start(), b.footprint()))
                .toList();
    }

    private static String said(Plan plan, List<Break> breaks) {
        return breaks.isEmpty()
                ? "no slot"
                : breaks.stream()
                        .map(b -> "U" + plan.index().universe(b.universe()).number() + " " + b.start() + "–" + b.end())
                        .collect(Collectors.joining(", "));
    }
}
