package zentrel.table;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import java.util.zip.ZipOutputStream;
import javax.xml.parsers.DocumentBuilderFactory;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.w3c.dom.Document;
import org.w3c.dom.Element;
import org.w3c.dom.NodeList;

/** Tables as spreadsheets give and take them. */
class TextTableTest {
    @TempDir
    Path folder;

    static List<Arguments> texts() {
        return List.of(
                Arguments.of("commas", "a,b,c\n1,2,3\n", List.of(List.of("a", "b", "c"), List.of("1", "2", "3"))),
                Arguments.of(
                        "semicolons with commas in them",
                        "a;1,5\nb;2,5\n",
                        List.of(List.of("a", "1,5"), List.of("b", "2,5"))),
                Arguments.of("tabs", "a\tb\n1\t2", List.of(List.of("a", "b"), List.of("1", "2"))),
                Arguments.of("Windows line ends", "a,b\r\n1,2\r\n", List.of(List.of("a", "b"), List.of("1", "2"))),
                Arguments.of("a byte order mark", "\uFEFFa,b\n1,2", List.of(List.of("a", "b"), List.of("1", "2"))),
                Arguments.of("hidden blanks", "\u00A0a\u200B,\u2060b\n", List.of(List.of("a", "b"))),
                Arguments.of(
                        "marks without width within",
                        "10.1\u200B.2.3\u200E,\u202Fb\u00AD\n",
                        List.of(List.of("10.1.2.3", "b"))),
                Arguments.of(
                        "remarks with more commas than there are semicolons",
                        "a;b\n1;2\n3;x, y, z, x, y, z\n",
                        List.of(List.of("a", "b"), List.of("1", "2"), List.of("3", "x, y, z, x, y, z"))),
                Arguments.of(
                        "a line that says what separates",
                        "sep=;\r\na,b;c\r\n",
                        List.of(List.of(""), List.of("a,b", "c"))),
                Arguments.of("quotes", "\"a,1\",\"b \"\"x\"\"\"\n", List.of(List.of("a,1", "b \"x\""))),
                Arguments.of("a cell of two lines", "\"a\nb\",c\n", List.of(List.of("a b", "c"))),
                Arguments.of(
                        "rows of unequal length",
                        "a\nb,c\nd,e,f\n",
                        List.of(List.of("a"), List.of("b", "c"), List.of("d", "e", "f"))),
                Arguments.of(
                        "an empty row between",
                        "a,b\n\nc,d\n",
                        List.of(List.of("a", "b"), List.of(""), List.of("c", "d"))),
                Arguments.of(
                        "the mark against formulas", "'=A1,'-5,'quoted\n", List.of(List.of("=A1", "-5", "'quoted"))),
                Arguments.of("one cell", "a", List.of(List.of("a"))),
                Arguments.of("nothing", "", List.of()));
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("texts")
    void textIsReadAsItIsMeant(String what, String text, List<List<String>> rows) {
        TextTable table = TextTable.parse(text);
        assertThat(table.rows()).as(what).isEqualTo(rows);
        assertThat(table.width())
                .isEqualTo(rows.stream().mapToInt(List::size).max().orElse(0));
        for (int row = 0; row < rows.size(); row++) {
            assertThat(table.isBlank(row)).isEqualTo(rows.get(row).stream().allMatch(String::isEmpty));
            assertThat(table.cell(row, 99)).as("beyond the row").isEmpty();
        }
    }

    private static TextTable random(long seed) {
        Random random = new Random(seed);
        List<List<String>> rows = new ArrayList<>();
        int width = 1 + random.nextInt(6);
        for (int row = 0; row < 1 + random.nextInt(30); row++) {
            List<String> cells = new ArrayList<>();
            for (int column = 0; column < width; column++) {
                StringBuilder cell = new StringBuilder("x");
                for (int i = random.nextInt(12); i > 0; i--) {
                    cell.append("abc,;\"'=+-@_<>&é漢×0179/.:".charAt(random.nextInt(25)));
                }
                cells.add((random.nextInt(5) == 0 ? "=" : "") + cell.append('x'));
            }
            rows.add(cells);
        }
        return new TextTable(rows);
    }

    /** Whatever stands in the cells: as text and as a workbook it comes back, and nothing is a formula to a spreadsheet. */
    @ParameterizedTest(name = "table {0}")
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12})
    void whatIsWrittenIsReadAgain(long seed) throws IOException {
        TextTable table = random(seed);
        assertThat(TextTable.workbook(table.workbook("Sheet"))).isEqualTo(table);
        TextTable text = TextTable.parse(commaFirst(table).csv());
        assertThat(text).isEqualTo(commaFirst(table));
        for (String line : table.csv().split("\r\n", -1)) {
            assertThat(line).doesNotStartWith("=").doesNotStartWith("\"=");
        }
        Path file = folder.resolve("table.XLSX");
        Files.write(file, table.workbook("Sheet"));
        assertThat(TextTable.read(file)).isEqualTo(table);
        Path latin = folder.resolve("latin.csv");
        Files.write(latin, "Café,Größe\n1,2\n".getBytes(StandardCharsets.ISO_8859_1));
        assertThat(TextTable.read(latin).rows().get(0)).containsExactly("Café", "Größe");
        Path unicode = folder.resolve("unicode.txt");
        for (Charset charset : List.of(StandardCharsets.UTF_16LE, StandardCharsets.UTF_16BE, StandardCharsets.UTF_8)) {
            Files.write(unicode, ("\uFEFF" + text.csv()).getBytes(charset)); // each after its mark of byte order
            assertThat(TextTable.read(unicode)).as(charset.name()).isEqualTo(text);
        }
    }

    /** With first rows that say clearly what separates cells. */
    private static TextTable commaFirst(TextTable table) {
        List<List<String>> rows = new ArrayList<>(Collections.nCopies(20, Collections.nCopies(400, "h")));
        rows.addAll(table.rows());
        return new TextTable(rows);
    }

    /**
     * The parts of a workbook by a plain reader of zip and XML, as ECMA-376 part 1 lays them out: 18.3.1.73 rows, 18.3.1.4 cells,
     * 18.4.9 shared strings.
     */
    @Test
    void aPlainReaderOfTheStandardFindsTheCells() throws Exception {
        TextTable table = new TextTable(
                List.of(List.of("Host", "Address"), List.of("Jetty node", "10.41.22.4"), List.of("<&>", "=1")));
        Map<String, byte[]> parts = new LinkedHashMap<>();
        Path book = folder.resolve("book.xlsx");
        Files.write(book, table.workbook("Addresses"));
        try (ZipFile zip = new ZipFile(book.toFile())) {
            for (ZipEntry entry : java.util.Collections.list(zip.entries())) {
                parts.put(entry.getName(), zip.getInputStream(entry).readAllBytes());
            }
        }
        assertThat(parts).containsKeys("[Content_Types].xml", "xl/workbook.xml", "xl/worksheets/sheet1.xml");
        List<String> shared = new ArrayList<>();
        byte[] strings = parts.get("xl/sharedStrings.xml");
        if (strings != null) {
            NodeList items = xml(strings).getElementsByTagName("si");
            for (int i = 0; i < items.getLength(); i++) {
                shared.add(items.item(i).getTextContent());
            }
        }
        Map<String, String> cells = new LinkedHashMap<>();
        NodeList found =
                xml(parts.getOrDefault("xl/worksheets/sheet1.xml", new byte[0])).getElementsByTagName("c");
        for (int i = 0; i < found.getLength(); i++) {
            Element cell = (Element) found.item(i);
            assertThat(cell.getElementsByTagName("f").getLength())
                    .as("no formula")
                    .isZero();
            String text = cell.getTextContent();
            cells.put(
                    cell.getAttribute("r"),
                    cell.getAttribute("t").equals("s") ? shared.get(Integer.parseInt(text)) : text);
        }
        assertThat(cells)
                .containsExactlyInAnyOrderEntriesOf(Map.of(
                        "A1",
                        "Host",
                        "B1",
                        "Address",
                        "A2",
                        "Jetty node",
                        "B2",
                        "10.41.22.4",
                        "A3",
                        "<&>",
                        "B3",
                        "=1"));
        assertThat(new String(parts.getOrDefault("xl/workbook.xml", new byte[0]), StandardCharsets.UTF_8))
                .contains("name=\"Addresses\"");
    }

    private static Document xml(byte[] bytes) throws Exception {
        return DocumentBuilderFactory.newInstance().newDocumentBuilder().parse(new ByteArrayInputStream(bytes));
    }

    /** A workbook put together by hand from the standard: a row left out, a cell left out, numbers, text in the cell itself. */
    @Test
    void aWorkbookOfAnotherProgramIsReadWithItsGaps() throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(bytes)) {
            part(zip, "[Content_Types].xml", """
                    <?xml version="1.0"?><Types xmlns="http://schemas.openxmlformats.org/package/2006/content-types">
                    <Default Extension="xml" ContentType="application/xml"/>
                    <Default Extension="rels" ContentType="application/vnd.openxmlformats-package.relationships+xml"/>
                    <Override PartName="/xl/workbook.xml" ContentType="application/vnd.openxmlformats-officedocument.spreadsheetml.sheet.main+xml"/>
                    <Override PartName="/xl/worksheets/sheet1.xml" ContentType="application/vnd.openxmlformats-officedocument.spreadsheetml.worksheet+xml"/>
                    </Types>""");
            part(zip, "_rels/.rels", """
                    <?xml version="1.0"?><Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships">
                    <Relationship Id="r1" Type="http://schemas.openxmlformats.org/officeDocument/2006/relationships/officeDocument" Target="xl/workbook.xml"/>
                    </Relationships>""");
            part(zip, "xl/_rels/workbook.xml.rels", """
                    <?xml version="1.0"?><Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships">
                    <Relationship Id="r1" Type="http://schemas.openxmlformats.org/officeDocument/2006/relationships/worksheet" Target="worksheets/sheet1.xml"/>
                    </Relationships>""");
            part(zip, "xl/workbook.xml", """
                    <?xml version="1.0"?><workbook xmlns="http://schemas.openxmlformats.org/spreadsheetml/2006/main"
                    xmlns:r="http://schemas.openxmlformats.org/officeDocument/2006/relationships">
                    <sheets><sheet name="Rig" sheetId="1" r:id="r1"/></sheets></workbook>""");
            part(zip, "xl/worksheets/sheet1.xml", """
                    <?xml version="1.0"?><worksheet xmlns="http://schemas.openxmlformats.org/spreadsheetml/2006/main"><sheetData>
                    <row r="1"><c r="A1" t="inlineStr"><is><t>Port</t></is></c><c r="B1" t="inlineStr"><is><t>Number</t></is></c></row>
                    <row r="3"><c r="B3"><v>17</v></c></row>
                    </sheetData></worksheet>""");
        }
        TextTable table = TextTable.workbook(bytes.toByteArray());
        assertThat(table.rows()).hasSize(3);
        assertThat(table.cell(0, 1)).isEqualTo("Number");
        assertThat(table.isBlank(1)).as("a row that the file leaves out").isTrue();
        assertThat(table.cell(2, 0)).isEmpty();
        assertThat(table.cell(2, 1)).isEqualTo("17");
    }

    private static void part(ZipOutputStream zip, String name, String text) throws IOException {
        zip.putNextEntry(new ZipEntry(name));
        zip.write(text.strip().getBytes(StandardCharsets.UTF_8));
        zip.closeEntry();
    }

    @Test
    void aFileThatIsNoTableIsRefusedByName() throws IOException {
        Path file = folder.resolve("rig.xlsx");
        Files.writeString(file, "no workbook");
        assertThatThrownBy(() -> TextTable.read(file)).hasMessageStartingWith("rig.xlsx: this workbook cannot be read");
        Path bytes = folder.resolve("picture.csv");
        Files.write(bytes, new byte[] {'a', ',', 0, 'b'});
        assertThatThrownBy(() -> TextTable.read(bytes)).hasMessageStartingWith("picture.csv: this is no text");
        assertThatThrownBy(() -> TextTable.read(folder.resolve("none.csv")))
                .hasMessageStartingWith("There is no file ");
        assertThatThrownBy(() -> TextTable.read(folder)).hasMessageEndingWith(" is a folder, no table.");
        Path quotes = folder.resolve("quotes.csv");
        Files.writeString(quotes, "a,\"b\nc");
        assertThat(TextTable.read(quotes).rows())
                .as("an open quote at the end is forgiven")
                .isNotEmpty();
    }
}
