package zentrel.file;

import static zentrel.file.JsonOut.*;

import com.fasterxml.jackson.databind.node.ObjectNode;
import zentrel.plan.*;

/** Bodies of the place in a plan file. */
final class SurroundingFields implements Fields<Surrounding> {
    @Override
    public Surrounding read(JsonPlace p, References refs) {
        Id<Surrounding> id = refs.declare(p, Kind.SURROUNDING);
        return new Surrounding(
                id,
                p.text("name", id.value()),
                p.need("form").word(BodyForm.class),
                FixtureFields.position(p.need("position")),
                new BodySize(
                        p.need("width").number(0, BodySize.MOST),
                        p.need("depth").number(0, BodySize.MOST),
                        p.optional("height")
                                .map(h -> h.number(0, BodySize.MOST))
                                .orElse(0.0)),
                FixtureFields.degrees(p, "turn", 0, 360));
    }

    @Override
    public void write(ObjectNode n, Surrounding s) {
        named(n, s);
        n.put("form", s.form().word());
        FixtureFields.position(n, s.position());
        n.put("width", s.size().width()).put("depth", s.size().depth());
        number(n, "height", s.size().height(), 0);
        number(n, "turn", s.turn(), 0);
    }
}
