package zentrel.check;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import zentrel.path.HopKind;
import zentrel.path.Verdict;
import zentrel.plan.Edit;
import zentrel.plan.Id;
import zentrel.plan.Plan;
import zentrel.source.Sourced;

/**
 * A rule that reports what the signal paths met: one finding for each cause, however many paths suffer from it. A subclass may
 * add what is wrong although no signal depends on it.
 */
class PathRule implements Rule {
    /** How many of those who suffer are named among the subjects. */
    private static final int MOST_SUFFERERS = 30;

    private final String id;
    private final Predicate<CheckContext> applies;

    /** A rule that applies wherever there is a path. */
    PathRule(String id) {
        this(id, context -> context.signalPaths().any());
    }

    /** @param applies whether the plan has anything that the rule is about */
    PathRule(String id, Predicate<CheckContext> applies) {
        this.id = id;
        this.applies = applies;
    }

    @Override
    public final String id() {
        return id;
    }

    @Override
    public boolean applies(CheckContext context) {
        return applies.test(context);
    }

    @Override
    public List<Finding> findings(CheckContext context) {
        Map<Id<?>, List<CheckContext.Met>> byCause = new LinkedHashMap<>();
        for (CheckContext.Met met : context.met(id)) {
            if (met.issue().verdict().compareTo(Verdict.AT_RISK) >= 0) {
                byCause.computeIfAbsent(met.issue().cause(), c -> new ArrayList<>())
                        .add(met);
            }
        }
        Map<Id<?>, Finding> findings = new LinkedHashMap<>();
        byCause.forEach((cause, met) -> findings.put(cause, finding(context, cause, met)));
        for (Finding unmet : applies(context) ? unmet(context) : List.<Finding>of()) {
            findings.putIfAbsent(unmet.cause(), unmet);
        }
        return List.copyOf(findings.values());
    }

    /** What is wrong although no path meets it; asked where the rule applies. */
    Collection<Finding> unmet(CheckContext context) {
        return List.of();
    }

    private Finding finding(CheckContext context, Id<?> cause, List<CheckContext.Met> met) {
        CheckContext.Met worst = met.stream()
                .max(Comparator.comparing((CheckContext.Met m) -> m.issue().verdict())
                        .thenComparing(m -> -m.hop().number()))
                .orElseThrow();
        Set<Id<?>> sufferers = new LinkedHashSet<>();
        for (CheckContext.Met m : met) {
            if (sufferers.size() < MOST_SUFFERERS) {
                m.source().ifPresent(sufferers::add);
                m.target().ifPresent(sufferers::add);
            }
        }
        sufferers.remove(cause);
        List<Id<?>> subjects = new ArrayList<>();
        subjects.add(cause);
        subjects.addAll(sufferers);
        // a fixture that is judged by itself and with its signal is one
        boolean anySignal = met.stream().anyMatch(m -> m.source().isPresent());
        long others = met.stream()
                        .filter(m -> m.source().isPresent() || !anySignal)
                        .map(m -> List.of(m.source(), m.target()))
                        .distinct()
                        .count()
                - 1;
        String text = context.words().text(worst.issue())
                + (others > 0 ? " " + RuleWords.say("part/more-signals", "count", others) : "");
        Severity severity = worst.issue().verdict() == Verdict.BROKEN ? Severity.BROKEN : Severity.AT_RISK;
        return new Finding(
                id,
                severity,
                Optional.of(worst.hop()),
                subjects,
                text,
                fixes(
                        id,
                        cause,
                        met.stream().map(m -> context.fixes().of(m.issue())).toList()),
                worst.issue().facts().restsOn().<List<Sourced<?>>>map(List::of).orElse(List.of()));
    }

    /**
     * The fixes of one cause. Where it harms several signals in ways that each need an edit of their own, the edits are
     * joined into one fix.
     */
    static List<Fix> fixes(String rule, Id<?> cause, List<List<Edit>> remedies) {
        int most = remedies.stream().mapToInt(List::size).max().orElse(0);
        List<Fix> fixes = new ArrayList<>();
        Set<String> seen = new LinkedHashSet<>();
        for (int k = 0; k < most; k++) {
            Map<String, Edit> distinct = new LinkedHashMap<>();
            for (List<Edit> list : remedies) {
                if (!list.isEmpty()) {
                    Edit edit = list.get(Math.min(k, list.size() - 1));
                    distinct.putIfAbsent(edit.text(), edit);
                }
            }
            Edit joined = joined(List.copyOf(distinct.values()));
            if (seen.add(String.join("\n", distinct.keySet()))) {
                fixes.add(new Fix(
                        rule + "@" + cause.value() + (fixes.isEmpty() ? "" : "#" + (fixes.size() + 1)), joined));
            }
        }
        return fixes;
    }

    private static Edit joined(List<Edit> edits) {
        Edit first = edits.get(0);
        if (edits.size() == 1) {
            return first;
        }
        return new Edit(RuleWords.say("part/more-fixes", "first", first.text(), "count", edits.size() - 1), plan -> {
            Plan next = plan;
            for (Edit edit : edits) {
                next = edit.applyTo(next);
            }
            return next;
        });
    }

    /** A finding that no path meets. */
    final Finding unmet(Severity severity, Optional<HopKind> hop, List<Id<?>> subjects, String text, List<Edit> edits) {
        return new Finding(id, severity, hop, subjects, text, fixes(id, subjects.get(0), List.of(edits)), List.of());
    }
}
