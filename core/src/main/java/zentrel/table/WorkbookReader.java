package zentrel.table;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Locale;
import java.util.stream.Stream;
import javax.xml.stream.XMLInputFactory;
import javax.xml.stream.XMLStreamConstants;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamReader;
import org.apache.commons.compress.archivers.zip.ZipArchiveEntry;
import org.apache.commons.compress.archivers.zip.ZipFile;
import org.apache.commons.compress.utils.SeekableInMemoryByteChannel;
import org.dhatim.fastexcel.reader.Cell;
import org.dhatim.fastexcel.reader.ReadableWorkbook;
import org.dhatim.fastexcel.reader.Row;
import org.dhatim.fastexcel.reader.Sheet;
import org.jspecify.annotations.Nullable;

/**
 * Reads the first sheet of a workbook (XLSX). Every part is unpacked and looked through once before the library sees it, so that
 * a small file which unpacks to gigabytes, or a cell far out, is refused while nothing of it is held.
 */
final class WorkbookReader {
    private static final String DAMAGED =
            "this workbook cannot be read: it is damaged, or not a workbook. Save it again as .xlsx, or as CSV.";

    /** Of a text or a tag, before any character of it is held; one character takes up to ten bytes where it is escaped. */
    private static final long MOST_BYTES_OF_A_TEXT = 10L * TableLimits.CELL_CHARACTERS;

    private final byte[] bytes;
    private final ReadProgress progress;
    private long unpacked;
    private int cells;
    private double share;

    private WorkbookReader(byte[] bytes, ReadProgress progress) {
        this.bytes = bytes;
        this.progress = progress;
    }

    /**
     * The rows of the first sheet, those that the file leaves out as empty ones.
     *
     * @throws IllegalArgumentException with a sentence, where it is no workbook or too large
     */
    static List<List<String>> read(byte[] bytes, ReadProgress progress) {
        WorkbookReader reader = new WorkbookReader(bytes, progress);
        reader.check();
        return reader.rows();
    }

    // --- before reading ---

    private void check() {
        try (ZipFile zip = ZipFile.builder()
                .setSeekableByteChannel(new SeekableInMemoryByteChannel(bytes))
                .get()) {
            List<ZipArchiveEntry> parts = Collections.list(zip.getEntries());
            if (parts.size() > TableLimits.PARTS) {
                throw new Refused(
                        "this workbook has too many parts (limit " + TableLimits.PARTS + "). Nothing was imported.");
            }
            for (int i = 0; i < parts.size(); i++) {
                String name = parts.get(i).getName().toLowerCase(Locale.ROOT);
                boolean isXml = name.endsWith(".xml") || name.endsWith(".rels");
                try (Unpacking in = new Unpacking(zip.getInputStream(parts.get(i)), isXml)) {
                    if (isXml) {
                        checkXml(in, name.contains("worksheets/"));
                    } else {
                        in.drain();
                    }
                }
                goOn(0.4 * i / parts.size());
            }
        } catch (Refused | ReadStoppedException e) {
            throw e;
        } catch (IOException | RuntimeException e) {
            throw new IllegalArgumentException(DAMAGED, e);
        }
    }

    private void goOn(double reached) {
        share = Math.max(share, reached);
        if (!progress.goOn(share)) {
            throw new ReadStoppedException();
        }
    }

    /** What is unpacked, counted, and at an end where it is too much. */
    private final class Unpacking extends InputStream {
        private final InputStream in;
        private final boolean isXml;
        private long withoutElement;

        Unpacking(InputStream in, boolean isXml) {
            this.in = in;
            this.isXml = isXml;
        }

        @Override
        public int read() throws IOException {
            byte[] one = new byte[1];
            return read(one, 0, 1) < 0 ? -1 : one[0] & 0xFF;
        }

        @Override
        public int read(byte[] to, int from, int most) throws IOException {
            int read = in.read(to, from, most);
            unpacked += Math.max(0, read);
            if (unpacked > TableLimits.UNPACKED_BYTES) {
                throw new Refused("this workbook unpacks to more than " + (TableLimits.UNPACKED_BYTES >> 20)
                        + " MB. Nothing was imported.");
            }
            for (int i = from; isXml && i < from + read; i++) {
                withoutElement = to[i] == '<' ? 0 : withoutElement + 1;
                if (withoutElement > MOST_BYTES_OF_A_TEXT) {
                    throw new Refused("a text in this workbook has more than " + TableLimits.CELL_CHARACTERS
                            + " characters. Nothing was imported.");
                }
            }
            return read;
        }

        @Override
        public void close() throws IOException {
            in.close();
        }

        void drain() throws IOException {
            byte[] buffer = new byte[8192];
            while (read(buffer, 0, buffer.length) >= 0) {
                goOn(share);
            }
        }
    }

