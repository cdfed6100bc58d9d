package zentrel.app.flow;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
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
import org.jspecify.annotations.Nullable;
import zentrel.app.document.OpenDocument;
import zentrel.app.flow.FlowModel.Bundle;
import zentrel.app.flow.FlowModel.Carrier;
import zentrel.app.flow.FlowModel.Sender;
import zentrel.app.flow.FlowModel.Taker;
import zentrel.app.look.Hint;
import zentrel.app.look.Mark;
import zentrel.app.look.Texts;
import zentrel.app.shell.StageView;
import zentrel.check.Report;
import zentrel.path.Verdict;
import zentrel.plan.Id;

/**
 * Flow: who sends on the left, segments in the middle, who takes and what lights on the right. Every position is computed
 * from the plan; the width of a ribbon is its number of universes.
 */
public final class FlowStage implements StageView {
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

    /** Taken as the height of what is seen, before that is known. */
    private static final double FIRST_VIEWPORT = 700;

    private final OpenDocument document;
    private final Pane chart = new Pane();
    private final Label summary = Texts.of("", "soft", "small");
    private final ScrollPane scroll = new ScrollPane(chart);
    private final VBox pane = new VBox(scroll, summary);
    private @Nullable FlowModel model;
    private @Nullable Report drawn;
    private @Nullable Report givenFor;
    private @Nullable FlowModel given;
    private double drawnFrom;
    private double drawnTo;
    private double height;

    public FlowStage(OpenDocument document) {
        this.document = document;
        pane.getStyleClass().add("stage-pane");
        scroll.setFitToWidth(true);
        scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        VBox.setVgrow(scroll, javafx.scene.layout.Priority.ALWAYS);
        chart.setAccessibleText("Flow: who sends, through which segment, who takes, what lights");
        document.reportProperty().addListener(o -> renew());
        document.selectionProperty().addListener(o -> refresh());
        scroll.vvalueProperty().addListener(o -> scrolled());
        scroll.viewportBoundsProperty().addListener(o -> scrolled());
    }

    /** Works out the picture of the newest report; what nobody sees is drawn when it is shown. */
    private void renew() {
        Report report = document.reportProperty().get();
        if (report == null || pane.getScene() == null || isDrawn(report)) {
            return;
        }
        FlowModel before = report.equals(givenFor) ? given : null;
        given = null;
        givenFor = null;
        if (before != null) {
            become(report, before);
        } else {
            document.derive(report, FlowModel::of, m -> become(report, m));
        }
    }

    private void become(Report report, FlowModel now) {
        model = now;
        drawn = report;
        refresh();
    }

    /** Gives the picture of a report that was worked out before this stage asks for it. */
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

    private double viewport() {
        double seen = scroll.getViewportBounds().getHeight();
        return seen > 0 ? seen : FIRST_VIEWPORT;
    }

    private double offset() {
        return Math.max(0, height - viewport()) * scroll.getVvalue();
    }

    /** Draws again where what is seen leaves what is drawn. */
    private void scrolled() {
        double from = offset();
        if (model != null && (from < drawnFrom || Math.min(height, from + viewport()) > drawnTo)) {
            refresh();
        }
    }

    /** Brings a card that has the keyboard into view. */
    private void reveal(double y, double row) {
        double from = offset();
        double room = Math.max(1, height - viewport());
        if (y < from) {
            scroll.setVvalue(y / room);
        } else if (y + row > from + viewport()) {
            scroll.setVvalue((y + row - viewport()) / room);
        }
    }

    @Override
    public Node node() {
        return pane;
    }

    private void refresh() {
        FlowModel m = model;
        if (m == null || pane.getScene() == null) {
            return;
        }
        Node focused = pane.getScene().getFocusOwner();
        String keyboard = focused != null && focused.getParent() == chart ? focused.getId() : null;
        chart.getChildren().clear();
        summary.setText(m.summary());
        if (m.senders().isEmpty()) {
            chart.getChildren()
                    .add(Texts.wrapped(
                            "Consoles and other sources stand here on the left, what they feed on the right. Open a plan to begin.",
                            "soft"));
            return;
        }
        new Drawing(m).draw();
        if (keyboard != null) {
            chart.getChildren().stream()
                    .filter(n -> keyboard.equals(n.getId()))
                    .findFirst()
                    .ifPresent(Node::requestFocus);
        }
    }

