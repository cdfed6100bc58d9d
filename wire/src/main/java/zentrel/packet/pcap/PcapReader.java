package zentrel.packet.pcap;

import java.io.Closeable;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * Reads a recording frame by frame, without loading it: classic pcap in both byte orders, in micro- and nanoseconds, and pcapng with its
 * sections, interfaces, enhanced, simple and old packet blocks; other blocks are skipped by their length. It reads up to the first
 * damage and says where that is. Not for several threads at once.
 */
public final class PcapReader implements Closeable {
    private static final int BUFFER = 4 << 20;

    /** No frame of a network is larger; a block that claims to be is damaged. */
    private static final int LARGEST_BLOCK = 1 << 20;

    private static final int SECTION_HEADER = 0x0A0D0D0A;
    private static final int BYTE_ORDER_MAGIC = 0x1A2B3C4D;
    private static final int INTERFACE = 1;
    private static final int OLD_PACKET = 2;
    private static final int SIMPLE_PACKET = 3;
    private static final int ENHANCED_PACKET = 6;
    private static final int OPTION_NAME = 2;
    private static final int OPTION_RESOLUTION = 9;
    private static final int OPTION_OFFSET = 14;
    private static final int CLASSIC_MICROS = 0xA1B2C3D4;
    private static final int CLASSIC_NANOS = 0xA1B23C4D;
    private static final int CLASSIC_HEAD = 24;

    /**
     * What a frame was seen on.
     *
     * @param linkType how its bytes begin (pcap link types: 1 is Ethernet)
     * @param resolution the byte of if_tsresol: units of time are ten, or with the top bit two, to the power of minus this
     * @param offsetSeconds what is added to its times
     * @param snapLength bytes of a frame kept at most; 0 for all
     */
    record Interface(int linkType, String name, int resolution, long offsetSeconds, int snapLength) {
        long nanos(long units) {
            int power = resolution & 0x7F;
            if ((resolution & 0x80) != 0) {
                long whole = power >= 64 ? 0 : units >>> power;
                long rest = power >= 64 ? units : units - (whole << power);
                return (whole + offsetSeconds) * 1_000_000_000L + (long) (rest * 1e9 / Math.pow(2, power));
            }
            long nanos = units;
            for (int i = power; i < 9; i++) {
                nanos *= 10;
            }
            for (int i = power; i > 9; i--) {
                nanos /= 10;
            }
            return nanos + offsetSeconds * 1_000_000_000L;
        }
    }

    /** What must be known to read on from somewhere. */
    record Section(ByteOrder order, boolean classic, boolean nanos, List<Interface> interfaces) {}

    /** A place to read on from. */
    public record Place(long offset, Section section) {}

    private final FileChannel file;
    private final long size;
    private final ByteBuffer buffer;
    private long base;
    private Section section;
    private @Nullable String damage;
    private long packets;
    private long time;
    private int linkType;
    private String interfaceName = "";
    private int frameStart;
    private int frameLength;

    /**
     * Opens a recording.
     *
     * @throws IOException with a sentence, if it cannot be read or is none
     */
    public PcapReader(Path path) throws IOException {
        file = FileChannel.open(path, StandardOpenOption.READ);
        size = file.size();
        buffer = ByteBuffer.allocateDirect((int) Math.min(BUFFER, size + 1)).limit(0);
        try {
            section = begin(path);
        } catch (IOException | RuntimeException e) {
            file.close();
            throw e;
        }
    }

    private Section begin(Path path) throws IOException {
        if (!have(4)) {
            throw new IOException(path.getFileName() + " is no recording: it has " + size + " bytes.");
        }
        int magic = buffer.order(ByteOrder.BIG_ENDIAN).getInt(buffer.position());
        if (magic == SECTION_HEADER) {
            return new Section(ByteOrder.BIG_ENDIAN, false, false, new ArrayList<>()); // its block says more
        }
        for (ByteOrder order : List.of(ByteOrder.BIG_ENDIAN, ByteOrder.LITTLE_ENDIAN)) {
            int number = order == ByteOrder.BIG_ENDIAN ? magic : Integer.reverseBytes(magic);
            if (number == CLASSIC_MICROS || number == CLASSIC_NANOS) {
                return classic(path, order, number == CLASSIC_NANOS);
            }
        }
        throw new IOException(path.getFileName() + " is no recording in pcap or pcapng: it begins with 0x"
                + Integer.toHexString(magic) + ".");
    }

