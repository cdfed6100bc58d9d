package zentrel.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import zentrel.pixel.PixelTables;
import zentrel.plan.Plan;
import zentrel.table.TextTable;

/** {@code zentrel pixels export}. */
@Command(
        name = "export",
        mixinStandardHelpOptions = true,
        description =
                "The pixels of a plan as a table: what is set on controllers, a map of universes, labels, places.")
final class PixelsExport implements Callable<Integer> {
    @Parameters(index = "0", paramLabel = "PLAN", description = "A plan file, or demo:ready, demo:draft.")
    @SuppressWarnings("NullAway.Init")
    private String plan;

    @Option(
            names = "--as",
            paramLabel = "TABLE",
            defaultValue = "controllers",
            description = "controllers (default), universes, labels or places.")
    @SuppressWarnings("NullAway.Init")
    private String table;

    @Option(names = "-o", paramLabel = "FILE", description = "Where to write it, which must not be there yet.")
    private @Nullable Path to;

    @Mixin
    @SuppressWarnings("NullAway.Init")
    private Output out;

    @Override
    public Integer call() throws Refusal {
        Plan opened = PlanArgument.open(plan).plan();
        TextTable made = PixelTables.of(opened, form());
        if (out.json) {
            ArrayNode rows = Output.JSON.arrayNode();
            List<String> heads = made.rows().get(0);
            for (List<String> row : made.rows().subList(1, made.rows().size())) {
                ObjectNode each = rows.addObject();
                for (int i = 0; i < heads.size(); i++) {
                    each.put(heads.get(i), row.get(i));
                }
            }
            out.json(rows);
        } else {
            out.write(made.csv().getBytes(StandardCharsets.UTF_8), true, to);
        }
        return 0;
    }

    private PixelTables.Form form() throws Refusal {
        for (PixelTables.Form each : PixelTables.Form.values()) {
            if (each.word().equals(table)) {
                return each;
            }
        }
        throw new Refusal("--as: there is no \"" + table + "\"; there are controllers, universes, labels, places.");
    }
}
