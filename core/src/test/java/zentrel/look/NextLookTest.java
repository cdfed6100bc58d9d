package zentrel.look;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import zentrel.TestPlans;
import zentrel.demo.FernlightTrail;
import zentrel.path.Hop;
import zentrel.path.SignalPath;
import zentrel.path.SignalPaths;
import zentrel.path.Verdict;
import zentrel.plan.*;

/** The observations that find where a signal dies. */
class NextLookTest {
    private static final Instant NOW = Instant.parse("2026-06-01T20:15:00Z");

    private static Seen seen(int place, Answer answer) {
        return new Seen(place, answer, NOW, "Ada");
    }

    private static List<SignalPath> paths(Plan plan) {
        SignalPaths paths = new SignalPaths(plan);
        List<SignalPath> all = new ArrayList<>();
        plan.universes().forEach(u -> all.addAll(paths.ofUniverse(u.id()).paths()));
        plan.links().forEach(l -> all.addAll(paths.ofLink(l.id()).paths()));
        return all;
    }

    /** Wherever among the ten hops of one leg the fault is, whatever was computed of them: at most four looks find it. */
    @ParameterizedTest
    @ValueSource(strings = {"ready", "draft", "pier"})
    void oneFaultAmongTenHopsIsFoundInAtMostFourLooks(String which) {
        Plan plan = which.equals("pier")
                ? TestPlans.pier()
                : which.equals("ready") ? FernlightTrail.ready() : FernlightTrail.draft();
        int tried = 0;
        for (SignalPath path : paths(plan)) {
            List<Hop> hops = path.hops().toList();
            if (hops.size() != 10 || path.source().isEmpty() || path.receiver().isEmpty()) {
                continue;
            }
            for (int fault = 0; fault < 10; fault++) {
                if (!hops.get(fault).applicable()) {
                    continue;
                }
                List<Seen> seen = new ArrayList<>(List.of(seen(9, Answer.NO))); // it is dark
                NextLook look = NextLook.of(plan, path, seen);
                int looks = 0;
                while (look.next().isPresent()) {
                    int place = look.next().get().place();
                    assertThat(look.next().get().question()).endsWith("?").doesNotContain("null");
                    seen.add(seen(place, place < fault ? Answer.YES : Answer.NO));
                    look = NextLook.of(plan, path, seen);
                    looks++;
                }
                assertThat(look.left()).as(path + " " + seen).containsExactly(fault);
                assertThat(looks).isLessThanOrEqualTo(4);
                tried++;
            }
        }
        assertThat(tried).isGreaterThan(20);
    }

    @Test
    void whatWasComputedBrokenIsAskedAboutFirst() {
        Plan plan = FernlightTrail.draft();
        SignalPath broken = paths(plan).stream()
                .filter(p -> p.verdict() == Verdict.BROKEN && p.hops().count() == 10)
                .filter(p -> p.source().isPresent() && p.receiver().isPresent())
                .filter(p -> p.hops().filter(h -> h.verdict() == Verdict.BROKEN).count() == 1
                        && p.decisive().orElseThrow().kind().number() <= 7)
                .findFirst()
                .orElseThrow();
        int dies = broken.hops().toList().indexOf(broken.decisive().orElseThrow());
        NextLook look = NextLook.of(plan, broken, List.of(seen(9, Answer.NO)));
        assertThat(look.next().orElseThrow().place()).isIn(dies - 1, dies);
    }

    @Test
    void whatNobodyCanTellIsNotAskedAgainAndContradictionsAreSaid() {
        Plan plan = TestPlans.pier();
        SignalPath path = paths(plan).get(0);
        List<Seen> seen = new ArrayList<>();
        List<Integer> asked = new ArrayList<>();
        NextLook look = NextLook.of(plan, path, seen);
        while (look.next().isPresent()) {
            asked.add(look.next().get().place());
            seen.add(seen(look.next().get().place(), Answer.CANNOT_TELL));
            look = NextLook.of(plan, path, seen);
        }
        assertThat(asked).doesNotHaveDuplicates().hasSizeGreaterThan(5);
        assertThat(look.says()).contains("nobody can tell which by looking");
        NextLook odd = NextLook.of(plan, path, List.of(seen(6, Answer.YES), seen(3, Answer.NO)));
        assertThat(odd.says()).startsWith("It was seen at hop 7 (accepted) and not at hop 4 (addressed to) before it");
        assertThat(odd.next()).isEmpty();
    }
}
