package zentrel.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import zentrel.ipv4.Ipv4Address;

/**
 * A network adapter of a host.
 *
 * @param segment where it is plugged in, if anywhere
 * @param enabled whether it is switched on
 * @param carrier whether its cable (or Wi-Fi) is connected; a virtual adapter needs none
 * @param addresses all its addresses, the first one first; empty while it waits for one
 * @param gateway the router it was told
 * @param mac its hardware address, as people write it
 * @param routes ways to other networks that it was told
 * @param metric how early the system takes it among several, the lowest first; empty where the system decides by itself
 * @param serves what it gives out by DHCP, if it does
 * @param pinned whether its addresses stay when others are given out anew
 */
public record Adapter(
        AdapterId id,
        String name,
        AdapterKind kind,
        Optional<SegmentId> segment,
        Setting<Boolean> enabled,
        boolean carrier,
        List<AdapterAddress> addresses,
        Optional<Ipv4Address> gateway,
        Optional<String> mac,
        List<Route> routes,
        Optional<Integer> metric,
        Optional<DhcpServer> serves,
        boolean pinned)
        implements Named {
    public Adapter {
        addresses = List.copyOf(addresses);
        routes = List.copyOf(routes);
    }

    /** An adapter that was told no routes and gives nothing out. */
    public Adapter(
            AdapterId id,
            String name,
            AdapterKind kind,
            Optional<SegmentId> segment,
            Setting<Boolean> enabled,
            boolean carrier,
            List<AdapterAddress> addresses,
            Optional<Ipv4Address> gateway,
            Optional<String> mac) {
        this(
                id,
                name,
                kind,
                segment,
                enabled,
                carrier,
                addresses,
                gateway,
                mac,
                List.of(),
                Optional.empty(),
                Optional.empty(),
                false);
    }

    /** Whether it needs a cable or radio to reach anybody. */
    public boolean needsCarrier() {
        return kind == AdapterKind.WIRED || kind == AdapterKind.WIRELESS;
    }

    /** Whether it is switched on and connected. */
    public boolean isUp() {
        return enabled.inForce() && (carrier || !needsCarrier());
    }

    public Adapter withEnabled(Setting<Boolean> value) {
        return new Adapter(
                id, name, kind, segment, value, carrier, addresses, gateway, mac, routes, metric, serves, pinned);
    }

    public Adapter withCarrier(boolean value) {
        return new Adapter(
                id, name, kind, segment, enabled, value, addresses, gateway, mac, routes, metric, serves, pinned);
    }

    /** This adapter, plugged in nowhere. */
    public Adapter withoutSegment() {
        return new Adapter(
                id,
                name,
                kind,
                Optional.empty(),
                enabled,
                false,
                addresses,
                gateway,
                mac,
                routes,
                metric,
                serves,
                pinned);
    }

    public Adapter withSegment(SegmentId value) {
        return new Adapter(
                id,
                name,
                kind,
                Optional.of(value),
                enabled,
                carrier,
                addresses,
                gateway,
                mac,
                routes,
                metric,
                serves,
                pinned);
    }

    public Adapter withGateway(Optional<Ipv4Address> value) {
        return new Adapter(
                id, name, kind, segment, enabled, carrier, addresses, value, mac, routes, metric, serves, pinned);
    }

    public Adapter withMac(Optional<String> value) {
        return new Adapter(
                id, name, kind, segment, enabled, carrier, addresses, gateway, value, routes, metric, serves, pinned);
    }

    public Adapter withAddresses(List<AdapterAddress> value) {
        return new Adapter(
                id, name, kind, segment, enabled, carrier, value, gateway, mac, routes, metric, serves, pinned);
    }

    public Adapter withRoutes(List<Route> value) {
        return new Adapter(
                id, name, kind, segment, enabled, carrier, addresses, gateway, mac, value, metric, serves, pinned);
    }

    public Adapter withMetric(Optional<Integer> value) {
        return new Adapter(
                id, name, kind, segment, enabled, carrier, addresses, gateway, mac, routes, value, serves, pinned);
    }

    public Adapter withServes(Optional<DhcpServer> value) {
        return new Adapter(
                id, name, kind, segment, enabled, carrier, addresses, gateway, mac, routes, metric, value, pinned);
    }

    public Adapter withPinned(boolean value) {
        return new Adapter(
                id, name, kind, segment, enabled, carrier, addresses, gateway, mac, routes, metric, serves, value);
    }

    /** What it gives out by DHCP as long as it is switched on to do so. */
    public Optional<DhcpServer> serving() {
        return serves.filter(s -> s.enabled().inForce());
    }

    /** This adapter with the address at {@code index} replaced, or added where {@code index} is the number of addresses. */
    public Adapter withAddress(int index, AdapterAddress value) {
        List<AdapterAddress> list = new ArrayList<>(addresses);
        if (index == list.size()) {
            list.add(value);
        } else {
            list.set(index, value);
        }
        return withAddresses(list);
    }
}
