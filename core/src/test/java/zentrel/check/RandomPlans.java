package zentrel.check;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.function.UnaryOperator;
import zentrel.demo.PlanSketch;
import zentrel.gear.DeviceFactory;
import zentrel.gear.Library;
import zentrel.gear.PlanRemoval;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.plan.*;
import zentrel.profile.ApplicationKind;
import zentrel.profile.Direction;
import zentrel.profile.HostKind;
import zentrel.profile.OperatingSystem;
import zentrel.profile.PortKind;
import zentrel.profile.Protocol;

/** Seeded random rigs: healthy ones, and single mistakes to put into them. */
public final class RandomPlans {
    private RandomPlans() {}

    /** A healthy rig of random size, protocols, deliveries and numbers. */
    public static Plan healthy(long seed) {
        Random random = new Random(seed);
        int net = random.nextInt(200) + 11;
        boolean wide = random.nextBoolean();
        String mask = wide ? "/8" : "/16";
        PlanSketch s = new PlanSketch("Random " + seed);
        s.segment("stream", "Stream", wide ? "10.0.0.0/8" : "10." + net + ".0.0/16", false, false);
        s.segment("control", "Control", "172.20.0.0/16", false, false);
        int desks = 1 + random.nextInt(2);
        for (int d = 0; d < desks; d++) {
            s.host(
                    "desk-host" + d,
                    "Desk host " + d,
                    HostKind.CONSOLE,
                    "Hut",
                    OperatingSystem.LINUX,
                    "p",
                    PlanSketch.adapter("desk-host" + d, "Stream", "stream", "10." + net + ".1." + (d + 1) + mask),
                    PlanSketch.adapter("desk-host" + d, "Control", "control", "172.20.1." + (d + 1) + "/16"));
            s.application(
                            "desk" + d,
                            "Desk " + d,
                            "desk-host" + d,
                            ApplicationKind.CONSOLE,
                            "4.2." + random.nextInt(3),
                            java.util.Map.of(
                                    Purpose.ARTNET_SEND, "desk-host" + d + ".stream",
                                    Purpose.SACN_SEND, "desk-host" + d + ".stream",
                                    Purpose.OSC_LISTEN, "desk-host" + d + ".control",
                                    Purpose.PREVIS_LINK, "desk-host" + d + ".control"))
                    .with(a -> a.withOsc(new OscInput(
                            Setting.of(24710),
                            Setting.of(true),
                            Setting.of(true),
                            List.of("/lights/next", "/lights/previous"))));
        }
        int universes = 2 + random.nextInt(6);
        int offset = random.nextInt(300);
        Protocol[] protocols = new Protocol[universes + 1];
        List<Port> ports = new ArrayList<>();
        for (int u = 1; u <= universes; u++) {
            Protocol protocol = random.nextBoolean() ? Protocol.ARTNET : Protocol.SACN;
            protocols[u] = protocol;
            s.universe("u" + u, "Universe " + u, u);
            Delivery delivery = protocol == Protocol.SACN
                    ? Delivery.MULTICAST
                    : List.of(Delivery.FOUND, Delivery.BROADCAST, Delivery.LIMITED_BROADCAST)
                            .get(random.nextInt(3));
            for (int d = 0; d < desks; d++) {
                s.stream(
                        "s" + d + "u" + u,
                        "desk" + d,
                        "u" + u,
                        protocol,
                        delivery,
                        100 - 10 * d,
                        d > 0 && protocol == Protocol.ARTNET);
            }
        }
        int nodes = 1 + random.nextInt(4);
        List<List<Port>> byNode = new ArrayList<>();
        for (int n = 0; n < nodes; n++) {
            byNode.add(new ArrayList<>());
        }
        for (int u = 1; u <= universes; u++) {
            int n = random.nextInt(nodes);
            Port port =
                    PlanSketch.port("n" + n + "p" + u, "Port " + u, PortKind.DMX, protocols[u], u + offset, "u" + u);
            byNode.get(n).add(port);
            ports.add(port);
        }
        for (int n = 0; n < nodes; n++) {
            s.host(
                    "node" + n,
                    "Node " + n,
                    HostKind.NODE,
                    "Yard",
                    OperatingSystem.FIRMWARE,
                    "p",
                    PlanSketch.adapter("node" + n, "Net", "stream", "10." + net + ".20." + (n + 1) + mask));
            s.application("fw" + n, "Firmware " + n, "node" + n, ApplicationKind.NODE, "", java.util.Map.of());
            s.receiver("rx" + n, "Node " + n, "fw" + n, Set.of(Protocol.ARTNET, Protocol.SACN), byNode.get(n));
        }
        for (Port port : ports) {
            s.line(
                    "line-" + port.id().value(),
                    "Line " + port.id().value(),
                    port.id().value());
            int start = 1;
            for (int i = 0; i < 1 + random.nextInt(5); i++) {
                int footprint = 1 + random.nextInt(40);
                s.fixture(
                        "f-" + port.id().value() + "-" + i,
                        String.valueOf(i),
                        "Fixture",
                        "Yard",
                        "t",
                        "line-" + port.id().value(),
                        new Break(port.universe().orElseThrow(), start, footprint));
                start += footprint + random.nextInt(10);
            }
        }
        s.host(
                "cue-host",
                "Cue host",
                HostKind.COMPUTER,
                "Hut",
                OperatingSystem.WINDOWS,
                "p",
                PlanSketch.adapter("cue-host", "Control", "control", "172.20.5.5/16"));
        s.application("cues", "Cues", "cue-host", ApplicationKind.SHOW_CONTROL, "", java.util.Map.of());
        s.link("go", "Go", "cues", "desk0", "172.20.1.1", 24710, "/lights/next", random.nextBoolean());
        s.session(
                "session",
                "Session",
                "k",
                VersionRule.MAJOR_MINOR,
                new Session.Desk(Kind.APPLICATION.id("desk0"), Part.PRIMARY));
        Plan plan = s.plan();
        List<zentrel.plan.Stream> streams = new ArrayList<>(plan.streams());
        streams.replaceAll(x -> x.withWire(plan.index().universe(x.universe()).number() + offset));
        Plan rig = plan.with(Kind.STREAM, streams)
                .with(
                        Kind.ATTACHMENT,
                        List.of(new Attachment(
                                Kind.ATTACHMENT.id("view"),
                                "View",
                                Kind.APPLICATION.id("desk0"),
                                Kind.APPLICATION.id("cues"),
                                Setting.of(true),
                                Setting.of(true),
                                java.util.Optional.empty(),
                                VersionRule.ANY,
                                java.util.Optional.empty(),
                                "a green dot")));
        return random.nextBoolean() ? cabled(rig, random) : rig;
    }

