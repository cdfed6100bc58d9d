package zentrel.check;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import zentrel.load.Load;
import zentrel.path.SignalPaths;
import zentrel.plan.Plan;

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

    /** What one rule says. */
    private record Said(List<Finding> findings, Outcome outcome) {}

    private static Report report(Plan plan, SignalPaths paths, Optional<Report> before) {
        Optional<Load> load = before.flatMap(b -> b.load().standing(b.plan(), plan));
        CheckContext context = new CheckContext(paths, load);
        List<Rule> rules = RuleBook.rules();
        boolean many = plan.universes().size() >= MANY_UNIVERSES;
        Stream<Rule> each = many ? rules.parallelStream() : rules.stream();
        List<Said> said = each.map(rule -> said(rule, context, before)).toList();
        List<Finding> findings = new ArrayList<>();
        Map<String, Outcome> outcomes = new LinkedHashMap<>();
        for (int i = 0; i < rules.size(); i++) {
            findings.addAll(said.get(i).findings());
            outcomes.put(rules.get(i).id(), said.get(i).outcome());
        }
        findings.sort(Comparator.comparing(Finding::severity).reversed());
        return new Report(plan, findings, outcomes, context.load(), context.signalPaths());
    }

    private static Said said(Rule rule, CheckContext context, Optional<Report> before) {
        if (before.isPresent() && rule.stands(before.get(), context)) {
            return new Said(
                    before.get().findings().stream()
                            .filter(f -> f.rule().equals(rule.id()))
                            .toList(),
                    before.get().outcomes().getOrDefault(rule.id(), Outcome.NOT_KNOWN));
        }
        List<Finding> found = rule.findings(context);
        return new Said(found, outcome(rule, context, found));
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
