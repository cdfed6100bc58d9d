package zentrel.app.pixels;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import zentrel.app.sheet.Sheet;
import zentrel.pixel.PixelLayout;
import zentrel.pixel.PixelLayout.Bounds;
import zentrel.plan.PixelRun;

/** The layout on paper: every pixel in the colour of its universe, the names of runs with their universes, a scale. */
final class LayoutDrawing {
    static final double WIDTH = 842;
    static final double HEIGHT = 595;
    private static final double EDGE = 40;
    private static final double SMALL = 8;
    private static final Sheet.Ink INK = new Sheet.Ink(0.11, 0.15, 0.19, 1);

    private LayoutDrawing() {}

    /** Draws it; the finished document. */
    static byte[] on(Sheet sheet, PixelSight sight, String title) {
        Bounds all = sight.map().bounds();
        double scale = Math.min(
                (WIDTH - 2 * EDGE) / Math.max(0.1, all.width()), (HEIGHT - 3 * EDGE) / Math.max(0.1, all.height()));
        int[] colours = PixelHues.byUniverse(sight, 0);
        sheet.words(title, EDGE, EDGE - 12, 13, false, true, INK);
        for (int r = 0; r < sight.map().runs().size(); r++) {
            PixelRun run = sight.map().runs().get(r);
            PixelLayout layout = sight.map().layout(r);
            double half = Math.max(0.3, Math.min(6, run.shape().pitch() * scale * 0.4));
            for (int i = 0; i < layout.count(); i++) {
                double x = EDGE + (layout.x(i) - all.left()) * scale;
                double y = HEIGHT - 1.5 * EDGE - (layout.y(i) - all.bottom()) * scale;
                sheet.outline(
                        square(x, y, half), Optional.of(ink(colours[sight.map().first(r) + i])), Optional.empty(), 0);
            }
            Bounds b = layout.bounds();
            sheet.words(
                    run.name() + universes(sight, r),
                    EDGE + (b.left() - all.left()) * scale,
                    HEIGHT - 1.5 * EDGE - (b.top() - all.bottom()) * scale - half - 4,
                    SMALL,
                    false,
                    false,
                    INK);
        }
        sheet.words(
                String.format(
                        Locale.ROOT,
                        "%.2f m × %.2f m, %d pixels",
                        all.width(),
                        all.height(),
                        sight.map().count()),
                EDGE,
                HEIGHT - EDGE / 2,
                SMALL,
                true,
                false,
                INK);
        return sheet.bytes();
    }

    private static String universes(PixelSight sight, int run) {
        List<Integer> numbers = java.util.stream.IntStream.range(
                        sight.map().first(run), sight.map().first(run + 1))
                .map(sight.map()::universeOf)
                .filter(u -> u >= 0)
                .map(u -> sight.numbers().get(u))
                .distinct()
                .boxed()
                .toList();
        return numbers.isEmpty()
                ? ", no universe"
                : ", U" + numbers.get(0) + (numbers.size() == 1 ? "" : " to U" + numbers.get(numbers.size() - 1));
    }

    private static List<Sheet.Step> square(double x, double y, double half) {
        return List.of(
                new Sheet.Step(Sheet.Step.Kind.MOVE, List.of(x - half, y - half)),
                new Sheet.Step(Sheet.Step.Kind.LINE, List.of(x + half, y - half)),
                new Sheet.Step(Sheet.Step.Kind.LINE, List.of(x + half, y + half)),
                new Sheet.Step(Sheet.Step.Kind.LINE, List.of(x - half, y + half)),
                new Sheet.Step(Sheet.Step.Kind.CLOSE, List.of()));
    }

    private static Sheet.Ink ink(int colour) {
        return new Sheet.Ink((colour >> 16 & 0xFF) / 255.0, (colour >> 8 & 0xFF) / 255.0, (colour & 0xFF) / 255.0, 1);
    }
}
