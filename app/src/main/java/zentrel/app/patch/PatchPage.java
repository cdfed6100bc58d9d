package zentrel.app.patch;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import zentrel.app.document.OpenDocument;
import zentrel.app.document.Removal;
import zentrel.app.look.Buttons;
import zentrel.app.look.Lists;
import zentrel.app.look.Texts;
import zentrel.app.patch.DifferenceRow.Side;
import zentrel.app.patch.Strips.Bar;
import zentrel.app.patch.Strips.Strip;
import zentrel.app.shell.PageContext;
import zentrel.app.shell.PageEntry;
import zentrel.app.shell.PageView;
import zentrel.app.shell.WordBox;
import zentrel.check.Area;
import zentrel.check.Report;
import zentrel.gear.GearEdit;
import zentrel.gear.PatchEdits;
import zentrel.patch.PatchComparison.Row;
import zentrel.plan.Fixture;
import zentrel.plan.Id;
import zentrel.plan.Kind;
import zentrel.plan.PatchList;
import zentrel.plan.Universe;
import zentrel.text.Counted;

/** Patch: universes as strips of 512 slots with their fixtures, beside another program's list of them. */
public final class PatchPage implements PageView {
    private static final double ALONE = 32;
    private static final double COMPARED = 46;
    private static final double MOST_OF_ROWS = 0.38;
    private static final double ROW = 28;

    private final OpenDocument document;
    private final VBox pane = new VBox(6);
    private final ListView<Strip> strips = new ListView<>();
    private final ListView<Differing> rows = new ListView<>();
    private final ComboBox<String> against = new ComboBox<>();
    private final Label summary = Texts.of("", "soft");
    private final Label selection = Texts.of("", "soft", "small");
    private final WordBox words;
    private final HBox doing = new HBox(10);
    private final VBox heads = new VBox();
    private final Set<Id<Fixture>> chosen = new LinkedHashSet<>();
    private final PatchKeys keys;
    private final ListMenu lists;
    private Strips seen = Strips.NONE;
    private @Nullable Id<PatchList> with;
    private boolean asked;
    private boolean filling;

    private PatchPage(PageContext context) {
        document = context.document();
        words = new WordBox(
                document,
                context.library(),
                "patch-words",
                "Patch, move, renumber, swap, arrange or set fixtures in words …",
                "patch 12 wash of 18 on node from 531 · move 101-112 to U3 · renumber 101-112 from 131 · set purpose of 101-112 to path",
                made -> {});
        keys = new PatchKeys(this);
        lists = new ListMenu(document, () -> seen, this::compareWith);
        strips.setId("patch-strips");
        strips.setAccessibleText("Universes with their fixtures");
        strips.setCellFactory(l -> new StripRow(new Touch()));
        strips.addEventFilter(javafx.scene.input.KeyEvent.KEY_PRESSED, keys::pressed);
        strips.widthProperty().addListener(o -> strips.refresh());
        strips.setPlaceholder(Texts.wrapped(
                "Universes stand here as strips of 512 slots, with their fixtures in them. "
                        + "A line such as \"patch 12 wash of 18 on node\" patches some; a list can be read, too.",
                "soft"));
        Lists.keepInSight(strips);
        VBox.setVgrow(strips, Priority.ALWAYS);
        rows.setId("patch-rows");
        rows.setAccessibleText("Fixtures that differ");
        rows.setFixedCellSize(ROW);
        Lists.keepInSight(rows);
        rows.setCellFactory(l -> new DifferenceRow(this::take));
        rows.getSelectionModel().selectedItemProperty().addListener((o, was, is) -> {
            if (is != null && !filling) {
                choose(is.rows().stream()
                        .flatMap(r -> seen.fixtureOf(r).stream())
                        .toList());
            }
        });
        against.setId("patch-against");
        against.setAccessibleText("The list that the plan is compared with");
        against.setOnAction(e -> {
            if (!filling) {
                compareWith(against.getSelectionModel().getSelectedIndex() - 1);
            }
        });
        pane.getStyleClass().add("main-page");
        pane.setMinWidth(0);
        pane.getChildren().addAll(head(), words, strips, doing(), heads, rows, foot());
        document.reportProperty().addListener(o -> refresh());
        document.selectionProperty().addListener(o -> follow());
    }

    /** The page, as the window lists it. */
    public static PageEntry<PatchPage> entry(PageContext context) {
        return new PageEntry<>(PatchPage.class, "Patch", EnumSet.of(Area.PATCH), () -> new PatchPage(context))
                .explainedBy("concept-patch")
                .offers("Read a list of fixtures", p -> p.lists.read())
                .offers("Paste a list of fixtures", p -> p.lists.paste())
                .offers("Write the list of fixtures", p -> p.lists.write(true))
                .offers("Patch fixtures in words", p -> p.words.begin("patch "));
    }

