package zentrel.demo;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import zentrel.gear.Library;
import zentrel.plan.*;
import zentrel.profile.AdapterKind;
import zentrel.profile.ApplicationKind;
import zentrel.profile.HostKind;
import zentrel.profile.OperatingSystem;
import zentrel.profile.PortKind;
import zentrel.profile.Profile;
import zentrel.profile.Protocol;
import zentrel.profile.Traffic;

/** The two demo plans. */
public final class FernlightTrail {
    /** 1 to 9 by Art-Net, sent as 1 less (the desk's first universe goes to Port-Address 0); 10 to 24 by sACN. */
    private static final int LAST_ARTNET = 9;

    private static final String[] NAMES = {
        "Glasshouse north",
        "Glasshouse south",
        "Canal bridge",
        "Boathouse",
        "Boathouse doors",
        "Jetty",
        "Reed beds",
        "Paths",
        "Fountain",
        "Entrance",
        "Arches 1",
        "Arches 2",
        "Arches 3",
        "Arches 4",
        "Arches 5",
        "Arches 6",
        "Arches 7",
        "Arches 8",
        "Arches 9",
        "Orchard east",
        "Orchard west",
        "Rockery",
        "Café terrace",
        "Spare"
    };

    private record Node(String id, String title, String place, String address, List<Integer> universes) {}

    private static final List<Node> NODES = List.of(
            new Node("glasshouse-node", "Glasshouse node", "Glasshouse", "10.41.20.1/16", List.of(1, 2)),
            new Node("bridge-node", "Bridge node", "Canal bridge", "10.41.21.1/16", List.of(3)),
            new Node("boathouse-node", "Boathouse node", "Boathouse", "10.41.22.3/16", List.of(5, 4)),
            new Node("jetty-node", "Jetty node", "Boathouse", "10.41.22.4/16", List.of(6, 7)),
            new Node("paths-node", "Paths node", "Canal bridge", "10.41.21.2/16", List.of(8)),
            new Node("fountain-node", "Fountain node", "Glasshouse", "10.41.20.2/16", List.of(9)),
            new Node("entrance-node", "Entrance node", "Entrance", "10.41.23.1/16", List.of(10)),
            new Node("orchard-node", "Orchard node", "Orchard", "10.41.24.1/16", List.of(20, 21)),
            new Node("rockery-node", "Rockery node", "Orchard", "10.41.24.2/16", List.of(22, 23)));

    private FernlightTrail() {}

    /** The demo plan of a name: {@code draft} or {@code ready}. */
    public static Optional<Plan> named(String name) {
        return switch (name) {
            case "draft" -> Optional.of(draft());
            case "ready" -> Optional.of(ready());
            default -> Optional.empty();
        };
    }

    /** The plan as it should be. */
    public static Plan ready() {
        PlanSketch s = new PlanSketch("Fernlight Trail");
        s.segment("stream", "Stream", "10.41.0.0/16", false, false);
        s.segment("control", "Control", "10.42.0.0/16", false, false);
        s.segment("visitors", "Visitors", "172.23.64.0/20", true, true);
        desks(s);
        for (int n = 1; n <= NAMES.length; n++) {
            s.universe("u" + n, NAMES[n - 1], n);
        }
        streams(s);
        NODES.forEach(n -> node(s, n));
        pergola(s);
        office(s);
        others(s);
        FernlightPatch.fixtures(s);
        FernlightLinks.add(s);
        FernlightPatch.add(s);
        return FernlightPlace.add(FernlightPixels.add(withProfiles(s.plan())));
    }

    /** A plan carries the profiles that its boxes were made from. */
    private static Plan withProfiles(Plan plan) {
        Map<String, Profile> profiles = new LinkedHashMap<>();
        for (Host host : plan.hosts()) {
            String id = host.profile().orElse("");
            if (!id.isEmpty() && !profiles.containsKey(id)) {
                Library.shippedProfile(id).ifPresent(p -> profiles.put(id, p));
            }
        }
        return plan.withProfiles(List.copyOf(profiles.values()));
    }

