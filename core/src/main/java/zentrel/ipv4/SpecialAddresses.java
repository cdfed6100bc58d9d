package zentrel.ipv4;

import java.util.List;
import java.util.Optional;

/** Addresses that no host may have, with the document that says so. */
public final class SpecialAddresses {
    private SpecialAddresses() {}

    /**
     * Why {@code address} may not be given to a host, as the end of a sentence that starts with the address; empty if it
     * may. First and last of a subnet are hosts in /31 (RFC 3021) and /32.
     */
    public static Optional<String> notAHost(HostAddress address) {
        Ipv4Address a = address.address();
        if (a.octet(0) == 0) {
            return Optional.of("is in 0/8, which means \"this network\" (RFC 1122)");
        }
        if (a.equals(Ipv4Address.LIMITED_BROADCAST)) {
            return Optional.of("is the limited broadcast (RFC 919)");
        }
        if (a.isMulticast()) {
            return Optional.of("is a group, not a host (RFC 1112)");
        }
        if (a.octet(0) >= 240) {
            return Optional.of("is in 240/4, which is reserved (RFC 1112)");
        }
        if (address.prefixLength() <= 30) {
            if (a.equals(address.subnet().network())) {
                return Optional.of("is the first of its subnet " + address.subnet()
                        + ", which names the network itself (RFC 1122)");
            }
            if (a.equals(address.broadcast())) {
                return Optional.of(
                        "is the last of its subnet " + address.subnet() + ", which is its broadcast (RFC 1122)");
            }
        }
        return Optional.empty();
    }

    private static final List<Subnet> NOT_PUBLIC = List.of(
            Subnet.parse("10.0.0.0/8"),
            Subnet.parse("172.16.0.0/12"),
            Subnet.parse("192.168.0.0/16"),
            Subnet.parse("169.254.0.0/16"),
            Subnet.parse("127.0.0.0/8"),
            Subnet.parse("100.64.0.0/10"),
            Subnet.parse("192.0.2.0/24"),
            Subnet.parse("198.51.100.0/24"),
            Subnet.parse("203.0.113.0/24"));

    /**
     * Whether an address belongs to somebody on the internet: outside the private (RFC 1918), link-local (RFC 3927),
     * loopback (RFC 1122), shared (RFC 6598) and documentation ranges (RFC 5737).
     */
    public static boolean isPublic(Ipv4Address address) {
        return NOT_PUBLIC.stream().noneMatch(s -> s.contains(address));
    }

    /**
     * Why {@code address} may not be given to an adapter that leads to a network: the reasons of {@link #notAHost}, and
     * 127/8, which never leaves a host (RFC 1122 §3.2.1.3).
     */
    public static Optional<String> notOnANetwork(HostAddress address) {
        return address.address().isLoopback()
                ? Optional.of("is in 127/8, which never leaves a host (RFC 1122)")
                : notAHost(address);
    }

    /**
     * Whether an adapter that leads to a network may be given {@code address} anew: what {@link #notOnANetwork} lets through, but
     * for the first and the last 256 of 169.254/16, which are kept for later use (RFC 3927 §2.1).
     */
    public static boolean mayBeGiven(HostAddress address) {
        int third = address.address().octet(2);
        return notOnANetwork(address).isEmpty() && !(address.address().isLinkLocal() && (third == 0 || third == 255));
    }
}
