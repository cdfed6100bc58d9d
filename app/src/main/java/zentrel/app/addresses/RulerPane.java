package zentrel.app.addresses;

import java.util.List;
import java.util.function.Consumer;
import java.util.function.Predicate;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Pane;
import javafx.scene.shape.Line;
import javafx.scene.shape.LineTo;
import javafx.scene.shape.MoveTo;
import javafx.scene.shape.Path;
import javafx.scene.shape.Rectangle;
import org.jspecify.annotations.Nullable;
import zentrel.app.document.OpenDocument;
import zentrel.app.look.Hint;
import zentrel.app.look.Texts;
import zentrel.check.Finding;
import zentrel.check.Report;
import zentrel.check.Severity;
import zentrel.ipv4.Ipv4Address;
import zentrel.plan.Adapter;
import zentrel.plan.Id;
import zentrel.plan.Segment;

/**
 * One ruler as nodes: the axis with its numbers, a bar for each run of boxes of one kind and for each DHCP pool, a pin for each
 * address. A pin is dragged along, or moved with Shift and an arrow key.
 */
final class RulerPane extends Pane {
    /** How far an arrow goes along a ruler, in parts of what is seen. */
    private static final double STEP = 0.25;

    private static final double LEVEL = 13;
    private static final int MOST_LEVELS = 14;
    private static final int FEWEST_LEVELS = 3;
    private static final double CHARACTER = 6.4;
    private static final double BELOW = 44;

    /** How near the pointer is to a pin that is meant. */
    private static final double NEAR = 5;

    private final OpenDocument document;
    private final Report report;
    private final Ruler ruler;
    private final double across;
    private final Predicate<Adapter> chosen;
    private final Consumer<Ruler.@Nullable View> zoom;
    private final double base;
    private @Nullable PinDrag drag;

    /**
     * Draws one; it stays as high as it is when all is shown, so that nothing moves away under the pointer.
     *
     * @param all the same without a zoom
     * @param across how wide it is drawn
     * @param zoom shows another stretch, or all where it gets null
     */
    RulerPane(
            OpenDocument document,
            Report report,
            Ruler ruler,
            Ruler all,
            double across,
            Predicate<Adapter> chosen,
            Consumer<Ruler.@Nullable View> zoom) {
        this.document = document;
        this.report = report;
        this.ruler = ruler;
        this.across = across;
        this.chosen = chosen;
        this.zoom = zoom;
        int[] levels = levels(ruler, across);
        int highest = FEWEST_LEVELS - 1;
        for (int[] each : List.of(levels, levels(all, across))) {
            for (int level : each) {
                highest = Math.max(highest, level);
            }
        }
        highest = Math.min(highest, MOST_LEVELS - 1);
        base = 30 + (highest + 1) * LEVEL;
        setPrefSize(across, base + BELOW);
        setMinHeight(base + BELOW);
        getChildren().add(head(!ruler.equals(all)));
        bands();
        Line axis = new Line(0, base, across, base);
        axis.getStyleClass().add("axis");
        getChildren().add(axis);
        ticks();
        edges();
        pins(levels);
        off();
        mouse();
        keys();
    }

    private HBox head(boolean zoomed) {
        Segment segment = ruler.segment();
        HBox head = new HBox(
                10,
                Texts.of(segment.name(), "strong"),
                Texts.mono(segment.subnet().map(Object::toString).orElse(""), "soft"),
                Texts.of(
                        (segment.wayOut() ? "uplink" : "no uplink")
                                + (segment.guests() ? " · guests" : "")
                                + (segment.isolated() ? " · client isolation" : "")
                                + (zoomed
                                        ? " · zoomed; 0 on a pin shows all"
                                        : " · Ctrl wheel zooms, a pin is dragged"),
                        "soft",
                        "small"));
        head.setAlignment(Pos.CENTER_LEFT);
        return head;
    }

    /** Runs of boxes of one kind and DHCP pools below the axis; each with its words where they have room. */
    private void bands() {
        double free = -1;
        for (Ruler.Band band : ruler.bands()) {
            double from = Math.max(0, ruler.place(band.first()) * across);
            double to = Math.min(across, ruler.place(band.last().plus(1)) * across);
            if (to < 0 || from > across || (Integer.toUnsignedLong(band.first().bits()) >= ruler.end())) {
                continue;
            }
            Rectangle bar = new Rectangle(from, base + 24, Math.max(3, to - from), 4);
            bar.getStyleClass().add(band.pool() ? "band-pool" : "band");
            Hint.on(bar, () -> band.title() + "  " + band.first() + " to " + band.last());
            getChildren().add(bar);
            String words = band.title() + " " + band.count();
            if (from > free && from + words.length() * CHARACTER < across) {
                Label label = Texts.of(words, "soft", "small");
                label.relocate(from, base + 29);
                getChildren().add(label);
                free = from + words.length() * CHARACTER + 8;
            }
        }
    }

