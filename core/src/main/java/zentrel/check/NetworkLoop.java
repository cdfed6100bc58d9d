package zentrel.check;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import zentrel.path.HopKind;

/** Cables in a ring: {@code network.loop}. */
final class NetworkLoop extends PathRule {
    NetworkLoop() {
        super("network.loop");
    }

    @Override
    public boolean applies(CheckContext context) {
        return !context.plan().cables().isEmpty();
    }

    @Override
    Collection<Finding> unmet(CheckContext context) {
        List<Finding> findings = new ArrayList<>();
        context.signalPaths()
                .rings()
                .forEach((cable, over) -> findings.add(unmet(
                        Severity.BROKEN,
                        Optional.of(HopKind.CARRIED),
                        List.of(cable),
                        RuleWords.say(
                                "network.loop.says",
                                "devices",
                                String.join(
                                        ", ",
                                        over.stream().map(context.index()::name).toList()),
                                "cable",
                                context.index().name(cable)),
                        List.of(context.remedies().unplug(cable)))));
        return findings;
    }
}
