package zentrel.check;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
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
import zentrel.path.fix.PathFixes;
import zentrel.path.fix.Remedies;
import zentrel.path.words.PathWords;
import zentrel.plan.Fixture;
import zentrel.plan.Id;
import zentrel.plan.Kind;
import zentrel.plan.Plan;
import zentrel.plan.PlanIndex;
import zentrel.plan.Reads;

/** One plan with all its paths judged, and the issues on them sorted by the rule that reports them. */
public final class CheckContext {
    /** An issue with where it was met. */
    record Met(Issue issue, HopKind hop, Optional<Id<?>> source, Optional<Id<?>> target) {}

    /** Noted where it is asked what paths met. */
    private record MetBy(String rule) {}

    /** Noted where the load is read. */
    private static final Object LOAD = "load";

    private final SignalPaths signalPaths;
    private final PathWords words;
    private final PathFixes fixes;
    private final Remedies remedies;
    private final Set<Trait> traits;
    private final Map<String, List<Met>> metByRule = new HashMap<>();
    private volatile @Nullable Load load;

    /**
     * Sorts the issues.
     *
     * @param before what was found before an edit; its load is taken over where the edit does not reach it
     */
    CheckContext(SignalPaths signalPaths, Optional<Report> before) {
        this.signalPaths = signalPaths;
        words = PathWords.of(signalPaths);
        fixes = new PathFixes(signalPaths);
        remedies = new Remedies(signalPaths.context());
        load = before.flatMap(b -> b.load().standing(b.signalPaths().plan(), signalPaths.plan()))
                .orElse(null);
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

    /** The words of issues. */
    PathWords words() {
        return words;
    }

    /** The edits that would fix issues. */
    PathFixes fixes() {
        return fixes;
    }

    /** The edits that fix, for rules that look beyond the paths. */
    Remedies remedies() {
        return remedies;
    }

    /** Whether some box of the plan has it. */
    boolean has(Trait trait) {
        Reads.note(Kind.HOST);
        return traits.contains(trait);
    }

    /**
     * Whether something that a rule read gives the same as before an edit.
     *
     * @param key as it was noted by this context, its paths or its plan
     */
    @SuppressWarnings("ReferenceEquality")
    boolean isSame(Object key, Report before) {
        if (key instanceof MetBy by) {
            // what is met may be met elsewhere, in other words
            return !metByRule.containsKey(by.rule()) && !before.met(by.rule());
        }
        return LOAD.equals(key) ? before.load() == load() : signalPaths.isSame(key, before.signalPaths());
    }

    /** What the streams come to on each cable; worked out when a rule asks for it first. */
    Load load() {
        Reads.note(LOAD);
        Load known = load;
        if (known == null) {
            synchronized (this) {
                known = load == null ? Reads.unnoted(() -> Load.of(plan())) : load;
                load = known;
            }
        }
        return known;
    }

    List<Met> met(String rule) {
        Reads.note(new MetBy(rule));
        return metByRule.getOrDefault(rule, List.of());
    }

    /** The rules that report something that a path met. */
    Set<String> metRules() {
        return Set.copyOf(metByRule.keySet());
    }

    boolean notKnown(String rule) {
        return met(rule).stream().anyMatch(m -> m.issue().verdict() == Verdict.NOT_KNOWN);
    }
}
