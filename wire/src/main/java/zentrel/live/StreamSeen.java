package zentrel.live;

import zentrel.ipv4.Ipv4Address;
import zentrel.profile.Protocol;
import zentrel.text.PlainText;

/**
 * What was heard of one source and universe.
 *
 * @param name the name the source gives itself, as it may be shown; empty in Art-Net
 * @param priority sACN priority; 100 in Art-Net, which has none
 * @param packets how many arrived
 * @param lost how many are missing by their sequence numbers
 * @param ratePerSecond packets a second between the first and the last
 */
public record StreamSeen(
        Protocol protocol,
        int universe,
        Ipv4Address source,
        String name,
        int priority,
        boolean preview,
        long packets,
        long lost,
        double ratePerSecond) {
    /** The source name of sACN has 64 bytes (ANSI E1.31-2018 §6.2.2). */
    private static final int LONGEST_NAME = 64;

    public StreamSeen {
        name = PlainText.shown(name, LONGEST_NAME);
    }
}
