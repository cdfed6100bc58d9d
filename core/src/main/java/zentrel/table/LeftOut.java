package zentrel.table;

import java.util.ArrayList;
import java.util.List;
import zentrel.text.Counted;
import zentrel.text.PlainText;

/**
 * A row that was left out.
 *
 * @param row its number in the table, from 1, as a spreadsheet counts
 * @param why as the rest of a sentence
 */
public record LeftOut(long row, String why) {
    /** Rows listed one by one; the rest is counted. */
    public static final int MOST_LISTED = 50;

    /** Characters of a reason; a cell that it quotes may be long. */
    private static final int LONGEST = 300;

    /** The row and the reason as one line. */
    public String text() {
        return "Row " + row + ": " + PlainText.shown(why, LONGEST);
    }

    /** The rows as lines: the first {@value #MOST_LISTED}, then how many more. */
    public static List<String> lines(List<LeftOut> rows) {
        List<String> lines = new ArrayList<>();
        rows.stream().limit(MOST_LISTED).map(LeftOut::text).forEach(lines::add);
        if (rows.size() > MOST_LISTED) {
            lines.add("… and " + Counted.of(rows.size() - MOST_LISTED, "more row") + " left out.");
        }
        return lines;
    }
}
