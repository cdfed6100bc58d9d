package zentrel.packet;

import java.util.Arrays;
import java.util.HexFormat;

/** Immutable bytes: copied in, copied out, equal by content. */
public final class Bytes {
    public static final Bytes EMPTY = new Bytes(new byte[0]);

    private final byte[] content;

    private Bytes(byte[] content) {
        this.content = content;
    }

    public static Bytes of(byte[] bytes) {
        return new Bytes(bytes.clone());
    }

    /** Bytes from values, each 0–255. */
    public static Bytes of(int... values) {
        byte[] bytes = new byte[values.length];
        for (int i = 0; i < values.length; i++) {
            bytes[i] = (byte) values[i];
        }
        return new Bytes(bytes);
    }

    public static Bytes zeros(int length) {
        return new Bytes(new byte[length]);
    }

    public int length() {
        return content.length;
    }

    /** The unsigned byte at {@code index}. */
    public int at(int index) {
        return content[index] & 0xFF;
    }

    public byte[] toArray() {
        return content.clone();
    }

    @Override
    public boolean equals(Object o) {
        return o instanceof Bytes b && Arrays.equals(content, b.content);
    }

    @Override
    public int hashCode() {
        return Arrays.hashCode(content);
    }

    @Override
    public String toString() {
        return HexFormat.of().formatHex(content);
    }
}
