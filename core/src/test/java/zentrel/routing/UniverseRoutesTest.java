package zentrel.routing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import org.junit.jupiter.api.Test;
import zentrel.TestPlans;
import zentrel.check.Check;
import zentrel.check.Finding;
import zentrel.demo.FernlightTrail;
import zentrel.plan.*;
import zentrel.profile.Protocol;
import zentrel.table.LeftOut;
import zentrel.table.TextTable;

/** Universes routed, renumbered and told in tables. */
class UniverseRoutesTest {
    @Test
    void whatIsExportedChangesNothing() {
        for (Plan plan : List.of(FernlightTrail.ready(), FernlightTrail.draft(), TestPlans.pier())) {
            TextTable out = RoutingTable.of(plan);
            for (TextTable in : List.of(TextTable.parse(out.csv()), TextTable.workbook(out.workbook("Routes")))) {
                RoutingTable.Taken taken = RoutingTable.take(plan, in);
                assertThat(taken.changes()).isEmpty();
                assertThat(taken.leftOut()).isEmpty();
                assertThat(taken.same()).isEqualTo(out.rows().size() - 1);
                assertThat(taken.edit().applyTo(plan)).isEqualTo(plan);
            }
        }
    }

    @Test
    void everyRowThatIsLeftOutSaysWhy() {
        Plan pier = TestPlans.pier();
        RoutingTable.Taken taken = RoutingTable.take(pier, TextTable.parse("""
                        Receiver;Port;Protocol;Number;On
                        Node C;Port 1;sACN;901;yes
                        Node C;Port 1;sACN;902;yes
                        Node A;Port 1;Art-Net;40000;yes
                        Node A;Port 1;Cables;4;yes
                        Node A;Port 7;sACN;4;yes
                        Node A;Port 1;Art-Net;17;perhaps
                        Node B;Port 1;Art-Net;19;yes
                        """));
        assertThat(taken.changes()).containsExactly("Port 1 of Node C: sACN 900, off becomes sACN 901");
        assertThat(taken.same()).isEqualTo(1);
        assertThat(taken.leftOut())
                .extracting(LeftOut::text)
                .containsExactly(
                        "Row 3: an earlier row is about this port already",
                        "Row 4: \"40000\" is no number of Art-Net, which goes from 0 to 32767",
                        "Row 5: \"Cables\" is no protocol; write Art-Net or sACN",
                        "Row 6: the plan has no port \"Port 7\" at \"Node A\"",
                        "Row 7: \"perhaps\" does not say whether it is on; write yes or no");
        assertThatThrownBy(() -> RoutingTable.take(pier, TextTable.parse("a,b\n1,2\n")))
                .hasMessageStartingWith("No columns say which port a row is about");
    }

    /** Both ends move together, so all that arrived arrives; and back again it is the plan that it was. */
    @Test
    void aRangeIsRenumberedEverywhere() {
        Plan ready = FernlightTrail.ready();
        for (Protocol protocol : List.of(Protocol.ARTNET, Protocol.SACN)) {
            int first = protocol.firstNumber();
            int to = protocol == Protocol.ARTNET ? 1024 : 1001; // a Sub-Net of its own, for pages have one
            NumberShift moved = NumberShift.of(ready, protocol, first, first + 15, to);
            assertThat(moved.lines()).isNotEmpty();
            Plan after = moved.edit().applyTo(ready);
            assertThat(Check.run(after).findings())
                    .extracting(Finding::id)
                    .as("nothing new is wrong")
                    .isSubsetOf(Check.run(ready).findings().stream()
                            .map(Finding::id)
                            .toList());
            Plan back =
                    NumberShift.of(after, protocol, to, to + 15, first).edit().applyTo(after);
            assertThat(RoutingTable.of(back)).isEqualTo(RoutingTable.of(ready));
        }
        Plan split = NumberShift.of(ready, Protocol.ARTNET, 1, 12, 1001).edit().applyTo(ready);
        assertThat(Check.run(split).findings()).anyMatch(f -> f.rule().equals("port.page"));
        assertThatThrownBy(() -> NumberShift.of(ready, Protocol.ARTNET, 1, 12, 32_767))
                .hasMessageContaining("Art-Net has no universe 327");
        assertThatThrownBy(() -> NumberShift.of(TestPlans.pier(), Protocol.ARTNET, 17, 17, 19))
                .hasMessage("Art-Net 19 is another universe's already; 17 cannot go there.");
        assertThatThrownBy(() -> NumberShift.of(ready, Protocol.SACN, 9, 2, 1)).hasMessageContaining("9 is after 2");
    }

