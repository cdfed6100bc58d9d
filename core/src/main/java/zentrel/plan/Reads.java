package zentrel.plan;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;

/**
 * Notes what is read of a plan while something is worked out, on the thread that works it out. A result stands after an edit as long
 * as everything that was noted still gives the same; so nothing need be said by hand about what a judgement depends on, and nothing
 * can be forgotten.
 */
public final class Reads {
    /** Noted by what depends on more than is noted one by one: it stands after no edit. */
    public static final Object ANYTHING = "anything";

    /** Lookups remembered to pass over those that come again soon; a power of two. */
    private static final int RECENT = 256;

    /**
     * A result with what was read for it.
     *
     * @param keys what was noted by a key of its own, each once
     * @param hashes of single lookups, as {@link #hash} gives them; none where only tables are noted
     */
    public record Traced<T>(T result, Set<Object> keys, Hashes hashes) {}

    /** The hashes of what was looked up. Two things may have one hash; then a change of either counts for both. */
    public static final class Hashes {
        private final int[] all;

        private Hashes(int[] all) {
            this.all = all;
        }

        /** Whether any of them is marked. */
        public boolean anyIn(Marks marks) {
            for (int hash : all) {
                if (marks.has(hash)) {
                    return true;
                }
            }
            return false;
        }

        /** These and others. */
        public Hashes and(Hashes more) {
            int[] both = Arrays.copyOf(all, all.length + more.all.length);
            System.arraycopy(more.all, 0, both, all.length, more.all.length);
            return new Hashes(both);
        }
    }

    /** Hashes of what gives something else now. */
    public static final class Marks {
        private static final int BITS = 20;

        private final long[] marked = new long[1 << (BITS - 6)];

        private static int place(int hash) {
            return (hash * 0x9E3779B1) >>> (Integer.SIZE - BITS);
        }

        public void add(int hash) {
            int place = place(hash);
            marked[place >> 6] |= 1L << place;
        }

        boolean has(int hash) {
            int place = place(hash);
            return (marked[place >> 6] & (1L << place)) != 0;
        }
    }

    /** What is being noted: each thing by itself, or only the tables that hold it. */
    private static final class Notes {
        private final boolean byTable;
        private final Set<Object> keys = new HashSet<>();
        private final List<Kind<?>> tables = new ArrayList<>(); // few, and met ten thousands of times
        private int[] hashes;
        private int size;

        private Notes(boolean byTable) {
            this.byTable = byTable;
            hashes = new int[byTable ? 0 : RECENT];
        }

        @SuppressWarnings("ReferenceEquality") // there is one of each kind
        private void add(Kind<?> table) {
            for (int i = 0; i < tables.size(); i++) {
                if (tables.get(i) == table) {
                    return;
                }
            }
            tables.add(table);
            keys.add(table);
        }
    }

    /** What is noted on one thread, and what it met lately: the same things are looked up again and again. */
    private static final class Tracer {
        private final int[] recent = new int[RECENT];
        private final int[] turns = new int[RECENT];
        private int turn;
        private @Nullable Notes notes;

        private void add(Notes to, int hash) {
            int place = hash & (RECENT - 1);
            if (recent[place] == hash && turns[place] == turn) {
                return;
            }
            recent[place] = hash;
            turns[place] = turn;
            if (to.size == to.hashes.length) {
                to.hashes = Arrays.copyOf(to.hashes, 2 * to.size + RECENT);
            }
            to.hashes[to.size++] = hash;
        }
    }

    private static final ThreadLocal<Tracer> TRACER = ThreadLocal.withInitial(Tracer::new);

    private Reads() {}

    /** The hash of a lookup: which one it is, and by what. */
    static int hash(int lookup, Object by) {
        return by.hashCode() * 31 + lookup;
    }

    /** The hash of what is known by a key of its own. */
    public static int hash(Object key) {
        return hash(-1, key);
    }

    /** Notes that something is read that is known again by a key of its own. Does nothing where nobody asks. */
    public static void note(Object key) {
        Tracer tracer = TRACER.get();
        Notes notes = tracer.notes;
        if (notes != null) {
            notes.keys.add(key);
            tracer.add(notes, hash(key));
        }
    }

    /** As {@link #note(Object)}, for what is marked by whoever keeps it, so that nobody need ask for it by its key. */
    public static void noteMarked(Object key) {
        Tracer tracer = TRACER.get();
        Notes notes = tracer.notes;
        if (notes != null) {
            tracer.add(notes, hash(key));
            if (notes.byTable) {
                notes.keys.add(key);
            }
        }
    }

    /** Notes a lookup of something that a table of the plan holds. */
    static void note(int lookup, Object by, Kind<?> table) {
        Tracer tracer = TRACER.get();
        Notes notes = tracer.notes;
        if (notes == null) {
            return;
        }
        if (notes.byTable) {
            notes.add(table);
        } else {
            tracer.add(notes, hash(lookup, by));
        }
    }

    /** Whether reads are noted on this thread now. */
    public static boolean areNoted() {
        return TRACER.get().notes != null;
    }

    /** Works something out and notes each lookup. What was being noted before goes on afterwards, without these. */
    public static <T> Traced<T> of(Supplier<T> work) {
        return traced(work, false);
    }

    /** As {@link #of}, but notes only the tables of a plan that are read: for what goes through whole tables. */
    public static <T> Traced<T> byTable(Supplier<T> work) {
        return traced(work, true);
    }

    private static <T> Traced<T> traced(Supplier<T> work, boolean byTable) {
        Tracer tracer = TRACER.get();
        Notes before = tracer.notes;
        Notes notes = new Notes(byTable);
        tracer.notes = notes;
        tracer.turn++;
        try {
            T result = work.get();
            return new Traced<>(result, notes.keys, new Hashes(Arrays.copyOf(notes.hashes, notes.size)));
        } finally {
            tracer.notes = before;
            tracer.turn++;
        }
    }

    /** Works something out of which the reader notes a key of its own. */
    public static <T> T unnoted(Supplier<T> work) {
        Tracer tracer = TRACER.get();
        Notes before = tracer.notes;
        tracer.notes = null;
        try {
            return work.get();
        } finally {
            tracer.notes = before;
        }
    }
}
