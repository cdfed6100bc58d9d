package zentrel.live;

import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import zentrel.plan.Adapter;
import zentrel.plan.AdapterAddress;
import zentrel.plan.Host;
import zentrel.plan.Plan;
import zentrel.profile.AdapterKind;
import zentrel.profile.Protocol;

/** The questions that a plan gives: every address in force, and whether a poll would be answered there. */
public final class PlannedHosts {
    private PlannedHosts() {}

    /** For some hosts, each address once, in the order of the plan. */
    public static List<ReachabilityProbe.Question> questions(Plan plan, Collection<Host> hosts) {
        Set<ReachabilityProbe.Question> all = new LinkedHashSet<>();
        for (Host host : hosts) {
            boolean polls = plan.index().applicationsOn(host.id()).stream()
                    .flatMap(a -> plan.index().receiversOf(a.id()).stream())
                    .anyMatch(r -> r.answersPolls() && r.protocols().contains(Protocol.ARTNET));
            for (Adapter adapter : host.adapters()) {
                if (adapter.kind() != AdapterKind.LOOPBACK) {
                    for (AdapterAddress a : adapter.addresses()) {
                        all.add(new ReachabilityProbe.Question(a.inForce().address(), polls));
                    }
                }
            }
        }
        return new ArrayList<>(all);
    }
}
