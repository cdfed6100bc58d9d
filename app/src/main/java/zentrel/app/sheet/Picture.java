package zentrel.app.sheet;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.geometry.Point2D;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.layout.Region;
import javafx.scene.paint.Color;
import javafx.scene.paint.Paint;
import javafx.scene.shape.ClosePath;
import javafx.scene.shape.CubicCurveTo;
import javafx.scene.shape.Line;
import javafx.scene.shape.LineTo;
import javafx.scene.shape.MoveTo;
import javafx.scene.shape.Path;
import javafx.scene.shape.PathElement;
import javafx.scene.shape.Polygon;
import javafx.scene.shape.Polyline;
import javafx.scene.shape.Rectangle;
import javafx.scene.shape.SVGPath;
import javafx.scene.shape.Shape;
import javafx.scene.text.Text;

/**
 * What a drawn picture consists of, taken down on the JavaFX thread: from then on any thread may put it on any paper.
 *
 * @param width in points
 * @param height in points
 * @param marks its strokes and words, the lowest first
 */
public record Picture(double width, double height, List<Mark> marks) {
    /** One stroke or line of words. */
    public sealed interface Mark permits Outline, Words {}

    record Outline(List<Sheet.Step> steps, Optional<Sheet.Ink> fill, Optional<Sheet.Ink> stroke, double width)
            implements Mark {}

    record Words(String text, double x, double y, double size, boolean mono, boolean bold, Sheet.Ink ink)
            implements Mark {}

    public Picture {
        marks = List.copyOf(marks);
    }

    /** Takes down what stands in a node that has its style and its place. */
    public static Picture of(Node root, double width, double height) {
        List<Mark> marks = new ArrayList<>();
        take(root, root, 1, marks);
        return new Picture(width, height, marks);
    }

    /** The same with room around it. */
    public Picture framed(double edge) {
        return new Picture(
                width + 2 * edge,
                height + 2 * edge,
                marks.stream().map(m -> moved(m, edge)).toList());
    }

    private static Mark moved(Mark mark, double by) {
        if (mark instanceof Words w) {
            return new Words(w.text(), w.x() + by, w.y() + by, w.size(), w.mono(), w.bold(), w.ink());
        }
        Outline o = (Outline) mark;
        List<Sheet.Step> steps = new ArrayList<>();
        for (Sheet.Step step : o.steps()) {
            double[] at = step.points();
            for (int i = 0; i < at.length; i++) {
                at[i] += by;
            }
            steps.add(new Sheet.Step(step.kind(), at));
        }
        return new Outline(steps, o.fill(), o.stroke(), o.width());
    }

    private static void take(Node root, Node node, double opacity, List<Mark> marks) {
        if (!node.isVisible()) {
            return;
        }
        double through = opacity * node.getOpacity();
        if (node instanceof Text text) {
            words(root, text, marks);
        } else if (node instanceof Shape shape) {
            outline(root, shape, through, marks);
        } else if (node instanceof Region region && region.getShape() instanceof SVGPath drawn) {
            mark(root, region, drawn, through, marks);
        } else if (node instanceof Parent parent) {
            parent.getChildrenUnmodifiable().forEach(c -> take(root, c, through, marks));
        }
    }

    private static double[] at(Node root, Node node, double... points) {
        double[] moved = new double[points.length];
        for (int i = 0; i < points.length; i += 2) {
            Point2D p = new Point2D(points[i], points[i + 1]);
            for (Node n = node; n != null && !n.equals(root); n = n.getParent()) {
                p = n.localToParent(p);
            }
            moved[i] = p.getX();
            moved[i + 1] = p.getY();
        }
        return moved;
    }

    private static void words(Node root, Text text, List<Mark> marks) {
        if (text.getText().isBlank()) {
            return;
        }
        double[] at = at(
                root,
                text,
                text.getX(),
                text.getY() + (text.getTextOrigin() == javafx.geometry.VPos.TOP ? text.getBaselineOffset() : 0));
        ink(text.getFill(), 1)
                .ifPresent(ink -> marks.add(new Words(
                        text.getText(),
                        at[0],
                        at[1],
                        text.getFont().getSize(),
                        text.getFont().getFamily().contains("Mono"),
                        text.getFont().getStyle().contains("Semi")
                                || text.getFont().getStyle().contains("Bold"),
                        ink)));
    }

