package zentrel.wire;

import zentrel.ipv4.Ipv4Address;

/** One datagram that arrived. */
public final class Datagram {
    private final Ipv4Address from;
    private final int fromPort;
    private final byte[] bytes;

    /**
     * A datagram.
     *
     * @param bytes handed over: nobody writes to them afterwards
     */
    public Datagram(Ipv4Address from, int fromPort, byte[] bytes) {
        this.from = from;
        this.fromPort = fromPort;
        this.bytes = bytes;
    }

    public Ipv4Address from() {
        return from;
    }

    public int fromPort() {
        return fromPort;
    }

    /** The content, not copied, for this is the busiest path of all; read only. */
    public byte[] bytes() {
        return bytes;
    }
}
