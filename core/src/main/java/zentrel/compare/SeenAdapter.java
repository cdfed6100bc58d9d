package zentrel.compare;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import zentrel.ipv4.HostAddress;

/**
 * A network adapter as a system tells of it.
 *
 * @param name what the system calls it
 * @param mac its hardware address, six pairs of hexadecimal digits with colons, where it is told
 * @param up whether it is switched on and connected
 * @param wireless whether it is Wi-Fi, where the system tells
 */
public record SeenAdapter(
        String name,
        Optional<String> mac,
        List<HostAddress> addresses,
        boolean up,
        boolean loopback,
        Optional<Boolean> wireless) {
    public SeenAdapter {
        addresses = List.copyOf(addresses);
    }

    /** Whether a hardware address, written with colons, dashes or nothing, is this one's. */
    boolean hasMac(String other) {
        return mac.map(m -> plain(m).equals(plain(other))).orElse(false);
    }

    private static String plain(String mac) {
        return mac.replaceAll("[^0-9A-Fa-f]", "").toLowerCase(Locale.ROOT);
    }
}
