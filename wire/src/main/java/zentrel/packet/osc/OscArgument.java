package zentrel.packet.osc;

import java.util.List;
import zentrel.packet.Bytes;

/** One argument of a message; the type tag of each is in its comment. */
public sealed interface OscArgument {
    /** {@code i}: 32 bits. */
    record Int32(int value) implements OscArgument {}

    /** {@code f}: 32 bits, IEEE 754. */
    record Float32(float value) implements OscArgument {}

    /** {@code s}. */
    record Text(String value) implements OscArgument {
        public Text {
            if (value.indexOf('\0') >= 0) {
                throw new IllegalArgumentException("OSC text holds no zero character.");
            }
        }
    }

    /** {@code S}: text meant as a symbol. */
    record Symbol(String value) implements OscArgument {
        public Symbol {
            if (value.indexOf('\0') >= 0) {
                throw new IllegalArgumentException("OSC text holds no zero character.");
            }
        }
    }

    /** {@code b}. */
    record Blob(Bytes value) implements OscArgument {}

    /** {@code h}: 64 bits. */
    record Int64(long value) implements OscArgument {}

    /** {@code t}. */
    record TimeTag(long value) implements OscArgument {}

    /** {@code d}: 64 bits, IEEE 754. */
    record Float64(double value) implements OscArgument {}

    /** {@code c}: one ASCII character in 32 bits. */
    record Letter(int value) implements OscArgument {}

    /** {@code r}: red, green, blue, alpha in 32 bits. */
    record Colour(int rgba) implements OscArgument {}

    /** {@code m}: port id, status and two data bytes. */
    record Midi(int bytes) implements OscArgument {}

    /** {@code T} or {@code F}. */
    record Bool(boolean value) implements OscArgument {}

    /** {@code N}. */
    record Nil() implements OscArgument {}

    /** {@code I}. */
    record Infinitum() implements OscArgument {}

    /** {@code [ … ]}. */
    record Group(List<OscArgument> values) implements OscArgument {
        public Group {
            values = List.copyOf(values);
        }
    }
}
