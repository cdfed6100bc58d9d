package zentrel.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.List;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import zentrel.gear.SurfaceMap;
import zentrel.plan.ControlLink;
import zentrel.plan.Plan;

/** {@code zentrel surface export PLAN}. */
@Command(
        name = "surface",
        mixinStandardHelpOptions = true,
        description = "What the controls of a surface send.",
        subcommands = SurfaceCommand.Export.class)
final class SurfaceCommand implements Callable<Integer> {
    @Override
    public Integer call() throws Refusal {
        throw new Refusal("Write surface export.");
    }

    /** {@code zentrel surface export PLAN [--link ID]}. */
    @Command(
            name = "export",
            mixinStandardHelpOptions = true,
            description = "The controls of surfaces with what each sends, as a table for both ends.")
    static final class Export implements Callable<Integer> {
        @Mixin
        @SuppressWarnings("NullAway.Init")
        private PlanInput input;

        @Option(names = "--link", paramLabel = "ID", description = "Only this control link.")
        private @Nullable String only;

        @Mixin
        @SuppressWarnings("NullAway.Init")
        private Output out;

        @Override
        public Integer call() throws Refusal {
            Plan plan = input.plan();
            List<ControlLink> links = plan.links().stream()
                    .filter(l -> only == null
                            ? !l.controls().isEmpty()
                            : l.id().value().equals(only))
                    .toList();
            if (only != null && links.isEmpty()) {
                throw new Refusal("The plan has no control link \"" + only + "\".");
            }
            int conflicts = 0;
            ArrayNode all = Output.JSON.arrayNode();
            for (ControlLink link : links) {
                List<String> told = new SurfaceMap(link).conflicts();
                conflicts += told.size();
                List<List<String>> rows = SurfaceMap.table(plan, link).rows();
                if (out.json) {
                    ObjectNode n =
                            all.addObject().put("link", link.id().value()).put("message", link.message());
                    ArrayNode controls = n.putArray("controls");
                    for (List<String> row : rows.subList(2, rows.size())) {
                        ObjectNode c = controls.addObject();
                        for (int i = 0; i < row.size(); i++) {
                            c.put(rows.get(0).get(i).toLowerCase(java.util.Locale.ROOT), row.get(i));
                        }
                    }
                    ArrayNode said = n.putArray("conflicts");
                    told.forEach(said::add);
                } else {
                    out.line(SurfaceMap.table(plan, link).csv().stripTrailing());
                    told.forEach(out::line);
                }
            }
            if (out.json) {
                out.json(Output.JSON.objectNode().set("surfaces", all));
            } else if (links.isEmpty()) {
                out.line("The plan has no surface: no control link has controls.");
            }
            return conflicts == 0 ? 0 : 1;
        }
    }
}
