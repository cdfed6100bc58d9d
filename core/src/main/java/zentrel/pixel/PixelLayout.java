package zentrel.pixel;

import zentrel.plan.PixelPlacing;
import zentrel.plan.PixelPoints;
import zentrel.plan.PixelRun;
import zentrel.plan.PixelShape;
import zentrel.plan.PixelWiring;

/** Where each pixel of a run is, in the order in which the data runs through them; packed, x and y in turn, metres. */
public final class PixelLayout {
    private final float[] xy;

    private PixelLayout(float[] xy) {
        this.xy = xy;
    }

    /** The pixels of a run, turned and in their place. */
    public static PixelLayout of(PixelRun run) {
        float[] xy = inShape(run.shape(), run.wiring());
        place(xy, run.placing());
        return new PixelLayout(xy);
    }

    public int count() {
        return xy.length / 2;
    }

    /** Metres to the right. */
    public float x(int pixel) {
        return xy[2 * pixel];
    }

    /** Metres up; of what lies on a floor, away from the front. */
    public float y(int pixel) {
        return xy[2 * pixel + 1];
    }

    private static float[] inShape(PixelShape shape, PixelWiring wiring) {
        return switch (shape.form()) {
            case STRIP, GRID -> grid(shape, wiring);
            case LOOP -> reversed(loop(shape), wiring.first().isRight());
            case DRAWN ->
                reversed(along(shape.points(), shape.columns()), wiring.first().isRight());
            case PLACED -> reversed(copied(shape.points()), wiring.first().isRight());
        };
    }

    private static float[] grid(PixelShape shape, PixelWiring wiring) {
        int columns = shape.columns();
        int rows = shape.rows();
        int length = wiring.byColumns() ? rows : columns;
        float[] xy = new float[2 * columns * rows];
        for (int i = 0; i < columns * rows; i++) {
            int line = i / length;
            int along = i % length;
            if (wiring.serpentine() && line % 2 == 1) {
                along = length - 1 - along;
            }
            int column = wiring.byColumns() ? line : along;
            int row = wiring.byColumns() ? along : line;
            column = wiring.first().isRight() ? columns - 1 - column : column;
            row = wiring.first().isTop() ? rows - 1 - row : row;
            xy[2 * i] = (float) (column * shape.pitch());
            xy[2 * i + 1] = (float) (row * shape.pitch());
        }
        return xy;
    }

    /** From the lowest point anticlockwise. */
    private static float[] loop(PixelShape shape) {
        int count = shape.columns();
        double radius = count * shape.pitch() / (2 * Math.PI);
        float[] xy = new float[2 * count];
        for (int i = 0; i < count; i++) {
            double angle = 2 * Math.PI * i / count - Math.PI / 2;
            xy[2 * i] = (float) (radius * Math.cos(angle));
            xy[2 * i + 1] = (float) (radius * Math.sin(angle));
        }
        return xy;
    }

    /** Evenly from the first point of a line to its last. */
    private static float[] along(PixelPoints line, int count) {
        double[] until = new double[line.count()];
        for (int i = 1; i < until.length; i++) {
            until[i] = until[i - 1] + Math.hypot(line.x(i) - line.x(i - 1), line.y(i) - line.y(i - 1));
        }
        double whole = until[until.length - 1];
        float[] xy = new float[2 * count];
        int leg = 1;
        for (int i = 0; i < count; i++) {
            double at = count == 1 ? 0 : whole * i / (count - 1);
            while (leg < until.length - 1 && until[leg] < at) {
                leg++;
            }
            double length = until[leg] - until[leg - 1];
            double share = length == 0 ? 0 : (at - until[leg - 1]) / length;
            xy[2 * i] = (float) (line.x(leg - 1) + share * (line.x(leg) - line.x(leg - 1)));
            xy[2 * i + 1] = (float) (line.y(leg - 1) + share * (line.y(leg) - line.y(leg - 1)));
        }
        return xy;
    }

    private static float[] copied(PixelPoints points) {
        float[] xy = new float[2 * points.count()];
        for (int i = 0; i < points.count(); i++) {
            xy[2 * i] = points.x(i);
            xy[2 * i + 1] = points.y(i);
        }
        return xy;
    }

    private static float[] reversed(float[] xy, boolean reverse) {
        if (!reverse) {
            return xy;
        }
        float[] back = new float[xy.length];
        for (int i = 0; i < xy.length; i += 2) {
            back[i] = xy[xy.length - 2 - i];
            back[i + 1] = xy[xy.length - 1 - i];
        }
        return back;
    }

    /** Mirrors, turns and moves them, so that the lower left corner of what they fill is where the placing says. */
    private static void place(float[] xy, PixelPlacing placing) {
        Bounds all = Bounds.of(xy);
        boolean onSide = placing.turn() % 180 != 0;
        float dx = (float) placing.across();
        float dy = (float) placing.up();
        for (int i = 0; i < xy.length; i += 2) {
            float x = xy[i] - all.left();
            float y = xy[i + 1] - all.bottom();
            x = placing.mirrored() ? all.width() - x : x;
            float tx =
                    onSide ? (placing.turn() == 90 ? y : all.height() - y) : placing.turn() == 0 ? x : all.width() - x;
            float ty =
                    onSide ? (placing.turn() == 90 ? all.width() - x : x) : placing.turn() == 0 ? y : all.height() - y;
            xy[i] = tx + dx;
            xy[i + 1] = ty + dy;
        }
    }

    /** What they fill. */
    public Bounds bounds() {
        return Bounds.of(xy);
    }

    /** A rectangle of the layout, metres. */
    public record Bounds(float left, float bottom, float right, float top) {
        static final Bounds NOTHING = new Bounds(0, 0, 0, 0);

        static Bounds of(float[] xy) {
            if (xy.length == 0) {
                return NOTHING;
            }
            float left = Float.MAX_VALUE;
            float bottom = Float.MAX_VALUE;
            float right = -Float.MAX_VALUE;
            float top = -Float.MAX_VALUE;
            for (int i = 0; i < xy.length; i += 2) {
                left = Math.min(left, xy[i]);
                right = Math.max(right, xy[i]);
                bottom = Math.min(bottom, xy[i + 1]);
                top = Math.max(top, xy[i + 1]);
            }
            return new Bounds(left, bottom, right, top);
        }

        public float width() {
            return right - left;
        }

        public float height() {
            return top - bottom;
        }

        /** What both fill. */
        public Bounds and(Bounds other) {
            return new Bounds(
                    Math.min(left, other.left),
                    Math.min(bottom, other.bottom),
                    Math.max(right, other.right),
                    Math.max(top, other.top));
        }
    }
}