    /** Whether a thing or what it belongs to is selected. */
    private boolean isChosen(Id id) {
        Id selected = document.selectionProperty().get();
        if (selected == null) {
            return false;
        }
        if (selected.equals(id)) {
            return true;
        }
        Report report = document.reportProperty().get();
        return report != null && Owner.of(report.plan(), selected).contains(id);
    }

    /** One drawing of a model: of what is seen, and as much above and below. */
    private final class Drawing {
        private final FlowModel m;
        private final Map<Id, Double> senderY = new HashMap<>();
        private final Map<Id, Double> takerY = new HashMap<>();
        private final Map<Id, double[]> barY = new HashMap<>();
        private final Map<Id, Double> barLeft = new HashMap<>();
        private final Map<Id, Double> barRight = new HashMap<>();
        private final Map<Id, Double> leftEnd = new HashMap<>();
        private final Map<Id, Double> rightEnd = new HashMap<>();
        private final Map<Id, Integer> marks = new HashMap<>();
        private final Map<Id, List<Bundle>> ins = new HashMap<>();
        private final List<Mark> marked = new ArrayList<>();
        private final List<Runnable> numbers = new ArrayList<>();
        private final Path grounds = new Path();
        private final Path rules = new Path();
        private final Path axes = new Path();

        Drawing(FlowModel m) {
            this.m = m;
            for (Bundle b : m.in()) {
                ins.computeIfAbsent(b.end(), e -> new ArrayList<>()).add(b);
            }
        }

        void draw() {
            heading("Sends", SENDS_X);
            heading("Carries", BAR_X - 14);
            heading("Takes", TAKES_X);
            heading("Lights", LIGHTS_X);
            height = HEAD + Math.max(m.takers().size(), m.senders().size()) * ROW;
            double y = HEAD;
            for (Taker taker : m.takers()) {
                takerY.put(taker.id(), y);
                y += ROW;
            }
            bars();
            placeSenders(height);
            for (double at : senderY.values()) {
                height = Math.max(height, at + SENDER_ROW);
            }
            chart.setPrefHeight(height + 4);
            drawnFrom = offset() - viewport();
            drawnTo = offset() + 2 * viewport();
            for (Bundle bundle : m.out()) {
                left(bundle);
            }
            for (Taker taker : m.takers()) {
                ins.getOrDefault(taker.id(), List.of()).forEach(this::right);
            }
            // All marks stand on one ground above all ribbons, and all rules are one path: styling costs by the node.
            chart.getChildren().addAll(styled(grounds, "ground"));
            chart.getChildren().addAll(marked);
            numbers.forEach(Runnable::run);
            chart.getChildren().addAll(styled(rules, "card-rule"), styled(axes, "axis"));
            for (Sender s : m.senders()) {
                double at = senderY.get(s.id());
                if (isSeen(at, at + SENDER_ROW)) {
                    card(s.id(), s.name(), s.address(), s.line(), SENDS_X, at, true);
                }
            }
            for (Taker t : m.takers()) {
                double at = takerY.get(t.id());
                if (isSeen(at, at + ROW)) {
                    card(t.id(), t.name(), t.address(), t.line(), TAKES_X, at, false);
                    lights(t);
                }
            }
        }

        private boolean isSeen(double top, double bottom) {
            return bottom >= drawnFrom && top <= drawnTo;
        }

        private void heading(String text, double x) {
            Text label = Texts.drawn(text, "heading");
            put(label, x + 4, 0);
            chart.getChildren().add(label);
        }

