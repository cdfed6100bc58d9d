package zentrel.control;

import java.math.BigDecimal;
import java.util.Optional;

/**
 * The number of a cue: a decimal of at most four places, so that cues can stand between cues. 7.2 and 7.20 are one.
 *
 * @param value from 0 to 99999.9999
 */
public record CueNumber(BigDecimal value) implements Comparable<CueNumber> {
    private static final int MOST_DIGITS = 5;
    private static final int PLACES = 4;

    public CueNumber {
        value = value.stripTrailingZeros();
        if (value.signum() < 0 || value.scale() > PLACES || value.precision() - value.scale() > MOST_DIGITS) {
            throw new IllegalArgumentException(
                    "A cue number goes from 0 to 99999.9999, not " + value.toPlainString() + ".");
        }
    }

    /** The number that a text is, if it is one. */
    public static Optional<CueNumber> of(String text) {
        if (!text.matches("[0-9]{1,5}([.,][0-9]{1,8})?")) {
            return Optional.empty();
        }
        BigDecimal value = new BigDecimal(text.replace(',', '.')).stripTrailingZeros();
        return value.scale() > PLACES ? Optional.empty() : Optional.of(new CueNumber(value));
    }

    /** A float as short as it says the same. */
    static String plain(float value) {
        return Float.isFinite(value)
                ? new BigDecimal(Float.toString(value)).stripTrailingZeros().toPlainString()
                : String.valueOf(value);
    }

    @Override
    public int compareTo(CueNumber other) {
        return value.compareTo(other.value);
    }

    @Override
    public String toString() {
        return value.toPlainString();
    }
}
