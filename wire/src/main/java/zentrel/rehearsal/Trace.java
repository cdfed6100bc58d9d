package zentrel.rehearsal;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import zentrel.ipv4.Ipv4Address;
import zentrel.net.sim.Drop;
import zentrel.net.sim.SimNet;
import zentrel.packet.artnet.ArtDmx;
import zentrel.packet.artnet.ArtNetCodec;
import zentrel.packet.artnet.ArtNetPacket;
import zentrel.packet.artnet.ArtPoll;
import zentrel.packet.artnet.ArtPollReply;
import zentrel.packet.sacn.SacnCodec;
import zentrel.packet.sacn.SacnData;
import zentrel.packet.sacn.SacnPacket;
import zentrel.profile.Protocol;

/** What became of each packet of a simulated network: who sent it, what it is, where it ended, who got it. */
final class Trace {
    /** What a packet is for. */
    enum What {
        LEVELS,
        POLL,
        REPLY,
        OTHER
    }

    /** Packets held at most; a rehearsal that is asked about is not longer. */
    static final int MOST = 200_000;

    /** One packet; its universe is the number on the wire, of levels. */
    static final class Sent {
        final String program;
        final Ipv4Address to;
        final What what;
        final Protocol protocol;
        final int universe;
        final List<Drop> drops = new ArrayList<>(1);
        final List<String> arrivals = new ArrayList<>(1);
        final List<String> departures = new ArrayList<>(1);

        Sent(String program, Ipv4Address to, What what, Protocol protocol, int universe) {
            this.program = program;
            this.to = to;
            this.what = what;
            this.protocol = protocol;
            this.universe = universe;
        }
    }

    private final Map<Long, Sent> packets = new HashMap<>();
    private final List<String> lines = new ArrayList<>();

    /** @param most packets that are followed at most, those that were sent first */
    Trace(SimNet net, int most) {
        net.onSend((packet, program, to, payload) -> {
            if (packets.size() < most) {
                Sent sent = read(program, to, payload);
                packets.put(packet, sent);
                lines.add(net.clock().now() + " " + packet + " " + program + " sends " + sent.what + " " + sent.universe
                        + " to " + to);
            }
        });
        net.onDeparture((packet, adapter) -> {
            Sent sent = packets.get(packet);
            if (sent != null) {
                sent.departures.add(adapter);
                lines.add(net.clock().now() + " " + packet + " leaves by " + adapter);
            }
        });
        net.onDrop(drop -> {
            Sent sent = packets.get(drop.packet());
            if (sent != null) {
                sent.drops.add(drop);
                lines.add(drop.time() + " " + drop.packet() + " ends: " + drop.reason() + " at " + drop.place());
            }
        });
        net.onArrival((packet, adapter, program) -> {
            Sent sent = packets.get(packet);
            if (sent != null) {
                sent.arrivals.add(program);
                lines.add(net.clock().now() + " " + packet + " arrives by " + adapter + " at " + program);
            }
        });
    }

    private static Sent read(String program, Ipv4Address to, byte[] payload) {
        ArtNetPacket artnet = ArtNetCodec.decode(payload).packet().orElse(null);
        if (artnet instanceof ArtDmx dmx) {
            return new Sent(
                    program, to, What.LEVELS, Protocol.ARTNET, dmx.portAddress().value());
        }
        if (artnet instanceof ArtPoll || artnet instanceof ArtPollReply) {
            return new Sent(program, to, artnet instanceof ArtPoll ? What.POLL : What.REPLY, Protocol.ARTNET, 0);
        }
        SacnPacket sacn = SacnCodec.decode(payload).packet().orElse(null);
        return sacn instanceof SacnData data
                ? new Sent(program, to, What.LEVELS, Protocol.SACN, data.universe())
                : new Sent(program, to, What.OTHER, Protocol.SACN, 0);
    }

    /** The packets of a program that are for something, in order. */
    List<Sent> of(String program, What what, Protocol protocol, int universe) {
        return packets.entrySet().stream()
                .filter(e -> e.getValue().program.equals(program)
                        && e.getValue().what == what
                        && (what != What.LEVELS
                                || (e.getValue().protocol == protocol && e.getValue().universe == universe)))
                .sorted(Map.Entry.comparingByKey())
                .map(Map.Entry::getValue)
                .toList();
    }

    List<String> lines() {
        return List.copyOf(lines);
    }
}
