package zentrel.lit;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;

/**
 * What a fixture shows at some levels.
 *
 * @param red 0 to 1, its brightness in it
 * @param pan from one end to the other, 0 to 1
 * @param zoom from narrow to wide, 0 to 1
 * @param moves whether it has pan or tilt
 * @param strobe flashes a second; 0 for none
 * @param cells the colours of its cells, {@code 0xFFrrggbb}; empty where it has one
 */
@RecordBuilder
public record FixtureLook(
        double red,
        double green,
        double blue,
        double pan,
        double tilt,
        double zoom,
        boolean moves,
        double strobe,
        List<Integer> cells)
        implements FixtureLookBuilder.With {
    public static final FixtureLook DARK = new FixtureLook(0, 0, 0, 0.5, 0.5, 0, false, 0, List.of());

    public FixtureLook {
        cells = List.copyOf(cells);
    }

    /** Of its brightest colour, 0 to 1. */
    public double brightness() {
        return Math.max(red, Math.max(green, blue));
    }

    /** As a screen shows it, {@code 0xFFrrggbb}: a level is taken as the screen's own. */
    public int screen() {
        return 0xFF000000 | byteOf(red) << 16 | byteOf(green) << 8 | byteOf(blue);
    }

    /** Its colour at full brightness; white where it is dark. */
    public int hue() {
        double most = brightness();
        return most == 0
                ? 0xFFFFFFFF
                : 0xFF000000 | byteOf(red / most) << 16 | byteOf(green / most) << 8 | byteOf(blue / most);
    }

    static int byteOf(double part) {
        return (int) Math.round(255 * Math.max(0, Math.min(1, part)));
    }
}
