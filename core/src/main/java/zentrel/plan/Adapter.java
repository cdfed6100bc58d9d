package zentrel.plan;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
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
 * @param pinned whether its addresses stay when others are assigned again
 * @param plug the socket that it is plugged into
 */
@RecordBuilder
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
        implements Named, AdapterBuilder.With {
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

    /** This adapter, plugged in nowhere. */
    public Adapter withoutSegment() {
        return withSegment(Optional.empty()).withCarrier(false);
    }

    public Adapter withSegment(Id<Segment> value) {
        return withSegment(Optional.of(value));
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
