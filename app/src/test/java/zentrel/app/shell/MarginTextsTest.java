package zentrel.app.shell;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import zentrel.demo.FernlightTrail;
import zentrel.gear.SettingRollout;
import zentrel.ipv4.Ipv4Address;
import zentrel.plan.Adapter;
import zentrel.plan.DhcpServer;
import zentrel.plan.Host;
import zentrel.plan.Id;
import zentrel.plan.Kind;
import zentrel.plan.Plan;
import zentrel.plan.Port;
import zentrel.plan.Route;
import zentrel.plan.Setting;
import zentrel.profile.Direction;
import zentrel.profile.Protocol;

/** What the margin says of every kind of thing, in the device's own numbers. */
class MarginTextsTest {
    private static final Plan READY = FernlightTrail.ready();

    private static Id<?> id(String type, String value) {
        return switch (type) {
            case "host" -> Kind.HOST.id(value);
            case "adapter" -> Kind.ADAPTER.id(value);
            case "application" -> Kind.APPLICATION.id(value);
            case "receiver" -> Kind.RECEIVER.id(value);
            case "port" -> Kind.PORT.id(value);
            case "universe" -> Kind.UNIVERSE.id(value);
            case "fixture" -> Kind.FIXTURE.id(value);
            case "link" -> Kind.LINK.id(value);
            case "stream" -> Kind.STREAM.id(value);
            case "segment" -> Kind.SEGMENT.id(value);
            case "line" -> Kind.LINE.id(value);
            default -> Kind.SESSION.id(value);
        };
    }

    @ParameterizedTest(name = "{0} {1}")
    @CsvSource(
            delimiter = '|',
            value = {
                "host|boathouse-node|Boathouse node|node · Boathouse",
                "host|hut-console|Hut console|console · Control hut",
                "adapter|hut-console.stream|Hut console, Stream|wired · on Stream",
                "application|hut-desk|Hut desk|console on Hut console",
                "receiver|boathouse-node-rx|Boathouse node|receives on Boathouse node",
                "port|boathouse-node.p1|Port 1 of Boathouse node|DMX port",
                "port|previs.u1|Input 1 of Office previs|input",
                "universe|u5|U5  Boathouse doors|12 fixtures",
                "link|go-link|Evening cue|OSC, Cue player to Hut desk",
                "stream|hut-desk-u1|Hut desk's U1 by Art-Net|found",
                "stream|backup-desk-u10|Backup desk's U10 by sACN|multicast, priority 90",
                "segment|stream|Stream|10.41.0.0/16 · 13 adapters",
                "line|boathouse-node.line1|Boathouse doors line|DMX line from Port 1 of Boathouse node"
            })
    void everyKindOfThingSaysWhatItIs(String type, String value, String title, String line) {
        Facts facts = Facts.of(READY, id(type, value));
        assertThat(facts.title()).isEqualTo(title);
        assertThat(facts.line()).isEqualTo(line);
    }

    @Test
    void whatFeedsAndWhatIsFedIsNamed() {
        Facts node = Facts.of(READY, Kind.HOST.id("boathouse-node"));
        assertThat(node.fedBy()).contains("Hut desk", "Backup desk");
        assertThat(node.feeds()).anyMatch(f -> f.startsWith("Port 1  Boathouse doors line, 12 fixtures"));
        Facts universe = Facts.of(READY, Kind.UNIVERSE.id("u10"));
        assertThat(universe.fedBy())
                .containsExactly("Hut desk by sACN, priority 100", "Backup desk by sACN, priority 90");
        Facts desk = Facts.of(READY, Kind.APPLICATION.id("hut-desk"));
        assertThat(desk.fedBy()).contains("Cue player by OSC", "Tablet remote by OSC");
    }

    @Test
    void nothingInThePlanIsWithoutItsFacts() {
        for (Plan plan : List.of(READY, FernlightTrail.draft())) {
            for (Id<?> id : plan.index().ids()) {
                assertThat(Facts.of(plan, id).title())
                        .as(id.value())
                        .isNotBlank()
                        .doesNotContain("null");
                assertThat(DeviceSettings.of(plan, id)).allSatisfy(r -> {
                    assertThat(r.label()).as(id.value()).isNotBlank();
                    assertThat(r.value()).as(id.value()).isNotBlank().doesNotContain("null");
                });
            }
        }
    }

    @Test
    void settingsAreInTheDevicesOwnNumbersWithTheWayToThem() {
        List<DeviceSettings.Row> node = DeviceSettings.of(READY, Kind.HOST.id("boathouse-node"));
        assertThat(node).extracting(DeviceSettings.Row::label).startsWith("Address", "Mask");
        assertThat(node.get(0).value()).isEqualTo("10.41.22.3");
        assertThat(node.get(0).where()).contains("Net · Address");
        DeviceSettings.Row port = node.stream()
                .filter(r -> r.label().equals("Port 1"))
                .findFirst()
                .orElseThrow();
        assertThat(port.value()).isEqualTo("Art-Net 4");
        // the previs counts Port-Addresses from 1
        List<DeviceSettings.Row> previs = DeviceSettings.of(READY, Kind.PORT.id("previs.u1"));
        assertThat(previs.get(0).value()).isEqualTo("Art-Net 1");
    }

