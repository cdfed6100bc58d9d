package zentrel.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import zentrel.profile.Protocol;

/**
 * How a device's own screen shows a wire number: as one field, or as Net, Sub-Net and Universe in three (Art-Net only), each
 * from a number of its own and in its own radix. It never changes what is on the wire.
 *
 * @param fields one or three, in the order in which they are read
 */
public record Screen(List<Field> fields) {
    /**
     * One field.
     *
     * @param first what it shows for the first number, 0 or 1
     * @param radix 10, or 16 for hexadecimal digits
     */
    public record Field(int first, int radix) {
        public Field {
            if (first < 0 || first > 1 || (radix != 10 && radix != 16)) {
                throw new IllegalArgumentException(
                        "A field counts from 0 or 1, in 10 or 16; not from " + first + " in " + radix + ".");
            }
        }

        private String text(int number) {
            return Integer.toString(number + first, radix).toUpperCase(Locale.ROOT);
        }

        private int number(String text) {
            if (!text.matches(radix == 16 ? "[0-9A-Fa-f]{1,6}" : "\\d{1,9}")) {
                throw new IllegalArgumentException(
                        "\"" + text + "\" is no " + (radix == 16 ? "number in hexadecimal digits." : "whole number."));
            }
            return Integer.parseInt(text, radix) - first;
        }
    }

    public Screen {
        fields = List.copyOf(fields);
        if (fields.size() != 1 && fields.size() != 3) {
            throw new IllegalArgumentException(
                    "A screen shows a number in one field, or in three: Net, Sub-Net and Universe. Not in "
                            + fields.size() + ".");
        }
    }

    /** One decimal field that counts from so many. */
    public static Screen from(int first) {
        return new Screen(List.of(new Field(first, 10)));
    }

    /** Whether it is one decimal field. */
    public boolean isPlain() {
        return fields.size() == 1 && fields.get(0).radix() == 10;
    }

    /** What it shows for a wire number. */
    public String text(Protocol protocol, int wire) {
        if (fields.size() == 1) {
            return fields.get(0).text(wire - protocol.firstNumber());
        }
        if (wire < 0 || wire > Protocol.ARTNET.lastNumber()) {
            return String.valueOf(wire); // it does not exist, and no screen shows it
        }
        int[] parts = {wire >> 8, wire >> 4 & 15, wire & 15}; // 7, 4 and 4 bits
        List<String> shown = new ArrayList<>();
        for (int i = 0; i < parts.length; i++) {
            shown.add(fields.get(i).text(parts[i]));
        }
        return String.join(" · ", shown);
    }

    /**
     * The wire number of what was read off it; parts are kept apart by anything that is neither digit nor letter.
     *
     * @throws IllegalArgumentException with a sentence, where it shows no such thing
     */
    public int wire(Protocol protocol, String text) {
        String plain = text.strip();
        if (fields.size() == 1) {
            return fields.get(0).number(plain) + protocol.firstNumber();
        }
        String[] parts = plain.split("[^0-9A-Fa-f]+", -1);
        if (parts.length != fields.size()) {
            throw new IllegalArgumentException(
                    "Its screen shows Net, Sub-Net and Universe; \"" + plain + "\" are not three numbers.");
        }
        int net = fields.get(0).number(parts[0]);
        int sub = fields.get(1).number(parts[1]);
        int universe = fields.get(2).number(parts[2]);
        if (net < 0 || net > 127 || sub < 0 || sub > 15 || universe < 0 || universe > 15) {
            throw new IllegalArgumentException(
                    "\"" + plain + "\" does not exist: there are 128 Nets, 16 Sub-Nets and 16 Universes.");
        }
        return net << 8 | sub << 4 | universe;
    }
}
