package zentrel.check;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.params.provider.Arguments.arguments;

import java.util.ArrayList;
import java.util.Collections;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import zentrel.TestPlans;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.ipv4.Subnet;
import zentrel.patch.FixtureList;
import zentrel.plan.*;
import zentrel.plan.PatchRow.SlotRun;
import zentrel.profile.AdapterKind;
import zentrel.profile.Direction;
import zentrel.profile.HostKind;
import zentrel.profile.Need;
import zentrel.profile.OperatingSystem;
import zentrel.profile.Protocol;
import zentrel.profile.Traffic;

/** Each rule with and without its fault: the healthy rig gives nothing, the fault gives the rule, its hop and a fix. */
class RulesTest {
    private static final Plan PIER = TestPlans.pier();

    private static Plan address(Plan plan, String adapter, String address) {
        return plan.with(
                Kind.ADAPTER.id(adapter),
                a -> a.withAddress(
                        0, new AdapterAddress(Setting.of(HostAddress.parse(address)), AddressOrigin.MANUAL)));
    }

    private static Plan bind(Plan plan, String application, Purpose purpose, Binding binding) {
        return plan.with(Kind.APPLICATION.id(application), a -> a.withBinding(purpose, Setting.of(binding)));
    }

    private static Plan desk(UnaryOperator<Application> change) {
        return PIER.with(Kind.APPLICATION.id("desk"), change);
    }

    private static Plan stream(String id, UnaryOperator<zentrel.plan.Stream> change) {
        return PIER.with(Kind.STREAM.id(id), change);
    }

    private static Plan output(UnaryOperator<PixelOutput> change) {
        return PIER.with(Kind.PIXEL_OUTPUT.id("out-1"), change);
    }

    private static Plan port(String id, UnaryOperator<Port> change) {
        return PIER.with(Kind.PORT.id(id), change);
    }

    private static Plan without(Plan plan, String stream) {
        List<zentrel.plan.Stream> streams = new ArrayList<>(plan.streams());
        streams.removeIf(s -> s.id().value().equals(stream));
        return plan.with(Kind.STREAM, streams);
    }

    private static Plan fixture(String id, Break at) {
        return PIER.with(Kind.FIXTURE.id(id), f -> f.withBreak(0, at));
    }

    /** The desk's own list of fixtures, with another first row. */
    private static Plan listed(UnaryOperator<PatchRow> first) {
        FixtureList list = FixtureList.of(PIER);
        List<PatchRow> rows = new ArrayList<>(list.rows());
        rows.set(0, first.apply(rows.get(0)));
        PatchList made = new PatchList(
                Kind.PATCH_LIST.id("list"),
                "Desk list",
                Optional.of(Kind.APPLICATION.id("desk")),
                List.copyOf(list.has()),
                SlotStyle.USUAL,
                rows);
        return PIER.with(Kind.PATCH_LIST, List.of(made));
    }

    private static Plan receiver(String id, UnaryOperator<Receiver> change) {
        return PIER.with(Kind.RECEIVER.id(id), change);
    }

    private static Plan link(UnaryOperator<ControlLink> change) {
        return PIER.with(Kind.LINK.id("go"), change);
    }

    private static Plan power(String host, UnaryOperator<Power> change) {
        return PIER.with(Kind.HOST.id(host), h -> h.withPower(change.apply(h.power())));
    }

    /** The rail line with one fixture of almost as many unit loads as a line carries. */
    private static Plan heavy() {
        return PIER.with(Kind.FIXTURE.id("x1"), f -> f.withUnitLoads(31.5));
    }

    private static Plan adapter(String id, UnaryOperator<Adapter> change) {
        return PIER.with(Kind.ADAPTER.id(id), change);
    }

    private static Plan plug(String adapter, UnaryOperator<Plug> change) {
        return adapter(adapter, a -> a.withPlug(change.apply(a.plug())));
    }

    private static Plan hub(UnaryOperator<SwitchFeatures> change) {
        return PIER.with(Kind.HOST.id("hub"), h -> h.withSwitching(change.apply(h.switching())));
    }

    private static Plan attachment(UnaryOperator<Attachment> change) {
        return PIER.with(Kind.ATTACHMENT.id("view"), change);
    }

    /** Node A behind the gate, which the desk was told of. */
    private static Plan behindTheGate() {
        return address(
                        address(segment("house", x -> x.withGuests(false)), "node-a.net", "192.168.40.30/24"),
                        "gate.talk",
                        "10.77.0.9/16")
                .with(
                        Kind.ADAPTER.id("node-a.net"),
                        a -> a.withSegment(Kind.SEGMENT.id("house"))
                                .withGateway(Optional.of(Ipv4Address.parse("192.168.40.2")))
                                .withPlug(Plug.USUAL))
                .with(
                        Kind.ADAPTER.id("gate.talk"),
                        a -> a.withSegment(Kind.SEGMENT.id("light")).withServes(Optional.empty()))
                .with(Kind.ADAPTER.id("desk.light"), a -> a.withGateway(Optional.of(Ipv4Address.parse("10.77.0.9"))))
                .with(Kind.STREAM.id("s2-spare"), x -> x.withEnabled(false))
                .with(
                        Kind.CABLE,
                        PIER.cables().stream()
                                .filter(c -> !c.id().value().equals("ca"))
                                .toList());
    }

