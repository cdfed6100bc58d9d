package zentrel.lit;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;

/** What a slot does to what is seen, by the words with which types name it. */
enum SlotRole {
    DIMMER("dimmer|intensity|brightness|level"),
    RED(1, 0, 0, "red"),
    GREEN(0, 1, 0, "green"),
    BLUE(0, 0, 1, "blue"),
    WHITE(1, 1, 1, "white"),
    WARM_WHITE(1, 0.8, 0.55, "warm white|warm"),
    COOL_WHITE(0.85, 0.92, 1, "cool white|cold white|cold|cool"),
    AMBER(1, 0.65, 0, "amber"),
    LIME(0.75, 1, 0.1, "lime"),
    ULTRAVIOLET(0.35, 0, 1, "ultraviolet|uv"),
    CYAN("cyan"),
    MAGENTA("magenta"),
    YELLOW("yellow"),
    TEMPERATURE("white temperature|colour temperature|color temperature|ctc|cto"),
    PAN("pan"),
    TILT("tilt"),
    ZOOM("zoom"),
    SHUTTER("shutter"),
    STROBE("strobe"),
    OTHER("");

    private final double red;
    private final double green;
    private final double blue;
    private final boolean adds;
    private final String words;

    SlotRole(String words) {
        this(0, 0, 0, false, words);
    }

    SlotRole(double red, double green, double blue, String words) {
        this(red, green, blue, true, words);
    }

    SlotRole(double red, double green, double blue, boolean adds, String words) {
        this.red = red;
        this.green = green;
        this.blue = blue;
        this.adds = adds;
        this.words = words;
    }

    /** Whether it is light of a colour that is added. */
    boolean adds() {
        return adds;
    }

    double red() {
        return red;
    }

    double green() {
        return green;
    }

    double blue() {
        return blue;
    }

    /** The role of a slot by its name, without what makes it finer and without the number of a cell. */
    static SlotRole of(String plain) {
        String name = plain.toLowerCase(Locale.ROOT);
        return Arrays.stream(values())
                .filter(r -> List.of(r.words.split("[|]", -1)).contains(name))
                .findFirst()
                .orElse(OTHER);
    }
}
