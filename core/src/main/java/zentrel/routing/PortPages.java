package zentrel.routing;

import java.util.ArrayList;
import java.util.List;
import zentrel.plan.*;
import zentrel.profile.ProfilePorts;

/** Ports that share one Net and Sub-Net, because the device answers polls for them on one page (Art-Net 4: up to four). */
public final class PortPages {
    private PortPages() {}

    /** How many ports a page of a receiver has, as its profile says; 0 where each port has its own. */
    public static int perPage(Plan plan, Receiver receiver) {
        PlanIndex index = plan.index();
        return index.profileOf(index.application(receiver.application()))
                .flatMap(a -> a.ports().stream().findFirst())
                .map(ProfilePorts::perPage)
                .orElse(0);
    }

    /** The pages of a receiver, in order; none where each port has its own. */
    public static List<List<Port>> of(Plan plan, Receiver receiver) {
        int per = perPage(plan, receiver);
        List<List<Port>> pages = new ArrayList<>();
        for (int from = 0; per > 0 && from < receiver.ports().size(); from += per) {
            pages.add(receiver.ports().subList(from, Math.min(receiver.ports().size(), from + per)));
        }
        return pages;
    }
}
