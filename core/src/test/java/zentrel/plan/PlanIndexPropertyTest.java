package zentrel.plan;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import zentrel.check.RandomPlans;
import zentrel.file.LoadedPlan;
import zentrel.file.PlanReader;
import zentrel.file.PlanWriter;
import zentrel.gear.PlanRemoval;

/** Lookups worked out on top of those before an edit are those of the same plan read from a file. */
class PlanIndexPropertyTest {
    static java.util.stream.LongStream seeds() {
        return java.util.stream.LongStream.rangeClosed(1, 40);
    }

    private static void agree(Plan plan) throws Exception {
        Plan fresh = PlanReader.read(PlanWriter.write(LoadedPlan.of(plan))).plan();
        PlanIndex ours = plan.index();
        PlanIndex theirs = fresh.index();
        assertThat(ours.ids()).isEqualTo(theirs.ids());
        for (Id<?> id : theirs.ids()) {
            assertThat(ours.find(id)).isEqualTo(theirs.find(id));
            assertThat(ours.name(id)).isEqualTo(theirs.name(id));
            assertThat(ours.cablesOf(id)).isEqualTo(theirs.cablesOf(id));
        }
        for (Segment s : fresh.segments()) {
            assertThat(ours.adaptersOn(s.id())).isEqualTo(theirs.adaptersOn(s.id()));
        }
        for (Host h : fresh.hosts()) {
            assertThat(ours.applicationsOn(h.id())).isEqualTo(theirs.applicationsOn(h.id()));
            h.adapters().forEach(a -> assertThat(ours.hostOf(a.id())).isEqualTo(theirs.hostOf(a.id())));
        }
        for (Application a : fresh.applications()) {
            assertThat(ours.streamsFrom(a.id())).isEqualTo(theirs.streamsFrom(a.id()));
            assertThat(ours.receiversOf(a.id())).isEqualTo(theirs.receiversOf(a.id()));
            assertThat(ours.partOf(a.id())).isEqualTo(theirs.partOf(a.id()));
        }
        for (Universe u : fresh.universes()) {
            assertThat(ours.streamsOf(u.id())).isEqualTo(theirs.streamsOf(u.id()));
            assertThat(ours.portsOf(u.id())).isEqualTo(theirs.portsOf(u.id()));
            assertThat(ours.fixturesIn(u.id())).isEqualTo(theirs.fixturesIn(u.id()));
            assertThat(fresh.universes().get(ours.placeOf(u.id()))).isEqualTo(u);
        }
        for (Receiver r : fresh.receivers()) {
            for (Port p : r.ports()) {
                assertThat(ours.receiverOf(p.id())).isEqualTo(theirs.receiverOf(p.id()));
                assertThat(ours.universesOf(p.id())).isEqualTo(theirs.universesOf(p.id()));
                assertThat(ours.linesOf(p.id())).isEqualTo(theirs.linesOf(p.id()));
            }
        }
        fresh.lines().forEach(l -> assertThat(ours.fixturesOn(l.id())).isEqualTo(theirs.fixturesOn(l.id())));
        fresh.streams().forEach(s -> assertThat(ours.wireOf(s)).isEqualTo(theirs.wireOf(s)));
    }

    /** Edit upon edit, some looked up in between and some not. */
    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void onTopOfWhatWas(long seed) throws Exception {
        Random random = new Random(seed);
        Plan plan = RandomPlans.rig(seed);
        plan.index();
        for (int edit = 0; edit < 8; edit++) {
            plan = RandomPlans.mistake(plan, random);
            if (random.nextBoolean()) {
                agree(plan);
            }
        }
        agree(plan);
    }

    /** What is removed is gone, with all that hung on it, and may come back. */
    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void whatIsRemovedIsGone(long seed) throws Exception {
        Random random = new Random(seed);
        Plan plan = RandomPlans.rig(seed);
        plan.index();
        while (plan.hosts().size() > 1) {
            Host host = plan.hosts().get(random.nextInt(plan.hosts().size()));
            Plan before = plan;
            plan = PlanRemoval.of(plan, List.of(host.id())).edit().applyTo(plan);
            assertThat(plan.index().find(host.id())).isEmpty();
            agree(plan);
            Plan back = plan.with(Kind.HOST, before.hosts())
                    .with(Kind.APPLICATION, before.applications())
                    .with(Kind.RECEIVER, before.receivers());
            assertThat(back.index().find(host.id())).contains(host);
            host.adapters().forEach(a -> assertThat(back.index().find(a.id())).contains(a));
        }
    }

    /** After thousands of edits everything is looked up anew once, and nothing shows of it. */
    @Test
    void manyEditsAreAsOne() throws Exception {
        Plan plan = RandomPlans.healthy(7);
        Universe first = plan.universes().get(0);
        for (int i = 0; i < 2500; i++) {
            int number = i;
            plan = plan.with(first.id(), u -> new Universe(u.id(), "Edit " + number, u.number(), u.merge()));
            if (i % 100 == 0) {
                plan = plan.with(
                        Kind.UNIVERSE,
                        java.util.stream.Stream.concat(
                                        plan.universes().stream(),
                                        java.util.stream.Stream.of(new Universe(
                                                Kind.UNIVERSE.id("more" + number), "More", 1000 + number, false)))
                                .toList());
            }
            assertThat(plan.index().universe(first.id()).name()).isEqualTo("Edit " + number);
        }
        agree(plan);
    }
}
