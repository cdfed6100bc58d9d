package zentrel.gear;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import zentrel.check.Check;
import zentrel.check.Finding;
import zentrel.demo.FernlightTrail;
import zentrel.patch.FixtureList;
import zentrel.patch.PatchComparison;
import zentrel.patch.PatchDifference.Kind;
import zentrel.patch.PatchTable;
import zentrel.patch.PatchTaking;
import zentrel.plan.Fixture;
import zentrel.plan.PatchList;
import zentrel.plan.Plan;
import zentrel.table.TextTable;

/** A list taken into a plan, and a plan into a list: afterwards they agree. */
class FixtureTakingTest {
    private static List<?> differences(Plan plan, FixtureList list) {
        return PatchComparison.of(FixtureList.of(plan), list).differences();
    }

    @Test
    void theWholeListOfAnotherProgramIntoThePlan() {
        Plan draft = FernlightTrail.draft();
        FixtureList list = FixtureList.of(draft.patchLists().get(0));
        List<PatchComparison.Row> rows =
                PatchComparison.of(FixtureList.of(draft), list).differing();
        assertThat(rows).hasSizeGreaterThan(10);
        Plan taken = FixtureTaking.take(rows, Set.of(Kind.values())).applyTo(draft);
        assertThat(differences(taken, list)).isEmpty();
        assertThat(taken.fixtures())
                .as("404 is in no list")
                .hasSize(draft.fixtures().size() - 1);
        Plan kept = FixtureTaking.takeAll(draft, list, List.of()).applyTo(draft);
        assertThat(kept.fixtures()).hasSameSizeAs(draft.fixtures());
        assertThat(Check.run(taken).findings())
                .extracting(Finding::rule)
                .doesNotContain("patch.differs", "patch.mode-differs");
    }

    @Test
    void thePlanIntoTheListOfAnotherProgram() {
        Plan draft = FernlightTrail.draft();
        PatchList list = draft.patchLists().get(0);
        FixtureList there = FixtureList.of(list);
        FixtureList here = FixtureList.of(draft);
        PatchComparison comparison = PatchComparison.of(here, there);
        FixtureList corrected = PatchTaking.intoB(comparison, there, comparison.differing(), Set.of(Kind.values()));
        assertThat(PatchComparison.of(here, corrected).differences()).isEmpty();
        assertThat(corrected.rows())
                .extracting(r -> r.number())
                .as("404 where it stands in the plan")
                .containsSubsequence("403", "404", "405");
        FixtureList labels = PatchTaking.intoB(comparison, there, comparison.differing(), Set.of(Kind.LABEL));
        assertThat(PatchComparison.of(here, labels).differences())
                .hasSize(PatchComparison.of(here, there).differences().size() - 1)
                .noneMatch(d -> d.kind() == Kind.LABEL);
    }

    @Test
    void oneFixtureIsFoundAsTheComparisonFindsIt() {
        Plan draft = FernlightTrail.draft();
        FixtureList here = FixtureList.of(draft);
        FixtureList there = FixtureList.of(draft.patchLists().get(0));
        for (PatchComparison.Row row : PatchComparison.of(here, there).rows()) {
            row.a().ifPresent(a -> assertThat(there.find(a)).as(a.shown()).isEqualTo(row.b()));
        }
    }

    /** A rig that is typed as a list makes fixtures in an empty plan, with their universes. */
    @Test
    void aListIntoAnEmptyPlan() {
        FixtureList list = PatchTable.read(TextTable.parse("""
                Number,Label,Type,Mode,Universe,Slot,Footprint,X (m),Y (m),Z (m)
                101,Doors 1,Wash,M18,3,1,18,1.5,0,4
                102,Doors 2,Wash,M18,3,19,18,2.5,0,4
                201,Reeds,Spot,,9,500,,,,
                """));
        Plan made = FixtureTaking.takeAll(Plan.EMPTY, list, List.of()).applyTo(Plan.EMPTY);
        assertThat(made.universes()).extracting(u -> u.number()).containsExactly(3, 9);
        assertThat(made.fixtures()).extracting(Fixture::number).containsExactly("101", "102", "201");
        assertThat(made.fixtures().get(1).use().position()).contains(new zentrel.plan.Position(2.5, 0, 4));
        assertThat(differences(made, list)).isEmpty();
    }
}
