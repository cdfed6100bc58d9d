package zentrel.packet.artnet;

import java.nio.ByteBuffer;

/**
 * Reads the levels of well-formed ArtDmx packets in place, without making anything: for those who receive tens of thousands a second. What
 * it does not take may still be a packet; {@link ArtNetCodec} tells.
 */
public final class ArtDmxView {
    private static final long ID = 0x4172742d4e657400L; // "Art-Net" and a zero
    private static final int OP_DMX = 0x0050; // 0x5000, little-endian
    private static final int HEAD = 18;

    private int start;
    private int sequence;
    private int physical;
    private int portAddress;
    private int length;

    /** Whether a buffer, from position to limit, is such a packet; then its fields are here until the next one is read. */
    public boolean read(ByteBuffer b) {
        int p = b.position();
        if (b.remaining() < HEAD + 2
                || b.getLong(p) != ID
                || b.getShort(p + 8) != OP_DMX
                || (b.getShort(p + 10) & 0xFFFF) < ArtNetPacket.PROTOCOL_VERSION) {
            return false;
        }
        int address = (b.get(p + 14) & 0xFF) | ((b.get(p + 15) & 0xFF) << 8);
        int count = b.getShort(p + 16) & 0xFFFF;
        if (address > 0x7FFF || count < 2 || count > 512 || count % 2 != 0 || b.remaining() != HEAD + count) {
            return false;
        }
        start = p + HEAD;
        sequence = b.get(p + 12) & 0xFF;
        physical = b.get(p + 13) & 0xFF;
        portAddress = address;
        length = count;
        return true;
    }

    /** 1–255; 0 where it is not numbered. */
    public int sequence() {
        return sequence;
    }

    public int physical() {
        return physical;
    }

    /** 0–32767. */
    public int portAddress() {
        return portAddress;
    }

    /** How many slots it has, 2–512. */
    public int length() {
        return length;
    }

    /** Copies its levels. */
    public void levels(ByteBuffer b, byte[] into) {
        b.get(start, into, 0, length);
    }
}
