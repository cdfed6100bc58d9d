package zentrel.routing;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import zentrel.check.Check;
import zentrel.check.Finding;
import zentrel.check.RandomPlans;
import zentrel.plan.*;
import zentrel.profile.PortKind;
import zentrel.profile.Protocol;
import zentrel.table.TextTable;

/** Routes changed by the dozen over random rigs: both ends go together, nothing that arrived is lost, and back is back. */
class UniverseRoutesPropertyTest {
    private static Set<String> findings(Plan plan) {
        return Check.run(plan).findings().stream().map(Finding::id).collect(Collectors.toSet());
    }

    @ParameterizedTest(name = "rig {0}")
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12, 13, 14, 15, 16})
    void renumberedThereAndBackIsAsItWas(long seed) {
        Plan plan = RandomPlans.healthy(seed);
        for (Protocol protocol : List.of(Protocol.ARTNET, Protocol.SACN)) {
            NumberShift there = NumberShift.of(plan, protocol, 1, 2000, 4001);
            Plan moved = there.edit().applyTo(plan);
            assertThat(findings(moved)).isEqualTo(findings(plan));
            for (Stream s : plan.streams()) {
                int before = plan.index().wireOf(s).orElseThrow();
                int after = moved.index().wireOf(moved.index().stream(s.id())).orElseThrow();
                boolean moves = s.protocol() == protocol && before >= 1 && before <= 2000;
                assertThat(after).isEqualTo(moves ? before + 4000 : before);
            }
            Plan back = NumberShift.of(moved, protocol, 4001, 6000, 1).edit().applyTo(moved);
            assertThat(RoutingTable.of(back)).isEqualTo(RoutingTable.of(plan));
            long ends = plan.streams().stream()
                    .filter(s -> s.protocol() == protocol)
                    .count();
            assertThat(there.lines().size()).isGreaterThanOrEqualTo((int) Math.min(ends, 1));
        }
    }

    /** All by sACN: every universe has its show number at both ends, and no finding is there that was not before. */
    @ParameterizedTest(name = "rig {0}")
    @ValueSource(longs = {21, 22, 23, 24, 25, 26, 27, 28, 29, 30, 31, 32})
    void allBySacnArrivesAllTheSame(long seed) {
        Plan plan = RandomPlans.healthy(seed);
        Plan moved = plan;
        for (Application application : plan.applications()) {
            moved = SwitchingProtocol.of(moved, application.id(), Protocol.SACN)
                    .edit()
                    .applyTo(moved);
        }
        Plan after = moved;
        assertThat(after.streams()).allMatch(s -> s.protocol() == Protocol.SACN);
        for (Stream s : after.streams()) {
            boolean wasArtNet = plan.index().stream(s.id()).protocol() == Protocol.ARTNET;
            if (wasArtNet) {
                int number = after.index().universe(s.universe()).number();
                assertThat(after.index().wireOf(s)).contains(number);
                assertThat(s.delivery()).isEqualTo(Delivery.MULTICAST);
                assertThat(after.index().portsOf(s.universe()))
                        .filteredOn(p -> p.protocol().inForce() == Protocol.SACN)
                        .allMatch(p -> p.wire().orElseThrow().inForce() == number);
            }
        }
        assertThat(SwitchingProtocol.of(after, after.applications().get(0).id(), Protocol.SACN)
                        .lines())
                .as("then nothing is left to move")
                .isEmpty();
        Set<String> allowed = new HashSet<>(findings(plan));
        assertThat(findings(after)).allMatch(f -> allowed.contains(f) || f.startsWith("universe.two-sources"));
    }

    /** Ports that lost their universe: each finds a free port of its own, none is taken twice, and what stays behind says why. */
    @ParameterizedTest(name = "rig {0}")
    @ValueSource(longs = {41, 42, 43, 44, 45, 46, 47, 48, 49, 50})
    void freePortsAreGivenOutOnce(long seed) {
        Plan healthy = RandomPlans.healthy(seed);
        Plan bare = healthy.with(
                        Kind.FIXTURE,
                        healthy.fixtures().stream()
                                .map(f -> f.withLine(Optional.empty()))
                                .toList())
                .with(
                        Kind.RECEIVER,
                        healthy.receivers().stream()
                                .map(r -> r.withPorts(r.ports().stream()
                                        .map(p -> p.kind() == PortKind.DMX ? p.withUniverse(Optional.empty()) : p)
                                        .toList()))
                                .toList());
        AutoRoutes routed = AutoRoutes.of(bare);
        long used = bare.universes().stream()
                .filter(u -> !bare.index().fixturesIn(u.id()).isEmpty())
                .filter(u -> bare.index().portsOf(u.id()).stream().noneMatch(p -> p.kind() == PortKind.DMX))
                .count();
        assertThat(routed.lines().size() + routed.left().size()).isEqualTo((int) used);
        Plan after = routed.edit().applyTo(bare);
        int given = 0;
        for (Receiver receiver : after.receivers()) {
            for (Port port : receiver.ports()) {
                if (!port.equals(bare.index().port(port.id()))) {
                    given++;
                    assertThat(port.enabled().inForce()).isTrue();
                    assertThat(receiver.protocols()).contains(port.protocol().inForce());
                    Id<Universe> universe = port.universe().orElseThrow();
                    assertThat(after.index().streamsOf(universe))
                            .anyMatch(s -> s.protocol() == port.protocol().inForce()
                                    && after.index()
                                            .wireOf(s)
                                            .equals(port.wire().map(Setting::inForce)));
                }
            }
        }
        assertThat(given).isLessThanOrEqualTo(routed.lines().size());
        assertThat(routed.left()).allMatch(l -> l.endsWith("."));
        assertThat(Check.run(after).findings()).noneMatch(f -> f.rule().equals("port.page"));
    }

    /** A table of routes dealt anew: each port is as its row says. */
    @ParameterizedTest(name = "rig {0}")
    @ValueSource(longs = {61, 62, 63, 64, 65, 66})
    void aTableIsWhatThePortsAreThen(long seed) {
        Plan plan = RandomPlans.healthy(seed);
        TextTable table = RoutingTable.of(plan);
        List<List<String>> rows = new java.util.ArrayList<>();
        int number = 300;
        for (List<String> row : table.rows()) {
            List<String> changed = new java.util.ArrayList<>(row);
            if (!rows.isEmpty()) {
                changed.set(3, String.valueOf(number++));
                changed.set(4, number % 2 == 0 ? "yes" : "no");
            }
            rows.add(changed);
        }
        RoutingTable.Taken taken = RoutingTable.take(plan, new TextTable(rows));
        assertThat(taken.leftOut()).isEmpty();
        TextTable after = RoutingTable.of(taken.edit().applyTo(plan));
        for (int row = 1; row < rows.size(); row++) {
            assertThat(after.cell(row, 3)).isEqualTo(rows.get(row).get(3));
            assertThat(after.cell(row, 4)).isEqualTo(rows.get(row).get(4));
            assertThat(after.cell(row, 2)).as("the protocol stays").isEqualTo(table.cell(row, 2));
        }
        assertThat(taken.changes()).hasSize(rows.size() - 1);
    }
}
