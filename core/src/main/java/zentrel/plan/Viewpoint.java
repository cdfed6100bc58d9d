package zentrel.plan;

import io.soabase.recordbuilder.core.RecordBuilder;
import zentrel.text.PlainText;

/**
 * A named place from which somebody looks.
 *
 * @param eye from where
 * @param target at what
 */
@RecordBuilder
public record Viewpoint(Id<Viewpoint> id, String name, Position eye, Position target)
        implements Named, ViewpointBuilder.With {
    private static final double LEAST = 0.01;

    public Viewpoint {
        PlainText.require("The name of a viewpoint", name);
        if (eye.distance(target) < LEAST) {
            throw new IllegalArgumentException("A viewpoint looks at something else than where it is.");
        }
    }
}
