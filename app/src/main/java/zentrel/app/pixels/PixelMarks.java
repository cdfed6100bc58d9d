package zentrel.app.pixels;

import java.util.Locale;
import java.util.Set;
import javafx.scene.canvas.Canvas;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.paint.Color;
import javafx.scene.text.Font;
import javafx.scene.text.TextAlignment;
import zentrel.pixel.PixelLayout;
import zentrel.pixel.PixelLayout.Bounds;
import zentrel.plan.Id;
import zentrel.plan.PixelRun;

/** What is drawn over the pixels: names, ends, the thread of the data, a scale in metres, what is chosen. */
final class PixelMarks extends Canvas {
    private static final double NAME_ROOM = 46;
    private static final double FEW_RUNS = 60;
    private static final double PAD = 8;
    private static final double ARROW_ROOM = 80;
    private static final double END_ROOM = 50;
    private static final double MOST_TICKS = 9;

    private boolean day;

    /** What part of the layout is in sight. */
    record Frame(double left, double bottom, double scale) {}

    PixelMarks() {
        setMouseTransparent(true);
    }

    void setDay(boolean now) {
        day = now;
    }

    private Color ink() {
        return Color.web(day ? "#1D2730" : "#E9E4D8");
    }

    private Color soft() {
        return Color.web(day ? "#5E665F" : "#A3A79F");
    }

    private Color rule() {
        return Color.web(day ? "#D8D2C4" : "#2E3944");
    }

    private Color heather() {
        return Color.web(day ? "#5B45A8" : "#B9A6EC");
    }

    private double x(Frame f, double metres) {
        return (metres - f.left()) * f.scale();
    }

    private double y(Frame f, double metres) {
        return getHeight() - (metres - f.bottom()) * f.scale();
    }

    void draw(PixelSight sight, Set<Id<PixelRun>> chosen, Frame frame) {
        GraphicsContext g = getGraphicsContext2D();
        g.clearRect(0, 0, getWidth(), getHeight());
        g.setFont(Font.font("IBM Plex Sans", 11));
        int runs = sight.map().runs().size();
        if (runs == 0) {
            return;
        }
        scale(g, frame);
        for (int r = 0; r < runs; r++) {
            PixelRun run = sight.map().runs().get(r);
            PixelLayout layout = sight.map().layout(r);
            Bounds b = layout.bounds();
            boolean picked = chosen.contains(run.id());
            double width = b.width() * frame.scale();
            if (picked) {
                frame(g, frame, b, 0, 0);
                thread(g, frame, layout, chosen.size() == 1, Math.max(width, b.height() * frame.scale()));
            }
            if (picked
                    || width > NAME_ROOM
                    || (runs < FEW_RUNS && Math.max(width, b.height() * frame.scale()) > NAME_ROOM)) {
                name(g, frame, run, b, picked);
            }
        }
    }

    private void name(GraphicsContext g, Frame frame, PixelRun run, Bounds b, boolean picked) {
        g.setTextAlign(TextAlignment.CENTER);
        g.setFill(picked ? ink() : soft());
        g.fillText(run.name(), x(frame, (b.left() + b.right()) / 2), y(frame, b.top()) - PAD - 2);
    }

    private void frame(GraphicsContext g, Frame frame, Bounds b, double dx, double dy) {
        g.setStroke(heather());
        g.setLineDashes(3, 3);
        g.strokeRect(
                x(frame, b.left()) - PAD + dx,
                y(frame, b.top()) - PAD + dy,
                b.width() * frame.scale() + 2 * PAD,
                b.height() * frame.scale() + 2 * PAD);
        g.setLineDashes();
    }

