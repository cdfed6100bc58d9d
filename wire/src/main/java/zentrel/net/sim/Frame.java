package zentrel.net.sim;

import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;

/**
 * What runs through a simulated cable.
 *
 * @param packet the number of the packet for which it is sent: its own, or the one that waits for an ARP answer; 0 for none
 * @param source the hardware address that sends it
 * @param target the hardware address that it is for
 * @param passed how many switches it has come through
 * @param vlan the VLAN that a switch put it in (IEEE 802.1Q); 0 for none
 */
record Frame(long packet, long source, long target, Body body, int passed, int vlan) {
    /** The hardware address of all. */
    static final long EVERYBODY = 0xFFFF_FFFF_FFFFL;

    private static final long GROUP_BIT = 0x0100_0000_0000L;
    private static final long IPV4_GROUP = 0x0100_5E00_0000L;

    /** What is in it. */
    sealed interface Body {}

    /** A UDP packet; nobody writes to its payload. */
    @SuppressWarnings("ArrayRecordComponent") // compared by nobody, and copied by nobody
    record Udp(
            Ipv4Address source, int sourcePort, Ipv4Address destination, int destinationPort, int ttl, byte[] payload)
            implements Body {
        Udp onward() {
            return new Udp(source, sourcePort, destination, destinationPort, ttl - 1, payload);
        }
    }

    /** Who has an address (RFC 826), and the answer. */
    record Arp(boolean answer, long senderMac, Ipv4Address sender, Ipv4Address target) implements Body {}

    /** Group membership (RFC 2236). */
    record Igmp(Kind kind, Ipv4Address group) implements Body {
        enum Kind {
            QUERY,
            REPORT,
            LEAVE
        }
    }

    /** Asking for an address, and giving one (RFC 2131, as far as it matters here). */
    record Dhcp(long client, HostAddress address, boolean given) implements Body {}

    /** The hardware address of a group (RFC 1112 §6.4): 01-00-5E and the last 23 bits. */
    static long macOf(Ipv4Address group) {
        return IPV4_GROUP | (group.bits() & 0x7F_FFFF);
    }

    boolean isForAll() {
        return target == EVERYBODY;
    }

    boolean isForGroup() {
        return target != EVERYBODY && (target & GROUP_BIT) != 0;
    }

    /** As a computer sends it. */
    static Frame of(long packet, long source, long target, Body body) {
        return new Frame(packet, source, target, body, 0, 0);
    }

    Frame passedOn(int inVlan) {
        return new Frame(packet, source, target, body, passed + 1, inVlan);
    }
}
