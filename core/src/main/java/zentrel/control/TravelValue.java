package zentrel.control;

import java.math.BigDecimal;
import java.math.RoundingMode;

/** What a part of a message holds when a control stands somewhere along its travel. */
public final class TravelValue {
    private static final int FULL = 255;
    private static final int HUNDRED = 100;
    private static final int PLACES = 4;

    private TravelValue() {}

    /**
     * The value as it is typed.
     *
     * @param travel 0 to 1
     * @param number what the control itself gives, for parts that are no level
     */
    public static String of(PartType type, double travel, int number) {
        return switch (type) {
            case SHARE -> plain(travel);
            case LEVEL -> String.valueOf(Math.round(travel * FULL));
            case PERCENT -> plain(travel * HUNDRED);
            case SWITCH -> travel >= 0.5 ? "on" : "off";
            case INT, DECIMAL, TEXT -> String.valueOf(number);
        };
    }

    private static String plain(double value) {
        return BigDecimal.valueOf(value)
                .setScale(PLACES, RoundingMode.HALF_UP)
                .stripTrailingZeros()
                .toPlainString();
    }
}
