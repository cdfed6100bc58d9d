package zentrel.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import zentrel.ipv4.Ipv4Address;
import zentrel.ipv4.Subnet;

/**
 * A way to a network that an adapter was told, beside those of its own addresses and its gateway.
 *
 * @param to the network it leads to
 * @param via the router on the adapter's own network; empty where the network is on its own cable
 */
public record Route(Subnet to, Optional<Ipv4Address> via) {
    /** As people type it: {@code 10.90.0.0/16 by 10.41.0.9}. */
    public String text() {
        return to + via.map(v -> " by " + v).orElse("");
    }

    /**
     * Reads routes with commas between them.
     *
     * @throws IllegalArgumentException with a sentence about the one that will not do
     */
    public static List<Route> parse(String text) {
        List<Route> routes = new ArrayList<>();
        for (String one : text.split(",", -1)) {
            if (one.isBlank()) {
                continue;
            }
            String[] parts = one.strip().split("\\s+(?:by|via)\\s+", -1);
            if (parts.length > 2) {
                throw new IllegalArgumentException("\"" + one.strip()
                        + "\" is no route; write a network and its router, as in 10.90.0.0/16 by" + " 10.41.0.9.");
            }
            routes.add(new Route(
                    Subnet.parse(parts[0].strip()),
                    parts.length == 2 ? Optional.of(Ipv4Address.parse(parts[1].strip())) : Optional.empty()));
        }
        return routes;
    }
}
