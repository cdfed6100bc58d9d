package zentrel.table;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVPrinter;
import org.apache.commons.csv.CSVRecord;
import org.dhatim.fastexcel.Workbook;
import org.dhatim.fastexcel.Worksheet;
import org.dhatim.fastexcel.reader.Cell;
import org.dhatim.fastexcel.reader.ExcelReaderException;
import org.dhatim.fastexcel.reader.ReadableWorkbook;
import org.dhatim.fastexcel.reader.Sheet;

/**
 * Rows of cells. Cells are without the blanks that nobody sees; a row may be shorter or longer than others.
 *
 * @param rows in order, the empty ones too, so that the number of a row is the one a spreadsheet shows
 */
public record TextTable(List<List<String>> rows) {
    /** More rows than any rig has. */
    public static final int MOST_ROWS = 200_000;

    private static final long MOST_BYTES = 64L << 20;

    /** How many rows are looked at to tell which character separates cells. */
    private static final int SAMPLE = 20;

    public TextTable {
        rows = List.copyOf(rows);
    }

    /**
     * Reads text: cells apart by tabs, semicolons or commas, whichever makes most cells in the first rows.
     *
     * @throws IllegalArgumentException with a sentence, where it is no table
     */
    public static TextTable parse(String text) {
        String plain = text.startsWith("\uFEFF") ? text.substring(1) : text;
        CSVFormat format = CSVFormat.DEFAULT
                .builder()
                .setDelimiter(separator(plain))
                .setIgnoreEmptyLines(false)
                .setTrailingData(true)
                .setLenientEof(true)
                .get();
        List<List<String>> rows = new ArrayList<>();
        try (CSVParser parser = CSVParser.parse(new StringReader(plain), format)) {
            for (CSVRecord row : parser) {
                requireRoom(rows);
                rows.add(row.stream().map(TextTable::plain).toList());
            }
        } catch (IOException | UncheckedIOException e) {
            throw new IllegalArgumentException("This is no table: " + e.getMessage() + ".", e);
        }
        return new TextTable(rows);
    }

    /**
     * Reads a file: a workbook where it is called {@code .xlsx} (its first sheet), else text in UTF-8, or in Latin 1 where it
     * is no UTF-8.
     *
     * @throws IllegalArgumentException with a sentence that names the file, where it is no table
     */
    public static TextTable read(Path file) throws IOException {
        String name = String.valueOf(file.getFileName());
        if (Files.size(file) > MOST_BYTES) {
            throw new IllegalArgumentException(name + " is larger than 64 MB; that is no table of a rig.");
        }
        byte[] bytes = Files.readAllBytes(file);
        if (name.toLowerCase(java.util.Locale.ROOT).endsWith(".xlsx")) {
            try {
                return workbook(bytes);
            } catch (IllegalArgumentException e) {
                throw new IllegalArgumentException(name + ": " + e.getMessage(), e);
            }
        }
        try {
            return parse(StandardCharsets.UTF_8
                    .newDecoder()
                    .decode(java.nio.ByteBuffer.wrap(bytes))
                    .toString());
        } catch (CharacterCodingException e) {
            return parse(new String(bytes, StandardCharsets.ISO_8859_1)); // as older spreadsheets save
        }
    }

    /**
     * Reads the first sheet of a workbook (XLSX).
     *
     * @throws IllegalArgumentException with a sentence, where it is none
     */
    public static TextTable workbook(byte[] bytes) {
        List<List<String>> rows = new ArrayList<>();
        try (ReadableWorkbook book = new ReadableWorkbook(new ByteArrayInputStream(bytes));
                Stream<org.dhatim.fastexcel.reader.Row> read = sheet(book).openStream()) {
            read.forEach(row -> {
                while (rows.size() < row.getRowNum() - 1) {
                    requireRoom(rows);
                    rows.add(List.of()); // a row that the file leaves out is an empty one
                }
                requireRoom(rows);
                List<String> cells = new ArrayList<>();
                for (Cell cell : row) {
                    cells.add(cell == null ? "" : plain(cell.getText()));
                }
                rows.add(cells);
            });
        } catch (IOException | UncheckedIOException | ExcelReaderException e) {
            throw new IllegalArgumentException("this is no workbook: " + e.getMessage() + ".", e);
        }
        return new TextTable(rows);
    }

