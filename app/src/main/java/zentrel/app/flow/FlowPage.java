package zentrel.app.flow;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import javafx.animation.PauseTransition;
import javafx.application.Platform;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.ScrollPane;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.ScrollEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.scene.transform.Scale;
import javafx.util.Duration;
import org.jspecify.annotations.Nullable;
import zentrel.app.document.OpenDocument;
import zentrel.app.flow.FlowModel.Bundle;
import zentrel.app.look.Buttons;
import zentrel.app.look.Mark;
import zentrel.app.look.Texts;
import zentrel.app.shell.Beginning;
import zentrel.app.shell.MainPane;
import zentrel.app.shell.PageContext;
import zentrel.app.shell.PageEntry;
import zentrel.app.shell.PageView;
import zentrel.check.Area;
import zentrel.check.Report;
import zentrel.plan.Id;
import zentrel.plan.Universe;

/**
 * Flow: who sends on the left, segments in the middle, who takes and what lights on the right. Every position is computed
 * from the plan; the width of a ribbon is its number of universes. Many boxes are folded into groups with their totals.
 */
public final class FlowPage implements PageView, FlowDrawing.Stage {
    /** Taken as the height of what is seen, before that is known. */
    private static final double FIRST_VIEWPORT = 700;

    /** How long the first picture stands before a better order is looked for, so that it does not wait for that. */
    private static final Duration QUIET = Duration.millis(600);

    private static final double LEAST_ZOOM = 0.25;
    private static final double MOST_ZOOM = 3;
    private static final double ZOOM_STEP = 1.15;

    /** So long after it moved last the picture is taken to be at rest. */
    private static final Duration REST = Duration.millis(250);

    /** So much of what is seen is left to the edge of what is drawn when more is drawn. */
    private static final double NEAR = 0.25;

    /** So much of what is seen is drawn above it and below it besides. */
    private static final double AROUND = 0.5;

    /** Where one was before. */
    private record Before(FlowView view, double zoom, double at) {}

    private final OpenDocument document;
    private final Pane chart = new Pane();
    private final Scale scale = new Scale(1, 1);
    private final Label summary = Texts.of("", "soft", "small");
    /** As large as the chart is seen; a group would ask for its bounds whenever anything is drawn. */
    private final Pane ground = new Pane(chart);

    private final ScrollPane scroll = new ScrollPane(ground);
    private final FlowBar bar;
    private final MainPane pane;
    private final Deque<Before> way = new ArrayDeque<>();
    private FlowView view = FlowView.ALL;
    private @Nullable FlowModel whole;
    private @Nullable FlowModel model;
    private @Nullable Report drawn;
    private boolean staysAsItCame;
    private @Nullable Report givenFor;
    private @Nullable FlowModel given;
    private @Nullable FlowExportPanel paper;
    private @Nullable FlowDrawing sheet;
    private final PauseTransition rest = new PauseTransition(REST);
    private double drawnFrom;
    private double drawnTo;
    private double height;
    private boolean drawing;

    private FlowPage(OpenDocument document) {
        this.document = document;
        this.bar = new FlowBar(this::change);
        MenuButton more = new MenuButton("More");
        more.setId("flow-more");
        more.setMinWidth(Region.USE_PREF_SIZE);
        more.getItems()
                .addAll(
                        Buttons.item("Filter and fold", "flow-filter", this::filter),
                        Buttons.item("Larger (Ctrl +)", "flow-larger", () -> zoom(ZOOM_STEP)),
                        Buttons.item("Smaller (Ctrl −)", "flow-smaller", () -> zoom(1 / ZOOM_STEP)),
                        Buttons.item("All of it (Ctrl 0)", "flow-fit", this::fit),
                        Buttons.item("Where I was (Backspace)", "flow-back", this::back),
                        Buttons.item("Write it as a drawing …", "flow-export", this::export));
        HBox below = new HBox(8, summary, Mark.gap(), more);
        below.setAlignment(Pos.CENTER_LEFT);
        pane = new MainPane(scroll, below);
        chart.getTransforms().add(scale);
        rest.setOnFinished(e -> rests());
        scroll.setId("flow-scroll");
        scroll.setPannable(true);
        scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        VBox.setVgrow(scroll, javafx.scene.layout.Priority.ALWAYS);
        chart.setAccessibleText("Flow: sources, networks, receivers, fixtures");
        document.reportProperty().addListener(o -> renew());
        document.selectionProperty().addListener(o -> refresh());
        scroll.vvalueProperty().addListener(o -> {
            moves();
            scrolled();
        });
        scroll.viewportBoundsProperty().addListener(o -> scrolled());
        scroll.addEventFilter(ScrollEvent.SCROLL, e -> {
            if (e.isControlDown() && e.getDeltaY() != 0) {
                zoom(e.getDeltaY() > 0 ? ZOOM_STEP : 1 / ZOOM_STEP);
                e.consume();
            }
        });
    }