    private Section classic(Path path, ByteOrder order, boolean nanos) throws IOException {
        if (!have(CLASSIC_HEAD)) {
            throw new IOException(path.getFileName() + " ends within its head.");
        }
        buffer.order(order);
        int link = buffer.getInt(buffer.position() + 20) & 0xFFFF;
        buffer.position(buffer.position() + CLASSIC_HEAD);
        Interface only = new Interface(link, path.getFileName().toString(), nanos ? 9 : 6, 0, 0);
        return new Section(order, true, nanos, new ArrayList<>(List.of(only)));
    }

    /** Whether so many bytes are there from the position on; reads more where needed. */
    private boolean have(int count) throws IOException {
        if (buffer.remaining() >= count) {
            return true;
        }
        base += buffer.position();
        buffer.compact();
        while (buffer.position() < count || buffer.position() < buffer.capacity() / 2) {
            if (file.read(buffer, base + buffer.position()) < 0) {
                break;
            }
            if (!buffer.hasRemaining()) {
                break;
            }
        }
        buffer.flip();
        return buffer.remaining() >= count;
    }

    /** Where the next block begins. */
    public Place place() {
        return new Place(base + buffer.position(), section);
    }

    /** Reads on from a place that {@link #place} gave. */
    public void seek(Place place) {
        base = place.offset();
        buffer.position(0).limit(0);
        section = place.section();
        damage = null;
    }

    /** How many bytes the recording has. */
    public long size() {
        return size;
    }

    /** How many frames were read. */
    public long packets() {
        return packets;
    }

    /** What ended it before its end, as a sentence. */
    public Optional<String> damage() {
        return Optional.ofNullable(damage);
    }

    /** When the frame was seen, in ns since 1970 in UTC. */
    public long time() {
        return time;
    }

    /** How the frame begins, as a link type of pcap. */
    public int linkType() {
        return linkType;
    }

    /** The adapter that it was seen on, as the recording calls it. */
    public String interfaceName() {
        return interfaceName;
    }

    /** The frame, as far as it was recorded; valid until the next one is read. */
    public ByteBuffer frame() {
        ByteBuffer view = buffer.duplicate().order(ByteOrder.BIG_ENDIAN);
        view.limit(frameStart + frameLength).position(frameStart);
        return view;
    }

    /**
     * Reads the next frame.
     *
     * @return false at the end, or at the first damage
     * @throws IOException if the file cannot be read
     */
    public boolean next() throws IOException {
        if (damage != null) {
            return false;
        }
        return section.classic() ? nextClassic() : nextBlock();
    }

    private boolean damaged(String what) {
        damage = "It is damaged at byte " + (base + buffer.position()) + ": " + what + ". Read up to there.";
        return false;
    }

    private boolean nextClassic() throws IOException {
        if (!have(16)) {
            return buffer.hasRemaining() && damaged("it ends within the head of a packet");
        }
        buffer.order(section.order());
        int at = buffer.position();
        long seconds = buffer.getInt(at) & 0xFFFFFFFFL;
        long fraction = buffer.getInt(at + 4) & 0xFFFFFFFFL;
        int kept = buffer.getInt(at + 8);
        if (kept < 0 || kept > LARGEST_BLOCK) {
            return damaged("a packet claims to have " + (kept & 0xFFFFFFFFL) + " bytes");
        }
        if (!have(16 + kept)) {
            return damaged("it ends within a packet");
        }
        frame(
                section.interfaces().get(0),
                seconds * 1_000_000_000L + fraction * (section.nanos() ? 1 : 1000),
                16,
                kept);
        buffer.position(buffer.position() + 16 + kept);
        return true;
    }

    private void frame(Interface on, long nanos, int offset, int length) {
        time = nanos;
        linkType = on.linkType();
        interfaceName = on.name();
        frameStart = buffer.position() + offset;
        frameLength = length;
        packets++;
    }

