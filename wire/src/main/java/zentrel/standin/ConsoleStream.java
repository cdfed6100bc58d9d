package zentrel.standin;

import java.util.List;
import zentrel.ipv4.Ipv4Address;
import zentrel.plan.Delivery;
import zentrel.profile.Protocol;

/**
 * One universe that a console stand-in sends.
 *
 * @param id what it is called when its slots are set
 * @param to addresses, for {@link Delivery#UNICAST}
 * @param ratePerSecond packets a second while levels change; unchanged levels are repeated every 0.9 s
 * @param standby whether it holds
 * @param preview whether its data must not reach live output (ANSI E1.31-2018 §6.2.6)
 * @param syncAddress the sACN universe whose synchronization packets its data waits for (§6.2.4); 0 where it waits for none
 * @param forceSync whether it goes on when synchronization is lost (§6.2.6)
 */
public record ConsoleStream(
        String id,
        Protocol protocol,
        int wire,
        Delivery delivery,
        List<Ipv4Address> to,
        int priority,
        double ratePerSecond,
        boolean standby,
        boolean preview,
        int syncAddress,
        boolean forceSync) {
    /** A stream that is live and waits for no synchronization. */
    public ConsoleStream(
            String id,
            Protocol protocol,
            int wire,
            Delivery delivery,
            List<Ipv4Address> to,
            int priority,
            double ratePerSecond,
            boolean standby) {
        this(id, protocol, wire, delivery, to, priority, ratePerSecond, standby, false, 0, false);
    }

    public ConsoleStream {
        to = List.copyOf(to);
        if (!protocol.carries(wire)) {
            throw new IllegalArgumentException(protocol.title() + " goes from " + protocol.firstNumber() + " to "
                    + protocol.lastNumber() + ", not " + wire + ".");
        }
        if (!(ratePerSecond > 0 && ratePerSecond <= 1000)) {
            throw new IllegalArgumentException(
                    "A rate is above 0 and at most 1000 packets a second, not " + ratePerSecond + ".");
        }
    }
}
