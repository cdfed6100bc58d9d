package zentrel.ipv4;

import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;

/** Finds an address that nobody has. */
public final class FreeAddress {
    /** No subnet has more addresses one after the other that no host may be given, unless none may be: those of RFC 3927 §2.1. */
    private static final int NEVER_GIVEN = 516;

    private FreeAddress() {}

    /**
     * The first free host address of {@code subnet} after {@code near}, going round at the end; empty if there is none.
     *
     * @param near where to start; outside the subnet, the search starts at its first host
     */
    public static Optional<Ipv4Address> after(Ipv4Address near, Subnet subnet, Set<Ipv4Address> used) {
        return after(near, subnet, used::contains, used.size());
    }

    /**
     * The same, for what is taken by any rule.
     *
     * @param most how many addresses of the subnet may be taken at most, which bounds the search
     */
    public static Optional<Ipv4Address> after(
            Ipv4Address near, Subnet subnet, Predicate<Ipv4Address> taken, long most) {
        Ipv4Address start = subnet.contains(near) ? near : subnet.network();
        long size = 1L << (32 - subnet.prefixLength());
        long tries = Math.min(size, most + NEVER_GIVEN);
        int offset = start.bits() - subnet.network().bits();
        for (long i = 1; i <= tries; i++) {
            Ipv4Address candidate = subnet.network().plus((int) ((Integer.toUnsignedLong(offset) + i) % size));
            HostAddress asHost = new HostAddress(candidate, subnet.prefixLength());
            if (!taken.test(candidate) && SpecialAddresses.mayBeGiven(asHost)) {
                return Optional.of(candidate);
            }
        }
        return Optional.empty();
    }
}
