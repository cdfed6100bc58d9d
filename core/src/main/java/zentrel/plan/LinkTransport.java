package zentrel.plan;

import zentrel.text.Word;

/** How OSC packets travel. */
public enum LinkTransport implements Word {
    /** One packet in each datagram. */
    UDP("UDP"),
    /** In a TCP stream, each packet after its length in four bytes (OSC 1.0). */
    TCP_LENGTH("TCP, each packet after its length"),
    /** In a TCP stream, each packet between SLIP end characters (OSC 1.1, RFC 1055). */
    TCP_SLIP("TCP, packets parted by SLIP");

    private final String title;

    LinkTransport(String title) {
        this.title = title;
    }

    /** What people call it. */
    public String title() {
        return title;
    }
}
