package zentrel.file;

import static zentrel.file.JsonOut.*;

import com.fasterxml.jackson.databind.node.ObjectNode;
import zentrel.plan.*;
import zentrel.plan.PatchRow.SlotRun;

/** Lists of fixtures in a plan file, as other programs have them. */
final class PatchListFields implements Fields<PatchList> {
    private static final int MOST = 100_000;

    @Override
    public PatchList read(JsonPlace p, References refs) {
        Id<PatchList> id = refs.declare(p, Kind.PATCH_LIST);
        return new PatchList(
                id,
                p.text("name", id.value()),
                p.optional("program").map(a -> refs.refer(a, Kind.APPLICATION)),
                p.list("columns").stream().map(c -> c.word(PatchColumn.class)).toList(),
                new SlotStyle(
                        p.word("slots", SlotNotation.class, SlotNotation.TWO_COLUMNS),
                        p.optional("base").map(b -> b.integer(0, 1)).orElse(1)),
                p.all("rows", PatchListFields::row));
    }

    private static PatchRow row(JsonPlace p) {
        return new PatchRow(
                p.text("number", ""),
                p.text("label", ""),
                p.text("type", ""),
                p.text("mode", ""),
                p.all(
                        "runs",
                        s -> new SlotRun(
                                s.need("universe").integer(0, MOST),
                                s.need("slot").integer(1, MOST),
                                s.optional("footprint")
                                        .map(f -> f.integer(0, MOST))
                                        .orElse(0))),
                p.text("place", ""),
                p.optional("position").map(FixtureFields::position),
                p.text("purpose", ""),
                p.text("unit", ""),
                p.text("note", ""));
    }

    @Override
    public void write(ObjectNode n, PatchList list) {
        named(n, list);
        list.program().ifPresent(a -> n.put("program", a.value()));
        words(n, "columns", list.columns());
        word(n, "slots", list.style().notation(), SlotNotation.TWO_COLUMNS);
        if (list.style().base() != 1) {
            n.put("base", list.style().base());
        }
        all(n, "rows", list.rows(), (r, row) -> {
            text(r, "number", row.number(), "");
            text(r, "label", row.label(), "");
            text(r, "type", row.type(), "");
            text(r, "mode", row.mode(), "");
            all(r, "runs", row.runs(), (s, run) -> {
                s.put("universe", run.universe()).put("slot", run.slot());
                if (run.footprint() > 0) {
                    s.put("footprint", run.footprint());
                }
            });
            text(r, "place", row.place(), "");
            row.position().ifPresent(at -> FixtureFields.position(r, at));
            text(r, "purpose", row.purpose(), "");
            text(r, "unit", row.unit(), "");
            text(r, "note", row.note(), "");
        });
    }
}
