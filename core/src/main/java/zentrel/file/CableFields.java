package zentrel.file;

import static zentrel.file.JsonOut.*;

import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.List;
import zentrel.plan.*;

/** Cables in a plan file. */
final class CableFields implements Fields<Cable> {
    /** What a cable may end at. */
    private static final List<Kind<?>> ENDS = List.of(Kind.HOST, Kind.ADAPTER, Kind.PORT, Kind.LINE, Kind.FIXTURE);

    /** Read after everything that a cable may end at, so that an end is known for what it is. */
    @Override
    public Cable read(JsonPlace p, References refs) {
        Id<Cable> id = refs.declare(p, Kind.CABLE);
        return new Cable(
                id,
                p.text("name", id.value()),
                p.word("kind", CableKind.class, CableKind.NETWORK),
                refs.known(p.need("from"), "a cable ends at a host, an adapter, a port, a line or a fixture", ENDS),
                refs.known(p.need("to"), "a cable ends at a host, an adapter, a port, a line or a fixture", ENDS),
                p.bool("connected", true));
    }

    @Override
    public void write(ObjectNode n, Cable c) {
        named(n, c);
        word(n, "kind", c.kind(), CableKind.NETWORK);
        n.put("from", c.from().value());
        n.put("to", c.to().value());
        flag(n, "connected", c.connected(), true);
    }
}
