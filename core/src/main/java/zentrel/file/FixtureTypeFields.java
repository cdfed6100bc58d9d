package zentrel.file;

import static zentrel.file.JsonOut.*;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import zentrel.plan.*;

/** Fixture types in a plan file. */
final class FixtureTypeFields implements Fields<FixtureType> {
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
                                        .toList())));
    }

    @Override
    public void write(ObjectNode n, FixtureType t) {
        named(n, t);
        text(n, "maker", t.maker(), "");
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
