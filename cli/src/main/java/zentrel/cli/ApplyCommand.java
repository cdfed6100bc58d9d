package zentrel.cli;

import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import zentrel.check.Check;
import zentrel.check.Finding;
import zentrel.check.Fix;
import zentrel.check.Fixes;
import zentrel.check.Report;
import zentrel.check.RuleBook;
import zentrel.file.LoadedPlan;
import zentrel.plan.Plan;

/** {@code zentrel apply PLAN --fix RULE[@ID] … -o OUT}: makes fixes and writes the plan. */
@Command(
        name = "apply",
        mixinStandardHelpOptions = true,
        description = "Applies fixes to a plan and writes the result.")
final class ApplyCommand implements Callable<Integer> {
    @Mixin
    @SuppressWarnings("NullAway.Init")
    private PlanInput input;

    @Option(
            names = "--fix",
            required = true,
            paramLabel = "RULE[@ID]",
            description = "A fix as check names it; a rule alone means all of its findings.")
    @SuppressWarnings("NullAway.Init")
    private List<String> fixes;

    @Option(
            names = {"-o", "--output"},
            required = true,
            paramLabel = "OUT",
            description = "The plan file to write.")
    @SuppressWarnings("NullAway.Init")
    private Path output;

    @Mixin
    @SuppressWarnings("NullAway.Init")
    private Output out;

    @Override
    public Integer call() throws Refusal {
        LoadedPlan loaded = input.loaded();
        Plan now = loaded.plan();
        com.fasterxml.jackson.databind.node.ArrayNode applied = Output.JSON.arrayNode();
        for (String fix : fixes) {
            now = apply(now, fix, applied);
        }
        PlanArgument.save(new LoadedPlan(now, loaded.unknown()), output);
        Report after = Check.run(now);
        long broken = after.count(zentrel.check.Severity.BROKEN);
        if (out.json) {
            com.fasterxml.jackson.databind.node.ObjectNode root = Output.JSON.objectNode();
            root.set("applied", applied);
            root.put("broken", broken);
            root.put("findings", after.findings().size());
            out.json(root);
        } else {
            applied.forEach(a -> out.line(a.path("text").asText()));
            out.line(broken == 0 ? "Nothing is broken now." : broken + " still broken.");
        }
        return broken == 0 ? 0 : 1;
    }

    private static Plan apply(Plan start, String asked, com.fasterxml.jackson.databind.node.ArrayNode applied)
            throws Refusal {
        String rule = asked.contains("@") ? asked.substring(0, asked.indexOf('@')) : asked;
        if (RuleBook.find(rule).isEmpty()) {
            throw new Refusal("There is no rule \"" + rule + "\".");
        }
        Plan plan = start;
        boolean any = false;
        // A rule alone: one finding after the other, since a fix may settle several.
        for (int guard = 0; guard < 10_000; guard++) {
            Report report = Check.run(plan);
            Optional<Fix> next = Optional.empty();
            for (Finding finding : report.findings()) {
                if (finding.rule().equals(rule) && next.isEmpty()) {
                    Finding proven = Fixes.withProven(report, finding);
                    next = asked.contains("@")
                            ? proven.fixes().stream()
                                    .filter(f -> f.id().equals(asked))
                                    .findFirst()
                            : proven.fixes().stream().findFirst();
                }
            }
            if (next.isEmpty()) {
                break;
            }
            plan = next.get().edit().applyTo(plan);
            applied.addObject()
                    .put("id", next.get().id())
                    .put("text", next.get().text());
            any = true;
            if (asked.contains("@")) {
                break;
            }
        }
        if (!any) {
            throw new Refusal("The plan has no fix \"" + asked + "\"; zentrel check lists those it has.");
        }
        return plan;
    }
}
