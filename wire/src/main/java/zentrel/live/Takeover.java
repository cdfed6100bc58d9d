package zentrel.live;

import java.util.List;
import java.util.stream.Collectors;
import zentrel.profile.Protocol;
import zentrel.source.Sources;
import zentrel.text.Counted;

/**
 * What sending to a universe that somebody sends already would do: whose levels it overrides, and what happens on release.
 *
 * @param owners who sends it now, the one that wins first
 * @param wins whether the levels that are sent count alone
 */
public record Takeover(Protocol protocol, int universe, List<StreamSeen> owners, int priority, boolean wins) {
    private static final int HIGHEST = 200;

    /** Looks at what was heard of a universe. */
    public static Takeover of(Protocol protocol, int universe, List<StreamSeen> heard, int priority) {
        List<StreamSeen> owners = heard.stream()
                .filter(s -> s.protocol() == protocol
                        && s.universe() == universe
                        && s.state() == StreamSeen.State.SENDS
                        && !s.preview())
                .sorted((a, b) -> Integer.compare(b.priority(), a.priority()))
                .toList();
        boolean wins = protocol == Protocol.SACN && owners.stream().allMatch(o -> o.priority() < priority);
        return new Takeover(protocol, universe, owners, priority, wins || owners.isEmpty());
    }

    /** The lowest priority that wins over all its owners; the highest there is where none does. */
    public int needed() {
        return Math.min(
                HIGHEST,
                owners.stream().mapToInt(StreamSeen::priority).max().orElse(Sources.SACN_PRIORITY.value() - 1) + 1);
    }

    /** Who owns it, what is overridden, and what a node does on release, in sentences. */
    public String words() {
        String name = protocol.title() + " " + universe;
        if (owners.isEmpty()) {
            return "Nobody was heard to send " + name + " here; unicast between two others cannot be heard.";
        }
        String who = owners.stream()
                .map(o -> o.title() + (protocol == Protocol.SACN ? " with priority " + o.priority() : ""))
                .collect(Collectors.joining(", "));
        long lit = owners.get(0).levels().length() == 0
                ? 0
                : java.util.stream.IntStream.range(0, 512)
                        .filter(i -> owners.get(0).levels().at(i) > 0)
                        .count();
        String now = name + " is sent by " + who + "; " + Counted.of(lit, "slot") + " of it "
                + (lit == 1 ? "is" : "are") + " up. ";
        if (protocol == Protocol.ARTNET) {
            return now + "In Art-Net a node merges two sources by their highest or latest level and ignores a third."
                    + " On release it keeps the last levels for up to "
                    + Math.round(Sources.ARTNET_MERGE_LAPSE.value()) + " s, for there is no stop packet.";
        }
        if (wins) {
            return now + "With priority " + priority + " what is sent here overrides all of it. On release, after three"
                    + " terminated packets, their levels are back at once.";
        }
        return now + "With priority " + priority + " what is sent here "
                + (owners.get(0).priority() == priority
                        ? "is merged with it, as each receiver does."
                        : "is not used; it takes " + needed() + ".");
    }
}
