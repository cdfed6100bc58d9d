package zentrel.app;

import java.io.File;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import javafx.geometry.Pos;
import javafx.scene.Scene;
import javafx.scene.control.Alert;
import javafx.scene.control.Button;
import javafx.scene.control.ButtonBar;
import javafx.scene.control.ButtonType;
import javafx.scene.control.Label;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.SeparatorMenuItem;
import javafx.scene.input.KeyCombination;
import javafx.scene.input.TransferMode;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import javafx.stage.FileChooser;
import javafx.stage.Stage;
import zentrel.app.addresses.AddressesStage;
import zentrel.app.bench.BenchStage;
import zentrel.app.document.OpenDocument;
import zentrel.app.document.UserLibrary;
import zentrel.app.flow.FlowModel;
import zentrel.app.flow.FlowStage;
import zentrel.app.gear.GearStage;
import zentrel.app.look.Mark;
import zentrel.app.look.Texts;
import zentrel.app.shell.GoToBox;
import zentrel.app.shell.MarginPane;
import zentrel.app.shell.PathStrip;
import zentrel.app.shell.Rail;
import zentrel.app.shell.RailStage;
import zentrel.app.universes.UniversesStage;
import zentrel.check.Report;
import zentrel.compare.Comparison;
import zentrel.file.LoadedPlan;
import zentrel.gear.Library;
import zentrel.gear.Wording;
import zentrel.path.Verdict;
import zentrel.plan.Id;
import zentrel.plan.Plan;
import zentrel.plan.Universe;
import zentrel.wire.OutputGuard;

/** The window: top bar, rail, chart, margin, path strip; files and keys. */
final class MainWindow {
    private static final String ENDING = ".zentrel.json";
    private static final int GEAR = 0;
    private static final int FLOW = 1;
    private static final int ADDRESSES = 2;
    private static final int UNIVERSES = 3;

    private final Stage stage;
    private final OpenDocument document;
    private final BorderPane root = new BorderPane();
    private final StackPane chart = new StackPane();
    private final PathStrip strip;
    private final RailStage<BenchStage> bench;
    private final RailStage<GearStage> gear;
    private final RailStage<FlowStage> flow;
    private final RailStage<AddressesStage> addresses;
    private final RailStage<UniversesStage> universes;
    private final List<RailStage<?>> stages;
    private final Rail rail;
    private final GoToBox goTo;
    private final Label name = Texts.of("", "strong");
    private final Label savedState = Texts.of("", "soft");
    private final HBox wire = new HBox(6);
    private final HBox notice = new HBox();
    private final Button dayNight = new Button("Day");
    private final Menu recent = new Menu("Open recent");
    private final MenuItem undo = item("Undo", "Shortcut+Z", () -> document().undo());
    private final MenuItem redo =
            item("Redo", "Shortcut+Shift+Z", () -> document().redo());
    private int shownStage = -1;

    MainWindow(Stage stage, OpenDocument document) {
        this.stage = stage;
        this.document = document;
        strip = new PathStrip(document);
        UserLibrary library = new UserLibrary(document.folder().resolve("profiles"));
        gear = new RailStage<>(
                "Gear",
                Set.of("power.", "cable.", "line.", "fixture.", "desk."),
                () -> new GearStage(document, library));
        flow = new RailStage<>(
                "Flow",
                Set.of("port.", "control.", "desk.", "host.", "discovery.", "patch."),
                () -> new FlowStage(document));
        addresses = new RailStage<>(
                "Addresses", Set.of("address.", "adapter.", "dhcp.", "network."), () -> new AddressesStage(document));
        universes = new RailStage<>("Universes", Set.of("universe.", "receiver."), () -> new UniversesStage(document));
        bench = new RailStage<>(
                "Bench", Set.of(), () -> new BenchStage(document, strip::setEvidence, this::refreshWire));
        stages = List.of(gear, flow, addresses, universes, bench);
        rail = new Rail(document, stages, this::showStage);
        goTo = new GoToBox(document, this::commands, line -> worded(library, line));
        root.setMinSize(0, 0); // else it asks everything in it how small it may get, at each layout
        root.setTop(new VBox(topBar(), notice));
        root.setLeft(rail);
        chart.setMinWidth(0); // the margin keeps its place, whatever the chart would like
        root.setCenter(chart);
        root.setRight(new MarginPane(document));
        root.setBottom(strip);
        refreshNotice();
        refreshTitle();
        refreshWire();
        showStage(FLOW);
        // the scene comes last, so that what is put into it is styled once
        Scene scene = new Scene(root, 1280, 800);
        scene.addEventHandler(
                javafx.scene.input.KeyEvent.KEY_PRESSED,
                e -> stages.get(shownStage).view().unusedKey(e));
        scene.getStylesheets()
                .add(MainWindow.class.getResource("/zentrel/app/zentrel.css").toExternalForm());
        keys(scene);
        drops(scene);
        stage.setScene(scene);
        stage.setMinWidth(1100);
        stage.setMinHeight(700);
        stage.setOnCloseRequest(e -> {
            if (!mayLose()) {
                e.consume();
            }
        });
        document.reportProperty().addListener(o -> refreshTitle());
        document.unsavedProperty().addListener(o -> refreshTitle());
        document.noticeProperty().addListener(o -> refreshNotice());
        document.dayProperty().addListener(o -> refreshDay());
    }