    /** The stream network with its cables described: each box to a hub, or some in a chain behind another. */
    private static Plan cabled(Plan plan, Random random) {
        List<Host> hosts = new ArrayList<>(plan.hosts());
        Id<Host> hub = Kind.HOST.id("hub");
        hosts.add(new Host(
                hub,
                "Hub",
                HostKind.SWITCH,
                "Yard",
                OperatingSystem.FIRMWARE,
                java.util.Optional.empty(),
                List.of(),
                Firewall.OPEN,
                SourceCheck.NONE));
        List<Cable> cables = new ArrayList<>();
        Id<Host> second = Kind.HOST.id("hub2");
        boolean chained = random.nextBoolean();
        if (chained) {
            hosts.add(new Host(
                    second,
                    "Second hub",
                    HostKind.SWITCH,
                    "Yard",
                    OperatingSystem.FIRMWARE,
                    java.util.Optional.empty(),
                    List.of(),
                    Firewall.OPEN,
                    SourceCheck.NONE));
            cables.add(new Cable(Kind.CABLE.id("between"), "between", CableKind.NETWORK, hub, second, true));
        }
        for (Adapter adapter : plan.index().adaptersOn(Kind.SEGMENT.id("stream"))) {
            Id<Host> at = chained && random.nextBoolean() ? second : hub;
            cables.add(new Cable(
                    Kind.CABLE.id("c-" + adapter.id().value()),
                    "c-" + adapter.id().value(),
                    CableKind.NETWORK,
                    adapter.id(),
                    at,
                    true));
        }
        return plan.with(Kind.HOST, hosts).with(Kind.CABLE, cables);
    }

    /** A healthy rig, every sixth with a router on the way to one of its nodes. */
    public static Plan rig(long seed) {
        Plan plan = healthy(seed);
        HostAddress desk = plan.index()
                .adapter(Kind.ADAPTER.id("desk-host0.stream"))
                .addresses()
                .get(0)
                .inForce();
        boolean room = desk.prefixLength() == 16; // a wider mask would cover what is behind the router
        return seed % 3 > 0 && room && plan.cables().isEmpty() ? routed(plan, desk) : plan;
    }

