package zentrel.load;

import zentrel.profile.Protocol;

/**
 * Bytes of one packet of 512 slots. UDP 8 (RFC 768), IPv4 20 (RFC 791), Ethernet header 14 and check 4, preamble 8 and gap 12
 * (IEEE 802.3).
 */
public final class WireSize {
    /** ArtDmx with 512 slots: 18 and the slots (Art-Net 4). */
    public static final int ARTNET_BYTES = 530;

    /** An sACN data packet with 512 slots: 126 and the slots (ANSI E1.31-2018, section 4.1). */
    public static final int SACN_BYTES = 638;

    private static final int UDP = 8;
    private static final int IP = 20;
    private static final int ETHERNET = 14 + 4 + 8 + 12;

    private WireSize() {}

    /** What one packet takes on an Ethernet cable, gap and all; 0 for what is sent by no network. */
    public static int onEthernet(Protocol protocol) {
        return payload(protocol) == 0 ? 0 : payload(protocol) + UDP + IP + ETHERNET;
    }

    /** The IP packet: what a wireless link carries inside a frame of its own. */
    public static int ipLength(Protocol protocol) {
        return payload(protocol) == 0 ? 0 : payload(protocol) + UDP + IP;
    }

    private static int payload(Protocol protocol) {
        return switch (protocol) {
            case ARTNET -> ARTNET_BYTES;
            case SACN -> SACN_BYTES;
            default -> 0;
        };
    }
}
