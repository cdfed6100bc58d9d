package zentrel.plan;

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
 */
public record Segment(
        Id<Segment> id, String name, Optional<Subnet> subnet, boolean wayOut, boolean guests, boolean isolated)
        implements Named {
    public Segment {
        PlainText.require("The name of a segment", name);
    }

    /** A segment on which all hear each other. */
    public Segment(Id<Segment> id, String name, Optional<Subnet> subnet, boolean wayOut, boolean guests) {
        this(id, name, subnet, wayOut, guests, false);
    }

    public Segment withName(String value) {
        return new Segment(id, value, subnet, wayOut, guests, isolated);
    }

    public Segment withSubnet(Optional<Subnet> value) {
        return new Segment(id, name, value, wayOut, guests, isolated);
    }

    public Segment withWayOut(boolean value) {
        return new Segment(id, name, subnet, value, guests, isolated);
    }

    public Segment withGuests(boolean value) {
        return new Segment(id, name, subnet, wayOut, value, isolated);
    }

    public Segment withIsolated(boolean value) {
        return new Segment(id, name, subnet, wayOut, guests, value);
    }
}
