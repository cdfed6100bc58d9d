package zentrel.standin;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import zentrel.control.OscPattern;
import zentrel.ipv4.Ipv4Address;
import zentrel.net.Packet;
import zentrel.net.UdpPort;
import zentrel.packet.Decoded;
import zentrel.packet.osc.OscArgument;
import zentrel.packet.osc.OscBundle;
import zentrel.packet.osc.OscCodec;
import zentrel.packet.osc.OscMessage;
import zentrel.packet.osc.OscPacket;

/** Takes OSC on one port and says whether any of its targets is meant. */
public final class OscStandin {
    /** Unreadable packets reported in a second. */
    private static final int MOST_UNREADABLE = 20;

    private final List<String> targets;
    private final boolean handling;
    private final Consumer<StandinEvent> listener;
    private final EventLimit unreadable = new EventLimit(MOST_UNREADABLE);

    /**
     * An OSC input.
     *
     * @param targets addresses it acts on; empty for all
     * @param handling whether messages may act
     */
    public OscStandin(List<String> targets, boolean handling, Consumer<StandinEvent> listener) {
        this.targets = List.copyOf(targets);
        this.handling = handling;
        this.listener = listener;
    }

    /**
     * Opens a port; it stays open as long as the computer of the site.
     *
     * @throws IOException with a sentence, if it cannot be had
     */
    public UdpPort start(StandinSite site, int port) throws IOException {
        return site.open(port, this::received);
    }

    private void received(Packet arrived) {
        Decoded<OscPacket> decoded = OscCodec.decode(arrived.bytes());
        if (decoded instanceof Decoded.Malformed<OscPacket> bad) {
            unreadable(arrived.source(), bad.toString(), arrived.time());
        } else if (decoded instanceof Decoded.Unknown<OscPacket> unknown) {
            unreadable(arrived.source(), unknown.what(), arrived.time());
        } else {
            decoded.packet().ifPresent(p -> take(p, arrived.source()));
        }
    }

    private void unreadable(Ipv4Address from, String why, long now) {
        long more = unreadable.takeLeftOut(now);
        if (more > 0) {
            listener.accept(new StandinEvent.NotListed(more));
        }
        if (unreadable.admits(now)) {
            listener.accept(new StandinEvent.Unreadable(from, why));
        }
    }

    private void take(OscPacket packet, Ipv4Address from) {
        if (packet instanceof OscBundle bundle) {
            bundle.elements().forEach(e -> take(e, from));
        } else if (packet instanceof OscMessage message) {
            boolean meant =
                    targets.isEmpty() || targets.stream().anyMatch(t -> OscPattern.matches(message.address(), t));
            List<String> arguments = new ArrayList<>();
            message.arguments().forEach(a -> arguments.add(text(a)));
            listener.accept(new StandinEvent.Osc(message.address(), arguments, from, meant && handling));
        }
    }

    /** An argument as people read it. */
    public static String text(OscArgument argument) {
        if (argument instanceof OscArgument.Int32 a) {
            return String.valueOf(a.value());
        } else if (argument instanceof OscArgument.Float32 a) {
            return String.valueOf(a.value());
        } else if (argument instanceof OscArgument.Text a) {
            return a.value();
        } else if (argument instanceof OscArgument.Symbol a) {
            return a.value();
        } else if (argument instanceof OscArgument.Int64 a) {
            return String.valueOf(a.value());
        } else if (argument instanceof OscArgument.Float64 a) {
            return String.valueOf(a.value());
        } else if (argument instanceof OscArgument.Bool a) {
            return String.valueOf(a.value());
        } else if (argument instanceof OscArgument.Blob a) {
            return a.value().length() + " bytes";
        } else if (argument instanceof OscArgument.Nil) {
            return "nil";
        } else if (argument instanceof OscArgument.Infinitum) {
            return "infinitum";
        }
        return argument.toString();
    }
}
