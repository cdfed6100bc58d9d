package zentrel.found;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import zentrel.demo.FernlightTrail;
import zentrel.ipv4.Ipv4Address;
import zentrel.plan.Host;
import zentrel.plan.Id;
import zentrel.plan.Kind;
import zentrel.plan.Loss;
import zentrel.plan.Plan;
import zentrel.profile.Direction;
import zentrel.profile.Merge;
import zentrel.profile.Protocol;

/** Which found device is which of the demo plan, what differs, and what taking it over does. */
class DeviceMatchesTest {
    private final Plan plan = FernlightTrail.ready();
    private final Host node = plan.hosts().stream()
            .filter(h -> h.name().equals("Boathouse node"))
            .findFirst()
            .orElseThrow();

    private static FoundDevice device(
            String address, String mac, String shortName, String longName, List<FoundPort> ports) {
        return new FoundDevice(
                Ipv4Address.parse(address),
                mac == null || mac.isEmpty() ? Optional.empty() : Optional.of(mac),
                shortName,
                longName,
                "",
                0x0109,
                7,
                Loss.NOT_KNOWN,
                false,
                DeviceState.READY,
                Set.of(AnsweredBy.ARTPOLL),
                ports,
                0,
                List.of());
    }

    /** As the plan wants it. */
    private FoundDevice asPlanned() {
        PlannedDevice planned = PlannedDevice.of(plan, node);
        List<FoundPort> ports = new ArrayList<>();
        planned.ports()
                .forEach(p -> ports.add(new FoundPort(
                        ports.size() + 1,
                        1,
                        ports.size(),
                        p.port().direction().planned(),
                        p.port().protocol().planned(),
                        p.port().wire().orElseThrow().planned(),
                        p.receiver().merge(),
                        true)));
        return device(planned.addresses().get(0).address().toString(), "02:5a:00:00:00:21", node.name(), "", ports);
    }

    @ParameterizedTest
    @CsvSource(nullValues = "-", textBlock = """
            10.99.0.1, -,                 Boathouse node, 40,  name
            10.99.0.1, -,                 BOATHOUSE NODE, 40,  name
            10.99.0.1, -,                 Boathouse,      30,  name-alike
            10.99.0.1, 02-5A-00-00-00-77, node 4471,      100, mac
            10.99.0.1, 02:5a:00:00:00:78, Boathouse node, 0,   -
            10.99.0.1, -,                 Boat,           0,   -
            """)
    void eachThingCounts(String address, String mac, String name, int score, String reason) {
        Plan withMac = plan.with(
                node.adapters().get(0).id(),
                a -> a.withMac(mac == null ? Optional.empty() : Optional.of("02:5a:00:00:00:77")));
        DeviceMatch match = DeviceMatches.of(withMac, List.of(device(address, mac, name, "", List.of())))
                .get(0);
        assertThat(match.host()).isEqualTo(score == 0 ? Optional.empty() : Optional.of(node.id()));
        assertThat(match.score()).isEqualTo(score);
        assertThat(match.reasons().stream().map(r -> r.word()).toList())
                .isEqualTo(reason == null ? List.of() : List.of(reason));
    }

    @Test
    void eachDeviceOfThePlanIsOneFoundDeviceAtMost() {
        FoundDevice right = asPlanned();
        FoundDevice other = device("10.99.0.2", "", node.name(), "", List.of());
        List<DeviceMatch> matches = DeviceMatches.of(plan, List.of(other, right));
        assertThat(matches.get(0).host()).isEmpty();
        assertThat(matches.get(1).host()).contains(node.id());
        assertThat(matches.get(1).reasons())
                .containsExactly(DeviceMatch.Reason.NAME, DeviceMatch.Reason.ADDRESS, DeviceMatch.Reason.UNIVERSES);
    }

    @Test
    void whatIsAsPlannedDiffersInNothing() {
        assertThat(DeviceDifferences.of(plan, node, asPlanned())).isEmpty();
    }

    @Test
    void whatDiffersIsNamedAndTakenOver() {
        FoundDevice right = asPlanned();
        FoundPort first = right.ports().get(0);
        FoundPort changed =
                new FoundPort(1, 1, 0, Direction.INPUT, first.protocol(), first.wire() + 1, Merge.LTP, true);
        List<FoundPort> ports = new ArrayList<>(right.ports());
        ports.set(0, changed);
        FoundDevice found = device("10.41.99.9", "02:5a:00:00:00:21", "node 4471", "", ports);
        List<DeviceDifference> differences = DeviceDifferences.of(plan, node, found);
        assertThat(differences.stream().map(DeviceDifference::what))
                .containsExactly(
                        DeviceDifference.What.NAME,
                        DeviceDifference.What.ADDRESS,
                        DeviceDifference.What.UNIVERSE,
                        DeviceDifference.What.DIRECTION);
        assertThat(differences.get(2).text())
                .isEqualTo("port 1 universe " + (first.wire() + 1) + ", plan " + first.wire());

        Plan taken = FoundEdits.intoPlan(node.id(), found).applyTo(plan);
        Host now = taken.index().host(node.id());
        assertThat(DeviceDifferences.of(taken, now, found).stream()
                        .map(DeviceDifference::what)
                        .distinct())
                .as("a receiver has one way to merge for all its ports, so it takes that of the first")
                .containsExactly(DeviceDifference.What.NAME, DeviceDifference.What.MERGE);
        assertThat(now.adapters().get(0).mac()).contains("02:5a:00:00:00:21");

        Plan inForce = FoundEdits.inForce(node.id(), found).applyTo(plan);
        assertThat(DeviceDifferences.of(inForce, inForce.index().host(node.id()), found))
                .as("what is planned stays planned")
                .isEqualTo(differences);
        Id<zentrel.plan.Port> port = PlannedDevice.of(inForce, inForce.index().host(node.id()))
                .ports()
                .get(0)
                .port()
                .id();
        assertThat(inForce.index().port(port).wire().orElseThrow().inForce()).isEqualTo(first.wire() + 1);
    }

    @Test
    void whatThePlanDoesNotKnowIsAddedAsItIs() {
        FoundPort port = new FoundPort(1, 1, 0, Direction.OUTPUT, Protocol.SACN, 77, Merge.HTP, false);
        FoundDevice found = device("10.41.88.1", "02:5a:00:00:00:99", "", "Jetty\u0007 node", List.of(port));
        Plan next = FoundEdits.added(found, plan.segments().stream().findFirst().map(s -> s.id()), 16)
                .applyTo(plan);
        DeviceMatch match = DeviceMatches.of(next, List.of(found)).get(0);
        Host added = next.index().host(match.host().orElseThrow());
        assertThat(added.name()).isEqualTo("Jetty<U+0007> node");
        assertThat(DeviceDifferences.of(next, added, found)).isEmpty();
        assertThat(next.table(Kind.HOST)).hasSize(plan.hosts().size() + 1);
    }
}
