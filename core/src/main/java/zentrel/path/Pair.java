package zentrel.path;

import zentrel.plan.*;

/**
 * The two adapters between which it goes.
 *
 * @param joined whether anything leads from the one to the other
 */
record Pair(Adapter out, Adapter in, boolean joined) {
    Adapter otherThan(Adapter one) {
        return one.id().equals(in.id()) ? out : in;
    }
}
