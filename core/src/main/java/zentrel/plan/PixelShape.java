package zentrel.plan;

import io.soabase.recordbuilder.core.RecordBuilder;

/**
 * How many pixels a run has, and how they lie, before it is turned and put in its place.
 *
 * @param columns pixels in a row; of all forms but a grid, all its pixels
 * @param rows 1 for all forms but a grid
 * @param pitch metres from a pixel to the next
 * @param points of a drawn line, its corners; of placed pixels, each one's place; else none
 */
@RecordBuilder
public record PixelShape(PixelForm form, int columns, int rows, double pitch, PixelPoints points)
        implements PixelShapeBuilder.With {
    private static final double WIDEST_PITCH = 100;

    public PixelShape {
        if (columns < 1 || rows < 1 || (long) columns * rows > PixelPoints.MOST) {
            throw new IllegalArgumentException("A run has 1 to " + PixelPoints.MOST + " pixels, not " + columns
                    + (rows == 1 ? "" : " × " + rows) + ".");
        }
        if (!(pitch > 0 && pitch <= WIDEST_PITCH)) {
            throw new IllegalArgumentException("From a pixel to the next is up to 100 m, not " + pitch + " m.");
        }
        if (form != PixelForm.GRID && rows != 1) {
            throw new IllegalArgumentException("Only a grid has more than one row.");
        }
        if (form == PixelForm.PLACED && points.count() != columns) {
            throw new IllegalArgumentException(
                    "Of " + columns + " placed pixels, " + points.count() + " have a point.");
        }
        if (form == PixelForm.DRAWN && points.count() < 2) {
            throw new IllegalArgumentException("A drawn line goes through at least two points.");
        }
    }

    /** A straight row. */
    public static PixelShape strip(int pixels, double pitch) {
        return new PixelShape(PixelForm.STRIP, pixels, 1, pitch, PixelPoints.NONE);
    }

    /** Columns and rows. */
    public static PixelShape grid(int columns, int rows, double pitch) {
        return new PixelShape(PixelForm.GRID, columns, rows, pitch, PixelPoints.NONE);
    }

    public int pixels() {
        return columns * rows;
    }

    /** As people say it: 612, or 8 × 8. */
    public String counted() {
        return form == PixelForm.GRID ? columns + " × " + rows : String.valueOf(columns);
    }
}
