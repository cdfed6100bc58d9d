package zentrel.net.sim;

import java.util.List;
import java.util.Optional;
import zentrel.ipv4.Ipv4Address;

/** What a simulated program's ports are bound to. */
public sealed interface SimBinding {
    /** Nothing: the system chooses for what is sent and for groups, and all adapters are heard. */
    SimBinding AUTOMATIC = new Automatic();

    /** 127.0.0.1 only. */
    SimBinding LOOPBACK = new Loopback();

    /** One adapter, and where it has several addresses, one of them. */
    static SimBinding to(SimAdapter adapter, Optional<Ipv4Address> address) {
        return new On(List.of(adapter), address);
    }

    /** Several adapters: it is sent by the first, and all are heard. */
    static SimBinding to(List<SimAdapter> adapters) {
        return new On(adapters, Optional.empty());
    }

    /** {@link #AUTOMATIC}. */
    record Automatic() implements SimBinding {}

    /** {@link #LOOPBACK}. */
    record Loopback() implements SimBinding {}

    /** Named adapters. */
    record On(List<SimAdapter> adapters, Optional<Ipv4Address> address) implements SimBinding {
        public On {
            adapters = List.copyOf(adapters);
            if (adapters.isEmpty()) {
                throw new IllegalArgumentException("A binding to adapters names one at least.");
            }
        }

        SimAdapter first() {
            return adapters.get(0);
        }
    }
}
