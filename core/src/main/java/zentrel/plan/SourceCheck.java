package zentrel.plan;

import zentrel.text.Word;

/** What a host does with packets from a source that it would not answer by the same way (RFC 3704, section 2). */
public enum SourceCheck implements Word {
    /** Takes them. */
    NONE,
    /** Drops what comes from a source that it has no route to; "loose reverse path forwarding". */
    LOOSE,
    /** Drops what comes by another adapter than the one it would answer by; "strict reverse path forwarding". */
    STRICT
}
