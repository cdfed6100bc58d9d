package zentrel.plan;

import java.util.Optional;
import zentrel.ipv4.Ipv4Address;
import zentrel.ipv4.Subnet;

/**
 * A way to a network that an adapter was told, beside those of its own addresses and its gateway.
 *
 * @param to the network it leads to
 * @param via the router on the adapter's own network; empty where the network is on its own cable
 */
public record Route(Subnet to, Optional<Ipv4Address> via) {}
