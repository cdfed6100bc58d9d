package zentrel.net.sim;

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
        return new One(adapter, address);
    }

    /** {@link #AUTOMATIC}. */
    record Automatic() implements SimBinding {}

    /** {@link #LOOPBACK}. */
    record Loopback() implements SimBinding {}

    /** One adapter. */
    record One(SimAdapter adapter, Optional<Ipv4Address> address) implements SimBinding {}
}
