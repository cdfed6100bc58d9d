package zentrel.live;

import java.util.List;
import zentrel.ipv4.Ipv4Address;
import zentrel.plan.Delivery;
import zentrel.profile.Protocol;

/**
 * Test levels that are to be sent.
 *
 * @param universes their numbers in the protocol, at least one
 * @param to addresses, for unicast
 * @param sync the sACN universe whose synchronization packets are waited for, and sent; 0 for none
 * @param ratePerSecond packets a second of each universe; a line of DMX512-A carries 44
 * @param zeroAtEnd whether all goes to zero before it ends
 */
public record SendJob(
        Protocol protocol,
        List<Integer> universes,
        Delivery delivery,
        List<Ipv4Address> to,
        int priority,
        boolean preview,
        int sync,
        double ratePerSecond,
        SendLook look,
        boolean zeroAtEnd) {
    public SendJob {
        universes = List.copyOf(universes);
        to = List.copyOf(to);
        if (universes.isEmpty()) {
            throw new IllegalArgumentException("Say which universe is to be sent.");
        }
    }

    /** The usual way to send a protocol: to groups, or to everybody. */
    public static Delivery usual(Protocol protocol) {
        return protocol == Protocol.SACN ? Delivery.MULTICAST : Delivery.BROADCAST;
    }
}
