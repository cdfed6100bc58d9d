package zentrel.path;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.ipv4.Subnet;
import zentrel.plan.Adapter;
import zentrel.plan.AdapterAddress;
import zentrel.plan.Host;
import zentrel.plan.Route;
import zentrel.profile.AdapterKind;
import zentrel.profile.OperatingSystem;

/**
 * By which adapter a host sends to an address that no application bound to one: the way with the longest prefix over all its
 * adapters, among equals the one with the lowest metric, among those the one listed first (RFC 1812 §5.2.4.3 for the prefix;
 * the order among equals as the Linux kernel does it, tested against it).
 */
public final class RouteTable {
    /**
     * One way.
     *
     * @param via the router on it; empty where the network is on the adapter's own cable
     * @param source the address that packets bear as their sender
     */
    public record Way(Subnet to, Adapter by, Optional<Ipv4Address> via, HostAddress source, int metric) {}

    private static final Subnet EVERYWHERE = Subnet.parse("0.0.0.0/0");

    private final List<Way> ways = new ArrayList<>();
    private final List<Ipv4Address> own = new ArrayList<>();

    private RouteTable(Host host) {
        for (Adapter adapter : host.adapters()) {
            adapter.addresses().forEach(a -> own.add(a.inForce().address()));
            if (adapter.kind() != AdapterKind.LOOPBACK && usable(host, adapter)) {
                ofAdapter(adapter);
            }
        }
    }

    private RouteTable(Adapter adapter) {
        adapter.addresses().forEach(a -> own.add(a.inForce().address()));
        ofAdapter(adapter);
    }

    public static RouteTable of(Host host) {
        return new RouteTable(host);
    }

    /** The ways of one adapter as it is set, whether it is up or not; for what is bound to it. */
    static RouteTable of(Adapter adapter) {
        return new RouteTable(adapter);
    }

    /** Linux keeps address and ways of an adapter that has lost its cable; the others do not. */
    private static boolean usable(Host host, Adapter adapter) {
        return adapter.enabled().inForce()
                && !adapter.addresses().isEmpty()
                && (adapter.isUp() || host.system() == OperatingSystem.LINUX);
    }

    private void ofAdapter(Adapter adapter) {
        int metric = adapter.metric().orElse(0);
        for (AdapterAddress address : adapter.addresses()) {
            HostAddress own = address.inForce();
            if (own.prefixLength() < 32) {
                ways.add(new Way(own.subnet(), adapter, Optional.empty(), own, metric));
            }
        }
        for (Route route : adapter.routes()) {
            way(adapter, route.to(), route.via(), metric);
        }
        adapter.gateway().ifPresent(g -> way(adapter, EVERYWHERE, Optional.of(g), metric));
    }

    /** A way by a router needs the router next door. */
    private void way(Adapter adapter, Subnet to, Optional<Ipv4Address> via, int metric) {
        adapter.addresses().stream()
                .map(AdapterAddress::inForce)
                .filter(a -> via.isEmpty() || a.sees(via.get()))
                .findFirst()
                .ifPresent(source -> ways.add(new Way(to, adapter, via, source, metric)));
    }

    /** Whether the address is one of the host's own, so that nothing leaves. */
    public boolean isOwn(Ipv4Address address) {
        return address.isLoopback() || own.contains(address);
    }

    /** The way that the system takes; empty where it has none and says "unreachable". */
    public Optional<Way> to(Ipv4Address destination) {
        return best(destination).stream().findFirst();
    }

    /** All ways that are equally long and cheap, the one that Linux takes first; more than one is a lottery elsewhere. */
    public List<Way> best(Ipv4Address destination) {
        List<Way> best = new ArrayList<>();
        for (Way way : ways) {
            if (!way.to().contains(destination)) {
                continue;
            }
            int better = best.isEmpty() ? 1 : compare(way, best.get(0));
            if (better > 0) {
                best.clear();
            }
            if (better >= 0) {
                best.add(way);
            }
        }
        return best;
    }

    private static int compare(Way a, Way b) {
        int length = Integer.compare(a.to().prefixLength(), b.to().prefixLength());
        return length != 0 ? length : Integer.compare(b.metric(), a.metric());
    }
}
