package zentrel.rehearsal;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import zentrel.demo.PlanSketch;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.path.Issue;
import zentrel.path.Reason;
import zentrel.path.SignalPath;
import zentrel.path.SignalPaths;
import zentrel.path.Verdict;
import zentrel.plan.Adapter;
import zentrel.plan.AdapterAddress;
import zentrel.plan.AddressOrigin;
import zentrel.plan.Binding;
import zentrel.plan.Cable;
import zentrel.plan.Delivery;
import zentrel.plan.Id;
import zentrel.plan.Kind;
import zentrel.plan.Plan;
import zentrel.plan.Power;
import zentrel.plan.Purpose;
import zentrel.plan.Setting;
import zentrel.profile.ApplicationKind;
import zentrel.profile.Direction;
import zentrel.profile.HostKind;
import zentrel.profile.OperatingSystem;
import zentrel.profile.PortKind;
import zentrel.profile.Protocol;

/** Cases in which the path and the rehearsal once differed, as they were settled: by the kernel, a standard, or what is sent at all. */
class SettledCasesTest {
    private static final Id<Adapter> DESK = Kind.ADAPTER.id("desk.stream");
    private static final Id<Adapter> NODE = Kind.ADAPTER.id("node.net");

    /** A desk with two adapters, a node beside it or behind a router; one universe. */
    private static Plan rig(OperatingSystem system, boolean routed, Protocol protocol, Delivery delivery) {
        String far = routed ? "media" : "light";
        String address = routed ? "10.42.20.1" : "10.41.20.1";
        PlanSketch sketch = new PlanSketch("Case")
                .segment("light", "Light", "10.41.0.0/16", false, false)
                .segment("media", "Media", "10.42.0.0/16", false, false)
                .segment("talk", "Talk", "192.168.9.0/24", false, false);
        Optional<Ipv4Address> near = routed ? Optional.of(Ipv4Address.parse("10.41.0.1")) : Optional.empty();
        Optional<Ipv4Address> back = routed ? Optional.of(Ipv4Address.parse("10.42.0.1")) : Optional.empty();
        sketch.host(
                "desk",
                "Desk",
                HostKind.CONSOLE,
                "Hut",
                system,
                "",
                PlanSketch.adapter("desk", "Stream", "light", "10.41.1.1/16").withGateway(near),
                PlanSketch.adapter("desk", "Talk", "talk", "192.168.9.5/24"));
        sketch.host(
                "node",
                "Node",
                HostKind.NODE,
                "Trail",
                OperatingSystem.LINUX,
                "",
                PlanSketch.adapter("node", "Net", far, address + "/16").withGateway(back));
        if (routed) {
            sketch.host(
                    "router",
                    "Router",
                    HostKind.ROUTER,
                    "Hut",
                    OperatingSystem.FIRMWARE,
                    "",
                    PlanSketch.adapter("router", "Light", "light", "10.41.0.1/16"),
                    PlanSketch.adapter("router", "Media", "media", "10.42.0.1/16"));
        }
        sketch.application(
                "desk-app",
                "Desk",
                "desk",
                ApplicationKind.CONSOLE,
                "",
                Map.of(Purpose.ARTNET_SEND, "desk.stream", Purpose.SACN_SEND, "desk.stream"));
        sketch.application("node-app", "Node", "node", ApplicationKind.NODE, "", Map.of());
        sketch.universe("u", "U1", 1).stream("s", "desk-app", "u", protocol, delivery, 100, false);
        sketch.receiver(
                "in",
                "Node in",
                "node-app",
                Set.of(Protocol.ARTNET, Protocol.SACN),
                List.of(PlanSketch.port("p", "P1", PortKind.DMX, protocol, 1, "u")));
        Plan plan = sketch.plan();
        return delivery == Delivery.UNICAST
                ? plan.with(
                        Kind.STREAM.id("s"), x -> x.withDelivery(Delivery.UNICAST, List.of(Ipv4Address.parse(address))))
                : plan;
    }

    private static Plan vlan(Plan plan, Id<Adapter> at, int vlan) {
        return plan.with(at, a -> a.withPlug(a.plug().withVlan(Optional.of(Setting.of(vlan)))));
    }

    private static Plan address(Plan plan, Id<Adapter> at, String text) {
        AdapterAddress address = new AdapterAddress(Setting.of(HostAddress.parse(text)), AddressOrigin.MANUAL);
        return plan.with(at, a -> a.withAddresses(List.of(address)));
    }

    private static Plan bound(Plan plan, Purpose purpose, Binding to) {
        return plan.with(Kind.APPLICATION.id("desk-app"), a -> a.withBinding(purpose, Setting.of(to)));
    }

