package zentrel.app.sheet;

import java.awt.Color;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDType0Font;
import org.apache.pdfbox.pdmodel.graphics.state.PDExtendedGraphicsState;

/** A drawing as one page of PDF, with the letters it needs embedded. */
public final class PdfSheet implements Sheet {
    private final PDDocument document = new PDDocument();
    private final Map<String, PDFont> fonts = new HashMap<>();
    private final PDPageContentStream page;
    private final double height;

    public PdfSheet(double width, double height, String title) {
        this.height = height;
        try {
            PDPage sheet = new PDPage(new PDRectangle((float) width, (float) height));
            document.addPage(sheet);
            document.getDocumentInformation().setTitle(title);
            page = new PDPageContentStream(document, sheet);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private float up(double y) {
        return (float) (height - y); // a page of PDF is measured from its foot
    }

    @Override
    public void outline(List<Step> steps, Optional<Ink> fill, Optional<Ink> stroke, double width) {
        try {
            PDExtendedGraphicsState state = new PDExtendedGraphicsState();
            state.setNonStrokingAlphaConstant(fill.map(f -> (float) f.opacity()).orElse(1f));
            state.setStrokingAlphaConstant(stroke.map(s -> (float) s.opacity()).orElse(1f));
            page.setGraphicsStateParameters(state);
            if (fill.isPresent()) {
                page.setNonStrokingColor(colour(fill.get()));
            }
            if (stroke.isPresent()) {
                page.setStrokingColor(colour(stroke.get()));
                page.setLineWidth((float) width);
            }
            for (Step step : steps) {
                draw(step);
            }
            if (fill.isPresent() && stroke.isPresent()) {
                page.fillAndStroke();
            } else if (fill.isPresent()) {
                page.fill();
            } else {
                page.stroke();
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private void draw(Step step) throws IOException {
        double[] p = step.points();
        switch (step.kind()) {
            case MOVE -> page.moveTo((float) p[0], up(p[1]));
            case LINE -> page.lineTo((float) p[0], up(p[1]));
            case CURVE -> page.curveTo((float) p[0], up(p[1]), (float) p[2], up(p[3]), (float) p[4], up(p[5]));
            case CLOSE -> page.closePath();
        }
    }

    @Override
    public void words(String text, double x, double y, double size, boolean mono, boolean bold, Ink ink) {
        try {
            PDFont font = font(mono, bold);
            page.setGraphicsStateParameters(new PDExtendedGraphicsState());
            page.beginText();
            page.setFont(font, (float) size);
            page.setNonStrokingColor(colour(ink));
            page.newLineAtOffset((float) x, up(y));
            page.showText(writable(font, text));
            page.endText();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** A letter that the font lacks becomes a question mark, for the library refuses the whole text otherwise. */
    private static String writable(PDFont font, String text) throws IOException {
        StringBuilder known = new StringBuilder();
        for (int letter : text.codePoints().toArray()) {
            String one = Character.toString(letter);
            known.append(has(font, one) ? one : "?");
        }
        return known.toString();
    }

    private static boolean has(PDFont font, String letter) throws IOException {
        try {
            font.encode(letter);
            return true;
        } catch (IllegalArgumentException e) {
            return false; // the library's way to say that there is no such letter
        }
    }

    private PDFont font(boolean mono, boolean bold) throws IOException {
        String name = "IBMPlex" + (mono ? "Mono" : "Sans") + (bold ? "_600SemiBold" : "_400Regular");
        PDFont known = fonts.get(name);
        if (known == null) {
            try (InputStream in = PdfSheet.class.getResourceAsStream("/zentrel/app/fonts/" + name + ".ttf")) {
                known = PDType0Font.load(document, java.util.Objects.requireNonNull(in, name));
            }
            fonts.put(name, known);
        }
        return known;
    }

    private static Color colour(Ink ink) {
        return new Color((float) ink.red(), (float) ink.green(), (float) ink.blue());
    }

    @Override
    public byte[] bytes() {
        try (document) {
            page.close();
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            document.save(out);
            return out.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
