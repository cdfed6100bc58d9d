package zentrel.app.flow;

import java.util.List;
import java.util.Map;
import java.util.Set;
import zentrel.demo.PlanSketch;
import zentrel.plan.*;
import zentrel.profile.ApplicationKind;
import zentrel.profile.HostKind;
import zentrel.profile.OperatingSystem;
import zentrel.profile.PortKind;
import zentrel.profile.Protocol;

/** Rigs of many boxes, for the pictures. */
public final class BigRig {
    private BigRig() {}

    /** One desk, and so many nodes spread over so many places, one universe each. */
    public static Plan of(int nodes, int places) {
        PlanSketch s = new PlanSketch("Big");
        s.segment("stream", "Stream", "10.8.0.0/16", false, false);
        desk(s, 0, "stream", "10.8.1.1/16");
        for (int n = 0; n < nodes; n++) {
            node(s, n, "stream", "10.8.2." + (n + 1) + "/16", 0, "Yard " + (1 + n % places));
        }
        return s.plan();
    }

    /** Two segments whose boxes are told in turn, with two desks that send to one each. */
    static Plan crossed(int nodes) {
        PlanSketch s = new PlanSketch("Crossed");
        s.segment("left", "Left", "10.6.0.0/16", false, false);
        s.segment("right", "Right", "10.7.0.0/16", false, false);
        desk(s, 1, "right", "10.7.1.1/16");
        desk(s, 0, "left", "10.6.1.1/16");
        for (int n = 0; n < nodes; n++) {
            boolean left = n % 2 == 0;
            node(s, n, left ? "left" : "right", (left ? "10.6.2." : "10.7.2.") + (n + 1) + "/16", left ? 0 : 1, "Yard");
        }
        return s.plan();
    }

    private static void desk(PlanSketch s, int number, String segment, String address) {
        String host = "desk-host" + number;
        s.host(
                host,
                "Desk host " + number,
                HostKind.CONSOLE,
                "Hut",
                OperatingSystem.LINUX,
                "p",
                PlanSketch.adapter(host, "Stream", segment, address));
        s.application(
                "desk" + number,
                "Desk " + number,
                host,
                ApplicationKind.CONSOLE,
                "1",
                Map.of(Purpose.SACN_SEND, host + ".stream"));
    }

    private static void node(PlanSketch s, int n, String segment, String address, int desk, String place) {
        s.universe("u" + n, "Universe " + n, n + 1);
        s.stream("s" + n, "desk" + desk, "u" + n, Protocol.SACN, Delivery.MULTICAST, 100, false);
        s.host(
                "node" + n,
                "Node " + n,
                HostKind.NODE,
                place,
                OperatingSystem.FIRMWARE,
                "p",
                PlanSketch.adapter("node" + n, "Net", segment, address));
        s.application("fw" + n, "Firmware " + n, "node" + n, ApplicationKind.NODE, "", Map.of());
        s.receiver(
                "rx" + n,
                "Node " + n,
                "fw" + n,
                Set.of(Protocol.SACN),
                List.of(PlanSketch.port("p" + n, "Port 1", PortKind.DMX, Protocol.SACN, n + 1, "u" + n)));
    }
}
