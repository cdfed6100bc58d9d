package zentrel.net;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import java.util.function.BiConsumer;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;

/**
 * Values by key with a limit, for what strangers can make up: sources, devices, questions. What is planned has room before
 * all others, up to {@value #PLANNED_TIMES} times the limit (somebody may send from a planned address what the plan never had). Of
 * the others a new one gets in while there is room, or where the one used longest ago is older than the patience; else it is left out
 * and counted. Every use takes the same time, however many there are. Not for several threads at once.
 */
public final class BoundedTable<K, V> {
    private static final class Entry<V> {
        private final V value;
        private long usedNanos;

        Entry(V value) {
            this.value = value;
        }
    }

    /** More than any plan has of what a table is for. */
    private static final int PLANNED_TIMES = 4;

    private final int most;
    private final long patienceNanos;
    private final Map<K, Entry<V>> planned = new LinkedHashMap<>();
    private final Map<K, Entry<V>> others = new LinkedHashMap<>(16, 0.75f, true);
    private long leftOut;

    /**
     * An empty table.
     *
     * @param most entries at most, above 0; those that are planned may be more
     * @param patienceSeconds how long an entry that is not planned stays although others want its place
     */
    public BoundedTable(int most, int patienceSeconds) {
        this.most = most;
        this.patienceNanos = TimeUnit.SECONDS.toNanos(patienceSeconds);
    }

    /**
     * The value of a key, made where it is new.
     *
     * @param isPlanned whether the plan has it
     * @param nowNanos a time that never goes back
     * @return empty where there is no room for it; that is counted
     */
    public Optional<V> use(K key, boolean isPlanned, long nowNanos, Supplier<V> make) {
        Map<K, Entry<V>> own = own(key, isPlanned);
        @Nullable Entry<V> entry = own.get(key);
        if (entry == null) {
            if (planned.size() + others.size() >= most && !makeRoom(own == planned, nowNanos)) {
                leftOut++;
                return Optional.empty();
            }
            entry = new Entry<>(make.get());
            own.put(key, entry);
        }
        entry.usedNanos = nowNanos;
        return Optional.of(entry.value);
    }

    private Map<K, Entry<V>> own(K key, boolean isPlanned) {
        if (planned.containsKey(key)) {
            return planned;
        }
        boolean asPlanned = isPlanned && !others.containsKey(key) && planned.size() < PLANNED_TIMES * most;
        return asPlanned ? planned : others;
    }

    private boolean makeRoom(boolean forPlanned, long nowNanos) {
        if (others.isEmpty()) {
            return forPlanned;
        }
        Map.Entry<K, Entry<V>> eldest = others.entrySet().iterator().next();
        if (forPlanned || nowNanos - eldest.getValue().usedNanos > patienceNanos) {
            others.remove(eldest.getKey());
            return true;
        }
        return false;
    }

    /** The value of a key that is in it, used now; null where it is not. For the busiest paths, which make nothing. */
    public @Nullable V touch(K key, long nowNanos) {
        @Nullable Entry<V> entry = planned.get(key);
        if (entry == null) {
            entry = others.get(key);
        }
        if (entry == null) {
            return null;
        }
        entry.usedNanos = nowNanos;
        return entry.value;
    }

    /** The value of a key, where there is one. */
    public Optional<V> get(K key) {
        @Nullable Entry<V> entry = planned.getOrDefault(key, others.get(key));
        return Optional.ofNullable(entry).map(e -> e.value);
    }

    /** Whether there is a value for a key. */
    public boolean contains(K key) {
        return planned.containsKey(key) || others.containsKey(key);
    }

    /** Removes what was not used for a time. */
    public void forget(long nowNanos, long olderThanNanos) {
        planned.values().removeIf(e -> nowNanos - e.usedNanos > olderThanNanos);
        others.values().removeIf(e -> nowNanos - e.usedNanos > olderThanNanos);
    }

    public void forEach(BiConsumer<K, V> action) {
        planned.forEach((k, e) -> action.accept(k, e.value));
        others.forEach((k, e) -> action.accept(k, e.value));
    }

    public int size() {
        return planned.size() + others.size();
    }

    /** How often a use found no room. */
    public long leftOut() {
        return leftOut;
    }
}
