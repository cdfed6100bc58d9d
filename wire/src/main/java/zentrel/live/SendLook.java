package zentrel.live;

import java.util.Map;
import zentrel.profile.Protocol;

/** What test levels are, step by step. */
public sealed interface SendLook {
    /**
     * The levels of one universe, 512.
     *
     * @param step counted from 0
     * @param at which of the universes it is, from 0
     * @param universes how many there are
     * @param wire its number in its protocol
     */
    byte[] levels(long step, int at, int universes, Protocol protocol, int wire);

    /** How long a step takes, above 0. */
    double stepSeconds();

    /**
     * The same slots all the time.
     *
     * @param slots levels 0–255 by slot 1–512
     */
    record Fixed(Map<Integer, Integer> slots) implements SendLook {
        public Fixed {
            slots = Map.copyOf(slots);
            slots.forEach((slot, level) -> require(slot, slot, level));
        }

        @Override
        public byte[] levels(long step, int at, int universes, Protocol protocol, int wire) {
            byte[] levels = new byte[512];
            slots.forEach((slot, level) -> levels[slot - 1] = (byte) (int) level);
            return levels;
        }

        @Override
        public double stepSeconds() {
            return 1; // nothing changes
        }
    }

    /**
     * A pattern on a range of slots.
     *
     * @param first the first slot, 1–512
     * @param last the last slot
     * @param level 0–255
     */
    record Moving(SendPattern pattern, int first, int last, int level, double stepSeconds) implements SendLook {
        public Moving {
            require(first, last, level);
            if (!(stepSeconds > 0)) {
                throw new IllegalArgumentException("A step takes more than 0 s.");
            }
        }

        @Override
        public byte[] levels(long step, int at, int universes, Protocol protocol, int wire) {
            return pattern.levels(step, at, universes, protocol, wire, first, last, level);
        }
    }

    /** Levels that somebody else works out, such as those of pixels. */
    record Painted(Painter painter, double stepSeconds) implements SendLook {
        /** Works out the 512 levels of a universe; in the net's turn. */
        @FunctionalInterface
        public interface Painter {
            byte[] levels(long step, Protocol protocol, int wire);
        }

        public Painted {
            if (!(stepSeconds > 0)) {
                throw new IllegalArgumentException("A step takes more than 0 s.");
            }
        }

        @Override
        public byte[] levels(long step, int at, int universes, Protocol protocol, int wire) {
            return painter.levels(step, protocol, wire);
        }
    }

    private static void require(int first, int last, int level) {
        if (first < 1 || last > 512 || first > last) {
            throw new IllegalArgumentException(
                    "Slots go from 1 to 512, the first before the last, not " + first + " to " + last + ".");
        }
        if (level < 0 || level > 255) {
            throw new IllegalArgumentException("A level goes from 0 to 255, not " + level + ".");
        }
    }
}