    /** The first node is moved behind a router, both ends are told of it, and what was sent to the node goes to its address. */
    private static Plan routed(Plan plan, HostAddress desk) {
        Ipv4Address near = desk.address().plus(200);
        HostAddress node = HostAddress.parse("10.10.20.1/16");
        Ipv4Address far = Ipv4Address.parse("10.10.0.1");
        List<Segment> segments = new ArrayList<>(plan.segments());
        segments.add(new Segment(Kind.SEGMENT.id("yard"), "Yard", java.util.Optional.of(node.subnet()), false, false));
        List<Host> hosts = new ArrayList<>(plan.hosts());
        hosts.add(new Host(
                Kind.HOST.id("router"),
                "Router",
                HostKind.ROUTER,
                "Hut",
                OperatingSystem.FIRMWARE,
                java.util.Optional.empty(),
                List.of(
                        PlanSketch.adapter("router", "In", "stream", near + "/" + desk.prefixLength()),
                        PlanSketch.adapter("router", "Out", "yard", far + "/16")),
                Firewall.OPEN,
                SourceCheck.NONE));
        Plan next = plan.with(Kind.SEGMENT, segments)
                .with(Kind.HOST, hosts)
                .with(
                        Kind.ADAPTER.id("node0.net"),
                        a -> a.withSegment(Kind.SEGMENT.id("yard"))
                                .withAddress(0, new AdapterAddress(Setting.of(node), AddressOrigin.MANUAL))
                                .withGateway(java.util.Optional.of(far)));
        for (Adapter adapter : plan.index().adaptersOn(Kind.SEGMENT.id("stream"))) {
            if (adapter.id().value().startsWith("desk")) {
                next = next.with(adapter.id(), a -> a.withGateway(java.util.Optional.of(near)));
            }
        }
        for (zentrel.plan.Stream stream : plan.streams()) {
            if (plan.index().takes(Kind.HOST.id("node0"), stream.universe())) {
                next = next.with(stream.id(), s -> s.withDelivery(Delivery.UNICAST, List.of(node.address())));
            }
        }
        return next;
    }

    private static <T> T any(List<T> list, Random random) {
        return list.get(random.nextInt(list.size()));
    }

