package zentrel.plan;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import java.util.Optional;
import zentrel.text.PlainText;

/**
 * How a box is powered.
 *
 * @param on whether it is switched on
 * @param supplies the names of its supplies that are connected, as its profile calls them; empty where nobody has said
 * @param volts the voltage that it is given, in volts; empty where nobody has said
 */
@RecordBuilder
public record Power(boolean on, List<String> supplies, Optional<Double> volts) implements PowerBuilder.With {
    /** Switched on, from a supply that nobody has named. */
    public static final Power ON = new Power(true, List.of(), Optional.empty());

    public Power {
        PlainText.requireAll("The name of a power supply", supplies);
        supplies = List.copyOf(supplies);
    }
}