        private void bars() {
            for (Carrier carrier : m.carriers()) {
                double top = Double.MAX_VALUE;
                double bottom = 0;
                for (Bundle b : m.in()) {
                    if (b.carrier().equals(carrier.id())) {
                        double y = takerY.get(b.end());
                        top = Math.min(top, y);
                        bottom = Math.max(bottom, y + ROW);
                    }
                }
                if (bottom == 0) {
                    continue;
                }
                double height = Math.max(bottom - top - 22, 40);
                barY.put(carrier.id(), new double[] {top, height});
                Rectangle bar = new Rectangle(BAR_X, top, BAR_WIDTH, height);
                bar.getStyleClass().add("bar");
                bar.setOnMouseClicked(e -> document.select(carrier.id()));
                Text name = Texts.drawn(carrier.name(), "strong", "small");
                put(name, BAR_X - 14, top + height + 1);
                Text subnet = Texts.drawn(carrier.subnet(), "mono", "soft", "small");
                put(subnet, BAR_X + 34, top + height + 1);
                chart.getChildren().addAll(bar, name, subnet);
                barLeft.put(carrier.id(), start(m.out(), carrier.id(), top, height));
                barRight.put(carrier.id(), start(m.in(), carrier.id(), top, height));
            }
        }

        private double start(List<Bundle> bundles, Id carrier, double top, double height) {
            double total = bundles.stream()
                    .filter(b -> b.carrier().equals(carrier))
                    .mapToDouble(b -> thickness(b) + 2)
                    .sum();
            return top + Math.max(2, (height - total) / 2);
        }

        /** Each sender stands beside the first segment it sends to, as near its middle as there is room. */
        private void placeSenders(double height) {
            List<List<Sender>> groups = new ArrayList<>();
            List<Double> middles = new ArrayList<>();
            Set<Id> placed = new HashSet<>();
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
            return Math.min(THICKEST, Math.max(THINNEST, b.width() * PER_UNIVERSE));
        }

        private void left(Bundle b) {
            double thick = thickness(b);
            double from =
                    leftEnd.merge(b.end(), senderY.get(b.end()) + 4 + thick, (old, first) -> old + thick + 1) - thick;
            Double at = barLeft.get(b.carrier());
            if (at == null) {
                return;
            }
            barLeft.put(b.carrier(), at + thick + 2);
            if (!isSeen(Math.min(from, at), Math.max(from, at) + thick)) {
                return;
            }
            Path ribbon = ribbon(SENDS_X + CARDS_WIDTH, from, BAR_X, at, thick);
            style(ribbon, b);
            chart.getChildren().add(ribbon);
            numbers.add(() -> number(b, SENDS_X + CARDS_WIDTH + 12, from + thick / 2 - 8));
        }

        private void right(Bundle b) {
            double thick = thickness(b);
            double to =
                    rightEnd.merge(b.end(), takerY.get(b.end()) + 6 + thick, (old, first) -> old + thick + 1) - thick;
            Double at = barRight.get(b.carrier());
            if (at == null) {
                return;
            }
            barRight.put(b.carrier(), at + thick + 2);
            if (!isSeen(Math.min(to, at), Math.max(to, at) + thick)) {
                return;
            }
            Path ribbon = ribbon(BAR_X + BAR_WIDTH, at, TAKES_X, to, thick);
            style(ribbon, b);
            chart.getChildren().add(ribbon);
            if (b.verdict().compareTo(Verdict.AT_RISK) >= 0) {
                Mark mark = Mark.of(b.verdict());
                mark.setMouseTransparent(true);
                put(mark, TAKES_X - 46 - 24.0 * marks.merge(b.end(), 1, Integer::sum) + 24, to + thick / 2 - 7);
                grounds.getElements().addAll(box(mark.getLayoutX(), mark.getLayoutY(), 20, 14));
                marked.add(mark);
            }
            numbers.add(() -> number(b, TAKES_X - 20, to + thick / 2 - 8));
        }

        private boolean alone(Bundle b) {
            return ins.getOrDefault(b.end(), List.of()).size() <= 1;
        }

