package zentrel.profile;

import zentrel.text.Word;

/** What an adapter is made of. */
public enum AdapterKind implements Word {
    WIRED,
    WIRELESS,
    /** A virtual adapter that needs no cable; it reaches programs on the same computer only. */
    VIRTUAL,
    LOOPBACK
}