    private void ticks() {
        int step = ruler.tickBits();
        int count = 1 << (ruler.bits() - step);
        for (int i = 0; i <= count; i++) {
            double x = i * across / count;
            boolean named = i % 2 == 0 && i < count;
            Line tick = new Line(x, base, x, base + (named ? 6 : 3));
            tick.getStyleClass().add("axis-tick");
            getChildren().add(tick);
            if (named) {
                Label label = Texts.mono(ruler.tickName(ruler.first().plus(i << step)), "soft", "small");
                label.relocate(x - 2, base + 6);
                getChildren().add(label);
            }
        }
    }

    /** How many pins are beyond the edges of the stretch. */
    private void edges() {
        if (ruler.before() > 0) {
            Label left = Texts.of("‹ " + ruler.before(), "heather", "small");
            left.relocate(0, base - 18);
            getChildren().add(left);
        }
        if (ruler.after() > 0) {
            Label right = Texts.of(ruler.after() + " ›", "heather", "small");
            right.relocate(across - 24, base - 18);
            getChildren().add(right);
        }
    }

    private void off() {
        if (!ruler.off().isEmpty()) {
            Label off = Texts.of(
                    "off this subnet: "
                            + String.join(
                                    ", ",
                                    ruler.off().stream()
                                            .map(p -> p.name() + " " + p.address())
                                            .toList()),
                    "broken",
                    "small");
            off.relocate(across / 2, 2);
            getChildren().add(off);
        }
    }

    // --- pins ---

    private void pins(int[] levels) {
        Path plain = new Path(); // hundreds of pins nobody looks at in particular are one node
        plain.getStyleClass().add("pin-line");
        plain.setCache(true); // it stays as it is while a pin is dragged before it
        getChildren().add(plain);
        Ipv4Address last = new Ipv4Address(0);
        for (int i = 0; i < ruler.pins().size(); i++) {
            Ruler.Pin pin = ruler.pins().get(i);
            boolean collides = pin.address().address().equals(last);
            last = pin.address().address();
            Severity severity = severity(pin.adapter().id());
            boolean flagged = severity != null && severity != Severity.NOTE;
            boolean marked = chosen.test(pin.adapter());
            boolean named = levels[i] < MOST_LEVELS || marked;
            double x = x(pin);
            double top = named ? base - 6 - (Math.min(levels[i], MOST_LEVELS - 1) + 0.2) * LEVEL : base - 10;
            if (flagged || marked) {
                Line line = new Line(x, base, x, top);
                line.getStyleClass().add("pin-line");
                if (severity != null && flagged) {
                    line.getStyleClass().add(severity.word());
                }
                if (marked) {
                    line.getStyleClass().add("chosen");
                }
                getChildren().add(line);
            } else {
                plain.getElements().addAll(new MoveTo(x, base), new LineTo(x, top));
            }
            if (named) {
                label(pin, collides, flagged ? severity : null, marked, x, top);
            }
        }
    }

    private void label(
            Ruler.Pin pin, boolean collides, @Nullable Severity severity, boolean marked, double x, double top) {
        Label label = Texts.of(pin.name() + (collides ? " too" : ""), "small");
        if (severity != null) {
            label.getStyleClass().add(severity.word());
        }
        if (marked) {
            label.getStyleClass().add("heather");
        }
        label.getStyleClass().add("pin");
        label.setFocusTraversable(true);
        label.setUserData(pin.adapter().id());
        label.setAccessibleText(pin.name() + " at " + pin.address() + "; Shift and an arrow moves it");
        Hint.on(label, () -> pin.name() + ", " + pin.adapter().name() + "  " + pin.address());
        double width = pin.name().length() * CHARACTER;
        label.relocate(x + 3 + width > across ? x - 6 - width : x + 3, top - 10);
        Id<?> id = pin.adapter().id();
        label.setOnKeyPressed(e -> pinKey(e, pin, id));
        getChildren().add(label);
    }

    private double x(Ruler.Pin pin) {
        return ruler.place(pin.address().address()) * across;
    }

    private @Nullable Severity severity(Id<?> adapter) {
        return report.findings().stream()
                .filter(f -> (f.rule().startsWith("address.") || f.rule().startsWith("adapter."))
                        && f.subjects().contains(adapter)
                        && isAbout(f, adapter))
                .map(Finding::severity)
                .max(java.util.Comparator.naturalOrder())
                .orElse(null);
    }

