package zentrel.check;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import zentrel.gear.PixelEdits;
import zentrel.path.HopKind;
import zentrel.pixel.ControllerSplit;
import zentrel.pixel.ControllerSplit.Out;
import zentrel.plan.*;

/** A rule about the outputs of pixel controllers. */
abstract class PixelRule extends PathRule {
    PixelRule(String id) {
        super(id, context -> !context.plan().pixelOutputs().isEmpty());
    }

    @Override
    Collection<Finding> unmet(CheckContext context) {
        List<Finding> findings = new ArrayList<>();
        for (ControllerSplit split : ControllerSplit.all(context.plan())) {
            for (Out out : split.outputs()) {
                if (!out.runs().isEmpty()) {
                    finding(context.plan(), split, out).ifPresent(findings::add);
                }
            }
        }
        return findings;
    }

    /** What is wrong with an output that has pixels. */
    abstract Optional<Finding> finding(Plan plan, ControllerSplit split, Out out);

    /** A finding about an output. */
    final Finding about(Severity severity, Out out, String text, List<Edit> fixes) {
        List<Id<?>> subjects =
                new ArrayList<>(List.of(out.output().id(), out.output().receiver()));
        out.runs().forEach(r -> subjects.add(r.id()));
        return unmet(severity, Optional.of(HopKind.LEADS), subjects, text, fixes);
    }

    static String controller(Plan plan, Out out) {
        return plan.index().get(out.output().receiver()).name();
    }

    /** A fix that hangs the last run on the first other output that has room for it; none where there is no such. */
    static Optional<Edit> moved(String rule, ControllerSplit split, Out out, int most) {
        PixelRun run = out.runs().get(out.runs().size() - 1);
        return split.outputs().stream()
                .filter(o -> !o.equals(out))
                .filter(o -> most == 0 || o.pixels() + run.pixels() <= most)
                .filter(o -> o.output().limits().pixels() == 0
                        || o.pixels() + run.pixels() <= o.output().limits().pixels())
                .findFirst()
                .map(to -> new Edit(
                        RuleWords.say(
                                rule + ".fix",
                                "run",
                                run.name(),
                                "output",
                                to.output().name()),
                        p -> PixelEdits.moved(p, run.id(), to.output().id())));
    }
}
