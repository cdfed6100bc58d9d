package zentrel.file;

import static zentrel.file.JsonOut.*;

import com.fasterxml.jackson.databind.node.ObjectNode;
import zentrel.plan.*;

/** DMX lines in a plan file. */
final class LineFields implements Fields<Line> {
    @Override
    public Line read(JsonPlace p, References refs) {
        Id<Line> id = refs.declare(p, Kind.LINE);
        return new Line(
                id,
                p.text("name", id.value()),
                refs.refer(p.need("port"), Kind.PORT),
                p.optional("via").map(v -> via(v, refs)));
    }

    private static Via via(JsonPlace p, References refs) {
        p.requireObject();
        Via via = new Via(refs.refer(p.need("device"), Kind.HOST), refs.refer(p.need("from"), Kind.LINE));
        p.done();
        return via;
    }

    @Override
    public void write(ObjectNode n, Line l) {
        named(n, l);
        n.put("port", l.port().value());
        l.via()
                .ifPresent(v -> n.putObject("via")
                        .put("device", v.device().value())
                        .put("from", v.from().value()));
    }
}
