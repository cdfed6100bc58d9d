package zentrel.live;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import zentrel.ipv4.Ipv4Address;
import zentrel.net.NetAdapter;
import zentrel.net.Packet;
import zentrel.net.SendIntent;
import zentrel.net.SendResult;
import zentrel.net.UdpPort;
import zentrel.packet.Decoded;
import zentrel.packet.osc.OscArgument;
import zentrel.packet.osc.OscCodec;
import zentrel.packet.osc.OscMessage;
import zentrel.text.Word;

/** What two ends of a probe say to each other: OSC messages on a port of their own, which light up and set nothing. */
final class ProbePackets {
    /** The UDP port of probes where none is named: one that nobody has registered (RFC 6335, dynamic ports). */
    static final int PORT = 49_610;

    /** The group of probes, in the scope that stays within a site (RFC 2365 §6.1). */
    static final Ipv4Address GROUP = Ipv4Address.parse("239.255.200.61");

    static final String HELLO = "/zentrel/probe/hello";
    static final String HERE = "/zentrel/probe/here";
    static final String PACKET = "/zentrel/probe/packet";
    static final String REPORT = "/zentrel/probe/report";
    static final String COUNTS = "/zentrel/probe/counts";
    static final String SEND = "/zentrel/probe/send";

    private ProbePackets() {}

    /** A message with whole numbers and texts. */
    static byte[] encode(String address, Object... values) {
        List<OscArgument> arguments = new ArrayList<>();
        for (Object value : values) {
            arguments.add(
                    value instanceof Integer i
                            ? new OscArgument.Int32(i)
                            : new OscArgument.Text(String.valueOf(value)));
        }
        return OscCodec.encode(new OscMessage(address, arguments));
    }

    static Optional<OscMessage> decode(Packet packet) {
        Decoded<?> decoded = OscCodec.decode(packet.bytes());
        return decoded instanceof Decoded.Packet<?> p && p.value() instanceof OscMessage m
                ? Optional.of(m)
                : Optional.empty();
    }

    /** A whole number of a message; −1 where there is none. */
    static int number(OscMessage message, int index) {
        return index < message.arguments().size() && message.arguments().get(index) instanceof OscArgument.Int32 i
                ? i.value()
                : -1;
    }

    static String text(OscMessage message, int index) {
        return index < message.arguments().size() && message.arguments().get(index) instanceof OscArgument.Text t
                ? t.value()
                : "";
    }

    /** The ways that are tried. */
    enum Way implements Word {
        UNICAST,
        BROADCAST,
        MULTICAST;

        Ipv4Address to(NetAdapter own, Ipv4Address other) {
            return switch (this) {
                case UNICAST -> other;
                case BROADCAST -> own.broadcast();
                case MULTICAST -> GROUP;
            };
        }
    }

    static SendResult send(UdpPort port, Ipv4Address to, int toPort, byte[] bytes) {
        return port.send(SendIntent.ASKING, to, toPort, bytes);
    }
}