    /** What a line of words asks for, as commands of the box at the top; empty as long as nobody can tell. */
    private Optional<List<GoToBox.Command>> worded(UserLibrary library, String line) {
        if (line.length() < 2) {
            return Optional.of(List.of());
        }
        Library read = library.now();
        if (read == null) {
            library.use(l -> goTo.refresh());
            return Optional.empty();
        }
        return Optional.of(new Wording(
                        document.plan(), read, document.selectionProperty().get())
                .offers(line).stream()
                        .map(o -> new GoToBox.Command(
                                o.text(),
                                () -> document.make(
                                        o.work(),
                                        made -> made.hosts().stream()
                                                .reduce((a, b) -> b)
                                                .ifPresent(document::select),
                                        () -> goTo.giveBack(line))))
                        .toList());
    }

    private OpenDocument document() {
        return document;
    }

    GearStage gear() {
        return gear.view();
    }

    BenchStage bench() {
        return bench.view();
    }

    private void stopOutput() {
        bench.ifMade().ifPresent(BenchStage::stopOutput);
    }

    /** Gives the Flow stage the picture of a report that was worked out before the window was there. */
    void give(Report report, FlowModel picture) {
        flow.view().give(report, picture);
    }

    /** Shows what a move of the first segment to a range would change. */
    void showMove(String range) {
        addresses.view().move(range);
    }

    /** Shows what giving out addresses by fields would change. */
    void showGivingOut() {
        addresses.view().giveOut(true);
    }

    /** Shows what a table of addresses would change. */
    void showImport(String rows) {
        addresses.view().importTable(rows);
    }

    /** Shows the load on each cable. */
    void showLoad() {
        universes.view().load();
    }

    /** Shows what is selected beside a path that works. */
    void besideOneThatWorks() {
        strip.beside();
    }

    /** Shows who is heard, and asks who is meant to win for a universe. */
    void showWhoWins(Id<Universe> universe) {
        universes.view().whoWins(universe);
    }

    /** The stage that is shown first. */
    FlowStage flow() {
        return flow.view();
    }

    /** Asks for the next look at what is selected. */
    void lookNext() {
        strip.look();
    }

    /** Ends what the bench runs. */
    void close() {
        bench.ifMade().ifPresent(BenchStage::close);
    }

    /** Brings a stage to the front, by its place on the rail. */
    void showStage(int number) {
        shownStage = number;
        rail.choose(number);
        chart.getChildren().setAll(stages.get(number).view().node());
        stages.get(number).view().shown();
    }

    int shownStage() {
        return shownStage;
    }

    // --- top bar ---

