package zentrel.app.flow;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import javafx.scene.CacheHint;
import javafx.scene.Group;
import javafx.scene.Node;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.Pane;
import javafx.scene.shape.ClosePath;
import javafx.scene.shape.CubicCurveTo;
import javafx.scene.shape.LineTo;
import javafx.scene.shape.MoveTo;
import javafx.scene.shape.Path;
import javafx.scene.shape.PathElement;
import javafx.scene.shape.Rectangle;
import javafx.scene.text.Text;
import zentrel.app.flow.FlowModel.Bundle;
import zentrel.app.flow.FlowModel.Carrier;
import zentrel.app.flow.FlowModel.Sender;
import zentrel.app.flow.FlowModel.Taker;
import zentrel.app.flow.FlowPlaces.Strand;
import zentrel.app.look.Hint;
import zentrel.app.look.Mark;
import zentrel.app.look.Texts;
import zentrel.path.Verdict;
import zentrel.plan.Id;

/**
 * One drawing of a model: of what is seen, and as much above and below. Where each thing stands is worked out once; as one
 * looks elsewhere, what comes into sight is drawn and what leaves it goes.
 */
final class FlowDrawing {
    /** What a drawing asks of the page that it is on. */
    interface Stage {
        /** Whether a thing or what it belongs to is selected. */
        boolean isChosen(Id<?> id);

        /** Whether this bundle has what is selected in it. */
        boolean isChosen(Bundle bundle);

        /** Whether this bundle is opened to single universes. */
        boolean isOpened(Bundle bundle);

        /** What a signal is called in few letters. */
        String label(Id<?> signal);

        void choose(Id<?> id);

        /** Opens a bundle to single universes, or closes it again. */
        void open(Bundle bundle);

        /** Opens a group of boxes, or folds them again. */
        void unfold(String group);

        /** A card has the keyboard. */
        void reveal(double y, double row);

        /** An arrow key on a card. */
        void step(Id<?> from, KeyCode way);
    }

    private final FlowModel m;
    private final Stage stage;
    private final Pane chart;
    private final boolean marksChosen;
    private final FlowColumns columns;
    private final FlowPlaces places;
    private final FlowCards cards;
    private double drawnFrom;
    private double drawnTo;
    private boolean moving;
    private final List<FlowItem> items = new ArrayList<>();

    // from the bottom to the top: all marks stand on one ground above all ribbons
    private final Group ribbons = layer();
    private final Path grounds = styled(new Path(), "ground");
    private final Group marked = layer();
    private final Group numbers = layer();
    private final Path rules = styled(new Path(), "card-rule"); // one path for all: styling costs by the node
    private final Path axes = styled(new Path(), "axis");
    private final Group senders = layer();
    private final Group takers = layer();
    private final Group lights = layer();
    private final Group ticks = layer();

    /** What has letters of more than a few signs. */
    private final List<Group> lettered = List.of(senders, takers, lights);

    /** One that lays its nodes out by itself, so that what comes into sight moves nothing else. */
    private static Group layer() {
        Group layer = new Group();
        layer.setManaged(false);
        return layer;
    }

    /**
     * Works out where everything stands; nothing is drawn yet.
     *
     * @param width how wide the picture is
     * @param room how high it may be without being scrolled
     * @param marksChosen whether what is selected is marked; on paper nothing is
     */
    FlowDrawing(FlowModel m, Stage stage, Pane chart, double width, double room, boolean marksChosen) {
        this.m = m;
        this.stage = stage;
        this.chart = chart;
        this.marksChosen = marksChosen;
        columns = new FlowColumns(width);
        places = new FlowPlaces(m, stage::isOpened, room);
        cards = new FlowCards(columns, places, stage, marksChosen, senders, takers, lights, ticks);
        place();
    }

    /** How high the picture is. */
    double height() {
        return places.height();
    }

    /** How wide the picture is. */
    double width() {
        return columns.width();
    }

    /** Everything that may be seen, in the order in which it is drawn. */
    private void place() {
        places.out().forEach(strand -> items.add(new FlowItem(strand.top(), strand.bottom(), i -> left(i, strand))));
        places.in().forEach(strand -> items.add(new FlowItem(strand.top(), strand.bottom(), i -> right(i, strand))));
        for (Sender s : m.senders()) {
            double at = places.ofSender(s.id());
            items.add(new FlowItem(at, at + FlowPlaces.SENDER_ROW, item -> cards.sender(item, s)));
        }
        for (Taker t : m.takers()) {
            double at = places.ofTaker(t.id());
            items.add(new FlowItem(at, at + places.row(t), item -> cards.taker(item, t)));
        }
    }