    private boolean nextBlock() throws IOException {
        while (have(12)) {
            buffer.order(section.order());
            int type = buffer.getInt(buffer.position());
            if (type == SECTION_HEADER && !newSection()) {
                return false;
            }
            int length = buffer.getInt(buffer.position() + 4);
            if (length < 12 || length > LARGEST_BLOCK || length % 4 != 0) {
                return damaged("a block claims to have " + (length & 0xFFFFFFFFL) + " bytes");
            }
            if (!have(length)) {
                return damaged("it ends within a block");
            }
            if (buffer.getInt(buffer.position() + length - 4) != length) {
                return damaged("a block does not end with its length");
            }
            boolean isFrame = switch (type) {
                case INTERFACE -> interfaceBlock(length);
                case ENHANCED_PACKET -> packet(length, buffer.getInt(buffer.position() + 8), 28);
                case OLD_PACKET -> packet(length, buffer.getShort(buffer.position() + 8) & 0xFFFF, 28);
                case SIMPLE_PACKET -> simplePacket(length);
                default -> false;
            };
            if (damage != null) {
                return false;
            }
            buffer.position(buffer.position() + length);
            if (isFrame) {
                return true;
            }
        }
        return buffer.hasRemaining() && damaged("it ends within the head of a block");
    }

    private boolean newSection() throws IOException {
        if (!have(28)) {
            return damaged("it ends within the head of a section");
        }
        int magic = buffer.order(ByteOrder.BIG_ENDIAN).getInt(buffer.position() + 8);
        if (magic != BYTE_ORDER_MAGIC && Integer.reverseBytes(magic) != BYTE_ORDER_MAGIC) {
            return damaged("a section does not say its byte order");
        }
        ByteOrder order = magic == BYTE_ORDER_MAGIC ? ByteOrder.BIG_ENDIAN : ByteOrder.LITTLE_ENDIAN;
        section = new Section(order, false, false, new ArrayList<>());
        buffer.order(order);
        return true;
    }

    private boolean interfaceBlock(int length) {
        int at = buffer.position();
        if (length < 20) {
            damaged("an interface has no head");
            return false;
        }
        int link = buffer.getShort(at + 8) & 0xFFFF;
        int snap = buffer.getInt(at + 12);
        String name = "interface " + section.interfaces().size();
        int resolution = 6;
        long offset = 0;
        int end = at + length - 4;
        for (int o = at + 16; o + 4 <= end; ) {
            int code = buffer.getShort(o) & 0xFFFF;
            int size = buffer.getShort(o + 2) & 0xFFFF;
            if (code == 0 || o + 4 + size > end) {
                break;
            }
            if (code == OPTION_NAME) {
                byte[] text = new byte[size];
                buffer.get(o + 4, text);
                name = new String(text, StandardCharsets.UTF_8);
            } else if (code == OPTION_RESOLUTION && size >= 1) {
                resolution = buffer.get(o + 4) & 0xFF;
            } else if (code == OPTION_OFFSET && size >= 8) {
                offset = buffer.getLong(o + 4);
            }
            o += 4 + (size + 3) / 4 * 4;
        }
        section.interfaces().add(new Interface(link, name, resolution, offset, snap));
        return false;
    }

    private boolean packet(int length, int number, int head) {
        int at = buffer.position();
        int kept = length < head + 4 ? -1 : buffer.getInt(at + 20);
        if (kept < 0 || kept > length - head - 4) {
            damaged("a packet does not fit into its block");
            return false;
        }
        if (number < 0 || number >= section.interfaces().size()) {
            damaged("a packet is of interface " + number + ", which is not described");
            return false;
        }
        Interface on = section.interfaces().get(number);
        long units = (buffer.getInt(at + 12) & 0xFFFFFFFFL) << 32 | (buffer.getInt(at + 16) & 0xFFFFFFFFL);
        frame(on, on.nanos(units), head, kept);
        return true;
    }

    /** A packet without a time: it gets that of the one before. */
    private boolean simplePacket(int length) {
        if (length < 16 || section.interfaces().isEmpty()) {
            damaged("a packet without an interface");
            return false;
        }
        Interface on = section.interfaces().get(0);
        int original = buffer.getInt(buffer.position() + 8);
        int kept = Math.min(original < 0 ? Integer.MAX_VALUE : original, length - 16);
        frame(on, time, 12, on.snapLength() > 0 ? Math.min(kept, on.snapLength()) : kept);
        return true;
    }

    @Override
    public void close() throws IOException {
        file.close();
    }
}
