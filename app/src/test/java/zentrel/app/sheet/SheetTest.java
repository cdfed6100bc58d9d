package zentrel.app.sheet;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.ByteArrayInputStream;
import java.util.List;
import java.util.Optional;
import javax.xml.parsers.DocumentBuilderFactory;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.w3c.dom.Document;
import org.w3c.dom.Element;
import zentrel.app.sheet.Sheet.Ink;
import zentrel.app.sheet.Sheet.Step;

/** Pictures on paper, read back by the JDK's XML parser and by a general library's reader of PDF. */
class SheetTest {
    private static final Ink BLUE = new Ink(0.2, 0.4, 1, 0.5);

    private static Picture picture(String words) {
        return new Picture(
                200,
                100,
                List.of(
                        new Picture.Outline(
                                List.of(
                                        new Step(Step.Kind.MOVE, 10, 20),
                                        new Step(Step.Kind.CURVE, 20, 20, 30, 40, 50, 60.5),
                                        new Step(Step.Kind.LINE, 50, 80),
                                        new Step(Step.Kind.CLOSE)),
                                Optional.of(BLUE),
                                Optional.empty(),
                                1),
                        new Picture.Words(words, 12, 30, 13, false, true, new Ink(0, 0, 0, 1))));
    }

    private static Document parsed(byte[] svg) throws Exception {
        return DocumentBuilderFactory.newInstance().newDocumentBuilder().parse(new ByteArrayInputStream(svg));
    }

    @ParameterizedTest
    @ValueSource(strings = {"Hut desk", "a < b & c > \"d\"", "Café terrace", "tab\u0001bell", "Glashütte 東"})
    void anSvgIsXmlWithItsWords(String words) throws Exception {
        Document document = parsed(picture(words).on(new SvgSheet(200, 100, "A & B")));
        Element root = document.getDocumentElement();
        assertThat(root.getNamespaceURI() == null ? root.getAttribute("xmlns") : root.getNamespaceURI())
                .isEqualTo("http://www.w3.org/2000/svg");
        assertThat(root.getAttribute("viewBox")).isEqualTo("0 0 200 100");
        Element path = (Element) document.getElementsByTagName("path").item(0);
        assertThat(path.getAttribute("d")).isEqualTo("M10 20C20 20 30 40 50 60.5L50 80Z");
        assertThat(path.getAttribute("fill")).isEqualTo("#3366ff");
        assertThat(path.getAttribute("fill-opacity")).isEqualTo("0.5");
        Element text = (Element) document.getElementsByTagName("text").item(0);
        assertThat(text.getTextContent()).isEqualTo(words.replace('\u0001', '?'));
        assertThat(text.getAttribute("font-weight")).isEqualTo("600");
    }

    @ParameterizedTest
    @ValueSource(strings = {"Hut desk", "Café terrace → 4 ≠ 5", "Glashütte 東"})
    void aPdfHasItsWordsAndItsLetters(String words) throws Exception {
        byte[] bytes = picture(words).on(new PdfSheet(200, 100, "Fernlight Trail"));
        try (PDDocument document = Loader.loadPDF(bytes)) {
            assertThat(document.getNumberOfPages()).isEqualTo(1);
            assertThat(document.getPage(0).getMediaBox().getWidth()).isEqualTo(200f);
            assertThat(document.getPage(0).getMediaBox().getHeight()).isEqualTo(100f);
            assertThat(document.getDocumentInformation().getTitle()).isEqualTo("Fernlight Trail");
            assertThat(new PDFTextStripper().getText(document).strip()).isEqualTo(words.replace('東', '?'));
            for (var name : document.getPage(0).getResources().getFontNames()) {
                PDFont font = document.getPage(0).getResources().getFont(name);
                assertThat(font.isEmbedded()).as(font.getName()).isTrue();
            }
        }
    }

    @Test
    void aFrameMovesAllOfIt() {
        Picture framed = picture("x").framed(24);
        assertThat(framed.width()).isEqualTo(248);
        assertThat(framed.height()).isEqualTo(148);
        Picture.Outline outline = (Picture.Outline) framed.marks().get(0);
        assertThat(outline.steps().get(0).at()).containsExactly(34.0, 44.0);
        assertThat(outline.steps().get(3).at()).isEmpty();
        assertThat(((Picture.Words) framed.marks().get(1)).x()).isEqualTo(36);
    }

    /** The marks' own outlines: two half circles make a circle, to a thousandth of its radius. */
    @Test
    void halfACircleIsRound() {
        List<Step> steps = SvgSteps.of("M3.5 7 A5.5 5.5 0 1 1 14.5 7 A5.5 5.5 0 1 1 3.5 7");
        assertThat(steps)
                .extracting(Step::kind)
                .containsExactly(Step.Kind.MOVE, Step.Kind.CURVE, Step.Kind.CURVE, Step.Kind.CURVE, Step.Kind.CURVE);
        double x = 3.5;
        double y = 7;
        for (Step step : steps.subList(1, 5)) {
            double[] p = step.points();
            for (double t = 0; t <= 1; t += 0.125) {
                double u = 1 - t;
                double atX = u * u * u * x + 3 * u * u * t * p[0] + 3 * u * t * t * p[2] + t * t * t * p[4];
                double atY = u * u * u * y + 3 * u * u * t * p[1] + 3 * u * t * t * p[3] + t * t * t * p[5];
                assertThat(Math.hypot(atX - 9, atY - 7)).isCloseTo(5.5, within(0.0055));
            }
            x = p[4];
            y = p[5];
        }
        assertThat(y).isEqualTo(7);
        assertThat(SvgSteps.of("M9 1 L15 7 Z"))
                .extracting(Step::kind)
                .containsExactly(Step.Kind.MOVE, Step.Kind.LINE, Step.Kind.CLOSE);
    }
}
