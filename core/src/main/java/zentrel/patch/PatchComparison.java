package zentrel.patch;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import zentrel.patch.PatchDifference.Kind;
import zentrel.patch.PatchDifference.MatchedBy;
import zentrel.plan.FixtureType;
import zentrel.plan.PatchColumn;
import zentrel.plan.PatchRow;
import zentrel.plan.PatchRow.SlotRun;

/**
 * Two lists of fixtures side by side. What one list does not tell is not compared.
 *
 * @param rows every fixture of either: those of the first list in its order, with what only the second has after them
 */
public record PatchComparison(List<Row> rows) {
    /** Lists round positions; nearer than this two are the same. */
    private static final double SAME_PLACE_METRES = 0.02;

    /**
     * A fixture in both lists, or in one.
     *
     * @param indexA where it stands in the first list, from 0; -1 where it does not
     * @param indexB the same of the second
     * @param matchedBy how the two were found to be one; where it is in one list only, by what it would have been
     */
    public record Row(
            Optional<PatchRow> a,
            Optional<PatchRow> b,
            int indexA,
            int indexB,
            MatchedBy matchedBy,
            List<PatchDifference> differences) {
        public Row {
            differences = List.copyOf(differences);
        }

        public PatchRow either() {
            return a.or(() -> b).orElseThrow();
        }

        public boolean differs() {
            return !differences.isEmpty();
        }

        /** Whether it differs in this. */
        public boolean differs(Kind kind) {
            return differences.stream().anyMatch(d -> d.kind() == kind);
        }
    }

    public PatchComparison {
        rows = List.copyOf(rows);
    }

    /** All differences, row by row. */
    public List<PatchDifference> differences() {
        return rows.stream().flatMap(r -> r.differences().stream()).toList();
    }

    /** The rows that differ. */
    public List<Row> differing() {
        return rows.stream().filter(Row::differs).toList();
    }

    /** Compares two lists. */
    public static PatchComparison of(FixtureList a, FixtureList b) {
        PatchMatch match = PatchMatch.of(a.rows(), b.rows());
        List<Row> rows = new ArrayList<>();
        for (int i = 0; i < a.rows().size(); i++) {
            PatchRow one = a.rows().get(i);
            int other = match.inB()[i];
            if (other < 0) {
                rows.add(new Row(
                        Optional.of(one),
                        Optional.empty(),
                        i,
                        -1,
                        soughtBy(one),
                        List.of(new PatchDifference(
                                Kind.MISSING_IN_B, one.number(), summary(one), "", soughtBy(one)))));
            } else {
                rows.add(new Pair(a, b, one, b.rows().get(other), match.by().get(i)).row(i, other));
            }
        }
        for (int i = 0; i < b.rows().size(); i++) {
            if (!match.isMatchedInB(i)) {
                PatchRow one = b.rows().get(i);
                rows.add(new Row(
                        Optional.empty(),
                        Optional.of(one),
                        -1,
                        i,
                        soughtBy(one),
                        List.of(new PatchDifference(
                                Kind.MISSING_IN_A, one.number(), "", summary(one), soughtBy(one)))));
            }
        }
        return new PatchComparison(rows);
    }

    private static MatchedBy soughtBy(PatchRow row) {
        return row.number().isEmpty() ? MatchedBy.PLACE : MatchedBy.NUMBER;
    }

    /** A fixture in a few words: where it starts, its type and mode, its label. */
    public static String summary(PatchRow row) {
        List<String> parts = new ArrayList<>();
        row.runs().stream().map(SlotRun::shown).forEach(parts::add);
        parts.add(row.type());
        parts.add(row.mode());
        parts.add(row.label());
        return parts.stream().filter(p -> !p.isEmpty()).collect(Collectors.joining(", "));
    }

    /** Two rows of one fixture, and what is found of them. */
    private static final class Pair {
        private final FixtureList listA;
        private final FixtureList listB;
        private final PatchRow a;
        private final PatchRow b;
        private final MatchedBy by;
        private final List<PatchDifference> found = new ArrayList<>();

        Pair(FixtureList listA, FixtureList listB, PatchRow a, PatchRow b, MatchedBy by) {
            this.listA = listA;
            this.listB = listB;
            this.a = a;
            this.b = b;
            this.by = by;
        }

