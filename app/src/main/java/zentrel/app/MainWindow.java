package zentrel.app;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import javafx.application.Platform;
import javafx.beans.binding.Bindings;
import javafx.geometry.Pos;
import javafx.scene.Scene;
import javafx.scene.input.KeyCombination;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import javafx.scene.shape.Rectangle;
import javafx.stage.Stage;
import javafx.stage.WindowEvent;
import zentrel.app.document.OpenDocument;
import zentrel.app.document.UserLibrary;
import zentrel.app.help.HelpPages;
import zentrel.app.look.WindowRoot;
import zentrel.app.shell.Command;
import zentrel.app.shell.Evidence;
import zentrel.app.shell.GoToBox;
import zentrel.app.shell.MarginPane;
import zentrel.app.shell.NoticeBar;
import zentrel.app.shell.OutputStatus;
import zentrel.app.shell.PageContext;
import zentrel.app.shell.PageEntry;
import zentrel.app.shell.PageView;
import zentrel.app.shell.PathStrip;
import zentrel.app.shell.Rail;
import zentrel.app.shell.SeenNow;
import zentrel.app.start.DemoSteps;
import zentrel.command.Commands;
import zentrel.command.Offer;
import zentrel.gear.Library;

/** The window: top bar, rail, the page in front, margin, path strip; and the keys that work everywhere. It knows no page by name. */
final class MainWindow {
    private static final double LEAST_SIDE = 320;
    private static final double MOST_SIDE = 440;

    /** What is at the right gets wider with the window, up to a width in which lines are still read at ease. */
    private static final double SHARE_OF_SIDE = 0.2;

    private final OpenDocument document;
    private final BorderPane root = new BorderPane();
    private final StackPane front = new StackPane();
    private final OutputStatus output = new OutputStatus();
    private final PathStrip strip;
    private final PlanFiles files;
    private final List<PageEntry<?>> pages;
    private final Rail rail;
    private final MarginPane margin;
    private final GoToBox goTo;
    private final TopBar top;
    private final DemoSteps steps;
    private final VBox side = new VBox();
    private final StartActions starting;
    private final HelpOverlay helping;
    private final TextSizes sizes;
    private final PageWindows apart;
    private int shownPage = -1;

    MainWindow(Stage stage, OpenDocument document) {
        this(stage, document, Pages::all);
    }

    /**
     * A window with other pages.
     *
     * @param makePages the pages, {@link Pages#AT_START} among them
     */
    MainWindow(Stage stage, OpenDocument document, Function<PageContext, List<PageEntry<?>>> makePages) {
        this.document = document;
        strip = new PathStrip(document);
        steps = new DemoSteps(document);
        files = new PlanFiles(stage, document);
        UserLibrary library = new UserLibrary(document.folders().profiles());
        pages = makePages.apply(new PageContext(document, library, this::seen, output, new SeenNow(), files::choose));
        rail = new Rail(document, pages, this::showPage);
        goTo = new GoToBox(document, this::commands, line -> worded(library, line));
        top = new TopBar(document, files, output, goTo, this::newPlan, this::about, offered(true));
        root.setMinSize(0, 0); // so that it can be laid out as small as the window is
        root.setTop(new VBox(top, new NoticeBar(document)));
        root.setLeft(rail);
        front.setMinSize(0, 0); // the margin keeps its place, whatever the page would like
        front.setAlignment(Pos.TOP_LEFT);
        Rectangle clip = new Rectangle();
        clip.widthProperty().bind(front.widthProperty());
        clip.heightProperty().bind(front.heightProperty());
        front.setClip(clip);
        root.setCenter(front);
        margin = new MarginPane(document, library, this::help);
        helping = new HelpOverlay(document, strip, margin::firstRule, front);
        margin.onRead(steps::read);
        VBox.setVgrow(margin, Priority.ALWAYS);
        side.getChildren().setAll(steps, margin);
        side.managedProperty().bind(side.visibleProperty());
        side.minWidthProperty()
                .bind(Bindings.createDoubleBinding(
                        () -> Math.max(LEAST_SIDE, Math.min(MOST_SIDE, root.getWidth() * SHARE_OF_SIDE)),
                        root.widthProperty()));
        side.maxWidthProperty().bind(side.minWidthProperty());
        root.setRight(side);
        root.setBottom(strip);
        starting = new StartActions(document, library, files, this);
        refreshTitle(stage);
        apart = new PageWindows(stage, document, pages);
        showPage(atStart());
        starting.begin();
        // the scene comes last, so that what is put into it is styled once
        Scene scene = new Scene(new WindowRoot(root, document.settings().property()), 1280, 800);
        scene.addEventHandler(
                KeyEvent.KEY_PRESSED, e -> pages.get(shownPage).view().unusedKey(e));
        scene.getStylesheets()
                .add(MainWindow.class.getResource("/zentrel/app/zentrel.css").toExternalForm());
        keys(scene);
        files.takeDrops(scene);
        stage.setScene(scene);
        sizes = new TextSizes(stage, document);
        sizes.keys(scene);
        stage.addEventHandler(WindowEvent.WINDOW_HIDDEN, e -> apart.closeAll());
        stage.setOnCloseRequest(e -> {
            if (!files.mayLose()) {
                e.consume();
            }
        });
        document.reportProperty().addListener(o -> {
            refreshTitle(stage);
            refreshStart();
        });
        document.unsavedProperty().addListener(o -> refreshTitle(stage));
    }

