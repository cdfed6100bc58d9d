package zentrel.app.patch;

import java.io.File;
import java.nio.file.Path;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.Supplier;
import javafx.scene.control.MenuButton;
import javafx.scene.layout.Region;
import javafx.stage.FileChooser;
import zentrel.app.document.OpenDocument;
import zentrel.app.document.Removal;
import zentrel.app.look.Buttons;
import zentrel.app.look.Clip;
import zentrel.app.patch.DifferenceRow.Side;
import zentrel.gear.FixtureTaking;
import zentrel.gear.GearEdit;
import zentrel.patch.FixtureList;
import zentrel.patch.ListLayout;
import zentrel.patch.PatchComparison;
import zentrel.patch.PatchComparison.Row;
import zentrel.patch.PatchDifference;
import zentrel.patch.PatchTaking;
import zentrel.plan.Edit;
import zentrel.plan.Id;
import zentrel.plan.PatchList;
import zentrel.text.Counted;

/** What is done with lists of other programs: read, pasted, written, imported. */
final class ListMenu {
    private final OpenDocument document;
    private final Supplier<Strips> seen;
    private final Consumer<Id<PatchList>> compare;
    private final MenuButton menu = new MenuButton("Lists");

    /**
     * The menu.
     *
     * @param seen what the page shows
     * @param compare told which list is to be compared
     */
    ListMenu(OpenDocument document, Supplier<Strips> seen, Consumer<Id<PatchList>> compare) {
        this.document = document;
        this.seen = seen;
        this.compare = compare;
        menu.setId("patch-lists");
        menu.setMinWidth(Region.USE_PREF_SIZE);
        menu.getItems()
                .addAll(
                        Buttons.item("Read a list or a type …", "patch-read", this::read),
                        Buttons.item("Paste a list", "patch-paste", this::paste),
                        Buttons.item("Write the plan's fixtures …", "patch-write", () -> write(true)),
                        Buttons.item("Write that list …", "patch-write-list", () -> write(false)),
                        Buttons.item("Import that whole list", "patch-take-all", this::takeAll),
                        Buttons.item(
                                "Whose that list is, and how it is written …",
                                "patch-list",
                                () -> list().ifPresent(l -> document.select(l.id()))),
                        Buttons.item(
                                "Remove that list",
                                "patch-remove-list",
                                () -> list().ifPresent(l -> Removal.of(document, List.of(l.id())))));
    }

    MenuButton menu() {
        return menu;
    }

    private Optional<PatchList> list() {
        return seen.get().list();
    }

    /** Takes one side's word for rows of the comparison. */
    void take(List<Row> taken, Side side) {
        Strips of = seen.get();
        of.list().ifPresent(list -> {
            FixtureList there = FixtureList.of(list);
            Set<PatchDifference.Kind> kinds = EnumSet.allOf(PatchDifference.Kind.class);
            document.make(
                    () -> new GearEdit(
                            side == Side.LIST
                                    ? FixtureTaking.take(taken, kinds)
                                    : noted(list, there, of.comparison(), taken, kinds),
                            List.of()),
                    made -> tellRemoved(taken, side));
        });
    }

    /** What went with the list's word is said: it is not in sight any more. */
    private void tellRemoved(List<Row> taken, Side side) {
        long removed = taken.stream().filter(r -> r.b().isEmpty()).count();
        if (side == Side.LIST && removed > 0) {
            document.tell(Counted.of(removed, "fixture is", "fixtures are") + " removed: the list does not have "
                    + (removed == 1 ? "it. Undo brings it back." : "them. Undo brings them back."));
        }
    }

    /** The list as it is once its program is set as the plan is. */
    private static Edit noted(
            PatchList list,
            FixtureList there,
            PatchComparison comparison,
            List<Row> taken,
            Set<PatchDifference.Kind> kinds) {
        FixtureList corrected = PatchTaking.intoB(comparison, there, taken, kinds);
        String what = taken.size() == 1 ? taken.get(0).either().shown() : Counted.of(taken.size(), "fixture");
        return new Edit(
                "Note that " + list.name() + " has " + what + " as the plan",
                p -> p.with(list.id(), l -> l.withRows(corrected.rows())));
    }

    private void takeAll() {
        list().ifPresent(l -> document.make(
                () -> new GearEdit(FixtureTaking.takeAll(document.plan(), FixtureList.of(l), List.of()), List.of()),
                made -> {}));
    }

    void read() {
        FileChooser chooser = new FileChooser();
        chooser.setTitle("Read a list of fixtures, or a fixture type");
        chooser.getExtensionFilters()
                .addAll(
                        new FileChooser.ExtensionFilter(
                                "Lists and types",
                                List.of("*.csv", "*.tsv", "*.txt", "*.xlsx", "*.mvr", "*.gdtf", "*.zentrel", "*.json")),
                        new FileChooser.ExtensionFilter("All files", "*"));
        File file = chooser.showOpenDialog(menu.getScene().getWindow());
        if (file != null) {
            read(file.toPath());
        }
    }

    void read(Path file) {
        ListFiles.take(document, () -> ListFiles.read(file), compare);
    }

    void paste() {
        String text = Clip.text();
        ListFiles.take(document, () -> ListFiles.read(text), compare);
    }

    void write(boolean plan) {
        if (!plan && list().isEmpty()) {
            document.tell("Choose a list first, or read one.");
            return;
        }
        FileChooser chooser = new FileChooser();
        chooser.setTitle("Write a list of fixtures");
        chooser.setInitialFileName("fixtures.csv");
        chooser.getExtensionFilters()
                .addAll(
                        new FileChooser.ExtensionFilter("Table", "*.csv"),
                        new FileChooser.ExtensionFilter("Workbook", "*.xlsx"),
                        new FileChooser.ExtensionFilter("Scene", "*.mvr"));
        File file = chooser.showSaveDialog(menu.getScene().getWindow());
        if (file != null) {
            write(file.toPath(), plan);
        }
    }

    /** Writes in the background; a list that is compared says how. */
    void write(Path file, boolean plan) {
        Strips of = seen.get();
        ListLayout layout = of.list().map(ListLayout::of).orElse(ListLayout.USUAL);
        FixtureList written = plan
                ? FixtureList.of(of.plan())
                : of.list().map(FixtureList::of).orElseThrow();
        document.work(() -> ListFiles.write(file, written, layout, of.plan().fixtureTypes()), document::tell);
    }
}
