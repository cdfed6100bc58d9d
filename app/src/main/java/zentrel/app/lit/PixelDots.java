package zentrel.app.lit;

import java.util.Arrays;
import java.util.List;
import zentrel.lit.Camera;
import zentrel.pixel.PixelMap;

/** Draws the pixels of the place as dots into a buffer of colours; plain loops, so that tens of thousands are drawn many times a second. */
final class PixelDots {
    private static final int LEAST = 2;
    private static final int LARGEST = 9;
    private static final double OF_PITCH = 0.7;
    private static final int HEAD = 8;
    private static final int CELL = 3;
    private static final int MOST_CELLS = 24;

    /** x, y and scale of each on the screen. */
    private float[] spots = new float[0];

    /**
     * Draws them over what is there.
     *
     * @param colours of each, {@code 0xFFrrggbb}
     */
    void draw(LitSight sight, Camera.View view, int[] colours, int[] into, int width) {
        float[] points = sight.points();
        if (spots.length != points.length) {
            spots = new float[points.length];
        }
        view.spots(points, spots);
        PixelMap map = sight.lit().pixels();
        int height = into.length / width;
        for (int r = 0; r < map.runs().size(); r++) {
            double pitch = map.runs().get(r).shape().pitch() * OF_PITCH;
            for (int i = map.first(r); i < map.first(r + 1) && i < colours.length; i++) {
                if (Float.isNaN(spots[3 * i])) {
                    continue;
                }
                int size = (int) Math.max(LEAST, Math.min(LARGEST, Math.round(pitch * spots[3 * i + 2])));
                int x = Math.round(spots[3 * i]) - size / 2;
                int y = Math.round(spots[3 * i + 1]) - size / 2;
                square(into, width, height, x, y, size, colours[i]);
            }
        }
    }

    /**
     * Draws the head of a fixture: its colour in a ring.
     *
     * @param cells its colours beside each other where it has several
     */
    static void head(int[] into, int width, double x, double y, int colour, int ring, List<Integer> cells) {
        int height = into.length / width;
        if (cells.size() > 1) {
            int left = (int) Math.round(x - Math.min(MOST_CELLS, cells.size()) * CELL / 2.0);
            int top = (int) Math.round(y - CELL / 2.0);
            int count = Math.min(MOST_CELLS, cells.size());
            square(into, width, height, left - 1, top - 1, 1, ring);
            for (int i = 0; i < count; i++) {
                square(into, width, height, left + i * CELL, top, CELL, cells.get(i));
            }
            return;
        }
        int left = (int) Math.round(x - HEAD / 2.0);
        int top = (int) Math.round(y - HEAD / 2.0);
        for (int dy = 0; dy < HEAD; dy++) {
            for (int dx = 0; dx < HEAD; dx++) {
                double from = Math.hypot(dx - (HEAD - 1) / 2.0, dy - (HEAD - 1) / 2.0);
                if (from <= HEAD / 2.0) {
                    square(into, width, height, left + dx, top + dy, 1, from > HEAD / 2.0 - 1.2 ? ring : colour);
                }
            }
        }
    }

    private static void square(int[] into, int width, int height, int x, int y, int size, int colour) {
        int left = Math.max(0, x);
        int right = Math.min(width, x + size);
        if (left >= right) {
            return;
        }
        for (int row = Math.max(0, y); row < Math.min(height, y + size); row++) {
            Arrays.fill(into, row * width + left, row * width + right, colour);
        }
    }

    /** The pixel nearest to a spot as it was drawn last; −1 where none is near. */
    int at(double x, double y, double reach) {
        double best = reach * reach;
        int found = -1;
        for (int i = 0; 3 * i < spots.length; i++) {
            double dx = spots[3 * i] - x;
            double dy = spots[3 * i + 1] - y;
            if (dx * dx + dy * dy < best) {
                best = dx * dx + dy * dy;
                found = i;
            }
        }
        return found;
    }

    /** Where a pixel was drawn last, across; no number where it was behind the eye. */
    float x(int pixel) {
        return spots[3 * pixel];
    }

    float y(int pixel) {
        return spots[3 * pixel + 1];
    }

    int count() {
        return spots.length / 3;
    }
}