    /** Keys that nobody else wanted while this page is shown. */
    @Override
    public void unusedKey(KeyEvent e) {
        boolean control = e.isShortcutDown();
        KeyCode code = e.getCode();
        if (control && (code == KeyCode.PLUS || code == KeyCode.EQUALS || code == KeyCode.ADD)) {
            zoom(ZOOM_STEP);
        } else if (control && (code == KeyCode.MINUS || code == KeyCode.SUBTRACT)) {
            zoom(1 / ZOOM_STEP);
        } else if (control && (code == KeyCode.DIGIT0 || code == KeyCode.NUMPAD0)) {
            fit();
        } else if (code == KeyCode.BACK_SPACE) {
            back();
        } else {
            return;
        }
        e.consume();
    }

    // --- what is shown ---

    /**
     * Leaves the first picture in the order in which it comes. For the run that archives classes: Java 17 crashes where it
     * archives those of the layout library, whose jars are signed.
     */
    public void stayAsItCame() {
        staysAsItCame = true;
    }

    /** Works out the picture of the newest report; what nobody sees is drawn when it is shown. */
    @SuppressWarnings("ReferenceEquality") // two reports may say the same of two plans
    private void renew() {
        Report report = document.reportProperty().get();
        if (report == null || pane.getScene() == null || isDrawn(report)) {
            return;
        }
        FlowModel before = report == givenFor ? given : null;
        given = null;
        givenFor = null;
        if (before != null) {
            become(report, before, view.of(before)); // at once, as it comes; then in a better order
            if (staysAsItCame) {
                return;
            }
            PauseTransition later = new PauseTransition(QUIET);
            later.setOnFinished(e -> arrangeAgain(report, before));
            later.play();
        } else {
            arrange(report, r -> FlowModel.of(r));
        }
    }

    /** Works out a model, what of it is shown and in which order, off the JavaFX thread. */
    private void arrange(Report report, Function<Report, FlowModel> how) {
        FlowView as = view;
        FlowModel shown = model;
        document.derive(
                report,
                r -> {
                    FlowModel all = how.apply(r);
                    FlowModel seen = as.of(all);
                    return new Arranged(all, FlowOrder.arranged(shown == null ? seen : FlowOrder.like(seen, shown)));
                },
                a -> {
                    if (as.equals(view)) {
                        become(report, a.whole(), a.shown());
                    }
                });
    }

    private record Arranged(FlowModel whole, FlowModel shown) {}

    private void become(Report report, FlowModel all, FlowModel shown) {
        whole = all;
        model = shown;
        drawn = report;
        bar.offer(all);
        refresh();
    }

    /** The first picture is drawn as it comes; where another order has fewer crossings it takes its place. */
    private void arrangeAgain(Report report, FlowModel all) {
        FlowModel shown = model;
        if (shown == null || !isDrawn(report)) {
            return;
        }
        document.derive(report, r -> FlowOrder.arranged(shown), better -> {
            if (isDrawn(report) && shown.equals(model) && !better.equals(shown)) {
                become(report, all, better);
            }
        });
    }

    /** Shows it otherwise, and remembers how it was. */
    public void change(FlowView next) {
        if (next.equals(view)) {
            return;
        }
        way.push(new Before(view, scale.getX(), scroll.getVvalue()));
        view = next;
        show();
    }

    private void show() {
        bar.show(view);
        Report report = drawn;
        FlowModel all = whole;
        if (report != null && all != null) {
            model = null;
            arrange(report, r -> all);
        }
    }

    /** Back to what was seen before. */
    private void back() {
        Before before = way.poll();
        if (before == null) {
            document.tell("This is where you began.");
            return;
        }
        view = before.view();
        scaled(before.zoom());
        show();
        scroll.setVvalue(before.at());
    }

    /** Gives the picture of a report that was worked out before this page asks for it. */
    public void give(Report report, FlowModel picture) {
        givenFor = report;
        given = picture;
    }

    /** Identity on purpose: each check makes a report of its own. */
    @SuppressWarnings("ReferenceEquality")
    private boolean isDrawn(Report report) {
        return drawn == report;
    }

    @Override
    public void shown() {
        refresh(); // something else may be selected by now
        renew();
    }

