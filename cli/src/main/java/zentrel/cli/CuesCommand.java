package zentrel.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import zentrel.cli.Values.Target;
import zentrel.control.CueComparison;
import zentrel.control.CueDifference;
import zentrel.control.CueTable;
import zentrel.control.MessageSet;
import zentrel.control.MessageSet.Use;
import zentrel.control.MessageTemplate;
import zentrel.packet.osc.OscValues;
import zentrel.table.LeftOut;
import zentrel.table.TextTable;
import zentrel.text.Counted;
import zentrel.text.PlainText;

/** {@code zentrel cues compare|send}. */
@Command(
        name = "cues",
        mixinStandardHelpOptions = true,
        description = "Compares two cue lists, and sends what differs.",
        subcommands = {CuesCommand.Compare.class, CuesCommand.Send.class})
final class CuesCommand implements Callable<Integer> {
    @Override
    public Integer call() throws Refusal {
        throw new Refusal("Write cues compare or cues send.");
    }

    /**
     * A cue list from a table.
     *
     * @throws Refusal where it is none
     */
    static CueTable read(String file) throws Refusal {
        try {
            return CueTable.of(TextTable.read(Path.of(file)));
        } catch (IOException | InvalidPathException e) {
            throw new Refusal("The cue list " + PlainText.shown(file, 200) + " cannot be read.", e);
        } catch (IllegalArgumentException e) {
            throw new Refusal(PlainText.shown(file, 200) + ": " + e.getMessage(), e);
        }
    }

    /** {@code zentrel cues compare A B}. */
    @Command(
            name = "compare",
            mixinStandardHelpOptions = true,
            description = "Compares two cue lists (CSV or XLSX), matched by list and cue number.")
    static final class Compare implements Callable<Integer> {
        @Parameters(index = "0", paramLabel = "A", description = "The first list.")
        @SuppressWarnings("NullAway.Init")
        private String fileA;

        @Parameters(index = "1", paramLabel = "B", description = "The second list.")
        @SuppressWarnings("NullAway.Init")
        private String fileB;

        @Mixin
        @SuppressWarnings("NullAway.Init")
        private Output out;

        @Override
        public Integer call() throws Refusal {
            CueTable a = read(fileA);
            CueTable b = read(fileB);
            List<CueDifference> differences = CueComparison.of(a, b).differences();
            if (out.json) {
                json(a, b, differences);
            } else {
                differences.forEach(d -> out.line(text(d)));
                out.line(Counted.of(differences.size(), "difference") + " of "
                        + a.cues().size() + " and " + b.cues().size() + " cues.");
                LeftOut.lines(a.leftOut()).forEach(l -> out.line(PlainText.shown(fileA, 200) + ", " + l));
                LeftOut.lines(b.leftOut()).forEach(l -> out.line(PlainText.shown(fileB, 200) + ", " + l));
            }
            return differences.isEmpty() ? 0 : 1;
        }

        private void json(CueTable a, CueTable b, List<CueDifference> differences) {
            ObjectNode root = Output.JSON.objectNode();
            ArrayNode all = root.putArray("differences");
            for (CueDifference d : differences) {
                ObjectNode n = all.addObject()
                        .put("kind", d.kind().word())
                        .put("list", d.list())
                        .put("cue", d.cue().toString());
                put(n, "a", d.a(), d.kind() == CueDifference.Kind.MISSING_IN_A);
                put(n, "b", d.b(), d.kind() == CueDifference.Kind.MISSING_IN_B);
            }
            ArrayNode left = root.putArray("leftOut");
            left(left, fileA, a);
            left(left, fileB, b);
            out.json(root);
        }

        private static void put(ObjectNode n, String name, String value, boolean missing) {
            if (missing) {
                n.putNull(name);
            } else {
                n.put(name, value);
            }
        }

        private static void left(ArrayNode left, String file, CueTable table) {
            table.leftOut()
                    .forEach(l -> left.addObject()
                            .put("file", file)
                            .put("row", l.row())
                            .put("why", l.why()));
        }

        private static String text(CueDifference d) {
            String cue = "list " + d.list() + ", cue " + d.cue();
            return switch (d.kind()) {
                case MISSING_IN_A -> cue + " is missing in A" + called(d.b());
                case MISSING_IN_B -> cue + " is missing in B" + called(d.a());
                default -> cue + ", " + d.kind().word() + ": A “" + d.a() + "”, B “" + d.b() + "”";
            };
        }

        private static String called(String label) {
            return label.isEmpty() ? "" : ": “" + label + "”";
        }
    }

    /** {@code zentrel cues send A B --to ADDRESS:PORT}. */
    @Command(
            name = "send",
            mixinStandardHelpOptions = true,
            description = "Sends the labels of A, where B has others, to the program that has list B.")
    static final class Send implements Callable<Integer> {
        @Parameters(index = "0", paramLabel = "A", description = "The list whose labels are right.")
        @SuppressWarnings("NullAway.Init")
        private String fileA;

        @Parameters(index = "1", paramLabel = "B", description = "The list as the program has it.")
        @SuppressWarnings("NullAway.Init")
        private String fileB;

        @Option(names = "--to", required = true, paramLabel = "ADDRESS:PORT", description = "The program.")
        @SuppressWarnings("NullAway.Init")
        private Target to;

        @Option(
                names = "--message",
                paramLabel = "TEMPLATE",
                description = "What renames a cue, with the parts list, cue and label (default: "
                        + "/fern/label list:text cue:text label:text).")
        private @Nullable String message;

        @Mixin
        @SuppressWarnings("NullAway.Init")
        private SendFrom from;

        @Option(names = "--only-say", description = "Say what would be sent, and send nothing.")
        private boolean onlySay;

        @Mixin
        @SuppressWarnings("NullAway.Init")
        private Output out;

        @Override
        public Integer call() throws Refusal {
            List<MessageTemplate.Filled> messages = messages();
            ObjectNode root = Output.JSON.objectNode();
            ArrayNode sent = root.putArray("messages");
            messages.forEach(m -> sent.add(m.toString()));
            root.put("sent", !onlySay);
            if (!onlySay) {
                from.send(to, messages.stream().map(OscValues::message).toList());
            }
            if (out.json) {
                out.json(root);
            } else {
                messages.forEach(m -> out.line(m.toString()));
                out.line(Counted.of(messages.size(), "message")
                        + (onlySay ? " would be sent." : " sent; UDP gives no answer, so compare again."));
            }
            return 0;
        }

        private List<MessageTemplate.Filled> messages() throws Refusal {
            MessageTemplate template;
            List<MessageTemplate.Filled> all = new ArrayList<>();
            try {
                template = message == null
                        ? MessageSet.EXAMPLE.of(Use.LABEL).orElseThrow()
                        : MessageTemplate.parse(message);
                for (CueDifference d :
                        CueComparison.of(read(fileA), read(fileB)).differences()) {
                    if (d.kind() == CueDifference.Kind.LABEL) {
                        all.add(template.fill(template.parts().stream()
                                .map(p -> switch (p.name()) {
                                    case "list" -> d.list();
                                    case "cue" -> d.cue().toString();
                                    case "label" -> d.a();
                                    default ->
                                        throw new IllegalArgumentException("--message: there is no part " + p.name()
                                                + " of a cue; there are list, cue and label.");
                                })
                                .toList()));
                    }
                }
            } catch (IllegalArgumentException e) {
                throw new Refusal(String.valueOf(e.getMessage()), e);
            }
            return all;
        }
    }
}
