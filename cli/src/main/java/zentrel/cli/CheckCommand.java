package zentrel.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.List;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import zentrel.check.Check;
import zentrel.check.Finding;
import zentrel.check.Fix;
import zentrel.check.Fixes;
import zentrel.check.Report;
import zentrel.text.Counted;

/** {@code zentrel check PLAN}: what is wrong, and what mends it. */
@Command(
        name = "check",
        mixinStandardHelpOptions = true,
        description = "Lists what is wrong with a plan, and the fixes.")
final class CheckCommand implements Callable<Integer> {
    @Mixin
    @SuppressWarnings("NullAway.Init")
    private PlanInput input;

    @Mixin
    @SuppressWarnings("NullAway.Init")
    private Output out;

    @Override
    public Integer call() throws Refusal {
        Report report = Check.run(input.plan());
        List<Finding> findings =
                report.findings().stream().map(f -> Fixes.withProven(report, f)).toList();
        if (out.json) {
            out.json(json(report, findings));
        } else {
            print(report, findings);
        }
        return report.isBroken() ? 1 : 0;
    }

    private static ObjectNode json(Report report, List<Finding> findings) {
        ObjectNode root = Output.JSON.objectNode();
        ArrayNode list = root.putArray("findings");
        for (Finding finding : findings) {
            ObjectNode f = list.addObject();
            f.put("rule", finding.rule());
            f.put("severity", finding.severity().word());
            finding.hop().ifPresentOrElse(h -> f.put("hop", h.number()), () -> f.putNull("hop"));
            ArrayNode subjects = f.putArray("subjects");
            finding.subjects().forEach(s -> subjects.add(s.value()));
            f.put("text", finding.text());
            ArrayNode fixes = f.putArray("fixes");
            for (Fix fix : finding.fixes()) {
                fixes.addObject().put("id", fix.id()).put("text", fix.text());
            }
        }
        ArrayNode rules = root.putArray("rules");
        report.outcomes()
                .forEach((rule, outcome) -> rules.addObject().put("rule", rule).put("outcome", outcome.word()));
        return root;
    }

    private void print(Report report, List<Finding> findings) {
        for (Finding finding : findings) {
            out.line(finding.severity().title() + "  " + finding.rule()
                    + finding.hop()
                            .map(h -> "  hop " + h.number() + " " + h.title())
                            .orElse(""));
            out.line("    " + finding.text());
            finding.restsOn().forEach(r -> out.line("    Rests on: " + r.sentence() + "."));
            finding.fixes().forEach(f -> out.line("    → " + f.text() + "   [" + f.id() + "]"));
        }
        out.line(
                findings.isEmpty()
                        ? "No problems found in " + report.plan().name() + "."
                        : Counted.of(findings.size(), "finding") + " in "
                                + report.plan().name() + ".");
    }
}
