package zentrel.packet.desk;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Stream;
import zentrel.packet.Bytes;
import zentrel.packet.Decoded;
import zentrel.packet.desk.DeskPacket.At;
import zentrel.packet.desk.DeskPacket.Enter;
import zentrel.packet.desk.DeskPacket.Entered;
import zentrel.packet.desk.DeskPacket.Here;
import zentrel.packet.desk.DeskPacket.Leave;
import zentrel.packet.desk.DeskPacket.Refused;
import zentrel.packet.desk.DeskPacket.State;
import zentrel.packet.osc.OscArgument;
import zentrel.packet.osc.OscArgument.Float32;
import zentrel.packet.osc.OscArgument.Int32;
import zentrel.packet.osc.OscArgument.Text;
import zentrel.packet.osc.OscCodec;
import zentrel.packet.osc.OscMessage;
import zentrel.packet.osc.OscPacket;

/** What stand-ins of desks say, to bytes and back. */
public final class DeskCodec {
    private static final String BEFORE = "/zentrel/desk/";

    private DeskCodec() {}

    /** The bytes of a packet. */
    public static byte[] encode(DeskPacket packet) {
        if (packet instanceof Here p) {
            return message(
                    "here",
                    p.session(),
                    p.name(),
                    p.part(),
                    p.version(),
                    p.show(),
                    p.state().word());
        } else if (packet instanceof Enter p) {
            return message("enter", p.session(), p.name(), p.version(), p.key());
        } else if (packet instanceof Entered p) {
            return message("entered", p.session(), p.show());
        } else if (packet instanceof Refused p) {
            return message("refused", p.session(), p.why().word());
        } else if (packet instanceof At p) {
            return OscCodec.encode(new OscMessage(
                    BEFORE + "at", List.of(new Text(p.session()), new Int32(p.position()), new Float32(p.level()))));
        }
        Leave p = (Leave) packet;
        return message("leave", p.session(), p.name());
    }

    private static byte[] message(String what, String... texts) {
        return OscCodec.encode(new OscMessage(
                BEFORE + what, Stream.of(texts).<OscArgument>map(Text::new).toList()));
    }

    /** What the bytes are. */
    public static Decoded<DeskPacket> decode(byte[] bytes) {
        Decoded<OscPacket> osc = OscCodec.decode(bytes);
        if (osc instanceof Decoded.Malformed<OscPacket> bad) {
            return new Decoded.Malformed<>(bad.field(), bad.offset(), bad.reason(), bad.raw());
        }
        Optional<OscMessage> message =
                osc.packet().filter(OscMessage.class::isInstance).map(OscMessage.class::cast);
        Optional<DeskPacket> packet = message.filter(m -> m.address().startsWith(BEFORE))
                .flatMap(m -> read(m.address().substring(BEFORE.length()), m.arguments()));
        return packet.<Decoded<DeskPacket>>map(p -> new Decoded.Packet<>(p, List.of()))
                .orElseGet(() -> new Decoded.Unknown<>("not said by the stand-in of a desk", Bytes.of(bytes)));
    }

    private static Optional<DeskPacket> read(String what, List<OscArgument> a) {
        return switch (what) {
            case "here" ->
                texts(a, 6)
                        .flatMap(t -> state(t.get(5))
                                .map(s -> new Here(t.get(0), t.get(1), t.get(2), t.get(3), t.get(4), s)));
            case "enter" -> texts(a, 4).map(t -> new Enter(t.get(0), t.get(1), t.get(2), t.get(3)));
            case "entered" -> texts(a, 2).map(t -> new Entered(t.get(0), t.get(1)));
            case "refused" -> texts(a, 2).flatMap(t -> state(t.get(1)).map(s -> new Refused(t.get(0), s)));
            case "leave" -> texts(a, 2).map(t -> new Leave(t.get(0), t.get(1)));
            case "at" ->
                a.size() == 3
                                && a.get(0) instanceof Text session
                                && a.get(1) instanceof Int32 position
                                && a.get(2) instanceof Float32 level
                                && level.value() >= 0
                                && level.value() <= 1
                        ? Optional.of(new At(session.value(), position.value(), level.value()))
                        : Optional.empty();
            default -> Optional.empty();
        };
    }

    private static Optional<List<String>> texts(List<OscArgument> arguments, int many) {
        Function<OscArgument, Stream<String>> text = a -> a instanceof Text t ? Stream.of(t.value()) : Stream.empty();
        List<String> all = arguments.stream().flatMap(text).toList();
        return all.size() == many && arguments.size() == many ? Optional.of(all) : Optional.empty();
    }

    private static Optional<State> state(String word) {
        return Arrays.stream(State.values()).filter(s -> s.word().equals(word)).findFirst();
    }
}