    /** A second switch, joined to the first by two cables. */
    private static Plan ring(boolean closed) {
        List<Host> hosts = new ArrayList<>(PIER.hosts());
        hosts.add(new Host(
                Kind.HOST.id("hub2"),
                "Second hub",
                HostKind.SWITCH,
                "",
                OperatingSystem.FIRMWARE,
                Optional.empty(),
                List.of(),
                Firewall.OPEN,
                SourceCheck.NONE));
        List<Cable> cables = new ArrayList<>(PIER.cables());
        for (int i = 1; i <= 2; i++) {
            cables.add(new Cable(
                    Kind.CABLE.id("c" + i),
                    "Between " + i,
                    CableKind.NETWORK,
                    Kind.HOST.id("hub"),
                    Kind.HOST.id("hub2"),
                    closed || i == 1));
        }
        return PIER.with(Kind.HOST, hosts).with(Kind.CABLE, cables);
    }

    @Test
    void oneGuardOnTheRingCutsIt() {
        for (String guarded : List.of("hub", "hub2")) {
            Plan plan = ring(true)
                    .with(
                            Kind.HOST.id(guarded),
                            h -> h.withSwitching(h.switching().withLoopGuard(true)));
            assertThat(Check.run(plan).findings()).as(guarded).isEmpty();
        }
        assertThat(Check.run(ring(false)).findings()).isEmpty();
        assertThat(Check.run(ring(true)
                                .with(
                                        Kind.HOST.id("hub2"),
                                        h -> h.withPower(h.power().withOn(false))))
                        .findings())
                .isEmpty();
    }

    private static Plan origin(String adapter, String address) {
        return adapter(
                adapter,
                a -> a.withAddresses(List.of(
                        new AdapterAddress(Setting.of(HostAddress.parse(address)), AddressOrigin.SELF_ASSIGNED))));
    }

    private static Plan segment(String id, UnaryOperator<Segment> change) {
        return PIER.with(Kind.SEGMENT.id(id), change);
    }

    /** Two ports of one page on Port-Addresses of two Sub-Nets, with their source. */
    private static Plan paged() {
        return PIER.with(
                        Kind.PORT.id("a2"), p -> p.withProtocol(Protocol.ARTNET).withWire(102))
                .with(
                        Kind.STREAM,
                        PIER.streams().stream()
                                .filter(s -> !s.id().value().equals("s2-spare"))
                                .map(s -> s.id().value().equals("s2")
                                        ? new zentrel.plan.Stream(
                                                s.id(),
                                                s.application(),
                                                s.universe(),
                                                Protocol.ARTNET,
                                                s.enabled(),
                                                s.standby(),
                                                s.label(),
                                                s.wire(),
                                                Delivery.FOUND,
                                                List.of(),
                                                s.priority(),
                                                s.ratePerSecond(),
                                                s.preview())
                                        : s)
                                .toList());
    }

    private static Plan wireless(Plan plan, String adapter) {
        return plan.with(
                Kind.ADAPTER.id(adapter),
                a -> new Adapter(
                        a.id(),
                        a.name(),
                        AdapterKind.WIRELESS,
                        a.segment(),
                        a.enabled(),
                        a.carrier(),
                        a.addresses(),
                        a.gateway(),
                        a.mac()));
    }

    private static Plan withoutReceiver(String id) {
        List<Receiver> receivers = new ArrayList<>(PIER.receivers());
        receivers.removeIf(r -> r.id().value().equals(id));
        List<Line> lines = new ArrayList<>(PIER.lines());
        lines.removeIf(l -> l.id().value().equals("lb1"));
        List<Fixture> fixtures = new ArrayList<>(PIER.fixtures());
        fixtures.replaceAll(f -> f.line().equals(Optional.of(Kind.LINE.id("lb1")))
                ? new Fixture(f.id(), f.number(), f.name(), f.place(), f.type(), Optional.empty(), f.breaks(), false)
                : f);
        return PIER.with(Kind.RECEIVER, receivers).with(Kind.LINE, lines).with(Kind.FIXTURE, fixtures);
    }

    private static final Id<Universe> N1 = Kind.UNIVERSE.id("n1");
    private static final Id<Universe> N3 = Kind.UNIVERSE.id("n3");

    /** The spare desk as a remote whose output is on. */
    private static Plan asRemote(Plan plan) {
        return plan.with(
                Kind.SESSION,
                plan.sessions().stream()
                        .map(s -> new Session(
                                s.id(),
                                s.name(),
                                s.key(),
                                s.versions(),
                                s.desks().stream()
                                        .map(m -> new Session.Desk(
                                                m.application(), m.part() == Part.BACKUP ? Part.REMOTE : m.part()))
                                        .toList()))
                        .toList());
    }

