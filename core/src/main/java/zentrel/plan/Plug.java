package zentrel.plan;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.Optional;

/**
 * The socket of a switch that an adapter is plugged into, as far as anybody has said.
 *
 * @param megabits what the two settled on, in Mbit/s, from 1 to 400 000; empty where nobody has looked
 * @param halfDuplex whether only one of the two may talk at a time
 * @param vlan the VLAN of the socket, from 1 to 4094 (IEEE 802.1Q); empty where the switch has none
 */
@RecordBuilder
public record Plug(Optional<Integer> megabits, boolean halfDuplex, Optional<Setting<Integer>> vlan)
        implements PlugBuilder.With {
    /** The last VLAN (IEEE 802.1Q: 12 bits, all zeros and all ones are reserved). */
    public static final int LAST_VLAN = 4094;

    /** The fastest that is taken for a speed, in Mbit/s. */
    public static final int MOST_MEGABITS = 400_000;

    /** Nothing is said. */
    public static final Plug USUAL = new Plug(Optional.empty(), false, Optional.empty());

    public Plug {
        megabits.ifPresent(m -> require(m, MOST_MEGABITS, "A speed is 1 to 400000 Mbit/s, not "));
        vlan.ifPresent(v -> {
            require(v.planned(), LAST_VLAN, "A VLAN is 1 to 4094, not ");
            require(v.inForce(), LAST_VLAN, "A VLAN is 1 to 4094, not ");
        });
    }

    private static void require(int value, int most, String sentence) {
        if (value < 1 || value > most) {
            throw new IllegalArgumentException(sentence + value + ".");
        }
    }
}
