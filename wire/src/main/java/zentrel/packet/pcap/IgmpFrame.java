package zentrel.packet.pcap;

import java.nio.ByteBuffer;
import java.util.Optional;
import zentrel.ipv4.Ipv4Address;

/** Takes a query of IGMP out of a recorded frame (RFC 3376 §4.1): somebody asks which groups are wanted. */
public final class IgmpFrame {
    private static final int IGMP = 2;
    private static final int QUERY = 0x11;

    private IgmpFrame() {}

    /** Who asks in a frame, from position to limit, which groups are wanted; empty where it is something else. */
    public static Optional<Ipv4Address> querier(ByteBuffer b, int linkType) {
        int ip = Frames.ipv4(b, linkType);
        if (ip == Frames.NONE || b.limit() - ip < 28) {
            return Optional.empty();
        }
        int first = b.get(ip) & 0xFF;
        int head = (first & 0xF) * 4; // 24 with the router alert of RFC 2113
        if (first >> 4 != 4 || head < 20 || ip + head + 8 > b.limit() || (b.get(ip + 9) & 0xFF) != IGMP) {
            return Optional.empty();
        }
        return (b.get(ip + head) & 0xFF) == QUERY ? Optional.of(new Ipv4Address(b.getInt(ip + 12))) : Optional.empty();
    }
}
