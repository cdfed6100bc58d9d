package zentrel.plan;

import zentrel.text.Word;

/** How a purpose of an application chooses its adapters. */
public enum BindingMode implements Word {
    /** Named adapters. */
    ADAPTERS,
    /** Left to the operating system. */
    AUTOMATIC,
    /** Every adapter. */
    ALL,
    /** The first that the host lists. */
    FIRST,
    /** 127.0.0.1 only. */
    LOOPBACK
}
