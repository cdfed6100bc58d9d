package zentrel.app.lit;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import javafx.geometry.Point2D;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import zentrel.app.document.OpenDocument;
import zentrel.app.look.Buttons;
import zentrel.app.look.Lists;
import zentrel.app.look.Texts;
import zentrel.app.shell.PageContext;
import zentrel.app.shell.PageEntry;
import zentrel.app.shell.PageView;
import zentrel.app.shell.WordBox;
import zentrel.check.Area;
import zentrel.check.Report;
import zentrel.lit.Camera;
import zentrel.lit.Lamp;
import zentrel.lit.LitPlan.DarkGroup;
import zentrel.lit.Vector;
import zentrel.plan.Fixture;
import zentrel.plan.GroundPicture;
import zentrel.plan.Id;
import zentrel.plan.Kind;
import zentrel.plan.Viewpoint;
import zentrel.text.Counted;

/** The Lit view: the place in outline, lit by what arrives, and what is dark with its first cause. */
public final class LitPage implements PageView {
    private static final double ROW = 26;
    private static final int MOST_ROWS = 3;
    private static final int MOST_VIEWS = 9;

    private final OpenDocument document;
    private final VBox pane = new VBox(6);
    private final LitLevels levels = new LitLevels();
    private final LitCanvas canvas = new LitCanvas(levels);
    private final LitActs acts;
    private final LitSource source;
    private final LitTools tools;
    private final LitKeys keys = new LitKeys(this, canvas);
    private final TurnBar turns;
    private final LengthRow length;
    private final WordBox words;
    private final FlowPane views = new FlowPane(4, 4);
    private final Label summary = Texts.of("", "soft");
    private final Label hovered = Texts.of("", "soft", "small");
    private final ListView<DarkGroup> dark = new ListView<>();
    private final Set<Id<?>> chosen = new LinkedHashSet<>();
    private Optional<java.util.function.Consumer<Vector>> wanted = Optional.empty();
    private LitSight sight = canvas.sight();
    private Optional<Id<?>> over = Optional.empty();
    private boolean filling;

    private LitPage(PageContext context) {
        document = context.document();
        acts = new LitActs(document, canvas, () -> chosen);
        source = new LitSource(context.seen(), levels, this::lit);
        turns = new TurnBar(levels, canvas::drawLit);
        length = new LengthRow(document, canvas);
        tools = new LitTools(this, canvas, acts, document, turns);
        words = new WordBox(
                document,
                context.library(),
                "lit-words",
                "Hang, stand, point or build in words …",
                "hang 101-112 from 0/4/5 to 12/4/5 · point 101-112 at 6/8/0 · build platform of 6x4x0.8 at 4/10/0",
                made -> {});
        new LitMouse(canvas, new Hands());
        canvas.setOnKeyPressed(keys::pressed);
        summary.setId("lit-summary");
        hovered.setId("lit-hovered");
        views.setAlignment(Pos.CENTER_LEFT);
        views.setMinWidth(0);
        dark.setId("lit-dark");
        dark.setAccessibleText("Dark fixtures, by their first cause");
        dark.setFixedCellSize(ROW);
        dark.setCellFactory(l -> new DarkRow());
        Lists.keepInSight(dark);
        dark.getSelectionModel().selectedItemProperty().addListener((o, was, is) -> {
            if (is != null && !filling) {
                choose(is.fixtures().stream().<Id<?>>map(Fixture::id).toList(), false);
            }
        });
        VBox.setVgrow(canvas, Priority.ALWAYS);
        pane.getStyleClass().add("main-page");
        pane.setMinWidth(0);
        FlowPane bottom = new FlowPane(8, 2, hovered);
        bottom.setMinWidth(0);
        pane.getChildren().addAll(views, canvas, length, bottom, words, source.row(), tools.row(), turns, dark);
        document.reportProperty().addListener(o -> refresh());
        document.selectionProperty().addListener(o -> follow());
    }

    /** The page, as the window lists it. */
    public static PageEntry<LitPage> entry(PageContext context) {
        return new PageEntry<>(LitPage.class, "Lit view", EnumSet.noneOf(Area.class), () -> new LitPage(context))
                .explainedBy("concept-lit-view")
                .offers("Show the whole place", p -> p.canvas.showAll())
                .offers("Show what is chosen in the place", p -> p.canvas.showChosen())
                .offers("Hang fixtures in words", p -> p.words.begin("hang "))
                .offers("Build in the place in words", p -> p.words.begin("build "))
                .offers("Keep this view of the place", p -> p.acts.keepView())
                .offers("Lay a picture on the ground", p -> p.tools.choosePicture())
                .offers("Write a picture of the place", p -> p.tools.writePicture())
                .offers("What goes dark without what is selected", p -> p.tools.withoutSelected());
    }

