package zentrel.plan;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.Locale;
import zentrel.profile.PixelChip;

/**
 * What a pixel is.
 *
 * @param order its colours in the order in which the data has them: R, G, B, W white, A amber, C cold white, Y yellow, U ultraviolet
 * @param bits of each colour, 8 or 16
 * @param milliamps what one draws at full white
 */
@RecordBuilder
public record PixelType(PixelChip chip, String order, int bits, int milliamps) implements PixelTypeBuilder.With {
    /** Of most strips: 60 mA at full white is common practice, no source. */
    public static final PixelType USUAL = new PixelType(PixelChip.WS2812B, "GRB", 8, 60);

    private static final String COLOURS = "[RGBWACYU]{1,8}";
    private static final int MOST_MILLIAMPS = 10_000;

    public PixelType {
        order = order.toUpperCase(Locale.ROOT);
        if (!order.matches(COLOURS) || order.chars().distinct().count() != order.length()) {
            throw new IllegalArgumentException("\"" + order
                    + "\" is no order of colours; write each once, such as GRB or RGBW (also A, C, Y, U).");
        }
        if (bits != 8 && bits != 16) {
            throw new IllegalArgumentException("A colour has 8 or 16 bits, not " + bits + ".");
        }
        if (milliamps < 1 || milliamps > MOST_MILLIAMPS) {
            throw new IllegalArgumentException("A pixel draws 1 to 10000 mA, not " + milliamps + ".");
        }
    }

    /** How many colours it has. */
    public int components() {
        return order.length();
    }

    /** How many slots it takes. */
    public int slots() {
        return order.length() * bits / 8;
    }
}
