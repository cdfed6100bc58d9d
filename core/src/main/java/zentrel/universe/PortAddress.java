package zentrel.universe;

import java.util.Locale;

/**
 * An Art-Net 4 Port-Address: 15 bits, Net (7) · Sub-Net (4) · Universe (4).
 *
 * @param value 0–32767
 */
public record PortAddress(int value) {
    public static final int LAST = 32767;

    public PortAddress {
        if (value < 0 || value > LAST) {
            throw new IllegalArgumentException(
                    "An Art-Net Port-Address goes from 0 to " + LAST + ", not " + value + ".");
        }
    }

    /** Bits 14–8. */
    public int net() {
        return value >> 8;
    }

    /** Bits 7–4. */
    public int subNet() {
        return value >> 4 & 0xF;
    }

    /** Bits 3–0. */
    public int universe() {
        return value & 0xF;
    }

    /** What a screen shows that counts from {@code first}. */
    public int shownFrom(int first) {
        return value + first;
    }

    /** Net, Sub-Net and Universe in hexadecimal digits, and all of it as one. */
    public String hex() {
        String parts = String.format(Locale.ROOT, "%X · %X · %X", value >> 8, subNet(), universe());
        return parts + String.format(Locale.ROOT, ", %04X", value);
    }

    @Override
    public String toString() {
        return net() + " · " + subNet() + " · " + universe();
    }
}
