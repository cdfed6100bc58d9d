package zentrel.routing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import zentrel.TestPlans;
import zentrel.check.Check;
import zentrel.check.RandomPlans;
import zentrel.command.Commands;
import zentrel.command.Offer;
import zentrel.demo.FernlightTrail;
import zentrel.gear.Library;
import zentrel.path.SignalPaths;
import zentrel.path.Verdict;
import zentrel.plan.*;
import zentrel.profile.Direction;
import zentrel.profile.PortKind;
import zentrel.profile.Protocol;

/** A run of universes to a run of ports: what goes where arrives there, and what cannot is refused with a sentence. */
class RangeRoutesTest {
    private static final Id<Application> DESK = Kind.APPLICATION.id("desk0");

    /** A rig with a spare node of so many ports, whichever protocol they are set to. */
    private static Plan withSpare(long seed, int ports) {
        Plan rig = RandomPlans.healthy(seed)
                .with(Kind.LINE, List.of())
                .with(Kind.FIXTURE, List.of())
                .with(Kind.CABLE, List.of());
        return rig.with(
                rig.receivers().get(0).id(),
                r -> r.withPorts(IntStream.rangeClosed(1, ports)
                        .mapToObj(i -> new Port(
                                Kind.PORT.id("spare" + i),
                                "Spare " + i,
                                PortKind.DMX,
                                Setting.of(Direction.INPUT),
                                Setting.of(false),
                                Setting.of(i % 2 == 0 ? Protocol.ARTNET : Protocol.SACN),
                                Optional.empty(),
                                Optional.empty()))
                        .toList()));
    }

    @ParameterizedTest(name = "rig {0}")
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8, 9, 10})
    void eachArrivesAtItsPort(long seed) {
        Plan rig = withSpare(seed, 12);
        List<Id<Universe>> all = rig.universes().stream().map(Universe::id).toList();
        RangeRoutes routed = RangeRoutes.of(rig, DESK, all, Kind.PORT.id("spare3"));
        Plan after = routed.edit().applyTo(rig);
        assertThat(routed.lines()).hasSameSizeAs(all).allMatch(l -> l.endsWith("."));
        SignalPaths paths = new SignalPaths(after);
        for (int i = 0; i < all.size(); i++) {
            Id<Port> port = Kind.PORT.id("spare" + (i + 3));
            assertThat(after.index().universesOf(port)).containsExactly(all.get(i));
            assertThat(paths.of(port).paths())
                    .as(routed.lines().get(i))
                    .filteredOn(p -> p.source().equals(Optional.of(DESK)))
                    .isNotEmpty()
                    .allMatch(p -> p.verdict() == Verdict.PASSES);
        }
        assertThat(after.streams()).as("nothing new where it was sent already").hasSameSizeAs(rig.streams());
    }

    /** A source that does not send it yet begins to, by a protocol that the receiver takes. */
    @ParameterizedTest
    @CsvSource({"ARTNET, FOUND", "SACN, MULTICAST"})
    void whoDoesNotSendItBeginsTo(Protocol only, Delivery delivery) {
        Plan rig = withSpare(3, 4);
        Receiver spare = rig.receivers().get(0);
        rig = rig.with(
                        spare.id(),
                        r -> new Receiver(
                                r.id(),
                                r.name(),
                                r.application(),
                                java.util.Set.of(only),
                                r.inputOn(),
                                true,
                                r.merge(),
                                r.ports()))
                .with(Kind.STREAM, List.of());
        Id<Universe> first = rig.universes().get(0).id();
        RangeRoutes routed = RangeRoutes.of(rig, DESK, List.of(first), Kind.PORT.id("spare1"));
        assertThat(routed.lines().get(0)).contains("Desk 0 begins to send it");
        Plan after = routed.edit().applyTo(rig);
        assertThat(after.streams()).singleElement().satisfies(s -> {
            assertThat(s.protocol()).isEqualTo(only);
            assertThat(s.delivery()).isEqualTo(delivery);
        });
        assertThat(new SignalPaths(after).of(Kind.PORT.id("spare1")).verdict()).isEqualTo(Verdict.PASSES);
    }

    @Test
    void tooFewPortsAreSaidAndNothingIsHalfDone() {
        Plan rig = withSpare(8, 3);
        List<Id<Universe>> all =
                rig.universes().stream().map(Universe::id).limit(3).toList();
        assertThatThrownBy(() -> RangeRoutes.of(rig, DESK, all, Kind.PORT.id("spare2")))
                .hasMessageMatching(
                        ".* has 2 ports from Spare 2 on, and " + all.size() + " universes are to go there\\.");
        assertThatThrownBy(() -> RangeRoutes.of(rig, DESK, List.of(), Kind.PORT.id("spare2")))
                .hasMessageContaining("Choose the universes");
        Plan far =
                rig.with(Kind.STREAM, List.of()).with(all.get(0), u -> new Universe(u.id(), u.name(), 900_000, false));
        assertThatThrownBy(() -> RangeRoutes.of(far, DESK, all.subList(0, 1), Kind.PORT.id("spare1")))
                .hasMessageContaining("would be sACN 900000");
    }

    @Test
    void whatWasThereIsNamed() {
        Plan pier = TestPlans.pier();
        RangeRoutes routed =
                RangeRoutes.of(pier, Kind.APPLICATION.id("desk"), List.of(Kind.UNIVERSE.id("n3")), Kind.PORT.id("a2"));
        assertThat(routed.lines())
                .containsExactly(
                        "U3 Lamps goes to Port 2 of Node A as Art-Net 19, where its screen shows 19, instead of U2.");
        assertThat(Check.run(routed.edit().applyTo(pier)).findings())
                .as("the hall's fixtures hang on a port of another universe now")
                .anyMatch(f -> f.rule().equals("patch.line-differs"));
    }

    @ParameterizedTest(name = "{0}")
    @CsvSource(
            delimiter = '|',
            value = {
                "1-3 | 1 2 3",
                "U1-U3 | 1 2 3",
                "2, 1 | 2 1",
                "u2 to u3, 1 | 2 3 1",
                "2–3 | 2 3",
                "1-9 | There are 3 universes, and 1–9 would be 9.",
                "4 | The plan has no universe 4.",
                "3-1 | A range runs upwards: 3 to 1 does not.",
                "a-b | \"a-b\" is no range of universes; write 1-64, or several with commas between."
            })
    void universesAsTyped(String typed, String expected) {
        Plan pier = TestPlans.pier();
        if (expected.matches("[\\d ]+")) {
            assertThat(RangeRoutes.universes(pier, typed))
                    .extracting(u -> String.valueOf(pier.index().universe(u).number()))
                    .containsExactly(expected.split(" "));
        } else {
            assertThatThrownBy(() -> RangeRoutes.universes(pier, typed)).hasMessage(expected);
        }
    }

    /** "These nine from the hut console to the pergola controller's outputs", as a line of words. */
    @Test
    void aRunByWords() {
        Plan ready = FernlightTrail.ready();
        List<Offer> offers = new Commands(ready, Library.shipped(), null).offers("route U1-U4 hut to pergola");
        assertThat(offers).isNotEmpty();
        assertThat(offers.get(0).text()).startsWith("Route U1-4 of Hut desk to Pergola controller, from ");
        Plan after = offers.get(0).work().get().edit().applyTo(ready);
        assertThat(after.index().portsOf(ready.universes().get(0).id()).stream()
                        .map(p -> after.index().receiverOf(p.id()).name()))
                .contains("Pergola controller");
    }
}
