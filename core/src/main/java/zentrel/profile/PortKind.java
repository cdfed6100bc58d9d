package zentrel.profile;

import zentrel.text.Word;

/** What a port leads to. */
public enum PortKind implements Word {
    /** A DMX connector. */
    DMX,
    /** An input inside an application such as previs; it lights fixtures on a screen. */
    INTERNAL
}
