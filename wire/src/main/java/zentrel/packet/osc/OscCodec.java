package zentrel.packet.osc;

import java.util.ArrayList;
import java.util.List;
import zentrel.packet.Bytes;
import zentrel.packet.Decoded;
import zentrel.packet.WireReader;
import zentrel.packet.WireReader.Malformed;
import zentrel.packet.WireWriter;

/** OSC 1.0 packets to bytes and back. */
public final class OscCodec {
    /** Bundles and groups nested deeper are refused; the specification sets no limit, a stack does. */
    public static final int DEEPEST = 16;

    private static final String BUNDLE = "#bundle";

    private OscCodec() {}

    public static byte[] encode(OscPacket packet) {
        WireWriter w = new WireWriter();
        if (packet instanceof OscMessage message) {
            StringBuilder tags = new StringBuilder(",");
            WireWriter values = new WireWriter();
            message.arguments().forEach(a -> write(a, tags, values));
            w.paddedText(message.address()).paddedText(tags.toString()).raw(values.toArray());
        } else if (packet instanceof OscBundle bundle) {
            w.paddedText(BUNDLE).i64BigEndian(bundle.timeTag());
            for (OscPacket element : bundle.elements()) {
                byte[] bytes = encode(element);
                w.i32BigEndian(bytes.length).raw(bytes);
            }
        }
        return w.toArray();
    }

    private static void write(OscArgument argument, StringBuilder tags, WireWriter w) {
        if (argument instanceof OscArgument.Int32 a) {
            tags.append('i');
            w.i32BigEndian(a.value());
        } else if (argument instanceof OscArgument.Float32 a) {
            tags.append('f');
            w.i32BigEndian(Float.floatToRawIntBits(a.value()));
        } else if (argument instanceof OscArgument.Text a) {
            tags.append('s');
            w.paddedText(a.value());
        } else if (argument instanceof OscArgument.Symbol a) {
            tags.append('S');
            w.paddedText(a.value());
        } else if (argument instanceof OscArgument.Blob a) {
            tags.append('b');
            w.i32BigEndian(a.value().length())
                    .bytes(a.value())
                    .zeros((4 - a.value().length() % 4) % 4);
        } else if (argument instanceof OscArgument.Int64 a) {
            tags.append('h');
            w.i64BigEndian(a.value());
        } else if (argument instanceof OscArgument.TimeTag a) {
            tags.append('t');
            w.i64BigEndian(a.value());
        } else if (argument instanceof OscArgument.Float64 a) {
            tags.append('d');
            w.i64BigEndian(Double.doubleToRawLongBits(a.value()));
        } else if (argument instanceof OscArgument.Letter a) {
            tags.append('c');
            w.i32BigEndian(a.value());
        } else if (argument instanceof OscArgument.Colour a) {
            tags.append('r');
            w.i32BigEndian(a.rgba());
        } else if (argument instanceof OscArgument.Midi a) {
            tags.append('m');
            w.i32BigEndian(a.bytes());
        } else if (argument instanceof OscArgument.Bool a) {
            tags.append(a.value() ? 'T' : 'F');
        } else if (argument instanceof OscArgument.Nil) {
            tags.append('N');
        } else if (argument instanceof OscArgument.Infinitum) {
            tags.append('I');
        } else if (argument instanceof OscArgument.Group a) {
            tags.append('[');
            a.values().forEach(v -> write(v, tags, w));
            tags.append(']');
        }
    }

    /** What the bytes are. */
    public static Decoded<OscPacket> decode(byte[] bytes) {
        if (bytes.length == 0 || (bytes[0] != '/' && bytes[0] != '#')) {
            return new Decoded.Unknown<>("not OSC", Bytes.of(bytes));
        }
        try {
            List<String> tolerated = new ArrayList<>();
            WireReader in = new WireReader(bytes);
            OscPacket packet = packet(in, tolerated, 0);
            in.finish("packet");
            return new Decoded.Packet<>(packet, tolerated);
        } catch (UnknownTag e) {
            return new Decoded.Unknown<>(String.valueOf(e.getMessage()), Bytes.of(bytes));
        } catch (Malformed e) {
            return e.decoded(bytes);
        }
    }

    /** A type tag that the specification does not name: what follows cannot be read. */
    private static final class UnknownTag extends Exception {
        private static final long serialVersionUID = 1L;

        UnknownTag(char tag) {
            super("OSC type tag '" + tag + "'", null, false, false);
        }
    }

