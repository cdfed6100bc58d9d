package zentrel.app.bench;

import java.util.Optional;
import zentrel.plan.Id;
import zentrel.plan.Plan;
import zentrel.profile.Protocol;

/** A universe by its number in a protocol. */
record UniverseKey(Protocol protocol, int number) {
    /** By which number a universe of the plan comes first; empty where nobody sends it. */
    static Optional<UniverseKey> of(Plan plan, Id<?> universe) {
        return plan.streams().stream()
                .filter(s -> s.universe().equals(universe))
                .flatMap(s -> plan.index().wireOf(s).stream().map(w -> new UniverseKey(s.protocol(), w)))
                .findFirst();
    }

    /** The universe of the protocol, in words. */
    String words() {
        return protocol.title() + " " + number;
    }
}