    /** A collision is about all who have the address; anything else about its cause. */
    static boolean isAbout(Finding finding, Id<?> adapter) {
        return finding.cause().equals(adapter)
                || (finding.rule().equals("address.duplicate")
                        && finding.subjects().contains(adapter));
    }

    /**
     * On which level the name of each pin stands: above every pin that its name passes over, so that no line crosses a name
     * as long as there are levels; {@link #MOST_LEVELS} where there is none left for it.
     */
    private static int[] levels(Ruler ruler, double across) {
        int count = ruler.pins().size();
        int[] levels = new int[count];
        double[] places = new double[count];
        for (int i = 0; i < count; i++) {
            places[i] = ruler.place(ruler.pins().get(i).address().address()) * across;
        }
        for (int i = count - 1; i >= 0; i--) {
            double end = places[i] + 12 + ruler.pins().get(i).name().length() * CHARACTER;
            for (int right = i + 1; right < count && places[right] <= end; right++) {
                if (levels[right] < MOST_LEVELS) {
                    levels[i] = Math.max(levels[i], levels[right] + 1);
                }
            }
            levels[i] = Math.min(MOST_LEVELS, levels[i]);
        }
        return levels;
    }

    // --- the mouse ---

    private Ruler.@Nullable Pin under(MouseEvent e) {
        if (e.getTarget() instanceof Node node) {
            for (Node at = node; at != null && !at.equals(this); at = at.getParent()) {
                if (at instanceof Label && at.getUserData() instanceof Id<?> id) {
                    return ruler.pins().stream()
                            .filter(p -> p.adapter().id().equals(id))
                            .findFirst()
                            .orElse(null);
                }
            }
        }
        if (e.getY() > base + 4 || e.getY() < base - (MOST_LEVELS + 1) * LEVEL) {
            return null;
        }
        return ruler.pins().stream()
                .filter(p -> Math.abs(x(p) - e.getX()) <= NEAR)
                .min(java.util.Comparator.comparingDouble(p -> Math.abs(x(p) - e.getX())))
                .orElse(null);
    }

    private void mouse() {
        setOnMousePressed(e -> {
            Ruler.Pin pin = under(e);
            if (pin != null) {
                drag = new PinDrag(this, document, report, ruler, pin, across, base);
                drag.from(e.getX());
            }
        });
        setOnMouseDragged(e -> {
            if (drag != null) {
                drag.to(e.getX());
            }
        });
        setOnMouseReleased(e -> {
            PinDrag ended = drag;
            drag = null;
            if (ended != null && !ended.put()) {
                document.select(ended.pin().adapter().id());
            }
        });
        setOnScroll(e -> {
            if (e.isShortcutDown() && e.getDeltaY() != 0) {
                zoom.accept(ruler.zoomed(Math.max(0, Math.min(1, e.getX() / across)), e.getDeltaY() > 0 ? 1 : -1));
                e.consume();
            }
        });
    }

    // --- keys ---

    private void pinKey(KeyEvent e, Ruler.Pin pin, Id<?> id) {
        boolean arrow = e.getCode() == KeyCode.LEFT || e.getCode() == KeyCode.RIGHT;
        if (arrow && e.isShiftDown()) {
            if (drag == null || !drag.pin().equals(pin)) {
                give();
                drag = new PinDrag(this, document, report, ruler, pin, across, base);
            }
            drag.by(e.getCode() == KeyCode.LEFT ? -1 : 1, e.isShortcutDown());
        } else if (e.getCode() == KeyCode.ENTER || e.getCode() == KeyCode.SPACE) {
            PinDrag moved = drag;
            drag = null;
            if (moved == null || !moved.put()) {
                document.select(id);
            }
        } else if (e.getCode() == KeyCode.ESCAPE && drag != null) {
            give();
        } else {
            return;
        }
        e.consume();
    }

    /** Lets a pin that was moved and not put go back. */
    private void give() {
        if (drag != null) {
            drag.leave();
            drag = null;
        }
    }

    private void keys() {
        addEventHandler(KeyEvent.KEY_PRESSED, e -> {
            double place =
                    e.getTarget() instanceof Node n ? n.getBoundsInParent().getMinX() / across : 0.5;
            switch (e.getCode()) {
                case PLUS, ADD, EQUALS -> zoom.accept(ruler.zoomed(place, 1));
                case MINUS, SUBTRACT -> zoom.accept(ruler.zoomed(place, -1));
                case LEFT -> zoom.accept(ruler.moved(-STEP));
                case RIGHT -> zoom.accept(ruler.moved(STEP));
                case DIGIT0, NUMPAD0 -> zoom.accept(null);
                default -> {
                    return;
                }
            }
            e.consume();
        });
    }
}
