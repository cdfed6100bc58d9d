package zentrel.plan;

import java.util.Set;
import zentrel.profile.Traffic;

/**
 * What a computer lets in.
 *
 * @param barsInbound whether packets that nobody asked for are dropped
 * @param allows the traffic let in all the same
 */
public record Firewall(Setting<Boolean> barsInbound, Set<Traffic> allows) {
    /** Lets everything in; what a device without a firewall does. */
    public static final Firewall OPEN = new Firewall(Setting.of(false), Set.of());

    public Firewall {
        allows = Set.copyOf(allows);
    }

    public boolean letsIn(Traffic traffic) {
        return !barsInbound.inForce() || allows.contains(traffic);
    }
}
