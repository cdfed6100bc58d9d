package zentrel.path;

import java.util.ArrayList;
import java.util.List;
import java.util.NavigableSet;
import java.util.concurrent.ConcurrentSkipListSet;
import java.util.concurrent.atomic.AtomicReferenceArray;
import java.util.function.Function;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import zentrel.index.ListChange;
import zentrel.plan.Id;
import zentrel.plan.Plan;
import zentrel.plan.Reads;
import zentrel.plan.Universe;

/**
 * The paths of each universe of one plan, kept by its place there and judged when they are asked for. What an edit cannot
 * have changed is taken over from before it. Any number of threads may ask.
 */
final class UniversePaths {
    /** Universes from which on they are judged on all processors; for fewer that takes longer. */
    private static final int MANY = 200;

    private final Plan plan;
    private final Function<Id<Universe>, List<SignalPath>> judge;
    private final KeptReads kept;
    private final AtomicReferenceArray<@Nullable List<SignalPath>> judged;

    /** What clean ones were worked out from; written before the paths are kept, and apart, for all are gone through after an edit. */
    private final Reads.@Nullable Hashes[] reads;

    /** The places of those on which anything is wrong, at risk or unknown, as far as they are judged. */
    private final NavigableSet<Integer> unclean = new ConcurrentSkipListSet<>();

    /** The places of those that are sent and that no port takes, as far as they are judged. */
    private final NavigableSet<Integer> untaken = new ConcurrentSkipListSet<>();

    private volatile @Nullable List<SignalPath> all;

    /**
     * Nothing is judged yet.
     *
     * @param judge gives the paths of a universe
     */
    UniversePaths(Plan plan, KeptReads kept, Function<Id<Universe>, List<SignalPath>> judge) {
        this.plan = plan;
        this.kept = kept;
        this.judge = judge;
        judged = new AtomicReferenceArray<>(plan.universes().size());
        reads = new Reads.Hashes[plan.universes().size()];
    }

    /**
     * Takes over what is clean and stands: the words about anything else are made anew.
     *
     * @param marks what gives something else now
     */
    UniversePaths(
            Plan plan,
            KeptReads kept,
            Function<Id<Universe>, List<SignalPath>> judge,
            UniversePaths before,
            Reads.Marks marks) {
        this(plan, kept, judge);
        boolean samePlaces = ListChange.same(before.plan.universes(), plan.universes());
        each(judged.length()).forEach(place -> {
            int was = samePlaces
                    ? place
                    : before.plan.index().placeOf(plan.universes().get(place).id());
            Reads.Hashes noted = was < 0 ? null : before.reads[was];
            if (noted != null && !noted.anyIn(marks)) {
                reads[place] = noted;
                judged.setPlain(place, before.judged.get(was));
            }
        });
        for (int was : before.untaken) {
            int place = placeNow(before, was);
            if (place >= 0 && judged.get(place) != null) {
                untaken.add(place);
            }
        }
    }

    /** Each place; on all processors where there are many. */
    static IntStream each(int places) {
        IntStream each = IntStream.range(0, places);
        return places < MANY ? each : each.parallel();
    }

    private int placeNow(UniversePaths before, int was) {
        return plan.index().placeOf(before.plan.universes().get(was).id());
    }

    List<SignalPath> of(Id<Universe> id) {
        return at(plan.index().placeOf(id));
    }

    private List<SignalPath> at(int place) {
        List<SignalPath> known = judged.get(place);
        if (known != null) {
            return known;
        }
        Reads.Traced<List<SignalPath>> traced =
                Reads.of(() -> judge.apply(plan.universes().get(place).id()));
        List<SignalPath> paths = traced.result();
        boolean clean = paths.stream().allMatch(SignalPath::isClean);
        if (!clean) {
            unclean.add(place);
        }
        if (paths.stream().anyMatch(p -> p.source().isPresent() && p.receiver().isEmpty())) {
            untaken.add(place);
        }
        reads[place] = clean ? kept.of(traced) : null;
        judged.set(place, paths);
        return paths;
    }

    /** Judges whatever is not yet. */
    private void judgeAll() {
        int[] open = IntStream.range(0, judged.length())
                .filter(place -> judged.get(place) == null)
                .toArray();
        IntStream each =
                open.length < MANY ? IntStream.of(open) : IntStream.of(open).parallel();
        each.forEach(this::at);
    }

    /** Whether there is any path. */
    boolean any() {
        return IntStream.range(0, judged.length()).anyMatch(place -> !at(place).isEmpty());
    }

    /** Every path, in the order of the plan. */
    List<SignalPath> all() {
        List<SignalPath> known = all;
        if (known == null) {
            judgeAll();
            List<SignalPath> paths = new ArrayList<>(judged.length());
            for (int place = 0; place < judged.length(); place++) {
                paths.addAll(at(place));
            }
            known = List.copyOf(paths);
            all = known;
        }
        return known;
    }

    /** The paths of universes on which anything is wrong, at risk or unknown. */
    List<SignalPath> withIssues() {
        judgeAll();
        List<SignalPath> paths = new ArrayList<>();
        unclean.forEach(place -> paths.addAll(at(place)));
        return paths;
    }

    /** The universes that are sent and that no port takes, in the order of the plan. */
    List<Universe> untaken() {
        judgeAll();
        return untaken.stream().map(plan.universes()::get).toList();
    }
}
