package zentrel.live;

import zentrel.profile.Protocol;
import zentrel.text.Word;
import zentrel.universe.SacnUniverse;

/** What test levels look like, step by step. */
public enum SendPattern implements Word {
    /** All chosen slots at the level. */
    ALL("all up"),
    /** One slot after the other. */
    WALK("walk"),
    /** All chosen slots rise from 0 to the level, in 32 steps. */
    CLIMB("climb"),
    /** All chosen slots of one universe after the other. */
    UNIVERSES("universe by universe"),
    /**
     * Every universe says its number n, counted from 1: slot ((n − 1) mod 512) + 1 is at 1 + (n − 1) div 512. In Art-Net n is the
     * Port-Address and one more, so that 0 says 1.
     */
    NUMBER("say your number");

    private static final int SLOTS = 512;
    private static final int CLIMB_STEPS = 32;

    private final String words;

    SendPattern(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }

    /**
     * The levels of one universe.
     *
     * @param step counted from 0
     * @param at which of the universes it is, from 0
     * @param universes how many there are
     * @param wire its number in its protocol
     * @param first the first slot that is chosen, 1–512
     * @param last the last one
     */
    public byte[] levels(
            long step, int at, int universes, Protocol protocol, int wire, int first, int last, int level) {
        byte[] levels = new byte[SLOTS];
        int count = last - first + 1;
        switch (this) {
            case ALL -> fill(levels, first, last, level);
            case WALK -> levels[first - 1 + (int) (step % count)] = (byte) level;
            case CLIMB -> fill(levels, first, last, (int) (level * (step % (CLIMB_STEPS + 1)) / CLIMB_STEPS));
            case UNIVERSES -> fill(levels, first, last, step % universes == at ? level : 0);
            case NUMBER -> {
                int n = protocol == Protocol.ARTNET ? wire + 1 : wire;
                levels[(n - 1) % SLOTS] = (byte) (1 + (n - 1) / SLOTS);
            }
        }
        return levels;
    }

    private static void fill(byte[] levels, int first, int last, int level) {
        for (int slot = first; slot <= last; slot++) {
            levels[slot - 1] = (byte) level;
        }
    }

    /** The number that a universe says by {@link #NUMBER}; 0 where it says none. */
    public static int numberIn(byte[] levels) {
        int found = 0;
        for (int i = 0; i < levels.length; i++) {
            int value = levels[i] & 0xFF;
            if (value > 0) {
                if (found != 0) {
                    return 0;
                }
                found = i + 1 + (value - 1) * SLOTS;
            }
        }
        return found <= SacnUniverse.LAST ? found : 0;
    }
}
