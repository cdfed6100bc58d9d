package zentrel.app.flow;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;
import zentrel.app.flow.FlowModel.Bundle;
import zentrel.app.flow.FlowView.Fold;
import zentrel.check.Check;
import zentrel.demo.FernlightTrail;
import zentrel.path.Verdict;
import zentrel.plan.Host;
import zentrel.plan.Id;
import zentrel.plan.Plan;

/** What of the flow is shown: nothing is lost by folding, nothing else is left by filtering, and order takes crossings away. */
class FlowViewTest {
    private static final FlowModel DRAFT = FlowModel.of(Check.run(FernlightTrail.draft()));

    private static Set<Id<?>> signals(List<Bundle> bundles) {
        Set<Id<?>> all = new HashSet<>();
        bundles.forEach(b -> all.addAll(b.signals()));
        return all;
    }

    private static void hangsTogether(FlowModel m) {
        Set<Id<?>> ends = new HashSet<>();
        m.senders().forEach(s -> ends.add(s.id()));
        m.takers().forEach(t -> ends.add(t.id()));
        Set<Id<?>> carriers = new HashSet<>();
        m.carriers().forEach(c -> carriers.add(c.id()));
        for (List<Bundle> bundles : List.of(m.in(), m.out())) {
            assertThat(bundles).allSatisfy(b -> {
                assertThat(ends).contains(b.end());
                assertThat(carriers).contains(b.carrier());
                assertThat(b.signals()).isNotEmpty();
            });
        }
    }

    @ParameterizedTest
    @EnumSource(Fold.class)
    void foldingLosesNothing(Fold fold) {
        FlowModel folded = FlowView.ALL.folded(fold).of(DRAFT);
        hangsTogether(folded);
        assertThat(signals(folded.in())).isEqualTo(signals(DRAFT.in()));
        assertThat(signals(folded.out())).isEqualTo(signals(DRAFT.out()));
        assertThat(folded.takers().stream().mapToInt(FlowModel.Taker::fixtures).sum())
                .isEqualTo(DRAFT.takers().stream()
                        .mapToInt(FlowModel.Taker::fixtures)
                        .sum());
        assertThat(folded.takers().stream().mapToInt(FlowModel.Taker::dark).sum())
                .isEqualTo(
                        DRAFT.takers().stream().mapToInt(FlowModel.Taker::dark).sum());
        assertThat(folded.takers().stream().mapToInt(t -> t.members().size()).sum())
                .isEqualTo(DRAFT.takers().size());
        Set<Id<?>> members = new HashSet<>();
        folded.takers().forEach(t -> members.addAll(t.members()));
        folded.senders().forEach(s -> members.addAll(s.members()));
        Set<Id<?>> all = new HashSet<>();
        DRAFT.takers().forEach(t -> all.add(t.id()));
        DRAFT.senders().forEach(s -> all.add(s.id()));
        assertThat(members).isEqualTo(all);
    }

    @Test
    void aGroupOpensAndFoldsAgain() {
        FlowView byKind = FlowView.ALL.folded(Fold.KIND);
        FlowModel folded = byKind.of(DRAFT);
        FlowModel.Taker nodes = folded.takers().stream()
                .filter(FlowModel.Taker::isFolded)
                .findFirst()
                .orElseThrow();
        assertThat(nodes.name()).isEqualTo("node");
        assertThat(nodes.line()).matches("\\d+ of \\d+ ports");
        FlowModel opened = byKind.unfolding(nodes.name()).of(DRAFT);
        assertThat(opened.takers()).extracting(FlowModel.Taker::id).containsAll(nodes.members());
        assertThat(byKind.unfolding("node").unfolding("node").of(DRAFT)).isEqualTo(folded);
    }

    /** Many boxes are folded without being asked: by place, and by kind where all stand in one place. */
    @Test
    void manyAreFoldedOfThemselves() {
        assertThat(FlowView.ALL.of(DRAFT)).as("a score of boxes is not many").isEqualTo(DRAFT);
        Plan many = BigRig.of(60, 6);
        FlowModel folded = FlowView.ALL.of(FlowModel.of(Check.run(many)));
        assertThat(folded.takers()).hasSize(6).allMatch(t -> t.name().startsWith("Yard "));
        assertThat(folded.takers()).extracting(FlowModel.Taker::address).containsOnly("10 that take");
        FlowModel together = FlowView.ALL.of(FlowModel.of(Check.run(BigRig.of(60, 1))));
        assertThat(together.takers())
                .singleElement()
                .satisfies(t -> assertThat(t.name()).isEqualTo("node"));
    }