    /** Universes whose ports were taken away find free ones, on pages of their own Sub-Net, and all is as it was. */
    @Test
    void whatIsUsedAndNotRoutedFindsFreePorts() {
        Plan pier = TestPlans.pier();
        Plan bare = pier.with(
                        Kind.PORT.id("b1"),
                        p -> p.withUniverse(java.util.Optional.empty()).withEnabled(false))
                .with(
                        Kind.FIXTURE,
                        pier.fixtures().stream()
                                .map(f -> f.id().value().equals("x4") ? f.withLine(java.util.Optional.empty()) : f)
                                .toList());
        AutoRoutes routed = AutoRoutes.of(bare);
        assertThat(routed.lines())
                .hasSize(1)
                .first()
                .satisfies(l -> assertThat(l).startsWith("U3 Lamps goes to Port 1 of "));
        assertThat(routed.left()).isEmpty();
        Plan after = routed.edit().applyTo(bare);
        assertThat(AutoRoutes.of(after).lines())
                .as("and then nothing is left to do")
                .isEmpty();
        assertThat(AutoRoutes.of(pier).lines()).isEmpty();
    }

    /** Whole pixels in a universe: 512 / 3 = 170, 512 / 4 = 128. 3060 RGB pixels on five outputs are 612 each, 1836 channels, so 4 universes an output and 20
     * in all (common practice, no source). */
    /** There and back: nothing is wrong on the way, and all who send or take a universe went together. */
    @Test
    void aSourceMovesToTheOtherProtocolWithAllThatFollows() {
        Plan ready = FernlightTrail.ready();
        List<String> before =
                Check.run(ready).findings().stream().map(Finding::id).toList();
        Id<Application> desk = Kind.APPLICATION.id("hut-desk");
        SwitchingProtocol moved = SwitchingProtocol.of(ready, desk, Protocol.SACN);
        assertThat(moved.lines()).isNotEmpty();
        Plan sacn = moved.edit().applyTo(ready);
        assertThat(sacn.index().streamsFrom(desk)).noneMatch(s -> s.protocol() == Protocol.ARTNET);
        assertThat(Check.run(sacn).findings()).extracting(Finding::id).isSubsetOf(before);
        assertThat(sacn.index().streamsFrom(desk))
                .allMatch(s -> sacn.index().wireOf(s).orElseThrow()
                        == sacn.index().universe(s.universe()).number());
        Plan back = SwitchingProtocol.of(sacn, desk, Protocol.ARTNET).edit().applyTo(sacn);
        assertThat(back.index().streamsFrom(desk)).allMatch(s -> s.protocol() == Protocol.ARTNET);
        assertThat(Check.run(back).findings())
                .extracting(Finding::rule)
                .as("pages have one Sub-Net, and that is told")
                .containsAnyOf("universe.no-receiver", "port.page");
    }

    @Test
    void theAdviceNamesWhatDecides() {
        ProtocolAdvice desk = ProtocolAdvice.of(TestPlans.pier()).get(0);
        assertThat(desk.better()).isEqualTo(Protocol.SACN);
        assertThat(desk.reasons().get(0)).startsWith("Another source sends the same universes");
        Plan deaf = TestPlans.pier()
                .with(
                        Kind.RECEIVER,
                        TestPlans.pier().receivers().stream()
                                .map(r -> r.name().equals("Node B")
                                        ? new Receiver(
                                                r.id(),
                                                r.name(),
                                                r.application(),
                                                java.util.Set.of(Protocol.ARTNET),
                                                r.inputOn(),
                                                r.answersPolls(),
                                                r.merge(),
                                                r.ports())
                                        : r)
                                .toList());
        ProtocolAdvice only = ProtocolAdvice.of(deaf).get(0);
        assertThat(only.better()).isEqualTo(Protocol.ARTNET);
        assertThat(only.reasons().get(0))
                .isEqualTo("Only Art-Net reaches every receiver: Node B does not receive sACN.");
        assertThat(only.sides().get(0).packets())
                .as("one packet a universe")
                .isEqualTo(3 * deaf.streams().get(0).ratePerSecond());
    }

    @Test
    void pagesAreAsTheProfileSays() {
        Plan pier = TestPlans.pier();
        Receiver a = pier.receivers().get(0);
        assertThat(PortPages.of(pier, a)).containsExactly(a.ports());
    }
}
