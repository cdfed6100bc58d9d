package zentrel.plan;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.Optional;
import zentrel.ipv4.Subnet;
import zentrel.text.PlainText;

/**
 * One broadcast domain: whatever is on it hears each other's broadcasts.
 *
 * @param subnet the range meant to be used on it, if one was settled
 * @param wayOut whether a router leads from it to another network
 * @param guests whether people outside the crew may join it
 * @param isolated whether its access points keep wireless clients apart from each other
 * @param keeper who keeps it, and is asked before anything is put on it; empty text where it is one's own
 */
@RecordBuilder
public record Segment(
        Id<Segment> id,
        String name,
        Optional<Subnet> subnet,
        boolean wayOut,
        boolean guests,
        boolean isolated,
        String keeper)
        implements Named, SegmentBuilder.With {
    public Segment {
        PlainText.require("The name of a segment", name);
        PlainText.require("The keeper of a segment", keeper);
    }

    /** A segment on which all hear each other. */
    public Segment(Id<Segment> id, String name, Optional<Subnet> subnet, boolean wayOut, boolean guests) {
        this(id, name, subnet, wayOut, guests, false, "");
    }
}
