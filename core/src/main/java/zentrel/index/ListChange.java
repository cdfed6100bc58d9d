package zentrel.index;

import java.util.ArrayList;
import java.util.List;

/**
 * What one list has and the other does not, or not at the same place among its neighbours. By identity: plans share what
 * an edit left alone, and what is equal but not shared only counts as changed.
 *
 * @param gone what the first has
 * @param come what the second has in its place
 */
public record ListChange<T>(List<T> gone, List<T> come) {
    /** Compares from both ends. */
    @SuppressWarnings("ReferenceEquality")
    public static <T> ListChange<T> of(List<T> before, List<T> after) {
        if (before == after) {
            return new ListChange<>(List.of(), List.of());
        }
        int most = Math.min(before.size(), after.size());
        int start = 0;
        while (start < most && before.get(start) == after.get(start)) {
            start++;
        }
        int end = 0;
        while (end < most - start && before.get(before.size() - 1 - end) == after.get(after.size() - 1 - end)) {
            end++;
        }
        return new ListChange<>(before.subList(start, before.size() - end), after.subList(start, after.size() - end));
    }

    /** Whether an edit left a list alone, so that both plans share it. */
    @SuppressWarnings("ReferenceEquality")
    public static boolean same(List<?> before, List<?> after) {
        return before == after;
    }

    /** Whether two lists have the very same things at the same places. */
    @SuppressWarnings("ReferenceEquality")
    public static boolean haveSame(List<?> a, List<?> b) {
        if (a == b) {
            return true;
        }
        boolean same = a.size() == b.size();
        for (int i = 0; same && i < a.size(); i++) {
            same = a.get(i) == b.get(i);
        }
        return same;
    }

    /** Whether the two are the same. */
    public boolean isNone() {
        return gone.isEmpty() && come.isEmpty();
    }

    /** Both together. */
    public List<T> all() {
        List<T> all = new ArrayList<>(gone);
        all.addAll(come);
        return all;
    }
}
