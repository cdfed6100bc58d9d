package zentrel.pixel;

import zentrel.plan.PixelType;

/** Levels of a pixel's colours, and what they look like on a screen. Levels are taken as they are, without a curve. */
public final class PixelColour {
    private static final int OPAQUE = 0xFF000000;
    private static final int FULL = 255;
    /** What each colour adds to red, green and blue of a screen, of 255 (common practice, no source). */
    private static final String LETTERS = "RGBWCAYU";

    private static final int[][] ADDS = {
        {255, 0, 0},
        {0, 255, 0},
        {0, 0, 255},
        {255, 244, 229},
        {229, 244, 255},
        {255, 150, 0},
        {255, 220, 0},
        {110, 0, 255}
    };

    private PixelColour() {}

    /**
     * What a pixel shows.
     *
     * @param levels of all universes, 512 slots each
     * @param at where its first slot is in them
     * @return as {@code 0xFFrrggbb}
     */
    public static int shown(byte[] levels, int at, PixelType type) {
        String order = type.order();
        int step = type.bits() / 8;
        int red = 0;
        int green = 0;
        int blue = 0;
        for (int c = 0; c < order.length() && at + c * step < levels.length; c++) {
            int level = levels[at + c * step] & 0xFF; // the high byte of 16 bits says all that a screen shows
            if (level > 0) {
                int[] adds = ADDS[LETTERS.indexOf(order.charAt(c))];
                red += adds[0] * level;
                green += adds[1] * level;
                blue += adds[2] * level;
            }
        }
        return OPAQUE | part(red) << 16 | part(green) << 8 | part(blue);
    }

    private static int part(int sum) {
        return Math.min(FULL, sum / FULL);
    }

    /** Sets a pixel's levels so that it shows a colour; white goes to red, green and blue alike. */
    static void set(byte[] levels, int at, PixelType type, int rgb) {
        String order = type.order();
        int step = type.bits() / 8;
        for (int c = 0; c < order.length() && at + c * step < levels.length; c++) {
            int level = switch (order.charAt(c)) {
                case 'R' -> rgb >> 16 & 0xFF;
                case 'G' -> rgb >> 8 & 0xFF;
                case 'B' -> rgb & 0xFF;
                default -> onlyWhite(order) ? (rgb >> 16 & 0xFF) : 0;
            };
            for (int b = 0; b < step && at + c * step + b < levels.length; b++) {
                levels[at + c * step + b] = (byte) level;
            }
        }
    }

    /** A pixel without red, green and blue has no other way to light. */
    private static boolean onlyWhite(String order) {
        return order.indexOf('R') < 0 && order.indexOf('G') < 0 && order.indexOf('B') < 0;
    }
}
