package zentrel.plan;

import java.util.List;
import zentrel.text.PlainText;

/**
 * How a box is powered.
 *
 * @param on whether it is switched on
 * @param supplies the names of its supplies that are connected, as its profile calls them; empty where nobody has said
 */
public record Power(boolean on, List<String> supplies) {
    /** Switched on, from a supply that nobody has named. */
    public static final Power ON = new Power(true, List.of());

    public Power {
        PlainText.requireAll("The name of a power supply", supplies);
        supplies = List.copyOf(supplies);
    }

    public Power withOn(boolean value) {
        return new Power(value, supplies);
    }

    public Power withSupplies(List<String> value) {
        return new Power(on, value);
    }
}