    private static void desks(PlanSketch s) {
        Map<Purpose, String> hut = bindings("hut-console.stream", "hut-console.control");
        s.host(
                "hut-console",
                "Hut console",
                HostKind.CONSOLE,
                "Control hut",
                OperatingSystem.LINUX,
                "house/full-console",
                PlanSketch.adapter("hut-console", "Stream", "stream", "10.41.1.1/16"),
                PlanSketch.adapter("hut-console", "Control", "control", "10.42.1.1/16"));
        s.application("hut-desk", "Hut desk", "hut-console", ApplicationKind.CONSOLE, "3.6.2", hut)
                .with(FernlightTrail::desk);
        s.host(
                "backup-console",
                "Backup console",
                HostKind.CONSOLE,
                "Control hut",
                OperatingSystem.LINUX,
                "house/full-console",
                PlanSketch.adapter("backup-console", "Stream", "stream", "10.41.1.2/16"),
                PlanSketch.adapter("backup-console", "Control", "control", "10.42.1.2/16"));
        s.application(
                        "backup-desk",
                        "Backup desk",
                        "backup-console",
                        ApplicationKind.CONSOLE,
                        "3.6.2",
                        bindings("backup-console.stream", "backup-console.control"))
                .with(FernlightTrail::desk);
        s.host(
                "cue-computer",
                "Show-control computer",
                HostKind.COMPUTER,
                "Control hut",
                OperatingSystem.WINDOWS,
                "house/show-control",
                PlanSketch.adapter("cue-computer", "Control", "control", "10.42.1.5/16"));
        s.withHost(h -> h.withFirewall(new Firewall(Setting.of(true), Set.of(Traffic.OSC))));
        s.application(
                "cue-player",
                "Cue player",
                "cue-computer",
                ApplicationKind.SHOW_CONTROL,
                "11.3",
                Map.of(Purpose.OSC_SEND, "cue-computer.control", Purpose.OSC_LISTEN, "cue-computer.control"));
        s.session(
                "evening-session",
                "Evening session",
                "marrow-7",
                VersionRule.MAJOR_MINOR,
                new Session.Desk(Kind.APPLICATION.id("hut-desk"), Part.PRIMARY),
                new Session.Desk(Kind.APPLICATION.id("backup-desk"), Part.BACKUP),
                new Session.Desk(Kind.APPLICATION.id("tablet-remote"), Part.REMOTE));
    }

    private static Map<Purpose, String> bindings(String stream, String control) {
        return Map.of(
                Purpose.ARTNET_SEND,
                stream,
                Purpose.SACN_SEND,
                stream,
                Purpose.OSC_SEND,
                control,
                Purpose.OSC_LISTEN,
                control,
                Purpose.SESSION,
                control);
    }

    private static Application desk(Application a) {
        return a.withOutput(
                        Protocol.ARTNET,
                        new ProtocolOutput(Setting.of(true), List.of(new LabelRange(1, LAST_ARTNET, -1))))
                .withOutput(Protocol.SACN, new ProtocolOutput(Setting.of(true), List.of(new LabelRange(10, 24, 0))))
                .withInstalled(Installed.of("house/full-console").withLicence(Optional.of(Setting.of("touring"))))
                .withOsc(new OscInput(
                        Setting.of(24510),
                        Setting.of(true),
                        Setting.of(true),
                        List.of("/fern/next", "/fern/previous", "/fern/select")));
    }

    private static Protocol protocolOf(int universe) {
        return universe <= LAST_ARTNET ? Protocol.ARTNET : Protocol.SACN;
    }

    private static int wireOf(int universe) {
        return universe <= LAST_ARTNET ? universe - 1 : universe;
    }

    private static void streams(PlanSketch s) {
        for (String desk : List.of("hut-desk", "backup-desk")) {
            boolean backup = desk.equals("backup-desk");
            for (int n = 1; n <= NAMES.length; n++) {
                Protocol protocol = protocolOf(n);
                s.stream(
                        desk + "-u" + n,
                        desk,
                        "u" + n,
                        protocol,
                        protocol == Protocol.ARTNET ? Delivery.FOUND : Delivery.MULTICAST,
                        backup ? 90 : 100,
                        backup && protocol == Protocol.ARTNET);
            }
        }
    }

    private static void node(PlanSketch s, Node n) {
        s.host(
                n.id(),
                n.title(),
                HostKind.NODE,
                n.place(),
                OperatingSystem.FIRMWARE,
                "house/node-4",
                PlanSketch.adapter(n.id(), "Network", "stream", n.address()));
        s.application(n.id() + "-fw", n.title() + " firmware", n.id(), ApplicationKind.NODE, "1.9", Map.of());
        List<Port> ports = new ArrayList<>();
        for (int i = 0; i < 4; i++) {
            String id = n.id() + ".p" + (i + 1);
            if (i < n.universes().size()) {
                int u = n.universes().get(i);
                ports.add(PlanSketch.port(id, "Port " + (i + 1), PortKind.DMX, protocolOf(u), wireOf(u), "u" + u));
                s.line(n.id() + ".line" + (i + 1), NAMES[u - 1] + " line", id);
            } else {
                ports.add(PlanSketch.port(id, "Port " + (i + 1), PortKind.DMX, Protocol.SACN, 900 + i, "")
                        .withEnabled(false));
            }
        }
        s.receiver(n.id() + "-rx", n.title(), n.id() + "-fw", Set.of(Protocol.ARTNET, Protocol.SACN), ports);
    }

    private static void pergola(PlanSketch s) {
        s.host(
                "pergola-controller",
                "Pergola controller",
                HostKind.PIXEL_CONTROLLER,
                "Pergola tunnel",
                OperatingSystem.FIRMWARE,
                "house/pixel-controller",
                PlanSketch.adapter("pergola-controller", "Network", "stream", "10.41.30.1/16"));
        s.application(
                "pergola-fw",
                "Pergola firmware",
                "pergola-controller",
                ApplicationKind.PIXEL_CONTROLLER,
                "2.2",
                Map.of());
        s.receiver(
                "pergola-rx",
                "Pergola controller",
                "pergola-fw",
                Set.of(Protocol.ARTNET, Protocol.SACN),
                FernlightPixels.ports(s, NAMES));
    }