    private HBox topBar() {
        MenuButton menu = new MenuButton("Plan");
        menu.setId("plan-menu");
        menu.getItems()
                .addAll(
                        item("New", "Shortcut+N", this::newPlan),
                        item("Open …", "Shortcut+O", this::open),
                        recent,
                        new SeparatorMenuItem(),
                        item("Save", "Shortcut+S", this::save),
                        item("Save as …", "Shortcut+Shift+S", this::saveAs),
                        new SeparatorMenuItem(),
                        item("Start from a pattern …", "Esc", this::patterns),
                        item("Profiles …", "Esc", this::profiles),
                        item("Copy as a new plan", "Esc", this::copyPlan),
                        item("Compare with …", "Esc", this::compare),
                        new SeparatorMenuItem(),
                        undo,
                        redo,
                        new SeparatorMenuItem(),
                        item("Overview of all findings", "Esc", () -> document.select(null)));
        menu.setOnShowing(e -> refreshMenu());
        dayNight.getStyleClass().add("quiet");
        dayNight.setOnAction(
                e -> document.dayProperty().set(!document.dayProperty().get()));
        wire.setAlignment(Pos.CENTER_LEFT);
        HBox bar = new HBox(name, savedState, menu, Mark.gap(), goTo, Mark.gap(), wire, dayNight);
        bar.getStyleClass().add("top-bar");
        return bar;
    }

    private static MenuItem item(String text, String keys, Runnable action) {
        MenuItem item = new MenuItem(text);
        if (!keys.equals("Esc")) {
            item.setAccelerator(KeyCombination.valueOf(keys));
        }
        item.setOnAction(e -> action.run());
        return item;
    }

    private void refreshMenu() {
        undo.setText(document.undoText().map(t -> "Undo: " + t).orElse("Undo"));
        undo.setDisable(document.undoText().isEmpty());
        redo.setText(document.redoText().map(t -> "Redo: " + t).orElse("Redo"));
        redo.setDisable(document.redoText().isEmpty());
        document.recent(files -> recent.getItems()
                .setAll(files.stream()
                        .map(f -> {
                            MenuItem item = item(f.toString(), "Esc", () -> openFile(f));
                            item.setMnemonicParsing(false);
                            return item;
                        })
                        .toList()));
    }

    private void refreshTitle() {
        Plan plan = document.plan();
        name.setText(plan.name());
        String file = document.file().map(f -> f.getFileName().toString()).orElse("no file yet");
        savedState.setText(file + (document.unsavedProperty().get() ? " · not saved" : ""));
        stage.setTitle(plan.name() + " – Zentrel");
    }

    private void refreshWire() {
        Label text = Texts.of(
                bench.ifMade().map(BenchStage::wireText).orElse(BenchStage.wireText(OutputGuard.State.LISTEN)),
                "small");
        boolean armed = bench.ifMade().filter(BenchStage::isArmed).isPresent();
        text.getStyleClass().add(armed ? "at-risk" : "soft");
        wire.getChildren().setAll(Mark.of(armed ? Verdict.AT_RISK : Verdict.NOT_KNOWN), text);
    }

    private void refreshDay() {
        boolean day = document.dayProperty().get();
        root.getStyleClass().remove("day");
        if (day) {
            root.getStyleClass().add("day");
        }
        dayNight.setText(day ? "Night" : "Day");
    }

    private void refreshNotice() {
        OpenDocument.Notice now = document.noticeProperty().get();
        notice.getChildren().clear();
        notice.setVisible(now != null);
        notice.setManaged(now != null);
        if (now == null) {
            return;
        }
        notice.getStyleClass().setAll("notice");
        Label text = Texts.wrapped(now.text());
        text.setId("notice");
        notice.getChildren().add(text);
        now.action().ifPresent(words -> {
            Button button = new Button(words);
            button.getStyleClass().add("action");
            button.setId("notice-action");
            button.setMinWidth(javafx.scene.layout.Region.USE_PREF_SIZE);
            button.setOnAction(e -> {
                document.noticeProperty().set(null);
                now.onAction().run();
            });
            notice.getChildren().add(button);
        });
        Button away = new Button("Put away");
        away.getStyleClass().add("quiet");
        away.setMinWidth(javafx.scene.layout.Region.USE_PREF_SIZE);
        away.setOnAction(e -> document.noticeProperty().set(null));
        notice.getChildren().addAll(Mark.gap(), away);
    }

    // --- files ---

