package zentrel.control;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;

/** What a part of a message holds: how it is typed, and how it is sent. */
public enum PartType {
    /** A whole number of 32 bits; sent as i. */
    INT("int") {
        @Override
        public OscValue read(String text) {
            return new OscValue.Whole(whole(text, Integer.MIN_VALUE, Integer.MAX_VALUE));
        }
    },
    /** A number with a decimal point, such as that of a cue; sent as f. */
    DECIMAL("decimal") {
        @Override
        public OscValue read(String text) {
            return new OscValue.Decimal((float) number(text, -1e9, 1e9));
        }
    },
    /** A level from 0 to 255, or in percent; sent as i. */
    LEVEL("level") {
        @Override
        public OscValue read(String text) {
            return text.endsWith("%")
                    ? new OscValue.Whole((int) Math.round(percent(text) * FULL))
                    : new OscValue.Whole(whole(text, 0, FULL));
        }
    },
    /** A level from 0 to 1, or in percent; sent as f. */
    SHARE("0-1") {
        @Override
        public OscValue read(String text) {
            return new OscValue.Decimal((float) (text.endsWith("%") ? percent(text) : number(text, 0, 1)));
        }
    },
    /** A level from 0 to 100; sent as f. */
    PERCENT("percent") {
        @Override
        public OscValue read(String text) {
            return new OscValue.Decimal(
                    (float) (text.endsWith("%") ? percent(text) * HUNDRED : number(text, 0, HUNDRED)));
        }
    },
    /** A label; sent as s. */
    TEXT("text") {
        @Override
        public OscValue read(String text) {
            if (text.length() > LONGEST || text.chars().anyMatch(Character::isISOControl)) {
                throw new IllegalArgumentException(
                        "A label has at most " + LONGEST + " characters, and none that controls a terminal.");
            }
            return new OscValue.Text(text);
        }
    },
    /** On or off; sent as T or F. */
    SWITCH("switch") {
        @Override
        public OscValue read(String text) {
            return switch (text.toLowerCase(Locale.ROOT)) {
                case "on", "true", "1" -> new OscValue.Switch(true);
                case "off", "false", "0" -> new OscValue.Switch(false);
                default -> throw new IllegalArgumentException("\"" + text + "\" is neither on nor off.");
            };
        }
    };

    private static final int FULL = 255;
    private static final int HUNDRED = 100;
    private static final int LONGEST = 1_000;

    private final String word;

    PartType(String word) {
        this.word = word;
    }

    /** How it is written in a template. */
    public String word() {
        return word;
    }

    /**
     * The value that a text stands for.
     *
     * @throws IllegalArgumentException with a sentence, where it is none of this type
     */
    public abstract OscValue read(String text);

    /** The type of a word. */
    public static Optional<PartType> of(String word) {
        return Arrays.stream(values()).filter(t -> t.word.equals(word)).findFirst();
    }

    /** All words, for a sentence. */
    static String words() {
        return Arrays.stream(values()).map(PartType::word).collect(Collectors.joining(", "));
    }

    private static int whole(String text, int least, int most) {
        try {
            int value = Integer.parseInt(text);
            if (value >= least && value <= most) {
                return value;
            }
        } catch (NumberFormatException e) {
            throw new IllegalArgumentException(notWhole(text, least, most), e);
        }
        throw new IllegalArgumentException(notWhole(text, least, most));
    }

    private static String notWhole(String text, int least, int most) {
        return "\"" + text + "\" is not a whole number from " + least + " to " + most + ".";
    }

    private static double number(String text, double least, double most) {
        if (text.matches("[+-]?[0-9]{1,12}([.,][0-9]{1,12})?")) {
            double value = Double.parseDouble(text.replace(',', '.'));
            if (value >= least && value <= most) {
                return value;
            }
        }
        throw new IllegalArgumentException("\"" + text + "\" is not a number from " + CueNumber.plain((float) least)
                + " to " + CueNumber.plain((float) most) + ".");
    }

    private static double percent(String text) {
        return number(text.substring(0, text.length() - 1).strip(), 0, HUNDRED) / HUNDRED;
    }
}