    private Node head() {
        HBox head = new HBox(8, Texts.of("The plan against", "soft"), against, lists.menu(), summary);
        head.setAlignment(Pos.CENTER_LEFT);
        return head;
    }

    private Node doing() {
        doing.getChildren()
                .addAll(
                        Buttons.quiet(
                                "All as the plan",
                                "patch-all-plan",
                                () -> lists.take(seen.comparison().differing(), Side.PLAN)),
                        Buttons.quiet(
                                "All as the list",
                                "patch-all-list",
                                () -> lists.take(seen.comparison().differing(), Side.LIST)));
        doing.setAlignment(Pos.CENTER_LEFT);
        return doing;
    }

    private Node foot() {
        FlowPane foot = new FlowPane(
                8,
                2,
                selection,
                Buttons.quiet("Renumber …", "patch-renumber", () -> begin("renumber ", " from ")),
                Buttons.quiet("Start slots …", "patch-arrange", () -> begin("arrange ", " from U")),
                Buttons.quiet("One field of all …", "patch-set", () -> begin("set purpose of ", " to ")),
                Buttons.quiet("Swap", "patch-swap", this::swap));
        foot.setMinWidth(0);
        return foot;
    }

    @Override
    public Node node() {
        return pane;
    }

    @Override
    public void shown() {
        refresh();
        follow();
    }

    private void refresh() {
        Report report = document.reportProperty().get();
        if (report == null || pane.getScene() == null) {
            return;
        }
        List<PatchList> kept = document.plan().patchLists();
        if (with != null && kept.stream().noneMatch(l -> l.id().equals(with))) {
            with = null;
        }
        if (with == null && !asked && !kept.isEmpty()) {
            with = kept.get(0).id(); // until somebody says otherwise
        }
        Id<PatchList> now = with;
        document.derive(report, r -> Strips.of(r, now), made -> {
            seen = made;
            chosen.removeIf(f -> made.plan().index().find(f).isEmpty());
            show();
        });
    }

    private void show() {
        filling = true;
        List<String> names = new ArrayList<>(List.of("no list"));
        seen.plan().patchLists().forEach(l -> names.add(l.name()));
        if (!against.getItems().equals(names)) {
            against.getItems().setAll(names);
        }
        against.getSelectionModel()
                .select(seen.list()
                        .map(l -> seen.plan().patchLists().indexOf(l) + 1)
                        .orElse(0));
        boolean compares = seen.list().isPresent();
        strips.setFixedCellSize(compares ? COMPARED : ALONE);
        if (strips.getItems().equals(seen.strips())) {
            strips.refresh();
        } else {
            strips.getItems().setAll(seen.strips());
        }
        List<Row> differing = seen.comparison().differing();
        List<Differing> groups = Differing.of(differing);
        Differing selected = rows.getSelectionModel().getSelectedItem();
        rows.getItems().setAll(groups);
        if (selected != null && groups.contains(selected)) {
            rows.getSelectionModel().select(selected);
        }
        boolean any = compares && !differing.isEmpty();
        rows.setVisible(any);
        rows.setManaged(any);
        double most = Math.max(3 * ROW, pane.getHeight() * MOST_OF_ROWS);
        rows.setPrefHeight(Math.min(most, groups.size() * ROW + 4));
        rows.setMinHeight(Math.min(groups.size(), 3) * ROW);
        heads.getChildren()
                .setAll(DifferenceRow.head(seen.list().map(PatchList::name).orElse("")));
        heads.setVisible(any);
        heads.setManaged(any);
        doing.setVisible(any);
        doing.setManaged(any);
        int fixtures = seen.plan().fixtures().size();
        summary.setText(Counted.of(fixtures, "fixture")
                + (compares
                        ? differing.isEmpty()
                                ? ", the same in both"
                                : ", " + differing.size() + (differing.size() == 1 ? " differs" : " differ")
                        : ""));
        filling = false;
        tellSelection();
    }

    // --- choosing ---

    List<Fixture> chosenFixtures() {
        return PatchEdits.byNumber(chosen.stream()
                .flatMap(f -> document.plan().index().find(f).stream())
                .toList());
    }

    Strips seen() {
        return seen;
    }

    OpenDocument document() {
        return document;
    }

    ListView<Strip> strips() {
        return strips;
    }

    /** Chooses these, the last of them for the whole window. */
    void choose(List<Id<Fixture>> fixtures) {
        chosen.clear();
        chosen.addAll(fixtures);
        if (!fixtures.isEmpty()) {
            document.select(fixtures.get(fixtures.size() - 1));
        }
        strips.refresh();
        tellSelection();
    }

