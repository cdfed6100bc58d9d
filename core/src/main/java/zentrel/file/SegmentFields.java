package zentrel.file;

import static zentrel.file.JsonOut.*;

import com.fasterxml.jackson.databind.node.ObjectNode;
import zentrel.ipv4.Subnet;
import zentrel.plan.*;

/** Segments in a plan file. */
final class SegmentFields implements Fields<Segment> {
    @Override
    public Segment read(JsonPlace p, References refs) {
        Id<Segment> id = refs.declare(p, Kind.SEGMENT);
        return new Segment(
                id,
                p.text("name", id.value()),
                p.optional("subnet").map(s -> s.parsed(Subnet::parse)),
                p.bool("wayOut", false),
                p.bool("guests", false),
                p.bool("isolated", false),
                p.text("keeper", ""));
    }

    @Override
    public void write(ObjectNode n, Segment s) {
        named(n, s);
        s.subnet().ifPresent(x -> n.put("subnet", x.toString()));
        flag(n, "wayOut", s.wayOut(), false);
        flag(n, "guests", s.guests(), false);
        flag(n, "isolated", s.isolated(), false);
        text(n, "keeper", s.keeper(), "");
    }
}
