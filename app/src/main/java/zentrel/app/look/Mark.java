package zentrel.app.look;

import javafx.scene.layout.Region;
import javafx.scene.shape.FillRule;
import javafx.scene.shape.SVGPath;
import zentrel.check.Severity;
import zentrel.path.Verdict;

/** The mark of a verdict: told by its shape first, its colour second. 18 × 14 px. A region drawn as one shape, so one node. */
public final class Mark extends Region {
    private Mark(Verdict verdict) {
        getStyleClass().addAll("verdict", styleOf(verdict));
        setMinSize(18, 14);
        setPrefSize(18, 14);
        setMaxSize(18, 14);
        setScaleShape(false);
        setCenterShape(false);
        setShape(shape(verdict));
        setAccessibleText(verdict.title());
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

    private static SVGPath shape(Verdict verdict) {
        SVGPath shape = new SVGPath();
        shape.setFillRule(FillRule.EVEN_ODD);
        shape.setContent(
                switch (verdict) {
                    case PASSES -> "M3.5 7 L7.5 11 L14.5 2";
                    // the right half is there twice, so that only the left one is filled
                    case AT_RISK -> "M9 1 L15 7 L9 13 L3 7 Z M9 1 L15 7 L9 13 Z";
                    case BROKEN -> "M0 7 L5 7 M13 7 L18 7 M5 1 L13 13";
                    case NOT_KNOWN -> "M3.5 7 A5.5 5.5 0 1 1 14.5 7 A5.5 5.5 0 1 1 3.5 7";
                    case NOT_APPLICABLE -> "M5.5 7 L12.5 7";
                });
        return shape;
    }

    /** A flexible gap. */
    public static Region gap() {
        Region region = new Region();
        javafx.scene.layout.HBox.setHgrow(region, javafx.scene.layout.Priority.ALWAYS);
        return region;
    }
}
