package zentrel.app.patch;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import zentrel.patch.PatchComparison;
import zentrel.patch.PatchComparison.Row;
import zentrel.patch.PatchDifference;
import zentrel.patch.PatchDifference.Kind;

/**
 * Fixtures that follow one another and differ in the same way.
 *
 * @param rows at least one
 */
record Differing(List<Row> rows) {
    Differing {
        rows = List.copyOf(rows);
    }

    private Row first() {
        return rows.get(0);
    }

    private Row last() {
        return rows.get(rows.size() - 1);
    }

    /** Rows that differ, those alike together. */
    static List<Differing> of(List<Row> rows) {
        List<Differing> all = new ArrayList<>();
        List<Row> open = new ArrayList<>();
        for (Row row : rows) {
            if (!open.isEmpty() && !alike(open.get(open.size() - 1), row)) {
                all.add(new Differing(open));
                open.clear();
            }
            open.add(row);
        }
        if (!open.isEmpty()) {
            all.add(new Differing(open));
        }
        return all;
    }

    private static boolean alike(Row one, Row next) {
        boolean neighbours = one.indexA() >= 0
                ? next.indexA() == one.indexA() + 1
                : next.indexA() < 0 && next.indexB() == one.indexB() + 1;
        return neighbours
                && signs(one).equals(signs(next))
                && one.either().type().equals(next.either().type());
    }

    /** What must be the same for two rows to be told together: each difference, but for the start slots themselves. */
    private static List<String> signs(Row row) {
        return row.differences().stream()
                .filter(d -> d.kind() != Kind.UNIVERSE)
                .map(d -> d.kind().isMissing() || d.kind() == Kind.ADDRESS || d.kind() == Kind.NUMBER
                        ? d.kind().word() + " " + d.matchedBy().word()
                        : d.kind().word() + d.a() + "\n" + d.b())
                .toList();
    }

    /** 201–209. */
    String numbers() {
        String one = first().either().number();
        return rows.size() == 1
                ? (one.isEmpty() ? "–" : one)
                : one + "–" + last().either().number();
    }

    boolean isMissing() {
        return first().a().isEmpty() || first().b().isEmpty();
    }

    /** In what they differ. */
    String words() {
        List<String> words = new ArrayList<>();
        for (PatchDifference d : first().differences()) {
            words.add(
                    switch (d.kind()) {
                        case MISSING_IN_A -> "only in the list";
                        case MISSING_IN_B -> "not in the list";
                        case ADDRESS -> "start slot";
                        case NUMBER -> "number";
                        default -> d.kind().word();
                    });
        }
        PatchDifference one = first().differences().get(0);
        String how = one.kind().isMissing() || one.matchedBy() == PatchDifference.MatchedBy.NUMBER
                ? ""
                : " (by " + one.matchedBy().word() + ")";
        return String.join(", ", words) + how;
    }

    /** What the plan, or the list, says of them. */
    String side(boolean plan) {
        if (plan ? first().a().isEmpty() : first().b().isEmpty()) {
            return "–";
        }
        if (isMissing()) {
            return PatchComparison.summary(first().either()) + (rows.size() > 1 ? " …" : "");
        }
        return first().differences().stream().map(d -> said(d, plan)).distinct().collect(Collectors.joining(", "));
    }

    private String said(PatchDifference d, boolean plan) {
        String value = plan ? d.a() : d.b();
        return switch (d.kind()) {
            case FOOTPRINT -> value + " slots";
            case ADDRESS, NUMBER, UNIVERSE -> (value.isEmpty() ? "–" : value) + (rows.size() > 1 ? " …" : "");
            default -> value.isEmpty() ? "–" : value;
        };
    }
}
