package zentrel.standin;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import zentrel.ipv4.Ipv4Address;
import zentrel.packet.artnet.ArtPollReply;

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
        return new ReplyPage(
                        name,
                        name + " (stand-in)",
                        "#0001 [0000] stand-in",
                        1,
                        0,
                        ReplyPage.mac(a),
                        ReplyPage.LIGHTS_NORMAL,
                        ArtPollReply.WIDE_ADDRESSES,
                        0)
                .of(a, subNet >> 4, subNet & 0xF, list, bindIndex);
    }
}
