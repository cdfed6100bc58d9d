package zentrel.app.pixels;

import java.util.EnumSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import zentrel.app.document.OpenDocument;
import zentrel.app.look.Buttons;
import zentrel.app.look.Lists;
import zentrel.app.look.Texts;
import zentrel.app.look.ViewChoice;
import zentrel.app.pixels.PixelSight.Row;
import zentrel.app.shell.PageContext;
import zentrel.app.shell.PageEntry;
import zentrel.app.shell.PageView;
import zentrel.app.shell.WordBox;
import zentrel.check.Area;
import zentrel.check.Report;
import zentrel.plan.Id;
import zentrel.plan.Kind;
import zentrel.plan.PixelOutput;
import zentrel.plan.PixelRun;
import zentrel.plan.Universe;
import zentrel.text.Counted;

/** Pixels: the layout in its true shape, the outputs that drive it, and looks by which it is tried. */
public final class PixelsPage implements PageView {
    private static final double ROW = 28;
    private static final int MOST_ROWS = 6;

    /** By what pixels are coloured. */
    public enum Showing {
        UNIVERSES,
        ARRIVING,
        LOOK
    }

    private final OpenDocument document;
    private final VBox pane = new VBox(6);
    private final Label summary = Texts.of("", "soft");
    private final Label hovered = Texts.of("", "soft", "small");
    private final WordBox words;
    private final PixelCanvas canvas;
    private final Node heads = OutputRow.head();
    private final ListView<Row> outputs = new ListView<>();
    private final Label nothing = Texts.wrapped(
            "Pixels stand here in their true shape. A line such as \"pixels 5 strips of 612 RGB on controller\" puts some on"
                    + " a pixel controller of the plan; add one on the Gear page. Add … in the margin asks for the same.",
            "soft");
    private final ChosenPixels acts;
    private final LookBar looks;
    private final LayoutFiles files;
    private final ViewChoice choice = new ViewChoice(this::chosenView);
    private final ToggleButton byUniverse = choice.add("Universes", "pixels-universes");
    private final ToggleButton arriving = choice.add("What arrives", "pixels-arriving");
    private final ToggleButton aLook = choice.add("A look", "pixels-look");
    private final Set<Id<PixelRun>> chosen = new LinkedHashSet<>();
    private PixelSight sight = PixelSight.NONE;
    private int onlyUniverse;
    private Showing showing = Showing.UNIVERSES;
    private boolean filling;

    private PixelsPage(PageContext context) {
        document = context.document();
        words = new WordBox(
                document,
                context.library(),
                "pixel-words",
                "Add, turn, mirror, spread or set pixels in words …",
                "pixels 5 strips of 612 RGB on controller from U41 · pixels 2 panels of 8x8 at 50 mm · turn panel 1 by 90 · spread controller",
                made -> {});
        canvas = new PixelCanvas(new Touch());
        acts = new ChosenPixels(document, this::chosenRuns);
        looks = new LookBar(context, this);
        files = new LayoutFiles(document, () -> sight);
        outputs.setId("pixel-outputs");
        outputs.setAccessibleText("Outputs of pixel controllers");
        outputs.setFixedCellSize(ROW);
        Lists.keepInSight(outputs);
        outputs.setCellFactory(l -> new OutputRow(outputs::getWidth, () -> onlyUniverse, this::chooseUniverse));
        outputs.widthProperty().addListener(o -> outputs.refresh());
        outputs.getSelectionModel().selectedItemProperty().addListener((o, was, is) -> {
            if (is != null && !filling) {
                choose(is.output().runs(), is.output().id());
            }
        });
        StackPane layout = new StackPane(canvas, nothing);
        layout.setMinHeight(120);
        VBox.setVgrow(layout, Priority.ALWAYS);
        canvas.setOnKeyPressed(new PixelKeys(this)::pressed);
        pane.getStyleClass().add("main-page");
        pane.setMinWidth(0);
        pane.getChildren().addAll(head(), words, layout, foot(), heads, outputs, looks);
        document.reportProperty().addListener(o -> refresh());
        document.selectionProperty().addListener(o -> follow());
        document.settings().dayProperty().addListener(o -> colour());
    }