        Row row(int indexA, int indexB) {
            if (!a.number().isEmpty()
                    && !b.number().isEmpty()
                    && !FixtureNumber.plain(a.number()).equals(FixtureNumber.plain(b.number()))) {
                add(Kind.NUMBER, a.number(), b.number());
            }
            runs();
            types();
            if (told(PatchColumn.LABEL) && !a.label().equals(b.label())) {
                add(Kind.LABEL, a.label(), b.label());
            }
            positions();
            return new Row(Optional.of(a), Optional.of(b), indexA, indexB, by, found);
        }

        private void add(Kind kind, String inA, String inB) {
            String number = a.number().isEmpty() ? b.number() : a.number();
            found.add(new PatchDifference(kind, number, inA, inB, by));
        }

        private boolean told(PatchColumn column) {
            return listA.has().contains(column) && listB.has().contains(column);
        }

        private void runs() {
            if (told(PatchColumn.SLOT)) {
                if (a.runs().isEmpty() != b.runs().isEmpty()) {
                    add(Kind.ADDRESS, starts(a), starts(b));
                }
                String universesA = universes(a);
                String universesB = universes(b);
                boolean both = !a.runs().isEmpty() && !b.runs().isEmpty();
                int same = Math.min(a.runs().size(), b.runs().size());
                if (both && !universes(a, same).equals(universes(b, same))) {
                    add(Kind.UNIVERSE, universesA, universesB);
                }
                if (both && !slots(a, same).equals(slots(b, same))) {
                    add(Kind.ADDRESS, starts(a), starts(b));
                }
            }
            if (told(PatchColumn.FOOTPRINT)) {
                boolean parts = a.runs().size() == b.runs().size();
                boolean known = a.runs().stream().allMatch(r -> r.footprint() > 0)
                        && b.runs().stream().allMatch(r -> r.footprint() > 0);
                if (known
                        && parts
                        && !footprints(a).equals(footprints(b))
                        && !a.runs().isEmpty()) {
                    add(Kind.FOOTPRINT, footprints(a), footprints(b));
                } else if (known
                        && !parts
                        && !a.runs().isEmpty()
                        && !b.runs().isEmpty()
                        && a.footprint() != b.footprint()) {
                    add(Kind.FOOTPRINT, String.valueOf(a.footprint()), String.valueOf(b.footprint()));
                }
            }
        }

        private static String starts(PatchRow row) {
            return row.runs().stream().map(SlotRun::shown).collect(Collectors.joining(", "));
        }

        private static String universes(PatchRow row) {
            return universes(row, row.runs().size());
        }

        private static String universes(PatchRow row, int first) {
            return row.runs().stream()
                    .limit(first)
                    .map(r -> "U" + r.universe())
                    .distinct()
                    .collect(Collectors.joining(", "));
        }

        private static List<Integer> slots(PatchRow row, int first) {
            return row.runs().stream().limit(first).map(SlotRun::slot).toList();
        }

        private static String footprints(PatchRow row) {
            return row.runs().stream().map(r -> String.valueOf(r.footprint())).collect(Collectors.joining(" + "));
        }

        /** Where one list has the mode in its column of types, both are taken as one. */
        private void types() {
            boolean modes =
                    told(PatchColumn.MODE) && !a.mode().isEmpty() && !b.mode().isEmpty();
            if (told(PatchColumn.TYPE) && !a.type().isEmpty() && !b.type().isEmpty()) {
                boolean same = FixtureType.sameName(a.type(), b.type())
                        || (!modes && FixtureType.sameName(a.type() + a.mode(), b.type() + b.mode()));
                if (!same) {
                    add(Kind.TYPE, a.type(), b.type());
                }
            }
            if (modes && !FixtureType.sameName(a.mode(), b.mode())) {
                add(Kind.MODE, a.mode(), b.mode());
            }
        }

        private void positions() {
            if (told(PatchColumn.POSITION)
                    && a.position().isPresent()
                    && b.position().isPresent()
                    && a.position().get().distance(b.position().get()) > SAME_PLACE_METRES) {
                add(Kind.POSITION, a.position().get() + " m", b.position().get() + " m");
            } else if (told(PatchColumn.PLACE)
                    && !a.place().isEmpty()
                    && !b.place().isEmpty()
                    && !a.place().equals(b.place())) {
                add(Kind.POSITION, a.place(), b.place());
            }
        }
    }
}
