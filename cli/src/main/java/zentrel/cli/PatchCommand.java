package zentrel.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.OptionalInt;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import zentrel.file.LoadedPlan;
import zentrel.gear.FixtureTaking;
import zentrel.mvr.MvrReader;
import zentrel.mvr.MvrWriter;
import zentrel.patch.FixtureList;
import zentrel.patch.ListLayout;
import zentrel.patch.PatchComparison;
import zentrel.patch.PatchDifference;
import zentrel.patch.PatchDifference.Kind;
import zentrel.patch.PatchTable;
import zentrel.plan.Edit;
import zentrel.plan.FixtureType;
import zentrel.plan.PatchColumn;
import zentrel.plan.PatchList;
import zentrel.plan.Plan;
import zentrel.plan.SlotNotation;
import zentrel.plan.SlotStyle;
import zentrel.table.LeftOut;
import zentrel.table.TextTable;
import zentrel.text.Counted;
import zentrel.text.PlainText;

/** {@code zentrel patch compare|import|export}. */
@Command(
        name = "patch",
        mixinStandardHelpOptions = true,
        description = "Compares lists of fixtures, imports them, and writes them for other programs.",
        subcommands = {PatchCommand.Compare.class, PatchCommand.Import.class, PatchCommand.Export.class})
final class PatchCommand implements Callable<Integer> {
    @Override
    public Integer call() throws Refusal {
        throw new Refusal("Write patch compare, patch import or patch export.");
    }

    /**
     * What a file tells of fixtures.
     *
     * @param types the fixture types in it
     * @param notes what else was left out of it
     */
    record Source(String name, FixtureList list, List<FixtureType> types, List<String> notes) {
        /**
         * Opens a plan, a list in a plan ({@code PLAN#LIST}), a table or a scene.
         *
         * @throws Refusal with a sentence, where it is none
         */
        static Source open(String file, OptionalInt base) throws Refusal {
            try {
                String lower = file.toLowerCase(Locale.ROOT);
                if (lower.endsWith(".mvr")) {
                    MvrReader.Scene scene = MvrReader.read(Path.of(file));
                    return new Source(file, scene.list(), scene.types(), scene.notes());
                }
                int hash = file.lastIndexOf('#');
                if (lower.startsWith("demo:") || isPlan(hash < 0 ? file : file.substring(0, hash))) {
                    Plan plan = PlanArgument.open(hash < 0 ? file : file.substring(0, hash))
                            .plan();
                    FixtureList list =
                            hash < 0 ? FixtureList.of(plan) : FixtureList.of(list(plan, file.substring(hash + 1)));
                    return new Source(file, list, plan.fixtureTypes(), List.of());
                }
                return new Source(file, PatchTable.read(TextTable.read(Path.of(file)), base), List.of(), List.of());
            } catch (IOException | InvalidPathException e) {
                throw new Refusal("The list " + PlainText.shown(file, 200) + " cannot be read.", e);
            } catch (IllegalArgumentException e) {
                String says = String.valueOf(e.getMessage());
                throw new Refusal(
                        says.contains(PlainText.shown(file, 200)) ? says : PlainText.shown(file, 200) + ": " + says, e);
            }
        }

        /** A plan file is JSON, and no table starts with a brace. */
        private static boolean isPlan(String file) throws IOException {
            Path path = Path.of(file);
            if (!Files.isRegularFile(path) || file.toLowerCase(Locale.ROOT).endsWith(".xlsx")) {
                return false;
            }
            try (var in = Files.newInputStream(path)) {
                String start = new String(in.readNBytes(64), StandardCharsets.UTF_8)
                        .replace("\uFEFF", "")
                        .strip();
                return start.startsWith("{");
            }
        }

        private static PatchList list(Plan plan, String called) throws Refusal {
            return plan.patchLists().stream()
                    .filter(l -> l.id().value().equals(called) || l.name().equalsIgnoreCase(called))
                    .findFirst()
                    .orElseThrow(() -> new Refusal("The plan has no list of fixtures \"" + called + "\"."));
        }

        void leftOut(ArrayNode to) {
            list.leftOut()
                    .forEach(l ->
                            to.addObject().put("file", name).put("row", l.row()).put("why", l.why()));
        }

        void leftOut(Output out) {
            LeftOut.lines(list.leftOut()).forEach(l -> out.line(PlainText.shown(name, 200) + ", " + l));
            notes.forEach(n -> out.line(PlainText.shown(name, 200) + ": " + n));
        }

