package zentrel.file;

import static zentrel.file.JsonOut.named;

import com.fasterxml.jackson.databind.node.ObjectNode;
import zentrel.plan.Id;
import zentrel.plan.Kind;
import zentrel.plan.Viewpoint;

/** Viewpoints in a plan file. */
final class ViewpointFields implements Fields<Viewpoint> {
    @Override
    public Viewpoint read(JsonPlace p, References refs) {
        Id<Viewpoint> id = refs.declare(p, Kind.VIEWPOINT);
        return new Viewpoint(
                id,
                p.text("name", id.value()),
                FixtureFields.position(p.need("eye")),
                FixtureFields.position(p.need("target")));
    }

    @Override
    public void write(ObjectNode n, Viewpoint v) {
        named(n, v);
        FixtureFields.position(n, "eye", v.eye());
        FixtureFields.position(n, "target", v.target());
    }
}
