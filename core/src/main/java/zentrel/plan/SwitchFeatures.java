package zentrel.plan;

import io.soabase.recordbuilder.core.RecordBuilder;

/**
 * What a box that passes the network on does with what it passes.
 *
 * @param snooping whether it passes groups to those only that asked for them (RFC 4541)
 * @param querier whether it asks from time to time who still wants a group (RFC 2236, section 3); a router may do so too
 * @param dropsUnasked whether groups stop where it snoops and nobody asks; else they flood then. RFC 4541 leaves it open
 * @param loopGuard whether it finds rings of cables and cuts them (spanning tree, IEEE 802.1D)
 */
@RecordBuilder
public record SwitchFeatures(
        Setting<Boolean> snooping, Setting<Boolean> querier, boolean dropsUnasked, boolean loopGuard)
        implements SwitchFeaturesBuilder.With {
    /** A switch without settings: everything but what is for one address goes everywhere. */
    public static final SwitchFeatures PLAIN = new SwitchFeatures(Setting.of(false), Setting.of(false), true, false);

    /**
     * How long a group goes on after the last question: twice 125 s and 10 s to answer, in seconds (RFC 2236, section 8.4,
     * with the defaults of 8.1 to 8.3).
     */
    public static final int GROUP_SECONDS = 260;

    /** Whether it snoops or asks. */
    boolean mindsGroups() {
        return snooping.inForce() || querier.inForce();
    }
}
