package zentrel.app.look;

import javafx.scene.Group;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Line;
import javafx.scene.shape.Polygon;
import javafx.scene.shape.Polyline;
import javafx.scene.shape.Shape;
import zentrel.check.Severity;
import zentrel.path.Verdict;

/** The mark of a verdict: told by its shape first, its colour second. 18 × 14 px. */
public final class Mark extends StackPane {
    private Mark(Verdict verdict) {
        getStyleClass().addAll("mark", styleOf(verdict));
        setMinSize(18, 14);
        setPrefSize(18, 14);
        setMaxSize(18, 14);
        setAccessibleText(verdict.title());
        getChildren().add(shape(verdict));
    }

    public static Mark of(Verdict verdict) {
        return new Mark(verdict);
    }

    public static Mark of(Severity severity) {
        return new Mark(verdictOf(severity));
    }

    /** The style class that colours by verdict. */
    public static String styleOf(Verdict verdict) {
        return verdict.word();
    }

    public static Verdict verdictOf(Severity severity) {
        return switch (severity) {
            case BROKEN -> Verdict.BROKEN;
            case AT_RISK -> Verdict.AT_RISK;
            case NOTE -> Verdict.NOT_KNOWN;
        };
    }

    private static Group shape(Verdict verdict) {
        return switch (verdict) {
            case PASSES -> new Group(stroke(new Polyline(0, 5, 4, 9, 11, 0)));
            case AT_RISK -> {
                Polygon whole = stroke(new Polygon(6, 0, 12, 6, 6, 12, 0, 6));
                Polygon half = new Polygon(6, 0, 6, 12, 0, 6);
                half.getStyleClass().add("mark-fill");
                yield new Group(whole, half);
            }
            case BROKEN ->
                new Group(stroke(new Line(0, 6, 5, 6)), stroke(new Line(13, 6, 18, 6)), stroke(new Line(5, 0, 13, 12)));
            case NOT_KNOWN -> {
                Circle ring = stroke(new Circle(6, 6, 5.5));
                ring.getStrokeDashArray().addAll(1.5, 2.6);
                yield new Group(ring);
            }
            case NOT_APPLICABLE -> new Group(stroke(new Line(0, 0, 7, 0)));
        };
    }

    private static <S extends Shape> S stroke(S shape) {
        shape.getStyleClass().add("mark-stroke");
        return shape;
    }

    /** A flexible gap. */
    public static Region gap() {
        Region region = new Region();
        javafx.scene.layout.HBox.setHgrow(region, javafx.scene.layout.Priority.ALWAYS);
        return region;
    }
}
