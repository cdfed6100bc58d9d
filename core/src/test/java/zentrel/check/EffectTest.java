package zentrel.check;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import zentrel.TestPlans;
import zentrel.plan.*;

/** What an edit does to the findings, said before it is made. */
class EffectTest {
    private static Set<String> worse(Report report) {
        return report.findings().stream()
                .filter(f -> f.severity() != Severity.NOTE)
                .map(Finding::id)
                .collect(Collectors.toSet());
    }

    private static Set<String> ids(List<Finding> findings) {
        return findings.stream().map(Finding::id).collect(Collectors.toSet());
    }

    /** Mistake upon mistake and back again: what goes and what comes is the difference of two whole checks. */
    @ParameterizedTest(name = "rig {0}")
    @ValueSource(longs = {101, 202, 303, 404, 505, 606, 707, 808, 909, 1010})
    void itIsTheDifferenceOfTwoWholeChecks(long seed) {
        Random random = new Random(seed);
        Plan plan = RandomPlans.rig(seed);
        for (int step = 0; step < 5; step++) {
            Plan after = RandomPlans.mistake(plan, random);
            Report before = Check.run(plan);
            Set<String> then = worse(before);
            Set<String> now = worse(Check.run(after));
            Effect there = Effect.of(before, after);
            Effect back = Effect.of(Check.run(after), plan);
            assertThat(ids(there.broken())).isEqualTo(minus(now, then));
            assertThat(ids(there.mended())).isEqualTo(minus(then, now));
            assertThat(ids(back.broken())).isEqualTo(ids(there.mended()));
            assertThat(ids(back.mended())).isEqualTo(ids(there.broken()));
            assertThat(there.isGood()).isEqualTo(there.broken().isEmpty());
            plan = after;
        }
    }

    private static Set<String> minus(Set<String> from, Set<String> what) {
        return from.stream().filter(x -> !what.contains(x)).collect(Collectors.toSet());
    }

    @Test
    void itIsSaidInWords() {
        Plan pier = TestPlans.pier();
        Report healthy = Check.run(pier);
        assertThat(Effect.of(healthy, pier).sentence()).isEqualTo("It breaks nothing.");
        Plan off = pier.with(Kind.PORT.id("a1"), p -> p.withEnabled(false));
        Effect breaks = Effect.of(healthy, off);
        assertThat(breaks.words()).isEqualTo("breaks 1");
        assertThat(breaks.sentence()).startsWith("It breaks 1. ").contains("Port 1 of Node A is switched off");
        assertThat(Effect.of(Check.run(off), pier).sentence()).isEqualTo("It mends 1.");
        Plan other = pier.with(Kind.PORT.id("a2"), p -> p.withEnabled(false));
        assertThat(Effect.of(Check.run(off), other).words()).isEqualTo("breaks 1, mends 1");
    }
}
