package zentrel.plan;

import zentrel.ipv4.Ipv4Address;

/**
 * What an adapter gives out to those on its segment that ask (RFC 2131).
 *
 * @param first the first address of its pool
 * @param last the last one, not before the first
 */
public record DhcpServer(Setting<Boolean> enabled, Ipv4Address first, Ipv4Address last) {
    public DhcpServer {
        if (first.compareTo(last) > 0) {
            throw new IllegalArgumentException(
                    "A pool goes from its first address to its last; " + first + " is after " + last + ".");
        }
    }

    /** Whether it may give this address to anybody. */
    public boolean holds(Ipv4Address address) {
        return address.compareTo(first) >= 0 && address.compareTo(last) <= 0;
    }

    /** How many addresses its pool has. */
    public long size() {
        return Integer.toUnsignedLong(last.bits()) - Integer.toUnsignedLong(first.bits()) + 1;
    }

    /** The words for its pool. */
    public String pool() {
        return first + " to " + last;
    }
}
