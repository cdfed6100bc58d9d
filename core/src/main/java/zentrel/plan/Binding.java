package zentrel.plan;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import zentrel.ipv4.Ipv4Address;

/**
 * The adapters that one purpose of an application uses.
 *
 * @param adapters named adapters, in order; empty unless the mode is {@link BindingMode#ADAPTERS}
 * @param addresses the one address that is used of an adapter which has several, by adapter; any of them where it is not in here
 */
public record Binding(BindingMode mode, List<Id<Adapter>> adapters, Map<Id<Adapter>, Ipv4Address> addresses) {
    public static final Binding AUTOMATIC = new Binding(BindingMode.AUTOMATIC, List.of());
    public static final Binding ALL = new Binding(BindingMode.ALL, List.of());
    public static final Binding FIRST = new Binding(BindingMode.FIRST, List.of());
    public static final Binding LOOPBACK = new Binding(BindingMode.LOOPBACK, List.of());

    public Binding {
        adapters = List.copyOf(adapters);
        addresses = Map.copyOf(addresses);
        if (!adapters.containsAll(addresses.keySet())) {
            throw new IllegalArgumentException("A binding names an address of an adapter that it uses.");
        }
        if ((mode == BindingMode.ADAPTERS) == adapters.isEmpty()) {
            throw new IllegalArgumentException("A binding names adapters, or says automatic, all, first or loopback.");
        }
    }

    /** A binding to all addresses of its adapters. */
    public Binding(BindingMode mode, List<Id<Adapter>> adapters) {
        this(mode, adapters, Map.of());
    }

    /** The same, by one of the addresses of one of its adapters. */
    public Binding at(Id<Adapter> adapter, Ipv4Address address) {
        Map<Id<Adapter>, Ipv4Address> next = new HashMap<>(addresses);
        next.put(adapter, address);
        return new Binding(mode, adapters, next);
    }

    /** The address that is used of an adapter, where one is named. */
    public Optional<Ipv4Address> addressOf(Id<Adapter> adapter) {
        return Optional.ofNullable(addresses.get(adapter));
    }

    public static Binding to(Id<Adapter> adapter) {
        return new Binding(BindingMode.ADAPTERS, List.of(adapter));
    }

    @Override
    public String toString() {
        return mode != BindingMode.ADAPTERS
                ? mode.word()
                : adapters.stream()
                        .map(a -> a.value() + addressOf(a).map(x -> " at " + x).orElse(""))
                        .toList()
                        .toString();
    }
}
