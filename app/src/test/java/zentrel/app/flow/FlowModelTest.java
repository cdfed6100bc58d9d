package zentrel.app.flow;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import zentrel.check.Check;
import zentrel.demo.FernlightTrail;
import zentrel.gear.Library;
import zentrel.path.Verdict;
import zentrel.pattern.Pattern;
import zentrel.pattern.Patterns;
import zentrel.plan.Id;
import zentrel.plan.Kind;
import zentrel.plan.Plan;
import zentrel.plan.Port;

/** What the Flow stage shows, without its nodes. */
class FlowModelTest {
    private static FlowModel of(Plan plan) {
        return FlowModel.of(Check.run(plan));
    }

    private static int width(List<FlowModel.Bundle> bundles, java.util.function.Predicate<FlowModel.Bundle> which) {
        return bundles.stream().filter(which).mapToInt(FlowModel.Bundle::width).sum();
    }

    @Test
    void theReadyRigIsWhollyWell() {
        FlowModel model = of(FernlightTrail.ready());
        assertThat(model.in()).allMatch(b -> b.verdict() == Verdict.PASSES);
        assertThat(model.takers()).allMatch(t -> t.dark() == 0);
        assertThat(model.carriers()).extracting(FlowModel.Carrier::name).containsExactly("Stream", "Control");
        assertThat(model.senders())
                .extracting(FlowModel.Sender::name)
                .contains("Hut desk", "Backup desk", "Cue player");
        assertThat(model.summary())
                .isEqualTo("24 universes · 23 reach their fixtures · width is the number of universes");
    }

    @Test
    void aRibbonIsAsWideAsTheUniversesInIt() {
        FlowModel model = of(FernlightTrail.ready());
        Id<?> desk = model.senders().stream()
                .filter(s -> s.name().equals("Hut desk"))
                .map(FlowModel.Sender::id)
                .findFirst()
                .orElseThrow();
        assertThat(width(model.out(), b -> b.end().equals(desk) && b.protocol().equals("artnet")))
                .isEqualTo(9);
        assertThat(width(model.out(), b -> b.end().equals(desk) && b.protocol().equals("sacn")))
                .isEqualTo(14);
    }

    @Test
    void everyRibbonHasItsTwoEnds() {
        for (Plan plan : List.of(FernlightTrail.draft(), FernlightTrail.ready())) {
            FlowModel model = of(plan);
            Set<Id<?>> senders = new HashSet<>();
            model.senders().forEach(s -> senders.add(s.id()));
            Set<Id<?>> takers = new HashSet<>();
            model.takers().forEach(t -> takers.add(t.id()));
            Set<Id<?>> carriers = new HashSet<>();
            model.carriers().forEach(c -> carriers.add(c.id()));
            assertThat(model.out()).allMatch(b -> senders.contains(b.end()) && carriers.contains(b.carrier()));
            assertThat(model.in()).allMatch(b -> takers.contains(b.end()) && carriers.contains(b.carrier()));
            assertThat(model.out()).allMatch(b -> b.width() > 0);
        }
    }

    @Test
    void aPortThatIsOneOutDarkensItsFixturesOnly() {
        Plan ready = FernlightTrail.ready();
        Id<Port> port = Kind.PORT.id("boathouse-node.p1");
        Plan faulty = ready.with(port, p -> p.withWire(p.wire().orElseThrow().inForce() + 1));
        FlowModel model = of(faulty);
        FlowModel.Taker boathouse = model.takers().stream()
                .filter(t -> t.name().equals("Boathouse node"))
                .findFirst()
                .orElseThrow();
        assertThat(boathouse.dark()).isPositive().isLessThan(boathouse.fixtures());
        assertThat(model.takers().stream()
                        .filter(t -> !t.id().equals(boathouse.id()) && !t.name().contains("previs"))
                        .allMatch(t -> t.dark() == 0))
                .isTrue();
        assertThat(model.in().stream().filter(b -> b.verdict() == Verdict.BROKEN))
                .allMatch(b -> b.end().equals(boathouse.id()));
    }

    @Test
    void anEmptyPlanGivesAnEmptyPicture() {
        FlowModel model = of(Plan.EMPTY);
        assertThat(model.senders()).isEmpty();
        assertThat(model.takers()).isEmpty();
        assertThat(model.out()).isEmpty();
    }

    @Test
    void everyPatternCanBeDrawn() {
        Library library = Library.shipped();
        for (Pattern pattern : Patterns.all()) {
            FlowModel model = of(pattern.build(library, java.util.Map.of()));
            assertThat(model.in().stream().filter(b -> b.verdict() == Verdict.BROKEN))
                    .as(pattern.title())
                    .isEmpty();
        }
    }
}
