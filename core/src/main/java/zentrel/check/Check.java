package zentrel.check;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import zentrel.plan.Plan;

/** Runs every rule over a plan. */
public final class Check {
    private Check() {}

    public static Report run(Plan plan) {
        CheckContext context = new CheckContext(plan);
        List<Finding> findings = new ArrayList<>();
        Map<String, Outcome> outcomes = new LinkedHashMap<>();
        for (Rule rule : RuleBook.rules()) {
            List<Finding> found = rule.findings(context);
            findings.addAll(found);
            outcomes.put(rule.id(), outcome(rule, context, found));
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
