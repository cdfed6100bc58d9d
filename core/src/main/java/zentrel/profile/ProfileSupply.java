package zentrel.profile;

import java.util.Optional;
import zentrel.text.PlainText;

/**
 * A way to power a box.
 *
 * @param name as it is called on the box
 * @param poe whether it is power over the network cable
 * @param watts what the box draws from it at most
 * @param volts the voltages it takes; empty where nobody has said
 */
public record ProfileSupply(String name, boolean poe, double watts, Optional<VoltRange> volts) {
    /** A supply of which no voltage is said. */
    public ProfileSupply(String name, boolean poe, double watts) {
        this(name, poe, watts, Optional.empty());
    }

    public ProfileSupply {
        PlainText.require("The name of a power supply", name);
        if (!(watts >= 0 && watts <= 100_000)) {
            throw new IllegalArgumentException("A supply gives 0 to 100000 W, not " + watts + ".");
        }
    }
}