    /** The way of the data, with 1 at the first pixel and the last number at the last. */
    private void thread(GraphicsContext g, Frame frame, PixelLayout layout, boolean numbered, double extent) {
        g.setStroke(ink());
        g.setLineWidth(1);
        g.beginPath();
        for (int i = 0; i < layout.count(); i++) {
            double x = x(frame, layout.x(i));
            double y = y(frame, layout.y(i));
            if (i == 0) {
                g.moveTo(x, y);
            } else {
                g.lineTo(x, y);
            }
        }
        g.stroke();
        int last = layout.count() - 1;
        for (int part = 1; part <= 3 && last >= 8 && extent > ARROW_ROOM; part++) {
            arrow(g, frame, layout, last * part / 4);
        }
        if (extent <= END_ROOM) {
            return;
        }
        end(g, frame, layout, 0, "1"); // where several are chosen, their last numbers would collide
        if (last > 0 && numbered) {
            end(g, frame, layout, last, String.valueOf(last + 1));
        }
    }

    private void arrow(GraphicsContext g, Frame frame, PixelLayout layout, int at) {
        double x = x(frame, layout.x(at));
        double y = y(frame, layout.y(at));
        double dx = x(frame, layout.x(at + 1)) - x;
        double dy = y(frame, layout.y(at + 1)) - y;
        double length = Math.hypot(dx, dy);
        if (length < 0.01) {
            return;
        }
        double ux = dx / length * 6;
        double uy = dy / length * 6;
        g.setFill(ink());
        g.fillPolygon(
                new double[] {x + ux, x - ux - uy, x - ux + uy}, new double[] {y + uy, y - uy + ux, y - uy - ux}, 3);
    }

    private void end(GraphicsContext g, Frame frame, PixelLayout layout, int pixel, String number) {
        double x = x(frame, layout.x(pixel));
        double y = y(frame, layout.y(pixel));
        g.setStroke(ink());
        g.strokeOval(x - 5, y - 5, 10, 10);
        g.setFill(ink());
        g.setTextAlign(TextAlignment.CENTER);
        g.fillText(number, x, Math.min(getHeight() - 22, y + 19));
    }

    /** A ruler in metres along the lower edge. */
    private void scale(GraphicsContext g, Frame frame) {
        double metres = getWidth() / frame.scale();
        double step = Math.pow(10, Math.floor(Math.log10(metres / MOST_TICKS)));
        double least = metres / MOST_TICKS;
        step = step * 2 >= least ? step * 2 : step * 5 >= least ? step * 5 : step * 10;
        double line = getHeight() - 16.5;
        g.setStroke(rule());
        g.setLineWidth(1);
        g.strokeLine(0, line, getWidth(), line);
        g.setFill(soft());
        g.setTextAlign(TextAlignment.CENTER);
        for (double at = Math.ceil(frame.left() / step) * step; at < frame.left() + metres; at += step) {
            double x = Math.round(x(frame, at)) + 0.5;
            g.strokeLine(x, line - 3, x, line + 3);
            if (x > 24 && x < getWidth() - 24) {
                g.fillText(
                        String.format(Locale.ROOT, step < 0.1 ? "%.2f m" : step < 1 ? "%.1f m" : "%.0f m", at + 1e-9),
                        x,
                        getHeight() - 3);
            }
        }
    }

    /** The rectangle that is drawn to choose what is in it. */
    void lasso(double x1, double y1, double x2, double y2) {
        GraphicsContext g = getGraphicsContext2D();
        g.setStroke(heather());
        g.setLineDashes(3, 3);
        g.strokeRect(Math.min(x1, x2), Math.min(y1, y2), Math.abs(x2 - x1), Math.abs(y2 - y1));
        g.setLineDashes();
    }

    /** Where what is chosen would go. */
    void moving(PixelSight sight, Set<Id<PixelRun>> chosen, Frame frame, double dx, double dy) {
        for (int r = 0; r < sight.map().runs().size(); r++) {
            if (chosen.contains(sight.map().runs().get(r).id())) {
                frame(getGraphicsContext2D(), frame, sight.map().layout(r).bounds(), dx, dy);
            }
        }
    }
}
