package zentrel.control;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import zentrel.control.CueDifference.Kind;
import zentrel.control.CueTable.Column;

/**
 * Two cue lists side by side. Cues are the same by list and number; what one list has no column for is not compared.
 *
 * @param rows every cue of either, in the order of the first list, with what only the second has where it stands there
 */
public record CueComparison(List<Row> rows) {
    /** A cue in both lists, or in one. */
    public record Row(Optional<Cue> a, Optional<Cue> b, List<CueDifference> differences) {
        public Row {
            differences = List.copyOf(differences);
        }

        public Cue either() {
            return a.or(() -> b).orElseThrow();
        }
    }

    private record Key(String list, CueNumber number) {
        static Key of(Cue cue) {
            return new Key(cue.list(), cue.number());
        }
    }

    public CueComparison {
        rows = List.copyOf(rows);
    }

    /** All differences, row by row. */
    public List<CueDifference> differences() {
        return rows.stream().flatMap(r -> r.differences().stream()).toList();
    }

    /** Compares two lists. */
    public static CueComparison of(CueTable a, CueTable b) {
        Map<Key, Cue> inB = new LinkedHashMap<>();
        b.cues().forEach(c -> inB.put(Key.of(c), c));
        Set<Key> inA = new HashSet<>();
        a.cues().forEach(c -> inA.add(Key.of(c)));
        Map<Key, String> moved = moved(a.cues(), b.cues(), inA);
        Map<@Nullable Key, List<Cue>> onlyInB = after(b.cues(), inA);
        List<Row> rows = new ArrayList<>();
        onlyInB.getOrDefault(null, List.of()).forEach(c -> rows.add(onlyB(c)));
        for (Cue cue : a.cues()) {
            Key key = Key.of(cue);
            Optional<Cue> other = Optional.ofNullable(inB.get(key));
            rows.add(
                    other.isEmpty()
                            ? new Row(
                                    Optional.of(cue),
                                    other,
                                    List.of(new CueDifference(
                                            Kind.MISSING_IN_B, cue.list(), cue.number(), cue.label(), "")))
                            : new Row(Optional.of(cue), other, differences(a, b, cue, other.get(), moved.get(key))));
            onlyInB.getOrDefault(key, List.of()).forEach(c -> rows.add(onlyB(c)));
        }
        return new CueComparison(rows);
    }

    private static Row onlyB(Cue cue) {
        return new Row(
                Optional.empty(),
                Optional.of(cue),
                List.of(new CueDifference(Kind.MISSING_IN_A, cue.list(), cue.number(), "", cue.label())));
    }

    /** Cues that only the second list has, by the last one before them that the first has too; null before all. */
    private static Map<@Nullable Key, List<Cue>> after(List<Cue> b, Set<Key> inA) {
        Map<@Nullable Key, List<Cue>> all = new HashMap<>();
        @Nullable Key last = null;
        for (Cue cue : b) {
            Key key = Key.of(cue);
            if (inA.contains(key)) {
                last = key;
            } else {
                all.computeIfAbsent(last, k -> new ArrayList<>()).add(cue);
            }
        }
        return all;
    }

    private static List<CueDifference> differences(
            CueTable tableA, CueTable tableB, Cue a, Cue b, @Nullable String moved) {
        List<CueDifference> all = new ArrayList<>();
        add(all, Kind.LABEL, Column.LABEL, tableA, tableB, a, b, Cue::label);
        add(all, Kind.TIME, Column.TIME, tableA, tableB, a, b, Cue::time);
        if (moved != null) {
            all.add(new CueDifference(
                    Kind.ORDER, a.list(), a.number(), moved.split("\n", -1)[0], moved.split("\n", -1)[1]));
        }
        add(all, Kind.NOTE, Column.NOTE, tableA, tableB, a, b, Cue::note);
        return all;
    }

    private static void add(
            List<CueDifference> all,
            Kind kind,
            Column column,
            CueTable tableA,
            CueTable tableB,
            Cue a,
            Cue b,
            Function<Cue, String> value) {
        if (tableA.has().contains(column)
                && tableB.has().contains(column)
                && !value.apply(a).equals(value.apply(b))) {
            all.add(new CueDifference(kind, a.list(), a.number(), value.apply(a), value.apply(b)));
        }
    }

    /**
     * The fewest cues that stand in another order, list by list: all but a longest run that both lists have in the same order
     * (patience sorting). With each, after which cue it stands in either list.
     */
    private static Map<Key, String> moved(List<Cue> a, List<Cue> b, Set<Key> inA) {
        Map<String, List<Key>> listsOfB = new HashMap<>();
        Map<Key, Integer> placeInB = new HashMap<>();
        for (Cue cue : b) {
            Key key = Key.of(cue);
            if (inA.contains(key)) {
                List<Key> own = listsOfB.computeIfAbsent(cue.list(), l -> new ArrayList<>());
                placeInB.put(key, own.size());
                own.add(key);
            }
        }
        Map<String, List<Key>> listsOfA = new HashMap<>();
        for (Cue cue : a) {
            if (placeInB.containsKey(Key.of(cue))) {
                listsOfA.computeIfAbsent(cue.list(), l -> new ArrayList<>()).add(Key.of(cue));
            }
        }
        Map<Key, String> moved = new HashMap<>();
        listsOfA.forEach((list, keys) -> {
            int[] places = keys.stream()
                    .mapToInt(k -> Optional.ofNullable(placeInB.get(k)).orElseThrow())
                    .toArray();
            boolean[] stays = longestRun(places);
            List<Key> other = Optional.ofNullable(listsOfB.get(list)).orElseThrow();
            for (int i = 0; i < places.length; i++) {
                if (!stays[i]) {
                    moved.put(keys.get(i), before(keys, i) + "\n" + before(other, places[i]));
                }
            }
        });
        return moved;
    }

    private static String before(List<Key> keys, int place) {
        return place == 0 ? "first" : "after " + keys.get(place - 1).number();
    }

    private static boolean[] longestRun(int[] values) {
        int[] tails = new int[values.length];
        int[] previous = new int[values.length];
        int length = 0;
        for (int i = 0; i < values.length; i++) {
            int at = place(values, tails, length, values[i]);
            previous[i] = at == 0 ? -1 : tails[at - 1];
            tails[at] = i;
            length = Math.max(length, at + 1);
        }
        boolean[] in = new boolean[values.length];
        Arrays.fill(in, false);
        for (int i = length == 0 ? -1 : tails[length - 1]; i >= 0; i = previous[i]) {
            in[i] = true;
        }
        return in;
    }

    private static int place(int[] values, int[] tails, int length, int value) {
        int low = 0;
        int high = length;
        while (low < high) {
            int middle = (low + high) >>> 1;
            if (values[tails[middle]] < value) {
                low = middle + 1;
            } else {
                high = middle;
            }
        }
        return low;
    }
}
