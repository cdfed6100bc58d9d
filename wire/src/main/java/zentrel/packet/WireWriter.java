package zentrel.packet;

import java.nio.charset.StandardCharsets;
import java.util.Arrays;

/** Writes numbers and text as bytes; grows as needed. */
public final class WireWriter {
    private byte[] bytes = new byte[128];
    private int length;

    private void grow(int by) {
        if (length + by > bytes.length) {
            bytes = Arrays.copyOf(bytes, Math.max(bytes.length * 2, length + by));
        }
    }

    public int length() {
        return length;
    }

    public WireWriter u8(int value) {
        grow(1);
        bytes[length++] = (byte) value;
        return this;
    }

    public WireWriter u16BigEndian(int value) {
        return u8(value >> 8).u8(value);
    }

    public WireWriter u16LittleEndian(int value) {
        return u8(value).u8(value >> 8);
    }

    public WireWriter i32BigEndian(int value) {
        return u16BigEndian(value >> 16).u16BigEndian(value);
    }

    public WireWriter i64BigEndian(long value) {
        return i32BigEndian((int) (value >> 32)).i32BigEndian((int) value);
    }

    public WireWriter bytes(Bytes value) {
        return raw(value.toArray());
    }

    public WireWriter raw(byte[] value) {
        grow(value.length);
        System.arraycopy(value, 0, bytes, length, value.length);
        length += value.length;
        return this;
    }

    public WireWriter zeros(int count) {
        grow(count);
        Arrays.fill(bytes, length, length + count, (byte) 0);
        length += count;
        return this;
    }

    /** Text in a field of fixed length that keeps a zero at its end; cut at a character if it is too long. */
    public WireWriter fixedText(String text, int fieldLength) {
        byte[] raw = text.getBytes(StandardCharsets.UTF_8);
        int keep = Math.min(raw.length, fieldLength - 1);
        while (keep < raw.length && keep > 0 && (raw[keep] & 0xC0) == 0x80) {
            keep--;
        }
        raw(Arrays.copyOf(raw, keep));
        return zeros(fieldLength - keep);
    }

    /** Text with a zero, filled up to a multiple of four. */
    public WireWriter paddedText(String text) {
        byte[] raw = text.getBytes(StandardCharsets.UTF_8);
        raw(raw);
        return zeros(4 - raw.length % 4);
    }

    public byte[] toArray() {
        return Arrays.copyOf(bytes, length);
    }
}
