package zentrel.speed;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import zentrel.demo.PlanSketch;
import zentrel.plan.Break;
import zentrel.plan.Delivery;
import zentrel.plan.Kind;
import zentrel.plan.Plan;
import zentrel.plan.Port;
import zentrel.plan.Purpose;
import zentrel.profile.ApplicationKind;
import zentrel.profile.HostKind;
import zentrel.profile.OperatingSystem;
import zentrel.profile.PortKind;
import zentrel.profile.Protocol;

/** A rig of any size: four desks, the rest nodes of four ports, five fixtures a universe. One node in fifty is off by one. */
public final class LargePlan {
    private static final int DESKS = 4;

    private LargePlan() {}

    /** A plan with so many hosts, four universes for each node and five fixtures for each universe. */
    public static Plan of(int hosts) {
        return of(hosts, 4, 5);
    }

    /** As large as a rig may be: 4,000 hosts, 32,768 universes, 98,304 fixtures; an eighth of it with {@code part} 8. */
    static Plan whole(int part) {
        return of(4_000 / part, 8, 3);
    }

    /**
     * A plan of any shape.
     *
     * @param each universes for each node; the first sixteen have one more
     * @param fixtures for each universe
     */
    private static Plan of(int hosts, int each, int fixtures) {
        PlanSketch s = new PlanSketch("Large");
        s.segment("stream", "Stream", "10.0.0.0/8", false, false);
        for (int d = 0; d < DESKS; d++) {
            s.host(
                    "desk" + d,
                    "Desk " + d,
                    HostKind.CONSOLE,
                    "Hut",
                    OperatingSystem.LINUX,
                    "p",
                    PlanSketch.adapter("desk" + d, "Stream", "stream", "10.9.1." + (d + 1) + "/8"));
            s.application(
                    "app" + d,
                    "Desk " + d,
                    "desk" + d,
                    ApplicationKind.CONSOLE,
                    "1",
                    Map.of(Purpose.ARTNET_SEND, "desk" + d + ".stream", Purpose.SACN_SEND, "desk" + d + ".stream"));
        }
        int universe = 0;
        for (int n = 0; n < hosts - DESKS; n++) {
            String id = "node" + n;
            s.host(
                    id,
                    "Node " + n,
                    HostKind.NODE,
                    "Yard " + (1 + n / 20),
                    OperatingSystem.FIRMWARE,
                    "p",
                    PlanSketch.adapter(id, "Net", "stream", "10.9." + (2 + n / 200) + "." + (1 + n % 200) + "/8"));
            s.application("fw" + n, "Firmware " + n, id, ApplicationKind.NODE, "", Map.of());
            List<Port> ports = new ArrayList<>();
            // 500 hosts make 2,000 universes: four a node, and one more on the first sixteen; 4,000 hosts make 32,768
            // of eight.
            for (int p = 0; p < (each == 4 ? (n < 16 ? 5 : 4) : n < 800 * hosts / 4_000 ? 9 : each); p++) {
                universe++;
                String u = "u" + universe;
                Protocol protocol = universe % 2 == 0 ? Protocol.SACN : Protocol.ARTNET;
                s.universe(u, "Universe " + universe, universe);
                s.stream(
                        "s" + universe,
                        "app" + universe % DESKS,
                        u,
                        protocol,
                        protocol == Protocol.SACN ? Delivery.MULTICAST : Delivery.FOUND,
                        100,
                        false);
                String port = id + ".p" + p;
                ports.add(PlanSketch.port(
                        port,
                        "Port " + p,
                        PortKind.DMX,
                        protocol,
                        n % 50 == 49 && p == 0 ? universe + 1 : universe,
                        u));
                s.line("l" + universe, "Line " + universe, port);
                for (int f = 0; f < fixtures; f++) {
                    s.fixture(
                            "f" + universe + "." + f,
                            String.valueOf(f),
                            "Fixture",
                            "Yard",
                            "t",
                            "l" + universe,
                            new Break(Kind.UNIVERSE.id(u), 1 + f * 40, 36));
                }
            }
            s.receiver("rx" + n, "Node " + n, "fw" + n, Set.of(Protocol.ARTNET, Protocol.SACN), ports);
        }
        return s.plan();
    }
}
