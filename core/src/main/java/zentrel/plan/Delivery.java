package zentrel.plan;

import zentrel.text.Word;

/** To whom a stream or poll is sent. */
public enum Delivery implements Word {
    /** To every receiver that answered the poll and has a port on this universe (Art-Net). */
    FOUND,
    /** To a typed list of addresses. */
    UNICAST,
    /** To the universe's group (sACN). */
    MULTICAST,
    /** To the last address of the sender's subnet. */
    BROADCAST,
    /** To 255.255.255.255. */
    LIMITED_BROADCAST,
    /** To nobody on a network: out of the box by its own connectors (DMX). */
    DIRECT
}
