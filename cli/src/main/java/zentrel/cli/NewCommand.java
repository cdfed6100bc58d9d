package zentrel.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import zentrel.file.LoadedPlan;
import zentrel.gear.Library;
import zentrel.pattern.Pattern;
import zentrel.pattern.Patterns;
import zentrel.pattern.Question;
import zentrel.plan.Plan;

/** {@code zentrel new PATTERN [QUESTION=ANSWER …] -o OUT}: a plan to start from. */
@Command(
        name = "new",
        mixinStandardHelpOptions = true,
        description = {
            "Makes a plan from a pattern; what is not answered is as usual.",
            "Without a pattern it lists the patterns and what each asks."
        })
final class NewCommand implements Callable<Integer> {
    @Parameters(index = "0", arity = "0..1", paramLabel = "PATTERN", description = "A pattern by its id.")
    private Optional<String> pattern = Optional.empty();

    @Parameters(index = "1..*", paramLabel = "QUESTION=ANSWER", description = "Answers, by the id of the question.")
    private Map<String, String> answers = new LinkedHashMap<>();

    @Option(
            names = {"-o", "--output"},
            paramLabel = "OUT",
            description = "The plan file to write.")
    private Optional<Path> output = Optional.empty();

    @Mixin
    @SuppressWarnings("NullAway.Init")
    private Output out;

    @Override
    public Integer call() throws Refusal {
        if (pattern.isEmpty()) {
            list();
            return 0;
        }
        Pattern chosen = Patterns.all().stream()
                .filter(p -> p.id().equals(pattern.get()))
                .findFirst()
                .orElseThrow(() -> new Refusal("There is no pattern \"" + pattern.get() + "\"; there are "
                        + Patterns.all().stream().map(Pattern::id).collect(Collectors.joining(", ")) + "."));
        for (String asked : answers.keySet()) {
            if (chosen.questions().stream().noneMatch(q -> q.id().equals(asked))) {
                throw new Refusal(chosen.title() + " asks nothing called \"" + asked + "\"; it asks "
                        + chosen.questions().stream().map(Question::id).collect(Collectors.joining(", ")) + ".");
            }
        }
        Path to = output.orElseThrow(() -> new Refusal("Say where the plan goes: -o OUT."));
        Plan plan;
        try {
            plan = chosen.build(Library.shipped(), answers);
        } catch (IllegalArgumentException e) {
            throw new Refusal(String.valueOf(e.getMessage()), e);
        }
        PlanArgument.save(LoadedPlan.of(plan), to);
        if (out.json) {
            out.json(Output.JSON
                    .objectNode()
                    .put("plan", plan.name())
                    .put("hosts", plan.hosts().size())
                    .put("universes", plan.universes().size()));
        } else {
            out.line(plan.name() + ": " + plan.hosts().size() + " devices, "
                    + plan.universes().size() + " universes, written to " + to + ".");
        }
        return 0;
    }

    private void list() {
        if (!out.json) {
            for (Pattern p : Patterns.all()) {
                out.line(p.id() + "    " + p.summary());
                p.questions()
                        .forEach(q -> out.line("    " + q.id() + "=" + q.usual() + "    " + q.text()
                                + (q.choices().isEmpty() ? "" : " " + String.join(" or ", List.copyOf(q.choices())))));
            }
            return;
        }
        ObjectNode root = Output.JSON.objectNode();
        ArrayNode patterns = root.putArray("patterns");
        for (Pattern p : Patterns.all()) {
            ArrayNode asks = patterns.addObject()
                    .put("id", p.id())
                    .put("title", p.title())
                    .put("summary", p.summary())
                    .putArray("questions");
            p.questions()
                    .forEach(q -> asks.addObject()
                            .put("id", q.id())
                            .put("text", q.text())
                            .put("usual", q.usual()));
        }
        out.json(root);
    }
}
