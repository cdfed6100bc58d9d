package zentrel.plan;

import io.soabase.recordbuilder.core.RecordBuilder;
import zentrel.text.PlainText;

/**
 * A plan or a picture from above that lies on the ground.
 *
 * @param position its lower left corner
 * @param turn clockwise seen from above around that corner, 0 to 360 degrees
 * @param known by which it is scaled
 */
@RecordBuilder
public record GroundPicture(
        Id<GroundPicture> id, String name, Position position, double turn, KnownLength known, PictureFile picture)
        implements Named, GroundPictureBuilder.With {
    /** Until a length is known: a metre is twenty pixels. */
    public static final KnownLength UNKNOWN = new KnownLength(0, 0, 200, 0, 10);

    public GroundPicture {
        PlainText.require("The name of a ground picture", name);
        FixtureAim.requireTurn(turn);
    }

    /** Metres across. */
    public double width() {
        return picture.width() * known.metresPerPixel();
    }

    /** Metres from its lower to its upper edge. */
    public double depth() {
        return picture.height() * known.metresPerPixel();
    }

    /** Where a point of the picture lies. */
    public Position place(double pixelX, double pixelY) {
        double x = pixelX * known.metresPerPixel();
        double y = (picture.height() - pixelY) * known.metresPerPixel();
        double angle = Math.toRadians(turn);
        return new Position(
                position.x() + x * Math.cos(angle) + y * Math.sin(angle),
                position.y() - x * Math.sin(angle) + y * Math.cos(angle),
                position.z());
    }

    /** Metres to the right along its lower edge, from its corner, of a place. */
    public double across(double x, double y) {
        double angle = Math.toRadians(turn);
        return (x - position.x()) * Math.cos(angle) - (y - position.y()) * Math.sin(angle);
    }

    /** Metres up its left edge, from its corner, of a place. */
    public double up(double x, double y) {
        double angle = Math.toRadians(turn);
        return (x - position.x()) * Math.sin(angle) + (y - position.y()) * Math.cos(angle);
    }

    /** Whether a place lies on it. */
    public boolean covers(double x, double y) {
        double across = across(x, y);
        double up = up(x, y);
        return across >= 0 && up >= 0 && across <= width() && up <= depth();
    }
}
