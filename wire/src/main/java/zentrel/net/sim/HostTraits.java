package zentrel.net.sim;

/**
 * How the system of a simulated computer handles packets.
 *
 * @param receivesOnAny whether it takes what is for one of its addresses on any adapter (a "weak host": RFC 1122 §3.3.4.2)
 * @param sendsByRoute whether it sends by its routes although a program is bound to another adapter
 * @param keepsRoutes whether an adapter without a cable keeps its address and routes, as Linux does
 * @param groupsByRoute whether groups and 255.255.255.255 need a route where a program names no adapter, as on Linux; else the adapter
 *     with the lowest metric is taken
 * @param lottery whether routes that are equally good are a lottery; else the first listed is taken
 * @param sourceCheck what it does with sources that it would not answer by the same way (RFC 3704 §2)
 * @param router whether it passes on what is for others
 * @param powered whether it is switched on
 */
public record HostTraits(
        boolean receivesOnAny,
        boolean sendsByRoute,
        boolean keepsRoutes,
        boolean groupsByRoute,
        boolean lottery,
        SourceCheck sourceCheck,
        boolean router,
        boolean powered) {
    /** What is done with sources. */
    public enum SourceCheck {
        NONE,
        LOOSE,
        STRICT
    }

    /** As Linux does, switched on. */
    public static final HostTraits LINUX = new HostTraits(true, true, true, true, false, SourceCheck.NONE, false, true);
}