    static Stream<Arguments> faults() {
        return Stream.of(
                arguments("address.duplicate", "node-b.net", 6, address(PIER, "node-b.net", "10.77.20.3/16")),
                arguments("address.unreachable", "node-a.net", 4, address(PIER, "node-a.net", "192.168.44.3/24")),
                arguments("address.unreachable", "desk.light", 4, address(PIER, "desk.light", "10.78.1.1/16")),
                arguments("address.mask-differs", "node-b.net", 6, address(PIER, "node-b.net", "10.77.20.4/24")),
                arguments("discovery.no-return", "node-a.net", 4, address(PIER, "node-a.net", "10.77.20.3/24")),
                arguments("address.not-a-host", "node-a.net", 6, address(PIER, "node-a.net", "10.77.0.0/16")),
                arguments("address.not-a-host", "desk.light", 3, address(PIER, "desk.light", "10.77.255.255/16")),
                arguments(
                        "address.none",
                        "node-a.net",
                        6,
                        PIER.with(Kind.ADAPTER.id("node-a.net"), a -> a.withAddresses(List.of()))),
                arguments(
                        "adapter.wrong",
                        "desk",
                        2,
                        bind(PIER, "desk", Purpose.ARTNET_SEND, Binding.to(Kind.ADAPTER.id("desk.talk")))),
                arguments(
                        "adapter.wrong",
                        "desk",
                        7,
                        bind(PIER, "desk", Purpose.OSC_LISTEN, Binding.to(Kind.ADAPTER.id("desk.light")))),
                arguments("adapter.automatic", "desk", 2, bind(PIER, "desk", Purpose.SACN_SEND, Binding.AUTOMATIC)),
                arguments("adapter.loopback", "desk", 2, bind(PIER, "desk", Purpose.SACN_SEND, Binding.LOOPBACK)),
                arguments("adapter.loopback", "fw-a", 7, bind(PIER, "fw-a", Purpose.SACN_LISTEN, Binding.LOOPBACK)),
                arguments(
                        "program.not-running",
                        "desk",
                        1,
                        PIER.with(
                                Kind.APPLICATION.id("desk"),
                                a -> a.withInstalled(a.installed().withRunning(Optional.of(Setting.of(false)))))),
                arguments(
                        "program.not-ready",
                        "desk",
                        1,
                        PIER.with(
                                Kind.APPLICATION.id("desk"),
                                a -> a.withInstalled(a.installed().with(Need.OUTPUT, Optional.of(Setting.of(false)))))),
                arguments("program.address-range", "desk", 2, particular()),
                arguments("universe.no-local-copy", "tx", 4, withoutLocalCopy()),
                arguments("universe.own-levels", "second", 9, mixing()),
                arguments(
                        "adapter.unplugged",
                        "node-a.net",
                        6,
                        PIER.with(Kind.ADAPTER.id("node-a.net"), a -> a.withCarrier(false))),
                arguments(
                        "adapter.unplugged",
                        "desk.light",
                        3,
                        PIER.with(Kind.ADAPTER.id("desk.light"), a -> a.withEnabled(Setting.of(false)))),
                arguments(
                        "host.firewall",
                        "desk-box",
                        7,
                        PIER.with(
                                Kind.HOST.id("desk-box"),
                                h -> h.withFirewall(new Firewall(Setting.of(true), Set.of(Traffic.SACN))))),
                arguments("universe.no-source", "n1", 1, without(PIER, "s1")),
                arguments("universe.no-receiver", "n3", 4, withoutReceiver("rx-b")),
                arguments("universe.two-sources", "spare", 9, stream("s2-spare", s -> s.withPriority(100))),
                arguments("universe.off-by-one", "a1", 4, port("a1", p -> p.withWire(18))),
                arguments("universe.off-by-one", "a2", 6, port("a2", p -> p.withWire(101))),
                arguments("universe.off-by-one", "b1", 8, port("b1", p -> p.withWire(20))),
                arguments("universe.numbers-differ", "b1", 8, port("b1", p -> p.withWire(40))),
                arguments("universe.protocol-differs", "a1", 7, port("a1", p -> p.withProtocol(Protocol.SACN))),
                arguments("universe.not-enabled", "s1", 1, stream("s1", s -> s.withEnabled(false))),
                arguments(
                        "universe.not-enabled",
                        "desk",
                        1,
                        desk(a -> a.withOutput(
                                Protocol.ARTNET, a.output(Protocol.ARTNET).withEnabled(false)))),
                arguments("universe.not-enabled", "rx-b", 7, receiver("rx-b", r -> r.withInputOn(false))),
                arguments(
                        "universe.not-delivered",
                        "s1",
                        4,
                        stream("s1", s -> s.withDelivery(Delivery.UNICAST, List.of(Ipv4Address.parse("10.77.20.4"))))),
                arguments("universe.number-range", "s3", 1, stream("s3", s -> s.withWire(40000))),
                arguments("universe.number-range", "a2", 8, port("a2", p -> p.withWire(0))),
                arguments("universe.preview", "s2", 9, stream("s2", s -> s.withPreview(true))),
                arguments("port.direction", "a1", 4, port("a1", p -> p.withDirection(Direction.INPUT))),
                arguments("port.disabled", "a2", 9, port("a2", p -> p.withEnabled(false))),
                arguments("patch.overlap", "x2", 10, fixture("x2", new Break(N1, 20, 12))),
                arguments("patch.past-end", "x4", 10, fixture("x4", new Break(N3, 512, 2))),
                arguments("patch.line-differs", "x2", 10, fixture("x2", new Break(N3, 21, 12))),
                arguments(
                        "patch.differs",
                        "list",
                        10,
                        listed(r -> r.withRuns(List.of(new SlotRun(7, 40, r.footprint()))))),
                arguments(
                        "patch.mode-differs",
                        "list",
                        10,
                        listed(r -> r.withRuns(List.of(new SlotRun(
                                r.runs().get(0).universe(), r.runs().get(0).slot(), r.footprint() + 1))))),
                arguments(
                        "pixel.over-output",
                        "out-1",
                        10,
                        output(o -> o.withLimits(o.limits().withPixels(9)))),
                arguments(
                        "pixel.split",
                        "out-1",
                        10,
                        output(o -> o.withDivision(o.division().withFirstSlot(7)))),
                arguments(
                        "pixel.slow",
                        "out-1",
                        10,
                        output(o -> o.withLimits(o.limits().withRate(25)))),
                arguments(
                        "pixel.power",
                        "out-1",
                        10,
                        output(o -> o.withSupply(o.supply().withWatts(2)))),
                arguments(
                        "pixel.power",
                        "out-1",
                        10,
                        PIER.with(
                                        Kind.PIXEL_RUN.id("rail"),
                                        r -> r.withType(r.type().withMilliamps(2000))
                                                .withShape(PixelShape.strip(10, 0.5)))
                                .with(
                                        Kind.PIXEL_OUTPUT.id("out-1"),
                                        o -> o.withSupply(o.supply().withWatts(0)))),
                arguments("control.port-differs", "go", 8, link(l -> l.withPort(24611))),
                arguments("control.transport-differs", "go", 7, link(l -> l.withTransport(LinkTransport.TCP_LENGTH))),
                arguments(
                        "control.not-receiving",
                        "desk",
                        7,
                        desk(a -> a.withOsc(a.osc().orElseThrow().withReceiving(false)))),
                arguments(
                        "control.not-receiving",
                        "desk",
                        9,
                        desk(a -> a.withOsc(a.osc().orElseThrow().withHandling(false)))),
                arguments(
                        "control.wrong-target",
                        "go",
                        4,
                        link(l -> l.withDestination(Ipv4Address.parse("172.19.4.11")))),
                arguments(
                        "control.wrong-target", "go", 4, toTheBackup("\"to\":\"b\",\"destination\":\"10.71.0.2\"", "")),
                arguments("control.unmatched", "go", 10, link(l -> l.withPattern("/pier/stop"))),
                arguments("control.not-sending", "go", 1, link(l -> l.withEnabled(false))),
                arguments(
                        "universe.over-limit",
                        "desk",
                        1,
                        desk(a -> a.withInstalled(a.installed().withLicence(Optional.empty())))),
                arguments(
                        "fixture.not-connected",
                        "x2",
                        10,
                        PIER.with(Kind.FIXTURE.id("x2"), f -> f.withLine(Optional.empty()))),
                arguments(
                        "adapter.unplugged",
                        "node-a.net",
                        6,
                        PIER.with(Kind.CABLE.id("ca"), c -> c.withConnected(false))),
                arguments("line.loads", "la1", 0, heavy()),
                arguments("power.off", "node-a", 6, power("node-a", p -> p.withOn(false))),
                arguments("power.off", "desk-box", 3, power("desk-box", p -> p.withOn(false))),
                arguments(
                        "power.supplies-clash",
                        "node-a",
                        0,
                        power("node-a", p -> p.withSupplies(List.of("PoE", "DC 12 V")))),
                arguments("power.volts", "node-b", 0, power("node-b", p -> p.withVolts(Optional.of(24.0)))),
                arguments("power.poe-budget", "hub", 0, power("node-b", p -> p.withSupplies(List.of("PoE")))),
                arguments(
                        "cable.must-be-direct",
                        "cl",
                        0,
                        PIER.with(
                                Kind.CABLE.id("cl"),
                                c -> new Cable(c.id(), c.name(), c.kind(), c.from(), Kind.HOST.id("hub"), true))),
                arguments(
                        "adapter.stale-setting",
                        "memo",
                        0,
                        PIER.with(Kind.COPY.id("memo"), c -> c.withValue("172.19.4.9"))),
                arguments("address.link-local-mix", "node-b.net", 0, origin("node-b.net", "169.254.9.9/16")),
                arguments("address.in-dhcp-pool", "cue.talk", 0, address(PIER, "cue.talk", "172.19.4.120/22")),
                arguments(
                        "dhcp.two-servers",
                        "gate.talk",
                        0,
                        adapter(
                                "cue.talk",
                                a -> a.withServes(Optional.of(new DhcpServer(
                                        Setting.of(true),
                                        Ipv4Address.parse("172.19.5.1"),
                                        Ipv4Address.parse("172.19.5.9")))))),
                arguments(
                        "address.gateway",
                        "desk.light",
                        0,
                        adapter("desk.light", a -> a.withGateway(Optional.of(Ipv4Address.parse("10.78.0.1"))))),
                arguments("address.same-subnet-twice", "spare.talk", 0, address(PIER, "spare.talk", "10.77.9.9/16")),
                arguments("address.artnet-range", "node-a.net", 0, address(PIER, "node-a.net", "172.30.0.3/16")),
                arguments(
                        "address.public-routed",
                        "house",
                        0,
                        segment("house", s -> s.withSubnet(Optional.of(Subnet.parse("2.0.0.0/8"))))),
                arguments(
                        "adapter.port-shared",
                        "clock",
                        7,
                        PIER.with(
                                Kind.APPLICATION.id("clock"),
                                a -> a.withOsc(new OscInput(
                                        Setting.of(24610), Setting.of(true), Setting.of(true), List.of())))),
                arguments("network.load", "node-a.net", 5, PIER.with(Kind.STREAM.id("s2"), s -> s.withRate(15_000))),
                arguments(
                        "receiver.broadcast-load",
                        "node-c.net",
                        6,
                        PIER.with(Kind.STREAM.id("s3"), s -> s.withRate(2_000))),
                arguments("universe.rate", "s1", 9, PIER.with(Kind.STREAM.id("s1"), s -> s.withRate(60))),
                arguments("port.page", "a2", 8, paged()),
                arguments("network.wireless-stream", "node-a.net", 5, wireless(PIER, "node-a.net")),
                arguments(
                        "network.vlan",
                        "node-a.net",
                        5,
                        plug("node-a.net", p -> p.withVlan(Optional.of(Setting.of(30))))),
                arguments(
                        "network.slow-port", "node-a.net", 5, plug("node-a.net", p -> p.withMegabits(Optional.of(10)))),
                arguments("network.slow-port", "desk.light", 5, plug("desk.light", p -> p.withHalfDuplex(true))),
                arguments("network.multicast", "hub", 5, hub(s -> s.withQuerier(Setting.of(false)))),
                arguments("network.ttl", "s2", 5, behindTheGate()),
                arguments("network.loop", "c2", 5, ring(true)),
                arguments(
                        "universe.one-cid",
                        "spare",
                        9,
                        PIER.with(
                                Kind.APPLICATION.id("spare"),
                                a -> a.withInstalled(a.installed()
                                        .withCid(PIER.index()
                                                .application(Kind.APPLICATION.id("desk"))
                                                .installed()
                                                .cid())))),
                arguments("universe.sync", "s2", 9, stream("s2", s -> s.withSync(Optional.of(7001)))),
                arguments(
                        "universe.not-enabled",
                        "rx-a",
                        7,
                        receiver(
                                "rx-a",
                                r -> r.withTaking(
                                        r.taking().withRanges(Protocol.SACN, NumberRange.parse("1-64, 103-110"))))),
                arguments(
                        "universe.two-sources",
                        "spare",
                        9,
                        receiver("rx-a", r -> r.withTaking(r.taking().withSources(Optional.of(1))))),
                arguments("port.protocol", "a2", 7, port("a2", p -> p.withProtocol(Protocol.ARTNET))),
                arguments("previs.input-differs", "view", 7, attachment(a -> a.withChosen(Setting.of(false)))),
                arguments("previs.input-differs", "view", 1, attachment(a -> a.withSending(Setting.of(false)))),
                arguments(
                        "previs.input-differs",
                        "view",
                        4,
                        attachment(a -> a.withDestination(Optional.of(Setting.of(Ipv4Address.parse("172.19.4.77")))))),
                arguments(
                        "previs.input-differs",
                        "cues",
                        8,
                        PIER.with(Kind.APPLICATION.id("cues"), a -> a.withVersion("5.0.9"))),
                arguments(
                        "previs.input-differs",
                        "cues",
                        7,
                        PIER.with(
                                Kind.ATTACHMENT,
                                List.of(new Attachment(
                                        Kind.ATTACHMENT.id("view"),
                                        "Desk view",
                                        Kind.APPLICATION.id("desk"),
                                        Kind.APPLICATION.id("cues"),
                                        Setting.of(true),
                                        Setting.of(true),
                                        Optional.empty(),
                                        VersionRule.ANY,
                                        Optional.of("Desk driver 2"),
                                        "")))),
                arguments("network.exposed", "light", 5, segment("light", s -> s.withGuests(true))),
                arguments(
                        "network.isolated",
                        "talk",
                        5,
                        wireless(wireless(segment("talk", s -> s.withIsolated(true)), "cue.talk"), "desk.talk")),
                arguments(
                        "desk.backup-outranks",
                        "spare",
                        9,
                        PIER.with(Kind.STREAM.id("s2-spare"), s -> s.withPriority(120))),
                arguments("desk.remote-outputs", "spare", 9, asRemote(PIER)),
                arguments(
                        "desk.two-mains",
                        "pier-session",
                        0,
                        PIER.with(
                                Kind.SESSION.id("pier-session"),
                                s -> s.withDesks(s.desks().stream()
                                        .map(m -> new Session.Desk(m.application(), Part.PRIMARY))
                                        .toList()))),
                arguments(
                        "desk.version-differs",
                        "spare",
                        8,
                        PIER.with(Kind.APPLICATION.id("spare"), a -> a.withVersion("5.2.0"))),
                arguments(
                        "desk.session-differs",
                        "spare",
                        8,
                        PIER.with(
                                Kind.SESSION.id("pier-session"),
                                s -> s.withDesks(s.desks().stream()
                                        .map(m -> m.part() == Part.BACKUP ? m.withKey(Optional.of("other")) : m)
                                        .toList()))),
                arguments("desk.start-order", "view", 1, startedFirst()));
    }

