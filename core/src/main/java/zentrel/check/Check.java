package zentrel.check;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import zentrel.path.SignalPaths;
import zentrel.plan.Plan;
import zentrel.plan.Reads;

/** Runs every rule over a plan. */
public final class Check {
    /** Universes from which on the rules are asked on all processors; for fewer that takes longer, however many boxes there are. */
    private static final int MANY_UNIVERSES = 200;

    private Check() {}

    /** Checks a plan. */
    public static Report run(Plan plan) {
        return report(plan, new SignalPaths(plan), Optional.empty());
    }

    /** Checks a plan that came of an edit of another: gives what {@link #run} does, but judges only what the edit may reach. */
    public static Report after(Report before, Plan plan) {
        return report(plan, new SignalPaths(plan, before.signalPaths()), Optional.of(before));
    }

    private static Report report(Plan plan, SignalPaths paths, Optional<Report> before) {
        CheckContext context = new CheckContext(paths, before);
        List<Rule> rules = RuleBook.rules();
        boolean many = plan.universes().size() >= MANY_UNIVERSES;
        Stream<Rule> each = many ? rules.parallelStream() : rules.stream();
        List<Said> said = each.map(rule -> said(rule, context, before)).toList();
        return new Report(plan, said, context.load(), paths, context.metRules());
    }

    /** What a rule says; as before an edit, where all that it read then is the same now. */
    private static Said said(Rule rule, CheckContext context, Optional<Report> before) {
        return before.flatMap(b ->
                        b.said(rule.id()).filter(s -> s.reads().stream().allMatch(key -> context.isSame(key, b))))
                .orElseGet(() -> asked(rule, context));
    }

    private static Said asked(Rule rule, CheckContext context) {
        Reads.Traced<Said> traced = Reads.byTable(() -> {
            List<Finding> found = rule.findings(context);
            return new Said(rule.id(), found, outcome(rule, context, found), Set.of());
        });
        return traced.result().reading(traced.keys());
    }

    private static Outcome outcome(Rule rule, CheckContext context, List<Finding> found) {
        if (!found.isEmpty()) {
            return found.stream()
                    .map(Finding::severity)
                    .max(Comparator.naturalOrder())
                    .map(Outcome::of)
                    .orElseThrow();
        }
        if (context.notKnown(rule.id())) {
            return Outcome.NOT_KNOWN;
        }
        return rule.applies(context) ? Outcome.PASSES : Outcome.NOT_APPLICABLE;
    }
}
