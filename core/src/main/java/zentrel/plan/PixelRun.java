package zentrel.plan;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.Optional;
import zentrel.text.PlainText;

/**
 * Pixels that data runs through in one order: a strip, a string, a panel, a loop or a drawn line.
 *
 * @param fixture by which its slots are patched; empty for what needs no address
 */
@RecordBuilder
public record PixelRun(
        Id<PixelRun> id,
        String name,
        PixelShape shape,
        PixelWiring wiring,
        PixelType type,
        PixelPlacing placing,
        Optional<Id<Fixture>> fixture)
        implements Named, PixelRunBuilder.With {
    public PixelRun {
        PlainText.require("The name of a pixel run", name);
    }

    public int pixels() {
        return shape.pixels();
    }
}
