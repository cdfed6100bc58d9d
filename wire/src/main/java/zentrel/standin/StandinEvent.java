package zentrel.standin;

import java.util.List;
import java.util.Map;
import zentrel.ipv4.Ipv4Address;
import zentrel.profile.Protocol;
import zentrel.text.PlainText;

/**
 * Something a stand-in did or saw. Texts that came from the network are as they may be shown: whatever would act on a terminal or
 * in a window is written as its code point.
 */
public sealed interface StandinEvent {
    /** Characters of a text from the network that are shown at most. */
    int LONGEST = 600;

    /** The first packet of a source for a universe; whether a port waits for that number is another question. */
    record Heard(Protocol protocol, int wire, Ipv4Address from) implements StandinEvent {}

    /**
     * A source began to feed a port.
     *
     * @param source what it calls itself, with its address
     */
    record SourceFound(String port, Ipv4Address from, String source, int priority) implements StandinEvent {
        public SourceFound {
            source = PlainText.shown(source, LONGEST);
        }
    }

    /** A source stopped feeding a port: by its own word, or because it was not heard any more. */
    record SourceLost(String port, Ipv4Address from, String source, String why) implements StandinEvent {
        public SourceLost {
            source = PlainText.shown(source, LONGEST);
        }
    }

    /** A port puts out other levels than before. */
    record Levels(String port, Protocol protocol, int wire, String source, Map<Integer, Integer> changed)
            implements StandinEvent {
        public Levels {
            source = PlainText.shown(source, LONGEST);
            changed = Map.copyOf(changed);
        }
    }

    /** A poll was answered. */
    record PollAnswered(Ipv4Address to) implements StandinEvent {}

    /** Somebody set something on it, in words. */
    record WasSet(Ipv4Address from, String what) implements StandinEvent {
        public WasSet {
            what = PlainText.shown(what, LONGEST);
        }
    }

    /** A node was found by poll. */
    record Found(Ipv4Address node, List<Integer> portAddresses) implements StandinEvent {
        public Found {
            portAddresses = List.copyOf(portAddresses);
        }
    }

    /** An OSC message arrived. */
    record Osc(String address, List<String> arguments, Ipv4Address from, boolean acted) implements StandinEvent {
        public Osc {
            address = PlainText.shown(address, LONGEST);
            arguments = arguments.stream().map(a -> PlainText.shown(a, LONGEST)).toList();
        }
    }

    /**
     * A desk of a session came further, or somebody in the session did.
     *
     * @param state in words
     * @param why empty where there is nothing to say
     */
    record Desk(String name, String state, String why) implements StandinEvent {
        public Desk {
            name = PlainText.shown(name, LONGEST);
            why = PlainText.shown(why, LONGEST);
        }
    }

    /** Something arrived that cannot be read. */
    record Unreadable(Ipv4Address from, String why) implements StandinEvent {
        public Unreadable {
            why = PlainText.shown(why, LONGEST);
        }
    }

    /** More was heard than is listed: so many packets were counted and not reported one by one. */
    record NotListed(long packets) implements StandinEvent {}

    /** Something could not be sent; said once for each reason, and counted from then on. */
    record NotSent(String why) implements StandinEvent {}
}
