package zentrel.app.sheet;

import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * The strokes of an outline as SVG writes them (W3C SVG 1.1, section 8.3), as far as our own marks use it: moves, lines,
 * closing, and arcs that are half a circle.
 */
final class SvgSteps {
    private static final Pattern PART = Pattern.compile("([MLAZ])([^MLAZ]*)");

    /** How far the handles of a quarter circle reach, in radii: 4/3 (√2 − 1), by arithmetic. */
    private static final double HANDLE = 4.0 / 3 * (Math.sqrt(2) - 1);

    private SvgSteps() {}

    static List<Sheet.Step> of(String content) {
        List<Sheet.Step> steps = new ArrayList<>();
        Matcher part = PART.matcher(content);
        double x = 0;
        double y = 0;
        while (part.find()) {
            double[] n = numbers(part.group(2));
            switch (part.group(1)) {
                case "M" -> steps.add(new Sheet.Step(Sheet.Step.Kind.MOVE, n));
                case "L" -> steps.add(new Sheet.Step(Sheet.Step.Kind.LINE, n));
                case "A" -> half(steps, x, y, n[5], n[0]);
                default -> steps.add(new Sheet.Step(Sheet.Step.Kind.CLOSE));
            }
            if (n.length > 1) {
                x = n[n.length - 2];
                y = n[n.length - 1];
            }
        }
        return steps;
    }

    private static double[] numbers(String text) {
        String plain = text.strip();
        if (plain.isEmpty()) {
            return new double[0];
        }
        String[] parts = plain.split("[\\s,]+", -1);
        double[] numbers = new double[parts.length];
        for (int i = 0; i < parts.length; i++) {
            numbers[i] = Double.parseDouble(parts[i]);
        }
        return numbers;
    }

    /** Half a circle from one point to another at the same height, clockwise, as two quarters. */
    private static void half(List<Sheet.Step> steps, double x, double y, double toX, double radius) {
        double way = Math.signum(toX - x);
        double middle = (x + toX) / 2;
        double top = y - way * radius;
        double reach = HANDLE * radius;
        steps.add(new Sheet.Step(Sheet.Step.Kind.CURVE, x, y - way * reach, middle - way * reach, top, middle, top));
        steps.add(new Sheet.Step(Sheet.Step.Kind.CURVE, middle + way * reach, top, toX, y - way * reach, toX, y));
    }
}
