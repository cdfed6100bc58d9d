package zentrel.packet.pcap;

import java.nio.ByteBuffer;

/** Finds the IPv4 packet in a recorded frame: Ethernet with or without VLAN tags, raw IP, Linux cooked in both versions, BSD loopback. */
final class Frames {
    static final int NONE = -1;

    private static final int ETHERNET = 1;
    private static final int NULL = 0;
    private static final int RAW = 101;
    private static final int RAW_BSD = 12;
    private static final int RAW_IPV4 = 228;
    private static final int LOOP = 108;
    private static final int COOKED = 113;
    private static final int COOKED_2 = 276;
    private static final int TYPE_IPV4 = 0x0800;
    private static final int TYPE_VLAN = 0x8100;
    private static final int TYPE_SERVICE_VLAN = 0x88A8;
    private static final int TYPE_OLD_VLAN = 0x9100;

    private Frames() {}

    /** Where the IPv4 packet of a frame, from position to limit, begins; {@link #NONE} where there is none. */
    static int ipv4(ByteBuffer b, int linkType) {
        int p = b.position();
        int left = b.remaining();
        return switch (linkType) {
            case ETHERNET -> left < 14 ? NONE : afterType(b, p + 12);
            case RAW, RAW_BSD, RAW_IPV4 -> p;
            case COOKED -> left < 16 ? NONE : afterType(b, p + 14);
            case COOKED_2 -> left < 20 || (b.getShort(p) & 0xFFFF) != TYPE_IPV4 ? NONE : p + 20;
            case NULL, LOOP -> { // the address family in the byte order of the machine that recorded; IPv4 is 2
                if (left < 4) {
                    yield NONE;
                }
                int family = b.getInt(p);
                yield family == 2 || family == 2 << 24 ? p + 4 : NONE;
            }
            default -> NONE;
        };
    }

    /** Skips VLAN tags. */
    private static int afterType(ByteBuffer b, int at) {
        int p = at;
        while (p + 2 <= b.limit()) {
            int type = b.getShort(p) & 0xFFFF;
            if (type == TYPE_IPV4) {
                return p + 2;
            }
            if (type != TYPE_VLAN && type != TYPE_SERVICE_VLAN && type != TYPE_OLD_VLAN) {
                return NONE;
            }
            p += 4;
        }
        return NONE;
    }
}
