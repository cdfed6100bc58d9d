package zentrel.packet.artnet;

import zentrel.packet.Bytes;
import zentrel.universe.PortAddress;

/**
 * The slots of one universe under another start code than zero.
 *
 * <pre>
 * 12 Sequence  13 StartCode  14 SubUni  15 Net  16 Length  18 Data
 * </pre>
 *
 * @param sequence 1–255, or 0 where the sender does not number its packets
 * @param startCode 1–255
 * @param data 1–512 slots
 */
public record ArtNzs(int sequence, int startCode, PortAddress portAddress, Bytes data) implements ArtNetPacket {
    public ArtNzs {
        ArtNetPacket.require("Sequence", sequence, 255);
        ArtNetPacket.require("StartCode", startCode, 255);
        if (data.length() < 1 || data.length() > 512) {
            throw new IllegalArgumentException("ArtNzs carries 1 to 512 slots, not " + data.length() + ".");
        }
    }
}
