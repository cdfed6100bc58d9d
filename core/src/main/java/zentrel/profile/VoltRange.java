package zentrel.profile;

/**
 * What voltage a supply takes.
 *
 * @param from the lowest, in volts
 * @param to the highest, in volts
 */
public record VoltRange(double from, double to) {
    private static final double MOST = 1_000;

    public VoltRange {
        if (!(from >= 0 && from <= to && to <= MOST)) {
            throw new IllegalArgumentException(
                    "A range of volts goes up, from 0 to 1000 V; this is " + from + " to " + to + ".");
        }
    }

    public boolean takes(double volts) {
        return volts >= from && volts <= to;
    }
}
