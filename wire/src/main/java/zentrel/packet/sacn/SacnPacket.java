package zentrel.packet.sacn;

import java.util.UUID;

/** An sACN packet. */
public sealed interface SacnPacket permits SacnData, SacnSync, SacnDiscovery {
    /** The UDP port of sACN (ANSI E1.31-2018 Appendix A: ACN_SDT_MULTICAST_PORT). */
    int PORT = 5568;

    /** The universe on whose group sources announce what they send (§8, Appendix A). */
    int DISCOVERY_UNIVERSE = 64214;

    /** The component that sends: one for each source. */
    UUID cid();

    /** Checks a value against the width of its field. */
    static void require(String field, int value, int first, int last) {
        if (value < first || value > last) {
            throw new IllegalArgumentException(field + " goes from " + first + " to " + last + ", not " + value + ".");
        }
    }
}
