package zentrel.app.gear;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.SelectionMode;
import javafx.scene.control.TextInputDialog;
import javafx.scene.input.Clipboard;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import javafx.scene.paint.Color;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Line;
import javafx.scene.shape.Rectangle;
import javafx.scene.text.Text;
import org.jspecify.annotations.Nullable;
import zentrel.app.document.OpenDocument;
import zentrel.app.document.Removal;
import zentrel.app.document.UserLibrary;
import zentrel.app.look.Buttons;
import zentrel.app.look.Hint;
import zentrel.app.look.Lists;
import zentrel.app.look.Mark;
import zentrel.app.look.Texts;
import zentrel.app.look.UniverseHue;
import zentrel.app.shell.Boxes;
import zentrel.app.shell.PageContext;
import zentrel.app.shell.PageEntry;
import zentrel.app.shell.PageView;
import zentrel.check.Area;
import zentrel.check.Report;
import zentrel.compare.Comparison;
import zentrel.gear.Changing;
import zentrel.gear.Duplicating;
import zentrel.gear.Made;
import zentrel.gear.Pasting;
import zentrel.gear.Removing;
import zentrel.gear.Wiring;
import zentrel.plan.*;
import zentrel.plan.Plan;
import zentrel.table.LeftOut;
import zentrel.text.Counted;

/** The ledger of the gear, and the ways to add to it. */
public final class GearPage implements PageView {
    private static final double ROW = 26;
    private static final double NAME_X = 12;
    private static final double PROFILE_X = 218;
    private static final double LANES_X = 400;
    private static final double LANE = 44;
    private static final int MOST_LANES = 4;
    private static final double PORTS_X = 590;
    private static final double PORT = 8;
    private static final double LETTER = 7;
    private static final int ROWS_ABOVE = 6;
    private static final double STATE_X = 792;
    private static final double WIDTH = 824;

    private final OpenDocument document;
    private final UserLibrary library;
    private final StackPane pane = new StackPane();
    private final VBox ledgerPage;
    private final Pane head = new Pane();
    private final ListView<Ledger.Row> list = new ListView<>();
    private final Label summary = Texts.of("", "soft", "small");
    private final HBox bulk = new HBox(8);
    private final WordBox words;
    private List<Segment> lanes = List.of();
    private String ledgerSummary = "";
    private boolean refreshing;

    private GearPage(OpenDocument document, UserLibrary library) {
        this.document = document;
        this.library = library;
        words = new WordBox(document, library, this::made);
        list.setId("gear-list");
        Lists.keepInSight(list);
        list.setAccessibleText(
                "The gear by place. Enter changes, F2 renames, Delete removes, Ctrl D duplicates, Ctrl V pastes rows");
        list.setFixedCellSize(ROW);
        list.getSelectionModel().setSelectionMode(SelectionMode.MULTIPLE);
        list.setCellFactory(v -> new Cell());
        list.setPlaceholder(empty());
        list.addEventFilter(KeyEvent.KEY_PRESSED, this::keys);
        list.getSelectionModel().selectedItemProperty().addListener((o, old, row) -> {
            if (row != null && row.host() != null && !refreshing) {
                document.select(row.host().id());
            }
            refreshBulk();
        });
        list.heightProperty().addListener(o -> reveal());
        VBox.setVgrow(list, Priority.ALWAYS);
        HBox.setHgrow(words, Priority.ALWAYS);
        HBox top = new HBox(
                12,
                words,
                Buttons.action("From a pattern", "gear-pattern", this::patterns),
                Buttons.action("Profiles", "gear-profiles", this::profiles),
                Buttons.action("Paste rows", "gear-paste", this::paste));
        top.setAlignment(Pos.TOP_LEFT);
        bulk.setAlignment(Pos.CENTER_LEFT);
        bulk.setMinHeight(28);
        ledgerPage = new VBox(8, top, head, list, bulk, summary);
        ledgerPage.getStyleClass().add("main-page");
        pane.getChildren().setAll(ledgerPage);
        document.reportProperty().addListener(o -> refresh());
        document.selectionProperty().addListener(o -> follow());
    }

