package zentrel.look;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.TreeSet;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import zentrel.check.RandomPlans;
import zentrel.demo.FernlightTrail;
import zentrel.path.Hop;
import zentrel.path.SignalPath;
import zentrel.path.SignalPaths;
import zentrel.plan.Answer;
import zentrel.plan.Plan;

/** Looking for a fault over random rigs with mistakes in them, with answers that are true, and some that nobody can give. */
class NextLookPropertyTest {
    private static final Instant NOW = Instant.parse("2026-06-01T20:15:00Z");

    private static List<SignalPath> paths(Plan plan) {
        return new SignalPaths(plan)
                .all().stream()
                        .filter(p -> p.source().isPresent() && p.receiver().isPresent())
                        .toList();
    }

    /** The fault is never ruled out, every question is a new one, and without blind spots it is all that is left. */
    private static int search(Plan plan, SignalPath path, int fault, Set<Integer> blind) {
        List<Hop> hops = path.hops().toList();
        List<Seen> seen = new ArrayList<>();
        seen.add(new Seen(hops.size() - 1, Answer.NO, NOW, ""));
        Set<Integer> asked = new TreeSet<>();
        NextLook look = NextLook.of(plan, path, seen);
        while (look.next().isPresent()) {
            Look next = look.next().get();
            assertThat(asked.add(next.place())).as("asked once: " + next).isTrue();
            assertThat(look.left()).contains(next.place());
            assertThat(next.hop()).isEqualTo(hops.get(next.place()).kind());
            Answer answer =
                    blind.contains(next.place()) ? Answer.CANNOT_TELL : next.place() < fault ? Answer.YES : Answer.NO;
            seen.add(new Seen(next.place(), answer, NOW, "Ada"));
            int before = look.left().size();
            look = NextLook.of(plan, path, seen);
            assertThat(look.left()).as(path + " " + seen).contains(fault);
            assertThat(look.left().size()).isLessThan(answer == Answer.CANNOT_TELL ? before + 1 : before);
        }
        assertThat(look.says()).endsWith(".").doesNotContain("null");
        if (blind.isEmpty()) {
            assertThat(look.left()).containsExactly(fault);
        }
        return asked.size();
    }

    @ParameterizedTest(name = "rig {0}")
    @ValueSource(longs = {11, 22, 33, 44, 55, 66, 77, 88, 99})
    void theFaultIsFoundWhateverWasComputed(long seed) {
        Random random = new Random(seed);
        Plan plan = RandomPlans.rig(seed);
        for (int mistakes = 0; mistakes < 3; mistakes++) {
            plan = RandomPlans.mistake(plan, random);
        }
        for (SignalPath path : paths(plan)) {
            List<Hop> hops = path.hops().toList();
            for (int fault = 0; fault < hops.size(); fault++) {
                if (hops.get(fault).applicable()) {
                    int most = hops.size() <= 10 ? 4 : 5; // 2^5 = 32 tells two legs of ten apart
                    assertThat(search(plan, path, fault, Set.of())).isLessThanOrEqualTo(most);
                }
            }
        }
    }

    /** Both legs of a link with an answer, and bridges: places go on counting over all legs. */
    @ParameterizedTest(name = "seed {0}")
    @ValueSource(longs = {7, 70, 700})
    void withBlindSpotsWhatIsLeftHoldsTheFault(long seed) {
        Random random = new Random(seed);
        Plan plan = FernlightTrail.draft();
        int twoLegs = 0;
        for (SignalPath path : paths(plan)) {
            List<Hop> hops = path.hops().toList();
            twoLegs += path.legs().size() > 1 ? 1 : 0;
            int fault = random.nextInt(hops.size());
            if (!hops.get(fault).applicable()) {
                continue;
            }
            Set<Integer> blind = new TreeSet<>();
            for (int place = 0; place < hops.size() - 1; place++) {
                if (random.nextInt(3) == 0) {
                    blind.add(place);
                }
            }
            search(plan, path, fault, blind);
        }
        assertThat(twoLegs).isPositive();
    }
}
