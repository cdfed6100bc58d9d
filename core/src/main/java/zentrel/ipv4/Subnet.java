package zentrel.ipv4;

/**
 * An address range given by a network address and a length.
 *
 * @param network the first address; its host bits are zero
 * @param prefixLength 0–32
 */
public record Subnet(Ipv4Address network, int prefixLength) {
    public Subnet {
        if (prefixLength < 0 || prefixLength > 32) {
            throw new IllegalArgumentException("A mask has 0–32 bits, not " + prefixLength + ".");
        }
        int masked = network.bits() & HostAddress.mask(prefixLength);
        if (masked != network.bits()) {
            throw new IllegalArgumentException(network + "/" + prefixLength + " is a host in the subnet "
                    + new Ipv4Address(masked) + "/" + prefixLength + "; write the subnet.");
        }
    }

    /**
     * Reads {@code 10.41.0.0/16}.
     *
     * @throws IllegalArgumentException with a sentence; where host bits are set it names the network that was meant
     */
    public static Subnet parse(String text) {
        HostAddress parsed = HostAddress.parse(text);
        return new Subnet(parsed.address(), parsed.prefixLength());
    }

    public boolean contains(Ipv4Address address) {
        return (address.bits() & HostAddress.mask(prefixLength)) == network.bits();
    }

    public boolean overlaps(Subnet other) {
        return contains(other.network) || other.contains(network);
    }

    /** The last address: the directed broadcast, except in /31 and /32. */
    public Ipv4Address last() {
        return new Ipv4Address(network.bits() | ~HostAddress.mask(prefixLength));
    }

    /** How many hosts fit: all but the first and the last address, except in /31 (two, RFC 3021) and /32 (one). */
    public long hostCount() {
        long size = 1L << (32 - prefixLength);
        return prefixLength >= 31 ? size : size - 2;
    }

    public Ipv4Address firstHost() {
        return prefixLength >= 31 ? network : network.plus(1);
    }

    public Ipv4Address lastHost() {
        return prefixLength >= 31 ? last() : last().plus(-1);
    }

    @Override
    public String toString() {
        return network + "/" + prefixLength;
    }
}
