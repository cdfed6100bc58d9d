package zentrel.plan;

import java.util.List;
import zentrel.text.PlainText;
import zentrel.text.Word;

/**
 * A control of a surface and the message that it sends by a link.
 *
 * @param name what it is called on the surface
 * @param first the number that the surface gives at one end of its travel
 * @param last that at the other end; another than the first
 * @param values one for each part of the link's message; {@value #MOVES} for the one that follows the control
 * @param feedback whether the program sends the value back, so that the control stands where the program is
 */
public record LinkControl(
        String name, Kind kind, int first, int last, Curve curve, List<String> values, boolean feedback) {
    /** What stands for the part that follows the control. */
    public static final String MOVES = "*";

    private static final int LARGEST = 1_000_000;

    /** How it is moved. */
    public enum Kind implements Word {
        /** Gives its last number while it is pressed, its first when it is let go. */
        BUTTON,
        /** Changes between its two numbers with each press. */
        TOGGLE,
        FADER,
        /** Turns without end; its numbers are kept between the first and the last. */
        ENCODER
    }

    /** How what is sent follows the travel. */
    public enum Curve implements Word {
        LINEAR,
        /** Slow at first: the square of the travel. */
        SQUARE,
        /** The other way round. */
        INVERTED
    }

    public LinkControl {
        PlainText.require("The name of a control", name);
        PlainText.requireAll("A value of a control", values);
        values = List.copyOf(values);
        if (name.isBlank()) {
            throw new IllegalArgumentException("A control has a name, such as Fader 1.");
        }
        if (first == last || Math.abs(first) > LARGEST || Math.abs(last) > LARGEST) {
            throw new IllegalArgumentException("The numbers of " + name + " go from one to another, such as 0-127, not "
                    + first + "-" + last + ".");
        }
        if (name.contains(": ")
                || LinkMessage.separates(name)
                || values.stream().anyMatch(LinkMessage::separates)) {
            throw new IllegalArgumentException(
                    "A control has no semicolon and no | in its name and values; they part controls where they are written in a line.");
        }
        if (values.stream().filter(MOVES::equals).count() > 1) {
            throw new IllegalArgumentException(name + " moves one part of the message; the others stand.");
        }
    }

    /** How far a number is along the travel, 0 to 1, bent by the curve. */
    public double travel(int number) {
        double along = Math.max(0, Math.min(1, (number - first) / (double) (last - first)));
        return switch (curve) {
            case LINEAR -> along;
            case SQUARE -> along * along;
            case INVERTED -> 1 - along;
        };
    }
}
