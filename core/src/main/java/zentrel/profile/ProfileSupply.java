package zentrel.profile;

import zentrel.text.PlainText;

/**
 * A way to power a box.
 *
 * @param name as it is called on the box
 * @param poe whether it is power over the network cable
 * @param watts what the box draws from it at most
 */
public record ProfileSupply(String name, boolean poe, double watts) {
    public ProfileSupply {
        PlainText.require("The name of a power supply", name);
        if (!(watts >= 0 && watts <= 100_000)) {
            throw new IllegalArgumentException("A supply gives 0 to 100000 W, not " + watts + ".");
        }
    }
}
