package zentrel.file;

import static zentrel.file.JsonOut.*;

import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.List;
import zentrel.plan.*;

/** Typed copies in a plan file. */
final class CopyFields implements Fields<TypedCopy> {
    /** What may keep a copy. */
    private static final List<Kind<?>> OWNERS = List.of(Kind.APPLICATION, Kind.HOST);

    /** What may be copied. */
    private static final List<Kind<?>> COPIED =
            List.of(Kind.ADAPTER, Kind.PORT, Kind.APPLICATION, Kind.HOST, Kind.UNIVERSE);

    @Override
    public TypedCopy read(JsonPlace p, References refs) {
        Id<TypedCopy> id = refs.declare(p, Kind.COPY);
        return new TypedCopy(
                id,
                p.text("name", id.value()),
                refs.known(p.need("owner"), "a copy is kept by an application, or printed on a host", OWNERS),
                refs.known(
                        p.need("of"), "a copy is of an adapter, a port, an application, a host or a universe", COPIED),
                p.need("value").setting(JsonPlace::text));
    }

    @Override
    public void write(ObjectNode n, TypedCopy c) {
        named(n, c);
        n.put("owner", c.owner().value());
        n.put("of", c.of().value());
        n.set("value", setting(c.value(), JSON::textNode));
    }
}
