package zentrel.index;

import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import org.jspecify.annotations.Nullable;

/**
 * A map that shares another with those before and after it: what some edits changed lies in a small map of its own, so a
 * change costs as much as is changed and not as much as there is. Immutable as long as nobody changes what it was made of.
 */
public final class Layered<K, V> {
    /** Changes from which on a map of all is made anew: to carry them along for every edit would take longer. */
    private static final int MOST = 2000;

    private final Map<K, V> base;

    /** What is otherwise than in the base; nothing where it is gone. */
    private final Map<K, Optional<V>> changed;

    private Layered(Map<K, V> base, Map<K, Optional<V>> changed) {
        this.base = base;
        this.changed = changed;
    }

    /** One with this in it; the map is kept, not copied. */
    public static <K, V> Layered<K, V> of(Map<K, V> base) {
        return new Layered<>(base, Map.of());
    }

    public @Nullable V get(K key) {
        Optional<V> here = changed.isEmpty() ? null : changed.get(key);
        return here == null ? base.get(key) : here.orElse(null);
    }

    public V getOrDefault(K key, V otherwise) {
        V found = get(key);
        return found == null ? otherwise : found;
    }

    /** This one with some changed, added or, where a value is empty, gone. */
    public Layered<K, V> with(Map<K, Optional<V>> changes) {
        if (changes.isEmpty()) {
            return this;
        }
        if (changed.size() + changes.size() <= MOST) {
            Map<K, Optional<V>> all = new HashMap<>(changed);
            all.putAll(changes);
            return new Layered<>(base, all);
        }
        Map<K, V> all = new HashMap<>(base);
        change(all, changed);
        change(all, changes);
        return of(all);
    }

    private static <K, V> void change(Map<K, V> all, Map<K, Optional<V>> changes) {
        changes.forEach((key, value) -> {
            if (value.isPresent()) {
                all.put(key, value.get());
            } else {
                all.remove(key);
            }
        });
    }

    /**
     * Gives every key that has another value in a map which this one came of, by identity.
     *
     * @return whether they are known; where the two do not share their base, nothing is
     */
    @SuppressWarnings("ReferenceEquality") // what an edit left alone is shared
    public boolean changed(Layered<K, V> before, Consumer<? super K> to) {
        if (base != before.base) {
            return false;
        }
        if (changed != before.changed) {
            changed.keySet().stream().filter(k -> get(k) != before.get(k)).forEach(to);
            before.changed.keySet().stream()
                    .filter(k -> !changed.containsKey(k) && get(k) != before.get(k))
                    .forEach(to);
        }
        return true;
    }

    /** Everything that it has a value for. */
    public Set<K> keys() {
        Set<K> keys = new HashSet<>(base.keySet());
        changed.forEach((key, value) -> {
            if (value.isPresent()) {
                keys.add(key);
            } else {
                keys.remove(key);
            }
        });
        return keys;
    }
}