    // --- the page ---

    @Override
    public Node node() {
        return pane;
    }

    @Override
    public void shown() {
        refresh();
        follow();
        source.begin();
    }

    @Override
    public void hidden() {
        source.rest();
        turns.end();
    }

    @Override
    public void dispose() {
        hidden();
    }

    private void refresh() {
        Report report = document.reportProperty().get();
        if (report != null && pane.getScene() != null) {
            document.derive(report, LitSight::of, this::show);
        }
    }

    private void show(LitSight made) {
        sight = made;
        chosen.removeIf(id -> made.plan().index().find(id).isEmpty());
        canvas.show(made);
        canvas.choose(chosen);
        turns.plan(made.plan());
        decode();
        views();
        filling = true;
        dark.getItems().setAll(made.dark());
        dark.setPrefHeight(Math.max(1, Math.min(MOST_ROWS, made.dark().size())) * ROW + 4);
        dark.setMinHeight(Math.min(MOST_ROWS, made.dark().size()) * ROW);
        dark.setVisible(!made.dark().isEmpty());
        dark.setManaged(!made.dark().isEmpty());
        filling = false;
        summary();
        tell(Optional.empty());
        follow();
    }

    /** Pictures come onto the ground as soon as they are read. */
    private void decode() {
        for (GroundPicture picture : sight.plan().groundPictures()) {
            if (picture.picture().isThere() && !canvas.isDecoded(picture.picture())) {
                document.work(
                        () -> PictureReader.decode(picture.picture()),
                        decoded -> canvas.decoded(picture.picture(), decoded));
            }
        }
    }

    private void views() {
        views.getChildren().setAll(summary);
        int number = 1;
        for (Viewpoint v : sight.plan().viewpoints().stream().limit(MOST_VIEWS).toList()) {
            int index = number - 1;
            Button button = Buttons.quiet(number + " " + v.name(), "lit-view-" + number, () -> goToView(index));
            views.getChildren().add(button);
            number++;
        }
        views.getChildren().add(Buttons.quiet("Show all", "lit-all", canvas::showAll));
        views.getChildren().add(Buttons.quiet("Keep view", "lit-keep", acts::keepView));
    }

    private void summary() {
        int all = sight.lit().lamps().size();
        int failing = sight.dark().stream().mapToInt(g -> g.fixtures().size()).sum();
        int unplaced = sight.unplaced().size();
        summary.setText(
                all == 0
                        ? "no fixtures"
                        : (failing == 0
                                        ? "all " + Counted.of(all, "fixture") + " are reached"
                                        : (all - failing) + " of " + Counted.of(all, "fixture") + " reached")
                                + (unplaced == 0 ? "" : " · " + unplaced + " without a place"));
    }

    @Override
    public void unusedKey(KeyEvent event) {
        keys.pressed(event);
    }

    // --- looking ---

    /** Goes to a viewpoint, from 0; whether there is one. */
    boolean goToView(int index) {
        List<Viewpoint> all = sight.plan().viewpoints();
        if (index < 0 || index >= all.size()) {
            return false;
        }
        Viewpoint view = all.get(index);
        canvas.look(Camera.between(Vector.of(view.eye()), Vector.of(view.target())));
        return true;
    }

    void toggleLines() {
        tools.toggleLines();
    }

    void nextHouseLight() {
        tools.nextHouseLight();
    }

    LitActs acts() {
        return acts;
    }

    LitSight sight() {
        return sight;
    }

    // --- choosing ---

    void choose(List<Id<?>> ids, boolean more) {
        if (!more) {
            chosen.clear();
        }
        for (Id<?> id : ids) {
            if (!chosen.add(id) && more) {
                chosen.remove(id);
            }
        }
        if (ids.isEmpty()) {
            document.select(null);
        } else {
            chosen.stream().reduce((a, b) -> b).ifPresent(document::select);
        }
        canvas.choose(chosen);
        tell(Optional.empty());
    }