    private FileChooser chooser(String title) {
        FileChooser chooser = new FileChooser();
        chooser.setTitle(title);
        chooser.getExtensionFilters().add(new FileChooser.ExtensionFilter("Zentrel plans", "*" + ENDING, "*.json"));
        document.file()
                .map(Path::toAbsolutePath)
                .map(Path::getParent)
                .map(Path::toFile)
                .filter(File::isDirectory)
                .ifPresent(chooser::setInitialDirectory);
        return chooser;
    }

    private void newPlan() {
        if (mayLose()) {
            document.show(LoadedPlan.of(Plan.EMPTY));
            showStage(GEAR);
        }
    }

    private void open() {
        File file = chooser("Open a plan").showOpenDialog(stage);
        if (file != null) {
            openFile(file.toPath());
        }
    }

    private void patterns() {
        showStage(GEAR);
        gear().patterns();
    }

    private void profiles() {
        showStage(GEAR);
        gear().profiles();
    }

    /** The same rig as a plan of its own, which belongs to no file yet. */
    private void copyPlan() {
        if (mayLose()) {
            Plan plan = document.plan();
            document.show(LoadedPlan.of(plan.withName(plan.name() + ", copy")));
        }
    }

    /** Sets another version of the plan beside this one. */
    private void compare() {
        File file = chooser("Compare with a plan").showOpenDialog(stage);
        if (file != null) {
            compareWith(file.toPath());
        }
    }

    /** Reads another version of the plan, and shows how it differs. */
    void compareWith(Path file) {
        Plan mine = document.plan();
        document.read(file, other -> Comparison.of(mine, other.plan()), comparison -> {
            showStage(GEAR);
            gear().compare(String.valueOf(file.getFileName()), comparison);
        });
    }

    /** Opens a file, after asking about unsaved work. */
    void openFile(Path file) {
        if (mayLose()) {
            document.open(file);
        }
    }

    void save() {
        document.file().ifPresentOrElse(document::save, this::saveAs);
    }

    private void saveAs() {
        FileChooser chooser = chooser("Save the plan");
        chooser.setInitialFileName(document.file()
                .map(f -> f.getFileName().toString())
                .orElse(document.plan().name().replaceAll("[^\\p{L}\\p{N} _-]", "") + ENDING));
        File file = chooser.showSaveDialog(stage);
        if (file != null) {
            document.save(file.toPath());
        }
    }

    /** Asks before unsaved work is lost. */
    private boolean mayLose() {
        if (!document.unsavedProperty().get()) {
            return true;
        }
        ButtonType give = new ButtonType("Give it up", ButtonBar.ButtonData.OTHER);
        ButtonType keep = new ButtonType("Keep working", ButtonBar.ButtonData.CANCEL_CLOSE);
        Alert alert = new Alert(
                Alert.AlertType.NONE, document.plan().name() + " has changes that are not saved.", give, keep);
        alert.initOwner(stage);
        alert.setTitle("Not saved");
        // so that Enter, pressed too soon, loses nothing
        if (alert.getDialogPane().lookupButton(keep) instanceof Button button) {
            button.setDefaultButton(true);
        }
        return alert.showAndWait().filter(give::equals).isPresent();
    }

    private void drops(Scene scene) {
        scene.setOnDragOver(e -> {
            if (e.getDragboard().hasFiles()) {
                e.acceptTransferModes(TransferMode.COPY);
            }
            e.consume();
        });
        scene.setOnDragDropped(e -> {
            List<File> files = e.getDragboard().getFiles();
            if (files.size() == 1) {
                openFile(files.get(0).toPath());
            } else {
                document.tell("Drop one plan file at a time; these are " + files.size() + ".");
            }
            e.setDropCompleted(true);
            e.consume();
        });
    }

    // --- keys ---

    private void keys(Scene scene) {
        for (int i = 0; i < stages.size(); i++) {
            int number = i;
            scene.getAccelerators().put(PageKeys.of(i), () -> showStage(number));
        }
        scene.getAccelerators().put(KeyCombination.valueOf("Shortcut+K"), this::askWhere);
        scene.getAccelerators().put(KeyCombination.valueOf("Shortcut+F"), this::askWhere);
        scene.getAccelerators().put(KeyCombination.valueOf("Shortcut+Y"), document::redo);
        scene.getAccelerators().put(KeyCombination.valueOf("F12"), this::stopOutput);
        scene.getAccelerators().put(KeyCombination.valueOf("Esc"), () -> document.select(null));
    }