    /** Puts one random mistake in. Some mistakes change nothing that matters; that is part of the test. */
    public static Plan mistake(Plan plan, Random random) {
        PlanIndex index = plan.index();
        List<Adapter> adapters =
                plan.hosts().stream().flatMap(h -> h.adapters().stream()).toList();
        Adapter adapter = any(adapters, random);
        zentrel.plan.Stream stream = any(plan.streams(), random);
        Receiver receiver =
                any(plan.receivers().stream().filter(r -> !r.ports().isEmpty()).toList(), random);
        Port port = any(receiver.ports(), random);
        Fixture fixture = any(plan.fixtures(), random);
        Application desk = index.application(Kind.APPLICATION.id("desk0"));
        return switch (random.nextInt(39)) {
            case 0 ->
                address(plan, adapter, any(adapters, random).addresses().get(0).inForce());
            case 1 ->
                address(
                        plan,
                        adapter,
                        new HostAddress(adapter.addresses().get(0).inForce().address(), 24));
            case 2 -> address(plan, adapter, HostAddress.parse("192.168.77." + (1 + random.nextInt(200)) + "/24"));
            case 3 ->
                address(
                        plan,
                        adapter,
                        new HostAddress(
                                adapter.addresses().get(0).inForce().subnet().network(), 16));
            case 4 -> plan.with(adapter.id(), a -> a.withCarrier(false));
            case 5 -> plan.with(adapter.id(), a -> a.withEnabled(Setting.of(false)));
            case 6 -> bind(plan, desk, Purpose.SACN_SEND, Binding.LOOPBACK);
            case 7 -> bind(plan, desk, Purpose.ARTNET_SEND, Binding.to(Kind.ADAPTER.id("desk-host0.control")));
            case 8 -> bind(plan, desk, Purpose.SACN_SEND, Binding.AUTOMATIC);
            case 9 ->
                plan.with(
                        port.id(),
                        p -> p.withWire(p.wire().map(w -> w.inForce() + 1).orElse(1)));
            case 10 -> plan.with(port.id(), p -> p.withWire(random.nextInt(2000) - 2));
            case 11 ->
                plan.with(port.id(), p -> p.withProtocol(p.protocol().inForce().other()));
            case 12 -> plan.with(port.id(), p -> p.withDirection(Direction.INPUT));
            case 13 -> plan.with(port.id(), p -> p.withEnabled(false));
            case 14 -> plan.with(stream.id(), s -> s.withEnabled(false));
            case 15 -> plan.with(stream.id(), s -> s.withWire(random.nextInt(400)));
            case 16 -> plan.with(stream.id(), s -> s.withPriority(100));
            case 17 ->
                plan.with(fixture.id(), at(new Break(fixture.breaks().get(0).universe(), 1 + random.nextInt(600), 20)));
            case 18 -> plan.with(Kind.LINK.id("go"), l -> l.withPort(24711));
            case 19 -> plan.with(Kind.LINK.id("go"), l -> l.withDestination(Ipv4Address.parse("172.20.9.9")));
            case 20 -> plan.with(desk.id(), a -> a.withOsc(a.osc().orElseThrow().withReceiving(false)));
            case 21 -> plan.with(receiver.id(), r -> r.withInputOn(false));
            case 22 -> {
                Host host = any(plan.hosts(), random);
                yield plan.with(host.id(), h -> h.withPower(h.power().withOn(false)));
            }
            case 23 -> plan.with(fixture.id(), f -> f.withLine(java.util.Optional.empty()));
            case 24 ->
                plan.cables().isEmpty()
                        ? plan
                        : plan.with(any(plan.cables(), random).id(), c -> c.withConnected(false));
            case 25 -> {
                Line line = any(plan.lines(), random);
                List<Cable> cables = new ArrayList<>(plan.cables());
                cables.add(new Cable(
                        Kind.CABLE.id(Ids.free(plan, "dmx-out")), "out", CableKind.DMX, line.port(), line.id(), false));
                yield plan.with(Kind.CABLE, cables);
            }
            case 26 -> {
                Host fed = any(plan.hosts(), random);
                Host feeder = any(plan.hosts(), random);
                List<Cable> cables = new ArrayList<>(plan.cables());
                if (!fed.id().equals(feeder.id())) {
                    cables.add(new Cable(
                            Kind.CABLE.id(Ids.free(plan, "power-in")),
                            "power in",
                            CableKind.POWER,
                            feeder.id(),
                            fed.id(),
                            random.nextBoolean()));
                }
                yield plan.with(Kind.CABLE, cables);
            }
            case 27 -> {
                Host host = any(plan.hosts(), random);
                yield plan.with(host.id(), h -> h.withPower(h.power().withSupplies(List.of("PoE"))));
            }
            case 28 -> plan.with(adapter.id(), a -> a.withPlug(a.plug().withHalfDuplex(true)));
            case 29 ->
                plan.with(
                        adapter.id(),
                        a -> a.withPlug(a.plug().withVlan(java.util.Optional.of(Setting.of(10 + random.nextInt(2))))));
            case 30 -> vlans(plan, random);
            case 31 -> {
                Host host = any(plan.hosts(), random);
                yield plan.with(
                        host.id(),
                        h -> h.withSwitching(new SwitchFeatures(
                                Setting.of(true), Setting.of(random.nextBoolean()), random.nextBoolean(), false)));
            }
            case 32 -> ring(plan, random);
            case 33 -> plan.with(stream.id(), s -> s.withSync(java.util.Optional.of(7000)));
            case 34 ->
                plan.with(
                        Kind.APPLICATION,
                        plan.applications().stream()
                                .map(a -> a.withInstalled(a.installed().withCid(java.util.Optional.of("one of them"))))
                                .toList());
            case 35 ->
                plan.with(
                        receiver.id(),
                        r -> r.withTaking(r.taking()
                                .withRanges(Protocol.SACN, List.of(new NumberRange(1, 1 + random.nextInt(200))))
                                .withSources(java.util.Optional.of(1))));
            case 36 -> {
                int what = random.nextInt(4);
                yield plan.with(
                        Kind.ATTACHMENT.id("view"),
                        a -> what == 0
                                ? a.withChosen(Setting.of(false))
                                : what == 1
                                        ? a.withSending(Setting.of(false))
                                        : a.withDestination(java.util.Optional.of(
                                                Setting.of(Ipv4Address.parse("172.20.5." + (what == 2 ? 5 : 6))))));
            }
            case 37 ->
                plan.with(
                        adapter.id(),
                        a -> a.withGateway(a.gateway()
                                .map(g -> g.plus(1 + random.nextInt(2)))
                                .filter(g -> random.nextBoolean())));
            default -> {
                Line line = any(plan.lines(), random);
                yield plan.with(
                        Kind.FIXTURE,
                        plan.fixtures().stream()
                                .map(f -> f.line().filter(line.id()::equals).isPresent() ? f.withUnitLoads(12) : f)
                                .toList());
            }
        };
    }

