package zentrel.address;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import zentrel.check.Check;
import zentrel.check.RandomPlans;
import zentrel.check.Severity;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.ipv4.Subnet;
import zentrel.plan.*;

/** A segment moved to another range, over random rigs: nothing that worked stops, nothing is left behind, and back is back. */
class SegmentMovePropertyTest {
    private static final Id<Segment> STREAM = Kind.SEGMENT.id("stream");

    static java.util.stream.LongStream seeds() {
        return java.util.stream.LongStream.rangeClosed(1, 40);
    }

    private static Subnet range(Random random) {
        return Subnet.parse(List.of("10.99.0.0/16", "172.21.0.0/16", "192.168.0.0/16", "10.0.0.0/8")
                .get(random.nextInt(4)));
    }

    private static Set<String> wrong(Plan plan) {
        return Check.run(plan).findings().stream()
                .filter(f -> f.severity() != Severity.NOTE)
                .map(f -> f.id())
                .collect(Collectors.toSet());
    }

    private static List<HostAddress> addresses(Plan plan) {
        return plan.index().adaptersOn(STREAM).stream()
                .flatMap(a -> a.addresses().stream())
                .map(AdapterAddress::inForce)
                .toList();
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void whatWorkedWorksAfterIt(long seed) {
        Plan plan = RandomPlans.healthy(seed);
        Subnet to = range(new Random(seed));
        AddressChange move = SegmentMove.of(plan, STREAM, to, Optional.of(Kind.HOST.id("desk-host0")));
        Plan after = move.edit().applyTo(plan);
        assertThat(wrong(after)).isEqualTo(wrong(plan));
        assertThat(addresses(after)).allMatch(a -> to.contains(a.address()) && a.prefixLength() == to.prefixLength());
        Set<Ipv4Address> different = new HashSet<>();
        addresses(after).forEach(a -> different.add(a.address()));
        assertThat(different).as("no two alike").hasSameSizeAs(addresses(plan));
        assertThat(after.index().segment(STREAM).subnet()).contains(to);
        if (!move.steps().isEmpty()) {
            assertThat(move.steps().get(move.steps().size() - 1).dark())
                    .as("after the last step nothing is dark that was not before")
                    .isZero();
        }
        Set<String> changed = new HashSet<>();
        move.changes().forEach(c -> changed.add(c.adapter().value()));
        move.steps()
                .forEach(s -> s.changes()
                        .forEach(c -> assertThat(changed).contains(c.adapter().value())));
        assertThat(move.steps().stream().mapToInt(s -> s.changes().size()).sum())
                .isEqualTo(move.changes().size());
    }

    /** The computer that one sits at is changed in the last step. */
    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void onesOwnComputerIsLast(long seed) {
        Plan plan = RandomPlans.healthy(seed);
        AddressChange move =
                SegmentMove.of(plan, STREAM, Subnet.parse("172.22.0.0/16"), Optional.of(Kind.HOST.id("desk-host0")));
        List<AddressChange.Step> steps = move.steps();
        assertThat(steps).isNotEmpty();
        for (int i = 0; i < steps.size() - 1; i++) {
            assertThat(steps.get(i).changes())
                    .noneMatch(
                            c -> plan.index().hostOf(c.adapter()).id().value().equals("desk-host0"));
        }
        assertThat(steps.get(steps.size() - 1).changes())
                .anyMatch(c -> plan.index().hostOf(c.adapter()).id().value().equals("desk-host0"));
    }

    /** Planned for later, nothing in force has moved; ticked off, it is as if it had been done at once. */
    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void plannedForLaterNothingMovesYet(long seed) {
        Plan plan = RandomPlans.healthy(seed);
        AddressChange move = SegmentMove.of(plan, STREAM, Subnet.parse("172.22.0.0/16"), Optional.empty());
        Plan later = move.later().applyTo(plan);
        assertThat(addresses(later)).isEqualTo(addresses(plan));
        Plan now = move.edit().applyTo(plan);
        List<HostAddress> planned = later.index().adaptersOn(STREAM).stream()
                .flatMap(a -> a.addresses().stream())
                .map(a -> a.address().planned())
                .toList();
        assertThat(planned).isEqualTo(addresses(now));
        assertThat(wrong(later)).isEqualTo(wrong(plan));
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void thereAndBackIsBack(long seed) {
        Plan plan = RandomPlans.healthy(seed);
        Subnet home = plan.index().segment(STREAM).subnet().orElseThrow();
        Subnet away = Subnet.parse("172.22.0.0/16");
        Plan there = SegmentMove.of(plan, STREAM, away, Optional.empty()).edit().applyTo(plan);
        Plan back = SegmentMove.of(there, STREAM, home, Optional.empty()).edit().applyTo(there);
        if (home.prefixLength() == away.prefixLength()) {
            assertThat(addresses(back)).isEqualTo(addresses(plan));
        }
        assertThat(wrong(back)).isEqualTo(wrong(plan));
    }
}
