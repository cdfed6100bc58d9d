package zentrel.app.flow;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import javafx.scene.CacheHint;
import javafx.scene.Group;
import javafx.scene.Node;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.Pane;
import javafx.scene.layout.VBox;
import javafx.scene.shape.ClosePath;
import javafx.scene.shape.CubicCurveTo;
import javafx.scene.shape.LineTo;
import javafx.scene.shape.MoveTo;
import javafx.scene.shape.Path;
import javafx.scene.shape.PathElement;
import javafx.scene.shape.Polyline;
import javafx.scene.shape.Rectangle;
import javafx.scene.text.Text;
import zentrel.app.flow.FlowModel.Bundle;
import zentrel.app.flow.FlowModel.Carrier;
import zentrel.app.flow.FlowModel.Sender;
import zentrel.app.flow.FlowModel.Taker;
import zentrel.app.look.Hint;
import zentrel.app.look.Mark;
import zentrel.app.look.Texts;
import zentrel.path.Verdict;
import zentrel.plan.Id;
import zentrel.text.Counted;

/**
 * One drawing of a model: of what is seen, and as much above and below. Where each thing stands is worked out once; as one
 * looks elsewhere, what comes into sight is drawn and what leaves it goes.
 */
final class FlowDrawing {
    /** Letters that fit beside the lights. */
    private static final int MOST_LETTERS = 24;

    /** How far the second line of a card stands below the first. */
    private static final double SECOND_LINE = 16;

    private static final double SENDS_X = 0;
    private static final double CARDS_WIDTH = 172;
    private static final double BAR_X = 268;
    private static final double BAR_WIDTH = 10;
    private static final double TAKES_X = 470;
    private static final double LIGHTS_X = 668;
    private static final double HEAD = 26;
    private static final double ROW = 41;
    private static final double SENDER_ROW = 58;
    private static final double PER_UNIVERSE = 1.5;
    private static final double THINNEST = 2;
    private static final double THICKEST = 38;

    /** With so many takers the widest ribbon is this thick, so that two of them fit a row. */
    private static final double THIN = 16;

    private static final int MANY_TAKERS = 16;

    /** A ribbon of one universe out of an opened bundle: as high as its label. */
    private static final double OPENED = 9;

    /** A bar that is longer than this is seen in part only. */
    private static final double LONG_BAR = 700;

    /** Between two ribbons at one end. */
    private static final double BETWEEN = 1;

    /** How wide the whole picture is. */
    static final double WIDTH = 840;

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
    private final double perUniverse;
    private double height;
    private double drawnFrom;
    private double drawnTo;
    private boolean moving;
    private final Map<Id<?>, Double> senderY = new HashMap<>();
    private final Map<Id<?>, Double> takerY = new HashMap<>();
    private final Map<Id<?>, double[]> barY = new HashMap<>();
    private final Map<Id<?>, Double> barLeft = new HashMap<>();
    private final Map<Id<?>, Double> barRight = new HashMap<>();
    private final Map<Id<?>, Double> leftEnd = new HashMap<>();
    private final Map<Id<?>, Double> rightEnd = new HashMap<>();
    private final Map<Id<?>, Integer> marks = new HashMap<>();
    private final Map<Id<?>, List<Bundle>> ins = new HashMap<>();
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
     * @param marksChosen whether what is selected is marked; on paper nothing is
     */
    FlowDrawing(FlowModel m, Stage stage, Pane chart, boolean marksChosen) {
        this.m = m;
        this.stage = stage;
        this.chart = chart;
        this.marksChosen = marksChosen;
        for (Bundle b : m.in()) {
            ins.computeIfAbsent(b.end(), e -> new ArrayList<>()).add(b);
        }
        int widest = m.in().stream().mapToInt(Bundle::width).max().orElse(1);
        perUniverse = m.takers().size() < MANY_TAKERS ? PER_UNIVERSE : Math.min(PER_UNIVERSE, THIN / widest);
        double y = HEAD;
        for (Taker taker : m.takers()) {
            takerY.put(taker.id(), y);
            y += row(taker);
        }
        height = Math.max(y, HEAD + m.senders().size() * ROW);
        placeBars();
        placeSenders(height);
        for (double at : senderY.values()) {
            height = Math.max(height, at + SENDER_ROW);
        }
        place();
    }