    /** What the box counts as still to do is what its list shows, whatever kind of setting it is. */
    @Test
    void everythingPlannedForABoxIsInItsList() {
        Id<Host> desk = Kind.HOST.id("hut-console");
        Id<Host> node = Kind.HOST.id("boathouse-node");
        Plan plan = READY.with(Kind.ADAPTER.id("hut-console.control"), a -> a.withEnabled(new Setting<>(false, true)))
                .with(
                        Kind.STREAM.id("hut-desk-u10"),
                        s -> s.withSettings(new Setting<>(false, true), s.wire(), new Setting<>(150, 100)))
                .with(
                        Kind.PORT.id("boathouse-node.p1"),
                        p -> p.withDirection(new Setting<>(Direction.INPUT, Direction.OUTPUT))
                                .withProtocol(new Setting<>(Protocol.SACN, Protocol.ARTNET)));
        assertThat(rows(plan, desk))
                .contains(
                        "Control switched off now on", "U10 sACN switched off now on", "U10 sACN priority 150 now 100");
        assertThat(rows(plan, node)).contains("Port 1 direction input now output", "Port 1 protocol sACN now Art-Net");
        assertThat(rows(plan, Kind.PORT.id("boathouse-node.p1"))).hasSize(3);
        for (Id<Host> host : List.of(desk, node)) {
            assertThat(DeviceSettings.of(plan, host).stream()
                            .filter(r -> r.now().isPresent()))
                    .hasSize(SettingRollout.pending(plan, host).size())
                    .allMatch(r -> r.tick().isPresent());
        }
    }

    @Test
    void waysToOtherNetworksAreSetOnTheDeviceToo() {
        Id<Adapter> adapter = Kind.ADAPTER.id("visitor-router.visitors");
        Plan plan = READY.with(
                adapter,
                a -> a.withRoutes(Route.parse("10.41.0.0/16 by 172.23.64.9"))
                        .withMetric(Optional.of(7))
                        .withServes(Optional.of(new DhcpServer(
                                new Setting<>(false, true),
                                Ipv4Address.parse("172.23.64.50"),
                                Ipv4Address.parse("172.23.64.90")))));
        assertThat(rows(plan, adapter))
                .contains(
                        "Route 10.41.0.0/16 by 172.23.64.9",
                        "Metric 7",
                        "DHCP server off now 172.23.64.50 to 172.23.64.90");
        assertThat(SettingRollout.of(plan, Kind.HOST.id("visitor-router")).waiting())
                .hasSize(1);
    }

    private static List<String> rows(Plan plan, Id<?> id) {
        return DeviceSettings.of(plan, id).stream()
                .map(r -> r.label() + " " + r.value()
                        + r.now().map(n -> " now " + n).orElse(""))
                .toList();
    }

    @Test
    void aPendingSettingIsTickedOffInTwoSteps() {
        Id<Port> port = Kind.PORT.id("boathouse-node.p1");
        Plan planned = READY.with(port, p -> p.withWire(new Setting<>(4, 7)));
        DeviceSettings.Row row = DeviceSettings.of(planned, port).get(0);
        assertThat(row.value()).isEqualTo("Art-Net 4");
        assertThat(row.now()).contains("Art-Net 7");
        assertThat(row.entered()).isFalse();
        Plan typed = row.tick().orElseThrow().applyTo(planned);
        DeviceSettings.Row after = DeviceSettings.of(typed, port).get(0);
        assertThat(after.entered())
                .as("its profile asks for a step, so typing in is not enough")
                .isTrue();
        assertThat(after.now()).contains("Art-Net 7");
        assertThat(after.tick()).isEmpty();
    }

    @Test
    void everyThingKnowsItsBox() {
        assertThat(Boxes.of(READY.index(), Kind.PORT.id("boathouse-node.p1"))).contains(Kind.HOST.id("boathouse-node"));
        assertThat(Boxes.of(READY.index(), Kind.LINE.id("boathouse-node.line1")))
                .contains(Kind.HOST.id("boathouse-node"));
        assertThat(Boxes.of(READY.index(), Kind.STREAM.id("hut-desk-u1"))).contains(Kind.HOST.id("hut-console"));
        assertThat(Boxes.of(READY.index(), Kind.LINK.id("go-link"))).contains(Kind.HOST.id("cue-computer"));
        assertThat(Boxes.of(READY.index(), Kind.UNIVERSE.id("u1"))).isEmpty();
    }
}
