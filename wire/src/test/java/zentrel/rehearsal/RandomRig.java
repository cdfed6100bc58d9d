package zentrel.rehearsal;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import zentrel.demo.PlanSketch;
import zentrel.ipv4.Ipv4Address;
import zentrel.plan.Adapter;
import zentrel.plan.Cable;
import zentrel.plan.CableKind;
import zentrel.plan.Delivery;
import zentrel.plan.Id;
import zentrel.plan.Kind;
import zentrel.plan.Plan;
import zentrel.plan.Port;
import zentrel.plan.Purpose;
import zentrel.plan.Route;
import zentrel.profile.ApplicationKind;
import zentrel.profile.HostKind;
import zentrel.profile.OperatingSystem;
import zentrel.profile.PortKind;
import zentrel.profile.Protocol;

/** A small rig at random in which everything arrives: consoles, nodes, a previs; one or two networks, cables said or not. */
final class RandomRig {
    private final Random random;
    private final PlanSketch sketch = new PlanSketch("Rig");
    private final boolean twoNetworks;
    private final boolean cabled;
    private final List<Cable> cables = new ArrayList<>();
    private final List<Stream> streams = new ArrayList<>();

    private record Stream(String id, Delivery delivery, List<Ipv4Address> to) {}

    private record Receiver(String id, String network, String address, OperatingSystem system) {}

    private RandomRig(long seed) {
        random = new Random(seed);
        twoNetworks = random.nextInt(3) == 0;
        cabled = random.nextInt(5) < 2;
    }

    static Plan of(long seed) {
        return new RandomRig(seed).build();
    }

    private <T> T one(List<T> of) {
        return of.get(random.nextInt(of.size()));
    }

