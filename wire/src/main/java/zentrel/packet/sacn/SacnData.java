package zentrel.packet.sacn;

import java.util.UUID;
import zentrel.packet.Bytes;

/**
 * The slots of one universe (ANSI E1.31-2018 §4.1).
 *
 * <pre>
 *   0 preamble 0x0010   2 postamble 0   4 identifier "ASC-E1.17\0\0\0"
 *  16 flags, length    18 vector 4      22 CID (16)
 *  38 flags, length    40 vector 2      44 source name (64)   108 priority   109 synchronization address
 * 111 sequence        112 options      113 universe
 * 115 flags, length   117 vector 2     118 type 0xA1   119 first 0   121 increment 1   123 count   125 start code   126 slots
 * </pre>
 *
 * @param sourceName UTF-8, up to 63 bytes
 * @param priority 0–200
 * @param syncAddress the universe of the synchronization packets to wait for, 0 for none
 * @param preview must not reach live output (§6.2.6)
 * @param terminated the source stops; the slots are to be ignored
 * @param forceSync go on when synchronization is lost
 * @param startCode 0 carries levels; others are alternate start codes
 * @param slots 0 to 512
 */
public record SacnData(
        UUID cid,
        String sourceName,
        int priority,
        int syncAddress,
        int sequence,
        boolean preview,
        boolean terminated,
        boolean forceSync,
        int universe,
        int startCode,
        Bytes slots)
        implements SacnPacket {
    public static final int PREVIEW = 0x80;
    public static final int TERMINATED = 0x40;
    public static final int FORCE_SYNC = 0x20;

    public SacnData {
        SacnPacket.require("Priority", priority, 0, 200);
        SacnPacket.require("Synchronization Address", syncAddress, 0, 63999);
        SacnPacket.require("Sequence Number", sequence, 0, 255);
        SacnPacket.require("Universe", universe, 1, 63999);
        SacnPacket.require("Start code", startCode, 0, 255);
        SacnPacket.require("The number of slots", slots.length(), 0, 512);
    }

    int options() {
        return (preview ? PREVIEW : 0) | (terminated ? TERMINATED : 0) | (forceSync ? FORCE_SYNC : 0);
    }
}
