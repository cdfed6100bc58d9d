package zentrel.check;

import java.util.EnumSet;
import java.util.Set;
import zentrel.plan.Adapter;
import zentrel.plan.Host;
import zentrel.plan.Plan;
import zentrel.profile.AdapterKind;
import zentrel.profile.HostKind;

/**
 * What boxes may have and whole rules are about. One walk over the boxes finds all of them, and a rule about what no box has walks
 * no more: in a rig of thousands the walks took longer than what the rules do.
 */
enum Trait {
    ADAPTER,
    SEVERAL_ADAPTERS,
    GATEWAY,
    /** Gives out addresses, or would. */
    DHCP_SERVER,
    /** Asks for its address, or gave itself one. */
    ADDRESS_NOT_SET,
    VLAN,
    SOCKET_SPEED,
    WIRELESS,
    SNOOPS,
    ROUTES;

    private boolean isOf(Host host) {
        return switch (this) {
            case SEVERAL_ADAPTERS -> host.adapters().size() > 1;
            case SNOOPS -> host.switching().snooping().inForce();
            case ROUTES -> host.kind() == HostKind.ROUTER;
            default -> {
                for (Adapter adapter : host.adapters()) {
                    if (isOf(adapter)) {
                        yield true;
                    }
                }
                yield false;
            }
        };
    }

    private boolean isOf(Adapter adapter) {
        return switch (this) {
            case GATEWAY -> adapter.gateway().isPresent();
            case DHCP_SERVER -> adapter.serves().isPresent();
            case ADDRESS_NOT_SET -> AddressLinkLocalMix.anyNotSet(adapter);
            case VLAN -> adapter.plug().vlan().isPresent();
            case SOCKET_SPEED ->
                adapter.plug().megabits().isPresent() || adapter.plug().halfDuplex();
            case WIRELESS -> adapter.kind() == AdapterKind.WIRELESS;
            default -> true;
        };
    }

    /** Those that some box of a plan has. */
    static Set<Trait> of(Plan plan) {
        EnumSet<Trait> missing = EnumSet.allOf(Trait.class);
        for (Host host : plan.hosts()) {
            missing.removeIf(t -> t.isOf(host));
        }
        return EnumSet.complementOf(missing);
    }
}