    /** The page, as the window lists it. */
    public static PageEntry<PixelsPage> entry(PageContext context) {
        return new PageEntry<>(PixelsPage.class, "Pixels", EnumSet.of(Area.PIXELS), () -> new PixelsPage(context))
                .explainedBy("concept-pixels")
                .offers("Add pixels in words", p -> p.words.begin("pixels "))
                .offers("Show all pixels", p -> p.canvas.fit())
                .offers("Write the tables of the pixel controllers", p -> p.files.writeTables())
                .offers("Write the layout of the pixels as a drawing", p -> p.files.writeDrawing())
                .offers("Read the places of pixels from a table", p -> p.files.readPlaces(p.chosenRuns()));
    }

    private Node head() {
        byUniverse.setSelected(true);
        HBox head = new HBox(12, choice, summary);
        head.setAlignment(Pos.CENTER_LEFT);
        return head;
    }

    private void chosenView() {
        showing = arriving.isSelected() ? Showing.ARRIVING : aLook.isSelected() ? Showing.LOOK : Showing.UNIVERSES;
        looks.showing(showing);
        colour();
    }

    private Node foot() {
        FlowPane foot = new FlowPane(
                8,
                2,
                hovered,
                Buttons.quiet("Show all", "pixels-all", canvas::fit),
                Buttons.quiet("Show chosen", "pixels-chosen", canvas::fitChosen),
                Buttons.quiet("Turn", "pixels-turn", () -> acts.turn(90)),
                Buttons.quiet("Mirror", "pixels-mirror", acts::mirror),
                files.menu(this::chosenRuns));
        foot.setMinWidth(0);
        foot.setAlignment(Pos.CENTER_LEFT);
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
        looks.showing(showing);
    }

    @Override
    public void hidden() {
        looks.rest();
    }

    @Override
    public void dispose() {
        looks.rest();
    }

    private void refresh() {
        Report report = document.reportProperty().get();
        if (report != null && pane.getScene() != null) {
            document.derive(report, PixelSight::of, made -> {
                sight = made;
                chosen.removeIf(r -> made.plan().index().find(r).isEmpty());
                show();
            });
        }
    }

    private void show() {
        filling = true;
        int selected = outputs.getSelectionModel().getSelectedIndex();
        outputs.getItems().setAll(sight.rows());
        outputs.getSelectionModel().select(Math.min(selected, sight.rows().size() - 1));
        int rows = Math.max(2, Math.min(MOST_ROWS, sight.rows().size()));
        outputs.setPrefHeight(rows * ROW + 4);
        outputs.setMinHeight(Math.min(rows, 3) * ROW);
        filling = false;
        int pixels = sight.map().count();
        nothing.setVisible(pixels == 0);
        outputs.setManaged(!sight.rows().isEmpty());
        outputs.setVisible(!sight.rows().isEmpty());
        heads.setManaged(!sight.rows().isEmpty());
        heads.setVisible(!sight.rows().isEmpty());
        summary.setText(
                pixels == 0
                        ? "no pixels"
                        : Counted.of(pixels, "pixel") + " · "
                                + Counted.of(
                                        sight.numbers().stream()
                                                .filter(n -> n > 0)
                                                .distinct()
                                                .count(),
                                        "universe")
                                + " on "
                                + Counted.of(
                                        sight.rows().stream()
                                                .filter(r -> !r.out().runs().isEmpty())
                                                .count(),
                                        "output"));
        ground();
        canvas.show(sight, PixelHues.byUniverse(sight, onlyUniverse));
        canvas.choose(chosen);
        tell(-1);
        looks.show(sight, chosenRuns());
        colour();
        follow(); // what was chosen elsewhere before there was a layout
    }

    private void colour() {
        ground();
        if (showing == Showing.UNIVERSES) {
            canvas.paint(PixelHues.byUniverse(sight, onlyUniverse));
        } else {
            looks.draw();
        }
    }

    /** Lights are seen in the dark, by day as well. */
    private void ground() {
        boolean lights = showing != Showing.UNIVERSES;
        canvas.setDay(document.settings().dayProperty().get() && !lights);
        canvas.getStyleClass().remove("in-the-dark");
        if (lights) {
            canvas.getStyleClass().add("in-the-dark");
        }
    }

    /** Shows colours that somebody worked out; where universes are shown nothing happens. */
    void paint(int[] colours) {
        if (showing != Showing.UNIVERSES) {
            canvas.paint(colours);
        }
    }

    OpenDocument document() {
        return document;
    }

