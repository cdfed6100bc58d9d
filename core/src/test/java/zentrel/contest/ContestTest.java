package zentrel.contest;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import zentrel.TestPlans;
import zentrel.check.Check;
import zentrel.demo.FernlightTrail;
import zentrel.path.SignalPaths;
import zentrel.plan.*;

/** Who is heard where several send, and what is seen when one stops. */
class ContestTest {
    private static final Id<Universe> HALL = Kind.UNIVERSE.id("n2");

    private static Contest at(Plan plan, Id<Universe> universe) {
        return Contest.of(new SignalPaths(plan), universe).get(0);
    }

    /** The desk at 100, the spare at 80 (ANSI E1.31-2018, 6.2.3 and 6.7.1: the highest wins, loss after 2.5 s). */
    @Test
    void theHigherPriorityWinsAndTheOtherFollows() {
        Contest hall = at(TestPlans.pier(), HALL);
        assertThat(hall.now()).isEqualTo("Desk wins with priority 100.");
        assertThat(hall.failures()).hasSize(2);
        assertThat(hall.failures().get(0).text())
                .isEqualTo("If Desk stops: sACN holds the last look 2.5 s, then Spare desk wins.");
        assertThat(hall.failures().get(0).seconds()).isEqualTo(2.5);
        assertThat(hall.failures().get(1).text())
                .isEqualTo("If Spare desk stops, nothing changes here: it does not win.");
    }

    @Test
    void equalPrioritiesAreMergedAndThatIsAFightUnlessItIsMeant() {
        Plan equal = TestPlans.pier().with(Kind.STREAM.id("s2-spare"), s -> s.withPriority(100));
        Contest hall = at(equal, HALL);
        assertThat(hall.heard()).hasSize(2);
        assertThat(hall.now()).isEqualTo("Desk and Spare desk are merged: the higher level of each slot counts.");
        assertThat(hall.fight(equal.index())).isPresent();
        assertThat(Check.run(equal).findings()).anyMatch(f -> f.rule().equals("universe.two-sources"));
        Plan meant = equal.with(HALL, u -> u.withMerge(true));
        assertThat(at(meant, HALL).fight(meant.index())).isEmpty();
    }

    /** Art-Net has no end packet, and a node that merges keeps an entry 10 s (Art-Net 4; from memory, 85 %). */
    @Test
    void aSingleSourceByArtNetLeavesItsLookForTenSeconds() {
        Contest rail = at(TestPlans.pier(), Kind.UNIVERSE.id("n1"));
        assertThat(rail.now()).isEqualTo("Desk has it alone.");
        assertThat(rail.failures().get(0).seconds()).isEqualTo(10);
        assertThat(rail.failures().get(0).next()).isEmpty();
    }

    /** Wherever a finding says that two fight, the contest says so too, and the other way round. */
    @Test
    void fightsAreThoseOfTheFindings() {
        for (Plan plan : List.of(FernlightTrail.draft(), FernlightTrail.ready(), TestPlans.pier())) {
            boolean fights = Contest.all(new SignalPaths(plan)).stream()
                    .anyMatch(c -> c.fight(plan.index()).isPresent());
            boolean found =
                    Check.run(plan).findings().stream().anyMatch(f -> f.rule().equals("universe.two-sources"));
            assertThat(fights).isEqualTo(found);
        }
    }
}
