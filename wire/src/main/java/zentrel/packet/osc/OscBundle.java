package zentrel.packet.osc;

import java.util.List;

/**
 * Packets that belong together.
 *
 * @param timeTag 64 bits: seconds since 1900 in the upper half, fractions in the lower; 1 means at once
 */
public record OscBundle(long timeTag, List<OscPacket> elements) implements OscPacket {
    public static final long AT_ONCE = 1;

    public OscBundle {
        elements = List.copyOf(elements);
    }
}
