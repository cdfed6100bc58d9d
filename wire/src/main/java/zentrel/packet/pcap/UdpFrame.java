package zentrel.packet.pcap;

import java.nio.ByteBuffer;
import zentrel.ipv4.Ipv4Address;

/**
 * Takes the UDP packet out of a recorded frame: Ethernet with or without VLAN tags, raw IP, Linux cooked in both versions, BSD
 * loopback. One object reads many frames in place. Fragments, frames that were cut and everything else but UDP in IPv4 are none.
 */
public final class UdpFrame {
    private static final int UDP = 17;

    private int source;
    private int destination;
    private int sourcePort;
    private int destinationPort;
    private int ttl;
    private int payload;
    private int end;

    /** Whether a frame, from position to limit, is such a packet; then its fields are here until the next one is read. */
    public boolean read(ByteBuffer b, int linkType) {
        int ip = Frames.ipv4(b, linkType);
        if (ip == Frames.NONE || b.limit() - ip < 28) {
            return false;
        }
        int first = b.get(ip) & 0xFF;
        int head = (first & 0xF) * 4;
        if (first >> 4 != 4 || head < 20 || (b.get(ip + 9) & 0xFF) != UDP) {
            return false;
        }
        int total = b.getShort(ip + 2) & 0xFFFF;
        int fragment = b.getShort(ip + 6) & 0x3FFF; // more fragments, and the offset
        if (fragment != 0 || total < head + 8 || ip + total > b.limit()) {
            return false;
        }
        int udp = ip + head;
        int length = b.getShort(udp + 4) & 0xFFFF;
        if (length < 8 || udp + length > ip + total) {
            return false;
        }
        ttl = b.get(ip + 8) & 0xFF;
        source = b.getInt(ip + 12);
        destination = b.getInt(ip + 16);
        sourcePort = b.getShort(udp) & 0xFFFF;
        destinationPort = b.getShort(udp + 2) & 0xFFFF;
        payload = udp + 8;
        end = udp + length;
        return true;
    }

    public Ipv4Address source() {
        return new Ipv4Address(source);
    }

    public Ipv4Address destination() {
        return new Ipv4Address(destination);
    }

    public int sourcePort() {
        return sourcePort;
    }

    public int destinationPort() {
        return destinationPort;
    }

    /** How many more routers it might have passed. */
    public int ttl() {
        return ttl;
    }

    /** Its content; a view of the frame. */
    public ByteBuffer payload(ByteBuffer b) {
        return b.duplicate().limit(end).position(payload);
    }
}
