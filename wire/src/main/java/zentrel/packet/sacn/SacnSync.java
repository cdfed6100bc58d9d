package zentrel.packet.sacn;

import java.util.UUID;

/**
 * Asks receivers to put out what they hold for a synchronization address (ANSI E1.31-2018 §4.2): 49 bytes.
 *
 * @param syncAddress 1–63999
 */
public record SacnSync(UUID cid, int sequence, int syncAddress) implements SacnPacket {
    public SacnSync {
        SacnPacket.require("Sequence Number", sequence, 0, 255);
        SacnPacket.require("Synchronization Address", syncAddress, 1, 63999);
    }
}
