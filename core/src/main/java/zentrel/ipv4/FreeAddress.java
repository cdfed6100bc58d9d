package zentrel.ipv4;

import java.util.Optional;
import java.util.Set;

/** Finds an address that nobody has. */
public final class FreeAddress {
    private FreeAddress() {}

    /**
     * The first free host address of {@code subnet} after {@code near}, going round at the end; empty if there is none.
     *
     * @param near where to start; outside the subnet, the search starts at its first host
     */
    public static Optional<Ipv4Address> after(Ipv4Address near, Subnet subnet, Set<Ipv4Address> used) {
        Ipv4Address start = subnet.contains(near) ? near : subnet.network();
        long size = 1L << (32 - subnet.prefixLength());
        long tries = Math.min(size, used.size() + 4L);
        int offset = start.bits() - subnet.network().bits();
        for (long i = 1; i <= tries; i++) {
            Ipv4Address candidate = subnet.network().plus((int) ((Integer.toUnsignedLong(offset) + i) % size));
            HostAddress asHost = new HostAddress(candidate, subnet.prefixLength());
            if (!used.contains(candidate)
                    && SpecialAddresses.notOnANetwork(asHost).isEmpty()) {
                return Optional.of(candidate);
            }
        }
        return Optional.empty();
    }
}