    private static Sheet sheet(ReadableWorkbook book) {
        Sheet sheet = book.getFirstSheet();
        if (sheet == null) {
            throw new IllegalArgumentException("this workbook has no sheet.");
        }
        return sheet;
    }

    private static void requireRoom(List<List<String>> rows) {
        if (rows.size() >= MOST_ROWS) {
            throw new IllegalArgumentException("More than " + MOST_ROWS + " rows are no rig; nothing was read.");
        }
    }

    private static char separator(String text) {
        List<String> lines = text.lines().limit(SAMPLE).toList();
        char best = ',';
        long most = 0;
        for (char c : new char[] {'\t', ';', ','}) {
            long count = lines.stream()
                    .mapToLong(l -> l.chars().filter(x -> x == c).count())
                    .sum();
            if (count > most) {
                best = c;
                most = count;
            }
        }
        return best;
    }

    /** A cell without hidden blanks (no-break spaces, marks without width) and without the mark against formulas. */
    private static String plain(String cell) {
        String text = cell.replaceAll("[\\u00A0\\u200B\\u2060\\uFEFF]", " ").strip();
        return text.length() > 1 && text.charAt(0) == '\'' && startsFormula(text.substring(1))
                ? text.substring(1)
                : text;
    }

    private static boolean startsFormula(String text) {
        return !text.isEmpty() && "=+-@\t\r".indexOf(text.charAt(0)) >= 0;
    }

    /** The cell of a row; empty where the row is too short. */
    public String cell(int row, int column) {
        List<String> cells = rows.get(row);
        return column < cells.size() ? cells.get(column) : "";
    }

    /** Whether nothing stands in a row. */
    public boolean isBlank(int row) {
        return rows.get(row).stream().allMatch(String::isEmpty);
    }

    /** How many columns the widest of the first rows has. */
    public int width() {
        return rows.stream().limit(200).mapToInt(List::size).max().orElse(0);
    }

    /** As text with commas, as RFC 4180 says. What a spreadsheet would take for a formula gets an apostrophe in front. */
    public String csv() {
        StringBuilder text = new StringBuilder();
        try (CSVPrinter csv = new CSVPrinter(text, CSVFormat.RFC4180)) {
            for (List<String> row : rows) {
                csv.printRecord(
                        row.stream().map(c -> startsFormula(c) ? "'" + c : c).toList());
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e); // it is written into memory
        }
        return text.toString();
    }

    /** As a workbook (XLSX) with one sheet, every cell as text, the first row set off. */
    public byte[] workbook(String sheet) {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (Workbook book = new Workbook(bytes, "Zentrel", "1.0")) {
            Worksheet page = book.newWorksheet(sheet);
            for (int r = 0; r < rows.size(); r++) {
                for (int c = 0; c < rows.get(r).size(); c++) {
                    page.value(r, c, rows.get(r).get(c));
                }
            }
            page.range(0, 0, 0, Math.max(0, width() - 1)).style().bold().set();
            page.freezePane(0, 1);
        } catch (IOException e) {
            throw new UncheckedIOException(e); // it is written into memory
        }
        return bytes.toByteArray();
    }

    /**
     * Reads columns of it row by row.
     *
     * @param columns where each kind of value stands, from 0
     */
    public <C> Map<C, String> row(int row, Map<C, Integer> columns) {
        Map<C, String> values = new java.util.HashMap<>();
        columns.forEach((kind, at) -> values.put(kind, cell(row, at)));
        return values;
    }
}
