package zentrel.file;

import static zentrel.file.JsonOut.*;

import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.List;
import zentrel.plan.*;

/** Fixtures in a plan file. */
final class FixtureFields implements Fields<Fixture> {
    @Override
    public Fixture read(JsonPlace p, References refs) {
        Id<Fixture> id = refs.declare(p, Kind.FIXTURE);
        List<Break> breaks = p.all(
                "breaks",
                b -> new Break(
                        refs.refer(b.need("universe"), Kind.UNIVERSE),
                        b.need("start").integer(1, 100_000),
                        b.optional("footprint").map(f -> f.integer(1, 100_000)).orElse(1),
                        b.optional("line").map(l -> refs.refer(l, Kind.LINE))));
        return new Fixture(
                id,
                p.text("number", ""),
                p.text("name", id.value()),
                p.text("place", ""),
                p.text("type", ""),
                p.optional("line").map(l -> refs.refer(l, Kind.LINE)),
                breaks,
                p.bool("sharesSlots", false),
                p.optional("unitLoads").map(l -> l.number(0, 32)).orElse(1.0));
    }

    @Override
    public void write(ObjectNode n, Fixture f) {
        n.put("id", f.id().value());
        text(n, "number", f.number(), "");
        text(n, "name", f.name(), f.id().value());
        text(n, "place", f.place(), "");
        text(n, "type", f.type(), "");
        f.line().ifPresent(x -> n.put("line", x.value()));
        all(n, "breaks", f.breaks(), (b, x) -> {
            b.put("universe", x.universe().value());
            b.put("start", x.start());
            if (x.footprint() != 1) {
                b.put("footprint", x.footprint());
            }
            x.line().ifPresent(l -> b.put("line", l.value()));
        });
        flag(n, "sharesSlots", f.sharesSlots(), false);
        if (f.unitLoads() != 1) {
            n.put("unitLoads", f.unitLoads());
        }
    }
}
