package zentrel.app.lit;

import java.util.HashSet;
import java.util.Set;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.paint.Color;
import javafx.scene.text.Font;
import javafx.scene.text.TextAlignment;
import zentrel.lit.Camera;
import zentrel.lit.Camera.Spot;
import zentrel.lit.Lamp;
import zentrel.plan.Id;

/** Draws what is over the light: the heads of fixtures, what is wrong with them by shape, numbers, and what is chosen. */
final class LitMarks {
    private static final double FRAME = 9;

    /** Numbers are this far apart at least, so that none lies over another. */
    private static final int ROOM_X = 46;

    private static final int ROOM_Y = 16;
    private static final int ROOM_MARK = 22;

    private final GraphicsContext g;
    private final Set<Long> taken = new HashSet<>();
    private final Set<Long> numbers = new HashSet<>();

    LitMarks(GraphicsContext g) {
        this.g = g;
    }

    /** Before a picture is drawn. */
    void begin() {
        taken.clear();
        numbers.clear();
        g.setFont(Font.font("IBM Plex Mono", 11));
        g.setTextAlign(TextAlignment.LEFT);
    }

    /** What is said of a lamp beside its head. */
    void head(Camera.View view, LitSight.Placed lamp, Set<Id<?>> chosen, Set<Id<?>> coloured, boolean all) {
        if (!view.isAhead(lamp.at())) {
            return;
        }
        Spot spot = view.spot(lamp.at());
        double x = spot.x();
        double y = spot.y();
        Lamp what = lamp.lamp();
        boolean picked = chosen.contains(lamp.fixture().id());
        boolean dark = what.dark().isPresent();
        if (coloured.contains(lamp.fixture().id())) {
            g.setStroke(LitColours.HEATHER);
            g.setLineWidth(2);
            g.strokeOval(x - FRAME, y - FRAME, 2 * FRAME, 2 * FRAME);
        }
        if ((dark || what.atRisk()) && (room(x, y) || picked)) {
            if (dark) {
                gap(x, y - FRAME);
            } else {
                diamond(x, y - FRAME - 1);
            }
        }
        if (picked) {
            corners(x, y);
        }
        if (picked || dark || all) {
            number(
                    x,
                    y,
                    lamp.fixture().number(),
                    picked ? LitColours.HEATHER : dark ? LitColours.FAILS : LitColours.SOFT,
                    picked);
        }
    }

    /** A line that is broken: nothing arrives. */
    private void gap(double x, double y) {
        g.setStroke(LitColours.FAILS);
        g.setLineWidth(1.5);
        g.strokeLine(x - 9, y, x - 4, y);
        g.strokeLine(x + 4, y, x + 9, y);
        g.strokeLine(x - 4, y - 5, x + 4, y + 5);
        g.setLineWidth(1);
    }

    /** A diamond that is half full: it arrives by luck. */
    private void diamond(double x, double y) {
        double s = 4.5;
        g.setStroke(LitColours.AT_RISK);
        g.setFill(LitColours.AT_RISK);
        g.strokePolygon(new double[] {x, x + s, x, x - s}, new double[] {y - s, y, y + s, y}, 4);
        g.fillPolygon(new double[] {x, x, x - s}, new double[] {y - s, y + s, y}, 3);
    }

    /** The corners of a frame around what is chosen. */
    void corners(double x, double y) {
        g.setStroke(LitColours.HEATHER);
        g.setLineWidth(1.5);
        for (int sx = -1; sx <= 1; sx += 2) {
            for (int sy = -1; sy <= 1; sy += 2) {
                double cx = x + sx * FRAME;
                double cy = y + sy * FRAME;
                g.strokeLine(cx, cy, cx - sx * 4, cy);
                g.strokeLine(cx, cy, cx, cy - sy * 4);
            }
        }
        g.setLineWidth(1);
    }

    /** Whether a mark has room; in a crowd the ring of a head says enough. */
    private boolean room(double x, double y) {
        return room(x, y, ROOM_MARK, ROOM_MARK, taken);
    }

    private static boolean room(double x, double y, int across, int down, Set<Long> taken) {
        return taken.add((long) Math.floor(x / across) * 100_000 + (long) Math.floor(y / down));
    }

    private void number(double x, double y, String text, Color colour, boolean always) {
        if (room(x, y, ROOM_X, ROOM_Y, numbers) || always) {
            g.setFill(colour);
            g.fillText(text, x + FRAME + 2, y + 4);
        }
    }

    /** A name in the place. */
    void name(double x, double y, String text, boolean picked) {
        g.setFont(Font.font("IBM Plex Sans", 11));
        g.setFill(picked ? LitColours.HEATHER : LitColours.SOFT);
        g.fillText(text, x + FRAME, y - FRAME);
        g.setFont(Font.font("IBM Plex Mono", 11));
    }
}
