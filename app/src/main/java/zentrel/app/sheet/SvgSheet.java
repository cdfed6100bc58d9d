package zentrel.app.sheet;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** A drawing as SVG (W3C Scalable Vector Graphics 1.1): text stays text, so that it can be searched and changed. */
public final class SvgSheet implements Sheet {
    private final StringBuilder out = new StringBuilder();

    public SvgSheet(double width, double height, String title) {
        out.append(String.format(
                Locale.ROOT,
                "<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"%s\" height=\"%s\" viewBox=\"0 0 %s %s\">%n<title>%s</title>%n",
                number(width),
                number(height),
                number(width),
                number(height),
                escaped(title)));
    }

    @Override
    public void outline(List<Step> steps, Optional<Ink> fill, Optional<Ink> stroke, double width) {
        out.append("<path d=\"");
        for (Step step : steps) {
            out.append(
                    switch (step.kind()) {
                        case MOVE -> "M";
                        case LINE -> "L";
                        case CURVE -> "C";
                        case CLOSE -> "Z";
                    });
            double[] at = step.points();
            for (int i = 0; i < at.length; i++) {
                out.append(i == 0 ? "" : " ").append(number(at[i]));
            }
        }
        out.append("\" fill=\"")
                .append(fill.map(SvgSheet::colour).orElse("none"))
                .append('"');
        fill.filter(f -> f.opacity() < 1)
                .ifPresent(f -> out.append(" fill-opacity=\"")
                        .append(number(f.opacity()))
                        .append('"'));
        stroke.ifPresent(s -> {
            out.append(" stroke=\"")
                    .append(colour(s))
                    .append("\" stroke-width=\"")
                    .append(number(width))
                    .append('"');
            if (s.opacity() < 1) {
                out.append(" stroke-opacity=\"").append(number(s.opacity())).append('"');
            }
        });
        out.append("/>\n");
    }

    @Override
    public void words(String text, double x, double y, double size, boolean mono, boolean bold, Ink ink) {
        out.append(String.format(
                Locale.ROOT,
                "<text x=\"%s\" y=\"%s\" font-family=\"%s\" font-size=\"%s\"%s fill=\"%s\">%s</text>%n",
                number(x),
                number(y),
                mono ? "IBM Plex Mono, monospace" : "IBM Plex Sans, sans-serif",
                number(size),
                bold ? " font-weight=\"600\"" : "",
                colour(ink),
                escaped(text)));
    }

    private static String colour(Ink ink) {
        return String.format(
                Locale.ROOT,
                "#%02x%02x%02x",
                Math.round(ink.red() * 255),
                Math.round(ink.green() * 255),
                Math.round(ink.blue() * 255));
    }

    private static String number(double value) {
        String text = String.format(Locale.ROOT, "%.2f", value);
        return text.replaceAll("0+$", "").replaceAll("\\.$", "");
    }

    /** Text in an XML document (XML 1.0, section 2.4); what XML cannot hold becomes a question mark. */
    private static String escaped(String text) {
        return text.replaceAll("[\\x00-\\x08\\x0B\\x0C\\x0E-\\x1F\\uFFFE\\uFFFF]", "?")
                .replace("&", "&amp;")
                .replace("<", "&lt;")
                .replace(">", "&gt;");
    }

    @Override
    public byte[] bytes() {
        return (out + "</svg>\n").getBytes(StandardCharsets.UTF_8);
    }
}
