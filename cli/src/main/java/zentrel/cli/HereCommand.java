package zentrel.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import zentrel.compare.SeenAdapter;
import zentrel.compare.SeenComputer;
import zentrel.compare.UsingComputer;
import zentrel.file.LoadedPlan;
import zentrel.live.ThisComputer;
import zentrel.plan.Host;
import zentrel.plan.Plan;

/** {@code zentrel here [PLAN HOST]}: the adapters of this computer, and how they differ from those of the plan. */
@Command(
        name = "here",
        mixinStandardHelpOptions = true,
        description =
                "Prints the adapters of this computer and, with a plan and a host of it, what differs. Sends nothing.")
final class HereCommand implements Callable<Integer> {
    @Parameters(
            index = "0",
            arity = "0..1",
            paramLabel = "PLAN",
            description = "A plan file, demo:draft or demo:ready.")
    private @Nullable String plan;

    @Parameters(
            index = "1",
            arity = "0..1",
            paramLabel = "HOST",
            description = "Which host of it this is, by name or id.")
    private @Nullable String host;

    @Option(
            names = {"-o", "--output"},
            paramLabel = "OUT",
            description = "Write the plan with this computer as it is: what it has is in force.")
    private Optional<Path> output = Optional.empty();

    @Mixin
    @SuppressWarnings("NullAway.Init")
    private Output out;

    @Override
    public Integer call() throws Refusal {
        List<SeenAdapter> seen;
        try {
            seen = ThisComputer.adapters();
        } catch (IOException e) {
            throw new Refusal("This system does not tell of its adapters: " + e.getMessage() + ".", e);
        }
        Optional<SeenComputer> compared = compared(seen);
        List<String> differences = compared.map(SeenComputer::differences).orElse(List.of());
        if (out.json) {
            ObjectNode all = Output.JSON.objectNode();
            ArrayNode adapters = all.putArray("adapters");
            seen.forEach(a -> {
                ObjectNode n = adapters.addObject()
                        .put("name", a.name())
                        .put("up", a.up())
                        .put("loopback", a.loopback());
                n.put("mac", a.mac().orElse(null));
                a.wireless().ifPresentOrElse(w -> n.put("wireless", w), () -> n.putNull("wireless"));
                ArrayNode addresses = n.putArray("addresses");
                a.addresses().forEach(x -> addresses.add(x.toString()));
            });
            ArrayNode sentences = all.putArray("differences");
            differences.forEach(sentences::add);
            out.json(all);
        } else {
            seen.forEach(a -> out.line(String.format(
                    Locale.ROOT,
                    "%-12s %-4s %-17s %s",
                    a.name(),
                    a.up() ? "up" : "down",
                    a.mac().orElse(""),
                    String.join(
                            " ", a.addresses().stream().map(Object::toString).toList()))));
            differences.forEach(out::line);
            if (compared.isPresent() && differences.isEmpty()) {
                out.line("This computer is as planned.");
            }
        }
        if (output.isPresent()) {
            write(seen, output.get());
        }
        return differences.isEmpty() ? 0 : 1;
    }

    private void write(List<SeenAdapter> seen, Path to) throws Refusal {
        if (plan == null || host == null) {
            throw new Refusal("Say which host of which plan this computer is: zentrel here PLAN HOST -o OUT.");
        }
        LoadedPlan loaded = PlanArgument.open(plan);
        Host chosen = PlanArgument.host(loaded.plan(), host);
        Plan after = UsingComputer.as(loaded.plan(), chosen, seen).applyTo(loaded.plan());
        PlanArgument.save(new LoadedPlan(after, loaded.unknown()), to);
    }

    private Optional<SeenComputer> compared(List<SeenAdapter> seen) throws Refusal {
        String file = plan;
        String name = host;
        if (file == null) {
            return Optional.empty();
        }
        if (name == null) {
            throw new Refusal("Say which host of the plan this computer is: zentrel here PLAN HOST.");
        }
        return Optional.of(
                SeenComputer.of(PlanArgument.host(PlanArgument.open(file).plan(), name), seen));
    }
}
