package zentrel.found;

import zentrel.text.Word;

/** By what a device was found. */
public enum AnsweredBy implements Word {
    /** It answered an Art-Net poll. */
    ARTPOLL,
    /** It sends sACN, or announces that it does. */
    SACN,
    /** It tells its name by multicast DNS (RFC 6762). */
    MDNS,
    /** It answers ping. */
    PING
}
