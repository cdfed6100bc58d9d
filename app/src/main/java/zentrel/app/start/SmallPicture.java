package zentrel.app.start;

import java.util.ArrayList;
import java.util.List;
import javafx.scene.Node;
import javafx.scene.layout.Pane;
import javafx.scene.paint.Color;
import javafx.scene.shape.CubicCurve;
import javafx.scene.shape.Line;
import javafx.scene.shape.Rectangle;
import javafx.scene.shape.StrokeLineCap;
import javafx.scene.text.Text;
import zentrel.app.look.UniverseHue;

/** What a way in gives, drawn small: senders at the left, ribbons in the hues of their universes, devices at the right. */
final class SmallPicture extends Pane {
    private static final double WIDTH = 250;
    private static final double HEIGHT = 96;
    private static final double BAR = 4;
    private static final double LEFT = 92;
    private static final double RIGHT = WIDTH - 92;

    private SmallPicture() {
        setMinSize(WIDTH, HEIGHT);
        setPrefSize(WIDTH, HEIGHT);
        setMaxSize(WIDTH, HEIGHT);
        setMouseTransparent(true);
        setAccessibleText("");
    }

    private static Color hue(int number) {
        return Color.web(UniverseHue.of(number));
    }

    /** A rig of one source and three devices, without names: it is still to be asked for. */
    static SmallPicture pattern() {
        SmallPicture picture = new SmallPicture();
        picture.flow(List.of("?"), List.of("?", "?", "?"), 3, false);
        return picture;
    }

    /** A rig with names, one ribbon of which is broken. */
    static SmallPicture demo() {
        SmallPicture picture = new SmallPicture();
        picture.flow(List.of("Hut desk", "Backup"), List.of("Glasshouse", "Boathouse", "Jetty"), 6, true);
        return picture;
    }

    /** A line, and what becomes of it. */
    static SmallPicture words() {
        SmallPicture picture = new SmallPicture();
        picture.text("3 node 4 in Boathouse", 0, 16, true);
        picture.rule(0, 24, 190);
        for (int i = 0; i < 3; i++) {
            picture.bar(LEFT, 38 + i * 20, 14);
            picture.text("4-port node " + (i + 1), LEFT + 12, 49 + i * 20, false);
        }
        Line arrow = new Line(40, 30, 40, 66);
        Line along = new Line(40, 66, LEFT - 8, 66);
        picture.add(arrow, along);
        return picture;
    }

    /** A sheet with lines. */
    static SmallPicture file() {
        SmallPicture picture = new SmallPicture();
        Rectangle sheet = new Rectangle(LEFT, 6, 66, 84);
        sheet.setStyle("-fx-fill: transparent; -fx-stroke: -z-slate;");
        picture.getChildren().add(sheet);
        for (int i = 0; i < 5; i++) {
            Rectangle row = new Rectangle(LEFT + 8, 16 + i * 14, 20 + (i * 13) % 30, 5);
            row.setFill(hue(i + 1));
            picture.getChildren().add(row);
        }
        return picture;
    }

    private void flow(List<String> senders, List<String> devices, int ribbons, boolean one) {
        List<Double> from = places(senders.size());
        List<Double> to = places(devices.size());
        List<Node> drawn = new ArrayList<>();
        for (int i = 0; i < ribbons; i++) {
            double y = from.get(i % senders.size()) + (i / senders.size()) * 5 - 5;
            double end = to.get(i % devices.size()) + (i / devices.size()) * 6 - 3;
            CubicCurve ribbon = new CubicCurve(LEFT + BAR, y, LEFT + 40, y, RIGHT - 40, end, RIGHT, end);
            ribbon.setFill(Color.TRANSPARENT);
            ribbon.setStrokeWidth(3);
            ribbon.setStrokeLineCap(StrokeLineCap.BUTT);
            ribbon.setStroke(hue(i + 1));
            ribbon.setOpacity(0.85);
            if (one && i == 1) {
                ribbon.getStrokeDashArray().setAll(24.0, 10.0);
            }
            drawn.add(ribbon);
        }
        getChildren().addAll(drawn);
        for (int i = 0; i < senders.size(); i++) {
            bar(LEFT, from.get(i) - 12, 24);
            rightText(senders.get(i), LEFT - 8, from.get(i) + 4);
        }
        for (int i = 0; i < devices.size(); i++) {
            bar(RIGHT, to.get(i) - 9, 18);
            text(devices.get(i), RIGHT + 12, to.get(i) + 4, false);
        }
    }

    private static List<Double> places(int count) {
        List<Double> places = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            places.add(HEIGHT * (i + 0.5) / count);
        }
        return places;
    }

    private void bar(double x, double y, double height) {
        Rectangle bar = new Rectangle(x, y, BAR, height);
        bar.setStyle("-fx-fill: -z-ink-soft;");
        getChildren().add(bar);
    }

    private void rule(double x, double y, double width) {
        Line line = new Line(x, y, x + width, y);
        line.setStyle("-fx-stroke: -z-heather;");
        getChildren().add(line);
    }

    private void add(Line... lines) {
        for (Line line : lines) {
            line.setStyle("-fx-stroke: -z-rule;");
            getChildren().add(line);
        }
    }

    private void text(String words, double x, double y, boolean mono) {
        Text text = new Text(x, y, words);
        text.getStyleClass().addAll("drawn", "small", mono ? "mono" : "soft");
        getChildren().add(text);
    }

    private void rightText(String words, double right, double y) {
        Text text = new Text(words);
        text.getStyleClass().addAll("drawn", "small", "soft");
        text.setY(y);
        text.setX(right - text.getLayoutBounds().getWidth());
        text.layoutBoundsProperty().addListener((o, before, now) -> text.setX(right - now.getWidth()));
        getChildren().add(text);
    }
}
