package zentrel.plan;

import io.soabase.recordbuilder.core.RecordBuilder;

/**
 * In which order the data runs through the pixels.
 *
 * @param first where the first is
 * @param byColumns whether it runs up a column before the next, instead of along a row
 * @param serpentine whether every second row or column runs back
 */
@RecordBuilder
public record PixelWiring(PixelCorner first, boolean byColumns, boolean serpentine) implements PixelWiringBuilder.With {
    public static final PixelWiring USUAL = new PixelWiring(PixelCorner.BOTTOM_LEFT, false, false);
}
