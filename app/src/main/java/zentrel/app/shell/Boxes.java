package zentrel.app.shell;

import java.util.Optional;
import zentrel.plan.*;

/** Which box a thing belongs to. */
public final class Boxes {
    private Boxes() {}

    /** The box that something is part of. */
    public static Optional<Id<Host>> of(PlanIndex index, Id<?> id) {
        Object found = index.find(id).orElse(null);
        if (found instanceof Host h) {
            return Optional.of(h.id());
        }
        if (found instanceof Adapter a) {
            return Optional.of(index.hostOf(a.id()).id());
        }
        if (found instanceof Application a) {
            return Optional.of(a.host());
        }
        if (found instanceof Receiver r) {
            return Optional.of(index.application(r.application()).host());
        }
        if (found instanceof Port p) {
            return Optional.of(index.applicationOf(p.id()).host());
        }
        if (found instanceof zentrel.plan.Stream s) {
            return Optional.of(index.application(s.application()).host());
        }
        if (found instanceof Line l) {
            return of(index, l.port());
        }
        if (found instanceof ControlLink l) {
            return of(index, l.from());
        }
        if (found instanceof zentrel.plan.Attachment x) {
            return of(index, x.to());
        }
        return Optional.empty();
    }
}