    /** What was typed last is still there, and the next letter takes its place. */
    private void askWhere() {
        goTo.requestFocus();
        goTo.selectAll();
    }

    private List<GoToBox.Command> commands() {
        List<GoToBox.Command> commands = new ArrayList<>();
        for (int i = 0; i < stages.size(); i++) {
            int number = i;
            commands.add(new GoToBox.Command(stages.get(i).title() + " (stage)", () -> showStage(number)));
        }
        commands.add(new GoToBox.Command("Add gear", () -> {
            showStage(GEAR);
            gear().say();
        }));
        commands.add(new GoToBox.Command("Start from a pattern …", this::patterns));
        commands.add(new GoToBox.Command("Profiles …", this::profiles));
        commands.add(new GoToBox.Command("Paste rows", () -> gear().paste()));
        commands.add(new GoToBox.Command("Copy as a new plan", this::copyPlan));
        commands.add(new GoToBox.Command("Compare with …", this::compare));
        commands.add(new GoToBox.Command("New plan", this::newPlan));
        commands.add(new GoToBox.Command("Open a plan …", this::open));
        commands.add(new GoToBox.Command("Save", this::save));
        commands.add(new GoToBox.Command("Save as …", this::saveAs));
        document.undoText().ifPresent(t -> commands.add(new GoToBox.Command("Undo: " + t, document::undo)));
        document.redoText().ifPresent(t -> commands.add(new GoToBox.Command("Redo: " + t, document::redo)));
        commands.add(new GoToBox.Command("Overview of all findings", () -> document.select(null)));
        commands.add(new GoToBox.Command("Give out addresses", () -> {
            showStage(ADDRESSES);
            addresses.view().giveOut(false);
        }));
        commands.add(new GoToBox.Command("This computer, as it is", () -> {
            showStage(ADDRESSES);
            addresses.view().here();
        }));
        commands.add(new GoToBox.Command("Which range should each segment use?", () -> {
            showStage(ADDRESSES);
            addresses.view().advise();
        }));
        commands.add(new GoToBox.Command("Move a segment to another range", () -> {
            showStage(ADDRESSES);
            addresses.view().move();
        }));
        commands.add(new GoToBox.Command("Take over a table of addresses", () -> {
            showStage(ADDRESSES);
            addresses.view().importTable();
        }));
        commands.add(new GoToBox.Command("Write addresses as a table, reservations or hosts", () -> {
            showStage(ADDRESSES);
            addresses.view().export();
        }));
        commands.add(new GoToBox.Command("Boxes out of the box, one at a time", () -> {
            showStage(ADDRESSES);
            addresses.view().outOfTheBox();
        }));
        commands.add(new GoToBox.Command("Ask who answers", () -> {
            showStage(ADDRESSES);
            addresses.view().ask();
        }));
        commands.add(new GoToBox.Command("Where to look next", strip::look));
        commands.add(new GoToBox.Command("Show it beside a path that works", strip::beside));
        commands.add(new GoToBox.Command("Load on each cable", () -> {
            showStage(UNIVERSES);
            universes.view().load();
        }));
        commands.add(new GoToBox.Command("Which protocol should each source use?", () -> {
            showStage(UNIVERSES);
            universes.view().protocols();
        }));
        commands.add(new GoToBox.Command("Who is heard, and what if one stops", () -> {
            showStage(UNIVERSES);
            universes.view().whoWins();
        }));
        commands.add(new GoToBox.Command("Route a run of universes to a run of ports", () -> {
            showStage(UNIVERSES);
            universes.view().range();
        }));
        commands.add(new GoToBox.Command("Renumber universes, find free ports", () -> {
            showStage(UNIVERSES);
            universes.view().numbers();
        }));
        commands.add(new GoToBox.Command("Start the stand-ins", () -> bench().startStandins()));
        commands.add(new GoToBox.Command("Arm loopback", () -> bench().arm()));
        commands.add(new GoToBox.Command("Stop all output", this::stopOutput));
        commands.add(new GoToBox.Command("Day or night colours", dayNight::fire));
        return commands;
    }
}
