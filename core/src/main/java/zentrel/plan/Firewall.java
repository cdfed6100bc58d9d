package zentrel.plan;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import zentrel.profile.Traffic;

/**
 * What a computer lets in.
 *
 * @param barsInbound whether packets that nobody asked for are dropped
 * @param allows the traffic let in all the same
 * @param programs the programs for which everything is let in
 * @param ports the UDP ports at which everything is let in
 * @param privateOnly whether these openings hold only on networks that the system takes as private
 * @param publicOn the adapters whose network the system takes as public
 */
@RecordBuilder
public record Firewall(
        Setting<Boolean> barsInbound,
        Set<Traffic> allows,
        Set<Id<Application>> programs,
        List<Integer> ports,
        boolean privateOnly,
        Set<Id<Adapter>> publicOn)
        implements FirewallBuilder.With {
    /** Lets everything in; what a device without a firewall does. */
    public static final Firewall OPEN = new Firewall(Setting.of(false), Set.of());

    /** A firewall that opens for traffic only, wherever it comes from. */
    public Firewall(Setting<Boolean> barsInbound, Set<Traffic> allows) {
        this(barsInbound, allows, Set.of(), List.of(), false, Set.of());
    }

    public Firewall {
        allows = Set.copyOf(allows);
        programs = Set.copyOf(programs);
        ports = List.copyOf(ports);
        publicOn = Set.copyOf(publicOn);
    }

    /** Whether there is an opening for what comes to a program, wherever it comes from; the port where it has one. */
    public boolean opensFor(Traffic traffic, Id<Application> program, Optional<Integer> port) {
        return !barsInbound.inForce()
                || allows.contains(traffic)
                || programs.contains(program)
                || port.filter(ports::contains).isPresent();
    }

    /** Whether its openings do not hold for what comes by an adapter. */
    public boolean isShutOn(Id<Adapter> adapter) {
        return barsInbound.inForce() && privateOnly && publicOn.contains(adapter);
    }
}
