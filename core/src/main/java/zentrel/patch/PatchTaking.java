package zentrel.patch;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import zentrel.patch.PatchComparison.Row;
import zentrel.patch.PatchDifference.Kind;
import zentrel.plan.PatchRow;
import zentrel.plan.PatchRow.SlotRun;

/** One side's word taken into the other's list. */
public final class PatchTaking {
    private PatchTaking() {}

    /**
     * The second list with what the first says.
     *
     * @param comparison of the two
     * @param taken rows of it
     * @param kinds what is taken of them; missing fixtures are added, or taken out, only where that is among them
     */
    public static FixtureList intoB(PatchComparison comparison, FixtureList b, Collection<Row> taken, Set<Kind> kinds) {
        List<PatchRow> rows = new ArrayList<>(b.rows());
        Set<Integer> gone = new HashSet<>();
        Map<Integer, List<PatchRow>> added = new HashMap<>();
        Map<Integer, Integer> inB = new HashMap<>();
        comparison.rows().stream()
                .filter(r -> r.indexA() >= 0 && r.indexB() >= 0)
                .forEach(r -> inB.put(r.indexA(), r.indexB()));
        for (Row row : taken) {
            if (row.a().isEmpty()) {
                if (kinds.contains(Kind.MISSING_IN_A)) {
                    gone.add(row.indexB());
                }
            } else if (row.b().isEmpty()) {
                if (kinds.contains(Kind.MISSING_IN_B)) {
                    int after = row.indexA() - 1;
                    while (after >= 0 && !inB.containsKey(after)) {
                        after--;
                    }
                    added.computeIfAbsent(inB.getOrDefault(after, -1), k -> new ArrayList<>())
                            .add(row.a().get());
                }
            } else {
                rows.set(row.indexB(), merged(row.b().get(), row.a().get(), row, kinds));
            }
        }
        List<PatchRow> all = new ArrayList<>(added.getOrDefault(-1, List.of()));
        for (int i = 0; i < rows.size(); i++) {
            if (!gone.contains(i)) {
                all.add(rows.get(i));
            }
            all.addAll(added.getOrDefault(i, List.of()));
        }
        return new FixtureList(all, b.has(), List.of(), b.told(), b.style());
    }

    /**
     * A row of a pair with what the other says otherwise.
     *
     * @param into the row that is changed
     * @param a what is taken
     */
    public static PatchRow merged(PatchRow into, PatchRow a, Row row, Set<Kind> kinds) {
        PatchRow b = into;
        if (takes(row, kinds, Kind.NUMBER)) {
            b = b.withNumber(a.number());
        }
        if (takes(row, kinds, Kind.LABEL)) {
            b = b.withLabel(a.label());
        }
        if (takes(row, kinds, Kind.TYPE)) {
            b = b.withType(a.type());
        }
        if (takes(row, kinds, Kind.MODE)) {
            b = b.withMode(a.mode());
        }
        if (takes(row, kinds, Kind.POSITION)) {
            b = b.withPosition(a.position().or(into::position))
                    .withPlace(a.place().isEmpty() ? into.place() : a.place());
        }
        boolean starts = takes(row, kinds, Kind.ADDRESS) || takes(row, kinds, Kind.UNIVERSE);
        boolean footprint = takes(row, kinds, Kind.FOOTPRINT);
        return starts || footprint ? b.withRuns(runs(a, b, starts, footprint)) : b;
    }

    private static boolean takes(Row row, Set<Kind> kinds, Kind kind) {
        return kinds.contains(kind) && row.differs(kind);
    }

    private static List<SlotRun> runs(PatchRow a, PatchRow b, boolean starts, boolean footprint) {
        List<SlotRun> runs = new ArrayList<>();
        List<SlotRun> from = starts ? a.runs() : b.runs();
        for (int i = 0; i < from.size(); i++) {
            int part = i;
            Optional<SlotRun> inA =
                    Optional.of(a.runs()).filter(r -> part < r.size()).map(r -> r.get(part));
            Optional<SlotRun> inB =
                    Optional.of(b.runs()).filter(r -> part < r.size()).map(r -> r.get(part));
            int slots = (footprint ? inA.or(() -> inB) : inB.or(() -> inA))
                    .map(SlotRun::footprint)
                    .orElse(0);
            runs.add(new SlotRun(from.get(i).universe(), from.get(i).slot(), slots));
        }
        return runs;
    }
}
