package zentrel.app.lit;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.paint.Color;
import zentrel.lit.Body;
import zentrel.lit.Camera;
import zentrel.lit.Camera.Spot;
import zentrel.lit.Place;
import zentrel.lit.Vector;
import zentrel.plan.BodyForm;

/** Draws the place in outline. */
final class LitPainter {
    private static final int GRID_LINES = 40;
    private static final int TREE_CORNERS = 20;

    /** How it is drawn. */
    record Manner(double houseLight, boolean haze, boolean lines) {}

    private final GraphicsContext g;
    private double[] xs = new double[64];
    private double[] ys = new double[64];

    LitPainter(GraphicsContext g) {
        this.g = g;
    }

    // --- the place ---

    /** A grid of metres on the ground, as coarse as it is far away. */
    void grid(Camera.View view, zentrel.lit.Bounds bounds) {
        double across = Math.max(bounds.across(), 4) * 1.5;
        double step = 1;
        while (across / step > GRID_LINES) {
            step *= step == 1 || step == 10 || step == 100 ? 2 : step == 2 || step == 20 ? 2.5 : 2;
        }
        double x0 = Math.floor((bounds.middle().x() - across / 2) / step) * step;
        double y0 = Math.floor((bounds.middle().y() - across / 2) / step) * step;
        g.setStroke(LitColours.GRID);
        g.setLineWidth(1);
        int lines = (int) Math.ceil(across / step);
        double far = lines * step;
        for (int i = 0; i <= lines; i++) {
            line(view, new Vector(x0 + i * step, y0, 0), new Vector(x0 + i * step, y0 + far, 0));
            line(view, new Vector(x0, y0 + i * step, 0), new Vector(x0 + far, y0 + i * step, 0));
        }
    }

    void line(Camera.View view, Vector a, Vector b) {
        List<Spot> spots = view.line(a, b);
        if (spots.size() == 2) {
            g.strokeLine(
                    spots.get(0).x(),
                    spots.get(0).y(),
                    spots.get(1).x(),
                    spots.get(1).y());
        }
    }

    /** The bodies, the farthest first. */
    void bodies(Camera.View view, Place place, Manner manner) {
        List<Body> sorted = new ArrayList<>(place.bodies());
        sorted.sort(Comparator.comparingDouble((Body b) -> -order(view, b)));
        sorted.forEach(b -> body(view, b, manner));
    }

    /** What lies flat is under everything. */
    private static double order(Camera.View view, Body body) {
        double depth = view.depth(Vector.of(body.of().position()));
        return body.of().form() == BodyForm.FLOOR || body.of().form() == BodyForm.ROOM ? depth + 1e6 : depth;
    }

    private void body(Camera.View view, Body body, Manner manner) {
        double light = 0.25 + 0.75 * manner.houseLight();
        g.setLineWidth(1);
        g.setStroke(LitColours.OUTLINE);
        switch (body.of().form()) {
            case TREE -> tree(view, body, manner, light);
            case POLE -> {
                g.setLineWidth(2);
                line(view, body.corner(0, 0, 0), body.corner(0, 0, 1));
            }
            case ROOM -> faces(view, body, null);
            case STEPS -> {
                faces(view, body, fill(LitColours.BODY, light, manner));
                for (double up : new double[] {1 / 3.0, 2 / 3.0}) {
                    line(view, body.corner(-1, -1, up), body.corner(1, -1, up));
                }
            }
            case FLOOR, PLATFORM, WALL, BLOCK -> faces(view, body, fill(LitColours.BODY, light, manner));
        }
    }

    private static @org.jspecify.annotations.Nullable Color fill(Color base, double light, Manner manner) {
        return manner.lines() ? null : base.deriveColor(0, 1, light, 0.55);
    }

    private void faces(Camera.View view, Body body, @org.jspecify.annotations.Nullable Color fill) {
        for (List<Vector> face : body.faces()) {
            List<Spot> outline = view.outline(face);
            if (fill != null) {
                g.setFill(fill);
                polygon(outline, true);
            }
            polygon(outline, false);
        }
    }

    private void tree(Camera.View view, Body body, Manner manner, double light) {
        line(view, body.corner(0, 0, 0), body.corner(0, 0, 0.5));
        Vector middle = body.corner(0, 0, 0.65);
        if (!view.isAhead(middle)) {
            return;
        }
        Spot spot = view.spot(middle);
        double wide = body.of().size().width() / 2 * view.scale(spot.depth());
        double high = body.of().size().height() * 0.35 * view.scale(spot.depth());
        boolean above = view.camera().elevation() > 60;
        double tall = above ? wide : high;
        g.beginPath();
        for (int i = 0; i < TREE_CORNERS; i++) {
            double a = 2 * Math.PI * i / TREE_CORNERS;
            double x = spot.x() + wide * Math.cos(a);
            double y = spot.y() + tall * Math.sin(a);
            if (i == 0) {
                g.moveTo(x, y);
            } else {
                g.lineTo(x, y);
            }
        }
        g.closePath();
        Color fill = fill(LitColours.TREE, light, manner);
        if (fill != null) {
            g.setFill(fill);
            g.fill();
        }
        g.stroke();
    }

    private void polygon(List<Spot> outline, boolean fill) {
        int n = outline.size();
        if (n < 3) {
            return;
        }
        if (xs.length < n) {
            xs = new double[2 * n];
            ys = new double[2 * n];
        }
        for (int i = 0; i < n; i++) {
            xs[i] = outline.get(i).x();
            ys[i] = outline.get(i).y();
        }
        if (fill) {
            g.fillPolygon(xs, ys, n);
        } else {
            g.strokePolygon(xs, ys, n);
        }
    }
}
