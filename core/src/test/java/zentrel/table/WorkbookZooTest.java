package zentrel.table;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/** Workbooks and texts that are small and would become large, or are no tables: each is refused in our own words, soon. */
class WorkbookZooTest {
    private interface Writing {
        void to(OutputStream out) throws IOException;
    }

    private static final String TYPES = """
            <?xml version="1.0" encoding="UTF-8"?>
            <Types xmlns="http://schemas.openxmlformats.org/package/2006/content-types"><Default Extension="rels" ContentType="application/vnd.openxmlformats-package.relationships+xml"/><Default Extension="xml" ContentType="application/xml"/><Override PartName="/xl/workbook.xml" ContentType="application/vnd.openxmlformats-officedocument.spreadsheetml.sheet.main+xml"/><Override PartName="/xl/worksheets/sheet1.xml" ContentType="application/vnd.openxmlformats-officedocument.spreadsheetml.worksheet+xml"/></Types>""";
    private static final String RELS = """
            <?xml version="1.0"?><Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships"><Relationship Id="r1" Type="http://schemas.openxmlformats.org/officeDocument/2006/relationships/officeDocument" Target="xl/workbook.xml"/></Relationships>""";
    private static final String BOOK_RELS = """
            <?xml version="1.0"?><Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships"><Relationship Id="r1" Type="http://schemas.openxmlformats.org/officeDocument/2006/relationships/worksheet" Target="worksheets/sheet1.xml"/></Relationships>""";
    private static final String BOOK = """
            <?xml version="1.0"?><workbook xmlns="http://schemas.openxmlformats.org/spreadsheetml/2006/main" xmlns:r="http://schemas.openxmlformats.org/officeDocument/2006/relationships"><sheets>%s</sheets></workbook>""";
    private static final String ONE_SHEET = "<sheet name=\"A\" sheetId=\"1\" r:id=\"r1\"/>";
    private static final String BEFORE =
            "<?xml version=\"1.0\"?>%s<worksheet xmlns=\"http://schemas.openxmlformats.org/spreadsheetml/2006/main\">"
                    + "<sheetData>";
    private static final String AFTER = "</sheetData></worksheet>";

