package zentrel.standin;

import static java.util.concurrent.TimeUnit.SECONDS;
import static org.assertj.core.api.Assertions.assertThat;
import static org.awaitility.Awaitility.await;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CopyOnWriteArrayList;
import org.junit.jupiter.api.Test;
import zentrel.demo.FernlightTrail;
import zentrel.ipv4.Ipv4Address;
import zentrel.net.OutputGuard;
import zentrel.net.real.RealNet;
import zentrel.packet.artnet.ArtPollReply;
import zentrel.plan.ControlLink;
import zentrel.plan.Kind;
import zentrel.plan.Plan;
import zentrel.profile.Protocol;

/** The stand-ins of a plan on loopback. */
class PlanRunTest {
    @Test
    void theReadyDemoLightsItsFixtureAndFiresItsCue() throws Exception {
        Plan plan = FernlightTrail.ready();
        List<StandinEvent> atDesk = new CopyOnWriteArrayList<>();
        OutputGuard guard = new OutputGuard(OutputGuard.State.ASK);
        try (PlanRun run = PlanRun.start(plan, guard, (app, e) -> {
            if (app.equals(Kind.APPLICATION.id("hut-desk"))) {
                atDesk.add(e);
            }
        })) {
            assertThat(run.notModelled())
                    .allMatch(n -> n.what() == NotModelled.What.LOSS); // nobody has said what the nodes do then
            ControlLink go = plan.index().get(Kind.LINK.id("go-link"));
            assertThat(run.sendCue(go, List.of())).as("not armed").isFalse();
            guard.arm(RealNet.loopbackName());
            run.setSlot(plan.index().stream(Kind.STREAM.id("hut-desk-u1")), 37, 230);
            run.setSlot(plan.index().stream(Kind.STREAM.id("hut-desk-u10")), 1, 90);
            await().atMost(15, SECONDS)
                    .until(() -> (run.levels(plan.index().port(Kind.PORT.id("glasshouse-node.p1")))[36] & 0xFF) == 230);
            await().atMost(15, SECONDS)
                    .until(() -> (run.levels(plan.index().port(Kind.PORT.id("entrance-node.p1")))[0] & 0xFF) == 90);
            await().atMost(15, SECONDS)
                    .until(() -> (run.levels(plan.index().port(Kind.PORT.id("previs.u1")))[36] & 0xFF) == 230);
            assertThat(run.sendCue(go, List.of())).isTrue();
            await().atMost(5, SECONDS)
                    .until(() -> atDesk.stream().anyMatch(e -> e instanceof StandinEvent.Osc o && o.acted()));
        }
    }

    @Test
    void plannedAddressesOfTwoRangesDoNotCollide() {
        AddressTable table = new AddressTable();
        List<Ipv4Address> given = new ArrayList<>();
        for (String planned :
                List.of("10.41.20.1", "2.41.20.1", "192.41.20.1", "10.61.0.1", "10.41.20.255", "10.41.20.0")) {
            given.add(table.assign(Kind.APPLICATION.id("app-" + planned), Optional.of(Ipv4Address.parse(planned))));
        }
        given.add(table.assign(Kind.APPLICATION.id("unplanned"), Optional.empty()));
        assertThat(given)
                .doesNotHaveDuplicates()
                .allSatisfy(a -> assertThat(a.isLoopback()).isTrue());
        assertThat(given.get(0)).hasToString("127.41.20.1");
        assertThat(given).doesNotContain(Ipv4Address.LOOPBACK);
        assertThat(table.assign(Kind.APPLICATION.id("app-2.41.20.1"), Optional.empty()))
                .isEqualTo(given.get(1));
        assertThat(table.at(given.get(2))).contains(Kind.APPLICATION.id("app-192.41.20.1"));
        assertThat(table.all()).hasSize(7);
    }

    @Test
    void aReplyPageHoldsFourPortsOfOneSubNet() {
        List<StandinPort> ports = new ArrayList<>();
        for (int wire : new int[] {14, 15, 16, 17, 18, 19, 20}) {
            ports.add(new StandinPort("p" + wire, Protocol.ARTNET, wire, true, true));
        }
        List<ArtPollReply> pages = PollPages.of(Ipv4Address.LOOPBACK, "Node", ports);
        assertThat(pages).hasSize(3).allSatisfy(p -> assertThat(p.ports()).isLessThanOrEqualTo(4));
        assertThat(pages.stream().mapToInt(p -> p.ports()).sum()).isEqualTo(7);
        assertThat(pages.get(1).output(0).value()).isEqualTo(16);
    }
}
