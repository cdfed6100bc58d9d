package zentrel.live;

import zentrel.ipv4.Ipv4Address;
import zentrel.plan.Protocol;

/**
 * What was heard of one source and universe.
 *
 * @param name the name the source gives itself; empty in Art-Net
 * @param priority sACN priority; 100 in Art-Net, which has none
 * @param packets how many arrived
 * @param lost how many are missing by their sequence numbers
 * @param ratePerSecond packets a second between the first and the last
 */
public record StreamSeen(
        Protocol protocol,
        int universe,
        Ipv4Address source,
        String name,
        int priority,
        boolean preview,
        long packets,
        long lost,
        double ratePerSecond) {}
