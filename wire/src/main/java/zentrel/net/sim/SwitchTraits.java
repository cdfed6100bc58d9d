package zentrel.net.sim;

/**
 * What a simulated switch or access point does.
 *
 * @param snooping whether it passes groups only to those that asked for them (RFC 4541)
 * @param querier whether it asks who wants a group (RFC 2236 §3)
 * @param dropsUnasked whether groups stop where it snoops and nobody asks; else they flood
 * @param loopGuard whether it finds rings of cables and cuts them (IEEE 802.1D)
 * @param isolated whether it keeps wireless clients apart
 * @param powered whether it is switched on
 */
public record SwitchTraits(
        boolean snooping, boolean querier, boolean dropsUnasked, boolean loopGuard, boolean isolated, boolean powered) {
    /** Everything but what is for one address goes everywhere. */
    public static final SwitchTraits PLAIN = new SwitchTraits(false, false, true, false, false, true);
}
