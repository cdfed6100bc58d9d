package zentrel.plan;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import zentrel.TestPlans;

class HistoryTest {
    private static Edit rename(String name) {
        return new Edit("Call it " + name, p -> p.withName(name));
    }

    @Test
    void undoAndRedoLeadThroughTheSamePlans() {
        Random random = new Random(3);
        History history = new History(TestPlans.pier());
        List<Plan> plans = new ArrayList<>(List.of(history.plan()));
        for (int i = 0; i < 40; i++) {
            int wire = random.nextInt(500);
            plans.add(history.apply(
                    i % 2 == 0
                            ? rename("name " + i)
                            : new Edit(
                                    "Set a1 to " + wire + "." + i,
                                    p -> p.with(Kind.PORT.id("a1"), x -> x.withWire(wire)))));
        }
        List<Plan> distinct = plans.stream().distinct().toList();
        for (int i = distinct.size() - 2; i >= 0; i--) {
            assertThat(history.undo()).isEqualTo(distinct.get(i));
        }
        assertThat(history.undoText()).isEmpty();
        assertThat(history.undo()).isEqualTo(distinct.get(0));
        for (int i = 1; i < distinct.size(); i++) {
            assertThat(history.redo()).isEqualTo(distinct.get(i));
        }
        assertThat(history.redoText()).isEmpty();
    }

    @Test
    void aNewEditForgetsWhatCouldBeRedone() {
        History history = new History(Plan.EMPTY);
        history.apply(rename("one"));
        history.undo();
        assertThat(history.redoText()).contains("Call it one");
        history.apply(rename("two"));
        assertThat(history.redoText()).isEmpty();
        assertThat(history.undoText()).contains("Call it two");
    }

    @Test
    void anEditThatChangesNothingLeavesNoStep() {
        History history = new History(Plan.EMPTY);
        history.apply(rename(Plan.EMPTY.name()));
        assertThat(history.undoText()).isEmpty();
    }

    @Test
    void onlySoManyStepsAreKept() {
        History history = new History(Plan.EMPTY);
        for (int i = 0; i < History.STEPS + 50; i++) {
            history.apply(rename("n" + i));
        }
        int steps = 0;
        while (history.undoText().isPresent()) {
            history.undo();
            steps++;
        }
        assertThat(steps).isEqualTo(History.STEPS);
    }

    @Test
    void aSettingKnowsWhatIsPlannedAndWhatIsInForce() {
        Setting<Integer> pending = new Setting<>(4, 5);
        assertThat(pending.isPending()).isTrue();
        assertThat(pending).hasToString("4 (now 5)");
        assertThat(pending.applied()).isEqualTo(Setting.of(4));
        Plan plan = TestPlans.pier();
        Id<Port> a1 = Kind.PORT.id("a1");
        Plan planned = plan.with(a1, p -> p.withWire(new Setting<>(17, 3)));
        assertThat(zentrel.check.Check.run(planned).findings())
                .as("the path uses what is in force")
                .singleElement()
                .satisfies(f -> assertThat(f.text()).contains("waits for 3 (17 is planned, not in force)"));
    }
}
