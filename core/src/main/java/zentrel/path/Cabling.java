package zentrel.path;

import java.util.List;
import zentrel.plan.*;

/** What the cables say of the adapters: one whose network cables are described, and all out, has no carrier. */
final class Cabling {
    private Cabling() {}

    /** The plan with its cables as they are. */
    static Plan inForce(Plan plan) {
        if (plan.cables().stream().allMatch(Cable::connected)) {
            return plan;
        }
        Plan next = plan;
        for (Host host : plan.hosts()) {
            for (Adapter adapter : host.adapters()) {
                if (adapter.carrier() && isOut(plan, adapter.id())) {
                    next = next.withAdapter(adapter.id(), a -> a.withCarrier(false));
                }
            }
        }
        return next;
    }

    private static List<Cable> network(Plan plan, AdapterId adapter) {
        return plan.index().cablesOf(adapter).stream()
                .filter(c -> c.kind() == CableKind.NETWORK)
                .toList();
    }

    private static boolean isOut(Plan plan, AdapterId adapter) {
        List<Cable> cables = network(plan, adapter);
        return !cables.isEmpty() && cables.stream().noneMatch(Cable::connected);
    }

    /** The plan with the cables of an adapter plugged in, where it has any. */
    static Plan pluggedIn(Plan plan, AdapterId adapter) {
        Plan next = plan;
        if (isOut(plan, adapter)) {
            for (Cable cable : network(plan, adapter)) {
                next = next.withCable(cable.id(), c -> c.withConnected(true));
            }
        }
        return next;
    }
}
