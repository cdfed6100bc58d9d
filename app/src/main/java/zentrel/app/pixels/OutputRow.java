package zentrel.app.pixels;

import java.util.Locale;
import java.util.Optional;
import java.util.function.DoubleSupplier;
import java.util.function.IntConsumer;
import java.util.function.IntSupplier;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.scene.shape.Line;
import javafx.scene.shape.Rectangle;
import org.jspecify.annotations.Nullable;
import zentrel.app.look.Texts;
import zentrel.app.look.UniverseHue;
import zentrel.app.pixels.PixelSight.Part;
import zentrel.app.pixels.PixelSight.Row;
import zentrel.pixel.OutputFigures;
import zentrel.plan.PixelSupply;
import zentrel.text.Counted;

/** An output: its universes as a bar against what it drives, how fast it is, and its current against the supply. */
final class OutputRow extends ListCell<Row> {
    private static final double NAME = 112;
    private static final double COUNT = 96;
    private static final double RATE = 118;
    private static final double AMPS = 70;
    private static final double GAUGE = 80;
    private static final double GAP = 10;
    private static final double BAR = 18;
    private static final double DIGIT = 7;
    private static final double LEAST_BAR = 160;

    private final DoubleSupplier width;
    private final IntSupplier chosenUniverse;
    private final IntConsumer onUniverse;

    OutputRow(DoubleSupplier width, IntSupplier chosenUniverse, IntConsumer onUniverse) {
        this.width = width;
        this.chosenUniverse = chosenUniverse;
        this.onUniverse = onUniverse;
    }

    /** What stands above the rows. */
    static Node head() {
        HBox head = new HBox(
                GAP,
                fixed(Texts.of("Output", "soft", "small"), NAME, Pos.CENTER_LEFT),
                Texts.of("Universes", "soft", "small"),
                grow(),
                fixed(Texts.of("Pixels", "soft", "small"), COUNT, Pos.CENTER_RIGHT),
                fixed(Texts.of("Frame, rate", "soft", "small"), RATE, Pos.CENTER_RIGHT),
                fixed(Texts.of("Current", "soft", "small"), AMPS, Pos.CENTER_RIGHT),
                fixed(Texts.of("of supply", "soft", "small"), GAUGE, Pos.CENTER_LEFT));
        head.getStyleClass().add("output-head");
        return head;
    }

    private static Region grow() {
        Region gap = new Region();
        HBox.setHgrow(gap, javafx.scene.layout.Priority.ALWAYS);
        return gap;
    }

    private static Label fixed(Label label, double width, Pos at) {
        label.setMinWidth(width);
        label.setPrefWidth(width);
        label.setMaxWidth(width);
        label.setAlignment(at);
        return label;
    }

    @Override
    protected void updateItem(@Nullable Row row, boolean empty) {
        super.updateItem(row, empty);
        setText(null);
        if (empty || row == null) {
            setGraphic(null);
            setAccessibleText("");
            return;
        }
        int most = row.output().limits().pixels();
        Label name = fixed(Texts.of(row.output().name(), "strong"), NAME, Pos.CENTER_LEFT);
        Tooltip.install(name, new Tooltip(row.output().name() + " of " + row.controller()));
        VBox named = new VBox(-2, name);
        named.setAlignment(Pos.CENTER_LEFT);
        Label count = fixed(
                Texts.mono(
                        row.out().pixels() + (most > 0 ? " of " + most : ""),
                        row.out().isOver() ? "broken" : "value"),
                COUNT,
                Pos.CENTER_RIGHT);
        HBox line = new HBox(GAP, named, bar(row), count);
        row.figures().ifPresent(f -> figures(row, f, line));
        line.setAlignment(Pos.CENTER_LEFT);
        setGraphic(line);
        setAccessibleText(row.output().name() + " of " + row.controller() + ", "
                + Counted.of(row.out().pixels(), "pixel") + " in "
                + Counted.of(row.parts().size(), "universe")
                + row.worst().map(s -> ", " + s.word()).orElse(""));
    }

