package zentrel.plan;

import zentrel.ipv4.HostAddress;

/** One address of an adapter, and how it came by it. */
public record AdapterAddress(Setting<HostAddress> address, AddressOrigin origin) {
    /** The address that counts now. */
    public HostAddress inForce() {
        return address.inForce();
    }
}
