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
 * @param ratePerSecond 1–44: more DMX512-A does not carry
 * @param first the first slot, 1–512
 * @param last the last slot
 * @param stepSeconds how long a step of the pattern takes
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
        SendPattern pattern,
        int first,
        int last,
        int level,
        double stepSeconds,
        boolean zeroAtEnd) {
    public SendJob {
        universes = List.copyOf(universes);
        to = List.copyOf(to);
        if (universes.isEmpty()) {
            throw new IllegalArgumentException("Say which universe is to be sent.");
        }
        if (first < 1 || last > 512 || first > last) {
            throw new IllegalArgumentException(
                    "Slots go from 1 to 512, the first before the last, not " + first + " to " + last + ".");
        }
        if (level < 0 || level > 255) {
            throw new IllegalArgumentException("A level goes from 0 to 255, not " + level + ".");
        }
        if (!(stepSeconds > 0)) {
            throw new IllegalArgumentException("A step takes more than 0 s.");
        }
    }

    /** The usual way to send a protocol: to groups, or to everybody. */
    public static Delivery usual(Protocol protocol) {
        return protocol == Protocol.SACN ? Delivery.MULTICAST : Delivery.BROADCAST;
    }
}
