package zentrel.app.flow;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.EnumSet;
import java.util.function.Function;
import javafx.animation.PauseTransition;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.util.Duration;
import org.jspecify.annotations.Nullable;
import zentrel.app.document.OpenDocument;
import zentrel.app.flow.FlowModel.Bundle;
import zentrel.app.look.Buttons;
import zentrel.app.look.Mark;
import zentrel.app.look.Texts;
import zentrel.app.shell.EmptyPageHint;
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
    /** How long the first picture stands before a better order is looked for, so that it does not wait for that. */
    private static final Duration QUIET = Duration.millis(600);

    /** Where one was before. */
    private record Before(FlowView view, double zoom, double at) {}

    private final OpenDocument document;
    private final Label summary = Texts.of("", "soft", "small");
    private final FlowSight sight = new FlowSight(this::refresh);
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

    private FlowPage(OpenDocument document) {
        this.document = document;
        this.bar = new FlowBar(this::change);
        MenuButton more = new MenuButton("More");
        more.setId("flow-more");
        more.setMinWidth(Region.USE_PREF_SIZE);
        more.getItems()
                .addAll(
                        Buttons.item("Filter and fold", "flow-filter", this::filter),
                        Buttons.item("Larger (+, or Ctrl and the wheel)", "flow-larger", () -> zoom(true)),
                        Buttons.item("Smaller (−)", "flow-smaller", () -> zoom(false)),
                        Buttons.item("All of it (0)", "flow-fit", this::fit),
                        Buttons.item("Where I was (Backspace)", "flow-back", this::back),
                        Buttons.item("Write it as a drawing …", "flow-export", this::export));
        HBox below = new HBox(8, summary, Mark.gap(), more);
        below.setAlignment(Pos.CENTER_LEFT);
        pane = new MainPane(sight, below);
        VBox.setVgrow(sight, javafx.scene.layout.Priority.ALWAYS);
        document.reportProperty().addListener(o -> renew());
        document.selectionProperty().addListener(o -> refresh());
    }

    /** Keys that nobody else wanted while this page is shown. */
    @Override
    public void unusedKey(KeyEvent e) {
        if (e.isShortcutDown()) {
            return; // that is the size of the text
        }
        KeyCode code = e.getCode();
        if (code == KeyCode.PLUS || code == KeyCode.EQUALS || code == KeyCode.ADD) {
            zoom(true);
        } else if (code == KeyCode.MINUS || code == KeyCode.SUBTRACT) {
            zoom(false);
        } else if (code == KeyCode.DIGIT0 || code == KeyCode.NUMPAD0) {
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
        way.push(new Before(view, sight.zoom(), sight.getVvalue()));
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
        sight.zoomTo(before.zoom());
        show();
        sight.setVvalue(before.at());
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
        return new PageEntry<>(FlowPage.class, "Flow", EnumSet.of(Area.SIGNALS), () -> new FlowPage(context.document()))
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

    /** One step larger or smaller, about the middle of what is seen. */
    public void zoom(boolean larger) {
        sight.zoom(larger);
    }

    /** As large as fits from top to bottom. */
    private void fit() {
        way.push(new Before(view, sight.zoom(), sight.getVvalue()));
        sight.fit();
        refresh();
    }

    @Override
    public void reveal(double y, double row) {
        sight.reveal(y, row);
    }

    private void refresh() {
        FlowModel m = model;
        if (m == null || pane.getScene() == null) {
            return;
        }
        sight.guarded(() -> draw(m));
    }

    private void draw(FlowModel m) {
        Node focused = pane.getScene().getFocusOwner();
        String keyboard = focused == null || focused.getId() == null ? "" : focused.getId();
        boolean onCard = sight.card(keyboard).filter(c -> c.equals(focused)).isPresent();
        summary.setText(m.summary());
        if (m.senders().isEmpty()) {
            Label hint = Texts.wrapped(
                    view.equals(FlowView.ALL)
                            ? "Consoles and other sources stand here on the left, what they feed on the right. "
                                    + EmptyPageHint.of(
                                            document.plan(),
                                            "no program sends to a receiver. In Gear a line such as"
                                                    + " \"route desk to node\" lets one.")
                            : "Nothing of this plan is of that kind.",
                    "soft");
            hint.setPrefWidth(sight.columns() - 40); // what is always in sight
            sight.show(hint);
            return;
        }
        sight.show(new FlowDrawing(m, this, sight.chart(), sight.columns(), sight.room(), true));
        if (onCard) {
            sight.card(keyboard).ifPresent(Node::requestFocus);
        }
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

    @Override
    public void step(Id<?> from, KeyCode to) {
        FlowModel m = model;
        if (m == null) {
            return;
        }
        FlowNeighbours neighbours = new FlowNeighbours(m);
        neighbours.next(from, to).ifPresent(id -> {
            String card = "card-" + id.value();
            if (sight.card(card).isEmpty()) {
                sight.setVvalue(neighbours.share(id));
                refresh();
            }
            sight.card(card).ifPresent(Node::requestFocus);
        });
    }
}
