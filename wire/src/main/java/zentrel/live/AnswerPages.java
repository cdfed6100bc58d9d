package zentrel.live;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import zentrel.found.FoundPort;
import zentrel.packet.artnet.ArtPollReply;
import zentrel.plan.Loss;
import zentrel.profile.Direction;
import zentrel.profile.Merge;
import zentrel.profile.Protocol;

/** The pages by which a device answers polls, put together. Lives in the net's turn. */
final class AnswerPages {
    /** A BindIndex is a byte, so a device has no more pages; what pretends to is not kept. */
    private static final int MOST = 255;

    /** A page that was not heard for so long while others were is none any more, in ns. */
    private static final long PATIENCE = 9_000_000_000L;

    private record Page(ArtPollReply reply, long heard) {}

    private final Map<Integer, Page> pages = new TreeMap<>();

    void take(ArtPollReply reply, long now) {
        int key = reply.bindIndex() == 0 ? reply.net() << 4 | reply.subNet() : reply.bindIndex() << 16;
        if (pages.containsKey(key) || pages.size() < MOST) {
            pages.put(key, new Page(reply, now));
        }
        pages.values().removeIf(p -> now - p.heard > PATIENCE);
    }

    /** The first page, which speaks for the device. */
    ArtPollReply first() {
        return pages.values().iterator().next().reply();
    }

    /** Its ports, counted through all pages. */
    List<FoundPort> ports() {
        List<FoundPort> ports = new ArrayList<>();
        for (Page page : pages.values()) {
            ArtPollReply reply = page.reply();
            for (int i = 0; i < Math.min(reply.ports(), ArtPollReply.PORTS); i++) {
                if (reply.isOutput(i) || reply.isInput(i)) {
                    ports.add(port(reply, i, ports.size() + 1));
                }
            }
        }
        return ports;
    }

    private static FoundPort port(ArtPollReply reply, int i, int number) {
        boolean output = reply.isOutput(i);
        return new FoundPort(
                number,
                Math.max(1, reply.bindIndex()),
                i,
                output ? Direction.OUTPUT : Direction.INPUT,
                output && reply.isSacn(i) ? Protocol.SACN : Protocol.ARTNET,
                (output ? reply.output(i) : reply.input(i)).value(),
                reply.isLtp(i) ? Merge.LTP : Merge.HTP,
                output && reply.isSending(i));
    }

    /** What the device does without a source. */
    Loss loss() {
        int status = first().status3();
        if ((status & ArtPollReply.HAS_FAILSAFE) == 0) {
            return Loss.NOT_KNOWN;
        }
        return switch (status >> 6) {
            case 0 -> Loss.HOLD;
            case 1 -> Loss.BLACK;
            case 2 -> Loss.FULL;
            default -> Loss.SCENE;
        };
    }
}
