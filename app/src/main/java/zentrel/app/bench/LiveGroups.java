package zentrel.app.bench;

import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import zentrel.plan.Plan;
import zentrel.profile.Protocol;

/** The sACN universes whose groups the bench joins: those that the plan's streams and ports use, and the first ones. */
final class LiveGroups {
    /** Groups joined at most. */
    private static final int MOST = 512;

    /** Without a plan the first universes are where most shows are. */
    private static final int FIRST = 32;

    private LiveGroups() {}

    static List<Integer> of(Plan plan) {
        Set<Integer> wanted = new TreeSet<>();
        plan.streams().stream()
                .filter(s -> s.protocol() == Protocol.SACN)
                .forEach(s -> plan.index().wireOf(s).ifPresent(wanted::add));
        plan.receivers()
                .forEach(r -> r.ports().stream()
                        .filter(p -> p.protocol().inForce() == Protocol.SACN)
                        .forEach(p -> p.wire().ifPresent(w -> wanted.add(w.inForce()))));
        for (int n = 1; n <= FIRST; n++) {
            wanted.add(n);
        }
        return wanted.stream().filter(Protocol.SACN::carries).limit(MOST).toList();
    }
}
