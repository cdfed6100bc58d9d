package zentrel.standin;

import java.util.List;
import java.util.Map;
import zentrel.ipv4.Ipv4Address;
import zentrel.plan.Protocol;

/** Something a stand-in did or saw. */
public sealed interface StandinEvent {
    /** The first packet of a source for a universe; whether a port waits for that number is another question. */
    record Heard(Protocol protocol, int wire, Ipv4Address from) implements StandinEvent {}

    /** A source began to feed a port. */
    record SourceFound(String port, String source, int priority) implements StandinEvent {}

    /** A source stopped feeding a port: by its own word, or because it was not heard any more. */
    record SourceLost(String port, String source, String why) implements StandinEvent {}

    /** A port puts out other levels than before. */
    record Levels(String port, Protocol protocol, int wire, String source, Map<Integer, Integer> changed)
            implements StandinEvent {
        public Levels {
            changed = Map.copyOf(changed);
        }
    }

    /** A poll was answered. */
    record PollAnswered(Ipv4Address to) implements StandinEvent {}

    /** A node was found by poll. */
    record Found(Ipv4Address node, List<Integer> portAddresses) implements StandinEvent {
        public Found {
            portAddresses = List.copyOf(portAddresses);
        }
    }

    /** An OSC message arrived. */
    record Osc(String address, List<String> arguments, Ipv4Address from, boolean acted) implements StandinEvent {
        public Osc {
            arguments = List.copyOf(arguments);
        }
    }

    /** Something arrived that cannot be read. */
    record Unreadable(Ipv4Address from, String why) implements StandinEvent {}
}
