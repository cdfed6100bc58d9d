package zentrel.live;

import java.util.Optional;
import java.util.UUID;
import zentrel.ipv4.Ipv4Address;
import zentrel.packet.Bytes;
import zentrel.profile.Protocol;
import zentrel.text.PlainText;

/**
 * What was heard of one source and universe.
 *
 * @param source where its last packet came from
 * @param cid its identity in sACN; empty in Art-Net, where the address is one
 * @param name the name the source gives itself, as it may be shown; empty in Art-Net
 * @param priority sACN priority; 100 in Art-Net, which has none
 * @param packets how many arrived
 * @param lost how many are missing by their sequence numbers
 * @param outOfOrder how many came twice, or after a later one
 * @param ratePerSecond packets a second in the last two seconds
 * @param state whether it still sends
 * @param levels the levels of its last packet, 512; zeros where more sources are held than levels are kept for
 */
public record StreamSeen(
        Protocol protocol,
        int universe,
        Ipv4Address source,
        Optional<UUID> cid,
        String name,
        int priority,
        boolean preview,
        long packets,
        long lost,
        long outOfOrder,
        double ratePerSecond,
        State state,
        Bytes levels) {
    /** Whether a source sends. */
    public enum State {
        /** It was heard within the time after which a receiver takes it for lost. */
        SENDS("sends"),
        /** It has not been heard for longer: 2.5 s in sACN (ANSI E1.31-2018 §6.7.1), 10 s in Art-Net. */
        SILENT("silent"),
        /** It said that it stops (§6.2.6). */
        ENDED("ended");

        private final String word;

        State(String word) {
            this.word = word;
        }

        /** The word for other programs. */
        public String word() {
            return word;
        }
    }

    /** The source name of sACN has 64 bytes (ANSI E1.31-2018 §6.2.2). */
    private static final int LONGEST_NAME = 64;

    public StreamSeen {
        name = PlainText.shown(name, LONGEST_NAME);
    }
}