    @ParameterizedTest
    @ValueSource(strings = {"artnet", "sacn", "osc"})
    void onlyOneProtocolIsOnlyThat(String protocol) {
        FlowModel only = FlowView.ALL.withProtocol(Optional.of(protocol)).of(DRAFT);
        hangsTogether(only);
        assertThat(only.in()).isNotEmpty().allMatch(b -> b.protocol().equals(protocol));
        assertThat(only.out()).isNotEmpty().allMatch(b -> b.protocol().equals(protocol));
        assertThat(only.in())
                .containsAll(DRAFT.in().stream()
                        .filter(b -> b.protocol().equals(protocol))
                        .toList());
    }

    @Test
    void onlyWhatIsWrongIsOnlyThat() {
        FlowModel wrong = FlowView.ALL.withWrong(true).of(DRAFT);
        hangsTogether(wrong);
        assertThat(wrong.in()).isNotEmpty().allMatch(b -> b.verdict().compareTo(Verdict.AT_RISK) >= 0);
        assertThat(signals(wrong.out())).isEqualTo(signals(wrong.in()));
        assertThat(FlowView.ALL
                        .withWrong(true)
                        .of(FlowModel.of(Check.run(FernlightTrail.ready())))
                        .takers())
                .isEmpty();
    }

    @Test
    void oneSegmentAndOnePlace() {
        Id<?> control = DRAFT.carriers().get(1).id();
        FlowModel segment = FlowView.ALL.withCarrier(Optional.of(control)).of(DRAFT);
        assertThat(segment.carriers()).extracting(FlowModel.Carrier::id).containsExactly(control);
        hangsTogether(segment);
        FlowModel place = FlowView.ALL.withPlace(Optional.of("Boathouse")).of(DRAFT);
        hangsTogether(place);
        assertThat(place.takers()).isNotEmpty().allMatch(t -> t.place().equals("Boathouse"));
    }

    @Test
    void aBundleOpensToSingleUniverses() {
        Bundle nine =
                DRAFT.out().stream().filter(b -> b.width() == 9).findFirst().orElseThrow();
        FlowModel opened = FlowView.ALL.opening(nine.key()).of(DRAFT);
        List<Bundle> single =
                opened.out().stream().filter(b -> b.key().equals(nine.key())).toList();
        assertThat(single).hasSize(9).allMatch(b -> b.width() == 1);
        assertThat(signals(single)).isEqualTo(new HashSet<>(nine.signals()));
        assertThat(FlowView.ALL.opening(nine.key()).opening(nine.key()).of(DRAFT))
                .isEqualTo(DRAFT);
    }

    // --- order ---

    @ParameterizedTest(name = "{0} boxes")
    @ValueSource(ints = {8, 20, 45, 120})
    void theOrderTakesCrossingsAwayAndLosesNothing(int boxes) {
        FlowModel mixed = FlowModel.of(Check.run(BigRig.crossed(boxes)));
        FlowModel arranged = FlowOrder.arranged(mixed);
        assertThat(FlowOrder.crossings(arranged)).isLessThanOrEqualTo(FlowOrder.crossings(mixed));
        assertThat(arranged.senders()).containsExactlyInAnyOrderElementsOf(mixed.senders());
        assertThat(arranged.takers()).containsExactlyInAnyOrderElementsOf(mixed.takers());
        assertThat(arranged.carriers()).containsExactlyInAnyOrderElementsOf(mixed.carriers());
        assertThat(FlowOrder.arranged(mixed)).as("the same picture every time").isEqualTo(arranged);
        assertThat(FlowOrder.arranged(arranged)).as("a good order stays").isEqualTo(arranged);
    }

    @Test
    void whatWasShownStaysWhereItWas() {
        FlowModel arranged = FlowOrder.arranged(DRAFT);
        FlowModel again = FlowOrder.like(DRAFT, arranged);
        assertThat(again.takers()).isEqualTo(arranged.takers());
        assertThat(again.senders()).isEqualTo(arranged.senders());
    }

    @Test
    void kindsOfBoxesAreWords() {
        Set<String> kinds = new HashSet<>();
        for (Host h : FernlightTrail.draft().hosts()) {
            kinds.add(h.kind().word().replace('-', ' '));
        }
        assertThat(DRAFT.takers()).allMatch(t -> kinds.contains(t.kind()));
    }
}
