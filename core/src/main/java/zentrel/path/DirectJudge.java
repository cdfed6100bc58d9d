package zentrel.path;

import java.util.List;
import java.util.Optional;
import zentrel.plan.*;

/**
 * Hops 2 to 7 of a universe that crosses no network: it leaves by connectors of the box that makes it, or by USB through an
 * interface.
 */
final class DirectJudge {
    private final PathContext context;

    DirectJudge(PathContext context) {
        this.context = context;
    }

    void judge(List<HopDraft> hops, Application from, Application to) {
        Host source = context.index.host(from.host());
        Host target = context.index.host(to.host());
        Facts where = source.id().equals(target.id())
                ? Facts.as("own-connectors", "device", source)
                : Facts.as("own-cable", "from", source, "to", target);
        for (HopKind kind : List.of(HopKind.BOUND, HopKind.UP, HopKind.NAMED, HopKind.TAKEN, HopKind.LET_IN)) {
            hops.get(kind.index()).notApplicable(where);
        }
        context.judgePower(hops.get(HopKind.UP.index()), Reason.NO_POWER, source);
        HopDraft carried = hops.get(HopKind.CARRIED.index());
        if (source.id().equals(target.id())) {
            carried.notApplicable(where);
            return;
        }
        context.judgePower(hops.get(HopKind.TAKEN.index()), Reason.FAR_NO_POWER, target);
        Optional<Cable> cable = context.index.cablesOf(source.id()).stream()
                .filter(c -> c.otherEnd(source.id()).equals(target.id()))
                .findFirst();
        carried.passes(target.id(), Facts.as("cable", "from", source, "to", target));
        if (cable.isEmpty()) {
            carried.notKnown(Reason.CABLE_NOT_KNOWN, target.id(), Facts.of("from", source, "to", target));
        } else if (!cable.get().connected()) {
            carried.broken(
                    Reason.CABLE_OUT,
                    cable.get().id(),
                    Facts.as("own", "kind", cable.get().kind(), "cable", cable.get(), "from", source, "to", target));
        }
    }
}
