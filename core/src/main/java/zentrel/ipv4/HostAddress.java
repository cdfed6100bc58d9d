package zentrel.ipv4;

/**
 * An address as an adapter has it: with the length of its network part. Whether a host may have it at all is
 * {@link SpecialAddresses}' affair, so that a plan can hold the mistake and name it.
 *
 * @param address the address
 * @param prefixLength bits of the network part, 0–32
 */
public record HostAddress(Ipv4Address address, int prefixLength) {
    public HostAddress {
        if (prefixLength < 0 || prefixLength > 32) {
            throw new IllegalArgumentException("A mask has 0–32 bits, not " + prefixLength + ".");
        }
    }

    /**
     * Reads {@code 10.41.1.1/16} or {@code 10.41.1.1/255.255.0.0}.
     *
     * @throws IllegalArgumentException with a sentence that says what is wrong
     */
    public static HostAddress parse(String text) {
        int slash = text.indexOf('/');
        if (slash < 0) {
            Ipv4Address address = Ipv4Address.parse(text);
            throw new IllegalArgumentException(
                    "The mask is missing: write " + address + "/16 or " + address + "/255.255.0.0.");
        }
        return new HostAddress(Ipv4Address.parse(text.substring(0, slash)), maskLength(text.substring(slash + 1)));
    }

    /**
     * The number of network bits that a mask, or a length as text, stands for.
     *
     * @throws IllegalArgumentException if the mask has gaps, or is neither a length nor a mask
     */
    public static int maskLength(String text) {
        if (text.matches("[0-9]{1,2}")) {
            int length = Integer.parseInt(text);
            if (length <= 32 && (text.length() == 1 || text.charAt(0) != '0')) {
                return length;
            }
        }
        if (!text.contains(".")) {
            throw new IllegalArgumentException(
                    "\"" + text + "\" is not a mask: write a length from 0 to 32 or four numbers.");
        }
        int bits = Ipv4Address.parse(text).bits();
        int length = Integer.bitCount(bits);
        if (mask(length) != bits) {
            throw new IllegalArgumentException("\"" + text + "\" is not a mask: its ones are not all at the front.");
        }
        return length;
    }

    public static int mask(int prefixLength) {
        return prefixLength == 0 ? 0 : -1 << (32 - prefixLength);
    }

    public Ipv4Address mask() {
        return new Ipv4Address(mask(prefixLength));
    }

    public Subnet subnet() {
        return new Subnet(new Ipv4Address(address.bits() & mask(prefixLength)), prefixLength);
    }

    /** The directed broadcast by this adapter's own mask: the last address of its subnet. */
    public Ipv4Address broadcast() {
        return subnet().last();
    }

    /** Whether {@code other} is on-link by this adapter's mask. */
    public boolean sees(Ipv4Address other) {
        return subnet().contains(other);
    }

    @Override
    public String toString() {
        return address + "/" + prefixLength;
    }
}
