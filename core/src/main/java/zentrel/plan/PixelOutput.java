package zentrel.plan;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import zentrel.text.PlainText;

/**
 * An output of a pixel controller: it takes several universes, one by each of its ports, and puts them out to its pixels as one run
 * of data.
 *
 * @param receiver the controller's
 * @param ports by which its universes arrive, in their order
 * @param runs its pixels, in the order in which the data runs through them
 */
@RecordBuilder
public record PixelOutput(
        Id<PixelOutput> id,
        String name,
        Id<Receiver> receiver,
        List<Id<Port>> ports,
        List<Id<PixelRun>> runs,
        PixelDivision division,
        PixelLimits limits,
        PixelSupply supply)
        implements Named, PixelOutputBuilder.With {
    public PixelOutput {
        PlainText.require("The name of a pixel output", name);
        ports = ports.stream().distinct().toList();
        runs = runs.stream().distinct().toList();
    }
}
