package zentrel.net;

import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;

/**
 * An adapter with one of its addresses, as it is now.
 *
 * @param name as the system names it
 * @param address its address and mask
 * @param up whether it is switched on and connected
 * @param wireless whether it is known to be wireless; a real system does not always say
 * @param loopback whether it leads nowhere but to its own computer
 */
public record NetAdapter(String name, HostAddress address, boolean up, boolean wireless, boolean loopback) {
    /** The address that reaches everybody on the adapter's segment. */
    public Ipv4Address broadcast() {
        return address.broadcast();
    }

    @Override
    public String toString() {
        return address.address() + " (" + name + ")";
    }
}
