package zentrel.packet;

import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.StandardCharsets;
import java.util.List;

/** Reads unsigned numbers from bytes. Every read names its field and is checked; a failure carries field and offset. */
public final class WireReader {
    /** Bytes are not what the layout says. Codecs turn it into {@link Decoded.Malformed}; it never leaves them. */
    public static final class Malformed extends Exception {
        private static final long serialVersionUID = 1L;
        private final String field;
        private final int offset;

        Malformed(String field, int offset, String reason) {
            super(reason, null, false, false);
            this.field = field;
            this.offset = offset;
        }

        public <P> Decoded<P> decoded(byte[] bytes) {
            return new Decoded.Malformed<>(field, offset, String.valueOf(getMessage()), Bytes.of(bytes));
        }
    }

    private final byte[] bytes;
    private final int end;
    private int position;

    public WireReader(byte[] bytes) {
        this(bytes, 0, bytes.length);
    }

    private WireReader(byte[] bytes, int from, int end) {
        this.bytes = bytes;
        this.position = from;
        this.end = end;
    }

    public int position() {
        return position;
    }

    public int remaining() {
        return end - position;
    }

    /** A complaint about the field that was just read, {@code length} bytes long. */
    public Malformed wrong(String field, int length, String reason) {
        return new Malformed(field, position - length, reason);
    }

    private void require(String field, int length) throws Malformed {
        if (length < 0 || length > remaining()) {
            throw new Malformed(field, position, "needs " + length + " bytes, " + remaining() + " are left");
        }
    }

    public int u8(String field) throws Malformed {
        require(field, 1);
        return bytes[position++] & 0xFF;
    }

    public int u16BigEndian(String field) throws Malformed {
        require(field, 2);
        return u8(field) << 8 | u8(field);
    }

    public int u16LittleEndian(String field) throws Malformed {
        require(field, 2);
        return u8(field) | u8(field) << 8;
    }

    public int i32BigEndian(String field) throws Malformed {
        require(field, 4);
        return u16BigEndian(field) << 16 | u16BigEndian(field);
    }

    public long i64BigEndian(String field) throws Malformed {
        require(field, 8);
        return (long) i32BigEndian(field) << 32 | (i32BigEndian(field) & 0xFFFFFFFFL);
    }

    public Bytes bytes(String field, int length) throws Malformed {
        require(field, length);
        byte[] copy = java.util.Arrays.copyOfRange(bytes, position, position + length);
        position += length;
        return Bytes.of(copy);
    }

    /**
     * Text that ends at the first zero, in a field of fixed length. Bytes that are no UTF-8 are taken as ISO 8859-1, as older devices
     * write names, and noted.
     *
     * @param tolerated gets the note
     * @param clause where the standard says how the field is written
     */
    public String fixedText(String field, int length, List<String> tolerated, String clause) throws Malformed {
        require(field, length);
        int stop = position;
        while (stop < position + length && bytes[stop] != 0) {
            stop++;
        }
        String text;
        try {
            text = text(field, position, stop);
        } catch (Malformed e) {
            text = new String(bytes, position, stop - position, StandardCharsets.ISO_8859_1);
            tolerated.add(field + " is not written as " + clause + " says; taken as ISO 8859-1");
        }
        position += length;
        return text;
    }

    /** Bytes from the current position up to {@code stop} as text. */
    String text(String field, int from, int stop) throws Malformed {
        try {
            return StandardCharsets.UTF_8
                    .newDecoder()
                    .decode(ByteBuffer.wrap(bytes, from, stop - from))
                    .toString();
        } catch (CharacterCodingException e) {
            throw new Malformed(field, from, "is not text");
        }
    }

    /** Text that ends with a zero and is filled up with zeros to a multiple of four (OSC 1.0, "OSC-string"). */
    public String paddedText(String field) throws Malformed {
        int start = position;
        int stop = start;
        while (stop < end && bytes[stop] != 0) {
            stop++;
        }
        if (stop == end) {
            throw new Malformed(field, start, "has no zero at its end");
        }
        String text = text(field, start, stop);
        position = stop;
        padding(field, start);
        return text;
    }

    /** Skips zeros up to a multiple of four from {@code start}, at least one. */
    private void padding(String field, int start) throws Malformed {
        int length = (position - start) / 4 * 4 + 4 - (position - start);
        zeros(field, length);
    }

    /** Skips zeros. */
    public void zeros(String field, int length) throws Malformed {
        require(field, length);
        for (int i = 0; i < length; i++) {
            if (u8(field) != 0) {
                throw wrong(field, 1, "is not filled up with zeros");
            }
        }
    }

    /** Skips bytes whose content does not matter. */
    public void skip(String field, int length) throws Malformed {
        require(field, length);
        position += length;
    }

    /** A reader of the next {@code length} bytes only; this one continues behind them. */
    public WireReader window(String field, int length) throws Malformed {
        require(field, length);
        WireReader inner = new WireReader(bytes, position, position + length);
        position += length;
        return inner;
    }

    /** Fails if bytes are left over. */
    public void finish(String field) throws Malformed {
        if (remaining() > 0) {
            throw new Malformed(field, position, remaining() + " bytes are left over");
        }
    }
}
