package zentrel.app.look;

import java.util.List;
import javafx.scene.Node;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Region;
import javafx.scene.shape.SVGPath;
import zentrel.check.Severity;
import zentrel.path.Verdict;

/** The mark of a verdict: told by its shape first, its colour second. 18 × 14 px. */
public final class Mark extends Pane {
    private Mark(Verdict verdict) {
        getStyleClass().addAll("mark", styleOf(verdict));
        setMinSize(18, 14);
        setPrefSize(18, 14);
        setMaxSize(18, 14);
        setAccessibleText(verdict.title());
        getChildren().addAll(shapes(verdict));
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

    private static List<Node> shapes(Verdict verdict) {
        return switch (verdict) {
            case PASSES -> List.of(stroke("M3.5 7 L7.5 11 L14.5 2"));
            case AT_RISK -> List.of(stroke("M9 1 L15 7 L9 13 L3 7 Z"), filled("M9 1 L9 13 L3 7 Z"));
            case BROKEN -> List.of(stroke("M0 7 L5 7 M13 7 L18 7 M5 1 L13 13"));
            case NOT_KNOWN -> {
                SVGPath ring = stroke("M3.5 7 A5.5 5.5 0 1 1 14.5 7 A5.5 5.5 0 1 1 3.5 7");
                ring.getStrokeDashArray().addAll(1.5, 2.6);
                yield List.of(ring);
            }
            case NOT_APPLICABLE -> List.of(stroke("M5.5 7 L12.5 7"));
        };
    }

    private static SVGPath stroke(String path) {
        return drawn(path, "mark-stroke");
    }

    private static SVGPath filled(String path) {
        return drawn(path, "mark-fill");
    }

    private static SVGPath drawn(String path, String style) {
        SVGPath shape = new SVGPath();
        shape.setContent(path);
        shape.getStyleClass().add(style);
        return shape;
    }

    /** A flexible gap. */
    public static Region gap() {
        Region region = new Region();
        javafx.scene.layout.HBox.setHgrow(region, javafx.scene.layout.Priority.ALWAYS);
        return region;
    }
}
