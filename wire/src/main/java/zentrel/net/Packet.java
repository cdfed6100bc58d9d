package zentrel.net;

import java.nio.ByteBuffer;
import zentrel.ipv4.Ipv4Address;

/**
 * A UDP packet that arrived.
 *
 * @param time by the net's clock
 * @param adapter where it arrived
 * @param destination where it was sent to: the adapter's address, its broadcast address, or a group. A real system does not tell the
 *     two kinds of broadcast apart, so there the directed one stands for both
 * @param ttl how many more routers it might have passed; {@link #NOT_KNOWN} where the system does not say
 * @param payload its content, from position to limit; the net uses the buffer again after the call, so what is kept is copied
 */
public record Packet(
        long time,
        NetAdapter adapter,
        Ipv4Address source,
        int sourcePort,
        Ipv4Address destination,
        int destinationPort,
        int ttl,
        ByteBuffer payload) {
    public static final int NOT_KNOWN = -1;

    /** The content, copied. */
    public byte[] bytes() {
        byte[] bytes = new byte[payload.remaining()];
        payload.get(payload.position(), bytes);
        return bytes;
    }
}
