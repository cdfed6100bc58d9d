package zentrel.packet.artnet;

import zentrel.packet.Bytes;
import zentrel.universe.PortAddress;

/**
 * Sets names, numbers, and one thing by command, on a page of a node.
 *
 * <pre>
 * 12 NetSwitch  13 BindIndex  14 PortName (18)  32 LongName (64)  96 SwIn (4)  100 SwOut (4)
 * 104 SubSwitch  105 AcnPriority  106 Command
 * </pre>
 *
 * A switch is written where its bit 7 is set, and left as it is at {@link #KEEP}; an empty name leaves the name.
 *
 * @param netSwitch {@link #KEEP}, or the Net with {@link #WRITE}
 * @param bindIndex the page, 1–255; 0 and 1 are the first
 * @param swIn the low four bits of each input's Port-Address with {@link #WRITE}, or {@link #KEEP}
 * @param swOut the same for each output
 * @param subSwitch {@link #KEEP}, or the Sub-Net with {@link #WRITE}
 * @param acnPriority sACN priority of what inputs send; 255 leaves it
 * @param command one of {@link ArtAddressCommand}, as a byte
 */
public record ArtAddress(
        int netSwitch,
        int bindIndex,
        String shortName,
        String longName,
        Bytes swIn,
        Bytes swOut,
        int subSwitch,
        int acnPriority,
        int command)
        implements ArtNetPacket {
    /** A switch that is left as it is. */
    public static final int KEEP = 0x7F;

    /** Added to the value of a switch that is to be written. */
    public static final int WRITE = 0x80;

    /** A priority that is left as it is. */
    public static final int KEEP_PRIORITY = 255;

    private static final int[] KEEP_FOUR = {KEEP, KEEP, KEEP, KEEP};

    public ArtAddress {
        for (int value : new int[] {netSwitch, bindIndex, subSwitch, acnPriority, command}) {
            ArtNetPacket.require("A byte of ArtAddress", value, 255);
        }
        if (swIn.length() != ArtPollReply.PORTS || swOut.length() != ArtPollReply.PORTS) {
            throw new IllegalArgumentException("A field for each port has four bytes.");
        }
    }

    /** One that changes nothing on a page. */
    public static ArtAddress keeping(int bindIndex) {
        return new ArtAddress(
                KEEP, bindIndex, "", "", Bytes.of(KEEP_FOUR), Bytes.of(KEEP_FOUR), KEEP, KEEP_PRIORITY, 0);
    }

    /** This one, writing names too; an empty one leaves the name. */
    public ArtAddress withNames(String newShort, String newLong) {
        return new ArtAddress(netSwitch, bindIndex, newShort, newLong, swIn, swOut, subSwitch, acnPriority, command);
    }

    /** This one, doing something by command too. */
    public ArtAddress withCommand(int value) {
        return new ArtAddress(netSwitch, bindIndex, shortName, longName, swIn, swOut, subSwitch, acnPriority, value);
    }

    /**
     * This one, setting a port's Port-Address too; the page has one Net and Sub-Net, which are set with it.
     *
     * @param index 0–3
     */
    public ArtAddress withPort(int index, boolean output, PortAddress address) {
        int[] in = {swIn.at(0), swIn.at(1), swIn.at(2), swIn.at(3)};
        int[] out = {swOut.at(0), swOut.at(1), swOut.at(2), swOut.at(3)};
        (output ? out : in)[index] = WRITE | (address.value() & 0xF);
        return new ArtAddress(
                WRITE | address.value() >> 8,
                bindIndex,
                shortName,
                longName,
                Bytes.of(in),
                Bytes.of(out),
                WRITE | (address.value() >> 4 & 0xF),
                acnPriority,
                command);
    }
}
