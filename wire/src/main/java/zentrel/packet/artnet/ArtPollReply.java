package zentrel.packet.artnet;

import zentrel.ipv4.Ipv4Address;
import zentrel.packet.Bytes;
import zentrel.universe.PortAddress;

/**
 * One page of an answer to a poll: up to four ports that share one Net and Sub-Net.
 *
 * <pre>
 *   0 Id<?>   8 OpCode 0x2100   10 IpAddress   14 Port (low byte first)   16 VersInfo   18 NetSwitch   19 SubSwitch
 *  20 Oem  22 UbeaVersion    23 Status1     24 EstaMan (low byte first) 26 PortName (18)  44 LongName (64)
 * 108 NodeReport (64)  172 NumPorts  174 PortTypes (4)  178 GoodInput (4)  182 GoodOutputA (4)  186 SwIn (4)  190 SwOut (4)
 * 194 AcnPriority  195 SwMacro  196 SwRemote  197 Spare (3)  200 Style  201 MAC (6)  207 BindIp (4)  211 BindIndex
 * 212 Status2  213 GoodOutputB (4)  217 Status3  218 DefaultRespUID (6)  224 User  226 RefreshRate  228 Filler (11)
 * </pre>
 *
 * Everything from BindIp on may be missing in older answers; it is then zero.
 *
 * @param ports the number of ports on this page, 0–4
 * @param portTypes bit 7: can put out DMX; bit 6: can take DMX in
 * @param goodOutput bit 7: sending; bit 3: merging; bit 1: LTP; bit 0: set to sACN
 * @param swOut the low four bits of each output's Port-Address
 * @param rest the bytes after Status3, as they came
 */
public record ArtPollReply(
        Ipv4Address address,
        int port,
        int version,
        int net,
        int subNet,
        int oem,
        int ubeaVersion,
        int status1,
        int esta,
        String portName,
        String longName,
        String report,
        int ports,
        Bytes portTypes,
        Bytes goodInput,
        Bytes goodOutput,
        Bytes swIn,
        Bytes swOut,
        int acnPriority,
        int macro,
        int remote,
        int style,
        Bytes mac,
        Ipv4Address bindAddress,
        int bindIndex,
        int status2,
        Bytes goodOutputB,
        int status3,
        Bytes rest)
        implements ArtNetPacket {
    /** Ports on one page. */
    public static final int PORTS = 4;

    /** Bytes after Status3 in the longest form. */
    public static final int REST = 21;

    public static final int OUTPUT = 0x80;
    public static final int INPUT = 0x40;
    public static final int SENDING = 0x80;
    public static final int MERGING = 0x08;
    public static final int LTP = 0x02;
    public static final int SET_TO_SACN = 0x01;

    /** Status2: it takes Port-Addresses of 15 bits. */
    public static final int WIDE_ADDRESSES = 0x08;

    /** Status2: its outputs can be set to sACN. */
    public static final int CAN_SACN = 0x10;

    /** Status2: its address came by DHCP. */
    public static final int BY_DHCP = 0x02;

    /** Status3: it does as the top two bits say where nothing comes any more. */
    public static final int HAS_FAILSAFE = 0x20;

    public ArtPollReply {
        ArtNetPacket.require("Port", port, 0xFFFF);
        ArtNetPacket.require("VersInfo", version, 0xFFFF);
        ArtNetPacket.require("NetSwitch", net, 127);
        ArtNetPacket.require("SubSwitch", subNet, 15);
        ArtNetPacket.require("Oem", oem, 0xFFFF);
        ArtNetPacket.require("EstaMan", esta, 0xFFFF);
        ArtNetPacket.require("NumPorts", ports, PORTS);
        for (int value :
                new int[] {ubeaVersion, status1, acnPriority, macro, remote, style, bindIndex, status2, status3}) {
            ArtNetPacket.require("A byte of the reply", value, 255);
        }
        for (Bytes four : new Bytes[] {portTypes, goodInput, goodOutput, swIn, swOut, goodOutputB}) {
            if (four.length() != PORTS) {
                throw new IllegalArgumentException("A field for each port has four bytes, not " + four.length() + ".");
            }
        }
        if (mac.length() != 6 || rest.length() != REST) {
            throw new IllegalArgumentException("MAC has 6 bytes and the rest " + REST + ".");
        }
    }

    /** The Port-Address of the output at {@code index}, 0–3. */
    public PortAddress output(int index) {
        return new PortAddress(net << 8 | subNet << 4 | (swOut.at(index) & 0xF));
    }

    /** The Port-Address of the input at {@code index}, 0–3. */
    public PortAddress input(int index) {
        return new PortAddress(net << 8 | subNet << 4 | (swIn.at(index) & 0xF));
    }

    public boolean isInput(int index) {
        return (portTypes.at(index) & INPUT) != 0;
    }

    /** Whether the output at {@code index} puts out levels now. */
    public boolean isSending(int index) {
        return (goodOutput.at(index) & SENDING) != 0;
    }

    /** Whether the output at {@code index} merges two sources now. */
    public boolean isMerging(int index) {
        return (goodOutput.at(index) & MERGING) != 0;
    }

    /** Whether the output at {@code index} merges by the latest level, not the highest. */
    public boolean isLtp(int index) {
        return (goodOutput.at(index) & LTP) != 0;
    }

    public boolean isOutput(int index) {
        return (portTypes.at(index) & OUTPUT) != 0;
    }

    /** Whether the output at {@code index} is set to sACN, so that it asks for no Art-Net. */
    public boolean isSacn(int index) {
        return (goodOutput.at(index) & SET_TO_SACN) != 0;
    }
}
