package zentrel.gear;

import java.util.Set;
import zentrel.ipv4.Ipv4Address;
import zentrel.profile.Protocol;

/**
 * What was heard on a real network from one address.
 *
 * @param sends the universes that came from it, in the numbering of the protocol
 * @param waitsFor those that its outputs say they wait for, in its answer to a poll
 */
public record Heard(Ipv4Address from, Protocol protocol, Set<Integer> sends, Set<Integer> waitsFor) {
    public Heard {
        sends = Set.copyOf(sends);
        waitsFor = Set.copyOf(waitsFor);
    }
}
