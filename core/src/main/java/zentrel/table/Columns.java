package zentrel.table;

import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/**
 * Where each kind of value stands in a table.
 *
 * @param at the column of each kind, from 0
 * @param first the first row with values: after the headings, and after what stands above them
 * @param <C> the kinds of values
 */
public record Columns<C extends Columns.Kind>(Map<C, Integer> at, int first) {
    /** Headings may stand below a title, or below one merged over several columns. */
    private static final int DEEPEST = 10;

    /** A kind of value that a column may hold; an enum with the two words of each. */
    public interface Kind {
        /** What it is called. */
        Words words();

        /** What people write above such a column. */
        default List<String> headings() {
            return Arrays.asList(words().headings().split("\\|", -1));
        }

        /** The word for it. */
        default String title() {
            return words().title();
        }
    }

    /**
     * What a kind of value is called.
     *
     * @param headings what people write above it, in lower case, with | between
     */
    public record Words(String title, String headings) {}

    public Columns {
        at = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(at));
    }

    /**
     * Tells columns by their headings: the first row with the most of them.
     *
     * @return no columns and the first row, where no row has two headings, or one that alone says enough
     */
    public static <C extends Kind> Columns<C> headed(TextTable table, List<C> kinds, List<C> enough) {
        Map<C, Integer> best = Map.of();
        int row = -1;
        for (int r = 0; r < Math.min(DEEPEST, table.rows().size()); r++) {
            Map<C, Integer> found = headings(table.rows().get(r), kinds);
            if (found.size() > best.size()) {
                best = found;
                row = r;
            }
        }
        boolean headed = best.size() >= 2 || enough.stream().anyMatch(best::containsKey);
        return headed ? new Columns<>(best, row + 1) : new Columns<>(Map.of(), 0);
    }

    private static <C extends Kind> Map<C, Integer> headings(List<String> cells, List<C> kinds) {
        Map<C, Integer> found = new LinkedHashMap<>();
        for (int i = 0; i < cells.size(); i++) {
            String heading = cells.get(i)
                    .toLowerCase(Locale.ROOT)
                    .replaceAll("[^\\p{L}\\d]+", " ")
                    .strip();
            for (C kind : kinds) {
                if (kind.headings().contains(heading)) {
                    found.putIfAbsent(kind, i);
                }
            }
        }
        return found;
    }

    /** Which column was taken for what, in the order of the table. */
    public List<String> told() {
        return at.entrySet().stream()
                .sorted(Map.Entry.comparingByValue())
                .map(e -> "column " + (e.getValue() + 1) + ": " + e.getKey().title())
                .toList();
    }
}
