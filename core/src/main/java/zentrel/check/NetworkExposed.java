package zentrel.check;

import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import zentrel.path.HopKind;
import zentrel.path.SignalPath;
import zentrel.path.Verdict;
import zentrel.plan.Edit;
import zentrel.plan.Id;
import zentrel.plan.Kind;
import zentrel.plan.Segment;

/** A stream that guests can reach: {@code network.exposed}. */
final class NetworkExposed extends PathRule {
    NetworkExposed() {
        super("network.exposed");
    }

    @Override
    public boolean applies(CheckContext context) {
        return context.plan().segments().stream().anyMatch(Segment::guests);
    }

    @Override
    Collection<Finding> unmet(CheckContext context) {
        Map<Id<Segment>, Set<Id<?>>> carried = new LinkedHashMap<>();
        for (SignalPath path : context.paths()) {
            path.legs().stream()
                    .map(l -> l.hop(HopKind.CARRIED))
                    .filter(h -> h.verdict() == Verdict.PASSES)
                    .flatMap(h -> h.at().as(Kind.SEGMENT).stream())
                    .forEach(segment -> path.signal()
                            .ifPresent(s -> carried.computeIfAbsent(segment, k -> new LinkedHashSet<>())
                                    .add(s)));
        }
        List<Finding> findings = new ArrayList<>();
        carried.forEach((id, signals) -> {
            Segment segment = context.index().segment(id);
            if (segment.guests()) {
                findings.add(unmet(
                        Severity.AT_RISK,
                        Optional.of(HopKind.CARRIED),
                        List.of(id),
                        RuleWords.say("network.exposed.says", "count", signals.size(), "segment", segment.name()),
                        List.of(new Edit(
                                RuleWords.say("network.exposed.fix", "segment", segment.name()),
                                p -> p.with(id, s -> s.withGuests(false))))));
            }
        });
        return findings;
    }
}
