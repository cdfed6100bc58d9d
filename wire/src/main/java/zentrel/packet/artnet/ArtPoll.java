package zentrel.packet.artnet;

import java.util.Optional;
import zentrel.universe.PortAddress;

/**
 * Asks who is there.
 *
 * @param flags bit 1: answer again on change; bit 5: targeted
 * @param diagnosticsPriority 0–255
 * @param target Port-Addresses that alone should answer, in a targeted poll
 * @param sender the sender's ESTA and OEM codes, in the longest form
 */
public record ArtPoll(int flags, int diagnosticsPriority, Optional<Target> target, Optional<Sender> sender)
        implements ArtNetPacket {
    public static final int REPLY_ON_CHANGE = 0x02;
    public static final int TARGETED = 0x20;

    /** Port-Addresses from the lowest to the highest. */
    public record Target(PortAddress lowest, PortAddress highest) {}

    /** ESTA manufacturer and OEM codes, 16 bits each. */
    public record Sender(int esta, int oem) {
        public Sender {
            ArtNetPacket.require("EstaMan", esta, 0xFFFF);
            ArtNetPacket.require("Oem", oem, 0xFFFF);
        }
    }

    public ArtPoll {
        ArtNetPacket.require("Flags", flags, 255);
        ArtNetPacket.require("DiagPriority", diagnosticsPriority, 255);
        if (sender.isPresent() && target.isEmpty()) {
            throw new IllegalArgumentException("An ArtPoll with codes has the target fields before them.");
        }
    }

    /** A plain poll that wants no news. */
    public static ArtPoll plain() {
        return new ArtPoll(0, 0, Optional.empty(), Optional.empty());
    }
}
