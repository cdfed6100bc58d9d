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
                p.text("mode", ""),
                p.optional("line").map(l -> refs.refer(l, Kind.LINE)),
                breaks,
                p.bool("sharesSlots", false),
                p.optional("unitLoads").map(l -> l.number(0, 32)).orElse(1.0),
                new FixtureUse(
                        p.text("purpose", ""),
                        p.text("unit", ""),
                        p.text("note", ""),
                        p.optional("position").map(FixtureFields::position),
                        aim(p)));
    }

    /** Metres to the right, away and up. */
    static Position position(JsonPlace place) {
        Position at = new Position(metres(place, "x"), metres(place, "y"), metres(place, "z"));
        place.done();
        return at;
    }

    private static FixtureAim aim(JsonPlace p) {
        return new FixtureAim(p.bool("standing", false), degrees(p, "turn", 0, 360), degrees(p, "tilt", 0, 180));
    }

    /** Degrees, from 0. */
    static double degrees(JsonPlace place, String field, double usual, double most) {
        return place.optional(field).map(d -> d.number(0, most)).orElse(usual);
    }

    private static double metres(JsonPlace place, String axis) {
        return place.optional(axis)
                .map(a -> a.number(-Position.FARTHEST, Position.FARTHEST))
                .orElse(0.0);
    }

    static void position(ObjectNode n, Position at) {
        position(n, "position", at);
    }

    static void position(ObjectNode n, String field, Position at) {
        n.putObject(field).put("x", at.x()).put("y", at.y()).put("z", at.z());
    }

    @Override
    public void write(ObjectNode n, Fixture f) {
        n.put("id", f.id().value());
        text(n, "number", f.number(), "");
        text(n, "name", f.name(), f.id().value());
        text(n, "place", f.place(), "");
        text(n, "type", f.type(), "");
        text(n, "mode", f.mode(), "");
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
        text(n, "purpose", f.use().purpose(), "");
        text(n, "unit", f.use().unit(), "");
        text(n, "note", f.use().note(), "");
        f.use().position().ifPresent(at -> position(n, at));
        flag(n, "standing", f.use().aim().standing(), false);
        number(n, "turn", f.use().aim().turn(), 0);
        number(n, "tilt", f.use().aim().tilt(), 0);
    }
}
