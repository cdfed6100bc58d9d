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
        String where = source.id().equals(target.id())
                ? "It leaves by connectors of " + source.name() + " itself."
                : "It goes from " + source.name() + " to " + target.name() + " by a cable of its own.";
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
        carried.passes(target.id(), "cable", source.name() + " and " + target.name() + " are joined by a cable.");
        if (cable.isEmpty()) {
            carried.notKnown(
                    Reason.CABLE_NOT_KNOWN,
                    target.id(),
                    "no cable described",
                    "Nobody has said which cable joins " + source.name() + " and " + target.name() + ".");
        } else if (!cable.get().connected()) {
            Cable out = cable.get();
            carried.broken(
                    Reason.CABLE_OUT,
                    out.id(),
                    "cable out",
                    "The " + out.kind().word() + " cable " + out.name() + " from " + source.name() + " to "
                            + target.name() + " is not plugged in. Plug it in.",
                    List.of(new Edit(
                            "Plug in the cable " + out.name(), p -> p.with(out.id(), c -> c.withConnected(true)))));
        }
    }
}
