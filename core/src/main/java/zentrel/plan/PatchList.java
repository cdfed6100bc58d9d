package zentrel.plan;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import java.util.Optional;
import zentrel.text.PlainText;

/**
 * The fixtures of the show as another program, or a sheet of paper, has them.
 *
 * @param program whose list it is; empty for paperwork
 * @param columns what it tells, in the order in which that program wants it; the rest is not compared
 * @param style how start slots are written there
 * @param rows in the order of the list
 */
@RecordBuilder
public record PatchList(
        Id<PatchList> id,
        String name,
        Optional<Id<Application>> program,
        List<PatchColumn> columns,
        SlotStyle style,
        List<PatchRow> rows)
        implements Named, PatchListBuilder.With {
    public PatchList {
        PlainText.require("The name of a list", name);
        columns = columns.stream().distinct().toList();
        rows = List.copyOf(rows);
    }
}
