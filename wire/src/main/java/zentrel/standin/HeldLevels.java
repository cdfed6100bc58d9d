package zentrel.standin;

import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.Map;

/**
 * Levels that wait for synchronization, the latest of each port. Not for several threads at once.
 *
 * @param <K> what they wait for
 */
final class HeldLevels<K> {
    private record Held(Runnable apply, long sinceNanos) {}

    private final Map<K, Map<String, Held>> held = new HashMap<>();

    void hold(K waitingFor, String port, Runnable apply, long now) {
        held.computeIfAbsent(waitingFor, k -> new LinkedHashMap<>()).put(port, new Held(apply, now));
    }

    /** Lets out all that waits for this. */
    void release(K waitingFor) {
        Map<String, Held> released = held.remove(waitingFor);
        if (released != null) {
            released.values().forEach(h -> h.apply().run());
        }
    }

    /** Lets out what has waited for too long. */
    void sweep(long now, long patience) {
        held.values()
                .forEach(map -> map.values().removeIf(h -> {
                    boolean late = now - h.sinceNanos() > patience;
                    if (late) {
                        h.apply().run();
                    }
                    return late;
                }));
        held.values().removeIf(Map::isEmpty);
    }
}
