package zentrel.plan;

import io.soabase.recordbuilder.core.RecordBuilder;
import zentrel.text.PlainText;

/**
 * A cable between two things of the plan.
 *
 * @param name what stands on its label
 * @param from the one end: an adapter, a host (any socket of a switch), a port, a line or a fixture
 * @param to the other end
 * @param connected whether it is plugged in at both ends
 */
@RecordBuilder
public record Cable(Id<Cable> id, String name, CableKind kind, Id<?> from, Id<?> to, boolean connected)
        implements Named, CableBuilder.With {
    public Cable {
        PlainText.require("The name of a cable", name);
        if (from.equals(to)) {
            throw new IllegalArgumentException(
                    "A cable has two different ends, and both are \"" + from.value() + "\".");
        }
    }

    /** The end that is not {@code end}. */
    public Id<?> otherEnd(Id<?> end) {
        return end.equals(from) ? to : from;
    }
}
