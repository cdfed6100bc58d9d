package zentrel.plan;

import io.soabase.recordbuilder.core.RecordBuilder;

/**
 * How large a surrounding is, in metres.
 *
 * @param width to the right, before it is turned
 * @param depth away, before it is turned
 * @param height 0 for what is flat
 */
@RecordBuilder
public record BodySize(double width, double depth, double height) implements BodySizeBuilder.With {
    public static final double MOST = 10_000;

    public BodySize {
        if (!(width > 0 && depth > 0 && height >= 0 && Math.max(width, Math.max(depth, height)) <= MOST)) {
            throw new IllegalArgumentException("A size is metres wide, deep and high, up to 10 km and not 0 across: "
                    + text(width, depth, height) + " is none.");
        }
    }

    private static String text(double width, double depth, double height) {
        return width + " x " + depth + " x " + height;
    }

    /** As people write it: 8 x 0.2 x 3. */
    @Override
    public String toString() {
        return Position.plain(width) + " x " + Position.plain(depth) + " x " + Position.plain(height);
    }
}