    private static void outline(Node root, Shape shape, double opacity, List<Mark> marks) {
        List<Sheet.Step> steps = new ArrayList<>();
        if (shape instanceof Path path) {
            path.getElements().forEach(e -> steps.add(step(root, path, e)));
        } else if (shape instanceof Rectangle r) {
            polygon(
                    steps,
                    at(
                            root,
                            r,
                            r.getX(),
                            r.getY(),
                            r.getX() + r.getWidth(),
                            r.getY(),
                            r.getX() + r.getWidth(),
                            r.getY() + r.getHeight(),
                            r.getX(),
                            r.getY() + r.getHeight()),
                    true);
        } else if (shape instanceof Line l) {
            polygon(steps, at(root, l, l.getStartX(), l.getStartY(), l.getEndX(), l.getEndY()), false);
        } else if (shape instanceof Polyline p) {
            polygon(steps, at(root, p, points(p.getPoints())), false);
        } else if (shape instanceof Polygon p) {
            polygon(steps, at(root, p, points(p.getPoints())), true);
        } else {
            throw new IllegalArgumentException(
                    "A picture of " + shape.getClass().getSimpleName() + " is not known.");
        }
        Optional<Sheet.Ink> fill =
                shape instanceof Polyline || shape instanceof Line ? Optional.empty() : ink(shape.getFill(), opacity);
        Optional<Sheet.Ink> stroke = ink(shape.getStroke(), opacity);
        boolean open = steps.stream().noneMatch(s -> s.kind() == Sheet.Step.Kind.CLOSE);
        if (!steps.isEmpty() && (stroke.isPresent() || (fill.isPresent() && !open))) {
            marks.add(new Outline(List.copyOf(steps), open ? Optional.empty() : fill, stroke, shape.getStrokeWidth()));
        }
    }

    /** A region that is drawn as one shape: a background in it, a border along it. */
    private static void mark(Node root, Region region, SVGPath drawn, double opacity, List<Mark> marks) {
        List<Sheet.Step> steps = new ArrayList<>();
        for (Sheet.Step step : SvgSteps.of(drawn.getContent())) {
            steps.add(new Sheet.Step(step.kind(), at(root, region, step.points())));
        }
        Optional<Sheet.Ink> fill = region.getBackground() == null
                ? Optional.empty()
                : region.getBackground().getFills().stream().findFirst().flatMap(f -> ink(f.getFill(), opacity));
        Optional<Sheet.Ink> stroke = region.getBorder() == null
                ? Optional.empty()
                : region.getBorder().getStrokes().stream().findFirst().flatMap(s -> ink(s.getTopStroke(), opacity));
        double width = region.getBorder() == null
                ? 1
                : region.getBorder().getStrokes().stream()
                        .mapToDouble(s -> s.getWidths().getTop())
                        .findFirst()
                        .orElse(1);
        if (fill.isPresent() || stroke.isPresent()) {
            marks.add(new Outline(steps, fill, stroke, width));
        }
    }

    private static double[] points(List<Double> points) {
        return points.stream().mapToDouble(Double::doubleValue).toArray();
    }

    private static void polygon(List<Sheet.Step> steps, double[] p, boolean closed) {
        for (int i = 0; i < p.length; i += 2) {
            steps.add(new Sheet.Step(i == 0 ? Sheet.Step.Kind.MOVE : Sheet.Step.Kind.LINE, p[i], p[i + 1]));
        }
        if (closed) {
            steps.add(new Sheet.Step(Sheet.Step.Kind.CLOSE));
        }
    }

    private static Sheet.Step step(Node root, Path path, PathElement element) {
        if (element instanceof MoveTo m) {
            return new Sheet.Step(Sheet.Step.Kind.MOVE, at(root, path, m.getX(), m.getY()));
        }
        if (element instanceof LineTo l) {
            return new Sheet.Step(Sheet.Step.Kind.LINE, at(root, path, l.getX(), l.getY()));
        }
        if (element instanceof CubicCurveTo c) {
            return new Sheet.Step(
                    Sheet.Step.Kind.CURVE,
                    at(
                            root,
                            path,
                            c.getControlX1(),
                            c.getControlY1(),
                            c.getControlX2(),
                            c.getControlY2(),
                            c.getX(),
                            c.getY()));
        }
        if (element instanceof ClosePath) {
            return new Sheet.Step(Sheet.Step.Kind.CLOSE);
        }
        throw new IllegalArgumentException(
                "An outline with " + element.getClass().getSimpleName() + " is not known.");
    }

    private static Optional<Sheet.Ink> ink(@org.jspecify.annotations.Nullable Paint paint, double opacity) {
        return paint instanceof Color c && c.getOpacity() * opacity > 0
                ? Optional.of(new Sheet.Ink(c.getRed(), c.getGreen(), c.getBlue(), c.getOpacity() * opacity))
                : Optional.empty();
    }

    /** Puts it on paper. */
    public byte[] on(Sheet sheet) {
        for (Mark mark : marks) {
            if (mark instanceof Outline o) {
                sheet.outline(o.steps(), o.fill(), o.stroke(), o.width());
            } else if (mark instanceof Words w) {
                sheet.words(w.text(), w.x(), w.y(), w.size(), w.mono(), w.bold(), w.ink());
            }
        }
        return sheet.bytes();
    }
}
