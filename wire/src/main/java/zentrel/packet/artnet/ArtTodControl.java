package zentrel.packet.artnet;

import zentrel.universe.PortAddress;

/**
 * Tells a node to look anew for RDM devices on an output.
 *
 * <pre>
 * 21 Net  22 Command  23 Address
 * </pre>
 *
 * @param command 1 forgets what is known and searches the line
 */
public record ArtTodControl(int command, PortAddress portAddress) implements ArtNetPacket {
    public static final int FLUSH = 1;

    public ArtTodControl {
        ArtNetPacket.require("Command", command, 255);
    }
}
