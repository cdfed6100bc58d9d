package zentrel.app.patch;

import java.util.Set;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.Tooltip;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Pane;
import javafx.scene.layout.VBox;
import javafx.scene.paint.Color;
import javafx.scene.shape.Line;
import javafx.scene.shape.Rectangle;
import org.jspecify.annotations.Nullable;
import zentrel.app.look.Texts;
import zentrel.app.look.UniverseHue;
import zentrel.app.patch.Strips.Bar;
import zentrel.app.patch.Strips.State;
import zentrel.app.patch.Strips.Strip;
import zentrel.plan.Fixture;
import zentrel.plan.Id;
import zentrel.plan.Universe;
import zentrel.text.Counted;

/** A universe as a strip of 512 slots: fixtures drawn to their size, and below it those of a list. */
final class StripRow extends ListCell<Strip> {
    static final double NAME = 128;
    static final double FILL = 62;
    private static final double GAP = 8;
    private static final double BESIDE = 30;
    private static final double BAR = 18;
    private static final double DIGIT = 5.4;
    private static final int QUARTERS = 4;

    /** What a strip tells of. */
    interface Hands {
        Set<Id<Fixture>> chosen();

        boolean compares();

        void choose(Strip strip, Bar bar, boolean more, boolean upTo);

        void drop(Strip onto, int slot);

        double width();
    }

    private final Hands hands;
    private int grabbed;

    StripRow(Hands hands) {
        this.hands = hands;
        setOnMouseDragReleased(e -> {
            Strip strip = getItem();
            if (strip != null) {
                hands.drop(
                        strip,
                        slotAt(sceneToLocal(e.getSceneX(), e.getSceneY()).getX() - left())
                                - grabbedOf(e.getGestureSource()));
            }
            e.consume();
        });
    }

    private static int grabbedOf(Object source) {
        return source instanceof Node n && n.getUserData() instanceof Integer offset ? offset : 0;
    }

    private double left() {
        return NAME + GAP + snappedLeftInset();
    }

    private double across() {
        return Math.max(200, hands.width() - NAME - FILL - 2 * GAP - BESIDE);
    }

    private int slotAt(double x) {
        return (int) Math.floor(x / across() * Universe.SLOTS) + 1;
    }

    @Override
    protected void updateItem(@Nullable Strip strip, boolean empty) {
        super.updateItem(strip, empty);
        setText(null);
        if (empty || strip == null) {
            setGraphic(null);
            setAccessibleText("");
            return;
        }
        VBox name = new VBox(
                -2,
                Texts.of("U" + strip.number(), "strong"),
                Texts.of(strip.name(), strip.universe().isPresent() ? "soft" : "at-risk", "small"));
        name.setMinWidth(NAME);
        name.setPrefWidth(NAME);
        name.setMaxWidth(NAME);
        name.setAlignment(Pos.CENTER_LEFT);
        VBox bars = new VBox(3, bars(strip, true));
        if (hands.compares()) {
            bars.getChildren().add(bars(strip, false));
        }
        bars.setAlignment(Pos.CENTER_LEFT);
        Label fill = Texts.mono(strip.used() + " used", "soft", "small");
        fill.setMinWidth(FILL);
        fill.setPrefWidth(FILL);
        fill.setAlignment(Pos.CENTER_RIGHT);
        HBox line = new HBox(GAP, name, bars, fill);
        line.setAlignment(Pos.CENTER_LEFT);
        line.getStyleClass().add("lane");
        setGraphic(line);
        setAccessibleText("Universe " + strip.number() + " " + strip.name() + ", "
                + Counted.of(strip.here().size(), "fixture") + ", " + strip.used() + " of 512 slots");
    }

    private Pane bars(Strip strip, boolean here) {
        double across = across();
        double scale = across / Universe.SLOTS;
        Pane pane = new Pane();
        pane.setMinSize(across, here ? BAR : BAR - 4);
        pane.setPrefSize(across, here ? BAR : BAR - 4);
        pane.setMaxSize(across, here ? BAR : BAR - 4);
        double high = pane.getMinHeight();
        Rectangle frame = new Rectangle(0.5, 0.5, across - 1, high - 1);
        frame.getStyleClass().add("slots");
        pane.getChildren().add(frame);
        for (int quarter = 1; quarter < QUARTERS; quarter++) {
            double x = Math.round(across * quarter / QUARTERS) + 0.5;
            Line line = new Line(x, high - 4, x, high - 1);
            line.getStyleClass().add("slot-tick");
            pane.getChildren().add(line);
        }
        Color hue = Color.web(UniverseHue.of(strip.number()));
        for (Bar bar : here ? strip.here() : strip.there()) {
            pane.getChildren().add(bar(strip, bar, here, hue, scale, high));
        }
        return pane;
    }

    private Node bar(Strip strip, Bar bar, boolean here, Color hue, double scale, double high) {
        double from = (Math.min(bar.start(), Universe.SLOTS) - 1) * scale;
        double to = Math.min(bar.end(), Universe.SLOTS) * scale;
        boolean chosen = bar.fixture().filter(hands.chosen()::contains).isPresent();
        Pane box = new Pane();
        box.setLayoutX(from + 0.5);
        box.setLayoutY(1);
        box.setMinSize(Math.max(1.5, to - from - 1), high - 2);
        box.setMaxSize(Math.max(1.5, to - from - 1), high - 2);
        box.setPrefSize(Math.max(1.5, to - from - 1), high - 2);
        box.getStyleClass().add("fixture-bar");
        if (bar.state() == State.WRONG || (bar.state() == State.DIFFERS && hands.compares())) {
            box.getStyleClass().add(bar.state() == State.WRONG ? "wrong" : "differs");
        }
        if (chosen) {
            box.getStyleClass().add("chosen");
        }
        String web = String.format(
                "#%02x%02x%02x",
                Math.round(hue.getRed() * 255), Math.round(hue.getGreen() * 255), Math.round(hue.getBlue() * 255));
        box.setStyle("-fx-background-color: " + web + (here ? ";" : "99;"));
        if (here && bar.number().length() * DIGIT < to - from - 3) {
            Label number = new Label(bar.number());
            number.getStyleClass().add("bar-number");
            number.setLayoutX(3);
            number.setLayoutY(1);
            number.setMouseTransparent(true);
            box.getChildren().add(number);
        }
        Tooltip.install(
                box, new Tooltip(bar.says() + ", U" + strip.number() + " slots " + bar.start() + " to " + bar.end()));
        box.setId((here ? "bar-" : "there-") + bar.number());
        bar.fixture().ifPresent(f -> {
            box.setOnMousePressed(e -> {
                grabbed = slotAt(sceneToLocal(e.getSceneX(), e.getSceneY()).getX() - left()) - bar.start();
                box.setUserData(grabbed);
                if (!hands.chosen().contains(f) || e.isShortcutDown() || e.isShiftDown()) {
                    hands.choose(strip, bar, e.isShortcutDown(), e.isShiftDown());
                }
                e.consume();
            });
            if (here) {
                box.setOnDragDetected((MouseEvent e) -> {
                    box.startFullDrag();
                    e.consume();
                });
            }
        });
        return box;
    }
}
