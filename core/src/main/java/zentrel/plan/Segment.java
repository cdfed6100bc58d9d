package zentrel.plan;

import java.util.Optional;
import zentrel.ipv4.Subnet;

/**
 * One broadcast domain: whatever is on it hears each other's broadcasts.
 *
 * @param subnet the range meant to be used on it, if one was settled
 * @param wayOut whether a router leads from it to another network
 * @param guests whether people outside the crew may join it
 */
public record Segment(SegmentId id, String name, Optional<Subnet> subnet, boolean wayOut, boolean guests)
        implements Named {}
