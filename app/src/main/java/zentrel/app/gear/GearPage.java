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
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.TextInputDialog;
import javafx.scene.input.Clipboard;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import zentrel.app.document.OpenDocument;
import zentrel.app.document.Removal;
import zentrel.app.document.UserLibrary;
import zentrel.app.look.Buttons;
import zentrel.app.look.Texts;
import zentrel.app.look.WindowRoot;
import zentrel.app.shell.Boxes;
import zentrel.app.shell.PageContext;
import zentrel.app.shell.PageEntry;
import zentrel.app.shell.PageView;
import zentrel.app.shell.WordBox;
import zentrel.check.Area;
import zentrel.check.Report;
import zentrel.compare.Comparison;
import zentrel.file.PlanFile;
import zentrel.gear.Connections;
import zentrel.gear.DeviceCopies;
import zentrel.gear.GearEdit;
import zentrel.gear.GearImport;
import zentrel.gear.PlanRemoval;
import zentrel.gear.SettingChange;
import zentrel.plan.*;
import zentrel.plan.Plan;
import zentrel.table.LeftOut;
import zentrel.text.Counted;

/** The ledger of the gear, and the ways to add to it. */
public final class GearPage implements PageView {
    private final OpenDocument document;
    private final UserLibrary library;
    private final StackPane pane = new StackPane();
    private final VBox ledgerPage;
    private final LedgerList list = new LedgerList();
    private final Label summary = Texts.of("", "soft", "small");
    private final HBox bulk = new HBox(8);
    private final WordBox words;
    private String ledgerSummary = "";
    private boolean refreshing;

    private GearPage(OpenDocument document, UserLibrary library) {
        this.document = document;
        this.library = library;
        words = new WordBox(
                document,
                library,
                "gear-words",
                "Say what to add or join …",
                "3 node 4 in Boathouse · route hut to node · patch 12 wash of 18 on node",
                this::made);
        list.setPlaceholder(empty());
        list.addEventFilter(KeyEvent.KEY_PRESSED, this::keys);
        list.getSelectionModel().selectedItemProperty().addListener((o, old, row) -> {
            if (row != null && row.host() != null && !refreshing) {
                document.select(row.host().id());
            }
            refreshBulk();
        });
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
        ledgerPage = new VBox(8, top, list.head(), list, bulk, summary);
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
                        EnumSet.of(Area.GEAR),
                        () -> new GearPage(context.document(), context.library()))
                .explainedBy("concept-two-addresses")
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
        document.work(
                () -> Comparison.of(mine, PlanFile.open(file).plan()),
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
        refreshing = true;
        list.show(ledger);
        refreshing = false;
        ledgerSummary = ledger.summary();
        follow();
        refreshBulk();
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
                    list.reveal();
                    refreshing = false;
                }
                return;
            }
        }
    }

    private void made(GearEdit made) {
        if (!made.hosts().isEmpty()) {
            document.select(made.hosts().get(made.hosts().size() - 1));
        }
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
        String also = PlanRemoval.of(document.plan(), chosen).alsoInWords();
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
        WindowRoot.dress(dialog, pane.getScene().getWindow());
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
                    document.propose(SettingChange.name(document.plan(), chosen.get(0), name), false);
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
        document.apply(Connections.onSegment(document.plan(), adapters, segment));
    }

    private void duplicate() {
        Plan plan = document.plan();
        List<Id<Host>> chosen = chosen();
        if (!chosen.isEmpty()) {
            document.make(() -> DeviceCopies.of(plan, chosen, 1), this::made);
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
                    GearImport pasting = GearImport.of(plan, read, text);
                    javafx.application.Platform.runLater(() -> document.tell(told(pasting)));
                    return new GearEdit(pasting.edit(), List.of());
                },
                made -> {}));
    }

    private static String told(GearImport pasting) {
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
