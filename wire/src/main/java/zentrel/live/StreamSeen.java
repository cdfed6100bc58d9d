package zentrel.live;

import java.util.Map;
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
 * @param twice how many of these came twice, as from two adapters on one network
 * @param ratePerSecond packets a second in the last two seconds
 * @param jitter how much the time from packet to packet varies, in ns (smoothed as in RFC 3550 §6.4.1)
 * @param first when it was heard first, in ns by the net's clock
 * @param last when it was heard last
 * @param sync the universe whose synchronization packets it asks to wait for; 0 for none
 * @param otherAddress another address that the same identity was heard from, within the time after which a source is lost
 * @param otherStartCodes packets that carry no levels, by start code
 * @param slotPriorities priorities by slot (start code 0xDD), where it sends them
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
        long twice,
        double ratePerSecond,
        long jitter,
        long first,
        long last,
        int sync,
        Optional<Ipv4Address> otherAddress,
        Map<Integer, Long> otherStartCodes,
        Optional<Bytes> slotPriorities,
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
        otherStartCodes = Map.copyOf(otherStartCodes);
    }

    /** What it is called: its name, else its address. */
    public String title() {
        return name.isBlank() ? source.toString() : name;
    }

    /** Packets a second from the first to the last; 0 where there was one only. */
    public double averageRate() {
        return packets < 2 || last <= first ? 0 : (packets - 1) / ((last - first) / 1e9);
    }
}