    private Plan build() {
        sketch.segment("light", "Light", "10.41.0.0/16", false, false);
        sketch.segment("media", "Media", "10.42.0.0/16", false, false);
        List<String> networks = twoNetworks ? List.of("light", "media") : List.of("light");
        if (twoNetworks) {
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
        List<Receiver> receivers = new ArrayList<>();
        int count = 1 + random.nextInt(3);
        for (int i = 0; i < count; i++) {
            String network = one(networks);
            receivers.add(new Receiver(
                    "node" + i,
                    network,
                    (network.equals("light") ? "10.41.20." : "10.42.20.") + (i + 1),
                    one(List.of(OperatingSystem.LINUX, OperatingSystem.WINDOWS))));
        }
        List<List<Port>> ports = new ArrayList<>();
        receivers.forEach(r -> ports.add(new ArrayList<>()));
        int consoles = 1 + random.nextInt(2);
        int universe = 1;
        for (int c = 0; c < consoles; c++) {
            String id = "desk" + c;
            String network = one(networks);
            boolean second = random.nextInt(3) == 0;
            OperatingSystem system = one(List.of(OperatingSystem.LINUX, OperatingSystem.WINDOWS));
            List<Adapter> adapters = new ArrayList<>();
            adapters.add(adapter(id, "Stream", network, (network.equals("light") ? "10.41.1." : "10.42.1.") + (c + 1)));
            if (second) {
                adapters.add(PlanSketch.adapter(id, "Talk", "talk" + c, "192.168." + (9 + c) + ".5/24"));
                sketch.segment("talk" + c, "Talk " + c, "192.168." + (9 + c) + ".0/24", false, false);
            }
            sketch.host(id, "Desk " + c, HostKind.CONSOLE, "Hut", system, "", adapters.toArray(Adapter[]::new));
            String bound = id + ".stream";
            sketch.application(
                    id + "-app",
                    "Desk " + c,
                    id,
                    ApplicationKind.CONSOLE,
                    "",
                    Map.of(Purpose.ARTNET_SEND, bound, Purpose.SACN_SEND, bound, Purpose.ARTNET_LISTEN, bound));
            for (int s = 1 + random.nextInt(2); s > 0; s--) {
                int to = random.nextInt(receivers.size());
                Receiver receiver = receivers.get(to);
                boolean near = receiver.network().equals(network);
                Protocol protocol = one(List.of(Protocol.ARTNET, Protocol.SACN));
                Delivery delivery = !near
                        ? Delivery.UNICAST
                        : protocol == Protocol.SACN
                                ? one(List.of(Delivery.MULTICAST, Delivery.UNICAST))
                                : one(List.of(
                                        Delivery.FOUND,
                                        Delivery.BROADCAST,
                                        Delivery.UNICAST,
                                        Delivery.LIMITED_BROADCAST));
                sketch.universe("u" + universe, "U" + universe, universe);
                String stream = id + "-u" + universe;
                sketch.stream(stream, id + "-app", "u" + universe, protocol, delivery, 100, false);
                streams.add(new Stream(stream, delivery, List.of(Ipv4Address.parse(receiver.address()))));
                ports.get(to)
                        .add(PlanSketch.port(
                                receiver.id() + ".p" + universe,
                                "P" + universe,
                                PortKind.DMX,
                                protocol,
                                universe,
                                "u" + universe));
                universe++;
            }
        }
        if (random.nextInt(4) == 0) {
            bridge(universe, receivers, ports);
        }
        for (int i = 0; i < receivers.size(); i++) {
            receiver(receivers.get(i), ports.get(i));
        }
        Plan plan = sketch.plan();
        for (Stream s : streams) {
            if (s.delivery() == Delivery.UNICAST) {
                plan = plan.with(Kind.STREAM.id(s.id()), x -> x.withDelivery(Delivery.UNICAST, s.to()));
            }
        }
        return cabled ? cabled(plan) : plan;
    }

    /** A box that takes a universe by sACN from a desk and sends it on by Art-Net to a node. */
    private void bridge(int universe, List<Receiver> receivers, List<List<Port>> ports) {
        int to = random.nextInt(receivers.size());
        String network = receivers.get(to).network();
        String own = network.equals("light") ? "10.41.7.1" : "10.42.7.1";
        String u = "u" + universe;
        sketch.host(
                "bridge",
                "Bridge",
                HostKind.OTHER,
                "Hut",
                OperatingSystem.LINUX,
                "",
                adapter("bridge", "Net", network, own));
        sketch.application(
                "bridge-app",
                "Bridge",
                "bridge",
                ApplicationKind.BRIDGE,
                "",
                Map.of(Purpose.ARTNET_SEND, "bridge.net", Purpose.SACN_LISTEN, "bridge.net"));
        sketch.universe(u, "U" + universe, universe);
        sketch.stream("desk0-" + u, "desk0-app", u, Protocol.SACN, Delivery.UNICAST, 100, false);
        streams.add(new Stream("desk0-" + u, Delivery.UNICAST, List.of(Ipv4Address.parse(own))));
        sketch.receiver(
                "bridge-in",
                "Bridge in",
                "bridge-app",
                Set.of(Protocol.SACN),
                List.of(PlanSketch.port("bridge.in", "In", PortKind.INTERNAL, Protocol.SACN, universe, u)));
        Delivery delivery = one(List.of(Delivery.FOUND, Delivery.BROADCAST));
        sketch.stream("bridge-" + u, "bridge-app", u, Protocol.ARTNET, delivery, 100, false);
        ports.get(to)
                .add(PlanSketch.port(
                        receivers.get(to).id() + ".p" + universe,
                        "P" + universe,
                        PortKind.DMX,
                        Protocol.ARTNET,
                        universe,
                        u));
    }

    private void receiver(Receiver r, List<Port> ports) {
        sketch.host(
                r.id(),
                r.id(),
                HostKind.NODE,
                "Trail",
                r.system(),
                "",
                adapter(r.id(), "Net", r.network(), r.address()));
        boolean bound = random.nextBoolean();
        sketch.application(
                r.id() + "-app",
                r.id(),
                r.id(),
                ApplicationKind.NODE,
                "",
                bound
                        ? Map.of(Purpose.ARTNET_LISTEN, r.id() + ".net", Purpose.SACN_LISTEN, r.id() + ".net")
                        : Map.of());
        sketch.receiver(r.id() + "-in", r.id() + " in", r.id() + "-app", Set.of(Protocol.ARTNET, Protocol.SACN), ports);
    }

    private Adapter adapter(String host, String title, String network, String address) {
        Adapter adapter = PlanSketch.adapter(host, title, network, address + "/16");
        return twoNetworks
                ? adapter.withGateway(
                                Optional.of(Ipv4Address.parse(network.equals("light") ? "10.41.0.1" : "10.42.0.1")))
                        .withRoutes(List.<Route>of())
                : adapter;
    }

    /** Two switches in each network, with a cable between them. */
    private Plan cabled(Plan plan) {
        Plan next = plan;
        for (String network : List.of("light", "media")) {
            List<Adapter> on =
                    next.index().adaptersOn(Kind.SEGMENT.id(network)).stream().toList();
            if (on.isEmpty()) {
                continue;
            }
            List<Id<zentrel.plan.Host>> boxes = new ArrayList<>();
            for (int i = 0; i < 2; i++) {
                PlanSketch box = new PlanSketch("box");
                box.host(
                        network + "-box" + i,
                        network + " box " + i,
                        HostKind.SWITCH,
                        "Hut",
                        OperatingSystem.FIRMWARE,
                        "");
                next = next.with(
                        Kind.HOST,
                        java.util.stream.Stream.concat(next.hosts().stream(), box.plan().hosts().stream())
                                .toList());
                boxes.add(Kind.HOST.id(network + "-box" + i));
            }
            cables.add(cable(network + "-trunk", boxes.get(0), boxes.get(1)));
            for (Adapter adapter : on) {
                cables.add(cable("c-" + adapter.id().value(), adapter.id(), one(boxes)));
            }
        }
        return next.with(Kind.CABLE, cables);
    }

    static Cable cable(String id, Id<?> from, Id<?> to) {
        return new Cable(Kind.CABLE.id(id), id, CableKind.NETWORK, from, to, true);
    }
}
