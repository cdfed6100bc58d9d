package zentrel.table;

/**
 * A row that was left out.
 *
 * @param row its number in the table, from 1, as a spreadsheet counts
 * @param why as the rest of a sentence
 */
public record LeftOut(long row, String why) {
    /** The row and the reason as one line. */
    public String text() {
        return "Row " + row + ": " + why;
    }
}
