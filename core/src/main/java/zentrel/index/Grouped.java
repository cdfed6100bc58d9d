package zentrel.index;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.Function;

/** The items of a list by something they share, each group in the order of the list. Immutable. */
public final class Grouped<K, V> {
    /** One part of a list in so many, from which on everything is grouped anew. */
    private static final int LARGE_PART = 4;

    private final Layered<K, List<V>> groups;

    private Grouped(Layered<K, List<V>> groups) {
        this.groups = groups;
    }

    /**
     * Groups a list.
     *
     * @param keys the groups that an item is in
     */
    public static <K, V> Grouped<K, V> of(List<V> items, Function<V, ? extends Collection<K>> keys) {
        Map<K, List<V>> groups = new HashMap<>();
        for (V item : items) {
            for (K key : keys.apply(item)) {
                groups.computeIfAbsent(key, k -> new ArrayList<>(2)).add(item);
            }
        }
        return new Grouped<>(Layered.of(groups));
    }

    public List<V> get(K key) {
        return groups.getOrDefault(key, List.of());
    }

    /**
     * Gives every group that is another than before an edit.
     *
     * @return whether they are known
     */
    public boolean changed(Grouped<K, V> before, Consumer<? super K> to) {
        return groups.changed(before.groups, to);
    }

    /** The groups after an edit, for items whose groups depend on nothing else. */
    public Grouped<K, V> after(List<V> before, List<V> now, Function<V, ? extends Collection<K>> keys) {
        return after(before, now, keys, keys, Set.of());
    }

    /**
     * The groups after an edit of the list: only those of what changed are made anew.
     *
     * @param before the list that this one was made of
     * @param keysBefore the groups that an item was in
     * @param keysNow the groups that it is in
     * @param others groups that changed although their items did not
     */
    public Grouped<K, V> after(
            List<V> before,
            List<V> now,
            Function<V, ? extends Collection<K>> keysBefore,
            Function<V, ? extends Collection<K>> keysNow,
            Set<K> others) {
        ListChange<V> change = ListChange.of(before, now);
        if (change.isNone() && others.isEmpty()) {
            return this;
        }
        if (change.gone().size() + change.come().size() > now.size() / LARGE_PART) {
            return of(now, keysNow);
        }
        Set<K> touched = new HashSet<>(others);
        IdentityHashMap<V, V> inPlace = new IdentityHashMap<>();
        boolean same = others.isEmpty() && change.gone().size() == change.come().size();
        for (int i = 0; i < change.gone().size(); i++) {
            Collection<K> was = keysBefore.apply(change.gone().get(i));
            touched.addAll(was);
            same = same && sameKeys(was, keysNow.apply(change.come().get(i)));
            if (same) {
                inPlace.put(change.gone().get(i), change.come().get(i));
            }
        }
        change.come().forEach(item -> touched.addAll(keysNow.apply(item)));
        Map<K, List<V>> made = same ? replaced(touched, inPlace) : picked(touched, now, keysNow);
        Map<K, Optional<List<V>>> changes = new HashMap<>();
        touched.forEach(key -> changes.put(key, Optional.ofNullable(made.get(key))));
        return new Grouped<>(groups.with(changes));
    }

    private static <K> boolean sameKeys(Collection<K> a, Collection<K> b) {
        return a.size() == b.size() && a.containsAll(b);
    }

    /** Where each stands where the other stood, the groups keep their order. */
    private Map<K, List<V>> replaced(Set<K> touched, IdentityHashMap<V, V> inPlace) {
        Map<K, List<V>> made = new HashMap<>();
        for (K key : touched) {
            List<V> group = new ArrayList<>(get(key));
            group.replaceAll(item -> inPlace.getOrDefault(item, item));
            made.put(key, group);
        }
        return made;
    }

    private static <K, V> Map<K, List<V>> picked(
            Set<K> touched, List<V> now, Function<V, ? extends Collection<K>> keys) {
        Map<K, List<V>> made = new HashMap<>();
        for (V item : now) {
            for (K key : keys.apply(item)) {
                if (touched.contains(key)) {
                    made.computeIfAbsent(key, k -> new ArrayList<>(2)).add(item);
                }
            }
        }
        return made;
    }
}
