package zentrel.path;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import zentrel.TestPlans;
import zentrel.demo.FernlightTrail;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.path.words.PathWords;
import zentrel.plan.*;

class SignalPathsTest {
    private static final Plan PIER = TestPlans.pier();

    private static String verdicts(Leg leg) {
        return leg.hops().stream()
                .map(h -> switch (h.verdict()) {
                    case PASSES -> "p";
                    case AT_RISK -> "r";
                    case BROKEN -> "B";
                    case NOT_KNOWN -> "?";
                    case NOT_APPLICABLE -> "-";
                })
                .collect(Collectors.joining());
    }

    private static Plan address(String adapter, String address) {
        return PIER.with(
                Kind.ADAPTER.id(adapter),
                a -> a.withAddress(
                        0, new AdapterAddress(Setting.of(HostAddress.parse(address)), AddressOrigin.MANUAL)));
    }

    @Test
    void everyLegHasTenHopsAndAHealthyOnePasses() {
        PathReport report = new SignalPaths(PIER).ofFixture(Kind.FIXTURE.id("x1"));
        assertThat(report.verdict()).isEqualTo(Verdict.PASSES);
        SignalPath path = report.paths().get(0);
        assertThat(path.source()).contains(Kind.APPLICATION.id("desk"));
        assertThat(path.receiver()).contains(Kind.PORT.id("a1"));
        assertThat(path.protocol()).isEqualTo("artnet");
        assertThat(verdicts(path.legs().get(0))).isEqualTo("pppppppppp");
        assertThat(path.hops())
                .allSatisfy(h -> assertThat(new PathWords(PIER.index()).text(h)).endsWith("."));
    }

    @Test
    void theWorstPathsComeFirstAndEquallyBadOnesAsTheyCome() {
        SignalPaths paths = new SignalPaths(FernlightTrail.draft());
        PathReport desk = paths.of(Kind.APPLICATION.id("hut-desk"));

        assertThat(desk.paths())
                .extracting(SignalPath::verdict)
                .contains(Verdict.BROKEN, Verdict.AT_RISK, Verdict.PASSES);
        assertThat(desk.worstFirst())
                .containsExactlyElementsOf(desk.paths().stream()
                        .sorted(Comparator.comparing(SignalPath::verdict).reversed())
                        .toList());
    }

    /** What a program has part in is looked up among the paths of universes and links; here all of those are gone through. */
    @Test
    void aProgramHasPartInWhatItSendsTakesAndIsLinkedBy() {
        for (Plan plan : List.of(PIER, FernlightTrail.ready(), FernlightTrail.draft())) {
            SignalPaths paths = new SignalPaths(plan);
            for (Application a : plan.applications()) {
                assertThat(paths.of(a.id()).paths())
                        .as(a.name())
                        .doesNotHaveDuplicates()
                        .containsExactlyInAnyOrderElementsOf(paths.all().stream()
                                .filter(p -> hasPartIn(plan.index(), a.id(), p))
                                .toList());
            }
        }
    }

    private static boolean hasPartIn(PlanIndex index, Id<Application> id, SignalPath path) {
        Object signal = path.signal().flatMap(index::find).orElse(null);
        return (signal instanceof Stream s && s.application().equals(id))
                || (signal instanceof ControlLink l && (l.from().equals(id) || l.to().equals(id)))
                || (signal instanceof Attachment x && (x.from().equals(id) || x.to().equals(id)))
                || (signal instanceof Session
                        && (path.source().equals(Optional.of(id))
                                || path.receiver().equals(Optional.of(id))))
                || path.receiver()
                        .flatMap(r -> r.as(Kind.PORT))
                        .filter(p -> index.applicationOf(p).id().equals(id))
                        .isPresent();
    }

    @Test
    void aNumberThatDiffersDiesByDeliveryAndIsCausedByThePort() {
        SignalPath found = only(PIER.with(Kind.PORT.id("a1"), p -> p.withWire(18)), "x1");
        assertThat(verdicts(found.legs().get(0))).isEqualTo("pppBpppBpp");
        SignalPath group = new SignalPaths(PIER.with(Kind.PORT.id("a2"), p -> p.withWire(103)))
                .ofFixture(Kind.FIXTURE.id("x3"))
                .paths()
                .get(0);
        assertThat(verdicts(group.legs().get(0))).isEqualTo("pppppBpBpp");
        SignalPath broadcast = only(PIER.with(Kind.PORT.id("b1"), p -> p.withWire(18)), "x4");
        assertThat(verdicts(broadcast.legs().get(0))).isEqualTo("pppppppBpp");
        assertThat(List.of(found, group, broadcast))
                .allSatisfy(p -> assertThat(p.issues()).allSatisfy(i -> {
                    assertThat(i.cause().is(Kind.PORT)).isTrue();
                    assertThat(i.rule()).isEqualTo("universe.off-by-one");
                }));
        assertThat(found.legs().get(0).hops().get(9).would()).isTrue();
    }

    private static SignalPath only(Plan plan, String fixture) {
        return new SignalPaths(plan).ofFixture(Kind.FIXTURE.id(fixture)).paths().get(0);
    }

    @Test
    void aStandbyAndALowerPriorityWaitBehindTheOther() {
        List<SignalPath> paths =
                new SignalPaths(PIER).ofUniverse(Kind.UNIVERSE.id("n2")).paths();
        assertThat(paths).hasSize(2);
        PathWords words = new PathWords(PIER.index());
        assertThat(words.text(paths.get(0).legs().get(0).hop(HopKind.WINS))).contains("wins over Spare desk at 80");
        assertThat(words.text(paths.get(1).legs().get(0).hop(HopKind.WINS))).contains("Desk wins with priority 100");
    }