    private void follow() {
        Id<?> id = document.selectionProperty().get();
        if (pane.getScene() == null || id == null) {
            return;
        }
        id.as(Kind.FIXTURE).ifPresent(f -> {
            if (!chosen.contains(f)) {
                choose(List.of(f));
            }
            seen.stripOf(f).ifPresent(s -> reveal(s));
            seen.rowOf(f).filter(Row::differs).ifPresent(r -> {
                filling = true;
                rows.getItems().stream()
                        .filter(d -> d.rows().contains(r))
                        .findFirst()
                        .ifPresent(rows.getSelectionModel()::select);
                Lists.reveal(rows, rows.getSelectionModel().getSelectedIndex());
                filling = false;
            });
        });
        id.as(Kind.UNIVERSE)
                .flatMap(u -> seen.strips().stream()
                        .filter(s ->
                                s.universe().map(Universe::id).filter(u::equals).isPresent())
                        .findFirst())
                .ifPresent(this::reveal);
    }

    private void reveal(Strip strip) {
        int row = strips.getItems().indexOf(strip);
        strips.getSelectionModel().select(row);
        Lists.reveal(strips, row);
    }

    private void tellSelection() {
        List<Fixture> all = chosenFixtures();
        selection.setText(
                all.isEmpty()
                        ? "Choose fixtures: click, Shift and Ctrl for more; Alt and arrows move them."
                        : all.size() == 1
                                ? all.get(0).label()
                                : all.size() + " chosen, " + all.get(0).number() + " to "
                                        + all.get(all.size() - 1).number());
    }

    /** What the strips tell of. */
    private final class Touch implements StripRow.Hands {
        @Override
        public Set<Id<Fixture>> chosen() {
            return chosen;
        }

        @Override
        public boolean compares() {
            return seen.list().isPresent();
        }

        @Override
        public double width() {
            return strips.getWidth();
        }

        @Override
        public void choose(Strip strip, Bar bar, boolean more, boolean upTo) {
            strips.requestFocus();
            reveal(strip);
            Id<Fixture> fixture = bar.fixture().orElseThrow();
            List<Id<Fixture>> now = new ArrayList<>(more ? chosen : Set.of());
            if (upTo && !chosen.isEmpty()) {
                now = PatchKeys.between(seen, List.copyOf(chosen), fixture);
            } else if (!now.remove(fixture)) {
                now.add(fixture);
            }
            PatchPage.this.choose(now);
        }

        @Override
        public void drop(Strip onto, int slot) {
            onto.universe().ifPresent(u -> place(u, slot, 0));
        }
    }

    /** Moves what is chosen to a universe, to a slot or the nearest room. */
    void place(Universe universe, int slot, int way) {
        List<Fixture> fixtures = chosenFixtures();
        if (!fixtures.isEmpty()) {
            document.make(
                    () -> new GearEdit(
                            PatchEdits.place(document.plan(), fixtures, universe, slot, way)
                                    .orElseThrow(() -> new IllegalArgumentException("They are there already.")),
                            List.of()),
                    made -> {});
        }
    }

    private String numbers() {
        return chosenFixtures().stream().map(Fixture::number).collect(Collectors.joining(","));
    }

    private void begin(String before, String after) {
        words.begin(before + numbers() + after);
    }

    private void swap() {
        List<Fixture> two = chosenFixtures();
        if (two.size() != 2) {
            document.tell("Choose two fixtures; they change their start slots.");
        } else {
            document.make(
                    () -> new GearEdit(PatchEdits.swap(document.plan(), two.get(0), two.get(1)), List.of()),
                    made -> {});
        }
    }

    /** Removes what is chosen. */
    void removeChosen() {
        if (!chosen.isEmpty()) {
            Removal.of(document, List.copyOf(chosen));
        }
    }

    // --- lists ---

    private void compareWith(int index) {
        asked = true;
        List<PatchList> all = document.plan().patchLists();
        with = index < 0 || index >= all.size() ? null : all.get(index).id();
        refresh();
    }

    private void compareWith(Id<PatchList> list) {
        asked = true;
        with = list;
        refresh();
    }

    private void take(Differing differing, Side side) {
        lists.take(differing.rows(), side);
    }

    /** Reads a list and compares the plan with it. */
    public void read(java.nio.file.Path file) {
        lists.read(file);
    }

    /** Writes the plan's fixtures, as the list that is compared is written, or that list. */
    public void write(java.nio.file.Path file, boolean plan) {
        lists.write(file, plan);
    }
}
