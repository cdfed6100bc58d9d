package zentrel.pixel;

import java.util.ArrayList;
import java.util.List;
import zentrel.pixel.PixelSplit.Run;
import zentrel.plan.Universe;

/** Universes while pixels are put into them, one after the other. */
final class Filling {
    private int universe;
    private int slot;
    private int inUniverse;

    Filling(int firstUniverse, int firstSlot) {
        universe = firstUniverse;
        slot = firstSlot;
    }

    /** The universe that is filled at present. */
    int universe() {
        return universe;
    }

    /** Whether nothing has been put into it yet. */
    boolean isFresh() {
        return slot == 1 && inUniverse == 0;
    }

    /** Whether a pixel of so many slots can begin in the present universe. */
    boolean hasRoom(int slots, boolean straddle, int perUniverse) {
        return slot + (straddle ? 1 : slots) - 1 <= Universe.SLOTS && (perUniverse == 0 || inUniverse < perUniverse);
    }

    /** Goes on in the next universe. */
    void next() {
        beginAt(universe + 1, 1);
    }

    /** Goes on in another universe. */
    void beginAt(int otherUniverse, int firstSlot) {
        universe = otherUniverse;
        slot = firstSlot;
        inUniverse = 0;
    }

    /**
     * Puts pixels in, and says where each part of them went.
     *
     * @param each slots of one
     * @param straddle whether one may lie in two universes
     * @param perUniverse the most in a universe; 0 for as many as fit
     */
    List<Run> put(int pixels, int each, boolean straddle, int perUniverse) {
        List<Run> runs = new ArrayList<>();
        int pixel = 1;
        int open = 0; // slots of a pixel that began in the universe before
        while (pixel <= pixels || open > 0) {
            int room = Universe.SLOTS - slot + 1;
            int may = perUniverse == 0 ? Integer.MAX_VALUE : perUniverse - inUniverse;
            int left = Math.max(0, room - open);
            int fit = straddle ? (left + each - 1) / each : left / each;
            int begin = Math.min(Math.min(fit, may), pixels - pixel + 1);
            int slots = Math.min(room, open + begin * each);
            int over = open + begin * each - slots;
            if (begin > 0 || slots > 0) {
                runs.add(new Run(universe, pixel, begin, slot, slots, over > 0));
            }
            pixel += begin;
            slot += slots;
            inUniverse += begin;
            open = over;
            if (pixel <= pixels || open > 0) {
                next();
            }
        }
        return runs;
    }
}
