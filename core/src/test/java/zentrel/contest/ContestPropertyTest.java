package zentrel.contest;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import zentrel.TestPlans;
import zentrel.check.RandomPlans;
import zentrel.path.SignalPaths;
import zentrel.plan.*;
import zentrel.profile.Merge;
import zentrel.profile.Protocol;

/** Who is heard, over random rigs: what a source that stops leaves behind is what the plan without it says. */
class ContestPropertyTest {
    /** Who is heard at each port, by program; who stands by counts only where nobody else is left. */
    private static Map<String, Set<Id<Application>>> heard(Plan plan) {
        Map<String, Set<Id<Application>>> all = new TreeMap<>();
        for (Contest contest : Contest.all(new SignalPaths(plan))) {
            Set<Id<Application>> programs = new HashSet<>();
            contest.heard().forEach(s -> programs.add(plan.index().stream(s).application()));
            all.put(contest.universe().value() + " at " + contest.port().value(), programs);
        }
        return all;
    }

    @ParameterizedTest(name = "rig {0}")
    @ValueSource(longs = {2, 4, 6, 10, 16, 26, 42, 68, 110, 178, 288, 466})
    void whoIsHeardThenIsWhoIsHeardWithoutIt(long seed) {
        Random random = new Random(seed);
        Plan plan = RandomPlans.healthy(seed);
        for (int change = 0; change < 4; change++) {
            Stream stream = plan.streams().get(random.nextInt(plan.streams().size()));
            int priority = List.of(0, 80, 100, 100, 200).get(random.nextInt(5));
            plan = plan.with(stream.id(), s -> s.withPriority(priority));
            Plan rig = plan;
            for (Contest contest : Contest.all(new SignalPaths(rig))) {
                for (Contest.Failure failure : contest.failures()) {
                    Plan without = rig.with(
                            Kind.STREAM,
                            rig.streams().stream()
                                    .filter(s -> !s.application().equals(failure.source()))
                                    .toList());
                    Set<Id<Application>> then = heard(without)
                            .getOrDefault(
                                    contest.universe().value() + " at "
                                            + contest.port().value(),
                                    Set.of());
                    // whoever stands by takes over when it is stopped; with no source to stand by for it sends nothing
                    Set<Id<Application>> next = new HashSet<>(failure.next());
                    next.removeIf(a -> without.streams().stream()
                            .anyMatch(s -> s.application().equals(a)
                                    && s.universe().equals(contest.universe())
                                    && s.standby()));
                    assertThat(next).as(failure.text()).isEqualTo(then);
                    assertThat(failure.text())
                            .endsWith(".")
                            .startsWith("If " + rig.index().name(failure.source()));
                }
            }
        }
    }

    /** Whoever is heard has no lower priority than anybody that is not, among those that send by sACN (E1.31-2018, 6.2.3). */
    @ParameterizedTest(name = "rig {0}")
    @ValueSource(longs = {3, 9, 27, 81, 243, 729})
    void nobodyIsHeardBelowAnother(long seed) {
        Random random = new Random(seed);
        Plan plan = RandomPlans.healthy(seed);
        for (Stream stream : plan.streams()) {
            int priority = random.nextInt(201);
            plan = plan.with(stream.id(), s -> s.withPriority(priority));
        }
        for (Contest contest : Contest.all(new SignalPaths(plan))) {
            List<Contest.Contender> sacn = contest.contenders().stream()
                    .filter(c -> c.protocol() == Protocol.SACN && !c.standby())
                    .toList();
            int heard = sacn.stream()
                    .filter(c -> contest.heard().contains(c.stream()))
                    .mapToInt(Contest.Contender::priority)
                    .min()
                    .orElse(201);
            int ignored = sacn.stream()
                    .filter(c -> !contest.heard().contains(c.stream()))
                    .mapToInt(Contest.Contender::priority)
                    .max()
                    .orElse(-1);
            assertThat(heard).isGreaterThanOrEqualTo(ignored);
            assertThat(contest.heard().isEmpty()).isEqualTo(contest.contenders().isEmpty());
        }
    }

    /**
     * Two desks on one universe at the pier: by priority, by what the node does with equals, and whether it was meant. Priority
     * and loss are ANSI E1.31-2018, 6.2.3 and 6.7.1; what a receiver does with equals is its own (common practice, no source).
     */
    @ParameterizedTest(name = "{0} and {1}, {2}")
    @CsvSource(
            delimiter = '|',
            value = {
                "100 | 80  | HTP  | Desk wins with priority 100.",
                "80  | 100 | HTP  | Spare desk wins with priority 100.",
                "0   | 1   | LTP  | Spare desk wins with priority 1.",
                "200 | 199 | NONE | Desk wins with priority 200.",
                "100 | 100 | HTP  | Desk and Spare desk are merged: the higher level of each slot counts.",
                "100 | 100 | LTP  | Desk and Spare desk are merged: the latest change of each slot counts.",
                "100 | 100 | NONE | Desk and Spare desk reach it with equal priority, and it accepts one source only; which one is not specified."
            })
    void twoDesksOnOneUniverse(int desk, int spare, Merge merge, String now) {
        Plan pier = TestPlans.pier();
        Plan plan = pier.with(Kind.STREAM.id("s2"), s -> s.withPriority(desk))
                .with(Kind.STREAM.id("s2-spare"), s -> s.withPriority(spare))
                .with(
                        Kind.RECEIVER,
                        pier.receivers().stream()
                                .map(r -> new Receiver(
                                        r.id(),
                                        r.name(),
                                        r.application(),
                                        r.protocols(),
                                        r.inputOn(),
                                        r.answersPolls(),
                                        merge,
                                        r.ports()))
                                .toList());
        Contest hall = Contest.of(new SignalPaths(plan), Kind.UNIVERSE.id("n2")).get(0);
        assertThat(hall.now()).isEqualTo(now);
        assertThat(hall.fight(plan.index()).isPresent())
                .isEqualTo(now.contains("merged") || now.contains("not specified"));
        assertThat(hall.failures())
                .hasSize(2)
                .allMatch(f -> f.seconds() == 2.5 || f.text().contains("nothing changes"));
    }
}
