package zentrel.plan;

import java.util.Optional;
import zentrel.ipv4.HostAddress;

/**
 * A network adapter that every box of a profile has.
 *
 * @param factory the address it leaves the factory with, if it has one
 * @param dhcp whether it asks for an address as long as nobody set one
 */
public record ProfileAdapter(String name, AdapterKind kind, Optional<HostAddress> factory, boolean dhcp) {}
