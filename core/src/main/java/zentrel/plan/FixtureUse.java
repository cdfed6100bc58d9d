package zentrel.plan;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.Optional;
import zentrel.text.PlainText;

/**
 * What a fixture is for, and where it hangs.
 *
 * @param purpose what it lights, such as "path" or "back light"
 * @param unit its unit on the pipe, or its circuit
 * @param note anything else
 * @param position where it is, in metres
 * @param aim how it hangs, and where it points
 */
@RecordBuilder
public record FixtureUse(String purpose, String unit, String note, Optional<Position> position, FixtureAim aim)
        implements FixtureUseBuilder.With {
    public static final FixtureUse NONE = new FixtureUse("", "", "", Optional.empty(), FixtureAim.DOWN);

    public FixtureUse {
        PlainText.require("The purpose of a fixture", purpose);
        PlainText.require("A unit or circuit", unit);
        PlainText.require("A note", note);
    }
}