    private static OscPacket packet(WireReader in, List<String> tolerated, int depth) throws Malformed, UnknownTag {
        if (depth > DEEPEST) {
            throw in.wrong("bundle", 0, "is nested deeper than " + DEEPEST);
        }
        String address = in.paddedText("address pattern");
        if (address.equals(BUNDLE)) {
            return bundle(in, tolerated, depth);
        }
        if (!address.startsWith("/")) {
            throw in.wrong("address pattern", 0, "starts with neither a slash nor #bundle");
        }
        if (in.remaining() == 0) {
            // OSC 1.0, "OSC Messages": "some older implementations of OSC may omit the OSC Type Tag string".
            tolerated.add("no type tags (OSC 1.0, OSC Messages)");
            return new OscMessage(address, List.of());
        }
        String tags = in.paddedText("type tags");
        if (!tags.startsWith(",")) {
            throw in.wrong("type tags", 0, "do not start with a comma");
        }
        int[] next = {1};
        List<OscArgument> arguments = arguments(in, tags, next, 0);
        return new OscMessage(address, arguments);
    }

    private static OscBundle bundle(WireReader in, List<String> tolerated, int depth) throws Malformed, UnknownTag {
        long timeTag = in.i64BigEndian("time tag");
        List<OscPacket> elements = new ArrayList<>();
        while (in.remaining() > 0) {
            int size = in.i32BigEndian("element size");
            if (size <= 0 || size % 4 != 0) {
                throw in.wrong("element size", 4, "is " + size + "; it is a positive multiple of four");
            }
            WireReader element = in.window("bundle element", size);
            elements.add(packet(element, tolerated, depth + 1));
            element.finish("bundle element");
        }
        return new OscBundle(timeTag, elements);
    }

    private static List<OscArgument> arguments(WireReader in, String tags, int[] next, int depth)
            throws Malformed, UnknownTag {
        List<OscArgument> arguments = new ArrayList<>();
        while (next[0] < tags.length()) {
            char tag = tags.charAt(next[0]++);
            switch (tag) {
                case 'i' -> arguments.add(new OscArgument.Int32(in.i32BigEndian("argument i")));
                case 'f' -> arguments.add(new OscArgument.Float32(Float.intBitsToFloat(in.i32BigEndian("argument f"))));
                case 's' -> arguments.add(new OscArgument.Text(in.paddedText("argument s")));
                case 'S' -> arguments.add(new OscArgument.Symbol(in.paddedText("argument S")));
                case 'b' -> arguments.add(new OscArgument.Blob(blob(in)));
                case 'h' -> arguments.add(new OscArgument.Int64(in.i64BigEndian("argument h")));
                case 't' -> arguments.add(new OscArgument.TimeTag(in.i64BigEndian("argument t")));
                case 'd' ->
                    arguments.add(new OscArgument.Float64(Double.longBitsToDouble(in.i64BigEndian("argument d"))));
                case 'c' -> arguments.add(new OscArgument.Letter(in.i32BigEndian("argument c")));
                case 'r' -> arguments.add(new OscArgument.Colour(in.i32BigEndian("argument r")));
                case 'm' -> arguments.add(new OscArgument.Midi(in.i32BigEndian("argument m")));
                case 'T' -> arguments.add(new OscArgument.Bool(true));
                case 'F' -> arguments.add(new OscArgument.Bool(false));
                case 'N' -> arguments.add(new OscArgument.Nil());
                case 'I' -> arguments.add(new OscArgument.Infinitum());
                case '[' -> {
                    if (depth >= DEEPEST) {
                        throw in.wrong("type tags", 0, "nest groups deeper than " + DEEPEST);
                    }
                    arguments.add(new OscArgument.Group(arguments(in, tags, next, depth + 1)));
                    if (tags.charAt(next[0] - 1) != ']') {
                        throw in.wrong("type tags", 0, "open a group and do not close it");
                    }
                }
                case ']' -> {
                    if (depth == 0) {
                        throw in.wrong("type tags", 0, "close an array that was not opened");
                    }
                    return arguments;
                }
                default -> throw new UnknownTag(tag);
            }
        }
        if (depth > 0) {
            throw in.wrong("type tags", 0, "open a group and do not close it");
        }
        return arguments;
    }

    private static Bytes blob(WireReader in) throws Malformed {
        int size = in.i32BigEndian("blob size");
        if (size < 0) {
            throw in.wrong("blob size", 4, "is " + size);
        }
        Bytes bytes = in.bytes("argument b", size);
        in.zeros("argument b", (4 - size % 4) % 4);
        return bytes;
    }
}
