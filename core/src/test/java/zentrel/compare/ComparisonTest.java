package zentrel.compare;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import zentrel.TestPlans;
import zentrel.command.Commands;
import zentrel.demo.FernlightTrail;
import zentrel.file.LoadedPlan;
import zentrel.file.PlanReader;
import zentrel.file.PlanWriter;
import zentrel.gear.Library;
import zentrel.gear.PlanRemoval;
import zentrel.ipv4.HostAddress;
import zentrel.plan.*;

class ComparisonTest {
    private static final Library LIBRARY = Library.shipped();
    private static final Plan PIER = TestPlans.pier();

    @Test
    void aPlanIsNoDifferentFromItselfWhateverTheOrder() {
        List<Host> turned = new ArrayList<>(PIER.hosts());
        java.util.Collections.reverse(turned);
        assertThat(Comparison.of(PIER, PIER.with(Kind.HOST, turned)).differences())
                .isEmpty();
        assertThat(Comparison.of(PIER, PIER).devices()).isEmpty();
    }

    @Test
    void differencesAreToldInWordsWithTheDeviceToTouch() {
        Plan changed = PIER.with(
                        Kind.ADAPTER.id("node-a.net"),
                        a -> a.withAddresses(List.of(new AdapterAddress(
                                Setting.of(HostAddress.parse("10.77.20.9/16")), AddressOrigin.MANUAL))))
                .with(Kind.PORT.id("b1"), p -> p.withWire(20))
                .with(Kind.HOST.id("node-c"), h -> h.withName("Node Z"));
        changed = PlanRemoval.of(changed, List.of(Kind.LINK.id("go"))).edit().applyTo(changed);
        Comparison comparison = Comparison.of(PIER, changed);
        assertThat(comparison.differences())
                .extracting(Difference::text)
                .containsExactlyInAnyOrder(
                        "Changed: host Node A: Net addresses 10.77.20.9/16, was 10.77.20.3/16",
                        "Changed: host Node Z: name Node Z, was Node C",
                        "Changed: receiver Node B: Port 1 wire 20, was 19",
                        "Removed: control link " + PIER.index().name(Kind.LINK.id("go")));
        assertThat(comparison.devices())
                .as("a new name on paper touches nothing")
                .containsExactly("Node A", "Node B", "Cue computer");
    }

    @Test
    void twoCopiesThatWentApartAreMergedRowByRow() {
        Plan mine = PIER.with(Kind.PORT.id("a1"), p -> p.withEnabled(false));
        Plan theirs = PIER;
        for (String line :
                List.of("2 node 4", "route desk to node 1", "patch 6 wash of 10 on node 1", "remove node c")) {
            theirs = new Commands(theirs, LIBRARY, null)
                    .offers(line)
                    .get(0)
                    .work()
                    .get()
                    .edit()
                    .applyTo(theirs);
        }
        Comparison both = Comparison.of(mine, theirs);
        List<Difference> wanted = both.differences().stream()
                .filter(d -> !d.id().equals(Kind.RECEIVER.id("rx-a")))
                .toList();
        Plan merged = both.taking(wanted).applyTo(mine);
        assertThat(merged.index().port(Kind.PORT.id("a1")).enabled().inForce())
                .as("mine stays")
                .isFalse();
        assertThat(merged.fixtures()).hasSize(PIER.fixtures().size() + 6);
        assertThat(merged.index().find(Kind.HOST.id("node-c"))).isEmpty();
        assertThat(Comparison.of(merged, theirs).differences())
                .extracting(Difference::id)
                .containsExactly(Kind.RECEIVER.id("rx-a"));
    }

    /** Any choice of rows gives a plan that opens; all rows give the other plan. */
    @Test
    void anyRowsMayBeTaken() throws Exception {
        Plan draft = FernlightTrail.draft();
        Plan ready = FernlightTrail.ready();
        for (Plan[] pair : new Plan[][] {{draft, ready}, {ready, draft}, {PIER, draft}, {Plan.EMPTY, ready}}) {
            Comparison comparison = Comparison.of(pair[0], pair[1]);
            for (int seed = 0; seed < 15; seed++) {
                Random random = new Random(seed);
                List<Difference> some = comparison.differences().stream()
                        .filter(d -> random.nextInt(4) == 0)
                        .toList();
                Plan merged = comparison.taking(some).applyTo(pair[0]);
                assertThat(PlanReader.read(PlanWriter.write(LoadedPlan.of(merged)))
                                .plan())
                        .isEqualTo(merged);
            }
            Plan all = comparison.taking(comparison.differences()).applyTo(pair[0]);
            assertThat(Comparison.of(all, pair[1]).differences()).isEmpty();
        }
    }
}
