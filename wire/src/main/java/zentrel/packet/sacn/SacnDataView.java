package zentrel.packet.sacn;

import java.nio.ByteBuffer;

/**
 * Reads well-formed sACN data packets in place, without making anything: for those who receive tens of thousands a second. What it
 * does not take may still be a packet; {@link SacnCodec} tells. Offsets as in {@link SacnData}.
 */
public final class SacnDataView {
    private static final int PREAMBLE = 0x00100000;
    private static final long IDENTIFIER_START = 0x4153432d45312e31L; // "ASC-E1.1"
    private static final int IDENTIFIER_END = 0x37000000; // "7" and three zeros
    private static final int ROOT = 16;
    private static final int FRAMING = 38;
    private static final int DMP = 115;
    private static final int SLOTS = 126;
    private static final int NAME = 44;
    private static final int NAME_LENGTH = 64;

    private int start;
    private long cidHigh;
    private long cidLow;
    private int priority;
    private int syncAddress;
    private int sequence;
    private int options;
    private int universe;
    private int startCode;
    private int length;

    /** Whether a buffer, from position to limit, is such a packet; then its fields are here until the next one is read. */
    public boolean read(ByteBuffer b) {
        int p = b.position();
        int total = b.remaining();
        if (total < SLOTS
                || b.getInt(p) != PREAMBLE
                || b.getLong(p + 4) != IDENTIFIER_START
                || b.getInt(p + 12) != IDENTIFIER_END
                || !layer(b, p, ROOT, total)
                || b.getInt(p + 18) != 4
                || !layer(b, p, FRAMING, total)
                || b.getInt(p + 40) != 2
                || !layer(b, p, DMP, total)
                || b.get(p + 117) != 2
                || b.get(p + 118) != (byte) 0xA1
                || b.getShort(p + 119) != 0
                || b.getShort(p + 121) != 1) {
            return false;
        }
        int count = b.getShort(p + 123) & 0xFFFF;
        int rank = b.get(p + 108) & 0xFF;
        int sync = b.getShort(p + 109) & 0xFFFF;
        int number = b.getShort(p + 113) & 0xFFFF;
        if (count > 513 || total != SLOTS - 1 + count || rank > 200 || sync > 63999 || number < 1 || number > 63999) {
            return false;
        }
        start = p;
        cidHigh = b.getLong(p + 22);
        cidLow = b.getLong(p + 30);
        priority = rank;
        syncAddress = sync;
        sequence = b.get(p + 111) & 0xFF;
        options = b.get(p + 112) & 0xFF;
        universe = number;
        startCode = b.get(p + 125) & 0xFF;
        length = count - 1;
        return true;
    }

    private static boolean layer(ByteBuffer b, int p, int at, int total) {
        return (b.getShort(p + at) & 0xFFFF) == (0x7000 | (total - at));
    }

    public long cidHigh() {
        return cidHigh;
    }

    public long cidLow() {
        return cidLow;
    }

    /** 0–200. */
    public int priority() {
        return priority;
    }

    /** 0 for none. */
    public int syncAddress() {
        return syncAddress;
    }

    public int sequence() {
        return sequence;
    }

    public boolean isPreview() {
        return (options & SacnData.PREVIEW) != 0;
    }

    public boolean isTerminated() {
        return (options & SacnData.TERMINATED) != 0;
    }

    /** 1–63999. */
    public int universe() {
        return universe;
    }

    public int startCode() {
        return startCode;
    }

    /** How many slots it has, 0–512. */
    public int length() {
        return length;
    }

    /** Copies its levels. */
    public void levels(ByteBuffer b, byte[] into) {
        b.get(start + SLOTS, into, 0, length);
    }

    /** The bytes of the source's name, up to the first zero. */
    public byte[] name(ByteBuffer b) {
        int end = 0;
        while (end < NAME_LENGTH && b.get(start + NAME + end) != 0) {
            end++;
        }
        byte[] name = new byte[end];
        b.get(start + NAME, name);
        return name;
    }
}
