package zentrel.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import zentrel.ipv4.Ipv4Address;
import zentrel.profile.AdapterKind;
import zentrel.text.PlainText;

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
 * @param plug the socket that it is plugged into
 */
public record Adapter(
        Id<Adapter> id,
        String name,
        AdapterKind kind,
        Optional<Id<Segment>> segment,
        Setting<Boolean> enabled,
        boolean carrier,
        List<AdapterAddress> addresses,
        Optional<Ipv4Address> gateway,
        Optional<String> mac,
        List<Route> routes,
        Optional<Integer> metric,
        Optional<DhcpServer> serves,
        boolean pinned,
        Plug plug)
        implements Named {
    public Adapter {
        PlainText.require("The name of an adapter", name);
        mac.ifPresent(t -> PlainText.require("A hardware address", t));
        addresses = List.copyOf(addresses);
        routes = List.copyOf(routes);
    }

    /** An adapter that was told no routes and gives nothing out. */
    public Adapter(
            Id<Adapter> id,
            String name,
            AdapterKind kind,
            Optional<Id<Segment>> segment,
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
                false,
                Plug.USUAL);
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
        return with(d -> d.enabled = value);
    }

    public Adapter withCarrier(boolean value) {
        return with(d -> d.carrier = value);
    }

    /** This adapter, plugged in nowhere. */
    public Adapter withoutSegment() {
        return with(d -> {
            d.segment = Optional.empty();
            d.carrier = false;
        });
    }

    public Adapter withSegment(Id<Segment> value) {
        return with(d -> d.segment = Optional.of(value));
    }

    public Adapter withGateway(Optional<Ipv4Address> value) {
        return with(d -> d.gateway = value);
    }

    public Adapter withMac(Optional<String> value) {
        return with(d -> d.mac = value);
    }

    public Adapter withAddresses(List<AdapterAddress> value) {
        return with(d -> d.addresses = value);
    }

    public Adapter withRoutes(List<Route> value) {
        return with(d -> d.routes = value);
    }

    public Adapter withMetric(Optional<Integer> value) {
        return with(d -> d.metric = value);
    }

    public Adapter withServes(Optional<DhcpServer> value) {
        return with(d -> d.serves = value);
    }

    public Adapter withPinned(boolean value) {
        return with(d -> d.pinned = value);
    }

    public Adapter withPlug(Plug value) {
        return with(d -> d.plug = value);
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

    /** A copy that may be changed, before it is a value again. */
    private static final class Draft {
        private Id<Adapter> id;
        private String name;
        private AdapterKind kind;
        private Optional<Id<Segment>> segment;
        private Setting<Boolean> enabled;
        private boolean carrier;
        private List<AdapterAddress> addresses;
        private Optional<Ipv4Address> gateway;
        private Optional<String> mac;
        private List<Route> routes;
        private Optional<Integer> metric;
        private Optional<DhcpServer> serves;
        private boolean pinned;
        private Plug plug;

        private Draft(Adapter from) {
            id = from.id;
            name = from.name;
            kind = from.kind;
            segment = from.segment;
            enabled = from.enabled;
            carrier = from.carrier;
            addresses = from.addresses;
            gateway = from.gateway;
            mac = from.mac;
            routes = from.routes;
            metric = from.metric;
            serves = from.serves;
            pinned = from.pinned;
            plug = from.plug;
        }
    }

    private Adapter with(Consumer<Draft> change) {
        Draft d = new Draft(this);
        change.accept(d);
        return new Adapter(
                d.id,
                d.name,
                d.kind,
                d.segment,
                d.enabled,
                d.carrier,
                d.addresses,
                d.gateway,
                d.mac,
                d.routes,
                d.metric,
                d.serves,
                d.pinned,
                d.plug);
    }
}
