package zentrel.file;

import static zentrel.file.JsonOut.*;

import com.fasterxml.jackson.databind.node.ObjectNode;
import zentrel.plan.*;

/** Universes in a plan file. */
final class UniverseFields implements Fields<Universe> {
    @Override
    public Universe read(JsonPlace p, References refs) {
        Id<Universe> id = refs.declare(p, Kind.UNIVERSE);
        return new Universe(id, p.text("name", ""), p.need("number").integer(0, 1_000_000), p.bool("merge", false));
    }

    @Override
    public void write(ObjectNode n, Universe u) {
        n.put("id", u.id().value());
        text(n, "name", u.name(), "");
        n.put("number", u.number());
        flag(n, "merge", u.merge(), false);
    }
}