    /** How high the picture is. */
    double height() {
        return height;
    }

    /** How high a taker stands: as much as its ribbons need. */
    private double row(Taker taker) {
        double ribbons = 0;
        for (Bundle b : ins.getOrDefault(taker.id(), List.of())) {
            ribbons += thickness(b) + BETWEEN;
        }
        return ribbons <= ROW + 6 ? ROW : ribbons + 12;
    }

    /** Everything that may be seen, in the order in which it is drawn. */
    private void place() {
        for (Bundle bundle : m.out()) {
            left(bundle);
        }
        for (Taker taker : m.takers()) {
            ins.getOrDefault(taker.id(), List.of()).forEach(this::right);
        }
        for (Sender s : m.senders()) {
            double at = at(senderY, s.id());
            items.add(new FlowItem(
                    at,
                    at + SENDER_ROW,
                    item -> card(item, s.id(), s.name(), s.address(), s.line(), SENDS_X, at, true, s.isFolded())));
        }
        for (Taker t : m.takers()) {
            double at = at(takerY, t.id());
            items.add(new FlowItem(at, at + row(t), item -> {
                card(item, t.id(), t.name(), t.address(), t.line(), TAKES_X, at, false, t.isFolded());
                lights(item, t);
            }));
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
            heading("Sources", SENDS_X);
            heading("Networks", BAR_X - 14);
            heading("Receivers", TAKES_X);
            heading("Fixtures", LIGHTS_X);
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

    private void placeBars() {
        for (Carrier carrier : m.carriers()) {
            double top = Double.MAX_VALUE;
            double bottom = 0;
            for (Bundle b : m.in()) {
                if (b.carrier().equals(carrier.id())) {
                    double y = at(takerY, b.end());
                    top = Math.min(top, y);
                    bottom = Math.max(bottom, y + ROW);
                }
            }
            if (bottom > 0) {
                double height = Math.max(bottom - top - 22, 40);
                barY.put(carrier.id(), new double[] {top, height});
                barLeft.put(carrier.id(), start(m.out(), carrier.id(), top, height));
                barRight.put(carrier.id(), start(m.in(), carrier.id(), top, height));
            }
        }
    }

    private void bars() {
        for (Carrier carrier : m.carriers()) {
            double[] at = barY.get(carrier.id());
            if (at != null) {
                Rectangle bar = new Rectangle(BAR_X, at[0], BAR_WIDTH, at[1]);
                bar.getStyleClass().add("bar");
                bar.setOnMouseClicked(e -> stage.choose(carrier.id()));
                Text name = Texts.drawn(carrier.name(), "strong", "small");
                put(name, BAR_X - 14, at[0] + at[1] + 1);
                Text subnet = Texts.drawn(carrier.subnet(), "mono", "soft", "small");
                put(subnet, BAR_X + 34, at[0] + at[1] + 1);
                chart.getChildren().addAll(bar, name, subnet);
            }
        }
    }

    private double start(List<Bundle> bundles, Id<?> carrier, double top, double height) {
        double total = bundles.stream()
                .filter(b -> b.carrier().equals(carrier))
                .mapToDouble(b -> thickness(b) + 2)
                .sum();
        return top + (height > LONG_BAR ? 2 : Math.max(2, (height - total) / 2));
    }

    /** Each sender stands beside the first segment it sends to, as near its middle as there is room. */
    private void placeSenders(double height) {
        List<List<Sender>> groups = new ArrayList<>();
        List<Double> middles = new ArrayList<>();
        Set<Id<?>> placed = new HashSet<>();
        for (Carrier carrier : m.carriers()) {
            double[] bar = barY.get(carrier.id());
            List<Sender> group = m.senders().stream()
                    .filter(s -> bar != null && !placed.contains(s.id()) && sendsTo(s, carrier))
                    .toList();
            if (!group.isEmpty() && bar != null) {
                group.forEach(s -> placed.add(s.id()));
                groups.add(group);
                middles.add(bar[0] + bar[1] / 2);
            }
        }
        double bottom = Math.max(height, HEAD + placed.size() * SENDER_ROW);
        double after = placed.size() * SENDER_ROW;
        double y = HEAD;
        for (int g = 0; g < groups.size(); g++) {
            double wanted = middles.get(g) - groups.get(g).size() * SENDER_ROW / 2;
            if (height > LONG_BAR) {
                wanted = y; // the middle of a long picture is not where one looks first
            }
            y = Math.max(y, Math.min(wanted, bottom - after));
            for (Sender s : groups.get(g)) {
                senderY.put(s.id(), y);
                y += SENDER_ROW;
                after -= SENDER_ROW;
            }
        }
        for (Sender s : m.senders()) {
            senderY.putIfAbsent(s.id(), HEAD);
        }
    }

    private boolean sendsTo(Sender s, Carrier carrier) {
        return m.out().stream()
                .anyMatch(b -> b.end().equals(s.id()) && b.carrier().equals(carrier.id()));
    }

    private double thickness(Bundle b) {
        if (b.width() == 1 && stage.isOpened(b)) {
            return OPENED;
        }
        return Math.min(THICKEST, Math.max(THINNEST, b.width() * perUniverse));
    }

    private void left(Bundle b) {
        double thick = thickness(b);
        double from =
                leftEnd.merge(b.end(), at(senderY, b.end()) + 4 + thick, (old, first) -> old + thick + BETWEEN) - thick;
        Double at = barLeft.get(b.carrier());
        if (at == null) {
            return;
        }
        barLeft.put(b.carrier(), at + thick + 2);
        items.add(new FlowItem(Math.min(from, at), Math.max(from, at) + thick, item -> {
            item.add(ribbons, styled(ribbon(SENDS_X + CARDS_WIDTH, from, BAR_X, at, thick), b));
            number(item, b, SENDS_X + CARDS_WIDTH + 12, from + thick / 2 - 8);
        }));
    }

    private void right(Bundle b) {
        double thick = thickness(b);
        double to =
                rightEnd.merge(b.end(), at(takerY, b.end()) + 6 + thick, (old, first) -> old + thick + BETWEEN) - thick;
        Double next = barRight.get(b.carrier());
        double[] bar = barY.get(b.carrier());
        if (next == null || bar == null) {
            return;
        }
        barRight.put(b.carrier(), next + thick + 2);
        // from a bar that is longer than a screen ribbons leave where they are needed, or none could be followed
        double at = bar[1] > LONG_BAR ? Math.max(bar[0], Math.min(to, bar[0] + bar[1] - thick)) : next;
        boolean isMarked = b.verdict().compareTo(Verdict.AT_RISK) >= 0;
        int before = isMarked ? marks.merge(b.end(), 1, Integer::sum) - 1 : 0;
        items.add(new FlowItem(Math.min(to, at), Math.max(to, at) + thick, item -> {
            item.add(ribbons, styled(ribbon(BAR_X + BAR_WIDTH, at, TAKES_X, to, thick), b));
            if (isMarked) {
                Mark mark = Mark.of(b.verdict());
                mark.setMouseTransparent(true);
                put(mark, TAKES_X - 46 - 24.0 * before, to + thick / 2 - 7);
                item.ground().addAll(box(mark.getLayoutX(), mark.getLayoutY(), 20, 14));
                item.add(marked, mark);
            }
            number(item, b, TAKES_X - 20, to + thick / 2 - 8);
        }));
    }

    private boolean alone(Bundle b) {
        return ins.getOrDefault(b.end(), List.of()).size() <= 1;
    }

    private void number(FlowItem item, Bundle b, double x, double y) {
        if (b.width() == 1 && stage.isOpened(b)) {
            Text label = Texts.drawn(stage.label(b.signals().get(0)), "mono", "small");
            label.setMouseTransparent(true);
            put(label, x - 8, y);
            item.add(numbers, label);
            return;
        }
        if (thickness(b) >= 9 || (b.width() > 1 && alone(b))) {
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

    private void card(
            FlowItem item,
            Id<?> id,
            String name,
            String address,
            String line,
            double x,
            double y,
            boolean tall,
            boolean folded) {
        double row = tall ? SENDER_ROW : ROW;
        VBox card = tall
                ? new VBox(
                        -1,
                        Texts.drawn(name, "strong"),
                        Texts.drawn(address, "mono", "soft", "small"),
                        Texts.drawn(line, "soft", "small"))
                : new VBox(
                        -1,
                        Texts.drawn(name, "strong"),
                        new javafx.scene.layout.HBox(
                                8, Texts.drawn(address, "mono", "soft", "small"), Texts.drawn(line, "soft", "small")));
        card.getStyleClass().add("card");
        card.setPrefWidth(CARDS_WIDTH);
        card.setMaxWidth(CARDS_WIDTH);
        card.setClip(new Rectangle(CARDS_WIDTH + 30, row));
        put(card, x, y);
        card.setFocusTraversable(true);
        card.setAccessibleText(name + ", " + address + ", " + line);
        card.setId("card-" + id.value());
        card.focusedProperty().addListener((o, was, is) -> {
            if (is) {
                stage.reveal(y, row);
            }
        });
        card.setOnMouseClicked(e -> chosen(id, name, folded));
        card.setOnKeyPressed(e -> {
            if (e.getCode() == KeyCode.ENTER || e.getCode() == KeyCode.SPACE) {
                chosen(id, name, folded);
                e.consume();
            } else if (e.getCode().isArrowKey()) {
                stage.step(id, e.getCode());
                e.consume();
            }
        });
        if (folded) {
            // sheets under the card, as many boxes lie in it
            line(item.rule(), x + 4, y + row - 1, x + CARDS_WIDTH - 4);
            line(item.rule(), x + 8, y + row + 2, x + CARDS_WIDTH);
        }
        line(item.rule(), x, y + row - 4, x + CARDS_WIDTH - 8);
        item.add(tall ? senders : takers, card);
        if (marksChosen && !folded && stage.isChosen(id)) {
            ticks(item, x - 4, y - 2, CARDS_WIDTH + 4, row);
        }
    }

    /** A group opens; a box is chosen. */
    private void chosen(Id<?> id, String name, boolean folded) {
        if (folded) {
            stage.unfold(name);
        } else {
            stage.choose(id);
        }
    }

    private void ticks(FlowItem item, double x, double y, double w, double h) {
        double s = 8;
        for (Polyline tick : new Polyline[] {
            new Polyline(x, y + s, x, y, x + s, y),
            new Polyline(x + w - s, y, x + w, y, x + w, y + s),
            new Polyline(x, y + h - s, x, y + h, x + s, y + h),
            new Polyline(x + w - s, y + h, x + w, y + h, x + w, y + h - s)
        }) {
            tick.getStyleClass().add("tick");
            tick.setMouseTransparent(true);
            item.add(ticks, tick);
        }
    }

    private void lights(FlowItem item, Taker t) {
        double y = at(takerY, t.id());
        Text place = Texts.drawn(
                t.lights().length() > MOST_LETTERS ? t.lights().substring(0, MOST_LETTERS - 1) + "…" : t.lights(),
                t.fixtures() == 0 ? "soft" : "ink");
        String count = t.fixtures() == 0
                ? ""
                : Counted.of(t.fixtures(), "fixture")
                        + (t.dark() > 0 ? ", " + (t.dark() == t.fixtures() ? "all dark" : t.dark() + " dark") : "");
        Text dark = Texts.drawn(count, t.dark() > 0 ? "broken" : "soft", "small");
        put(place, LIGHTS_X + 4, y);
        put(dark, LIGHTS_X + 4, y + SECOND_LINE);
        item.add(lights, place, dark);
        if (t.fixtures() > 0) {
            line(t.dark() == t.fixtures() ? item.rule() : item.axis(), TAKES_X + CARDS_WIDTH, y + 10, LIGHTS_X - 4);
        }
    }

    private static void line(List<PathElement> path, double from, double y, double to) {
        path.add(new MoveTo(from, y));
        path.add(new LineTo(to, y));
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

    private static Path ribbon(double x1, double y1, double x2, double y2, double thick) {
        double mid = (x1 + x2) / 2;
        return new Path(
                new MoveTo(x1, y1),
                new CubicCurveTo(mid, y1, mid, y2, x2, y2),
                new LineTo(x2, y2 + thick),
                new CubicCurveTo(mid, y2 + thick, mid, y1 + thick, x1, y1 + thick),
                new ClosePath());
    }

    /** Where something stands, from the top; everything that is drawn has its place. */
    private static double at(Map<Id<?>, Double> places, Id<?> id) {
        return Objects.requireNonNull(places.get(id), "a place in the picture");
    }
}
