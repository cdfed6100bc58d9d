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
        Optional<String> mac)
        implements Named {
    public Adapter {
        addresses = List.copyOf(addresses);
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
        return new Adapter(id, name, kind, segment, value, carrier, addresses, gateway, mac);
    }

    public Adapter withCarrier(boolean value) {
        return new Adapter(id, name, kind, segment, enabled, value, addresses, gateway, mac);
    }

    /** This adapter, plugged in nowhere. */
    public Adapter withoutSegment() {
        return new Adapter(id, name, kind, Optional.empty(), enabled, false, addresses, gateway, mac);
    }

    public Adapter withSegment(SegmentId value) {
        return new Adapter(id, name, kind, Optional.of(value), enabled, carrier, addresses, gateway, mac);
    }

    public Adapter withGateway(Optional<Ipv4Address> value) {
        return new Adapter(id, name, kind, segment, enabled, carrier, addresses, value, mac);
    }

    public Adapter withMac(Optional<String> value) {
        return new Adapter(id, name, kind, segment, enabled, carrier, addresses, gateway, value);
    }

    public Adapter withAddresses(List<AdapterAddress> value) {
        return new Adapter(id, name, kind, segment, enabled, carrier, value, gateway, mac);
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
