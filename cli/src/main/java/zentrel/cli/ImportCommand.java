package zentrel.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import zentrel.address.AddressChange;
import zentrel.address.AddressImport;
import zentrel.file.LoadedPlan;
import zentrel.ipv4.HostAddress;
import zentrel.plan.Edit;
import zentrel.routing.RoutingTable;
import zentrel.table.LeftOut;
import zentrel.table.TextTable;
import zentrel.text.Counted;
import zentrel.text.PlainText;

/** {@code zentrel import PLAN TABLE [-o OUT]}: a table of addresses taken over into a plan. */
@Command(
        name = "import",
        mixinStandardHelpOptions = true,
        description =
                "Takes a table of addresses (CSV or XLSX) over into a plan; without -o it only says what would change.")
final class ImportCommand implements Callable<Integer> {
    @Mixin
    @SuppressWarnings("NullAway.Init")
    private PlanInput input;

    @Parameters(index = "1", paramLabel = "TABLE", description = "A file with commas, semicolons or tabs, or .xlsx.")
    @SuppressWarnings("NullAway.Init")
    private String table;

    @Option(
            names = "--what",
            paramLabel = "WHAT",
            defaultValue = "addresses",
            description = "What the table is of: addresses (default) or routes.")
    @SuppressWarnings("NullAway.Init")
    private Tables.What what;

    @Option(
            names = {"-o", "--output"},
            paramLabel = "OUT",
            description = "The plan file to write.")
    private @Nullable Path output;

    @Mixin
    @SuppressWarnings("NullAway.Init")
    private Output out;

    @Override
    public Integer call() throws Refusal {
        LoadedPlan loaded = input.loaded();
        TextTable rows;
        AddressImport taken;
        try {
            rows = TextTable.read(Path.of(table));
            if (!what.comesIn()) {
                throw new Refusal("--what: the start order is worked out of the plan; it cannot be taken over.");
            }
            if (what == Tables.What.routes) {
                return routes(loaded, RoutingTable.take(loaded.plan(), rows));
            }
            taken = AddressImport.of(loaded.plan(), rows, AddressImport.guess(loaded.plan(), rows), Optional.empty());
        } catch (IOException | InvalidPathException e) {
            throw new Refusal("The table " + PlainText.shown(table, 200) + " cannot be read.", e);
        } catch (IllegalArgumentException e) {
            throw new Refusal(String.valueOf(e.getMessage()), e);
        }
        save(loaded, taken.readdressing().edit());
        if (out.json) {
            out.json(json(taken));
        } else {
            for (AddressChange.Change c : taken.readdressing().changes()) {
                out.line(c.name() + ": " + c.before().map(HostAddress::toString).orElse("none") + " becomes "
                        + c.after());
            }
            taken.readdressing().warnings().forEach(out::line);
            LeftOut.lines(taken.leftOut()).forEach(out::line);
            out.line(Counted.of(taken.readdressing().changes().size(), "address", "addresses") + " and "
                    + Counted.of(taken.facts(), "other fact") + " to change, " + Counted.of(taken.same(), "row")
                    + " as in the plan, " + taken.leftOut().size() + " left out.");
        }
        return taken.leftOut().isEmpty() ? 0 : 1;
    }

    private void save(LoadedPlan loaded, Edit edit) throws Refusal {
        if (output != null) {
            PlanArgument.save(new LoadedPlan(edit.applyTo(loaded.plan()), loaded.unknown()), output);
        }
    }

    private int routes(LoadedPlan loaded, RoutingTable.Taken taken) throws Refusal {
        save(loaded, taken.edit());
        if (out.json) {
            ObjectNode root = Output.JSON.objectNode();
            ArrayNode changes = root.putArray("changes");
            taken.changes().forEach(changes::add);
            root.put("same", taken.same());
            leftOut(root, taken.leftOut());
            out.json(root);
        } else {
            taken.changes().forEach(out::line);
            LeftOut.lines(taken.leftOut()).forEach(out::line);
            out.line(Counted.of(taken.changes().size(), "port") + " to change, " + Counted.of(taken.same(), "row")
                    + " as in the plan, " + taken.leftOut().size() + " left out.");
        }
        return taken.leftOut().isEmpty() ? 0 : 1;
    }

    private static void leftOut(ObjectNode root, List<LeftOut> rows) {
        ArrayNode leftOut = root.putArray("leftOut");
        rows.stream()
                .limit(LeftOut.MOST_LISTED)
                .forEach(l -> leftOut.addObject().put("row", l.row()).put("why", l.why()));
        root.put("leftOutRows", rows.size());
    }

    private static ObjectNode json(AddressImport taken) {
        ObjectNode root = Output.JSON.objectNode();
        ArrayNode changes = root.putArray("changes");
        taken.readdressing()
                .changes()
                .forEach(c -> changes.addObject()
                        .put("adapter", c.adapter().value())
                        .put("before", c.before().map(HostAddress::toString).orElse(null))
                        .put("after", c.after().toString()));
        ArrayNode warnings = root.putArray("warnings");
        taken.readdressing().warnings().forEach(warnings::add);
        root.put("facts", taken.facts());
        root.put("same", taken.same());
        leftOut(root, taken.leftOut());
        return root;
    }
}
