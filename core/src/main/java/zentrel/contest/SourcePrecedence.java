package zentrel.contest;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import zentrel.path.SignalPaths;
import zentrel.plan.*;
import zentrel.profile.Protocol;
import zentrel.source.Sources;

/**
 * Who is meant to win where several sources send one universe: one of them alone, one of them with the others to follow, or
 * all of them merged on purpose. A choice is made for one universe, or for every universe on which the same sources meet.
 *
 * @param text what is meant: "Hut desk, and the others follow when it stops"
 * @param edit makes it so for the universe it was asked for
 * @param everywhere makes it so wherever the same sources meet
 * @param outcome what is heard then, and what happens when one stops
 */
public record SourcePrecedence(String text, Edit edit, Edit everywhere, List<String> outcome) {
    /** How far apart priorities are set, so that one fits between later. */
    private static final int STEP = 10;

    /** The priority of whoever gets none in particular. */
    private static final int USUAL = Sources.SACN_PRIORITY.value();

    private static final int MOST = 200;

    public SourcePrecedence {
        outcome = List.copyOf(outcome);
    }

    /** The choices for what is heard at a port; none where one source alone reaches it. */
    public static List<SourcePrecedence> of(SignalPaths paths, Contest contest) {
        PlanIndex index = paths.plan().index();
        Set<Id<Application>> sources = sources(contest);
        if (sources.size() < 2) {
            return List.of();
        }
        List<Id<Universe>> meeting = new ArrayList<>(Contest.all(paths).stream()
                .filter(c -> sources(c).equals(sources))
                .map(Contest::universe)
                .distinct()
                .toList());
        List<SourcePrecedence> choices = new ArrayList<>();
        for (Id<Application> winner : sources) {
            choices.add(choice(
                    paths,
                    contest,
                    meeting,
                    index.name(winner) + ", and the others follow when it stops",
                    (p, u) -> first(p, u, winner)));
        }
        for (Id<Application> winner : sources) {
            choices.add(choice(paths, contest, meeting, index.name(winner) + " alone", (p, u) -> alone(p, u, winner)));
        }
        choices.add(choice(paths, contest, meeting, "All together, merged on purpose", SourcePrecedence::merged));
        return choices;
    }

    private static Set<Id<Application>> sources(Contest contest) {
        return contest.contenders().stream()
                .map(Contest.Contender::from)
                .collect(Collectors.toCollection(java.util.LinkedHashSet::new));
    }

    private interface Way {
        Plan applied(Plan plan, Id<Universe> universe);
    }

    private static SourcePrecedence choice(
            SignalPaths paths, Contest contest, List<Id<Universe>> meeting, String text, Way way) {
        Plan plan = paths.plan();
        Id<Universe> universe = contest.universe();
        String label = plan.index().universe(universe).label();
        Edit edit = new Edit("Set who wins in " + label + ": " + text, p -> way.applied(p, universe));
        Edit everywhere = new Edit(
                "Set who wins in " + meeting.size() + (meeting.size() == 1 ? " universe: " : " universes: ") + text,
                p -> {
                    Plan next = p;
                    for (Id<Universe> u : meeting) {
                        next = way.applied(next, u);
                    }
                    return next;
                });
        List<String> outcome = new ArrayList<>();
        Contest.of(new SignalPaths(edit.applyTo(plan), paths), universe).stream()
                .filter(c -> c.port().equals(contest.port()))
                .findFirst()
                .ifPresent(c -> {
                    outcome.add(c.now());
                    c.failures().forEach(f -> outcome.add(f.text()));
                });
        return new SourcePrecedence(text, edit, everywhere, outcome);
    }

    /** By sACN with the highest priority, the others below it in steps; by Art-Net, which has none, the others stand by. */
    private static Plan first(Plan plan, Id<Universe> universe, Id<Application> winner) {
        Plan next = plan.with(universe, u -> u.withMerge(false));
        Map<Id<Application>, Integer> priorities = ranked(plan, universe, winner);
        for (Stream stream : plan.index().streamsOf(universe)) {
            boolean wins = stream.application().equals(winner);
            next = next.with(
                    stream.id(),
                    s -> s.protocol() == Protocol.SACN
                            ? s.withPriority(priorities.getOrDefault(
                                            s.application(), s.priority().inForce()))
                                    .withStandby(false)
                            : s.withStandby(!wins));
            if (wins) {
                next = next.with(stream.id(), s -> s.withEnabled(true));
            }
        }
        return next;
    }

    /** The winner on top, the others under it in the order of the priorities they have. */
    private static Map<Id<Application>, Integer> ranked(Plan plan, Id<Universe> universe, Id<Application> winner) {
        TreeSet<Stream> order = new TreeSet<>(
                java.util.Comparator.comparing((Stream s) -> !s.application().equals(winner))
                        .thenComparing(s -> -s.priority().inForce())
                        .thenComparing(s -> s.id().value()));
        order.addAll(plan.index().streamsOf(universe));
        Set<Id<Application>> ranking =
                order.stream().map(Stream::application).collect(Collectors.toCollection(java.util.LinkedHashSet::new));
        int top = Math.min(MOST, Math.max(USUAL, STEP * (ranking.size() - 1)));
        Map<Id<Application>, Integer> priorities = new LinkedHashMap<>();
        for (Id<Application> id : ranking) {
            priorities.put(id, Math.max(0, top - STEP * priorities.size()));
        }
        return priorities;
    }

    private static Plan alone(Plan plan, Id<Universe> universe, Id<Application> winner) {
        Plan next = plan.with(universe, u -> u.withMerge(false));
        for (Stream stream : plan.index().streamsOf(universe)) {
            boolean wins = stream.application().equals(winner);
            next = next.with(stream.id(), s -> wins ? s.withStandby(false) : s.withEnabled(false));
        }
        return next;
    }

    private static Plan merged(Plan plan, Id<Universe> universe) {
        int highest = plan.index().streamsOf(universe).stream()
                .mapToInt(s -> s.priority().inForce())
                .max()
                .orElse(USUAL);
        Plan next = plan.with(universe, u -> u.withMerge(true));
        for (Stream stream : plan.index().streamsOf(universe)) {
            next = next.with(stream.id(), s -> s.withStandby(false).withPriority(highest));
        }
        return next;
    }
}