    /** A desk that was started before the previs which must run first. */
    private static Plan startedFirst() {
        return zentrel.TestPlans.read("""
                {"zentrel-plan":1,"segments":[{"id":"n"}],
                 "profiles":[{"id":"own/desk","name":"Own desk","software":true,
                              "applications":[{"name":"Desk","kind":"console","start":{"seconds":20,"after":["previs"]}}]}],
                 "hosts":[{"id":"h","kind":"computer","adapters":[{"id":"a","segment":"n","addresses":["10.71.0.1/16"]}]},
                          {"id":"k","kind":"computer","adapters":[{"id":"b","segment":"n","addresses":["10.71.0.2/16"]}]}],
                 "applications":[{"id":"desk","host":"h","kind":"console","profile":"own/desk","bindings":{"session":["a"]}},
                                 {"id":"view","host":"k","kind":"previs","running":false,"bindings":{"session":["b"]}}],
                 "sessions":[{"id":"e","name":"Evening","desks":[{"application":"desk","part":"primary"},{"application":"view","part":"previs"}]}]}
                """.getBytes(java.nio.charset.StandardCharsets.UTF_8));
    }

    @Test
    void theHealthyRigGivesNothing() {
        Report report = Check.run(PIER);
        assertThat(report.findings()).isEmpty();
        assertThat(report.outcomes()).hasSameSizeAs(RuleBook.rules());
        assertThat(report.outcomes().values()).as("every rule met its subjects").containsOnly(Outcome.PASSES);
    }

