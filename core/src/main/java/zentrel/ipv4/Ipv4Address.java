package zentrel.ipv4;

/**
 * One IPv4 address.
 *
 * @param bits the 32 bits, the first octet in the highest eight
 */
public record Ipv4Address(int bits) implements Comparable<Ipv4Address> {
    /** 127.0.0.1 (RFC 1122 §3.2.1.3). */
    public static final Ipv4Address LOOPBACK = of(127, 0, 0, 1);

    /** No address in particular, 0.0.0.0 (RFC 1122 §3.2.1.3). */
    public static final Ipv4Address ANY = new Ipv4Address(0);

    /** The limited broadcast, 255.255.255.255 (RFC 919). */
    public static final Ipv4Address LIMITED_BROADCAST = new Ipv4Address(-1);

    /** An address from four octets, each 0–255. */
    public static Ipv4Address of(int a, int b, int c, int d) {
        for (int octet : new int[] {a, b, c, d}) {
            if (octet < 0 || octet > 255) {
                throw new IllegalArgumentException("An octet is 0–255, not " + octet + ".");
            }
        }
        return new Ipv4Address(a << 24 | b << 16 | c << 8 | d);
    }

    /**
     * Reads four decimal octets and nothing else: no names, no missing octets, no leading zeros (they mean octal to some
     * systems), no blanks.
     *
     * @throws IllegalArgumentException with a sentence that says what is wrong
     */
    public static Ipv4Address parse(String text) {
        if (text.isEmpty()) {
            throw new IllegalArgumentException("An address is missing here: four numbers such as 10.41.1.1.");
        }
        String shown = text.length() > 40 ? text.substring(0, 40) + "…" : text;
        String[] parts = text.split("\\.", -1);
        if (parts.length != 4) {
            throw new IllegalArgumentException(
                    "\"" + shown + "\" is not an address: it has " + parts.length + " numbers, not four.");
        }
        int bits = 0;
        for (String part : parts) {
            bits = bits << 8 | octet(part, shown);
        }
        return new Ipv4Address(bits);
    }

    private static boolean isDigits(String text) {
        for (int i = 0; i < text.length(); i++) {
            if (text.charAt(i) < '0' || text.charAt(i) > '9') {
                return false;
            }
        }
        return true;
    }

    private static int octet(String part, String shown) {
        if (part.isEmpty() || part.length() > 3 || !isDigits(part)) {
            throw new IllegalArgumentException(
                    "\"" + shown + "\" is not an address: \"" + part + "\" is not a number from 0 to 255.");
        }
        if (part.length() > 1 && part.charAt(0) == '0') {
            throw new IllegalArgumentException("\"" + shown + "\" is not an address: write " + Integer.parseInt(part)
                    + " without leading zeros, which some systems read as octal.");
        }
        int value = Integer.parseInt(part);
        if (value > 255) {
            throw new IllegalArgumentException("\"" + shown + "\" is not an address: " + value + " is above 255.");
        }
        return value;
    }

    /** The octet at {@code index}, 0 (leftmost) to 3. */
    public int octet(int index) {
        return bits >>> (24 - 8 * index) & 0xFF;
    }

    /** The address {@code distance} further on; wraps at the end of the address space. */
    public Ipv4Address plus(int distance) {
        return new Ipv4Address(bits + distance);
    }

    public boolean isLoopback() {
        return octet(0) == 127;
    }

    /** Whether this is a group address, 224/4 (RFC 1112). */
    public boolean isMulticast() {
        return octet(0) >= 224 && octet(0) < 240;
    }

    /** Whether this is self-assigned, 169.254/16 (RFC 3927 §2.1). */
    public boolean isLinkLocal() {
        return octet(0) == 169 && octet(1) == 254;
    }

    @Override
    public int compareTo(Ipv4Address other) {
        return Integer.compareUnsigned(bits, other.bits);
    }

    @Override
    public String toString() {
        return octet(0) + "." + octet(1) + "." + octet(2) + "." + octet(3);
    }
}