    // --- pages ---

    /** The start page comes where there is nothing to show, and goes with the first plan. */
    private void refreshStart() {
        boolean isShown = root.getRight() == null;
        if (starting.isWanted() == isShown) {
            return;
        }
        if (isShown) {
            showPage(atStart());
            return;
        }
        pages.get(shownPage).view().hidden();
        rail.chooseNone();
        front.getChildren().setAll(starting.page());
        root.setRight(null);
        root.setBottom(null);
        Platform.runLater(() -> PageFocus.into(front));
    }

    private int atStart() {
        for (int i = 0; i < pages.size(); i++) {
            if (pages.get(i).type().equals(Pages.AT_START)) {
                return i;
            }
        }
        return 0;
    }

    /** Brings a page to the front, by its place on the rail. */
    void showPage(int number) {
        if (apart.isOpen(number)) {
            apart.toFront(number);
            if (shownPage >= 0) {
                rail.choose(shownPage);
            }
            return;
        }
        starting.left();
        if (root.getRight() == null) {
            root.setRight(side);
            root.setBottom(strip);
        }
        if (shownPage >= 0 && shownPage != number) {
            pages.get(shownPage).view().hidden();
        }
        shownPage = number;
        rail.choose(number);
        front.getChildren().setAll(pages.get(number).view().node());
        strip.orderBy(pages.get(number).view()::order);
        pages.get(number).view().shown();
        Platform.runLater(() -> PageFocus.into(front)); // once what the page shows is there
    }

    /** Moves the page in front into a window of its own; the next one takes its place here. */
    void openApart() {
        int page = shownPage;
        if (apart.count() + 1 >= pages.size()) {
            document.tell("One page stays in this window.");
            return;
        }
        int next = page;
        do {
            next = (next + 1) % pages.size();
        } while (apart.isOpen(next));
        showPage(next);
        apart.open(page);
    }

    /** The pages that stand in windows of their own. */
    PageWindows apart() {
        return apart;
    }

    int shownPage() {
        return shownPage;
    }

    /** Brings a page to the front, and gives its view. */
    <V extends PageView> V show(Class<V> page) {
        for (int i = 0; i < pages.size(); i++) {
            if (pages.get(i).type().equals(page)) {
                showPage(i);
            }
        }
        return view(page);
    }

    /**
     * The view of a page, made now if it was not wanted before.
     *
     * @throws IllegalArgumentException where the window has no such page
     */
    <V extends PageView> V view(Class<V> page) {
        return pages.stream()
                .filter(p -> p.type().equals(page))
                .findFirst()
                .map(p -> page.cast(p.view()))
                .orElseThrow(() -> new IllegalArgumentException("There is no page " + page.getSimpleName() + "."));
    }

    private void seen(Evidence evidence) {
        strip.setEvidence(evidence);
        steps.seen(evidence);
    }

    /** An empty plan and the start page, whatever was open. */
    void beginAgain() {
        files.begin();
        starting.begin();
        refreshStart();
    }

    /** Shows a help page, by its name. */
    void help(String page) {
        helping.show(page);
    }

    /** Shows settings, and what the program is. */
    void about() {
        helping.about(sizes::choose);
    }

    /** What the pages offer to do by name. */
    private List<Command> offered(boolean menu) {
        List<Command> offered = new ArrayList<>();
        for (int i = 0; i < pages.size(); i++) {
            int number = i;
            offered.addAll(pages.get(i).commands(menu, () -> showPage(number)));
        }
        return offered;
    }

    /** Ends what the pages run. */
    void close() {
        apart.closeAll();
        pages.forEach(p -> p.ifMade().ifPresent(PageView::dispose));
    }

    private void newPlan() {
        if (files.mayLose()) {
            beginAgain();
        }
    }

    // --- what is always there ---

    /** Where paths of what is selected are shown. */
    PathStrip strip() {
        return strip;
    }

