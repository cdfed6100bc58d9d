package zentrel.patch;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.BiPredicate;
import java.util.function.Function;
import zentrel.patch.PatchDifference.MatchedBy;
import zentrel.plan.FixtureType;
import zentrel.plan.PatchRow;

/**
 * Which rows of two lists are the same fixture: by number, else by place, else by likeness.
 *
 * @param inB for each row of the first list the row of the second, or -1
 * @param by how they were found, at the rows of the first list
 */
@SuppressWarnings("ArrayRecordComponent") // made and read at once
record PatchMatch(int[] inB, List<MatchedBy> by, boolean[] matchedInB) {
    boolean isMatchedInB(int row) {
        return matchedInB[row];
    }

    static PatchMatch of(List<PatchRow> a, List<PatchRow> b) {
        Matching m = new Matching(a, b);
        m.byNumber();
        m.byPlace();
        m.byLikeness();
        return new PatchMatch(m.inB, m.by, m.taken);
    }

    private static final class Matching {
        private final List<PatchRow> a;
        private final List<PatchRow> b;
        private final int[] inB;
        private final List<MatchedBy> by;
        private final boolean[] taken;

        Matching(List<PatchRow> a, List<PatchRow> b) {
            this.a = a;
            this.b = b;
            inB = new int[a.size()];
            Arrays.fill(inB, -1);
            by = new ArrayList<>(Collections.nCopies(a.size(), MatchedBy.NUMBER));
            taken = new boolean[b.size()];
        }

        void byNumber() {
            join(
                    r -> Optional.of(FixtureNumber.plain(r.number())).filter(n -> !n.isEmpty()),
                    MatchedBy.NUMBER,
                    (x, y) -> true);
        }

        /** Where both have numbers, and others, they must be alike in more than the place; a light may stand where another was. */
        void byPlace() {
            join(
                    r -> r.runs().stream().findFirst().map(s -> s.universe() + "." + s.slot()),
                    MatchedBy.PLACE,
                    (x, y) -> x.number().isEmpty() || y.number().isEmpty() || alike(x, y));
        }

        private static boolean alike(PatchRow x, PatchRow y) {
            boolean labels = !x.label().isEmpty() && x.label().equals(y.label());
            boolean types = x.type().isEmpty() || y.type().isEmpty() || FixtureType.sameName(x.type(), y.type());
            return labels || (types && (x.label().isEmpty() || y.label().isEmpty()));
        }

        /** What only one fixture of each whole list has is a strong sign. */
        void byLikeness() {
            if (Arrays.stream(inB).allMatch(i -> i >= 0)) {
                return; // the whole lists need not be looked through
            }
            unique(r -> Optional.of(FixtureType.plain(r.label())).filter(l -> !l.isEmpty()));
            unique(r -> r.position()
                    .map(p -> Math.round(p.x() * 20) + " " + Math.round(p.y() * 20) + " " + Math.round(p.z() * 20)));
        }

        private void unique(Function<PatchRow, Optional<String>> key) {
            Map<String, Integer> inWholeA = counts(a, key);
            Map<String, Integer> inWholeB = counts(b, key);
            join(
                    r -> key.apply(r)
                            .filter(k -> Integer.valueOf(1).equals(inWholeA.get(k))
                                    && Integer.valueOf(1).equals(inWholeB.get(k))),
                    MatchedBy.LIKENESS,
                    (x, y) -> x.type().isEmpty() || y.type().isEmpty() || FixtureType.sameName(x.type(), y.type()));
        }

        private static Map<String, Integer> counts(List<PatchRow> rows, Function<PatchRow, Optional<String>> key) {
            Map<String, Integer> counts = new HashMap<>();
            rows.forEach(r -> key.apply(r).ifPresent(k -> counts.merge(k, 1, Integer::sum)));
            return counts;
        }

        private void join(
                Function<PatchRow, Optional<String>> key, MatchedBy how, BiPredicate<PatchRow, PatchRow> allowed) {
            Map<String, Deque<Integer>> open = new HashMap<>();
            for (int i = 0; i < b.size(); i++) {
                int row = i;
                if (!taken[i]) {
                    key.apply(b.get(i))
                            .ifPresent(k -> open.computeIfAbsent(k, x -> new ArrayDeque<>())
                                    .add(row));
                }
            }
            for (int i = 0; i < a.size(); i++) {
                Deque<Integer> others =
                        inB[i] < 0 ? key.apply(a.get(i)).map(open::get).orElse(null) : null;
                Integer other = others == null ? null : others.peek();
                if (others != null && other != null && allowed.test(a.get(i), b.get(other))) {
                    others.remove();
                    inB[i] = other;
                    by.set(i, how);
                    taken[other] = true;
                }
            }
        }
    }
}
