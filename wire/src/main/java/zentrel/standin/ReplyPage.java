package zentrel.standin;

import java.util.List;
import zentrel.ipv4.Ipv4Address;
import zentrel.packet.Bytes;
import zentrel.packet.artnet.ArtNetPacket;
import zentrel.packet.artnet.ArtPollReply;
import zentrel.profile.Merge;
import zentrel.profile.Protocol;

/**
 * What a stand-in says of itself on every page of an answer to a poll.
 *
 * @param report the text of NodeReport
 * @param maker its manufacturer's code
 * @param status1 how its lights are, and the like
 * @param status3 what it does without a source
 */
record ReplyPage(
        String shortName,
        String longName,
        String report,
        int firmware,
        int maker,
        Bytes mac,
        int status1,
        int status2,
        int status3) {
    /** Status1: its lights are as usual; its numbers were set by the network. */
    static final int LIGHTS_NORMAL = 0xD0;

    /** Status1: its lights blink, so that it is found. */
    static final int LIGHTS_LOCATE = 0x50;

    private static final int UNKNOWN_OEM = 0xFFFF;

    /** A hardware address that nobody else has: a local one with the address in it. */
    static Bytes mac(Ipv4Address a) {
        return Bytes.of(2, 0, a.octet(0), a.octet(1), a.octet(2), a.octet(3));
    }

    /**
     * One page.
     *
     * @param ports at most four, which share Net and Sub-Net
     * @param bindIndex 1–255
     */
    ArtPollReply of(Ipv4Address address, int net, int subNet, List<StandinPort> ports, int bindIndex) {
        int[] types = new int[ArtPollReply.PORTS];
        int[] good = new int[ArtPollReply.PORTS];
        int[] in = new int[ArtPollReply.PORTS];
        int[] out = new int[ArtPollReply.PORTS];
        for (int i = 0; i < ports.size(); i++) {
            StandinPort port = ports.get(i);
            types[i] = port.output() ? ArtPollReply.OUTPUT : ArtPollReply.INPUT;
            good[i] = (port.enabled() && port.output() ? ArtPollReply.SENDING : 0)
                    | (port.merge() == Merge.LTP ? ArtPollReply.LTP : 0)
                    | (port.protocol() == Protocol.SACN ? ArtPollReply.SET_TO_SACN : 0);
            (port.output() ? out : in)[i] = port.wire() & 0xF;
        }
        return new ArtPollReply(
                address,
                ArtNetPacket.PORT,
                firmware,
                net,
                subNet,
                UNKNOWN_OEM,
                0,
                status1,
                maker,
                shortName,
                longName,
                report,
                ports.size(),
                Bytes.of(types),
                Bytes.zeros(4),
                Bytes.of(good),
                Bytes.of(in),
                Bytes.of(out),
                100,
                0,
                0,
                0,
                mac,
                address,
                Math.min(bindIndex, 255),
                status2,
                Bytes.zeros(4),
                status3,
                Bytes.zeros(ArtPollReply.REST));
    }
}
