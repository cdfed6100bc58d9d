package zentrel.session;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import zentrel.contest.Contest;
import zentrel.path.SignalPaths;
import zentrel.plan.Application;
import zentrel.plan.Id;
import zentrel.plan.Port;
import zentrel.plan.Session;
import zentrel.plan.Universe;

/**
 * What is seen at the fixtures when the main desk of a session stops: outcomes that are alike together.
 *
 * @param main who stops
 * @param outcomes the one that most ports have first
 */
public record MainStops(Id<Application> main, List<Outcome> outcomes) {
    private static final int FULL = 255;
    private static final double PERCENT = 100;

    /**
     * What ports have in common.
     *
     * @param next who has control afterwards; none where nobody has
     * @param seconds how long the old look stays at most before that
     * @param follows whether the backup of the session is among the next, so that it goes on where the main stopped
     */
    public record Outcome(
            List<Id<Application>> next,
            double seconds,
            boolean follows,
            Set<Id<Universe>> universes,
            List<Id<Port>> ports) {
        public Outcome {
            next = List.copyOf(next);
            universes = Set.copyOf(universes);
            ports = List.copyOf(ports);
        }

        /** The step in a fade of so many seconds from 0 to full that is held meanwhile, as a part of it, 0 to 1. */
        public double step(double fadeSeconds) {
            return Math.min(1, seconds / fadeSeconds);
        }

        /** The same as a level, 0 to 255. */
        public int stepLevel(double fadeSeconds) {
            return (int) Math.round(FULL * step(fadeSeconds));
        }

        /** The same in percent. */
        public double stepPercent(double fadeSeconds) {
            return PERCENT * step(fadeSeconds);
        }
    }

    private record Alike(List<Id<Application>> next, double seconds) {}

    /** Every port that is told of. */
    public List<Id<Port>> ports() {
        return outcomes.stream().flatMap(o -> o.ports().stream()).distinct().toList();
    }

    /** Works it out; empty where nobody leads. */
    public static Optional<MainStops> of(SignalPaths paths, Session session) {
        return session.main().map(main -> of(paths, session, main.application()));
    }

    private static MainStops of(SignalPaths paths, Session session, Id<Application> main) {
        Map<Alike, List<Contest>> groups = new LinkedHashMap<>();
        Set<Id<Universe>> sent = new LinkedHashSet<>();
        paths.plan().index().streamsFrom(main).forEach(s -> sent.add(s.universe()));
        for (Id<Universe> universe : sent) {
            for (Contest contest : Contest.of(paths, universe)) {
                contest.failures().stream()
                        .filter(f -> f.source().equals(main))
                        .findFirst()
                        .ifPresent(f -> groups.computeIfAbsent(new Alike(f.next(), f.seconds()), a -> new ArrayList<>())
                                .add(contest));
            }
        }
        Set<Id<Application>> backups = new LinkedHashSet<>();
        session.desks().stream()
                .filter(d -> d.part() == zentrel.plan.Part.BACKUP)
                .forEach(d -> backups.add(d.application()));
        List<Outcome> outcomes = new ArrayList<>();
        groups.forEach((alike, contests) -> outcomes.add(new Outcome(
                alike.next(),
                alike.seconds(),
                alike.next().stream().anyMatch(backups::contains),
                new LinkedHashSet<>(contests.stream().map(Contest::universe).toList()),
                contests.stream().map(Contest::port).toList())));
        outcomes.sort((a, b) -> Integer.compare(b.ports().size(), a.ports().size()));
        return new MainStops(main, List.copyOf(outcomes));
    }
}
