package zentrel.app.pixels;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import javafx.scene.paint.Color;
import zentrel.app.look.UniverseHue;
import zentrel.app.pixels.PixelSight.Wire;
import zentrel.live.UniverseSeen;
import zentrel.pixel.PixelColour;
import zentrel.pixel.PixelMap;
import zentrel.plan.PixelType;
import zentrel.plan.Universe;

/** The colour of each pixel: of its universe, or what its levels show. */
public final class PixelHues {
    private static final int NO_SLOT = 0xFF6B7076;
    /** What an unlit pixel is drawn as, so that its place is seen. */
    private static final int UNLIT = 0xFF39424B;

    private static final double DIM = 0.3;
    private static final double HATCHED = 0.68;
    private static final int HATCHES = 4;

    private PixelHues() {}

    static int hue(int number) {
        Color c = Color.web(UniverseHue.of(number));
        return argb(c.getRed(), c.getGreen(), c.getBlue());
    }

    private static int argb(double red, double green, double blue) {
        return 0xFF000000
                | (int) Math.round(red * 255) << 16
                | (int) Math.round(green * 255) << 8
                | (int) Math.round(blue * 255);
    }

    private static int scaled(int colour, double by) {
        return argb(
                (colour >> 16 & 0xFF) / 255.0 * by, (colour >> 8 & 0xFF) / 255.0 * by, (colour & 0xFF) / 255.0 * by);
    }

    /**
     * Each universe in its hue; every second, third or fourth pixel darker tells neighbours apart without it.
     *
     * @param only the number of the universe that stands out; 0 for none
     */
    static int[] byUniverse(PixelSight sight, int only) {
        PixelMap map = sight.map();
        int[] hues = sight.numbers().stream()
                .mapToInt(n -> n == 0 ? NO_SLOT : hue(n))
                .toArray();
        int[] colours = new int[map.count()];
        for (int i = 0; i < colours.length; i++) {
            int universe = map.universeOf(i);
            int number = universe < 0 ? 0 : sight.numbers().get(universe);
            int colour = universe < 0 ? NO_SLOT : hues[universe];
            int hatch = Math.floorMod(number - 1, HATCHES);
            boolean darker = number > 0 && hatch > 0 && i % (hatch + 1) == 0;
            colour = darker ? scaled(colour, HATCHED) : colour;
            colours[i] = only == 0 || number == only ? colour : scaled(colour, DIM);
        }
        return colours;
    }

    /** What levels show; {@code levels} as {@link PixelMap#levels} makes them. */
    public static int[] byLevels(PixelMap map, byte[] levels, int[] into) {
        int[] colours = into.length == map.count() ? into : new int[map.count()];
        for (int r = 0; r < map.runs().size(); r++) {
            PixelType type = map.runs().get(r).type();
            for (int i = map.first(r); i < map.first(r + 1); i++) {
                int at = map.at(i);
                int shown = at < 0 ? 0xFF000000 : PixelColour.shown(levels, at, type);
                colours[i] = (shown & 0xFFFFFF) == 0 ? UNLIT : lighter(shown, UNLIT);
            }
        }
        return colours;
    }

    /** A dark colour still shows where its pixel is. */
    private static int lighter(int colour, int least) {
        int red = Math.max(colour >> 16 & 0xFF, (least >> 16 & 0xFF) / 2);
        int green = Math.max(colour >> 8 & 0xFF, (least >> 8 & 0xFF) / 2);
        int blue = Math.max(colour & 0xFF, (least & 0xFF) / 2);
        return 0xFF000000 | red << 16 | green << 8 | blue;
    }

    /** Puts what was heard into the levels of all universes; how many of them were heard. */
    static int fill(List<Optional<Wire>> wires, Map<Wire, UniverseSeen> heard, byte[] levels) {
        int found = 0;
        java.util.Arrays.fill(levels, (byte) 0);
        for (int u = 0; u < wires.size(); u++) {
            Optional<UniverseSeen> seen = wires.get(u).map(heard::get);
            if (seen.isPresent()) {
                byte[] each = seen.get().levels().toArray();
                System.arraycopy(each, 0, levels, u * Universe.SLOTS, Math.min(each.length, Universe.SLOTS));
                found++;
            }
        }
        return found;
    }
}
