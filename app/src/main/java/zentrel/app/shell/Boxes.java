package zentrel.app.shell;

import java.util.Optional;
import zentrel.plan.*;

/** Which device a thing belongs to. */
public final class Boxes {
    private static final ByKind<Optional<Id<Host>>> DEVICE = new ByKind<Optional<Id<Host>>>()
            .with(Kind.STREAM, (index, s) -> of(index, s.application()))
            .with(Kind.LINE, (index, l) -> of(index, l.port()))
            .with(Kind.LINK, (index, l) -> of(index, l.from()))
            .with(Kind.ATTACHMENT, (index, a) -> of(index, a.to()));

    private Boxes() {}

    /** The device that something is part of. */
    public static Optional<Id<Host>> of(PlanIndex index, Id<?> id) {
        return index.hostAt(id).map(Host::id).or(() -> DEVICE.of(index, id).flatMap(device -> device));
    }
}
