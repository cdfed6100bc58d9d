package zentrel.app.gear;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import zentrel.check.Check;
import zentrel.check.Severity;
import zentrel.demo.FernlightTrail;
import zentrel.gear.DeviceFactory;
import zentrel.gear.Library;
import zentrel.plan.Host;
import zentrel.plan.Kind;
import zentrel.plan.Plan;

/** The rows of the ledger, without their nodes. */
class LedgerTest {
    private static Ledger of(Plan plan) {
        return Ledger.of(Check.run(plan));
    }

    private static Ledger.Row row(Ledger ledger, String host) {
        return ledger.rows().stream()
                .filter(r -> r.host() != null && r.host().id().equals(Kind.HOST.id(host)))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void everyBoxStandsOnceUnderItsPlace() {
        Plan plan = FernlightTrail.ready();
        Ledger ledger = of(plan);
        List<Host> shown = new ArrayList<>();
        String place = "";
        for (Ledger.Row row : ledger.rows()) {
            if (row.isPlace()) {
                place = row.place();
            } else {
                shown.add(row.host());
                assertThat(row.host().place()).isEqualTo(place);
            }
        }
        assertThat(shown).containsExactlyInAnyOrderElementsOf(plan.hosts());
        assertThat(ledger.rows().stream()
                        .filter(Ledger.Row::isPlace)
                        .mapToInt(Ledger.Row::boxes)
                        .sum())
                .isEqualTo(plan.hosts().size());
        assertThat(ledger.summary()).startsWith("20 devices in 10 places");
    }

    @Test
    void aRowSaysWhatTheBoxTouchesSendsAndCarries() {
        Ledger ledger = of(FernlightTrail.ready());
        Ledger.Row console = row(ledger, "hut-console");
        assertThat(console.touches()).hasSize(2);
        assertThat(console.sends()).isEqualTo("sends U1–U24");
        Ledger.Row node = row(ledger, "boathouse-node");
        assertThat(node.profile()).isEqualTo("4-port node");
        assertThat(node.ports()).isEqualTo(4);
        assertThat(node.carries()).isEqualTo("U5 U4");
        assertThat(node.severity()).isNull();
        assertThat(row(ledger, "pergola-controller").carries()).isEqualTo("U11 … U19");
    }

    @Test
    void theWorstFindingMarksTheBoxOfItsCause() {
        Plan faulty = FernlightTrail.ready().with(Kind.PORT.id("boathouse-node.p1"), p -> p.withWire(5));
        Ledger ledger = of(faulty);
        assertThat(row(ledger, "boathouse-node").severity()).isEqualTo(Severity.BROKEN);
        assertThat(ledger.rows().stream().filter(r -> r.severity() == Severity.BROKEN))
                .hasSize(1);
    }

    @Test
    void aBoxWithoutAPlaceIsNotLost() {
        Library library = Library.shipped();
        Plan plan = DeviceFactory.boxes(
                        Plan.EMPTY, library, library.find("house/node-16").orElseThrow(), 2, "", "")
                .edit()
                .applyTo(Plan.EMPTY);
        Ledger ledger = of(plan);
        assertThat(ledger.rows().get(0).place()).isEqualTo("No place yet");
        assertThat(ledger.rows()).hasSize(3);
        assertThat(ledger.rows().get(1).slots())
                .hasSize(16)
                .allMatch(s -> s.universe().isEmpty());
        assertThat(ledger.summary()).endsWith("32 ports free");
    }
}
