package zentrel.app.addresses;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import zentrel.demo.FernlightTrail;
import zentrel.demo.PlanSketch;
import zentrel.ipv4.Ipv4Address;
import zentrel.plan.Plan;
import zentrel.plan.Segment;
import zentrel.profile.HostKind;
import zentrel.profile.OperatingSystem;

/** Rulers drawn to the real numbers. */
class RulerTest {
    private static Ruler ruler(String subnet, String... addresses) {
        PlanSketch sketch = new PlanSketch("Ruler").segment("s", "Segment", subnet, false, false);
        for (int i = 0; i < addresses.length; i++) {
            sketch.host(
                    "h" + i,
                    "Host " + i,
                    HostKind.NODE,
                    "",
                    OperatingSystem.FIRMWARE,
                    "none",
                    PlanSketch.adapter("h" + i, "Net", "s", addresses[i]));
        }
        Plan plan = sketch.plan();
        return Ruler.of(plan.index(), plan.segments().get(0), Optional.empty());
    }

    @ParameterizedTest(name = "{1} and {2} in {0}: 2^{3} from {4}")
    @CsvSource({
        "10.58.0.0/16, 10.58.1.1/16, 10.58.1.9/16, 5, 10.58.1.0",
        "10.58.0.0/16, 10.58.1.1/16, 10.58.1.200/16, 8, 10.58.1.0",
        "10.58.0.0/16, 10.58.1.1/16, 10.58.2.1/16, 10, 10.58.0.0",
        "10.58.0.0/16, 10.58.0.1/16, 10.58.255.1/16, 16, 10.58.0.0",
        "2.0.0.0/8, 2.9.4.0/8, 2.200.4.255/8, 24, 2.0.0.0",
        "192.168.44.0/24, 192.168.44.10/24, 192.168.44.11/24, 5, 192.168.44.0",
        "10.3.3.2/31, 10.3.3.2/31, 10.3.3.3/31, 1, 10.3.3.2"
    })
    void theStretchIsTheSmallestBlockThatHoldsAllPins(String subnet, String a, String b, int bits, String first) {
        Ruler ruler = ruler(subnet, a, b);
        assertThat(ruler.bits()).isEqualTo(bits);
        assertThat(ruler.first()).hasToString(first);
        assertThat(ruler.pins())
                .allSatisfy(p -> assertThat(ruler.place(p.address().address())).isBetween(0.0, 1.0));
    }

    @Test
    void placesAreInProportionToTheNumbers() {
        Ruler ruler = ruler("10.58.0.0/16", "10.58.0.0/16", "10.58.255.255/16");
        assertThat(ruler.place(Ipv4Address.of(10, 58, 0, 0))).isZero();
        assertThat(ruler.place(Ipv4Address.of(10, 58, 128, 0))).isEqualTo(0.5);
        assertThat(ruler.place(Ipv4Address.of(10, 58, 192, 0))).isEqualTo(0.75);
    }

    @Test
    void whatIsOffTheSubnetStandsApart() {
        Ruler ruler = ruler("10.58.0.0/16", "10.58.1.1/16", "192.168.44.7/24");
        assertThat(ruler.pins()).hasSize(1);
        assertThat(ruler.off()).extracting(p -> p.address().toString()).containsExactly("192.168.44.7/24");
    }

    @Test
    void pinsStandInTheOrderOfTheirNumbersWhateverTheOrderOfTheHosts() {
        Ruler ruler = ruler("10.0.0.0/8", "10.200.0.1/8", "10.1.0.1/8", "10.128.0.1/8");
        assertThat(ruler.pins())
                .extracting(p -> p.address().address().toString())
                .containsExactly("10.1.0.1", "10.128.0.1", "10.200.0.1");
    }

    @Test
    void anEmptySegmentHasARulerWithoutPins() {
        Ruler ruler = ruler("10.58.0.0/16");
        assertThat(ruler.pins()).isEmpty();
        assertThat(ruler.first()).hasToString("10.58.0.0");
    }

    /** From a /8 to some thirty neighbours: the pin that is zoomed to stays in sight, nothing is lost, and out leads back. */
    @ParameterizedTest
    @CsvSource({"10.3.7.9", "10.61.0.1", "10.255.255.254", "10.128.0.0", "10.77.255.255"})
    void zoomingKeepsItsPlace(String address) {
        PlanSketch sketch = new PlanSketch("Ruler").segment("s", "Segment", "10.0.0.0/8", false, false);
        String[] all = {address, "10.0.0.9", "10.255.255.9", "10.100.1.1", "10.3.7.30"};
        for (int i = 0; i < all.length; i++) {
            sketch.host(
                    "h" + i,
                    "Host " + i,
                    HostKind.NODE,
                    "",
                    OperatingSystem.FIRMWARE,
                    "none",
                    PlanSketch.adapter("h" + i, "Net", "s", all[i] + "/8"));
        }
        Plan plan = sketch.plan();
        Segment segment = plan.segments().get(0);
        Ipv4Address kept = Ipv4Address.parse(address);
        Ruler ruler = Ruler.of(plan.index(), segment, Optional.empty());
        int widest = ruler.bits();
        while (ruler.bits() > 5) {
            double before = ruler.place(kept);
            Ruler next = Ruler.of(plan.index(), segment, Optional.of(ruler.zoomed(before, 1)));
            assertThat(next.bits()).isEqualTo(ruler.bits() - 1);
            assertThat(next.place(kept)).isBetween(0.0, 1.0);
            assertThat(Math.abs(next.place(kept) - before))
                    .as("about where it was")
                    .isLessThanOrEqualTo(1 / 8.0 + 1e-9);
            assertThat(next.before() + next.pins().size() + next.after()).isEqualTo(all.length);
            ruler = next;
        }
        while (ruler.bits() < widest) {
            ruler = Ruler.of(plan.index(), segment, Optional.of(ruler.zoomed(0.5, -1)));
        }
        assertThat(ruler.pins()).hasSize(all.length);
    }

    @Test
    void theDemosSegmentsHaveAPinForEveryAdapter() {
        Plan plan = FernlightTrail.ready();
        for (Segment segment : plan.segments()) {
            Ruler ruler = Ruler.of(plan.index(), segment, Optional.empty());
            int addresses = plan.index().adaptersOn(segment.id()).stream()
                    .mapToInt(a -> a.addresses().size())
                    .sum();
            assertThat(ruler.pins().size() + ruler.off().size())
                    .as(segment.name())
                    .isEqualTo(addresses);
            assertThat(List.of(Optional.of(ruler.tickName(ruler.first())))).allMatch(Optional::isPresent);
        }
    }
}
