package zentrel.path;

import java.util.Collection;
import java.util.Collections;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
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

    /** What one result was worked out from. */
    Noted of(Reads.Traced<?> traced) {
        boolean anything = traced.keys().contains(Reads.ANYTHING);
        if (!anything) {
            questions.addAll(traced.keys());
        }
        return new Noted(traced.hashes(), anything);
    }

    /**
     * What one result was worked out from.
     *
     * @param anything whether it depends on more than was noted
     */
    record Noted(Reads.Hashes hashes, boolean anything) {
        /** Whether the result stands: nothing that it was worked out from is marked. */
        boolean stands(Reads.Marks marks) {
            return !anything && !hashes.anyIn(marks);
        }

        Noted and(Noted more) {
            return new Noted(hashes.and(more.hashes), anything || more.anything);
        }
    }
}
