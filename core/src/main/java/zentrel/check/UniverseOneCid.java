package zentrel.check;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import zentrel.plan.Application;
import zentrel.plan.Edit;

/** Two sources with one identity: {@code universe.one-cid}. */
final class UniverseOneCid extends PathRule {
    UniverseOneCid() {
        super("universe.one-cid");
    }

    @Override
    public boolean applies(CheckContext context) {
        return context.plan().applications().stream()
                .anyMatch(a -> a.installed().cid().isPresent());
    }

    /** Two that share it and meet at no port are worth knowing of. */
    @Override
    Collection<Finding> unmet(CheckContext context) {
        Map<String, Application> first = new HashMap<>();
        List<Finding> findings = new ArrayList<>();
        for (Application a : context.plan().applications()) {
            String cid = a.installed().cid().orElse("");
            Application other = cid.isEmpty() ? null : first.putIfAbsent(cid, a);
            if (other != null) {
                findings.add(unmet(
                        Severity.NOTE,
                        Optional.empty(),
                        List.of(a.id(), other.id()),
                        RuleWords.say(
                                "universe.one-cid.says",
                                "other",
                                context.index().name(other.id()),
                                "source",
                                context.index().name(a.id()),
                                "identity",
                                cid),
                        List.of(new Edit(
                                RuleWords.say(
                                        "universe.one-cid.fix",
                                        "source",
                                        context.index().name(a.id())),
                                p -> p.with(
                                        a.id(),
                                        x -> x.withInstalled(x.installed().withCid(Optional.empty())))))));
            }
        }
        return findings;
    }
}
