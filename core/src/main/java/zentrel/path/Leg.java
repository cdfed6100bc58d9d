package zentrel.path;

import java.util.List;
import java.util.Optional;
import zentrel.plan.Id;

/** One stretch of a path: ten hops from one application to another. */
public record Leg(Id<?> from, Id<?> to, List<Hop> hops) {
    public Leg {
        hops = List.copyOf(hops);
    }

    public Verdict verdict() {
        return Verdict.worst(hops.stream().map(Hop::verdict).toList());
    }

    public Hop hop(HopKind kind) {
        return hops.get(kind.index());
    }

    /** Where the signal dies. */
    public Optional<Hop> firstBroken() {
        return hops.stream().filter(h -> h.verdict() == Verdict.BROKEN).findFirst();
    }
}
