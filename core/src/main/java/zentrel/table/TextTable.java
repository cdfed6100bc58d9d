package zentrel.table;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.nio.file.AccessDeniedException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVPrinter;
import org.apache.commons.csv.CSVRecord;
import org.dhatim.fastexcel.Workbook;
import org.dhatim.fastexcel.Worksheet;
import zentrel.text.PlainText;

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
     * Reads text: cells apart by tabs, semicolons or commas, whichever stands in most of the first rows, and most often. A first
     * line {@code sep=;}, as spreadsheets write it for each other, says which, and is no row of the table.
     *
     * @throws IllegalArgumentException with a sentence, where it is no table
     */
    public static TextTable parse(String text) {
        return parse(text, ReadProgress.NONE);
    }

    /**
     * The same, watched.
     *
     * @throws ReadStoppedException if it was stopped
     */
    public static TextTable parse(String text, ReadProgress progress) {
        String plain = text.startsWith("\uFEFF") ? text.substring(1) : text;
        boolean told = plain.length() > 4 && plain.regionMatches(true, 0, "sep=", 0, 4);
        char separator = told ? plain.charAt(4) : separator(plain);
        if (told) {
            plain = plain.substring(5); // the rest of its line stays, an empty row, so that rows keep their numbers
        }
        TableLimits.check(plain, separator, progress);
        CSVFormat format = CSVFormat.DEFAULT
                .builder()
                .setDelimiter(separator)
                .setIgnoreEmptyLines(false)
                .setTrailingData(true)
                .setLenientEof(true)
                .get();
        List<List<String>> rows = new ArrayList<>();
        try (CSVParser parser = CSVParser.parse(new StringReader(plain), format)) {
            for (CSVRecord row : parser) {
                if (rows.size() >= MOST_ROWS) {
                    throw TableLimits.tooManyRows();
                }
                rows.add(row.stream().map(TextTable::plain).toList());
                if (!progress.goOn(0.2 + 0.8 * row.getCharacterPosition() / plain.length())) {
                    throw new ReadStoppedException();
                }
            }
        } catch (IOException | UncheckedIOException | IllegalStateException e) {
            throw new IllegalArgumentException(
                    "This is not a table: after row " + rows.size()
                            + " a quotation mark is not closed, or text follows it.",
                    e);
        }
        return new TextTable(rows);
    }

    /**
     * Reads a file: a workbook where it is called {@code .xlsx} (its first sheet), else text.
     *
     * @throws IllegalArgumentException with a sentence that names the file, where it is not there or no table
     */
    public static TextTable read(Path file) throws IOException {
        return read(file, ReadProgress.NONE);
    }

    /**
     * The same, watched.
     *
     * @throws ReadStoppedException if it was stopped
     */
    public static TextTable read(Path file, ReadProgress progress) throws IOException {
        String name = String.valueOf(file.getFileName());
        byte[] bytes;
        try {
            if (Files.isDirectory(file)) {
                throw new IllegalArgumentException(file + " is a folder, no table.");
            }
            if (Files.size(file) > MOST_BYTES) {
                throw new IllegalArgumentException(name + " is larger than 64 MB. Nothing was imported.");
            }
            bytes = Files.readAllBytes(file);
        } catch (NoSuchFileException e) {
            throw new IllegalArgumentException("There is no file " + file + ".", e);
        } catch (AccessDeniedException e) {
            throw new IllegalArgumentException(file + " may not be read by this user.", e);
        }
        try {
            return name.toLowerCase(Locale.ROOT).endsWith(".xlsx")
                    ? new TextTable(WorkbookReader.read(bytes, progress))
                    : parse(TableText.of(bytes), progress);
        } catch (IllegalArgumentException e) {
            throw new IllegalArgumentException(name + ": " + e.getMessage(), e);
        }
    }

    /**
     * Reads the first sheet of a workbook (XLSX).
     *
     * @throws IllegalArgumentException with a sentence, where it is none or too large
     */
    public static TextTable workbook(byte[] bytes) {
        return new TextTable(WorkbookReader.read(bytes, ReadProgress.NONE));
    }

    /** By rows first: what people write into one column may hold more commas than the whole table has semicolons. */
    private static char separator(String text) {
        List<String> lines = text.lines().limit(SAMPLE).toList();
        char best = ',';
        long most = 0;
        for (char c : new char[] {'\t', ';', ','}) {
            long rows = 0;
            long all = 0;
            for (String line : lines) {
                long here = line.chars().filter(x -> x == c).count();
                rows += here > 0 ? 1 : 0;
                all += here;
            }
            long weight = (rows << 32) + all;
            if (weight > most) {
                best = c;
                most = weight;
            }
        }
        return best;
    }

    /** A cell without blanks that nobody sees, marks without width, and the mark against formulas. */
    static String plain(String cell) {
        String text = TableText.visible(cell).strip();
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
                    page.value(r, c, PlainText.cleaned(rows.get(r).get(c)));
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