    private static void figures(Row row, OutputFigures f, HBox line) {
        int wanted = row.output().limits().wanted();
        boolean slow = f.refresh().reached() < wanted;
        PixelSupply supply = row.output().supply();
        boolean weak = supply.watts() > 0 && f.power().watts() > supply.watts();
        line.getChildren()
                .addAll(
                        fixed(
                                Texts.mono(
                                        format("%.1f ms", f.refresh().frameMillis()) + "  "
                                                + format(
                                                        "%.0f/s",
                                                        Math.floor(f.refresh().reached())),
                                        slow ? "at-risk" : "value"),
                                RATE,
                                Pos.CENTER_RIGHT),
                        fixed(
                                Texts.mono(format("%.1f A", f.power().amps()), weak ? "at-risk" : "value"),
                                AMPS,
                                Pos.CENTER_RIGHT),
                        gauge(
                                supply.watts() == 0
                                        ? Optional.empty()
                                        : Optional.of(f.power().watts() / supply.watts())));
    }

    private static String format(String pattern, double value) {
        return String.format(Locale.ROOT, pattern, value);
    }

    /** How much of the supply is drawn; an empty frame where nobody said what it gives. */
    private static Node gauge(Optional<Double> share) {
        Pane pane = new Pane();
        pane.setMinSize(GAUGE, BAR - 8);
        pane.setMaxSize(GAUGE, BAR - 8);
        Rectangle frame = new Rectangle(0.5, 0.5, GAUGE - 1, BAR - 9);
        frame.getStyleClass().add("slots");
        pane.getChildren().add(frame);
        share.ifPresent(s -> {
            Rectangle fill = new Rectangle(1.5, 1.5, Math.max(1, Math.min(1, s) * (GAUGE - 3)), BAR - 11);
            fill.getStyleClass().addAll("gauge-fill", s > 1 ? "over" : "within");
            pane.getChildren().add(fill);
            Tooltip.install(pane, new Tooltip(Math.round(s * 100) + " % of what the supply gives"));
        });
        return pane;
    }

    private Node bar(Row row) {
        double across = Math.max(LEAST_BAR, width.getAsDouble() - NAME - COUNT - RATE - AMPS - GAUGE - 5 * GAP - 16);
        double each = across / row.full();
        Pane pane = new Pane();
        pane.setMinSize(across, BAR);
        pane.setMaxSize(across, BAR);
        Rectangle frame = new Rectangle(0.5, 0.5, across - 1, BAR - 1);
        frame.getStyleClass().add("slots");
        pane.getChildren().add(frame);
        double at = row.output().division().skipped() * each;
        for (Part part : row.parts()) {
            double wide = part.pixels() * row.output().division().together() * each;
            pane.getChildren().add(part(part, at, wide));
            at += wide;
        }
        int most = row.output().limits().pixels();
        if (most > 0 && most < row.full()) {
            double x = Math.round(most * each) + 0.5;
            Line line = new Line(x, -2, x, BAR + 2);
            line.getStyleClass().add("limit-line");
            pane.getChildren().add(line);
        }
        return pane;
    }

    private Node part(Part part, double at, double wide) {
        Pane box = new Pane();
        box.setLayoutX(at + 0.5);
        box.setLayoutY(1);
        box.setMinSize(Math.max(1.5, wide - 1), BAR - 2);
        box.setMaxSize(Math.max(1.5, wide - 1), BAR - 2);
        box.getStyleClass().add("fixture-bar");
        box.setStyle("-fx-background-color: " + (part.number() == 0 ? "#6B7076" : UniverseHue.of(part.number())) + ";");
        if (part.number() != 0 && part.number() == chosenUniverse.getAsInt()) {
            box.getStyleClass().add("chosen");
        }
        String name = part.number() == 0 ? "no port" : "U" + part.number();
        if (name.length() * DIGIT < wide - 4) {
            Label label = new Label(name);
            label.getStyleClass().add("bar-number");
            label.setLayoutX(4);
            label.setLayoutY(2);
            label.setMouseTransparent(true);
            box.getChildren().add(label);
        }
        box.setId("part-" + part.number());
        Tooltip.install(
                box,
                new Tooltip(
                        name + ", " + Counted.of(part.pixels(), "pixel") + ", " + Counted.of(part.slots(), "slot")));
        box.setOnMouseClicked(e -> {
            onUniverse.accept(part.number());
            e.consume();
        });
        return box;
    }
}
