package zentrel.standin;

import java.time.Duration;
import java.util.List;
import java.util.Map;
import zentrel.plan.Application;
import zentrel.plan.Host;
import zentrel.plan.Plan;
import zentrel.profile.HostKind;

/**
 * How a stand-in of a node is made.
 *
 * @param longName the longer of its names
 * @param firmware its version as a number of two bytes
 * @param maker its manufacturer's code
 * @param portsOnPage how many ports share a page, and so one Net and Sub-Net: 1–4
 * @param canBeSet whether it takes ArtAddress and ArtIpProg
 * @param restart how long it is away after its address was changed
 * @param fixtures the RDM devices on its outputs, by the id of the port
 */
public record NodeTraits(
        String longName,
        int firmware,
        int maker,
        int portsOnPage,
        boolean canBeSet,
        Duration restart,
        Map<String, List<RdmFixture>> fixtures) {
    /** The manufacturer code of prototypes (ANSI E1.20). */
    public static final int PROTOTYPE = 0x7FF0;

    /** Manufacturer codes for prototypes: 0x7FF0 to 0x7FFF (ANSI E1.20). */
    private static final int PROTOTYPES = 16;

    public NodeTraits {
        if (portsOnPage < 1 || portsOnPage > 4) {
            throw new IllegalArgumentException("A page has 1 to 4 ports, not " + portsOnPage + ".");
        }
        fixtures = Map.copyOf(fixtures);
    }

    /** One with pages of four ports that can be set, and is away for two seconds after its address was changed. */
    public static NodeTraits usual(String longName) {
        return new NodeTraits(longName, 0x0201, PROTOTYPE, 4, true, Duration.ofSeconds(2), Map.of());
    }

    /** Those of a program of a plan: with its version, and settable where it is a device and not a computer's program. */
    public static NodeTraits of(Plan plan, Application program) {
        Host host = plan.index().host(program.host());
        return new NodeTraits(
                nameOf(plan, program),
                program.version().map(v -> version(v.inForce())).orElse(0),
                // devices of one profile are of one kind, and others are of others
                PROTOTYPE + Math.floorMod(host.profile().hashCode(), PROTOTYPES),
                4,
                host.kind() != HostKind.COMPUTER,
                Duration.ofSeconds(2),
                Map.of());
    }

    /** What it says that it is called: the name of the device, and where it runs on a computer that of the program. */
    public static String nameOf(Plan plan, Application program) {
        Host host = plan.index().host(program.host());
        return host.kind() == HostKind.COMPUTER ? program.name() : host.name();
    }

    /** "2.1" as the two bytes of an answer to a poll; 0 where a version is written otherwise. */
    private static int version(String text) {
        if (!text.matches("\\d{1,3}\\.\\d{1,3}")) {
            return 0;
        }
        int point = text.indexOf('.');
        int high = Integer.parseInt(text.substring(0, point)) & 0xFF;
        int low = Integer.parseInt(text.substring(point + 1)) & 0xFF;
        return high << 8 | low;
    }
}