    @ParameterizedTest(name = "{0} at {1}, hop {2}")
    @MethodSource("faults")
    void theFaultIsFoundWhereItDiesAndMended(String rule, String cause, int hop, Plan faulty) {
        Report report = Check.run(faulty);
        Finding finding = report.finding(rule + "@" + cause)
                .orElseThrow(() -> new AssertionError("not found among "
                        + report.findings().stream().map(Finding::id).toList()));
        assertThat(finding.hop().map(h -> h.number()).orElse(0)).isEqualTo(hop);
        assertThat(report.outcomes().get(rule))
                .isIn(Outcome.BROKEN, Outcome.AT_RISK, rule.equals("port.protocol") ? Outcome.NOTE : Outcome.BROKEN);
        assertThat(finding.text()).endsWith(".").doesNotContain("null");
        List<Fix> proven = Fixes.proven(report, finding);
        if (!rule.equals(
                "universe.no-receiver")) { // needs a spare port that can take it, which this rig has switched off
            assertThat(proven).as("a fix that mends and harms nothing").isNotEmpty();
        }
        for (Fix fix : proven) {
            Report after = Check.run(fix.edit().applyTo(faulty));
            assertThat(after.finding(finding.id())).as(fix.text()).isEmpty();
        }
    }

    /** A rule is asked again when a table that it read is another, and only then. */
    @Test
    void whatARuleReadIsNoted() {
        Report report = Check.run(PIER);
        Plan renamed = PIER.with(PIER.fixtures().get(0).id(), f -> f.withLine(f.line()));
        Report after = Check.after(report, renamed);
        Set<Said> before = Collections.newSetFromMap(new IdentityHashMap<>());
        RuleBook.rules().forEach(r -> before.add(report.said(r.id()).orElseThrow()));
        List<String> standing = RuleBook.rules().stream()
                .map(Rule::id)
                .filter(id -> before.contains(after.said(id).orElseThrow()))
                .toList();
        assertThat(standing).contains("address.duplicate", "address.gateway").doesNotContain("line.loads");
    }

