package zentrel.net.sim;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;

/**
 * By which adapter a simulated computer sends: the longest prefix, then the lowest metric, then the one listed first or a lottery
 * (RFC 1812 §5.2.4.3 for the prefix). Worked out for each packet, for adapters come and go.
 */
final class SimRoutes {
    /**
     * A way.
     *
     * @param next who gets the packet: the router, or the destination itself where it is on the adapter's own cable
     * @param source the address that the packet bears
     */
    record Hop(SimAdapter by, Ipv4Address next, HostAddress source) {}

    private record Candidate(int prefix, int metric, Hop hop) {}

    private final SimHost host;

    SimRoutes(SimHost host) {
        this.host = host;
    }

    /** The way to an address by any adapter. */
    Optional<Hop> to(Ipv4Address destination) {
        List<Candidate> all = new ArrayList<>();
        for (SimAdapter adapter : host.simAdapters()) {
            boolean usable = adapter.isEnabled()
                    && host.traits().powered()
                    && (adapter.hasCarrier() || host.traits().keepsRoutes());
            if (usable) {
                by(adapter, destination, all);
            }
        }
        return best(all);
    }

    /** The way to an address by one adapter, as it is set. */
    Optional<Hop> by(SimAdapter adapter, Ipv4Address destination) {
        List<Candidate> all = new ArrayList<>();
        by(adapter, destination, all);
        return best(all);
    }

    private static void by(SimAdapter adapter, Ipv4Address destination, List<Candidate> all) {
        for (HostAddress own : adapter.addresses()) {
            if (own.prefixLength() < 32 && own.subnet().contains(destination)) {
                all.add(new Candidate(own.prefixLength(), adapter.metric(), new Hop(adapter, destination, own)));
            }
        }
        for (SimAdapter.Way way : adapter.ways()) {
            if (!way.to().contains(destination)) {
                continue;
            }
            adapter.addresses().stream()
                    .filter(a -> way.via().isEmpty() || a.sees(way.via().get()))
                    .findFirst()
                    .ifPresent(source -> all.add(new Candidate(
                            way.to().prefixLength(),
                            adapter.metric(),
                            new Hop(adapter, way.via().orElse(destination), source))));
        }
    }

    /** By the adapter that is up and has the lowest metric, whatever its routes. */
    Optional<Hop> lowestMetric(Ipv4Address destination) {
        List<Candidate> all = new ArrayList<>();
        for (SimAdapter adapter : host.simAdapters()) {
            if (adapter.isUsable() && !adapter.addresses().isEmpty()) {
                HostAddress own = adapter.addresses().get(0);
                all.add(new Candidate(0, adapter.metric(), new Hop(adapter, destination, own)));
            }
        }
        return best(all);
    }

    private Optional<Hop> best(List<Candidate> all) {
        List<Hop> best = new ArrayList<>();
        int prefix = -1;
        int metric = Integer.MAX_VALUE;
        for (Candidate c : all) {
            if (c.prefix() > prefix || (c.prefix() == prefix && c.metric() < metric)) {
                best.clear();
                prefix = c.prefix();
                metric = c.metric();
            }
            if (c.prefix() == prefix && c.metric() == metric) {
                best.add(c.hop());
            }
        }
        if (best.isEmpty()) {
            return Optional.empty();
        }
        int which =
                host.traits().lottery() && best.size() > 1 ? host.net().random().nextInt(best.size()) : 0;
        return Optional.of(best.get(which));
    }
}