    private void checkXml(Unpacking in, boolean sheet) {
        XMLInputFactory factory = XMLInputFactory.newDefaultFactory();
        factory.setProperty(XMLInputFactory.SUPPORT_DTD, false);
        factory.setProperty(XMLInputFactory.IS_SUPPORTING_EXTERNAL_ENTITIES, false);
        factory.setProperty(XMLInputFactory.IS_COALESCING, false);
        try {
            XMLStreamReader xml = factory.createXMLStreamReader(in);
            long text = 0;
            long row = 0;
            while (xml.hasNext()) {
                int event = xml.next();
                if (event == XMLStreamConstants.DTD || event == XMLStreamConstants.ENTITY_REFERENCE) {
                    throw new IllegalArgumentException(DAMAGED); // no spreadsheet writes these; they blow text up
                } else if (event == XMLStreamConstants.CHARACTERS) {
                    text += xml.getTextLength();
                    if (text > TableLimits.CELL_CHARACTERS) {
                        throw new Refused(TableLimits.cellTooLong(Math.max(1, row)));
                    }
                } else if (event == XMLStreamConstants.START_ELEMENT) {
                    text = 0;
                    if (sheet && xml.getLocalName().equals("row")) {
                        row = checkedRow(xml.getAttributeValue(null, "r"), row + 1);
                    } else if (sheet && xml.getLocalName().equals("c")) {
                        checkCell(xml.getAttributeValue(null, "r"), row);
                    }
                }
            }
        } catch (XMLStreamException e) {
            throw new IllegalArgumentException(DAMAGED, e);
        }
    }

    private static long checkedRow(@Nullable String number, long otherwise) {
        if (number == null) {
            return otherwise;
        }
        if (!number.matches("[0-9]{1,7}")) {
            throw new IllegalArgumentException(DAMAGED);
        }
        long row = Long.parseLong(number);
        if (row > TableLimits.ROWS) {
            throw new Refused(TableLimits.tooManyRows());
        }
        return row;
    }

    private void checkCell(@Nullable String reference, long row) {
        if (++cells > TableLimits.CELLS) {
            throw new Refused(TableLimits.tooManyCells());
        }
        goOn(share);
        if (reference == null) {
            return;
        }
        int column = 0;
        for (int i = 0; i < reference.length() && Character.isLetter(reference.charAt(i)); i++) {
            column = column * 26 + Character.toUpperCase(reference.charAt(i)) - 'A' + 1;
            if (column > TableLimits.FORMAT_COLUMNS || column < 1) {
                throw new Refused(TableLimits.tooWide(Math.max(1, row)));
            }
        }
        String digits = reference.replaceFirst("^[A-Za-z]+", "");
        checkedRow(digits.isEmpty() ? null : digits, row);
    }

    // --- reading ---

    private List<List<String>> rows() {
        List<List<String>> rows = new ArrayList<>();
        try (ReadableWorkbook book = new ReadableWorkbook(new ByteArrayInputStream(bytes));
                Stream<Row> read = sheet(book).openStream()) {
            read.forEach(row -> add(row, rows));
        } catch (Refused | ReadStoppedException e) {
            throw e;
        } catch (IOException | RuntimeException e) {
            // the library fails in many ways where a file is not as it expects; its words say nothing to a reader of
            // tables
            throw new IllegalArgumentException(DAMAGED, e);
        }
        return rows;
    }

    /** A sentence of ours among what the library throws. */
    private static final class Refused extends IllegalArgumentException {
        private static final long serialVersionUID = 1L;

        Refused(String message) {
            super(message);
        }

        Refused(IllegalArgumentException cause) {
            super(cause.getMessage(), cause);
        }
    }

    private void add(Row row, List<List<String>> rows) {
        while (rows.size() < row.getRowNum() - 1) {
            requireRoom(rows);
            rows.add(List.of()); // a row that the file leaves out is an empty one
        }
        requireRoom(rows);
        List<String> texts = new ArrayList<>();
        int filled = 0;
        for (Cell cell : row) {
            String text = cell == null ? "" : TextTable.plain(cell.getText());
            texts.add(text);
            filled = text.isEmpty() ? filled : texts.size();
        }
        if (filled > TableLimits.COLUMNS) {
            throw new Refused(TableLimits.tooWide(row.getRowNum()));
        }
        rows.add(List.copyOf(texts.subList(0, filled)));
        goOn(0.4 + 0.6 * Math.min(1.0, (double) rows.size() / TableLimits.ROWS));
    }

    private static void requireRoom(List<List<String>> rows) {
        if (rows.size() >= TableLimits.ROWS) {
            throw new Refused(TableLimits.tooManyRows());
        }
    }

    private static Sheet sheet(ReadableWorkbook book) {
        return book.getSheets().findFirst().orElseThrow(() -> new Refused("this workbook has no sheet."));
    }
}
