package zentrel.path;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import zentrel.ipv4.Ipv4Address;
import zentrel.plan.*;
import zentrel.profile.Protocol;
import zentrel.profile.Traffic;

/**
 * What is to be carried.
 *
 * @param destinations the addresses typed in, for unicast; empty where the delivery finds its own
 * @param signal the stream or the link, for causes
 * @param reply whether it answers what came from there, so that a firewall that knows of the question lets it in
 */
record Shipment(
        Application from,
        Purpose send,
        Application to,
        Purpose listen,
        Traffic traffic,
        Delivery delivery,
        List<Ipv4Address> destinations,
        Id<?> signal,
        boolean reply) {
    /** What somebody sends of himself. */
    Shipment(
            Application from,
            Purpose send,
            Application to,
            Purpose listen,
            Traffic traffic,
            Delivery delivery,
            List<Ipv4Address> destinations,
            Id<?> signal) {
        this(from, send, to, listen, traffic, delivery, destinations, signal, false);
    }

    /** The UDP port that it comes to; empty for a stream of a console's own, of which nobody else knows. */
    Optional<Integer> port() {
        return switch (traffic) {
            case ARTNET, SACN -> Optional.of(traffic.port().orElseThrow());
            case OSC -> to.osc().map(o -> o.port().inForce());
            case OWN -> Optional.empty();
        };
    }

    /** The TTL that the sender was told to use, for levels; empty where it is left to the system. */
    Optional<Integer> ttl() {
        return Arrays.stream(Protocol.values())
                .filter(p -> p.onNetwork() && Purpose.sending(p) == send)
                .findFirst()
                .flatMap(p -> from.output(p).ttl());
    }

    /** The same to other destinations. */
    Shipment to(Delivery by, List<Ipv4Address> addresses) {
        return new Shipment(from, send, to, listen, traffic, by, addresses, signal, reply);
    }
}
