package zentrel.cli;

import java.util.List;
import zentrel.ipv4.Ipv4Address;
import zentrel.packet.rdm.Uid;
import zentrel.plan.Answer;
import zentrel.profile.Merge;
import zentrel.profile.Protocol;

/** The values that options take, each checked where it is read ({@link Converters}). */
final class Values {
    private Values() {}

    /** A universe by its number in a protocol: {@code sacn:5}. */
    record ProtocolUniverse(Protocol protocol, int number) {
        @Override
        public String toString() {
            return protocol.word() + ":" + number;
        }
    }

    /** A port of a stand-in and what it receives: {@code 1=artnet:4}. */
    record PortUniverse(String port, ProtocolUniverse universe) {}

    /** A slot, 1 to 512, with its level, 0 to 255: {@code 37=255}. */
    record SlotLevel(int slot, int level) {}

    /** Universes of sACN, in order and each once: {@code 1-64,100}. */
    record UniverseRanges(List<Integer> numbers) {}

    /** The start slot of a fixture with RDM: {@code 7ff0:00000001=37}. */
    record FixtureStart(Uid uid, int slot) {}

    /** Slots one after the other: {@code 1-24}. */
    record SlotRange(int first, int last) {}

    /** What of a port merges: {@code 1=htp}. */
    record PortMerge(int port, Merge merge) {}

    /** How many of something a port has: {@code 1=12}. */
    record PortCount(String port, int count) {}

    /** A UDP port, 1 to 65535. */
    record UdpPort(int number) {}

    /** Where something is sent to: {@code 127.0.0.1:24510}. */
    record Target(Ipv4Address address, UdpPort port) {}

    /** The priority of an sACN source, 0 to 200 (ANSI E1.31-2018 §6.2.3). */
    record Priority(int level) {}

    /** How long, in seconds above 0. */
    record Seconds(double value) {}

    /** Packets a second, above 0 to 1000. */
    record Rate(double perSecond) {}

    /** What somebody saw at a hop, counted along all legs from 1: {@code 5=no}. */
    record HopAnswer(int hop, Answer answer) {}
}