        private void number(Bundle b, double x, double y) {
            if (thickness(b) >= 9 || (b.width() > 1 && alone(b))) {
                Text label = Texts.drawn(String.valueOf(b.width()), "mono", "small");
                label.setMouseTransparent(true);
                put(label, x, y);
                chart.getChildren().add(label);
            }
        }

        private void style(Path ribbon, Bundle b) {
            ribbon.getStyleClass().addAll("ribbon", b.protocol());
            if (b.verdict().compareTo(Verdict.AT_RISK) >= 0) {
                ribbon.getStyleClass().add(b.verdict().word());
            }
            if (b.standby()) {
                ribbon.getStyleClass().add("standby");
            }
            if (b.signals().stream()
                    .anyMatch(s -> s.equals(document.selectionProperty().get()))) {
                ribbon.getStyleClass().add("chosen");
            }
            ribbon.setStroke(null);
            Hint.on(ribbon, () -> tip(b));
            ribbon.setOnMouseClicked(e -> document.select(b.signals().get(0)));
        }

        private String tip(Bundle b) {
            Report report = document.reportProperty().get();
            String names = report == null
                    ? ""
                    : String.join(
                            ", ",
                            b.signals().stream()
                                    .limit(8)
                                    .map(s -> report.plan().index().find(s).orElse(null)
                                                    instanceof zentrel.plan.Universe u
                                            ? u.label()
                                            : report.plan().index().name(s))
                                    .toList());
            return b.verdict().title() + (b.standby() ? ", stands by" : "") + ": " + names
                    + (b.width() > 8 ? " …" : "");
        }

        private void card(Id id, String name, String address, String line, double x, double y, boolean tall) {
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
                                    8,
                                    Texts.drawn(address, "mono", "soft", "small"),
                                    Texts.drawn(line, "soft", "small")));
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
                    reveal(y, row);
                }
            });
            card.setOnMouseClicked(e -> document.select(id));
            card.setOnKeyPressed(e -> {
                if (e.getCode() == KeyCode.ENTER || e.getCode() == KeyCode.SPACE) {
                    document.select(id);
                    e.consume();
                }
            });
            line(rules, x, y + row - 4, x + CARDS_WIDTH - 8);
            chart.getChildren().add(card);
            if (isChosen(id)) {
                ticks(x - 4, y - 2, CARDS_WIDTH + 4, row);
            }
        }

        private void ticks(double x, double y, double w, double h) {
            double s = 8;
            for (Polyline tick : new Polyline[] {
                new Polyline(x, y + s, x, y, x + s, y),
                new Polyline(x + w - s, y, x + w, y, x + w, y + s),
                new Polyline(x, y + h - s, x, y + h, x + s, y + h),
                new Polyline(x + w - s, y + h, x + w, y + h, x + w, y + h - s)
            }) {
                tick.getStyleClass().add("tick");
                tick.setMouseTransparent(true);
                chart.getChildren().add(tick);
            }
        }

        private void lights(Taker t) {
            double y = takerY.get(t.id());
            Text place = Texts.drawn(
                    t.lights().length() > MOST_LETTERS ? t.lights().substring(0, MOST_LETTERS - 1) + "…" : t.lights(),
                    t.fixtures() == 0 ? "soft" : "ink");
            String count = t.fixtures() == 0
                    ? ""
                    : t.fixtures()
                            + (t.fixtures() == 1 ? " fixture" : " fixtures")
                            + (t.dark() > 0 ? ", " + (t.dark() == t.fixtures() ? "all dark" : t.dark() + " dark") : "");
            Text dark = Texts.drawn(count, t.dark() > 0 ? "broken" : "soft", "small");
            put(place, LIGHTS_X + 4, y);
            put(dark, LIGHTS_X + 4, y + SECOND_LINE);
            chart.getChildren().addAll(place, dark);
            if (t.fixtures() > 0) {
                line(t.dark() == t.fixtures() ? rules : axes, TAKES_X + CARDS_WIDTH, y + 10, LIGHTS_X - 4);
            }
        }
    }

    private static void line(Path path, double from, double y, double to) {
        path.getElements().addAll(new MoveTo(from, y), new LineTo(to, y));
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
}
