package zentrel.packet.sacn;

import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import zentrel.packet.Bytes;
import zentrel.packet.Decoded;
import zentrel.packet.WireReader;
import zentrel.packet.WireReader.Malformed;
import zentrel.packet.WireWriter;

/** sACN packets to bytes and back. Vectors and constants: ANSI E1.31-2018 Appendix A. */
public final class SacnCodec {
    private static final Bytes IDENTIFIER = Bytes.of(0x41, 0x53, 0x43, 0x2d, 0x45, 0x31, 0x2e, 0x31, 0x37, 0, 0, 0);
    private static final int VECTOR_ROOT_DATA = 4;
    private static final int VECTOR_ROOT_EXTENDED = 8;
    private static final int VECTOR_DATA = 2;
    private static final int VECTOR_SYNC = 1;
    private static final int VECTOR_DISCOVERY = 2;
    private static final int VECTOR_SET_PROPERTY = 2;
    private static final int VECTOR_UNIVERSE_LIST = 1;
    private static final int NAME_LENGTH = 64;
    private static final String NAMES = "ANSI E1.31-2018 §6.2.2";
    private static final int FLAGS = 0x7000;
    private static final int ROOT_START = 16;
    private static final int FRAMING_START = 38;
    private static final int DMP_START = 115;
    private static final int LIST_START = 112;

    private SacnCodec() {}

    public static byte[] encode(SacnPacket packet) {
        WireWriter w = new WireWriter();
        if (packet instanceof SacnData d) {
            int total = 126 + d.slots().length();
            root(w, total, VECTOR_ROOT_DATA, d.cid());
            framing(w, total, VECTOR_DATA);
            w.fixedText(d.sourceName(), NAME_LENGTH).u8(d.priority()).u16BigEndian(d.syncAddress());
            w.u8(d.sequence()).u8(d.options()).u16BigEndian(d.universe());
            w.u16BigEndian(FLAGS | (total - DMP_START)).u8(VECTOR_SET_PROPERTY).u8(0xA1);
            w.u16BigEndian(0)
                    .u16BigEndian(1)
                    .u16BigEndian(1 + d.slots().length())
                    .u8(d.startCode())
                    .bytes(d.slots());
        } else if (packet instanceof SacnSync s) {
            int total = 49;
            root(w, total, VECTOR_ROOT_EXTENDED, s.cid());
            framing(w, total, VECTOR_SYNC);
            w.u8(s.sequence()).u16BigEndian(s.syncAddress()).u16BigEndian(0);
        } else if (packet instanceof SacnDiscovery d) {
            int total = 120 + 2 * d.universes().size();
            root(w, total, VECTOR_ROOT_EXTENDED, d.cid());
            framing(w, total, VECTOR_DISCOVERY);
            w.fixedText(d.sourceName(), NAME_LENGTH).zeros(4);
            w.u16BigEndian(FLAGS | (total - LIST_START))
                    .i32BigEndian(VECTOR_UNIVERSE_LIST)
                    .u8(d.page())
                    .u8(d.lastPage());
            d.universes().forEach(w::u16BigEndian);
        }
        return w.toArray();
    }

    private static void root(WireWriter w, int total, int vector, UUID cid) {
        w.u16BigEndian(0x0010)
                .u16BigEndian(0)
                .bytes(IDENTIFIER)
                .u16BigEndian(FLAGS | (total - ROOT_START))
                .i32BigEndian(vector);
        w.i64BigEndian(cid.getMostSignificantBits()).i64BigEndian(cid.getLeastSignificantBits());
    }

    private static void framing(WireWriter w, int total, int vector) {
        w.u16BigEndian(FLAGS | (total - FRAMING_START)).i32BigEndian(vector);
    }

    /** What the bytes are. */
    public static Decoded<SacnPacket> decode(byte[] bytes) {
        List<String> tolerated = new ArrayList<>();
        try {
            WireReader in = new WireReader(bytes);
            if (bytes.length < ROOT_START
                    || in.u16BigEndian("Preamble Size") != 0x0010
                    || in.u16BigEndian("Post-amble Size") != 0
                    || !in.bytes("ACN Packet Identifier", 12).equals(IDENTIFIER)) {
                return new Decoded.Unknown<>("not sACN", Bytes.of(bytes));
            }
            length(in, "Root Flags and Length");
            int vector = in.i32BigEndian("Root Vector");
            if (vector != VECTOR_ROOT_DATA && vector != VECTOR_ROOT_EXTENDED) {
                return new Decoded.Unknown<>("ACN root vector " + Integer.toUnsignedString(vector), Bytes.of(bytes));
            }
            UUID cid = new UUID(in.i64BigEndian("CID"), in.i64BigEndian("CID"));
            length(in, "Framing Flags and Length");
            int framing = in.i32BigEndian("Framing Vector");
            if (vector == VECTOR_ROOT_DATA && framing == VECTOR_DATA) {
                return new Decoded.Packet<>(data(in, cid, tolerated), tolerated);
            }
            if (vector == VECTOR_ROOT_EXTENDED && framing == VECTOR_SYNC) {
                return new Decoded.Packet<>(sync(in, cid), List.of());
            }
            if (vector == VECTOR_ROOT_EXTENDED && framing == VECTOR_DISCOVERY) {
                return new Decoded.Packet<>(discovery(in, cid, tolerated), tolerated);
            }
            return new Decoded.Unknown<>("sACN framing vector " + Integer.toUnsignedString(framing), Bytes.of(bytes));
        } catch (Malformed e) {
            return e.decoded(bytes);
        }
    }