    /** Every socket in one of two VLANs. */
    /** Devices come and go, are named otherwise and set otherwise, cables are pulled: what no finding asks for. */
    public static Plan change(Plan plan, Random random) {
        if (plan.hosts().isEmpty()) {
            return plan;
        }
        Host host = any(plan.hosts(), random);
        return switch (random.nextInt(8)) {
            case 0 -> {
                Plan left = PlanRemoval.of(plan, List.of(host.id())).edit().applyTo(plan);
                boolean enough = !host.id().value().startsWith("desk")
                        && !left.receivers().isEmpty()
                        && !left.fixtures().isEmpty();
                yield enough ? left : plan; // mistakes are made to these
            }
            case 1 -> plan.with(host.id(), h -> h.withName("Renamed " + random.nextInt(3)));
            case 2 ->
                plan.with(
                        host.id(),
                        h -> h.withPower(new Power(!h.power().on(), h.power().supplies(), Optional.empty())));
            case 3 -> made(plan, "house/switch-managed", random);
            case 4 -> made(plan, "house/access-point", random);
            case 5 ->
                plan.with(
                        Kind.CABLE,
                        plan.cables().stream()
                                .map(c -> random.nextInt(3) == 0 ? c.withConnected(!c.connected()) : c)
                                .toList());
            case 6 ->
                plan.with(
                        Kind.HOST,
                        plan.hosts().stream()
                                .map(h -> h.withSwitching(new SwitchFeatures(
                                        Setting.of(h.kind() == HostKind.SWITCH),
                                        Setting.of(random.nextInt(2) == 0),
                                        true,
                                        false)))
                                .toList());
            default ->
                plan.with(
                        Kind.APPLICATION,
                        plan.applications().stream()
                                .map(a -> random.nextInt(4) == 0 ? a.withName("Namesake") : a)
                                .toList());
        };
    }

    /** A new device on the segment of another. */
    private static Plan made(Plan plan, String profile, Random random) {
        Plan next = DeviceFactory.boxes(
                        plan, Library.shipped(), Library.shipped().find(profile).orElseThrow(), 1, "", "")
                .edit()
                .applyTo(plan);
        Host added = next.hosts().get(next.hosts().size() - 1);
        if (plan.segments().isEmpty()) {
            return next;
        }
        Id<Segment> segment = any(plan.segments(), random).id();
        for (Adapter adapter : added.adapters()) {
            next = next.with(adapter.id(), a -> a.withSegment(segment));
        }
        return next;
    }

    private static Plan vlans(Plan plan, Random random) {
        Plan next = plan;
        for (Adapter adapter : plan.index().adaptersOn(Kind.SEGMENT.id("stream"))) {
            int vlan = random.nextInt(4) == 0 ? 30 : 20;
            next = next.with(adapter.id(), a -> a.withPlug(a.plug().withVlan(java.util.Optional.of(Setting.of(vlan)))));
        }
        return next;
    }

    /** A second cable between two hubs, or from a hub to itself. */
    private static Plan ring(Plan plan, Random random) {
        List<Host> hubs =
                plan.hosts().stream().filter(h -> h.kind() == HostKind.SWITCH).toList();
        if (hubs.size() < 2) {
            return plan;
        }
        List<Cable> cables = new ArrayList<>(plan.cables());
        cables.add(new Cable(
                Kind.CABLE.id(Ids.free(plan, "again")),
                "again",
                CableKind.NETWORK,
                hubs.get(0).id(),
                hubs.get(1).id(),
                true));
        Plan next = plan.with(Kind.CABLE, cables);
        return random.nextInt(3) > 0
                ? next
                : next.with(hubs.get(1).id(), h -> h.withSwitching(h.switching().withLoopGuard(true)));
    }

    private static UnaryOperator<Fixture> at(Break b) {
        return f -> f.withBreak(0, b);
    }

    private static Plan address(Plan plan, Adapter adapter, HostAddress address) {
        return plan.with(
                adapter.id(), a -> a.withAddress(0, new AdapterAddress(Setting.of(address), AddressOrigin.MANUAL)));
    }

    private static Plan bind(Plan plan, Application application, Purpose purpose, Binding binding) {
        return plan.with(application.id(), a -> a.withBinding(purpose, Setting.of(binding)));
    }
}
