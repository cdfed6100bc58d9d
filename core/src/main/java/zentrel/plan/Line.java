package zentrel.plan;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.Optional;
import zentrel.text.PlainText;

/**
 * A DMX line that runs through fixtures.
 *
 * @param port where its signal comes from in the end
 * @param via what passes another line on to it, where it does not start at the port itself
 */
@RecordBuilder
public record Line(Id<Line> id, String name, Id<Port> port, Optional<Via> via) implements Named, LineBuilder.With {
    public Line {
        PlainText.require("The name of a line", name);
    }

    /** A line that starts at a port. */
    public Line(Id<Line> id, String name, Id<Port> port) {
        this(id, name, port, Optional.empty());
    }
}
