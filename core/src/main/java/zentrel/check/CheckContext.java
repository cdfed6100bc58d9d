package zentrel.check;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import zentrel.load.Load;
import zentrel.path.Hop;
import zentrel.path.HopKind;
import zentrel.path.Issue;
import zentrel.path.Leg;
import zentrel.path.Reason;
import zentrel.path.SignalPath;
import zentrel.path.SignalPaths;
import zentrel.path.Verdict;
import zentrel.plan.Fixture;
import zentrel.plan.Id;
import zentrel.plan.ListChange;
import zentrel.plan.Plan;
import zentrel.plan.PlanIndex;

/** One plan with all its paths judged, and the issues on them sorted by the rule that reports them. */
public final class CheckContext {
    /** An issue with where it was met. */
    record Met(Issue issue, HopKind hop, Optional<Id<?>> source, Optional<Id<?>> target) {}

    private final SignalPaths signalPaths;
    private final Set<Trait> traits;
    private final Map<String, List<Met>> metByRule = new HashMap<>();
    private volatile @Nullable Load load;

    /**
     * Sorts the issues.
     *
     * @param known the load, where it is known
     */
    CheckContext(SignalPaths signalPaths, Optional<Load> known) {
        this.signalPaths = signalPaths;
        load = known.orElse(null);
        traits = Trait.of(signalPaths.plan());
        for (SignalPath path : signalPaths.withIssues()) {
            for (Leg leg : path.legs()) {
                for (Hop hop : leg.hops()) {
                    for (Issue issue : hop.issues()) {
                        met(issue, hop.kind(), path.source(), path.receiver().or(path::signal));
                    }
                }
            }
        }
        for (Fixture fixture : signalPaths.withPatchIssues()) {
            for (Issue issue : signalPaths.patchIssues(fixture)) {
                met(issue, HopKind.LEADS, Optional.empty(), Optional.of(fixture.id()));
            }
        }
    }

    private void met(Issue issue, HopKind hop, Optional<Id<?>> source, Optional<Id<?>> target) {
        if (issue.reason() == Reason.BYTES_NOT_KNOWN) {
            return; // nobody can know them, so no rule waits for it
        }
        metByRule.computeIfAbsent(issue.rule(), r -> new ArrayList<>()).add(new Met(issue, hop, source, target));
    }

    public Plan plan() {
        return signalPaths.plan();
    }

    public PlanIndex index() {
        return plan().index();
    }

    /** Every path of the plan but those of single fixtures. */
    public List<SignalPath> paths() {
        return signalPaths.all();
    }

    public SignalPaths signalPaths() {
        return signalPaths;
    }

    /** Whether some box of the plan has it. */
    boolean has(Trait trait) {
        return traits.contains(trait);
    }

    /** Whether some lists of the plan are those that they were before an edit, by identity. */
    @SafeVarargs
    final boolean hasStill(Report before, Function<Plan, List<?>>... lists) {
        for (Function<Plan, List<?>> list : lists) {
            if (!ListChange.same(list.apply(before.signalPaths().plan()), list.apply(plan()))) {
                return false;
            }
        }
        return true;
    }

    /** Whether the load is what it was before an edit. */
    @SuppressWarnings("ReferenceEquality")
    boolean hasStillTheLoad(Report before) {
        return before.load() == load();
    }

    /** What the streams come to on each cable; worked out when a rule asks for it first. */
    Load load() {
        Load known = load;
        if (known == null) {
            synchronized (this) {
                known = load == null ? Load.of(plan()) : load;
                load = known;
            }
        }
        return known;
    }

    List<Met> met(String rule) {
        return metByRule.getOrDefault(rule, List.of());
    }

    boolean notKnown(String rule) {
        return met(rule).stream().anyMatch(m -> m.issue().verdict() == Verdict.NOT_KNOWN);
    }
}
