package zentrel.app.bench;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import zentrel.live.HealthFinding;
import zentrel.live.LiveEvent;
import zentrel.live.SealedState;
import zentrel.live.SeenProgram;
import zentrel.live.UniverseSeen;
import zentrel.plan.Host;
import zentrel.plan.Id;
import zentrel.plan.Plan;
import zentrel.plan.Universe;

/**
 * What was seen on a net at one moment, beside the plan; all that takes time is worked out in it, so that views only show it.
 *
 * @param now the time of it, in ns by the net's clock; 0 where nothing is looked at
 * @param planned which universe of the plan comes by a number
 * @param missing devices of the plan that answer polls and have not been found
 * @param programs desks of the plan's sessions that are seen
 * @param malformed what could not be read lately, as sentences
 * @param since what changed since a sealed state; empty where there is none to compare with
 * @param troubles what kept it from seeing all, as sentences
 * @param recorded packets recorded so far; empty while nothing is recorded
 * @param span from when to when a recording lasts; empty where none is played, or that is not known yet
 * @param sending what is sent now, in words; empty where nothing is
 */
record LiveSnapshot(
        long now,
        List<UniverseSeen> universes,
        Map<UniverseKey, Id<Universe>> planned,
        List<LiveDevice> devices,
        List<Id<Host>> missing,
        List<SeenProgram> programs,
        List<HealthFinding> health,
        List<LiveEvent> events,
        List<String> malformed,
        Optional<Since> since,
        List<String> troubles,
        Optional<Long> recorded,
        Optional<String> sending,
        Optional<PlayedNet.Span> span,
        long unreadable) {
    /**
     * What changed since a state was sealed.
     *
     * @param sealed when, in ms since 1970 in UTC
     */
    record Since(long sealed, List<SealedState.Change> changes) {}

    static final LiveSnapshot EMPTY = new LiveSnapshot(
            0,
            List.of(),
            Map.of(),
            List.of(),
            List.of(),
            List.of(),
            List.of(),
            List.of(),
            List.of(),
            Optional.empty(),
            List.of(),
            Optional.empty(),
            Optional.empty(),
            Optional.empty(),
            0);

    /** The universe of a number, if it was heard. */
    Optional<UniverseSeen> universe(UniverseKey key) {
        return universes.stream()
                .filter(u -> u.protocol() == key.protocol() && u.number() == key.number())
                .findFirst();
    }

    /** The universe of the plan that comes by a number, if the plan still has it. */
    Optional<Universe> planned(UniverseKey key, Plan plan) {
        return Optional.ofNullable(planned.get(key)).flatMap(plan.index()::find);
    }
}
