package zentrel.table;

import zentrel.source.Sources;

/**
 * How large a table may be. Each limit is far above any rig, and low enough that a table which keeps them is read in a heap of
 * 512 MB. They are checked before a library builds anything of what was read.
 */
final class TableLimits {
    static final int ROWS = TextTable.MOST_ROWS;
    static final int COLUMNS = 1_000;
    static final int CELLS = 2_000_000;

    /** Characters of one cell; spreadsheets themselves allow 32,767. */
    static final int CELL_CHARACTERS = 100_000;

    /** Bytes of all parts of a workbook, unpacked. */
    static final long UNPACKED_BYTES = 96L << 20;

    /** Parts of a workbook. */
    static final int PARTS = 2_000;

    /** Columns that the workbook format knows. */
    static final int FORMAT_COLUMNS = Sources.WORKBOOK_COLUMNS.value();

    private TableLimits() {}

    static IllegalArgumentException tooManyRows() {
        return new IllegalArgumentException("Too many rows (limit " + ROWS + "). Nothing was imported.");
    }

    static IllegalArgumentException tooManyCells() {
        return new IllegalArgumentException("Too many cells (limit " + CELLS + "). Nothing was imported.");
    }

    static IllegalArgumentException tooWide(long row) {
        return new IllegalArgumentException(
                "Row " + row + " has too many columns (limit " + COLUMNS + "). Nothing was imported.");
    }

    static IllegalArgumentException cellTooLong(long row) {
        return new IllegalArgumentException("A cell in row " + row + " has more than " + CELL_CHARACTERS
                + " characters. A quotation mark that is not closed may be the cause. Nothing was imported.");
    }

    /**
     * Checks text before it is parsed: one pass that builds nothing.
     *
     * @throws IllegalArgumentException with a sentence that names the row
     */
    static void check(String text, char separator, ReadProgress progress) {
        long row = 1;
        long cells = 0;
        int column = 0;
        int length = 0;
        boolean quoted = false;
        for (int i = 0; i < text.length(); i++) {
            char c = text.charAt(i);
            if ((i & 0xFFFFF) == 0 && !progress.goOn(0.2 * i / text.length())) {
                throw new ReadStoppedException();
            }
            if (c == '"' && (quoted || length == 0)) {
                quoted = !quoted;
            } else if (!quoted && (c == separator || c == '\n')) {
                cells++;
                column = c == '\n' ? 0 : column + 1;
                length = 0;
                if (column >= COLUMNS) {
                    throw tooWide(row);
                }
                row += c == '\n' ? 1 : 0;
                if (row > ROWS) {
                    throw tooManyRows();
                }
                if (cells > CELLS) {
                    throw tooManyCells();
                }
                continue;
            }
            if (++length > CELL_CHARACTERS) {
                throw cellTooLong(row);
            }
        }
    }
}
