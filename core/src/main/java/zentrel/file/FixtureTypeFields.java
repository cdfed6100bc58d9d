package zentrel.file;

import static zentrel.file.JsonOut.*;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import zentrel.plan.*;

/** Fixture types in a plan file. */
final class FixtureTypeFields implements Fields<FixtureType> {
    private static final FixtureOptics USUAL = FixtureOptics.USUAL;
    private static final double MOST_DEGREES = 3600;

    @Override
    public FixtureType read(JsonPlace p, References refs) {
        Id<FixtureType> id = refs.declare(p, Kind.FIXTURE_TYPE);
        return new FixtureType(
                id,
                p.text("name", id.value()),
                p.text("maker", ""),
                p.all(
                        "modes",
                        m -> new FixtureMode(
                                m.text("name", ""),
                                m.need("parts").elements().stream()
                                        .map(part -> part.elements().stream()
                                                .map(JsonPlace::text)
                                                .toList())
                                        .toList())),
                new FixtureOptics(
                        degrees(p, "beam", USUAL.beam()),
                        degrees(p, "wide", USUAL.wide()),
                        degrees(p, "pan", USUAL.pan()),
                        degrees(p, "tilt", USUAL.tilt())));
    }

    private static double degrees(JsonPlace p, String field, double usual) {
        return FixtureFields.degrees(p, field, usual, MOST_DEGREES);
    }

    @Override
    public void write(ObjectNode n, FixtureType t) {
        named(n, t);
        text(n, "maker", t.maker(), "");
        number(n, "beam", t.optics().beam(), USUAL.beam());
        number(n, "wide", t.optics().wide(), USUAL.wide());
        number(n, "pan", t.optics().pan(), USUAL.pan());
        number(n, "tilt", t.optics().tilt(), USUAL.tilt());
        all(n, "modes", t.modes(), (m, mode) -> {
            text(m, "name", mode.name(), "");
            ArrayNode parts = m.putArray("parts");
            mode.parts().forEach(part -> {
                ArrayNode slots = parts.addArray();
                part.forEach(slots::add);
            });
        });
    }
}
