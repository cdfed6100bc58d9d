package zentrel.packet.artnet;

import zentrel.packet.Bytes;
import zentrel.universe.PortAddress;

/**
 * The levels of one universe.
 *
 * <pre>
 *  0 Id<?> "Art-Net\0"   8 OpCode 0x5000 (low byte first)   10 ProtVer (high byte first)
 * 12 Sequence        13 Physical                          14 SubUni   15 Net
 * 16 Length (high byte first)                             18 Data, 2 to 512 bytes, an even number
 * </pre>
 *
 * @param sequence 1–255, or 0 where the sender does not number its packets
 * @param physical the sender's input connector, 0–255; with the address it tells sources apart
 * @param data the slots from the first on, 2 to 512, an even number
 */
public record ArtDmx(int sequence, int physical, PortAddress portAddress, Bytes data) implements ArtNetPacket {
    public ArtDmx {
        ArtNetPacket.require("Sequence", sequence, 255);
        ArtNetPacket.require("Physical", physical, 255);
        if (data.length() < 2 || data.length() > 512 || data.length() % 2 != 0) {
            throw new IllegalArgumentException(
                    "ArtDmx carries 2 to 512 slots, an even number, not " + data.length() + ".");
        }
    }
}
