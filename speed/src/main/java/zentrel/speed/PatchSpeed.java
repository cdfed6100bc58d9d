package zentrel.speed;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.function.IntSupplier;
import zentrel.gear.PatchEdits;
import zentrel.mvr.MvrReader;
import zentrel.mvr.MvrWriter;
import zentrel.patch.FixtureList;
import zentrel.patch.ListLayout;
import zentrel.patch.PatchComparison;
import zentrel.patch.PatchTable;
import zentrel.plan.Break;
import zentrel.plan.Fixture;
import zentrel.plan.Kind;
import zentrel.plan.PatchRow;
import zentrel.plan.Plan;
import zentrel.plan.Universe;
import zentrel.table.TextTable;

/**
 * The patch: two lists of 20,000 fixtures compared (goal 500 ms), all of them renumbered (goal 100 ms), such a table read, and a scene
 * of 5,000 fixtures read (goal 3 s).
 */
final class PatchSpeed {
    private static final int FIXTURES = 20_000;
    private static final int SCENE = 5_000;
    private static final int FOOTPRINT = 16;
    private static final int IN_ONE = Universe.SLOTS / FOOTPRINT;

    private PatchSpeed() {}

    static void print() {
        Plan plan = plan();
        FixtureList here = FixtureList.of(plan);
        FixtureList there = changed(here);
        measured(
                "two lists of " + FIXTURES + " fixtures compared, differences:",
                () -> PatchComparison.of(here, there).differences().size());
        measured(
                "all renumbered, fixtures:",
                () -> PatchEdits.renumber(plan, plan.fixtures(), 50_001, 1)
                        .applyTo(plan)
                        .fixtures()
                        .size());
        TextTable table = ListLayout.USUAL.table(here.rows());
        measured(
                "a table of them read, rows:",
                () -> PatchTable.read(table).rows().size());
        byte[] scene = MvrWriter.write(here.rows().subList(0, SCENE), List.of());
        measured(
                "a scene read, fixtures:",
                () -> MvrReader.read(scene).list().rows().size());
    }

    private static Plan plan() {
        List<Universe> universes = new ArrayList<>();
        List<Fixture> fixtures = new ArrayList<>();
        for (int i = 0; i < FIXTURES; i++) {
            if (i % IN_ONE == 0) {
                int n = universes.size() + 1;
                universes.add(new Universe(Kind.UNIVERSE.id("u" + n), "Universe " + n, n, false));
            }
            fixtures.add(new Fixture(
                    Kind.FIXTURE.id("f" + i),
                    String.valueOf(i + 1),
                    "Light " + (i + 1),
                    "Row " + i / 50,
                    "wash 16",
                    java.util.Optional.empty(),
                    List.of(new Break(universes.get(universes.size() - 1).id(), 1 + i % IN_ONE * FOOTPRINT, FOOTPRINT)),
                    false));
        }
        return Plan.EMPTY.with(Kind.UNIVERSE, universes).with(Kind.FIXTURE, fixtures);
    }

    private static FixtureList changed(FixtureList list) {
        Random random = new Random(1);
        List<PatchRow> rows = new ArrayList<>(list.rows());
        for (int i = 0; i < FIXTURES / 20; i++) {
            int at = random.nextInt(rows.size());
            rows.set(at, rows.get(at).withLabel("Other"));
            rows.remove(random.nextInt(rows.size()));
        }
        return FixtureList.of(rows);
    }

    private static void measured(String what, IntSupplier work) {
        Timing.print("patch", what, work);
    }
}
