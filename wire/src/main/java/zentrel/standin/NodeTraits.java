package zentrel.standin;

import java.time.Duration;
import java.util.List;
import java.util.Map;

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
}
