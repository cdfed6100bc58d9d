package zentrel.check;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import zentrel.path.SignalPaths;
import zentrel.plan.Plan;

/** Runs every rule over a plan. */
public final class Check {
    /** Paths from which on the rules are asked on all processors; for fewer that takes longer. */
    private static final int MANY = 200;

    private Check() {}

    /** Checks a plan. */
    public static Report run(Plan plan) {
        return report(plan, new SignalPaths(plan));
    }

    /** Checks a plan that came of an edit of another: gives what {@link #run} does, but judges only what the edit may reach. */
    public static Report after(Report before, Plan plan) {
        return report(plan, new SignalPaths(plan, before.signalPaths()));
    }

    private static Report report(Plan plan, SignalPaths paths) {
        CheckContext context = new CheckContext(paths);
        List<Rule> rules = RuleBook.rules();
        Stream<Rule> each = context.paths().size() < MANY ? rules.stream() : rules.parallelStream();
        List<List<Finding>> foundByRule =
                each.map(rule -> rule.findings(context)).toList();
        List<Finding> findings = new ArrayList<>();
        Map<String, Outcome> outcomes = new LinkedHashMap<>();
        for (int i = 0; i < rules.size(); i++) {
            findings.addAll(foundByRule.get(i));
            outcomes.put(rules.get(i).id(), outcome(rules.get(i), context, foundByRule.get(i)));
        }
        findings.sort(Comparator.comparing(Finding::severity).reversed());
        return new Report(plan, findings, outcomes, context.paths(), context.signalPaths());
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
