package zentrel.universe;

import java.util.Locale;
import zentrel.ipv4.Ipv4Address;

/**
 * An sACN universe number (ANSI E1.31-2018 §6.2.7).
 *
 * @param value 1–63999
 */
public record SacnUniverse(int value) {
    public static final int LAST = 63999;

    public SacnUniverse {
        if (value < 1 || value > LAST) {
            throw new IllegalArgumentException("An sACN universe goes from 1 to " + LAST + ", not " + value + ".");
        }
    }

    /** The group that carries it: 239.255.hi.lo (§9.3.1). */
    public Ipv4Address group() {
        return group(value);
    }

    /** The group of a universe number; also for 64214, which carries universe discovery and is no universe for data (§8). */
    public static Ipv4Address group(int number) {
        return Ipv4Address.of(239, 255, number >> 8 & 0xFF, number & 0xFF);
    }

    /** The Ethernet address of that group: 01:00:5E and the low 23 bits of it (RFC 1112, section 6.4). */
    public static String groupMac(int number) {
        return String.format(Locale.ROOT, "01:00:5E:7F:%02X:%02X", number >> 8 & 0xFF, number & 0xFF);
    }
}