    /**
     * Draws what stands between two heights and nothing else; what is drawn already stays.
     *
     * @param from the top of it
     * @param to its bottom
     */
    void draw(double from, double to) {
        if (chart.getChildren().isEmpty()) {
            heading("Sources", columns.sends());
            heading("Networks", columns.bar() - 14);
            heading("Receivers", columns.takes());
            heading("Fixtures", columns.lights());
            bars();
            chart.getChildren().addAll(ribbons, grounds, marked, numbers, rules, axes, senders, takers, lights, ticks);
        }
        Map<Group, Set<Node>> gone = new HashMap<>();
        Map<Group, List<Node>> above = new LinkedHashMap<>();
        Map<Group, List<Node>> below = new LinkedHashMap<>();
        Map<Group, Double> first = new HashMap<>();
        for (FlowItem item : items) {
            if (item.isSeen(drawnFrom, drawnTo)) { // what stays for the keyboard only stands apart
                item.nodes().keySet().forEach(layer -> first.merge(layer, item.top(), Math::min));
            }
        }
        drawnFrom = from;
        drawnTo = to;
        for (FlowItem item : items) {
            boolean seen = item.isSeen(from, to);
            if (item.isDrawn() && !seen && !item.hasKeyboard()) {
                item.nodes()
                        .forEach((layer, nodes) -> gone.computeIfAbsent(layer, l -> new HashSet<>())
                                .addAll(nodes));
                item.forget();
            } else if (!item.isDrawn() && seen) {
                item.make();
                // in their order, for the keyboard goes by it
                item.nodes().forEach((layer, nodes) -> {
                    boolean before = item.top() < first.getOrDefault(layer, from);
                    (before ? above : below)
                            .computeIfAbsent(layer, l -> new ArrayList<>())
                            .addAll(nodes);
                });
            }
        }
        if (gone.isEmpty() && above.isEmpty() && below.isEmpty()) {
            return;
        }
        for (Group layer : lettered) {
            above.getOrDefault(layer, List.of()).forEach(this::asItMoves);
            below.getOrDefault(layer, List.of()).forEach(this::asItMoves);
        }
        gone.forEach((layer, nodes) -> layer.getChildren().removeIf(nodes::contains));
        above.forEach((layer, nodes) -> layer.getChildren().addAll(0, nodes));
        below.forEach((layer, nodes) -> layer.getChildren().addAll(nodes));
        redraw(grounds, FlowItem::ground);
        redraw(rules, FlowItem::rule);
        redraw(axes, FlowItem::axis);
    }

    private void redraw(Path path, Function<FlowItem, List<PathElement>> part) {
        path.getElements()
                .setAll(items.stream().flatMap(i -> part.apply(i).stream()).toList());
    }

    /**
     * While one scrolls and zooms cards are drawn once and then moved as pictures: letters that are zoomed are drawn by
     * their outlines, which takes long. At rest they are drawn as letters again, which are sharper.
     */
    void moving(boolean is) {
        if (moving != is) {
            moving = is;
            lettered.forEach(layer -> layer.getChildren().forEach(this::asItMoves));
        }
    }

    private void asItMoves(Node node) {
        node.setCacheHint(CacheHint.SPEED);
        node.setCache(moving);
    }

    /** The card with this id, if it is drawn. */
    Optional<Node> card(String id) {
        return java.util.stream.Stream.concat(senders.getChildren().stream(), takers.getChildren().stream())
                .filter(n -> id.equals(n.getId()))
                .findFirst();
    }

    private void heading(String text, double x) {
        Text label = Texts.drawn(text, "heading");
        put(label, x + 4, 0);
        chart.getChildren().add(label);
    }

    private void bars() {
        for (Carrier carrier : m.carriers()) {
            places.bar(carrier.id()).ifPresent(at -> {
                Rectangle bar = new Rectangle(columns.bar(), at.top(), FlowColumns.BAR_WIDTH, at.height());
                bar.getStyleClass().add("bar");
                bar.setOnMouseClicked(e -> stage.choose(carrier.id()));
                Text name = Texts.drawn(carrier.name(), "strong", "small");
                put(name, columns.bar() - 14, at.bottom() + 1);
                Text subnet = Texts.drawn(carrier.subnet(), "mono", "soft", "small");
                double x = columns.bar() + 34;
                put(subnet, x, at.bottom() + 1);
                chart.getChildren().addAll(bar, name);
                if (x + carrier.subnet().length() * FlowCards.MONO_LETTER < columns.takes()) {
                    chart.getChildren().add(subnet);
                }
                Hint.on(bar, () -> carrier.name() + "  " + carrier.subnet());
                Hint.on(name, carrier::subnet);
            });
        }
    }