    ChosenPixels acts() {
        return acts;
    }

    PixelSight sight() {
        return sight;
    }

    PixelCanvas canvas() {
        return canvas;
    }

    // --- choosing ---

    List<PixelRun> chosenRuns() {
        return sight.runs(chosen);
    }

    private void choose(List<Id<PixelRun>> runs, Id<?> selected) {
        chosen.clear();
        chosen.addAll(runs);
        onlyUniverse = 0;
        document.select(selected);
        afterChoice();
    }

    void choose(List<Id<PixelRun>> runs, boolean more) {
        if (!more) {
            chosen.clear();
        }
        for (Id<PixelRun> run : runs) {
            if (!chosen.add(run) && more) {
                chosen.remove(run);
            }
        }
        onlyUniverse = 0;
        chosen.stream().reduce((a, b) -> b).ifPresent(document::select);
        afterChoice();
    }

    private void chooseUniverse(int number) {
        onlyUniverse = number == onlyUniverse ? 0 : number;
        document.plan().universes().stream()
                .filter(u -> u.number() == number)
                .findFirst()
                .map(Universe::id)
                .ifPresent(document::select);
        outputs.refresh();
        colour();
        tell(-1);
    }

    private void afterChoice() {
        canvas.choose(chosen);
        outputs.refresh();
        colour();
        looks.show(sight, chosenRuns());
        tell(-1);
    }

    private void follow() {
        Id<?> id = document.selectionProperty().get();
        if (pane.getScene() == null || id == null) {
            return;
        }
        id.as(Kind.PIXEL_RUN).filter(r -> !chosen.contains(r)).ifPresent(r -> choose(List.of(r), false));
        id.as(Kind.FIXTURE)
                .ifPresent(f -> sight.plan().pixelRuns().stream()
                        .filter(r -> r.fixture().filter(f::equals).isPresent())
                        .map(PixelRun::id)
                        .filter(r -> !chosen.contains(r))
                        .findFirst()
                        .ifPresent(r -> {
                            chosen.clear();
                            chosen.add(r);
                            afterChoice();
                        }));
        id.as(Kind.PIXEL_OUTPUT).ifPresent(o -> {
            Set<Id<PixelRun>> runs = new LinkedHashSet<>(sight.runsOf(o));
            if (!chosen.equals(runs)) {
                chosen.clear();
                chosen.addAll(runs);
                afterChoice();
            }
            reveal(o);
        });
    }

    private void reveal(Id<PixelOutput> output) {
        for (int i = 0; i < sight.rows().size(); i++) {
            if (sight.rows().get(i).output().id().equals(output)) {
                filling = true;
                outputs.getSelectionModel().select(i);
                Lists.reveal(outputs, i);
                filling = false;
            }
        }
    }

    private void tell(int pixel) {
        List<PixelRun> runs = chosenRuns();
        int pixels = runs.stream().mapToInt(PixelRun::pixels).sum();
        hovered.setText(
                pixel >= 0
                        ? sight.said(pixel)
                        : onlyUniverse > 0
                                ? "Universe " + onlyUniverse + " stands out; click it again for all."
                                : runs.isEmpty()
                                        ? "Click chooses, a drag moves, the wheel zooms; T turns, M mirrors, Home shows all."
                                        : runs.stream()
                                                        .map(PixelRun::name)
                                                        .limit(3)
                                                        .collect(Collectors.joining(", "))
                                                + (runs.size() > 3 ? " and " + (runs.size() - 3) + " more" : "") + ", "
                                                + Counted.of(pixels, "pixel"));
    }

    /** What the layout tells of. */
    private final class Touch implements PixelCanvas.Hands {
        @Override
        public void choose(List<Id<PixelRun>> runs, boolean more) {
            PixelsPage.this.choose(runs, more);
        }

        @Override
        public void move(double across, double up) {
            acts.move(across, up);
        }

        @Override
        public void over(int pixel) {
            tell(pixel);
        }
    }

    /** What the pixels are coloured by now, for tests and pictures. */
    public void show(Showing what) {
        (what == Showing.ARRIVING ? arriving : what == Showing.LOOK ? aLook : byUniverse).setSelected(true);
    }

    /** Writes the tables of the controllers, the layout, or both, by the end of the file's name. */
    public void write(java.nio.file.Path file) {
        files.write(file);
    }
}
