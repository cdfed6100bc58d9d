package zentrel.contest;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import zentrel.TestPlans;
import zentrel.check.Check;
import zentrel.check.RandomPlans;
import zentrel.path.SignalPaths;
import zentrel.plan.*;

/** Who is meant to win: each choice makes it so, says beforehand what it makes, and leaves no fight behind. */
class SourcePrecedenceTest {
    /** Rigs with two desks on every universe; with one there is nothing to settle. */
    static java.util.stream.LongStream twoDesks() {
        return java.util.stream.LongStream.rangeClosed(1, 100)
                .filter(seed -> RandomPlans.healthy(seed)
                        .index()
                        .find(Kind.APPLICATION.id("desk1"))
                        .isPresent())
                .limit(14);
    }

    private static List<Contest> contested(Plan plan) {
        return Contest.all(new SignalPaths(plan)).stream()
                .filter(c -> c.contenders().stream()
                                .map(Contest.Contender::from)
                                .distinct()
                                .count()
                        > 1)
                .toList();
    }

    private static Contest again(Plan plan, Contest contest) {
        return Contest.of(new SignalPaths(plan), contest.universe()).stream()
                .filter(c -> c.port().equals(contest.port()))
                .findFirst()
                .orElseThrow();
    }

    private static Set<String> heard(Plan plan, Contest contest) {
        return contest.heard().stream()
                .map(s -> plan.index().name(plan.index().stream(s).application()))
                .collect(Collectors.toSet());
    }

    @ParameterizedTest(name = "rig {0}")
    @MethodSource("twoDesks")
    void whatIsMeantIsWhatIsHeard(long seed) {
        Random random = new Random(seed);
        Plan rig = RandomPlans.healthy(seed);
        for (Stream s : rig.streams()) {
            int priority = List.of(80, 100, 100).get(random.nextInt(3));
            rig = rig.with(s.id(), x -> x.withPriority(priority));
        }
        assertThat(contested(rig)).isNotEmpty();
        for (Contest contest : contested(rig)) {
            List<SourcePrecedence> choices = SourcePrecedence.of(new SignalPaths(rig), contest);
            assertThat(choices)
                    .extracting(SourcePrecedence::text)
                    .doesNotHaveDuplicates()
                    .last()
                    .asString()
                    .contains("merged");
            for (SourcePrecedence choice : choices) {
                Plan settled = choice.edit().applyTo(rig);
                Contest then = again(settled, contest);
                assertThat(choice.outcome().get(0)).as("said beforehand").isEqualTo(then.now());
                assertThat(then.fight(settled.index())).as(choice.text()).isEmpty();
                String who = choice.text().replaceAll("(, and the others follow.*| alone)$", "");
                if (choice.text().contains("merged")) {
                    assertThat(heard(settled, then)).hasSizeGreaterThan(1);
                } else {
                    assertThat(heard(settled, then)).containsExactly(who);
                    Contest.Failure stops = then.failures().stream()
                            .filter(f -> settled.index().name(f.source()).equals(who))
                            .findFirst()
                            .orElseThrow();
                    assertThat(stops.next().isEmpty()).isEqualTo(choice.text().endsWith("alone"));
                }
                assertThat(Check.run(settled).findings())
                        .noneMatch(f -> f.rule().equals("universe.two-sources")
                                && f.text().contains(settled.index().name(contest.port())));
            }
        }
    }

    /** Settled everywhere, no two sources fight anywhere that the same ones meet. */
    @ParameterizedTest(name = "rig {0}")
    @MethodSource("twoDesks")
    void settledEverywhereIsSettledAtEachOfThem(long seed) {
        Plan rig = RandomPlans.healthy(seed);
        for (Stream s : rig.streams()) {
            rig = rig.with(s.id(), x -> x.withPriority(100).withStandby(false));
        }
        List<Contest> contests = contested(rig);
        assertThat(contests).isNotEmpty();
        assertThat(Check.run(rig).findings()).anyMatch(f -> f.rule().equals("universe.two-sources"));
        for (SourcePrecedence choice : SourcePrecedence.of(new SignalPaths(rig), contests.get(0))) {
            Plan settled = choice.everywhere().applyTo(rig);
            assertThat(Check.run(settled).findings())
                    .as(choice.everywhere().text())
                    .noneMatch(f -> f.rule().equals("universe.two-sources"));
            assertThat(contests)
                    .allSatisfy(c ->
                            assertThat(again(settled, c).fight(settled.index())).isEmpty());
        }
    }

    /** The order stays as it was below the winner, in steps of ten, within 0 to 200 (ANSI E1.31-2018, 6.2.3). */
    @Test
    void prioritiesAreSetInSteps() {
        Contest hall = Contest.of(new SignalPaths(TestPlans.pier()), Kind.UNIVERSE.id("n2"))
                .get(0);
        SourcePrecedence spare = SourcePrecedence.of(new SignalPaths(TestPlans.pier()), hall).stream()
                .filter(s -> s.text().startsWith("Spare desk, and"))
                .findFirst()
                .orElseThrow();
        Plan settled = spare.edit().applyTo(TestPlans.pier());
        assertThat(settled.index().stream(Kind.STREAM.id("s2-spare")).priority().inForce())
                .isEqualTo(100);
        assertThat(settled.index().stream(Kind.STREAM.id("s2")).priority().inForce())
                .isEqualTo(90);
        assertThat(spare.outcome())
                .containsExactly(
                        "Spare desk wins with priority 100.",
                        "If Desk stops, nothing changes here: it does not win.",
                        "If Spare desk stops: sACN holds the last look 2.5 s, then Desk wins.");
        assertThat(SourcePrecedence.of(
                        new SignalPaths(TestPlans.pier()),
                        Contest.of(new SignalPaths(TestPlans.pier()), Kind.UNIVERSE.id("n1"))
                                .get(0)))
                .as("one source alone needs no settling")
                .isEmpty();
    }

    /** What a port does without a source is what its receiver is set to. */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "HOLD | then Node A holds the last look; no other source sends.",
                "BLACK | then Node A goes dark; no other source sends.",
                "FULL | then Node A goes to full; no other source sends.",
                "SCENE | then Node A shows the scene that is stored in it; no other source sends.",
                "NOT_KNOWN | then Node A does what it is set to, which is not specified; no other source sends."
            })
    void lossIsTold(Loss loss, String words) {
        Plan plan = TestPlans.pier()
                .with(Kind.RECEIVER.id("rx-a"), r -> r.withTaking(r.taking().withLoss(loss)));
        Contest rail = Contest.of(new SignalPaths(plan), Kind.UNIVERSE.id("n1")).get(0);
        assertThat(rail.failures().get(0).text()).endsWith(words);
        assertThat(new HashSet<>(rail.failures().get(0).next())).isEmpty();
    }
}