    /** What may leave the computer. */
    OutputStatus output() {
        return output;
    }

    /** The files of this window. */
    PlanFiles files() {
        return files;
    }

    private void refreshTitle(Stage stage) {
        top.refreshTitle();
        stage.setTitle(document.plan().name() + " – Zentrel");
    }

    // --- keys and commands ---

    private void keys(Scene scene) {
        for (int i = 0; i < pages.size(); i++) {
            int number = i;
            scene.getAccelerators().put(PageKeys.of(i), () -> showPage(number));
        }
        scene.getAccelerators().put(KeyCombination.valueOf("Shortcut+K"), this::askWhere);
        scene.getAccelerators().put(KeyCombination.valueOf("Shortcut+F"), this::askWhere);
        scene.getAccelerators().put(KeyCombination.valueOf("Shortcut+Y"), document::redo);
        scene.getAccelerators().put(KeyCombination.valueOf("Shortcut+E"), margin::toggleFields);
        scene.getAccelerators().put(KeyCombination.valueOf("Shortcut+Shift+A"), margin::add);
        scene.getAccelerators().put(KeyCombination.valueOf("Shortcut+Delete"), margin::remove);
        scene.getAccelerators()
                .put(
                        KeyCombination.valueOf("F1"),
                        () -> helping.key(pages.get(shownPage).help()));
        scene.getAccelerators().put(PageWindows.OPEN, this::openApart);
        scene.getAccelerators().put(KeyCombination.valueOf("F9"), this::foldSide);
        scene.getAccelerators().put(KeyCombination.valueOf("F12"), output::stop);
        scene.getAccelerators().put(KeyCombination.valueOf("Esc"), () -> document.select(null));
    }

    /** Gives the room at the right to the page, or takes it back. */
    private void foldSide() {
        side.setVisible(!side.isVisible());
    }

    /** What was typed last is still there, and the next letter takes its place. */
    private void askWhere() {
        goTo.requestFocus();
        goTo.selectAll();
    }

    private List<Command> commands() {
        List<Command> commands = new ArrayList<>();
        for (int i = 0; i < pages.size(); i++) {
            int number = i;
            commands.add(new Command(pages.get(i).title() + " (page)", () -> showPage(number)));
        }
        commands.addAll(offered(false));
        if (document.selectionProperty().get() != null) {
            commands.add(new Command("All fields of what is selected", margin::toggleFields));
            commands.add(new Command("Remove what is selected", margin::remove));
        }
        commands.add(new Command("Add to what is selected, or to the plan …", margin::add));
        commands.add(new Command("Where to look next", strip::look));
        commands.add(new Command("Show it beside a path that works", strip::beside));
        commands.add(new Command("Copy as a new plan", files::copy));
        commands.add(new Command("New plan", this::newPlan));
        commands.add(new Command("Open a plan …", files::open));
        commands.add(new Command("Save", files::save));
        commands.add(new Command("Save as …", files::saveAs));
        document.undoText().ifPresent(t -> commands.add(new Command("Undo: " + t, document::undo)));
        document.redoText().ifPresent(t -> commands.add(new Command("Redo: " + t, document::redo)));
        commands.add(new Command("Overview of all findings", () -> document.select(null)));
        commands.add(new Command("Stop all output", output::stop));
        commands.add(new Command("Day or night colours", top::changeColours));
        commands.add(new Command("Fold away what is at the right, or show it again", this::foldSide));
        commands.add(new Command("This page in a window of its own", this::openApart));
        commands.addAll(sizes.commands());
        commands.add(new Command("Settings, and about Zentrel", this::about));
        commands.add(new Command("Keys", () -> helping.show(HelpPages.KEYS)));
        commands.addAll(helping.commands());
        return commands;
    }

    /** What a line of words asks for, as commands of the box at the top; empty as long as nobody can tell. */
    private Optional<GoToBox.Meant> worded(UserLibrary library, String line) {
        if (line.length() < 2) {
            return Optional.of(new GoToBox.Meant(List.of(), Optional.empty()));
        }
        Library read = library.now();
        if (read == null) {
            library.use(l -> goTo.refresh());
            return Optional.empty();
        }
        Commands.Reading reading =
                new Commands(document.plan(), read, document.selectionProperty().get()).read(line);
        return Optional.of(new GoToBox.Meant(
                reading.offers().stream().map(o -> doing(o, line)).toList(), reading.why()));
    }

    private Command doing(Offer offer, String line) {
        return new Command(
                offer.text(),
                () -> document.make(
                        offer.work(),
                        made -> made.hosts().stream().reduce((a, b) -> b).ifPresent(document::select),
                        why -> goTo.giveBack(line, why)));
    }
}