    private Node empty() {
        Label text = Texts.wrapped(
                "No gear yet. Say what there is in the line above, such as \"3 node 4\", or start from a pattern.",
                "soft");
        text.setMaxWidth(420);
        return text;
    }

    // --- stage ---

    /** The page, as the window lists it. */
    public static PageEntry<GearPage> entry(PageContext context) {
        return new PageEntry<>(
                        GearPage.class,
                        "Gear",
                        EnumSet.of(Area.GEAR, Area.DESKS),
                        () -> new GearPage(context.document(), context.library()))
                .offers("Add gear", GearPage::say)
                .offersInMenu("Start from a pattern …", GearPage::patterns)
                .offersInMenu("Profiles …", GearPage::profiles)
                .does("Paste rows", GearPage::paste)
                .offersInMenu(
                        "Compare with …",
                        page -> context.choosePlan()
                                .apply("Compare with a plan")
                                .ifPresent(page::compareWith));
    }

    @Override
    public Node node() {
        return pane;
    }

    @Override
    public void shown() {
        library.use(read -> {});
        refresh();
        if (document.plan().hosts().isEmpty()) {
            say(); // there is nothing else to do here yet
        }
    }

    /** Puts the keyboard into the line of words. */
    public void say() {
        ledger();
        words.line().requestFocus();
    }

    // --- pages ---

    private void ledger() {
        pane.getChildren().setAll(ledgerPage);
        refresh();
    }

    /** Shows the patterns to start from. */
    public void patterns() {
        page(new PatternPanel(document, library, this::ledger));
    }

    /** Shows the questions of one pattern. */
    public void patterns(String id) {
        PatternPanel panel = new PatternPanel(document, library, this::ledger);
        panel.choose(id);
        page(panel);
    }

    /** Shows the library. */
    public void profiles() {
        page(new ProfilePanel(document, library, this::ledger));
    }

    /** Shows how another version of the plan differs, to take over what is wanted. */
    public void compareWith(Path file) {
        Plan mine = document.plan();
        document.read(
                file,
                other -> Comparison.of(mine, other.plan()),
                comparison -> compare(String.valueOf(file.getFileName()), comparison));
    }

    private void compare(String name, Comparison comparison) {
        page(new ComparePanel(document, name, comparison, this::ledger));
    }

    /** Shows the chosen box as a form. */
    public void form() {
        List<Id<Host>> chosen = chosen();
        if (chosen.size() == 1) {
            page(new BoxForm(document, chosen.get(0), this::ledger));
        }
    }

    private void page(Pane page) {
        page.getStyleClass().addAll("main-page", "page");
        pane.getChildren().setAll(page);
    }

    // --- the ledger ---

    private void refresh() {
        Report report = document.reportProperty().get();
        if (report != null && pane.getScene() != null) {
            document.derive(report, Ledger::of, this::draw);
        }
    }

    private void draw(Ledger ledger) {
        lanes = ledger.segments().stream().limit(MOST_LANES).toList();
        head.getChildren().clear();
        head.setMinHeight(16);
        heading("Device", NAME_X);
        heading("Kind", PROFILE_X);
        for (int i = 0; i < lanes.size(); i++) {
            Text name = Texts.drawn(shortened(lanes.get(i).name()), "heading");
            name.relocate(LANES_X + i * LANE - name.getLayoutBounds().getWidth() / 2 + 8, 0);
            head.getChildren().add(name);
        }
        heading("Ports and what they carry", PORTS_X);
        refreshing = true;
        replace(list.getItems(), ledger.rows());
        refreshing = false;
        ledgerSummary = ledger.summary();
        follow();
        refreshBulk();
    }

