package zentrel.look;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import zentrel.TestPlans;
import zentrel.check.RandomPlans;
import zentrel.demo.FernlightTrail;
import zentrel.gear.PlanRemoval;
import zentrel.path.Hop;
import zentrel.path.SignalPath;
import zentrel.path.SignalPaths;
import zentrel.path.Verdict;
import zentrel.plan.*;

/** Two paths side by side, and what people saw kept with the plan. */
class BesideTest {
    @ParameterizedTest(name = "rig {0}")
    @ValueSource(longs = {1, 3, 5, 8, 13, 21, 34, 55, 89, 144, 233, 377})
    void theHopsThatDifferAreThoseThatAreWrong(long seed) {
        Random random = new Random(seed);
        Plan plan = RandomPlans.mistake(RandomPlans.rig(seed), random);
        SignalPaths paths = new SignalPaths(plan);
        for (SignalPath dark : paths.all()) {
            if (dark.verdict() != Verdict.BROKEN) {
                continue;
            }
            Optional<Beside> beside = Beside.of(paths, dark);
            boolean anyWorks = paths.all().stream()
                    .anyMatch(p -> p.verdict() == Verdict.PASSES
                            && p.legs().size() == dark.legs().size()
                            && p.protocol().equals("osc") == dark.protocol().equals("osc"));
            assertThat(beside.isPresent()).isEqualTo(anyWorks);
            beside.ifPresent(b -> {
                List<Hop> mine = dark.hops().toList();
                List<Hop> other = b.works().hops().toList();
                assertThat(b.works().verdict()).isEqualTo(Verdict.PASSES);
                assertThat(b.differ()).isNotEmpty();
                for (int place = 0; place < mine.size(); place++) {
                    assertThat(b.differ().contains(place))
                            .as("hop " + (place + 1))
                            .isEqualTo(mine.get(place).verdict()
                                    != other.get(place).verdict());
                }
                assertThat(b.says())
                        .contains("the two part at hop " + (b.differ().get(0) % 10 + 1) + " (")
                        .endsWith(".");
            });
        }
    }

    /** The nearest: the same source and protocol before another, the same box before another. */
    @Test
    void whatIsMostLikeItStandsBesideIt() {
        Plan draft = FernlightTrail.draft();
        SignalPaths paths = new SignalPaths(draft);
        SignalPath dark = paths.of(Kind.PORT.id("boathouse-node.p1")).paths().stream()
                .filter(p -> p.verdict() == Verdict.BROKEN)
                .findFirst()
                .orElseThrow();
        Beside beside = Beside.of(paths, dark).orElseThrow();
        assertThat(beside.works().source()).isEqualTo(dark.source());
        assertThat(beside.works().protocol()).isEqualTo(dark.protocol());
        assertThat(Beside.of(new SignalPaths(FernlightTrail.ready()), dark)).isPresent();
    }

    @Test
    void whatWasSeenIsOfOneSignalToOneReceiver() {
        Plan pier = TestPlans.pier();
        SignalPaths paths = new SignalPaths(pier);
        SignalPath rail = paths.of(Kind.PORT.id("a1")).paths().get(0);
        assertThat(Seen.of(pier, rail))
                .containsExactly(new Seen(4, Answer.YES, Instant.parse("2026-11-20T19:04:00Z"), "kim"));
        assertThat(Seen.of(pier, paths.of(Kind.PORT.id("a2")).paths().get(0))).isEmpty();
        SignalPath go = paths.ofLink(Kind.LINK.id("go")).paths().get(0);
        assertThat(Seen.of(pier, go)).extracting(Seen::place).containsExactly(11);
        NextLook look = NextLook.of(pier, rail, Seen.of(pier, rail));
        assertThat(look.left()).as("seen at 5, so it dies after it").allMatch(p -> p > 4);
    }

    @Test
    void whatWasSeenGoesWithWhatItWasSeenOf() {
        Plan pier = TestPlans.pier();
        Plan less = PlanRemoval.of(pier, List.of(Kind.HOST.id("node-a"))).edit().applyTo(pier);
        assertThat(less.sightings()).extracting(s -> s.signal().value()).containsExactly("go");
        Plan none =
                PlanRemoval.of(pier, List.of(Kind.HOST.id("desk-box"))).edit().applyTo(pier);
        assertThat(none.sightings()).isEmpty();
    }
}
