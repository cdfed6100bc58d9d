package zentrel.packet.osc;

import java.io.ByteArrayOutputStream;
import java.nio.ByteBuffer;
import java.util.Optional;
import java.util.function.Consumer;

/**
 * How packets are told apart in a TCP stream: by their length before each (OSC 1.0, "OSC Packets"), or by SLIP end characters around
 * each (OSC 1.1, Freed and Schmeder 2009; RFC 1055).
 */
public enum OscFraming {
    LENGTH {
        @Override
        public byte[] framed(byte[] packet) {
            return ByteBuffer.allocate(LENGTH_BYTES + packet.length)
                    .putInt(packet.length)
                    .put(packet)
                    .array();
        }
    },
    SLIP {
        @Override
        public byte[] framed(byte[] packet) {
            ByteArrayOutputStream out = new ByteArrayOutputStream(packet.length + 2);
            out.write(END);
            for (byte b : packet) {
                if ((b & 0xFF) == END) {
                    out.write(ESCAPE);
                    out.write(ESCAPED_END);
                } else if ((b & 0xFF) == ESCAPE) {
                    out.write(ESCAPE);
                    out.write(ESCAPED_ESCAPE);
                } else {
                    out.write(b);
                }
            }
            out.write(END);
            return out.toByteArray();
        }
    };

    /** Packets are taken up to this length; the specifications set no limit, a datagram has this one. */
    public static final int LONGEST = 65_507;

    private static final int LENGTH_BYTES = 4;
    private static final int END = 0xC0;
    private static final int ESCAPE = 0xDB;
    private static final int ESCAPED_END = 0xDC;
    private static final int ESCAPED_ESCAPE = 0xDD;

    /** The packet as it stands in a stream. */
    public abstract byte[] framed(byte[] packet);

    /** Takes a stream apart, in whatever pieces it comes. Not for several threads at once. */
    public static final class Reader {
        private final OscFraming framing;
        private final Consumer<byte[]> packets;
        private final ByteArrayOutputStream held = new ByteArrayOutputStream();
        private int wanted = -1;
        private boolean escaped;
        private Optional<String> fault = Optional.empty();

        /** @param packets told each packet that is complete */
        public Reader(OscFraming framing, Consumer<byte[]> packets) {
            this.framing = framing;
            this.packets = packets;
        }

        /** Takes what came next; nothing after a fault, for where packets begin is not known any more. */
        public void take(byte[] bytes, int length) {
            for (int i = 0; i < length && fault.isEmpty(); i++) {
                if (framing == LENGTH) {
                    takeCounted(bytes[i]);
                } else {
                    takeSlip(bytes[i] & 0xFF);
                }
            }
        }

        private void takeCounted(byte b) {
            held.write(b);
            if (wanted < 0 && held.size() == LENGTH_BYTES) {
                wanted = ByteBuffer.wrap(held.toByteArray()).getInt();
                held.reset();
                if (wanted < 0 || wanted > LONGEST) {
                    fault = Optional.of("the length " + Integer.toUnsignedString(wanted)
                            + " is none of a packet (at most " + LONGEST + ")");
                } else if (wanted == 0) {
                    wanted = -1;
                }
            } else if (wanted >= 0 && held.size() == wanted) {
                wanted = -1;
                complete();
            }
        }

        private void takeSlip(int b) {
            if (b == END) {
                if (held.size() > 0) {
                    complete();
                }
                escaped = false;
                return;
            }
            if (escaped) {
                escaped = false;
                if (b != ESCAPED_END && b != ESCAPED_ESCAPE) {
                    fault = Optional.of("the byte %02X after a SLIP escape means nothing (RFC 1055)".formatted(b));
                    return;
                }
                held.write(b == ESCAPED_END ? END : ESCAPE);
            } else if (b == ESCAPE) {
                escaped = true;
            } else {
                held.write(b);
            }
            if (held.size() > LONGEST) {
                fault = Optional.of("no SLIP end within " + LONGEST + " bytes");
            }
        }

        private void complete() {
            byte[] packet = held.toByteArray();
            held.reset();
            packets.accept(packet);
        }

        /** What is wrong with the stream, as the rest of a sentence. */
        public Optional<String> fault() {
            return fault;
        }

        /** What is wrong where the stream ends here: a packet that is not complete. */
        public Optional<String> atEnd() {
            return fault.isPresent() || (held.size() == 0 && wanted < 0)
                    ? fault
                    : Optional.of("the stream ends in the middle of a packet, after " + held.size() + " bytes of it");
        }
    }
}