    /** Makes one list like another by replacing only what differs between their common beginning and end. */
    private static <T> void replace(List<T> list, List<T> wanted) {
        int most = Math.min(list.size(), wanted.size());
        int start = 0;
        while (start < most && list.get(start).equals(wanted.get(start))) {
            start++;
        }
        int end = 0;
        while (end < most - start && list.get(list.size() - 1 - end).equals(wanted.get(wanted.size() - 1 - end))) {
            end++;
        }
        list.subList(start, list.size() - end).clear();
        list.addAll(start, wanted.subList(start, wanted.size() - end));
    }

    private static String shortened(String name) {
        return name.length() > 8 ? name.substring(0, 7) + "…" : name;
    }

    private void heading(String text, double x) {
        Text heading = Texts.drawn(text, "heading");
        heading.relocate(x, 0);
        head.getChildren().add(heading);
    }

    /** Selects the row of what is selected elsewhere. */
    private void follow() {
        Id<?> selected = document.selectionProperty().get();
        if (selected == null
                || pane.getScene() == null
                || list.getSelectionModel().getSelectedIndices().size() > 1) {
            return;
        }
        Optional<Id<Host>> owner = Boxes.of(document.plan().index(), selected);
        for (int i = 0; i < list.getItems().size(); i++) {
            Host host = list.getItems().get(i).host();
            if (host != null && owner.equals(Optional.of(host.id()))) {
                if (!list.getSelectionModel().isSelected(i)) {
                    refreshing = true;
                    list.getSelectionModel().clearAndSelect(i);
                    reveal();
                    refreshing = false;
                }
                return;
            }
        }
    }

    /** Brings the chosen row into view, once the list knows how far it reaches. */
    private void reveal() {
        javafx.application.Platform.runLater(() -> {
            int chosen = list.getSelectionModel().getSelectedIndex();
            if (chosen >= 0) {
                list.layout();
                list.scrollTo(Math.max(0, chosen - ROWS_ABOVE));
            }
        });
    }

    private void made(Made made) {
        if (!made.hosts().isEmpty()) {
            document.select(made.hosts().get(made.hosts().size() - 1));
        }
    }

    private final class Cell extends ListCell<Ledger.Row> {
        private Ledger.@Nullable Row drawnRow;
        private List<Segment> drawnLanes = List.of();
        private @Nullable Pane picture;

        @Override
        protected void updateItem(Ledger.@Nullable Row row, boolean empty) {
            super.updateItem(row, empty);
            if (empty || row == null) {
                setGraphic(null);
                setAccessibleText(null);
                return;
            }
            if (row.equals(drawnRow) && lanes.equals(drawnLanes)) {
                setGraphic(picture); // the same picture again costs nothing
                return;
            }
            Pane drawn = new Pane();
            drawnRow = row;
            drawnLanes = lanes;
            picture = drawn;
            drawn.getStyleClass().add("lane");
            drawn.setPrefSize(WIDTH, ROW);
            for (int i = 0; i < lanes.size(); i++) {
                Line lane = new Line(LANES_X + i * LANE + 8, 0, LANES_X + i * LANE + 8, ROW);
                lane.getStyleClass().add("segment-line");
                drawn.getChildren().add(lane);
            }
            Host host = row.host();
            if (host == null) {
                put(drawn, Texts.drawn(row.place(), "strong", "small"), 0);
                put(drawn, Texts.drawn(Counted.of(row.boxes(), "device"), "soft", "small"), PROFILE_X);
                setAccessibleText(row.place() + ", " + Counted.of(row.boxes(), "device"));
            } else {
                box(drawn, row, host);
                setAccessibleText(host.name() + ", " + row.profile() + ", " + row.ports() + " ports"
                        + (row.severity() == null ? "" : ", " + row.severity().title()));
            }
            setGraphic(drawn);
        }