    /** The node behind two switches, the one beside it without power and its own cable out. */
    private static Plan darkSwitch(Plan plan) {
        PlanSketch boxes = new PlanSketch("boxes");
        for (String box : List.of("one", "two")) {
            boxes.host(box, box, HostKind.SWITCH, "Hut", OperatingSystem.FIRMWARE, "");
        }
        List<Cable> cables = new ArrayList<>(List.of(
                RandomRig.cable("trunk", Kind.HOST.id("one"), Kind.HOST.id("two")),
                RandomRig.cable("first", DESK, Kind.HOST.id("one")),
                RandomRig.cable("last", NODE, Kind.HOST.id("two")).withConnected(false)));
        return plan.with(
                        Kind.HOST,
                        Stream.concat(plan.hosts().stream(), boxes.plan().hosts().stream())
                                .toList())
                .with(Kind.CABLE, cables)
                .with(Kind.HOST.id("two"), h -> h.withPower(new Power(false, List.of(), Optional.empty())));
    }

    static Stream<Arguments> cases() {
        OperatingSystem linux = OperatingSystem.LINUX;
        OperatingSystem windows = OperatingSystem.WINDOWS;
        Plan routed = rig(linux, true, Protocol.SACN, Delivery.UNICAST);
        Plan found = rig(linux, false, Protocol.ARTNET, Delivery.FOUND);
        Plan group = rig(linux, false, Protocol.SACN, Delivery.MULTICAST);
        Plan one = rig(linux, false, Protocol.ARTNET, Delivery.UNICAST);
        return Stream.of(
                // the path was wrong: it looked at VLANs within a segment only
                of(
                        "a VLAN before the router",
                        vlan(vlan(routed, DESK, 10), Kind.ADAPTER.id("router.light"), 20),
                        "network.vlan"),
                of(
                        "a VLAN behind the router",
                        vlan(vlan(routed, NODE, 10), Kind.ADAPTER.id("router.media"), 20),
                        "network.vlan"),
                // the path was wrong: a poll to 10.41.255.255 is for nobody whose mask is another
                of("a poll that is not taken", address(found, NODE, "10.41.20.1/8"), "discovery.poll-differs"),
                // the path was wrong: a reply lists an input as an input, so nothing is sent there
                of(
                        "a port that is an input",
                        found.with(Kind.PORT.id("p"), p -> p.withDirection(Direction.INPUT)),
                        "universe.nobody-asked-as-input"),
                // the path was wrong: Linux sends by its routes (tried between namespaces)
                of(
                        "bound to the other adapter, on Linux",
                        bound(one, Purpose.ARTNET_SEND, Binding.to(Kind.ADAPTER.id("desk.talk"))),
                        ""),
                of(
                        "bound to the other adapter, on Windows",
                        bound(
                                rig(windows, false, Protocol.ARTNET, Delivery.UNICAST),
                                Purpose.ARTNET_SEND,
                                Binding.to(Kind.ADAPTER.id("desk.talk"))),
                        "adapter.wrong"),
                // the path was wrong: "Network is unreachable" (tried between namespaces)
                of(
                        "a group without a route, on Linux",
                        bound(group, Purpose.SACN_SEND, Binding.AUTOMATIC),
                        "adapter.automatic"),
                // the path was wrong: what is for itself goes nowhere
                of(
                        "a gateway that is its own address",
                        routed.with(DESK, a -> a.withGateway(Optional.of(Ipv4Address.parse("10.41.1.1")))),
                        "network.not-routed"),
                of("the receiver's address at the sender", address(one, DESK, "10.41.20.1/16"), "address.own"),
                // the path was wrong: it named the cable at the end first
                of("a dark switch before a cable that is out", darkSwitch(one), "power.off-between"),
                // the rehearsal was wrong: which group would be joined follows from the number
                of(
                        "a number that does not exist",
                        group.with(Kind.PORT.id("p"), p -> p.withWire(0)),
                        "universe.number-range-at-port"),
                of("as it should be", group, ""));
    }

    private static Arguments of(String name, Plan plan, String reason) {
        return Arguments.of(name, plan, reason);
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("cases")
    void bothSayWhatWasSettled(String name, Plan plan, String reason) throws Exception {
        Rehearsal rehearsal = new Rehearsal(plan, 1);
        rehearsal.run(6, done -> {});
        assertThat(rehearsal
                        .ending(
                                plan.index().stream(Kind.STREAM.id("s")),
                                plan.index().port(Kind.PORT.id("p")))
                        .map(e -> e.reason().code())
                        .orElse(""))
                .isEqualTo(reason);
        SignalPath path =
                new SignalPaths(plan).ofUniverse(Kind.UNIVERSE.id("u")).paths().get(0);
        assertThat(path.issues()
                        .filter(i -> i.verdict().compareTo(Verdict.AT_RISK) >= 0 && i.reason() != Reason.NOT_CONNECTED)
                        .map(Issue::reason)
                        .map(Reason::code)
                        .findFirst()
                        .orElse(""))
                .isEqualTo(reason);
    }
}
