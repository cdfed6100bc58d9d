package zentrel.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import java.util.HashMap;
import java.util.Map;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import zentrel.machine.MachineSheet;
import zentrel.plan.Adapter;
import zentrel.plan.Host;
import zentrel.plan.Id;
import zentrel.plan.Plan;

/** {@code zentrel machine PLAN HOST [--back]}: what to type on one computer. It runs nothing. */
@Command(
        name = "machine",
        mixinStandardHelpOptions = true,
        description = "Prints what to type on one computer so that it is as planned, or as it was. It runs nothing.")
final class MachineCommand implements Callable<Integer> {
    @Mixin
    @SuppressWarnings("NullAway.Init")
    private PlanInput input;

    @Parameters(index = "1", paramLabel = "HOST", description = "The computer, by name or id.")
    @SuppressWarnings("NullAway.Init")
    private String host;

    @Option(names = "--back", description = "The commands that undo it.")
    private boolean back;

    @Option(
            names = "--called",
            paramLabel = "SYSTEM=PLAN",
            description = "What the system calls an adapter now, and its name in the plan; it is renamed first.")
    private Map<String, String> called = new HashMap<>();

    @Mixin
    @SuppressWarnings("NullAway.Init")
    private Output out;

    @Override
    public Integer call() throws Refusal {
        Plan opened = input.plan();
        Host found = PlanArgument.host(opened, host);
        Map<Id<Adapter>, String> names = new HashMap<>();
        for (Map.Entry<String, String> entry : called.entrySet()) {
            Adapter adapter = found.adapters().stream()
                    .filter(a -> a.name().equals(entry.getValue()))
                    .findFirst()
                    .orElseThrow(() ->
                            new Refusal(found.name() + " has no adapter \"" + entry.getValue() + "\" in the plan."));
            names.put(adapter.id(), entry.getKey());
        }
        MachineSheet sheet;
        try {
            sheet = MachineSheet.of(opened, found.id(), names);
        } catch (IllegalArgumentException e) {
            throw new Refusal(String.valueOf(e.getMessage()), e);
        }
        if (out.json) {
            ArrayNode steps = Output.JSON.arrayNode();
            sheet.steps()
                    .forEach(s -> steps.addObject()
                            .put("title", s.title())
                            .put("typed", s.typed())
                            .put("command", s.command())
                            .put("back", s.back()));
            out.json(steps);
        } else {
            out.line((back ? sheet.backText(found.name()) : sheet.text(found.name())).stripTrailing());
        }
        return 0;
    }
}
