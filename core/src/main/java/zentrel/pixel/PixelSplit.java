package zentrel.pixel;

import java.util.ArrayList;
import java.util.List;
import zentrel.plan.Universe;
import zentrel.text.Counted;

/**
 * Pixels of outputs, split over universes.
 *
 * @param outputs in the order of the outputs
 */
public record PixelSplit(List<Output> outputs) {
    /** More pixels than one plan can name. */
    public static final int MOST_PIXELS = 10_000_000;

    private static final int MOST_OUTPUTS = 10_000;
    private static final int MOST_COMPONENTS = 16;

    /**
     * What an output puts out.
     *
     * @param output its number, from 1
     */
    public record Output(int output, int pixels, List<Run> universes) {
        public Output {
            universes = List.copyOf(universes);
        }

        /** Slots of all its pixels. */
        public int channels() {
            return universes.stream().mapToInt(Run::slots).sum();
        }
    }

    /**
     * What of an output is in one universe.
     *
     * @param number the universe's
     * @param firstPixel the first pixel of the output that begins in it, from 1
     * @param pixels how many begin in it
     * @param firstSlot the first slot that is used, from 1
     * @param slots how many are used
     * @param straddles whether its last pixel goes on in the next universe
     */
    public record Run(int number, int firstPixel, int pixels, int firstSlot, int slots, boolean straddles) {}

    /**
     * How a controller splits.
     *
     * @param components slots of a pixel: 3 for RGB, 4 for RGBW, twice that for 16 bits
     * @param straddle whether a pixel may lie in two universes; else the rest of a universe stays empty
     * @param packed whether an output goes on where the one before ended; else each begins a universe
     * @param firstUniverse the number of the first
     * @param firstSlot where it begins in it, 1 to 512
     * @param perUniverse the most pixels in a universe; 0 for as many as fit
     */
    public record Rules(
            int components, boolean straddle, boolean packed, int firstUniverse, int firstSlot, int perUniverse) {
        public Rules {
            require("A pixel has", components, 1, MOST_COMPONENTS, "slots");
            require("The first universe is", firstUniverse, 0, 63_999, "");
            require("The first slot is", firstSlot, 1, Universe.SLOTS, "");
            require("A universe takes", perUniverse, 0, Universe.SLOTS, "pixels at most");
        }

        /** Whole pixels from slot 1, a universe for each output. */
        public static Rules whole(int components, int firstUniverse) {
            return new Rules(components, false, false, firstUniverse, 1, 0);
        }

        /** How many pixels a whole universe takes: 170 RGB, 128 RGBW. */
        public int mostInUniverse() {
            int fit = Universe.SLOTS / components;
            return perUniverse == 0 ? fit : Math.min(fit, perUniverse);
        }
    }

    private static void require(String what, int value, int least, int most, String unit) {
        if (value < least || value > most) {
            throw new IllegalArgumentException(
                    (what + " " + least + " to " + most + " " + unit).strip() + ", not " + value + ".");
        }
    }

    public PixelSplit {
        outputs = List.copyOf(outputs);
    }

    /**
     * Spreads pixels evenly; the first outputs take one more where it does not come out even.
     *
     * @throws IllegalArgumentException with a sentence, where a number is out of its range
     */
    public static List<Integer> evenly(int pixels, int outputs) {
        require("There are", pixels, 1, MOST_PIXELS, "pixels");
        require("There are", outputs, 1, MOST_OUTPUTS, "outputs");
        List<Integer> each = new ArrayList<>();
        for (int i = 0; i < outputs; i++) {
            each.add(pixels / outputs + (i < pixels % outputs ? 1 : 0));
        }
        return each;
    }

    /**
     * Splits them.
     *
     * @param perOutput how many pixels each output has, from 0
     * @throws IllegalArgumentException with a sentence, where a number is out of its range
     */
    public static PixelSplit of(List<Integer> perOutput, Rules rules) {
        require("There are", perOutput.size(), 1, MOST_OUTPUTS, "outputs");
        long all = 0;
        for (int each : perOutput) {
            require("An output has", each, 0, MOST_PIXELS, "pixels");
            all += each;
        }
        if (all > MOST_PIXELS) {
            throw new IllegalArgumentException(
                    "There are 1 to " + MOST_PIXELS + " pixels, not " + Counted.of(all, "pixel") + ".");
        }
        Filling filling = new Filling(rules.firstUniverse(), rules.firstSlot());
        List<Output> outputs = new ArrayList<>();
        for (int i = 0; i < perOutput.size(); i++) {
            if (i > 0 && !rules.packed() && !filling.isFresh()) {
                filling.next();
            }
            int pixels = perOutput.get(i);
            outputs.add(new Output(
                    i + 1, pixels, filling.put(pixels, rules.components(), rules.straddle(), rules.perUniverse())));
        }
        return new PixelSplit(outputs);
    }

    /** How many universes there are in all, each counted once. */
    public int universes() {
        return (int) outputs.stream()
                .flatMap(o -> o.universes().stream())
                .mapToInt(Run::number)
                .distinct()
                .count();
    }

    /** Pixels of all outputs. */
    public int pixels() {
        return outputs.stream().mapToInt(Output::pixels).sum();
    }
}