    /** The page, as the window lists it. */
    public static PageEntry<FlowPage> entry(PageContext context) {
        return new PageEntry<>(
                        FlowPage.class,
                        "Flow",
                        EnumSet.of(Area.SIGNALS, Area.CONTROL, Area.PATCH),
                        () -> new FlowPage(context.document()))
                .explainedBy("hop-1");
    }

    @Override
    public Node node() {
        return pane;
    }

    /** Shows what may be filtered by and folded by, or hides it again. */
    public void filter() {
        if (pane.getChildren().remove(bar)) {
            return;
        }
        pane.getChildren().add(0, bar);
        bar.requestFocus();
    }

    private void export() {
        Report report = drawn;
        FlowModel shown = model;
        if (report == null || shown == null) {
            return;
        }
        FlowExportPanel page = new FlowExportPanel(document, shown, this, () -> {
            paper = null;
            pane.showPicture();
            refresh();
        });
        pane.show(page);
        page.requestFocus();
        paper = page;
    }

    /** The drawing that stands on the page, as SVG; empty where there is none. */
    public byte[] onPaper(String title) {
        FlowExportPanel page = paper;
        return page == null ? new byte[0] : FlowExportPanel.svg(title, page.picture());
    }

    // --- where one looks ---

    private double viewport() {
        double seen = scroll.getViewportBounds().getHeight();
        return (seen > 0 ? seen : FIRST_VIEWPORT) / scale.getY();
    }

    private double offset() {
        return Math.max(0, height - viewport()) * scroll.getVvalue();
    }

    /** Draws more, little by little, where what is seen comes near the edge of what is drawn. */
    private void scrolled() {
        FlowDrawing on = sheet;
        double from = offset();
        double near = viewport() * NEAR;
        if (on != null
                && (Math.max(0, from - near) < drawnFrom || Math.min(height, from + viewport() + near) > drawnTo)) {
            guarded(() -> look(on));
        }
    }

    private void moves() {
        FlowDrawing on = sheet;
        if (on != null && on.height() > viewport()) {
            on.moving(true);
            rest.playFromStart();
        }
    }

    private void rests() {
        FlowDrawing on = sheet;
        if (on != null) {
            on.moving(false);
        }
    }

    /** What is seen, and as much above and as much below. */
    private void look(FlowDrawing on) {
        drawnFrom = offset() - AROUND * viewport();
        drawnTo = offset() + (1 + AROUND) * viewport();
        on.draw(drawnFrom, drawnTo);
    }

    /** Larger or smaller, about the middle of what is seen. */
    public void zoom(double by) {
        double middle = offset() + viewport() / 2;
        moves();
        scaled(scale.getX() * by);
        double room = Math.max(1, height - viewport());
        scroll.setVvalue(Math.max(0, Math.min(1, (middle - viewport() / 2) / room)));
        scrolled();
    }

    private void makeRoom() {
        ground.setPrefSize(FlowDrawing.WIDTH * scale.getX(), (height + 4) * scale.getY());
    }

    private void scaled(double wanted) {
        double to = Math.max(LEAST_ZOOM, Math.min(MOST_ZOOM, wanted));
        scroll.setHbarPolicy(to > 1 ? ScrollPane.ScrollBarPolicy.AS_NEEDED : ScrollPane.ScrollBarPolicy.NEVER);
        scale.setX(to);
        scale.setY(to);
        makeRoom();
    }

    /** As large as fits from top to bottom. */
    private void fit() {
        way.push(new Before(view, scale.getX(), scroll.getVvalue()));
        double seen = scroll.getViewportBounds().getHeight();
        scaled(Math.min(1, seen / Math.max(1, height)));
        scroll.setVvalue(0);
        refresh();
    }

    @Override
    public void reveal(double y, double row) {
        double from = offset();
        double room = Math.max(1, height - viewport());
        if (y < from) {
            scroll.setVvalue(y / room);
        } else if (y + row > from + viewport()) {
            scroll.setVvalue((y + row - viewport()) / room);
        }
    }

    private void refresh() {
        FlowModel m = model;
        if (m == null || pane.getScene() == null) {
            return;
        }
        guarded(() -> draw(m));
    }

    /** Drawing moves what is seen, which is looked at again only when it is done. */
    private void guarded(Runnable draws) {
        if (drawing) {
            Platform.runLater(this::scrolled);
            return;
        }
        drawing = true;
        try {
            draws.run();
        } finally {
            drawing = false;
        }
    }