    /** Below once a second there is no rate left to send at. */
    @Test
    void aLinkFullBeyondHelpHasNoFixThatSendsNothing() {
        Plan plan = plug("desk.light", p -> p.withMegabits(Optional.of(10)));
        zentrel.plan.Stream like = plan.index().stream(Kind.STREAM.id("s2"));
        List<Universe> universes = new ArrayList<>(plan.universes());
        List<zentrel.plan.Stream> streams =
                new ArrayList<>(plan.streams().stream().map(s -> s.withRate(1)).toList());
        for (int i = 0; i < 5_000; i++) {
            Id<Universe> universe = Kind.UNIVERSE.id("more-" + i);
            universes.add(new Universe(universe, "more", 1_000 + i, false));
            streams.add(new zentrel.plan.Stream(
                    Kind.STREAM.id("more-s-" + i),
                    like.application(),
                    universe,
                    Protocol.SACN,
                    Setting.of(true),
                    false,
                    Optional.empty(),
                    Optional.empty(),
                    Delivery.MULTICAST,
                    List.of(),
                    like.priority(),
                    1,
                    false));
        }
        Plan full = plan.with(Kind.UNIVERSE, universes).with(Kind.STREAM, streams);
        Finding finding = Check.run(full).finding("network.load@desk.light").orElseThrow();

        assertThat(finding.text()).contains("of 10 Mbit/s");
        assertThat(finding.fixes()).isEmpty();
    }

    /** A console that passes its input on, with levels of its own beside it. */
    private static Plan mixing() {
        return zentrel.TestPlans.read("""
                {"zentrel-plan":1,"segments":[{"id":"n"}],
                 "hosts":[{"id":"one","kind":"console","adapters":[{"id":"a1","segment":"n","addresses":["10.71.0.1/16"]}]},
                          {"id":"two","kind":"computer","adapters":[{"id":"a2","segment":"n","addresses":["10.71.0.2/16"]}]}],
                 "applications":[{"id":"first","host":"one","kind":"console"},
                                 {"id":"second","host":"two","kind":"console","outputs":{"sacn":{"ownLevels":true}},
                                  "bindings":{"sacn-send":"loopback","sacn-listen":["a2"]}},
                                 {"id":"view","host":"two","kind":"previs","bindings":{"sacn-listen":"loopback"}}],
                 "universes":[{"id":"u","number":1}],
                 "streams":[{"id":"s1","application":"first","universe":"u","protocol":"sacn","wire":1,"delivery":"multicast"},
                            {"id":"s2","application":"second","universe":"u","protocol":"sacn","wire":1,"delivery":"multicast"}],
                 "receivers":[{"id":"in","application":"second","ports":[{"id":"i","kind":"internal","protocol":"sacn","wire":1,"universe":"u"}]},
                              {"id":"r","application":"view","ports":[{"id":"p","kind":"internal","protocol":"sacn","wire":1,"universe":"u"}]}]}
                """.getBytes(java.nio.charset.StandardCharsets.UTF_8));
    }

    /** A desk on a computer with two adapters, bound to the one whose address its program does not use. */
    private static Plan particular() {
        return zentrel.TestPlans.read("""
                {"zentrel-plan":1,"segments":[{"id":"n","subnet":"10.71.0.0/16"}],
                 "profiles":[{"id":"own/desk","name":"Own desk","software":true,
                              "applications":[{"name":"Desk","kind":"console","accepts":["10.0.0.0/8"]}]}],
                 "hosts":[{"id":"h","kind":"computer","adapters":[{"id":"a","segment":"n","addresses":["172.20.0.1/16"]}]},
                          {"id":"k","kind":"node","adapters":[{"id":"b","segment":"n","addresses":["10.71.0.2/16"]}]}],
                 "applications":[{"id":"desk","host":"h","kind":"console","profile":"own/desk","bindings":{"sacn-send":["a"]}},
                                 {"id":"rx","host":"k","kind":"node"}],
                 "universes":[{"id":"u","number":5}],
                 "streams":[{"id":"s","application":"desk","universe":"u","protocol":"sacn","wire":5,"delivery":"multicast"}],
                 "receivers":[{"id":"r","application":"rx",
                               "ports":[{"id":"p","protocol":"sacn","wire":5,"universe":"u"}]}]}
                """.getBytes(java.nio.charset.StandardCharsets.UTF_8));
    }

