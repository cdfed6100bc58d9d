package zentrel.profile;

import java.util.Optional;
import zentrel.ipv4.HostAddress;
import zentrel.source.Sources;
import zentrel.text.PlainText;

/**
 * A network adapter that every box of a profile has.
 *
 * @param factory the address it leaves the factory with, if it has one
 * @param fromMac how it makes itself an address from its hardware address as long as nobody set one, if it does
 * @param dhcp whether it asks for an address as long as nobody set one
 * @param waits how long it takes to come to an address by itself
 */
public record ProfileAdapter(
        String name,
        AdapterKind kind,
        Optional<HostAddress> factory,
        Optional<FromMac> fromMac,
        boolean dhcp,
        Waits waits) {
    public ProfileAdapter {
        PlainText.require("The name of an adapter", name);
    }

    /**
     * An address made as Art-Net says.
     *
     * @param first its first number, 2 or 10
     * @param oem the code of the product, 0 to 65535
     */
    public record FromMac(int first, int oem) {
        public FromMac {
            if ((first != 2 && first != 10) || oem < 0 || oem > 0xFFFF) {
                throw new IllegalArgumentException(
                        "An address made from the hardware address begins with 2 or 10, and a product code is 0 to 65535.");
            }
        }
    }

    /**
     * Seconds.
     *
     * @param dhcp until it gives up asking a DHCP server
     * @param claim until it has made sure that nobody has the address which it gives itself (RFC 3927: 4 to 7 s)
     */
    public record Waits(int dhcp, int claim) {
        public static final Waits USUAL = new Waits(Sources.DHCP_WAIT.value(), Sources.CLAIM_WAIT.value());

        /** Until it has given itself an address. */
        public int together() {
            return dhcp + claim;
        }
    }
}
