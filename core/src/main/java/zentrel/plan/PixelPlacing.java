package zentrel.plan;

import io.soabase.recordbuilder.core.RecordBuilder;

/**
 * Where a run hangs, and how it is turned.
 *
 * @param at its lower left corner, as it hangs
 * @param turn clockwise as seen from the front: 0, 90, 180 or 270 degrees
 * @param mirrored whether left and right are swapped, before it is turned
 * @param flat whether it lies on a floor, seen from above, instead of standing
 */
@RecordBuilder
public record PixelPlacing(Position at, int turn, boolean mirrored, boolean flat) implements PixelPlacingBuilder.With {
    public static final PixelPlacing USUAL = new PixelPlacing(new Position(0, 0, 0), 0, false, false);

    public PixelPlacing {
        if (turn != 0 && turn != 90 && turn != 180 && turn != 270) {
            throw new IllegalArgumentException("A run is turned by 0, 90, 180 or 270 degrees, not " + turn + ".");
        }
    }

    /** Turned further. */
    public PixelPlacing turnedBy(int degrees) {
        return withTurn(Math.floorMod(turn + degrees, 360));
    }

    /** What is to the right in the layout, metres. */
    public double across() {
        return at.x();
    }

    /** What is upwards in the layout: the height of what stands, the distance of what lies. */
    public double up() {
        return flat ? at.y() : at.z();
    }

    /** Moved in the layout. */
    public PixelPlacing movedTo(double across, double up) {
        return withAt(flat ? new Position(across, up, at.z()) : new Position(across, at.y(), up));
    }
}
