package zentrel.app.pixels;

import java.util.Arrays;
import zentrel.pixel.PixelLayout;
import zentrel.pixel.PixelMap;
import zentrel.plan.PixelForm;
import zentrel.plan.PixelShape;

/** Draws pixels as discs into a buffer of colours; plain loops, so that a hundred thousand are drawn many times a second. */
public final class PixelPaint {
    private static final int LARGEST = 18;
    private static final int LEAST_OF_LINE = 3;
    private static final double OF_PITCH = 0.8;

    private int discSize;
    private boolean[] disc = new boolean[0];

    /**
     * Draws them all.
     *
     * @param colours of each pixel, {@code 0xFFrrggbb}
     * @param into the buffer, row by row from the top
     * @param scale screen pixels to the metre
     */
    public void draw(
            PixelMap map, int[] colours, int[] into, int width, int height, double left, double bottom, double scale) {
        Arrays.fill(into, 0);
        for (int r = 0; r < map.runs().size(); r++) {
            PixelLayout layout = map.layout(r);
            int first = map.first(r);
            int size = size(map.runs().get(r).shape(), scale);
            shape(size);
            for (int i = 0; i < layout.count() && first + i < colours.length; i++) {
                int x = (int) Math.round((layout.x(i) - left) * scale) - size / 2;
                int y = (int) Math.round(height - (layout.y(i) - bottom) * scale) - size / 2;
                if (x > -size && y > -size && x < width && y < height) {
                    dot(into, width, height, x, y, size, colours[first + i]);
                }
            }
        }
    }

    /** Pixels of a line may touch, so that a thin one is still seen; those of a grid keep apart. */
    private static int size(PixelShape shape, double scale) {
        int least = shape.form() == PixelForm.GRID ? 1 : LEAST_OF_LINE;
        return (int) Math.max(least, Math.min(LARGEST, Math.round(shape.pitch() * scale * OF_PITCH)));
    }

    private void dot(int[] into, int width, int height, int x, int y, int size, int colour) {
        for (int dy = Math.max(0, -y); dy < size && y + dy < height; dy++) {
            int row = (y + dy) * width + x;
            for (int dx = Math.max(0, -x); dx < size && x + dx < width; dx++) {
                if (disc[dy * size + dx]) {
                    into[row + dx] = colour;
                }
            }
        }
    }

    private void shape(int size) {
        if (size == discSize) {
            return;
        }
        discSize = size;
        disc = new boolean[size * size];
        double middle = (size - 1) / 2.0;
        double radius = size / 2.0;
        for (int y = 0; y < size; y++) {
            for (int x = 0; x < size; x++) {
                disc[y * size + x] = size < 4 || Math.hypot(x - middle, y - middle) <= radius;
            }
        }
    }
}