        private void box(Pane drawn, Ledger.Row row, Host host) {
            put(drawn, Texts.drawn(cut(host.name(), 28)), NAME_X);
            put(drawn, Texts.drawn(cut(row.profile(), 26), "soft", "small"), PROFILE_X);
            double first = -1;
            double last = -1;
            for (int i = 0; i < lanes.size(); i++) {
                if (row.touches().contains(lanes.get(i).id())) {
                    double x = LANES_X + i * LANE + 8;
                    first = first < 0 ? x : first;
                    last = x;
                    Circle joint = new Circle(x, ROW / 2, 4);
                    joint.getStyleClass().add("joint");
                    drawn.getChildren().add(joint);
                }
            }
            if (last > first) {
                Line across = new Line(first, ROW / 2, last, ROW / 2);
                across.getStyleClass().add("axis");
                drawn.getChildren().add(0, across);
            }
            double x = PORTS_X;
            for (Ledger.Slot slot : row.slots()) {
                Rectangle cell = new Rectangle(x, ROW / 2 - 6, PORT - 2, 12);
                cell.getStyleClass().add(slot.universe().isPresent() ? "port-cell" : "port-free");
                slot.universe().ifPresent(u -> cell.setFill(Color.web(UniverseHue.of(u))));
                if (!slot.on()) {
                    cell.setOpacity(0.35);
                }
                Hint.on(
                        cell,
                        () -> slot.name() + ": "
                                + slot.universe()
                                        .map(u -> u.label() + " " + u.name())
                                        .orElse("free")
                                + (slot.on() ? "" : ", switched off"));
                drawn.getChildren().add(cell);
                x += PORT;
            }
            String carried = row.ports() > Ledger.MOST_PORTS ? "of " + row.ports() : row.carries();
            Text text = Texts.drawn(row.sends().isEmpty() ? carried : row.sends(), "mono", "soft", "small");
            double at = x > PORTS_X ? x + 6 : PORTS_X;
            if (at + text.getText().length() * LETTER < STATE_X) {
                put(drawn, text, at);
            }
            if (row.severity() != null) {
                Mark mark = Mark.of(row.severity());
                mark.relocate(STATE_X, ROW / 2 - 7);
                drawn.getChildren().add(mark);
            }
        }

        private void put(Pane drawn, Text text, double x) {
            text.relocate(x, (ROW - text.getLayoutBounds().getHeight()) / 2 - 1);
            drawn.getChildren().add(text);
        }
    }

    private static String cut(String text, int most) {
        return text.length() > most ? text.substring(0, most - 1) + "…" : text;
    }

    // --- what is done with rows ---

    private List<Id<Host>> chosen() {
        List<Id<Host>> ids = new ArrayList<>();
        for (Ledger.Row row : list.getSelectionModel().getSelectedItems()) {
            if (row != null && row.host() != null) {
                ids.add(row.host().id());
            }
        }
        return ids;
    }

    private void refreshBulk() {
        List<Id<Host>> chosen = chosen();
        bulk.getChildren().clear();
        summary.setText(ledgerSummary);
        if (chosen.isEmpty()) {
            bulk.getChildren()
                    .add(Texts.of(
                            "Choose devices to do something with them; Ctrl and Shift choose several.",
                            "soft",
                            "small"));
            return;
        }
        bulk.getChildren().add(Texts.of(Counted.of(chosen.size(), "device") + ":", "soft", "small"));
        if (chosen.size() == 1) {
            bulk.getChildren()
                    .addAll(
                            quiet("Change  Enter", "gear-change", this::form),
                            quiet("Rename  F2", "gear-rename", this::rename));
        }
        MenuButton segments = new MenuButton("Put on");
        segments.setId("gear-put");
        segments.setMinWidth(javafx.scene.layout.Region.USE_PREF_SIZE);
        for (Segment segment : document.plan().segments()) {
            MenuItem item = new MenuItem(segment.name());
            item.setOnAction(e -> putOn(segment));
            segments.getItems().add(item);
        }
        bulk.getChildren()
                .addAll(
                        quiet("Place …", "gear-place", this::place),
                        segments,
                        quiet("Duplicate  Ctrl D", "gear-duplicate", this::duplicate),
                        quiet("Remove  Del", "gear-remove", this::remove));
        String also = Removing.of(document.plan(), chosen).alsoInWords();
        if (!also.isEmpty()) {
            summary.setText("Removing also removes " + also + ".");
        }
    }