    private static byte[] book(String sheets, String doctype, Writing rows) throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(bytes)) {
            part(zip, "[Content_Types].xml", TYPES);
            part(zip, "_rels/.rels", RELS);
            part(zip, "xl/workbook.xml", BOOK.formatted(sheets));
            part(zip, "xl/_rels/workbook.xml.rels", BOOK_RELS);
            zip.putNextEntry(new ZipEntry("xl/worksheets/sheet1.xml"));
            write(zip, BEFORE.formatted(doctype));
            rows.to(zip);
            write(zip, AFTER);
            zip.closeEntry();
        }
        return bytes.toByteArray();
    }

    private static byte[] rows(String rows) throws IOException {
        return book(ONE_SHEET, "", out -> write(out, rows));
    }

    private static void part(ZipOutputStream zip, String name, String text) throws IOException {
        zip.putNextEntry(new ZipEntry(name));
        write(zip, text.strip());
        zip.closeEntry();
    }

    private static void write(OutputStream out, String text) throws IOException {
        out.write(text.getBytes(StandardCharsets.UTF_8));
    }

    private static byte[] repeated(String before, String piece, int times, String after) throws IOException {
        byte[] many = piece.repeat(1000).getBytes(StandardCharsets.UTF_8);
        return book(ONE_SHEET, "", out -> {
            write(out, before);
            for (int i = 0; i < times / 1000; i++) {
                out.write(many);
            }
            write(out, after);
        });
    }

    private static Stream<Arguments> zoo() throws IOException {
        String inline = "<c r=\"%s\" t=\"inlineStr\"><is><t>x</t></is></c>";
        return Stream.of(
                Arguments.of(
                        "a far column",
                        rows("<row r=\"1\">" + inline.formatted("ZZZZZZ1") + "</row>"),
                        "Row 1 has too many"),
                Arguments.of(
                        "the last column",
                        rows("<row r=\"1\">" + inline.formatted("XFD1") + "</row>"),
                        "Row 1 has too many"),
                Arguments.of(
                        "a far row",
                        rows("<row r=\"1048576\">" + inline.formatted("A1048576") + "</row>"),
                        "Too many rows"),
                Arguments.of("a row without end", rows("<row r=\"99999999999\"/>"), "damaged"),
                Arguments.of("a negative row", rows("<row r=\"-5\">" + inline.formatted("A1") + "</row>"), "damaged"),
                Arguments.of(
                        "one cell of 8 MB",
                        repeated(
                                "<row r=\"1\"><c r=\"A1\" t=\"inlineStr\"><is><t>",
                                "y",
                                8_000_000,
                                "</t></is></c></row>"),
                        "more than 100000 characters"),
                Arguments.of(
                        "one tag of 8 MB",
                        repeated("<row r=\"1\" spans=\"", "1", 8_000_000, "\"></row>"),
                        "more than 100000 characters"),
                Arguments.of(
                        "two million empty cells",
                        repeated(
                                "<row r=\"1\">",
                                "<c r=\"A1\" t=\"inlineStr\"><is><t></t></is></c>",
                                4_000_000,
                                "</row>"),
                        "Too many cells"),
                Arguments.of("no sheet", book("", "", out -> {}), "has no sheet"),
                Arguments.of(
                        "an unknown kind of cell",
                        rows("<row r=\"1\"><c r=\"A1\" t=\"zz\"><v>1</v></c></row>"),
                        "damaged"),
                Arguments.of("no XML", rows("<row r=\"1\"><c r=\"A1\"></row>"), "damaged"),
                Arguments.of(
                        "text that blows up",
                        book(
                                ONE_SHEET,
                                "<!DOCTYPE x [<!ENTITY a \"aaaaaaaaaa\">]>",
                                out -> write(out, "<row r=\"1\"/>")),
                        "damaged"),
                Arguments.of("nothing", new byte[0], "damaged"),
                Arguments.of("a text", "no workbook".getBytes(StandardCharsets.UTF_8), "damaged"));
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("zoo")
    void everyAnimalIsRefusedInOurOwnWords(String what, byte[] bytes, String expected) {
        assertThat(bytes.length).as(what).isLessThan(3_000_000);
        assertThatThrownBy(() -> TextTable.workbook(bytes))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining(expected)
                .hasMessageNotContaining("Exception")
                .hasMessageNotContaining("org.");
    }

    /** Any byte of a good workbook changed, any length cut off: a table or a sentence. */
    @Test
    void damagedWorkbooksGiveATableOrASentence() {
        byte[] good = new TextTable(List.of(List.of("Name", "Address"), List.of("Node", "10.1.0.1"))).workbook("A");
        Random random = new Random(46);
        for (int i = 0; i < 400; i++) {
            byte[] bad = java.util.Arrays.copyOf(good, i % 4 == 0 ? random.nextInt(good.length) : good.length);
            for (int k = random.nextInt(4); k >= 0 && bad.length > 0; k--) {
                bad[random.nextInt(bad.length)] = (byte) random.nextInt(256);
            }
            try {
                assertThat(TextTable.workbook(bad).rows()).hasSizeLessThan(TableLimits.ROWS + 1);
            } catch (IllegalArgumentException e) {
                assertThat(e.getMessage())
                        .endsWith(".")
                        .doesNotContain("Exception")
                        .doesNotContain("java");
            }
        }
    }

    @Test
    void textsThatWouldBecomeLargeAreRefusedBeforeTheyDo() {
        assertThatThrownBy(() -> TextTable.parse(",".repeat(30_000_000)))
                .hasMessageContaining("Row 1 has too many columns");
        assertThatThrownBy(() -> TextTable.parse("a\n\"" + "b\n".repeat(200_000)))
                .hasMessageContaining("A cell in row 2");
        assertThatThrownBy(() -> TextTable.parse("a\n".repeat(200_001)))
                .hasMessageContaining("Too many rows (limit 200000)");
        assertThatThrownBy(() -> TextTable.parse(("a,".repeat(900) + "a\n").repeat(3000)))
                .hasMessageContaining("Too many cells");
        assertThat(TextTable.parse("\"" + ",".repeat(5000) + "\",b").rows().get(0))
                .hasSize(2);
    }

    @Test
    void readingIsFollowedAndStopped() {
        String rows = "a,b\n".repeat(50_000);
        List<Double> shares = new ArrayList<>();
        assertThat(TextTable.parse(rows, share -> shares.add(share)).rows()).hasSize(50_000);
        assertThat(shares).isSorted().hasSizeGreaterThan(1000).allMatch(s -> s >= 0 && s <= 1);
        byte[] book = TextTable.parse(rows).workbook("A");
        for (double until : new double[] {0, 0.3, 0.7}) {
            assertThatThrownBy(() -> TextTable.parse(rows, share -> share < until))
                    .isInstanceOf(ReadStoppedException.class);
            assertThatThrownBy(() -> WorkbookReader.read(book, share -> share < until * 0.6))
                    .isInstanceOf(ReadStoppedException.class);
        }
    }

    @Test
    void refusalsAreListedUpToFiftyAndCounted() {
        List<LeftOut> many = new ArrayList<>();
        for (int i = 1; i <= 10_000; i++) {
            many.add(new LeftOut(i, "\u001b" + "x".repeat(1000)));
        }
        List<String> lines = LeftOut.lines(many);
        assertThat(lines).hasSize(51).allMatch(l -> l.length() < 400 && !l.contains("\u001b"));
        assertThat(lines.get(50)).isEqualTo("… and 9950 more rows left out.");
    }
}
