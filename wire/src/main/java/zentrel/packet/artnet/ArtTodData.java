package zentrel.packet.artnet;

import java.util.List;
import zentrel.packet.rdm.Uid;
import zentrel.universe.PortAddress;

/**
 * The RDM devices on one output of a node, in blocks.
 *
 * <pre>
 * 12 RdmVer  13 Port  20 BindIndex  21 Net  22 CommandResponse  23 Address
 * 24 UidTotal (high byte first)  26 BlockCount  27 UidCount  28 ToD (UidCount × 6)
 * </pre>
 *
 * @param port the output on its page, 1–4
 * @param bindIndex the page
 * @param response 0 where this is the list; {@link #NONE} where there is none
 * @param total how many devices there are in all blocks
 * @param block the number of this block, from 0
 * @param uids the devices of this block, at most 200
 */
public record ArtTodData(
        int port, int bindIndex, int response, PortAddress portAddress, int total, int block, List<Uid> uids)
        implements ArtNetPacket {
    /** No list is to be had. */
    public static final int NONE = 0xFF;

    /** Devices in one block. */
    public static final int MOST = 200;

    public ArtTodData {
        ArtNetPacket.require("Port", port, 255);
        ArtNetPacket.require("BindIndex", bindIndex, 255);
        ArtNetPacket.require("CommandResponse", response, 255);
        ArtNetPacket.require("UidTotal", total, 0xFFFF);
        ArtNetPacket.require("BlockCount", block, 255);
        ArtNetPacket.require("UidCount", uids.size(), MOST);
        uids = List.copyOf(uids);
    }
}
