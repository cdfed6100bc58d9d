package zentrel.app.bench;

import java.util.List;
import java.util.Optional;
import zentrel.found.DeviceMatch;
import zentrel.found.FoundDevice;
import zentrel.live.HealthFinding;
import zentrel.live.LiveEvent;
import zentrel.live.UniverseSeen;
import zentrel.plan.Host;
import zentrel.plan.Id;
import zentrel.profile.Protocol;

/**
 * What was seen on a net at one moment.
 *
 * @param now the time of it, in ns by the net's clock
 * @param found the devices, with the addresses that they really have
 * @param devices the same in the same order, beside those of the plan
 * @param missing devices of the plan that answer polls and have not been found
 * @param troubles what kept it from seeing all, as sentences
 * @param recorded packets recorded so far; empty while nothing is recorded
 * @param sending what is sent now, in words; empty where nothing is
 */
record LiveSnapshot(
        long now,
        List<UniverseSeen> universes,
        List<FoundDevice> found,
        List<DeviceMatch> devices,
        List<Id<Host>> missing,
        List<HealthFinding> health,
        List<LiveEvent> events,
        List<String> troubles,
        Optional<Long> recorded,
        Optional<String> sending,
        long unreadable) {
    static final LiveSnapshot EMPTY = new LiveSnapshot(
            0,
            List.of(),
            List.of(),
            List.of(),
            List.of(),
            List.of(),
            List.of(),
            List.of(),
            Optional.empty(),
            Optional.empty(),
            0);

    /** The universe of a number, if it was heard. */
    Optional<UniverseSeen> universe(Protocol protocol, int number) {
        return universes.stream()
                .filter(u -> u.protocol() == protocol && u.number() == number)
                .findFirst();
    }
}