    /** Each layer says how long it is; it must reach exactly to the end of the packet. */
    private static void length(WireReader in, String field) throws Malformed {
        int left = in.remaining();
        int value = in.u16BigEndian(field);
        if ((value & 0xF000) != FLAGS) {
            throw in.wrong(field, 2, "has flags 0x" + Integer.toHexString(value >> 12) + ", not 7");
        }
        if ((value & 0xFFF) != left) {
            throw in.wrong(field, 2, "says " + (value & 0xFFF) + " bytes, " + left + " are there");
        }
    }

    private static int in(WireReader in, String field, int width, int value, int first, int last) throws Malformed {
        if (value < first || value > last) {
            throw in.wrong(field, width, "is " + value + "; it goes from " + first + " to " + last);
        }
        return value;
    }

    private static SacnPacket data(WireReader in, UUID cid, List<String> tolerated) throws Malformed {
        String name = in.fixedText("Source Name", NAME_LENGTH, tolerated, NAMES);
        int priority = in(in, "Priority", 1, in.u8("Priority"), 0, 200);
        int sync = in(in, "Synchronization Address", 2, in.u16BigEndian("Synchronization Address"), 0, 63999);
        int sequence = in.u8("Sequence Number");
        int options = in.u8("Options");
        int universe = in(in, "Universe", 2, in.u16BigEndian("Universe"), 1, 63999);
        length(in, "DMP Flags and Length");
        in(in, "DMP Vector", 1, in.u8("DMP Vector"), VECTOR_SET_PROPERTY, VECTOR_SET_PROPERTY);
        in(in, "Address Type & Data Type", 1, in.u8("Address Type & Data Type"), 0xA1, 0xA1);
        in(in, "First Property Address", 2, in.u16BigEndian("First Property Address"), 0, 0);
        in(in, "Address Increment", 2, in.u16BigEndian("Address Increment"), 1, 1);
        int count = in(in, "Property value count", 2, in.u16BigEndian("Property value count"), 1, 513);
        int startCode = in.u8("START Code");
        Bytes slots = in.bytes("Property values", count - 1);
        in.finish("Property values");
        return new SacnData(
                cid,
                name,
                priority,
                sync,
                sequence,
                (options & SacnData.PREVIEW) != 0,
                (options & SacnData.TERMINATED) != 0,
                (options & SacnData.FORCE_SYNC) != 0,
                universe,
                startCode,
                slots);
    }

    private static SacnPacket sync(WireReader in, UUID cid) throws Malformed {
        int sequence = in.u8("Sequence Number");
        int address = in(in, "Synchronization Address", 2, in.u16BigEndian("Synchronization Address"), 1, 63999);
        in.skip("Reserved", 2);
        in.finish("Reserved");
        return new SacnSync(cid, sequence, address);
    }

    private static SacnPacket discovery(WireReader in, UUID cid, List<String> tolerated) throws Malformed {
        String name = in.fixedText("Source Name", NAME_LENGTH, tolerated, NAMES);
        in.skip("Reserved", 4);
        length(in, "Universe Discovery Flags and Length");
        in(
                in,
                "Universe Discovery Vector",
                4,
                in.i32BigEndian("Universe Discovery Vector"),
                VECTOR_UNIVERSE_LIST,
                VECTOR_UNIVERSE_LIST);
        int page = in.u8("Page");
        int last = in(in, "Last Page", 1, in.u8("Last Page"), page, 255);
        if (in.remaining() > 2 * SacnDiscovery.PAGE) {
            throw in.wrong("List of Universes", 0, "has more than 512 universes");
        }
        List<Integer> universes = new ArrayList<>();
        while (in.remaining() > 0) {
            universes.add(in(in, "List of Universes", 2, in.u16BigEndian("List of Universes"), 1, 63999));
        }
        return new SacnDiscovery(cid, name, page, last, universes);
    }
}