    private static void office(PlanSketch s) {
        s.host(
                "office-computer",
                "Office computer",
                HostKind.COMPUTER,
                "Site office",
                OperatingSystem.WINDOWS,
                "house/computer",
                PlanSketch.adapter("office-computer", "Stream", "stream", "10.41.60.7/16"),
                PlanSketch.adapter("office-computer", "Control", "control", "10.42.6.7/16"));
        s.withHost(h -> h.withFirewall(new Firewall(Setting.of(true), Set.of(Traffic.ARTNET, Traffic.SACN))));
        s.application(
                        "office-previs",
                        "Office previs",
                        "office-computer",
                        ApplicationKind.PREVIS,
                        "8.1",
                        Map.of(
                                Purpose.ARTNET_LISTEN,
                                "office-computer.stream",
                                Purpose.SACN_LISTEN,
                                "office-computer.stream"))
                .with(a -> a.withScreen(Protocol.ARTNET, Screen.from(1)));
        List<Port> ports = new ArrayList<>();
        for (int u = 1; u < NAMES.length; u++) {
            ports.add(PlanSketch.port(
                    "previs.u" + u, "Input " + u, PortKind.INTERNAL, protocolOf(u), wireOf(u), "u" + u));
        }
        s.receiver("previs-rx", "Office previs", "office-previs", Set.of(Protocol.ARTNET, Protocol.SACN), ports);
        s.application(
                "office-paperwork", "Office paperwork", "office-computer", ApplicationKind.PAPERWORK, "4.0", Map.of());
    }

    private static void others(PlanSketch s) {
        Adapter radio = PlanSketch.adapter("tablet", "Wireless", "control", "10.42.9.20/16");
        s.host(
                "tablet",
                "Wandering tablet",
                HostKind.REMOTE,
                "Anywhere",
                OperatingSystem.FIRMWARE,
                "house/tablet",
                new Adapter(
                        radio.id(),
                        radio.name(),
                        AdapterKind.WIRELESS,
                        radio.segment(),
                        radio.enabled(),
                        true,
                        radio.addresses(),
                        Optional.empty(),
                        Optional.empty()));
        s.application("tablet-remote", "Tablet remote", "tablet", ApplicationKind.REMOTE, "3.6.0", Map.of());
        s.host(
                "cafe-rack",
                "Café dimmer rack",
                HostKind.OTHER,
                "Café terrace",
                OperatingSystem.FIRMWARE,
                "house/osc-dimmer",
                PlanSketch.adapter("cafe-rack", "Network", "control", "10.42.4.2/16"));
        s.application("cafe-dimmer", "Café dimmer", "cafe-rack", ApplicationKind.OTHER, "1.1", Map.of())
                .with(a -> a.withOsc(new OscInput(
                        Setting.of(24520), Setting.of(true), Setting.of(true), List.of("/terrace/level"))));
        s.host(
                "hut-switch",
                "Hut switch",
                HostKind.SWITCH,
                "Control hut",
                OperatingSystem.FIRMWARE,
                "house/switch-managed",
                PlanSketch.adapter("hut-switch", "Management", "control", "10.42.2.1/16"));
        s.withHost(h -> h.withSwitching(new SwitchFeatures(Setting.of(true), Setting.of(true), true, true)));
        s.host(
                "boathouse-switch",
                "Boathouse switch",
                HostKind.SWITCH,
                "Boathouse",
                OperatingSystem.FIRMWARE,
                "house/switch");
        s.host(
                "hut-radio",
                "Hut access point",
                HostKind.ACCESS_POINT,
                "Control hut",
                OperatingSystem.FIRMWARE,
                "house/access-point",
                PlanSketch.adapter("hut-radio", "Network", "control", "10.42.2.9/16"));
        s.host(
                "visitor-router",
                "Visitor router",
                HostKind.ROUTER,
                "Entrance",
                OperatingSystem.FIRMWARE,
                "house/router",
                PlanSketch.adapter("visitor-router", "Visitors", "visitors", "172.23.64.1/20"));
    }

    private static Node nodeOf(int universe) {
        for (Node node : NODES) {
            if (node.universes().contains(universe)) {
                return node;
            }
        }
        throw new IllegalArgumentException("No node takes universe " + universe + ".");
    }

    static String lineOf(int universe) {
        Node node = nodeOf(universe);
        for (int i = 0; i < node.universes().size(); i++) {
            if (node.universes().get(i) == universe) {
                return node.id() + ".line" + (i + 1);
            }
        }
        throw new IllegalArgumentException("No line of universe " + universe + ".");
    }

    static String placeOf(int universe) {
        return nodeOf(universe).place();
    }

    /** The plan as it came back from the site: the same rig with mistakes that people make. */
    public static Plan draft() {
        return FernlightMistakes.in(ready());
    }
}
