package zentrel.path;

import java.util.Collection;
import java.util.Collections;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import org.jspecify.annotations.Nullable;
import zentrel.plan.Reads;

/** What was asked of the whole plan while universes were judged; kept from one plan to the next. Any number of threads may add. */
final class KeptReads {
    /** Questions from which on all is judged anew when a plan has changed: many of them are about what is gone. */
    private static final int MOST = 1_000_000;

    private final Set<Object> questions = ConcurrentHashMap.newKeySet();

    /** Whether there are so many that it is better to begin anew. */
    boolean isFull() {
        return questions.size() > MOST;
    }

    /** Everything that was noted by a key of its own. */
    Collection<Object> questions() {
        return Collections.unmodifiableSet(questions);
    }

    /** Keeps what was asked for one result, and gives all that was looked up; null where it depends on more than was noted. */
    Reads.@Nullable Hashes of(Reads.Traced<?> traced) {
        if (traced.keys().contains(Reads.ANYTHING)) {
            return null;
        }
        questions.addAll(traced.keys());
        return traced.hashes();
    }
}
