package zentrel.standin;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import zentrel.ipv4.Ipv4Address;
import zentrel.packet.Bytes;
import zentrel.packet.artnet.ArtNetPacket;
import zentrel.packet.artnet.ArtPollReply;
import zentrel.profile.Merge;
import zentrel.profile.Protocol;

/** What a stand-in answers to a poll: its ports on pages of four (Art-Net 4). */
final class PollPages {
    private PollPages() {}

    /** One page for each Net and Sub-Net, and each four ports of it. */
    static List<ArtPollReply> of(Ipv4Address address, String name, List<StandinPort> artnetPorts) {
        Map<Integer, List<StandinPort>> bySubNet = new LinkedHashMap<>();
        for (StandinPort port : artnetPorts) {
            bySubNet.computeIfAbsent(port.wire() >> 4, k -> new ArrayList<>()).add(port);
        }
        List<ArtPollReply> pages = new ArrayList<>();
        bySubNet.forEach((subNet, list) -> {
            for (int from = 0; from < list.size(); from += ArtPollReply.PORTS) {
                pages.add(page(
                        address,
                        name,
                        subNet,
                        list.subList(from, Math.min(from + ArtPollReply.PORTS, list.size())),
                        pages.size() + 1));
            }
        });
        if (pages.isEmpty()) {
            pages.add(page(address, name, 0, List.of(), 1));
        }
        return pages;
    }

    private static ArtPollReply page(Ipv4Address a, String name, int subNet, List<StandinPort> list, int bindIndex) {
        int[] types = new int[4];
        int[] good = new int[4];
        int[] in = new int[4];
        int[] out = new int[4];
        for (int i = 0; i < list.size(); i++) {
            StandinPort port = list.get(i);
            types[i] = port.output() ? ArtPollReply.OUTPUT : ArtPollReply.INPUT;
            good[i] = (port.enabled() ? ArtPollReply.SENDING : 0)
                    | (port.merge() == Merge.LTP ? ArtPollReply.LTP : 0)
                    | (port.protocol() == Protocol.SACN ? ArtPollReply.SET_TO_SACN : 0);
            (port.output() ? out : in)[i] = port.wire() & 0xF;
        }
        return new ArtPollReply(
                a,
                ArtNetPacket.PORT,
                1,
                subNet >> 4,
                subNet & 0xF,
                0xFFFF,
                0,
                0xD0,
                0,
                name,
                name + " (stand-in)",
                "#0001 [0000] stand-in",
                list.size(),
                Bytes.of(types),
                Bytes.zeros(4),
                Bytes.of(good),
                Bytes.of(in),
                Bytes.of(out),
                100,
                0,
                0,
                0,
                Bytes.of(2, 0, a.octet(0), a.octet(1), a.octet(2), a.octet(3)),
                a,
                Math.min(bindIndex, 255),
                0x08,
                Bytes.zeros(4),
                0,
                Bytes.zeros(ArtPollReply.REST));
    }
}
