package zentrel.app.sheet;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/** Paper on which a picture is drawn: lengths in points of 1/72 inch, from the top left corner. */
public interface Sheet {
    /**
     * One stroke of an outline.
     *
     * @param at x and y of each of its points
     */
    record Step(Kind kind, List<Double> at) {
        public Step {
            at = List.copyOf(at);
        }

        Step(Kind kind, double... at) {
            this(kind, Arrays.stream(at).boxed().toList());
        }

        /** The points as plain numbers. */
        double[] points() {
            return at.stream().mapToDouble(Double::doubleValue).toArray();
        }

        /** What a step does. */
        public enum Kind {
            MOVE,
            LINE,
            CURVE,
            CLOSE
        }
    }

    /**
     * A colour.
     *
     * @param red 0 to 1, as are green and blue
     * @param opacity 0 to 1
     */
    record Ink(double red, double green, double blue, double opacity) {}

    /** Draws an outline, filled, stroked or both. */
    void outline(List<Step> steps, Optional<Ink> fill, Optional<Ink> stroke, double width);

    /**
     * Writes a line of words.
     *
     * @param y the line on which the letters stand
     * @param mono whether all letters are as wide
     */
    void words(String text, double x, double y, double size, boolean mono, boolean bold, Ink ink);

    /** The finished document. */
    byte[] bytes();
}
