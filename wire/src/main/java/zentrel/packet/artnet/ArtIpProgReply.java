package zentrel.packet.artnet;

import zentrel.ipv4.Ipv4Address;

/**
 * What addresses a node has, or will have after a restart.
 *
 * <pre>
 * 16 ProgIp (4)  20 ProgSm (4)  24 ProgPort  26 Status  28 ProgDg (4)
 * </pre>
 *
 * @param status bit 6: by DHCP
 */
public record ArtIpProgReply(Ipv4Address address, Ipv4Address mask, int port, int status, Ipv4Address gateway)
        implements ArtNetPacket {
    public static final int DHCP = 0x40;

    public ArtIpProgReply {
        ArtNetPacket.require("Status", status, 255);
        ArtNetPacket.require("ProgPort", port, 0xFFFF);
    }

    public boolean isDhcp() {
        return (status & DHCP) != 0;
    }
}