        void told(ObjectNode root, String field) {
            ObjectNode told = root.putObject(field).put("fixtures", list.rows().size());
            list.told().forEach(told.putArray("read")::add);
            notes.forEach(told.putArray("notes")::add);
        }
    }

    /** The number of the first universe, where a list does not show it. */
    private static OptionalInt base(@Nullable Integer base, String option) throws Refusal {
        if (base == null) {
            return OptionalInt.empty();
        }
        if (base < 0 || base > 1) {
            throw new Refusal(option + ": lists count universes from 0 or from 1, not from " + base + ".");
        }
        return OptionalInt.of(base);
    }

    /** {@code zentrel patch compare A B}. */
    @Command(
            name = "compare",
            mixinStandardHelpOptions = true,
            description =
                    "Compares two lists of fixtures: plans, lists in a plan (PLAN#LIST), CSV, XLSX or MVR. Matched by"
                            + " number, else by place, else by likeness.")
    static final class Compare implements Callable<Integer> {
        @Parameters(index = "0", paramLabel = "A", description = "The first list.")
        @SuppressWarnings("NullAway.Init")
        private String fileA;

        @Parameters(index = "1", paramLabel = "B", description = "The second list.")
        @SuppressWarnings("NullAway.Init")
        private String fileB;

        @Option(
                names = "--base-a",
                paramLabel = "0|1",
                description = "The number of the first universe in A (default: told by what stands there).")
        private @Nullable Integer baseA;

        @Option(names = "--base-b", paramLabel = "0|1", description = "The same of B.")
        private @Nullable Integer baseB;

        @Mixin
        @SuppressWarnings("NullAway.Init")
        private Output out;

        @Override
        public Integer call() throws Refusal {
            Source a = Source.open(fileA, base(baseA, "--base-a"));
            Source b = Source.open(fileB, base(baseB, "--base-b"));
            List<PatchDifference> differences =
                    PatchComparison.of(a.list(), b.list()).differences();
            if (out.json) {
                json(a, b, differences);
            } else {
                differences.forEach(d -> out.line(text(d)));
                out.line(Counted.of(differences.size(), "difference") + " of "
                        + a.list().rows().size() + " and " + b.list().rows().size() + " fixtures.");
                a.leftOut(out);
                b.leftOut(out);
            }
            return differences.isEmpty() ? 0 : 1;
        }

        private void json(Source a, Source b, List<PatchDifference> differences) {
            ObjectNode root = Output.JSON.objectNode();
            ArrayNode all = root.putArray("differences");
            for (PatchDifference d : differences) {
                ObjectNode n = all.addObject().put("kind", d.kind().word()).put("number", d.number());
                n.put("a", d.kind() == Kind.MISSING_IN_A ? null : d.a());
                n.put("b", d.kind() == Kind.MISSING_IN_B ? null : d.b());
                n.put("matchedBy", d.matchedBy().word());
            }
            ArrayNode left = root.putArray("leftOut");
            a.leftOut(left);
            b.leftOut(left);
            a.told(root, "listA");
            b.told(root, "listB");
            out.json(root);
        }

        private static String text(PatchDifference d) {
            String fixture = d.number().isEmpty() ? "a fixture without number" : d.number();
            return switch (d.kind()) {
                case MISSING_IN_A -> fixture + " is missing in A: " + d.b();
                case MISSING_IN_B -> fixture + " is missing in B: " + d.a();
                default ->
                    fixture + ", " + d.kind().word() + ": A “" + d.a() + "”, B “" + d.b() + "” (matched by "
                            + d.matchedBy().word() + ")";
            };
        }
    }

    /** {@code zentrel patch import PLAN LIST [-o OUT]}. */
    @Command(
            name = "import",
            mixinStandardHelpOptions = true,
            description = "Imports a list of fixtures (CSV, XLSX, MVR, a plan): new ones are added, others set as"
                    + " the list says, none removed. Without -o it only says what would change.")
    static final class Import implements Callable<Integer> {
        @Mixin
        @SuppressWarnings("NullAway.Init")
        private PlanInput input;

        @Parameters(index = "1", paramLabel = "LIST", description = "The list.")
        @SuppressWarnings("NullAway.Init")
        private String file;

