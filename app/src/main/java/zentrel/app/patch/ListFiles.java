package zentrel.app.patch;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import zentrel.app.document.OpenDocument;
import zentrel.file.PlanFile;
import zentrel.file.PlanFileException;
import zentrel.gear.FixtureTaking;
import zentrel.gear.GearEdit;
import zentrel.mvr.GdtfReader;
import zentrel.mvr.MvrReader;
import zentrel.mvr.MvrWriter;
import zentrel.patch.FixtureList;
import zentrel.patch.ListLayout;
import zentrel.patch.PatchTable;
import zentrel.plan.Edit;
import zentrel.plan.FixtureType;
import zentrel.plan.Id;
import zentrel.plan.Ids;
import zentrel.plan.Kind;
import zentrel.plan.PatchList;
import zentrel.plan.Plan;
import zentrel.table.LeftOut;
import zentrel.table.TextTable;
import zentrel.text.Counted;

/** Lists of fixtures from files and into them; read and written in the background. */
final class ListFiles {
    /** A list that was read, with the fixture types that came with it. */
    record Read(String name, FixtureList list, List<FixtureType> types, List<String> notes) {
        /** What was read, and what was left out, in a sentence or two. */
        String said() {
            StringBuilder text =
                    new StringBuilder(name + ": " + Counted.of(list.rows().size(), "fixture"));
            if (!list.leftOut().isEmpty()) {
                text.append(", ").append(list.leftOut().size()).append(" left out. ");
                text.append(String.join(
                        " ",
                        LeftOut.lines(list.leftOut()
                                .subList(0, Math.min(3, list.leftOut().size())))));
            }
            notes.stream().limit(2).forEach(n -> text.append(". ").append(n));
            return text.toString();
        }
    }

    private ListFiles() {}

    /**
     * Reads a table, a scene or a plan.
     *
     * @throws IllegalArgumentException with a sentence, where it is none
     */
    static Read read(Path file) throws IOException {
        String name = String.valueOf(file.getFileName());
        String lower = name.toLowerCase(Locale.ROOT);
        String title = name.replaceFirst("\\.[A-Za-z0-9]{1,5}$", "");
        if (lower.endsWith(".mvr")) {
            MvrReader.Scene scene = MvrReader.read(file);
            return new Read(title, scene.list(), scene.types(), scene.notes());
        }
        if (lower.endsWith(".gdtf")) {
            GdtfReader.Read read = GdtfReader.read(file, Kind.FIXTURE_TYPE.id("type"));
            return new Read(title, FixtureList.of(List.of()), List.of(read.type()), read.leftOut());
        }
        if (lower.endsWith(".zentrel") || lower.endsWith(".json")) {
            try {
                Plan plan = PlanFile.open(file).plan();
                return new Read(title, FixtureList.of(plan), plan.fixtureTypes(), List.of());
            } catch (PlanFileException e) {
                throw new IllegalArgumentException(e.getMessage(), e);
            }
        }
        return new Read(title, PatchTable.read(TextTable.read(file)), List.of(), List.of());
    }

    /** The same from what was copied. */
    static Read read(String text) {
        return new Read("Pasted list", PatchTable.read(TextTable.parse(text)), List.of(), List.of());
    }

    /** Puts a list into the plan, in the place of one of the same name; whose list it is stays known. */
    static GearEdit keep(Plan plan, Read read) {
        if (read.list().rows().isEmpty() && !read.types().isEmpty()) {
            return new GearEdit(
                    new Edit(
                            "Add the fixture type " + read.types().get(0).name(),
                            p -> FixtureTaking.withTypes(p, read.types())),
                    List.of());
        }
        Optional<PatchList> before = plan.patchLists().stream()
                .filter(l -> l.name().equalsIgnoreCase(read.name()))
                .findFirst();
        Id<PatchList> id = before.map(PatchList::id)
                .orElseGet(() -> Kind.PATCH_LIST.id(Ids.free(plan, Ids.of(read.name(), "list"))));
        PatchList list = read.list().kept(id, read.name(), before.flatMap(PatchList::program));
        return new GearEdit(
                new Edit(
                        (before.isPresent()
                                ? "Read the list " + read.name() + " again"
                                : "Add the list " + read.name()),
                        p -> FixtureTaking.withTypes(
                                before.isPresent() ? p.with(id, l -> list) : p.and(Kind.PATCH_LIST, list),
                                read.types())),
                List.of());
    }

    /** Writes fixtures by the ending of the file's name: .csv, .xlsx or .mvr; says what was written. */
    static String write(Path file, FixtureList list, ListLayout layout, List<FixtureType> types) {
        String lower = String.valueOf(file.getFileName()).toLowerCase(Locale.ROOT);
        try {
            byte[] bytes = lower.endsWith(".mvr")
                    ? MvrWriter.write(list.rows(), types)
                    : lower.endsWith(".xlsx")
                            ? layout.table(list.rows()).workbook("Fixtures")
                            : layout.table(list.rows()).csv().getBytes(java.nio.charset.StandardCharsets.UTF_8);
            Files.write(file, bytes);
            return Counted.of(list.rows().size(), "fixture") + " written to " + file.getFileName() + ".";
        } catch (IOException e) {
            return file.getFileName() + " could not be written: " + e.getMessage();
        }
    }

    /** Reads in the background and keeps the list; what is none is told. */
    static void take(
            OpenDocument document,
            java.util.concurrent.Callable<Read> reading,
            java.util.function.Consumer<Id<PatchList>> then) {
        document.work(
                () -> {
                    try {
                        return Optional.of(reading.call());
                    } catch (IllegalArgumentException | IOException e) {
                        javafx.application.Platform.runLater(() -> document.tell(String.valueOf(e.getMessage())));
                        return Optional.<Read>empty();
                    }
                },
                read -> read.ifPresent(r -> document.make(() -> keep(document.plan(), r), made -> {
                    document.tell(r.said());
                    document.plan().patchLists().stream()
                            .filter(l -> l.name().equalsIgnoreCase(r.name()))
                            .findFirst()
                            .ifPresent(l -> then.accept(l.id()));
                })));
    }
}