    /** A console beside a previs on one computer that sends to the network only. */
    private static Plan withoutLocalCopy() {
        return zentrel.TestPlans.read("""
                {"zentrel-plan":1,"segments":[{"id":"n"}],
                 "hosts":[{"id":"h","kind":"computer","system":"linux",
                           "adapters":[{"id":"a","segment":"n","addresses":["10.71.0.1/16"]}]}],
                 "applications":[{"id":"tx","host":"h","kind":"console","outputs":{"sacn":{"alsoHere":false}}},
                                 {"id":"rx","host":"h","kind":"previs"}],
                 "universes":[{"id":"u","number":5}],
                 "streams":[{"id":"s","application":"tx","universe":"u","protocol":"sacn","wire":5,"delivery":"multicast"}],
                 "receivers":[{"id":"r","application":"rx",
                               "ports":[{"id":"p","kind":"internal","protocol":"sacn","wire":5,"universe":"u"}]}]}
                """.getBytes(java.nio.charset.StandardCharsets.UTF_8));
    }

    /** A cue player, a main desk and its backup. */
    static Plan toTheBackup(String target, String more) {
        return zentrel.TestPlans.read("""
                {"zentrel-plan":1,"segments":[{"id":"n"}],
                 "hosts":[{"id":"hm","kind":"console","adapters":[{"id":"am","segment":"n","addresses":["10.71.0.1/16"]}]},
                          {"id":"hb","kind":"console","adapters":[{"id":"ab","segment":"n","addresses":["10.71.0.2/16"]}]},
                          {"id":"hc","kind":"computer","adapters":[{"id":"ac","segment":"n","addresses":["10.71.0.3/16"]}]}],
                 "applications":[{"id":"m","name":"Main","host":"hm","kind":"console","osc":{"port":24610,"targets":["/show/next"]}},
                                 {"id":"b","name":"Backup","host":"hb","kind":"console","osc":{"port":24610,"targets":["/show/next"]}},
                                 {"id":"c","name":"Cues","host":"hc","kind":"show-control"}],
                 "sessions":[{"id":"e","name":"Evening","members":[{"application":"m","part":"primary"},{"application":"b","part":"backup"}]}],
                 "links":[{"id":"go","from":"c",%s,"port":24610,"pattern":"/show/next"}%s]}
                """.formatted(target, more).getBytes(java.nio.charset.StandardCharsets.UTF_8));
    }

    @Test
    void everyRuleBelongsToAnArea() {
        assertThat(RuleBook.rules()).allSatisfy(r -> assertThat(r.area()).isNotNull());
        assertThat(RuleBook.rules().stream().map(Rule::area).distinct()).containsExactlyInAnyOrder(Area.values());
    }

    @Test
    void everyRuleOfTheBookIsTriedHere() {
        List<String> tried = faults().map(a -> (String) a.get()[0]).distinct().toList();
        assertThat(RuleBook.rules()).extracting(Rule::id).containsExactlyInAnyOrderElementsOf(tried);
    }

    @Test
    void thePublishedCatalogueIsTheOneInForce() throws java.io.IOException {
        assertThat(java.nio.file.Files.readString(java.nio.file.Path.of("..", "docs", "rules.md")))
                .as("written by: ./zentrel rules > docs/rules.md")
                .isEqualTo(Catalogue.page());
    }

    @Test
    void anAddressInsideTheHostIsNoneOnANetwork() {
        Plan plan = address(PIER, "node-a.net", "127.0.0.9/8");
        Report report = Check.run(plan);
        Finding finding = report.finding("address.not-a-host@node-a.net").orElseThrow();
        assertThat(finding.text()).contains("127.0.0.9, which is in 127/8, which never leaves a host (RFC 1122)");
        assertThat(report.findings().stream().flatMap(f -> Fixes.proven(report, f).stream()))
                .isNotEmpty()
                .noneMatch(f -> f.text().contains(" 127."));
    }

    @Test
    void aNumberOutsideTheProtocolIsNoSecondMistakeAtThePort() {
        assertThat(Check.run(stream("s3", s -> s.withWire(40000))).findings())
                .extracting(Finding::id)
                .containsExactly("universe.number-range@s3");
    }

    @Test
    void aRuleThatMetNoSubjectSaysSo() {
        Report empty = Check.run(Plan.EMPTY);
        assertThat(empty.findings()).isEmpty();
        assertThat(empty.outcomes().values()).containsOnly(Outcome.NOT_APPLICABLE);
    }

    @Test
    void aNumberThatNobodySaidIsNotKnown() {
        Plan plan = port(
                "a1",
                p -> new Port(
                        p.id(),
                        p.name(),
                        p.kind(),
                        p.direction(),
                        p.enabled(),
                        p.protocol(),
                        Optional.empty(),
                        p.universe()));
        Report report = Check.run(plan);
        assertThat(report.findings()).isEmpty();
        assertThat(report.outcomes().get("universe.off-by-one")).isEqualTo(Outcome.NOT_KNOWN);
    }

    @Test
    void aFindingReadsAsASentenceWithTheRealNumbers() {
        Report report = Check.run(port("a1", p -> p.withWire(18)));
        assertThat(report.findings().get(0).text())
                .isEqualTo(
                        "Desk sends N1 as Art-Net Port-Address 17; Port 1 of Node A waits for 18. ".replace("N1", "U1")
                                + "Set the port to 17 (its screen shows 17).");
    }