    private void left(FlowItem item, Strand strand) {
        double from = columns.sends() + columns.cards();
        item.add(ribbons, styled(ribbon(from, columns.bar(), strand), strand.bundle()));
        number(item, strand.bundle(), from + 12, strand.from() + strand.thick() / 2 - 8);
    }

    private void right(FlowItem item, Strand strand) {
        Bundle b = strand.bundle();
        double to = columns.takes();
        double middle = strand.to() + strand.thick() / 2;
        item.add(ribbons, styled(ribbon(columns.bar() + FlowColumns.BAR_WIDTH, to, strand), b));
        if (b.verdict().compareTo(Verdict.AT_RISK) >= 0) {
            Mark mark = Mark.of(b.verdict());
            mark.setMouseTransparent(true);
            put(mark, to - 46 - 24.0 * strand.before(), middle - 7);
            item.ground().addAll(box(mark.getLayoutX(), mark.getLayoutY(), 20, 14));
            item.add(marked, mark);
        }
        number(item, b, to - 20, middle - 8);
    }

    private void number(FlowItem item, Bundle b, double x, double y) {
        if (places.isSingle(b)) {
            Text label = Texts.drawn(stage.label(b.signals().get(0)), "mono", "small");
            label.setMouseTransparent(true);
            put(label, x - 8, y);
            item.add(numbers, label);
            return;
        }
        if (places.thickness(b) >= 9 || (b.width() > 1 && places.isAlone(b))) {
            Text label = Texts.drawn(String.valueOf(b.width()), "mono", "small");
            label.setMouseTransparent(true);
            put(label, x, y);
            item.add(numbers, label);
        }
    }

    private Path styled(Path ribbon, Bundle b) {
        ribbon.getStyleClass().addAll("ribbon", b.protocol());
        if (b.verdict().compareTo(Verdict.AT_RISK) >= 0) {
            ribbon.getStyleClass().add(b.verdict().word());
        }
        if (b.standby()) {
            ribbon.getStyleClass().add("standby");
        }
        if (marksChosen && stage.isChosen(b)) {
            ribbon.getStyleClass().add("chosen");
        }
        ribbon.setStroke(null);
        Hint.on(ribbon, () -> tip(b));
        ribbon.setOnMouseClicked(e -> {
            if (e.getClickCount() == 2) {
                stage.open(b);
            } else {
                stage.choose(b.signals().get(0));
            }
        });
        return ribbon;
    }

    private String tip(Bundle b) {
        String names = String.join(
                ", ", b.signals().stream().limit(8).map(stage::label).toList());
        return b.verdict().title() + (b.standby() ? ", stands by" : "") + ": " + names + (b.width() > 8 ? " …" : "")
                + (b.width() > 1 ? ". Click twice to open it." : stage.isOpened(b) ? ". Click twice to close it." : "");
    }

    private static List<PathElement> box(double x, double y, double w, double h) {
        return List.of(
                new MoveTo(x, y),
                new LineTo(x + w, y),
                new LineTo(x + w, y + h),
                new LineTo(x, y + h),
                new ClosePath());
    }

    /** Puts a node whose bounds begin at zero; relocate would lay its text out for nothing before it has its style. */
    private static void put(Node node, double x, double y) {
        node.setLayoutX(x);
        node.setLayoutY(y);
    }

    private static Path styled(Path path, String style) {
        path.getStyleClass().add(style);
        path.setMouseTransparent(true);
        if (style.equals("ground")) {
            path.setStroke(null);
        }
        return path;
    }

    private static Path ribbon(double x1, double x2, Strand at) {
        double mid = (x1 + x2) / 2;
        double thick = at.thick();
        return new Path(
                new MoveTo(x1, at.from()),
                new CubicCurveTo(mid, at.from(), mid, at.to(), x2, at.to()),
                new LineTo(x2, at.to() + thick),
                new CubicCurveTo(mid, at.to() + thick, mid, at.from() + thick, x1, at.from() + thick),
                new ClosePath());
    }
}
