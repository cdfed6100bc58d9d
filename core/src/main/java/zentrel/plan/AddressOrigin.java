package zentrel.plan;

import zentrel.text.Word;

/** How an adapter came by an address. */
public enum AddressOrigin implements Word {
    /** Typed in. */
    MANUAL,
    /** Given by a DHCP server. */
    DHCP,
    /** Taken from 169.254/16 because nobody gave one (RFC 3927). */
    SELF_ASSIGNED,
    /** As the device left the factory. */
    FACTORY,
    /** Made from its hardware address, as Art-Net says for devices that nobody gave one (2/8 or 10/8). */
    PROTOCOL
}
