package zentrel.packet.artnet;

import java.util.List;

/**
 * Asks nodes which RDM devices are on their outputs.
 *
 * <pre>
 * 21 Net  22 Command  23 AddCount  24 Address (AddCount)
 * </pre>
 *
 * @param net 0–127, of all that are asked
 * @param addresses Sub-Net · 16 + Universe of each output that is asked, at most 32
 */
public record ArtTodRequest(int net, List<Integer> addresses) implements ArtNetPacket {
    /** Outputs asked at once. */
    public static final int MOST = 32;

    public ArtTodRequest {
        ArtNetPacket.require("Net", net, 127);
        ArtNetPacket.require("AddCount", addresses.size(), MOST);
        addresses.forEach(a -> ArtNetPacket.require("Address", a, 255));
        addresses = List.copyOf(addresses);
    }
}
