package zentrel.check;

import java.util.List;
import zentrel.plan.Adapter;
import zentrel.plan.Segment;

/** The DHCP servers of a plan, for the rules about them. */
final class Servers {
    private Servers() {}

    /** The adapters that give out addresses on a segment. */
    static List<Adapter> on(CheckContext context, Segment segment) {
        return context.index().adaptersOn(segment.id()).stream()
                .filter(a -> a.isUp()
                        && a.serving().isPresent()
                        && context.signalPaths().hasPower(context.index().hostOf(a.id())))
                .toList();
    }
}
