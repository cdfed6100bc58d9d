package zentrel.file;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import zentrel.text.Word;

/**
 * What a user chose for the program, whatever plan is open.
 *
 * @param day whether the day colours are on
 * @param text how large everything is
 * @param levels how levels are shown and typed
 * @param adapter the adapter that the bench listens by, by its name; empty where none was chosen
 * @param windows where windows stood, by what they show; {@code main} is the window itself
 * @param recent the plan files opened last, the newest first
 * @param addressesInLogs whether logs may hold addresses
 */
@RecordBuilder
public record Settings(
        boolean day,
        TextSize text,
        Levels levels,
        String adapter,
        Map<String, Place> windows,
        List<Path> recent,
        boolean addressesInLogs)
        implements SettingsBuilder.With {
    /** More plans than this are not remembered. */
    static final int MOST_RECENT = 10;

    /** How large everything in the window is. */
    public enum TextSize implements Word {
        USUAL("usual", 1),
        LARGER("larger", 1.14),
        LARGEST("largest", 1.3);

        private final String word;
        private final double times;

        TextSize(String word, double times) {
            this.word = word;
            this.times = times;
        }

        @Override
        public String word() {
            return word;
        }

        /** How much larger than usual. */
        public double times() {
            return times;
        }
    }

    /** How levels are shown and typed. */
    public enum Levels implements Word {
        /** 0 to 255, as a slot holds them. */
        BYTE("0-255"),
        /** 0 to 100 %. */
        PERCENT("percent");

        /** The highest level of a slot (ANSI E1.11). */
        private static final int MOST = 255;

        private final String word;

        Levels(String word) {
            this.word = word;
        }

        @Override
        public String word() {
            return word;
        }

        /** A level of a slot in words; percent are rounded. */
        public String words(int level) {
            return this == BYTE ? String.valueOf(level) : Math.round(level * 100.0 / MOST) + " %";
        }

        /**
         * A level that somebody typed: a number in this unit, or one with a percent sign.
         *
         * @return 0 to 255; empty where it is none
         */
        public Optional<Integer> parse(String typed) {
            String text = typed.strip();
            boolean percent = this == PERCENT || text.endsWith("%");
            try {
                double number = Double.parseDouble(text.replace("%", "").strip().replace(',', '.'));
                boolean fits = percent || number == Math.rint(number);
                long level = percent ? Math.round(number * MOST / 100) : Math.round(number);
                return fits && level >= 0 && level <= MOST && number >= 0 ? Optional.of((int) level) : Optional.empty();
            } catch (NumberFormatException e) {
                return Optional.empty();
            }
        }
    }

    /** Where a window stands, in pixels of the screen. */
    public record Place(double x, double y, double width, double height, boolean maximized) {}

    /** What is chosen where nobody chose. */
    public static final Settings USUAL =
            new Settings(false, TextSize.USUAL, Levels.BYTE, "", Map.of(), List.of(), false);

    public Settings {
        windows = Map.copyOf(new TreeMap<>(windows));
        recent = List.copyOf(recent.size() > MOST_RECENT ? recent.subList(0, MOST_RECENT) : recent);
    }

    /** With a plan file as the newest. */
    public Settings opened(Path plan) {
        Path absolute = plan.toAbsolutePath().normalize();
        List<Path> paths = new ArrayList<>(recent);
        paths.remove(absolute);
        paths.add(0, absolute);
        return withRecent(paths);
    }

    /** With the place of a window. */
    public Settings placed(String window, Place place) {
        Map<String, Place> places = new TreeMap<>(windows);
        places.put(window, place);
        return withWindows(places);
    }
}
