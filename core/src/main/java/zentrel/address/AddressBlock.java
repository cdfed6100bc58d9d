package zentrel.address;

import zentrel.ipv4.Ipv4Address;
import zentrel.ipv4.Subnet;

/**
 * A part of a subnet kept for one kind of box, or for what a DHCP server gives out.
 *
 * @param title what it is for
 * @param range its addresses; a power of two of them, starting on its own edge, so that it reads like a subnet
 * @param boxes how many addresses are used of it
 */
public record AddressBlock(String title, Subnet range, int boxes) {
    /** How many addresses it has. */
    public long size() {
        return 1L << (32 - range.prefixLength());
    }

    /** Where numbering starts; the first address of the first block of a subnet is none that a host may have. */
    public Ipv4Address first() {
        return range.network();
    }
}