    private void follow() {
        Id<?> id = document.selectionProperty().get();
        if (pane.getScene() != null
                && id != null
                && LitCanvas.isOfPlace(id)
                && !chosen.contains(id)
                && sight.plan().index().find(id).isPresent()) {
            chosen.clear();
            chosen.add(id);
            canvas.choose(chosen);
            tell(Optional.empty());
        }
    }

    /** Chooses the next fixture of those that have a place, or the one before. */
    void next(int by) {
        List<LitSight.Placed> all = sight.placed();
        if (all.isEmpty()) {
            return;
        }
        int at = by > 0 ? -1 : 0;
        for (int i = 0; i < all.size(); i++) {
            if (chosen.contains(all.get(i).fixture().id())) {
                at = i;
            }
        }
        choose(List.of(all.get(Math.floorMod(at + by, all.size())).fixture().id()), false);
    }

    void escape() {
        wanted = Optional.empty();
        if (length.isOpen()) {
            length.end();
        } else {
            canvas.colour(Set.of());
            turns.end();
            choose(List.of(), false);
        }
        tell(Optional.empty());
    }

    /** The next click says a place. */
    void ask(String question, java.util.function.Consumer<Vector> then) {
        wanted = Optional.of(then);
        hovered.setText(question + " Escape calls it off.");
        canvas.requestFocus();
    }

    void measure(GroundPicture picture) {
        length.begin(picture);
        canvas.requestFocus();
    }

    /** Levels changed. */
    private void lit() {
        canvas.drawLit();
        tell(over);
    }

    private void tell(Optional<Id<?>> now) {
        over = now;
        if (wanted.isPresent()) {
            return;
        }
        hovered.setText(over.map(id -> said(id))
                .orElseGet(() -> chosen.isEmpty()
                        ? idle()
                        : chosen.size() == 1 ? said(chosen.iterator().next()) : several()));
    }

    private String idle() {
        boolean empty = sight.placed().isEmpty()
                && sight.plan().surroundings().isEmpty()
                && sight.runs().isEmpty();
        return empty
                ? "Nothing stands here yet: build a room below, or by Add; then hang fixtures. Positions also come by MVR and CSV."
                : "Drag turns, Shift drags the view, the wheel comes nearer, W A S D walk; Home shows all.";
    }

    private String several() {
        return chosen.stream().limit(3).map(sight.plan().index()::name).collect(Collectors.joining(", "))
                + (chosen.size() > 3 ? " and " + (chosen.size() - 3) + " more" : "")
                + "; drag, Alt and arrows move them, T turns them.";
    }

    private String said(Id<?> id) {
        return id.as(Kind.FIXTURE)
                .flatMap(sight::lamp)
                .map(this::said)
                .orElseGet(() -> sight.plan().index().find(id).isPresent()
                        ? sight.plan().index().name(id)
                        : "");
    }

    private String said(Lamp lamp) {
        return LitWords.of(sight, lamp, levels.look(lamp));
    }

    /** What the mouse asks for. */
    private final class Hands implements LitMouse.Hands {
        @Override
        public Set<Id<?>> chosen() {
            return chosen;
        }

        @Override
        public void choose(List<Id<?>> ids, boolean more) {
            LitPage.this.choose(new ArrayList<>(ids), more);
        }

        @Override
        public void move(double right, double away, double up) {
            acts.move(right, away, up);
        }

        @Override
        public void over(Optional<Id<?>> id) {
            tell(id);
        }

        @Override
        public boolean placed(Optional<Vector> at) {
            if (length.wantsPoint()) {
                at.ifPresent(length::point);
                return true;
            }
            if (wanted.isEmpty()) {
                return false;
            }
            var then = wanted.get();
            wanted = Optional.empty();
            at.ifPresentOrElse(then, () -> document.tell("There is only sky."));
            tell(Optional.empty());
            return true;
        }
    }

    /** Looks from a viewpoint, from 0, as its key does. */
    public void lookFrom(int viewpoint) {
        goToView(viewpoint);
    }

    /** Where something is in the picture; empty where it is not in it. */
    public Optional<Point2D> spotOf(Id<?> id) {
        Camera.View view = canvas.view();
        return sight.at(id).filter(view::isAhead).map(view::spot).map(s -> new Point2D(s.x(), s.y()));
    }

    /** Lays a picture from a file on the ground where one looks. */
    public void lay(Path file) {
        tools.lay(file);
    }

    /** Writes what is seen. */
    public void write(Path file) {
        tools.write(file);
    }
}
