package zentrel.entry;

import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import zentrel.plan.*;

/**
 * The shape of a pixel run in words: {@code strip of 612 at 16 mm}, {@code grid of 8 x 8 at 10 mm}, {@code loop of 60 at 16 mm},
 * {@code drawn, 160 through 0 0, 0 2, 1.5 3}, {@code placed 0 0, 0.1 0}.
 */
public final class PixelShapeFormat implements Format<PixelShape> {
    public static final Format<PixelShape> SHAPE = new PixelShapeFormat();

    private static final double USUAL_PITCH = 0.0166;
    private static final Pattern COUNTED =
            Pattern.compile("(strip|grid|loop|drawn)[,]?(?:\\s+of)?\\s+(\\d{1,7})(?:\\s*[x×]\\s*(\\d{1,7}))?"
                    + "(?:\\s+at\\s+(\\d{1,5}(?:[.,]\\d{1,4})?)\\s*(mm|m))?(?:\\s+through\\s+(.+))?");
    private static final Pattern PLACED = Pattern.compile("placed[,:]?\\s+(.+)");

    private PixelShapeFormat() {}

    @Override
    public String shown(Plan plan, PixelShape s) {
        String at = " at " + Position.plain(s.pitch() * 1000) + " mm";
        return switch (s.form()) {
            case STRIP -> "strip of " + s.columns() + at;
            case GRID -> "grid of " + s.columns() + " x " + s.rows() + at;
            case LOOP -> "loop of " + s.columns() + at;
            case DRAWN ->
                "drawn, " + s.columns() + at + " through " + s.points().written();
            case PLACED -> "placed " + s.points().written();
        };
    }

    @Override
    public PixelShape read(Plan plan, String text) {
        String plain = text.strip().toLowerCase(Locale.ROOT);
        Matcher placed = PLACED.matcher(plain);
        if (placed.matches()) {
            PixelPoints points = PixelPoints.read(placed.group(1));
            return new PixelShape(PixelForm.PLACED, points.count(), 1, USUAL_PITCH, points);
        }
        Matcher m = COUNTED.matcher(plain);
        if (!m.matches()) {
            throw new IllegalArgumentException("\"" + text
                    + "\" is no shape of pixels; write strip of 612 at 16 mm, grid of 8 x 8, loop of 60, drawn, 160 through"
                    + " 0 0, 0 2, 1.5 3, or placed 0 0, 0.1 0.");
        }
        PixelForm form = PixelForm.valueOf(m.group(1).toUpperCase(Locale.ROOT));
        double pitch = m.group(4) == null
                ? USUAL_PITCH
                : Double.parseDouble(m.group(4).replace(',', '.')) / (m.group(5).equals("mm") ? 1000 : 1);
        return new PixelShape(
                form,
                Integer.parseInt(m.group(2)),
                m.group(3) == null ? 1 : Integer.parseInt(m.group(3)),
                pitch,
                m.group(6) == null ? PixelPoints.NONE : PixelPoints.read(m.group(6)));
    }

    @Override
    public String hint() {
        return "strip of 612 at 16 mm";
    }
}
