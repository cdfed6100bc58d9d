package zentrel.pixel;

import zentrel.plan.PixelType;
import zentrel.profile.PixelChip;

/**
 * How often an output shows a new picture.
 *
 * @param frameMillis how long one takes on its data line
 * @param perSecond how many a second the data line could show
 * @param reached how many arrive and are shown: no more than the network sends and the controller makes
 * @param limit what limits it
 * @param mostPixels how many pixels would still reach the rate that is wanted
 */
public record PixelRefresh(double frameMillis, double perSecond, double reached, Limit limit, int mostPixels) {
    /** What limits the rate. */
    public enum Limit implements zentrel.text.Word {
        DATA_LINE,
        NETWORK,
        CONTROLLER
    }

    /**
     * Works it out.
     *
     * @param pixels on one data line, from 1
     * @param bits of each colour, 8 or 16
     * @param network frames a second that arrive
     * @param controller frames a second that the controller makes at most
     * @param wanted frames a second
     * @throws IllegalArgumentException with a sentence, where a number is out of its range
     */
    public static PixelRefresh of(
            PixelChip chip, int pixels, int components, int bits, double network, double controller, double wanted) {
        if (pixels < 1
                || pixels > PixelSplit.MOST_PIXELS
                || components < 1
                || components > 8
                || (bits != 8 && bits != 16)) {
            throw new IllegalArgumentException(
                    "Count 1 to " + PixelSplit.MOST_PIXELS + " pixels of 1 to 8 colours with 8 or 16 bits each, not "
                            + pixels + " of " + components + " with " + bits + ".");
        }
        if (!(network > 0) || !(controller > 0) || !(wanted > 0)) {
            throw new IllegalArgumentException("A rate is more than 0 frames a second.");
        }
        return of(chip, components, bits, chip.frameMillis(pixels, components, bits), network, controller, wanted);
    }

    /**
     * Works it out for a data line with a frame that is known.
     *
     * @param type of which the most pixels are said
     * @param frame milliseconds
     */
    static PixelRefresh of(PixelType type, double frame, double network, double controller, double wanted) {
        return of(type.chip(), type.components(), type.bits(), frame, network, controller, wanted);
    }

    private static PixelRefresh of(
            PixelChip chip, int components, int bits, double frame, double network, double controller, double wanted) {
        double line = 1000 / frame;
        double reached = Math.min(line, Math.min(network, controller));
        Limit limit = reached == line ? Limit.DATA_LINE : reached == network ? Limit.NETWORK : Limit.CONTROLLER;
        return new PixelRefresh(frame, line, reached, limit, most(chip, components, bits, wanted));
    }

    private static int most(PixelChip chip, int components, int bits, double wanted) {
        int low = 0;
        int high = PixelSplit.MOST_PIXELS;
        while (low < high) {
            int middle = low + (high - low + 1) / 2;
            if (chip.frameMillis(middle, components, bits) <= 1000 / wanted) {
                low = middle;
            } else {
                high = middle - 1;
            }
        }
        return low;
    }
}