        @Option(names = "--base", paramLabel = "0|1", description = "The number of the first universe in the list.")
        private @Nullable Integer base;

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
            Source list = Source.open(file, base(base, "--base"));
            List<PatchDifference> changes =
                    PatchComparison.of(FixtureList.of(loaded.plan()), list.list()).differences().stream()
                            .filter(d -> d.kind() != Kind.MISSING_IN_B)
                            .toList();
            Edit edit = FixtureTaking.takeAll(loaded.plan(), list.list(), list.types());
            Plan after;
            try {
                after = edit.applyTo(loaded.plan());
            } catch (IllegalArgumentException e) {
                throw new Refusal(String.valueOf(e.getMessage()), e);
            }
            if (output != null) {
                PlanArgument.save(new LoadedPlan(after, loaded.unknown()), output);
            }
            int added = after.fixtures().size() - loaded.plan().fixtures().size();
            if (out.json) {
                ObjectNode root = Output.JSON.objectNode();
                ArrayNode all = root.putArray("changes");
                changes.forEach(d -> all.addObject()
                        .put("kind", d.kind().word())
                        .put("number", d.number())
                        .put("before", d.a())
                        .put("after", d.b()));
                root.put("added", added);
                list.leftOut(root.putArray("leftOut"));
                list.told(root, "list");
                out.json(root);
            } else {
                changes.stream()
                        .filter(d -> !d.kind().isMissing())
                        .forEach(d -> out.line(
                                d.number() + ", " + d.kind().word() + ": “" + d.a() + "” becomes “" + d.b() + "”"));
                list.leftOut(out);
                out.line(Counted.of(added, "fixture") + " added, "
                        + Counted.of(
                                changes.stream()
                                        .filter(d -> !d.kind().isMissing())
                                        .count(),
                                "value")
                        + " to change.");
            }
            return list.list().leftOut().isEmpty() ? 0 : 1;
        }
    }

    /** {@code zentrel patch export PLAN --as csv|xlsx|mvr}. */
    @Command(
            name = "export",
            mixinStandardHelpOptions = true,
            description = "Writes the fixtures of a plan, or of another list, as CSV, XLSX or MVR.")
    static final class Export implements Callable<Integer> {
        /** The forms there are. */
        enum Form {
            csv,
            xlsx,
            mvr
        }

        @Parameters(index = "0", paramLabel = "LIST", description = "A plan, PLAN#LIST, CSV, XLSX or MVR.")
        @SuppressWarnings("NullAway.Init")
        private String file;

        @Option(names = "--as", required = true, paramLabel = "FORM", description = "${COMPLETION-CANDIDATES}.")
        @SuppressWarnings("NullAway.Init")
        private Form form;

        @Option(
                names = "--columns",
                split = ",",
                paramLabel = "COLUMN",
                description =
                        "Which columns of a table, in order: number, label, type, mode, universe, slot, footprint,"
                                + " place, position, purpose, unit, note.")
        private @Nullable List<String> columns;

        @Option(
                names = "--slots",
                paramLabel = "HOW",
                defaultValue = "two-columns",
                description = "How start slots are written: two-columns (default), together (3.17) or absolute.")
        @SuppressWarnings("NullAway.Init")
        private String slots;

        @Option(
                names = "--base",
                paramLabel = "0|1",
                defaultValue = "1",
                description = "The number of the first universe (default 1).")
        private int base;

        @Option(names = "-o", paramLabel = "FILE", description = "Where to write it, which must not be there yet.")
        private @Nullable Path to;

        @Mixin
        @SuppressWarnings("NullAway.Init")
        private Output out;

        @Override
        public Integer call() throws Refusal {
            Source source = Source.open(file, OptionalInt.empty());
            base(base, "--base");
            ListLayout layout =
                    ListLayout.USUAL.withStyle(new SlotStyle(word(SlotNotation.values(), slots, "--slots"), base));
            if (columns != null) {
                layout = layout.withColumns(columns(columns));
            }
            TextTable table = layout.table(source.list().rows());
            byte[] bytes = switch (form) {
                case csv -> table.csv().getBytes(StandardCharsets.UTF_8);
                case xlsx -> table.workbook("Fixtures");
                case mvr -> MvrWriter.write(source.list().rows(), source.types());
            };
            out.write(bytes, form == Form.csv, to);
            return 0;
        }

        private static List<PatchColumn> columns(List<String> words) throws Refusal {
            List<PatchColumn> all = new java.util.ArrayList<>();
            for (String each : words) {
                all.add(word(PatchColumn.values(), each.strip(), "--columns"));
            }
            return all;
        }

        private static <W extends zentrel.text.Word> W word(W[] words, String wanted, String option) throws Refusal {
            for (W each : words) {
                if (each.word().equals(wanted)) {
                    return each;
                }
            }
            throw new Refusal(option + ": there is no \"" + PlainText.shown(wanted, 60) + "\"; there are "
                    + java.util.Arrays.stream(words)
                            .map(zentrel.text.Word::word)
                            .collect(java.util.stream.Collectors.joining(", "))
                    + ".");
        }
    }
}
