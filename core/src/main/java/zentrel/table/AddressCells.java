package zentrel.table;

import java.util.Optional;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;

/** An address and its mask as they stand in two cells, or in one. */
public final class AddressCells {
    private AddressCells() {}

    /**
     * Reads both. Where no mask stands anywhere it is the one that systems fill in by class (RFC 791), private ranges as people
     * use them.
     *
     * @return empty where there is no address
     * @throws IllegalArgumentException with a sentence, where it is none
     */
    public static Optional<HostAddress> address(String address, String mask) {
        if (address.isEmpty()) {
            return Optional.empty();
        }
        if (address.contains("/")) {
            return Optional.of(HostAddress.parse(address));
        }
        if (!mask.isEmpty()) {
            return Optional.of(HostAddress.parse(address + "/" + mask.replaceFirst("^/", "")));
        }
        Ipv4Address parsed = Ipv4Address.parse(address);
        int usual = parsed.octet(0) == 192 ? 24 : parsed.octet(0) == 172 ? 16 : 8;
        return Optional.of(new HostAddress(parsed, usual));
    }
}