    private static Button quiet(String text, String id, Runnable action) {
        Button button = new Button(text);
        button.getStyleClass().add("quiet");
        button.setId(id);
        button.setMinWidth(javafx.scene.layout.Region.USE_PREF_SIZE);
        button.setOnAction(e -> action.run());
        return button;
    }

    private void keys(KeyEvent e) {
        if (e.getCode() == KeyCode.ENTER) {
            form();
        } else if (e.getCode() == KeyCode.F2) {
            rename();
        } else if (e.getCode() == KeyCode.DELETE) {
            remove();
        } else if (e.getCode() == KeyCode.D && e.isShortcutDown()) {
            duplicate();
        } else if (e.getCode() == KeyCode.V && e.isShortcutDown()) {
            paste();
        } else {
            return;
        }
        e.consume();
    }

    private Optional<String> ask(String title, String words, String usual) {
        TextInputDialog dialog = new TextInputDialog(usual);
        dialog.initOwner(pane.getScene().getWindow());
        dialog.setTitle(title);
        dialog.setHeaderText(words);
        dialog.setGraphic(null);
        return dialog.showAndWait();
    }

    private void rename() {
        List<Id<Host>> chosen = chosen();
        if (chosen.size() == 1) {
            String now = document.plan().index().name(chosen.get(0));
            ask("Rename", "What is " + now + " called?", now).ifPresent(name -> {
                try {
                    document.propose(Changing.name(document.plan(), chosen.get(0), name), false);
                } catch (IllegalArgumentException e) {
                    document.tell(String.valueOf(e.getMessage()));
                }
            });
        }
    }

    private void place() {
        List<Id<Host>> chosen = chosen();
        String now = document.plan().index().host(chosen.get(0)).place();
        ask("Place", "Where do they stand?", now)
                .ifPresent(place -> document.apply(new Edit(
                        "Place " + Counted.of(chosen.size(), "device") + " in " + place, plan -> {
                            Plan next = plan;
                            for (Id<Host> id : chosen) {
                                next = next.with(id, h -> h.withPlace(place.strip()));
                            }
                            return next;
                        })));
    }

    private void putOn(Segment segment) {
        PlanIndex index = document.plan().index();
        List<Id<Adapter>> adapters = chosen().stream()
                .map(index::host)
                .flatMap(h -> h.adapters().stream().limit(1))
                .map(Adapter::id)
                .toList();
        document.apply(Wiring.onSegment(document.plan(), adapters, segment));
    }

    private void duplicate() {
        Plan plan = document.plan();
        List<Id<Host>> chosen = chosen();
        if (!chosen.isEmpty()) {
            document.make(() -> Duplicating.of(plan, chosen, 1), this::made);
        }
    }

    private void remove() {
        List<Id<Host>> chosen = chosen();
        if (!chosen.isEmpty()) {
            Removal.of(document, chosen);
        }
    }

    /** Adds what the clipboard's rows describe, and tells which rows were left out. */
    public void paste() {
        String text = Clipboard.getSystemClipboard().getString();
        if (text == null || text.isBlank()) {
            document.tell("There are no rows on the clipboard. Copy rows with a column \"type\" from a spreadsheet.");
            return;
        }
        Plan plan = document.plan();
        library.use(read -> document.make(
                () -> {
                    Pasting pasting = Pasting.of(plan, read, text);
                    javafx.application.Platform.runLater(() -> document.tell(told(pasting)));
                    return new Made(pasting.edit(), List.of());
                },
                made -> {}));
    }

    private static String told(Pasting pasting) {
        String left = String.join(
                " · ", pasting.leftOut().stream().limit(3).map(LeftOut::text).toList());
        return "Pasted " + Counted.of(pasting.made(), "device") + " ("
                + String.join(", ", pasting.columns()) + ")."
                + (pasting.leftOut().isEmpty()
                        ? ""
                        : " Left out " + pasting.leftOut().size() + ": " + left
                                + (pasting.leftOut().size() > 3 ? " …" : ""));
    }
}