    private void draw(FlowModel m) {
        Node focused = pane.getScene().getFocusOwner();
        FlowDrawing before = sheet;
        String keyboard = focused == null || before == null ? null : focused.getId();
        boolean onCard = before != null
                && keyboard != null
                && before.card(keyboard).filter(c -> c.equals(focused)).isPresent();
        chart.getChildren().clear();
        sheet = null;
        summary.setText(m.summary());
        if (m.senders().isEmpty()) {
            Label hint = Texts.wrapped(
                    view.equals(FlowView.ALL)
                            ? "Consoles and other sources stand here on the left, what they feed on the right. "
                                    + Beginning.of(
                                            document.plan(),
                                            "no program sends to a receiver. In Gear a line such as"
                                                    + " \"route desk to node\" lets one.")
                            : "Nothing of this plan is of that kind.",
                    "soft");
            hint.setPrefWidth(FlowDrawing.WIDTH - 40); // what is always in sight
            chart.getChildren().add(hint);
            return;
        }
        FlowDrawing drawn = new FlowDrawing(m, this, chart, true);
        height = drawn.height();
        chart.setPrefSize(FlowDrawing.WIDTH, height + 4);
        makeRoom();
        sheet = drawn;
        look(drawn);
        if (onCard && keyboard != null) {
            card(keyboard).ifPresent(Node::requestFocus);
        }
    }

    private Optional<Node> card(String id) {
        FlowDrawing on = sheet;
        return on == null ? Optional.empty() : on.card(id);
    }

    // --- what the drawing asks ---

    @Override
    public boolean isChosen(Id<?> id) {
        Id<?> selected = document.selectionProperty().get();
        if (selected == null) {
            return false;
        }
        if (selected.equals(id)) {
            return true;
        }
        Report report = document.reportProperty().get();
        return report != null && Owner.of(report.plan(), selected).contains(id);
    }

    @Override
    public boolean isChosen(Bundle bundle) {
        Id<?> selected = document.selectionProperty().get();
        return selected != null && bundle.signals().contains(selected);
    }

    @Override
    public boolean isOpened(Bundle bundle) {
        return view.opened().contains(bundle.key());
    }

    @Override
    public String label(Id<?> signal) {
        Report report = document.reportProperty().get();
        if (report == null) {
            return signal.value();
        }
        return report.plan().index().find(signal).orElse(null) instanceof Universe u
                ? u.label()
                : report.plan().index().name(signal);
    }

    @Override
    public void choose(Id<?> id) {
        document.select(id);
    }

    @Override
    public void open(Bundle bundle) {
        change(view.opening(bundle.key()));
    }

    @Override
    public void unfold(String group) {
        change(view.unfolding(group));
    }

    /** Up and down among those on one side, left and right to who feeds it or is fed by it. */
    @Override
    public void step(Id<?> from, KeyCode to) {
        FlowModel m = model;
        if (m == null) {
            return;
        }
        List<Id<?>> senders = m.senders().stream().map(FlowModel.Sender::id).toList();
        List<Id<?>> takers = m.takers().stream().map(FlowModel.Taker::id).toList();
        List<Id<?>> side = senders.contains(from) ? senders : takers;
        Optional<Id<?>> next = switch (to) {
            case UP -> neighbour(side, from, -1);
            case DOWN -> neighbour(side, from, 1);
            case RIGHT -> across(m.out(), from, m.in(), takers);
            case LEFT -> across(m.in(), from, m.out(), senders);
            default -> Optional.empty();
        };
        next.ifPresent(id -> {
            double share = (double) Math.max(0, takers.contains(id) ? takers.indexOf(id) : senders.indexOf(id))
                    / Math.max(1, takers.contains(id) ? takers.size() : senders.size());
            String card = "card-" + id.value();
            if (card(card).isEmpty()) {
                scroll.setVvalue(share);
                refresh();
            }
            card(card).ifPresent(Node::requestFocus);
        });
    }

    private static Optional<Id<?>> neighbour(List<Id<?>> side, Id<?> from, int by) {
        int at = side.indexOf(from) + by;
        return at < 0 || at >= side.size() ? Optional.empty() : Optional.of(side.get(at));
    }

    /** The first on the other side that has a universe in common on the same segment. */
    private static Optional<Id<?>> across(List<Bundle> mine, Id<?> from, List<Bundle> theirs, List<Id<?>> side) {
        Map<Id<?>, Set<Id<?>>> own = new HashMap<>();
        mine.stream()
                .filter(b -> b.end().equals(from))
                .forEach(b ->
                        own.computeIfAbsent(b.carrier(), c -> new HashSet<>()).addAll(b.signals()));
        Set<Id<?>> met = new HashSet<>();
        for (Bundle t : theirs) {
            Set<Id<?>> signals = own.getOrDefault(t.carrier(), Set.of());
            if (t.signals().stream().anyMatch(signals::contains)) {
                met.add(t.end());
            }
        }
        return side.stream().filter(met::contains).findFirst();
    }
}
