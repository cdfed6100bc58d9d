package zentrel.packet.artnet;

import zentrel.ipv4.Ipv4Address;

/**
 * Sets or asks the address of a node. Unicast.
 *
 * <pre>
 * 14 Command  16 ProgIp (4)  20 ProgSm (4)  24 ProgPort  26 ProgDg (4)
 * </pre>
 *
 * @param command 0 only asks; else {@link #ENABLE} with what is set
 */
public record ArtIpProg(int command, Ipv4Address address, Ipv4Address mask, int port, Ipv4Address gateway)
        implements ArtNetPacket {
    public static final int ENABLE = 0x80;
    public static final int DHCP = 0x40;
    public static final int GATEWAY = 0x10;
    public static final int RESET = 0x08;
    public static final int ADDRESS = 0x04;
    public static final int MASK = 0x02;

    public ArtIpProg {
        ArtNetPacket.require("Command", command, 255);
        ArtNetPacket.require("ProgPort", port, 0xFFFF);
    }

    /** One that asks and sets nothing. */
    public static ArtIpProg asking() {
        return new ArtIpProg(0, Ipv4Address.ANY, Ipv4Address.ANY, 0, Ipv4Address.ANY);
    }

    /** One that turns DHCP on. */
    public static ArtIpProg byDhcp() {
        return new ArtIpProg(ENABLE | DHCP, Ipv4Address.ANY, Ipv4Address.ANY, 0, Ipv4Address.ANY);
    }

    /** One that sets address and mask; DHCP goes off. */
    public static ArtIpProg fixed(Ipv4Address address, Ipv4Address mask) {
        return new ArtIpProg(ENABLE | ADDRESS | MASK, address, mask, 0, Ipv4Address.ANY);
    }

    /** This one, setting the gateway too. */
    public ArtIpProg withGateway(Ipv4Address value) {
        return new ArtIpProg(command | GATEWAY, address, mask, port, value);
    }

    public boolean sets(int what) {
        return (command & ENABLE) != 0 && (command & what) != 0;
    }
}