    @Test
    void aLinkThatNeedsAnAnswerHasTwoLegs() {
        SignalPath path =
                new SignalPaths(PIER).ofLink(Kind.LINK.id("go")).paths().get(0);
        assertThat(path.legs()).hasSize(2);
        assertThat(verdicts(path.legs().get(0))).isEqualTo("pppppppppp");
        assertThat(verdicts(path.legs().get(1))).isEqualTo("ppppppppp-");
        assertThat(path.legs().get(1).from()).isEqualTo(Kind.APPLICATION.id("desk"));
    }

    @Test
    void anAnswerPortThatNobodyListensOnBreaksTheWayBackOnly() {
        Plan plan = PIER.with(Kind.LINK.id("go"), l -> l.withAnswerPort(24690))
                .with(
                        Kind.APPLICATION.id("cues"),
                        a -> a.withOsc(new OscInput(Setting.of(24691), Setting.of(true), Setting.of(true), List.of())));
        SignalPath path =
                new SignalPaths(plan).ofLink(Kind.LINK.id("go")).paths().get(0);
        assertThat(path.legs().get(0).verdict()).isEqualTo(Verdict.PASSES);
        assertThat(path.legs()
                        .get(1)
                        .firstBroken()
                        .orElseThrow()
                        .issue()
                        .orElseThrow()
                        .reason())
                .isEqualTo(Reason.ANSWER_PORT_DIFFERS);
    }

    @Test
    void reachIsJudgedBothWaysWhereAnAnswerIsNeeded() {
        // The node sees the desk, the desk does not see the node.
        SignalPath there = only(address("desk.light", "10.77.1.1/24"), "x1");
        assertThat(there.decisive().orElseThrow().issue().orElseThrow().reason())
                .isEqualTo(Reason.NO_ROUTE);
        assertThat(new PathWords(PIER.index()).text(there.decisive().orElseThrow()))
                .contains("though the way back is there");
        // The desk sees the node, the node does not see the desk: the poll arrives, the reply does not.
        SignalPath back = only(address("node-a.net", "10.77.20.3/24"), "x1");
        assertThat(back.decisive().orElseThrow().issue().orElseThrow().reason()).isEqualTo(Reason.REPLY_LOST);
    }

    @Test
    void aSourceCheckDropsWhatHasNoRouteBack() {
        Plan plan = address("node-b.net", "10.77.20.4/24")
                .with(
                        Kind.HOST.id("node-b"),
                        h -> new Host(
                                h.id(),
                                h.name(),
                                h.kind(),
                                h.place(),
                                h.system(),
                                h.profile(),
                                h.adapters(),
                                h.firewall(),
                                SourceCheck.LOOSE))
                .with(
                        Kind.STREAM.id("s3"),
                        s -> s.withDelivery(Delivery.UNICAST, List.of(Ipv4Address.parse("10.77.20.4"))));
        assertThat(only(plan, "x4").issues().map(Issue::reason)).contains(Reason.SOURCE_CHECK);
    }

    @Test
    void twoProgramsOnOneComputerHaveNoCable() {
        String json = """
                {"zentrel-plan":1,"hosts":[{"id":"pc","kind":"computer"}],
                 "applications":[{"id":"con","host":"pc","bindings":{"sacn-send":"loopback"}},{"id":"pre","host":"pc","bindings":{"sacn-listen":"loopback"}}],
                 "universes":[{"id":"u","number":4}],
                 "streams":[{"id":"s","application":"con","universe":"u","protocol":"sacn"}],
                 "receivers":[{"id":"rx","application":"pre","ports":[{"id":"p","kind":"internal","protocol":"sacn","wire":4,"universe":"u"}]}],
                 "fixtures":[{"id":"f","breaks":[{"universe":"u","start":3}]}]}
                """;
        SignalPath path = only(TestPlans.read(json.getBytes(java.nio.charset.StandardCharsets.UTF_8)), "f");
        assertThat(verdicts(path.legs().get(0))).isEqualTo("pppp-ppppp");
    }

    @Test
    void everyReasonHasOnePlaceAndItsCodeIsItsOwn() {
        assertThat(Arrays.stream(Reason.values()).map(Reason::code).distinct()).hasSize(Reason.values().length);
        for (Reason reason : Reason.values()) {
            assertThat(Reason.of(reason.code())).contains(reason);
            assertThat(zentrel.check.RuleBook.find(reason.rule()))
                    .as(reason.code())
                    .isPresent();
        }
    }

    @Test
    void whateverIsChosenHasItsPaths() {
        Plan plan = FernlightTrail.draft();
        SignalPaths paths = new SignalPaths(plan);
        for (Id<?> id : plan.index().ids()) {
            assertThat(paths.of(id).paths())
                    .allSatisfy(p -> p.legs().forEach(l -> assertThat(l.hops()).hasSize(10)));
        }
        assertThatThrownBy(() -> paths.of(Kind.HOST.id("nobody"))).hasMessageContaining("nobody");
        assertThat(paths.of(Kind.FIXTURE.id("f501")).verdict()).isEqualTo(Verdict.BROKEN);
        assertThat(paths.ofFixture(Kind.FIXTURE.id("f501"))
                        .paths()
                        .get(0)
                        .legs()
                        .get(0)
                        .firstBroken()
                        .map(h -> h.kind().number()))
                .isEqualTo(Optional.of(4));
    }
}
