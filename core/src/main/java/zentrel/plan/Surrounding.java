package zentrel.plan;

import io.soabase.recordbuilder.core.RecordBuilder;
import zentrel.text.PlainText;

/**
 * A simple body of the place, such as a wall, a platform or a tree; it takes part in no signal.
 *
 * @param position the middle of its base
 * @param turn clockwise seen from above, 0 to 360 degrees
 */
@RecordBuilder
public record Surrounding(Id<Surrounding> id, String name, BodyForm form, Position position, BodySize size, double turn)
        implements Named, SurroundingBuilder.With {
    public Surrounding {
        PlainText.require("The name of a surrounding", name);
        FixtureAim.requireTurn(turn);
    }

    /** The height of its upper side, metres. */
    public double top() {
        return position.z() + size.height();
    }
}