    /** TRADE: healthy oddities give no finding. Common practice, no source. */
    static Stream<Arguments> oddities() {
        String computer = """
                {"zentrel-plan":1,"segments":[{"id":"seg"}],
                 "hosts":[{"id":"pc","kind":"computer","adapters":[%s]}],
                 "applications":[{"id":"con","host":"pc","kind":"console","bindings":%s},
                                 {"id":"pre","host":"pc","kind":"previs","bindings":%s}],
                 "universes":[{"id":"u","number":1}],
                 "streams":[{"id":"s","application":"con","universe":"u","protocol":"artnet","wire":0%s}],
                 "receivers":[{"id":"r","application":"pre","ports":[{"id":"p","kind":"internal","protocol":"artnet","wire":0,"universe":"u"}]}],
                 "fixtures":[{"id":"f","breaks":[{"universe":"u","start":1}]}]}
                """;
        String two = """
                {"zentrel-plan":1,"segments":[{"id":"seg"}],
                 "hosts":[{"id":"a","kind":"console","adapters":[{"id":"aa","segment":"seg","addresses":%s%s}]},
                          {"id":"b","kind":"node","adapters":[{"id":"bb","segment":"seg","addresses":%s}]}],
                 "applications":[{"id":"con","host":"a"},{"id":"fw","host":"b"}],
                 "universes":[{"id":"u","number":1}],
                 "streams":[{"id":"s","application":"con","universe":"u","protocol":"artnet","wire":0}],
                 "receivers":[{"id":"r","application":"fw","ports":[{"id":"p","protocol":"artnet","wire":0,"universe":"u"}]}],
                 "fixtures":[{"id":"f","breaks":[{"universe":"u","start":1}]}]}
                """;
        String virtual = "{\"id\":\"v\",\"kind\":\"virtual\",\"addresses\":[\"169.254.83.107/16\"]}";
        return Stream.of(
                arguments(
                        "two DHCP clients that end at 169.254",
                        two.formatted(
                                "[{\"address\":\"169.254.7.9/16\",\"origin\":\"self-assigned\"}]",
                                "",
                                "[{\"address\":\"169.254.201.3/16\",\"origin\":\"self-assigned\"}]")),
                arguments(
                        "DHCP clients of a house whose router is not described",
                        two.replace("{\"id\":\"seg\"}", "{\"id\":\"seg\",\"wayOut\":true}")
                                .formatted(
                                        "[{\"address\":\"192.168.8.20/24\",\"origin\":\"dhcp\"}]",
                                        "",
                                        "[\"192.168.8.5/24\"]")),
                arguments(
                        "virtual adapter left at 169.254, partners on this computer",
                        computer.formatted(virtual, "{\"artnet-send\":[\"v\"]}", "{\"artnet-listen\":[\"v\"]}", "")),
                arguments(
                        "Art-Net over 127.0.0.1",
                        computer.formatted(
                                "",
                                "{\"artnet-send\":\"loopback\"}",
                                "{\"artnet-listen\":\"loopback\"}",
                                ",\"to\":[\"127.0.0.1\"]")),
                arguments(
                        "hosts ending in .0 and .255 in a /8",
                        two.formatted("[\"2.9.4.0/8\"]", "", "[\"2.9.4.255/8\"]")),
                arguments(
                        "a gateway that nobody needs",
                        two.formatted("[\"10.3.3.3/16\"]", ",\"gateway\":\"10.3.0.1\"", "[\"10.3.3.4/16\"]")),
                arguments(
                        "two hosts in a /31 (RFC 3021)", two.formatted("[\"10.3.3.2/31\"]", "", "[\"10.3.3.3/31\"]")));
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("oddities")
    void healthyOdditiesGiveNothing(String what, String json) {
        Plan plan = TestPlans.read(json.getBytes(java.nio.charset.StandardCharsets.UTF_8));
        assertThat(Check.run(plan).findings())
                .as(what)
                .filteredOn(f -> f.severity() != Severity.NOTE)
                .isEmpty();
    }

    @Test
    void aFixThatGivesAnotherAddressChangesWhereItIsTypedIn() {
        Plan plan = address(PIER, "desk.talk", "172.19.7.255/22")
                .with(Kind.LINK.id("go"), l -> l.withDestination(Ipv4Address.parse("172.19.7.255")))
                .with(Kind.COPY.id("memo"), c -> c.withValue("172.19.7.255"));
        Report report = Check.run(plan);
        Finding finding = report.finding("address.not-a-host@desk.talk").orElseThrow();
        List<Fix> proven = Fixes.proven(report, finding);
        assertThat(proven).isNotEmpty();
        assertThat(Check.run(proven.get(0).edit().applyTo(plan)).findings()).isEmpty();
    }

    @Test
    void aFixOfADuplicateTakesTypedCopiesAlong() {
        Plan plan = address(PIER, "node-b.net", "10.77.20.3/16")
                .with(
                        Kind.STREAM.id("s3"),
                        s -> s.withDelivery(Delivery.UNICAST, List.of(Ipv4Address.parse("10.77.20.3"))));
        Report report = Check.run(plan);
        Finding finding = report.finding("address.duplicate@node-b.net").orElseThrow();
        Fix fix = Fixes.proven(report, finding).get(0);
        Plan mended = fix.edit().applyTo(plan);
        Ipv4Address moved = mended.index()
                .adapter(Kind.ADAPTER.id("node-b.net"))
                .addresses()
                .get(0)
                .inForce()
                .address();
        assertThat(mended.index().stream(Kind.STREAM.id("s3")).to()).contains(moved);
        assertThat(Check.run(mended).isBroken()).isFalse();
    }
}
