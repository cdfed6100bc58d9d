package zentrel.path;

import java.util.Optional;
import zentrel.ipv4.HostAddress;
import zentrel.plan.*;

/**
 * What hops 2 to 7 found.
 *
 * @param out the sender's adapter, as mended
 * @param in the receiver's adapter, as mended
 * @param source the sender's address
 * @param destination the receiver's address
 */
record Carried(
        Adapter out, Adapter in, Optional<HostAddress> source, Optional<HostAddress> destination, boolean sameHost) {}
