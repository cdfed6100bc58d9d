package zentrel.check;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import zentrel.plan.Id;
import zentrel.plan.Stream;
import zentrel.plan.Universe;

/** Sent but nobody takes it: {@code universe.no-receiver}. */
final class UniverseNoReceiver extends PathRule {
    UniverseNoReceiver() {
        super("universe.no-receiver");
    }

    @Override
    public boolean applies(CheckContext context) {
        return !context.plan().streams().isEmpty();
    }

    @Override
    Collection<Finding> unmet(CheckContext context) {
        List<Finding> findings = new ArrayList<>();
        for (Universe universe : context.signalPaths().untaken()) {
            List<Stream> streams = context.index().fixturesIn(universe.id()).isEmpty()
                    ? context.index().streamsOf(universe.id())
                    : List.of(); // where anything is patched its path says it
            if (streams.stream().anyMatch(s -> s.enabled().inForce())) {
                List<Id<?>> subjects = new ArrayList<>();
                subjects.add(universe.id());
                streams.forEach(s -> subjects.add(s.id()));
                findings.add(unmet(
                        Severity.NOTE,
                        Optional.empty(),
                        subjects,
                        RuleWords.say(
                                "universe.no-receiver.says",
                                "universe",
                                universe.label() + " " + universe.name(),
                                "source",
                                context.index().name(streams.get(0).application())),
                        List.of()));
            }
        }
        return findings;
    }
}
