package zentrel.app.patch;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;
import zentrel.check.Finding;
import zentrel.check.Report;
import zentrel.patch.FixtureList;
import zentrel.patch.PatchComparison;
import zentrel.patch.PatchComparison.Row;
import zentrel.plan.Break;
import zentrel.plan.Fixture;
import zentrel.plan.Id;
import zentrel.plan.Kind;
import zentrel.plan.PatchList;
import zentrel.plan.PatchRow;
import zentrel.plan.PatchRow.SlotRun;
import zentrel.plan.Plan;
import zentrel.plan.Universe;

/**
 * What the Patch page draws: a strip for each universe, and the comparison with a list. Made off the JavaFX thread.
 *
 * @param comparison with the list; no rows where none is compared
 */
record Strips(Plan plan, Optional<PatchList> list, List<Strip> strips, PatchComparison comparison) {
    static final Strips NONE = new Strips(Plan.EMPTY, Optional.empty(), List.of(), new PatchComparison(List.of()));

    /** What is to be seen of a fixture in its universe. */
    enum State {
        AS_IT_SHOULD,
        /** The other list has it otherwise. */
        DIFFERS,
        /** It shares slots that nobody meant to be shared, or ends past the last. */
        WRONG
    }

    /**
     * A fixture's run of slots.
     *
     * @param start 1 to 512
     * @param fixture empty for one that only the list has
     */
    record Bar(int start, int slots, String number, String says, Optional<Id<Fixture>> fixture, State state) {
        int end() {
            return start + slots - 1;
        }
    }

    /**
     * A universe.
     *
     * @param universe empty where only the list has it
     * @param there the list's own fixtures in it
     */
    record Strip(int number, Optional<Universe> universe, List<Bar> here, List<Bar> there) {
        String name() {
            return universe.map(Universe::name).orElse("not in the plan");
        }

        int used() {
            return here.stream().mapToInt(Bar::slots).sum();
        }
    }

    /** Which of the plan's fixtures is at a slot of a strip, in the order of their start slots. */
    List<Bar> fixturesOf(Strip strip) {
        return strip.here().stream().filter(b -> b.fixture().isPresent()).toList();
    }

    /** Works it out. */
    static Strips of(Report report, @Nullable Id<PatchList> with) {
        Plan plan = report.plan();
        Optional<PatchList> list =
                with == null ? Optional.empty() : plan.index().find(with);
        FixtureList here = FixtureList.of(plan);
        PatchComparison comparison = list.map(l -> PatchComparison.of(here, FixtureList.of(l)))
                .orElseGet(() -> new PatchComparison(List.of()));
        Set<Id<?>> wrong = new HashSet<>();
        for (Finding f : report.findings()) {
            if (f.rule().equals("patch.overlap") || f.rule().equals("patch.past-end")) {
                wrong.addAll(f.subjects());
            }
        }
        Map<Integer, Row> byPlan = new HashMap<>();
        Map<Integer, Row> byList = new HashMap<>();
        comparison.rows().forEach(r -> {
            byPlan.put(r.indexA(), r);
            byList.put(r.indexB(), r);
        });
        Map<Integer, List<Bar>> bars = new TreeMap<>();
        Map<Integer, List<Bar>> others = new TreeMap<>();
        for (Universe u : plan.universes()) {
            bars.computeIfAbsent(u.number(), n -> new ArrayList<>());
        }
        for (int i = 0; i < plan.fixtures().size(); i++) {
            Fixture f = plan.fixtures().get(i);
            Row row = byPlan.get(i);
            for (Break b : f.breaks()) {
                State state = wrong.contains(f.id())
                        ? State.WRONG
                        : row != null && row.differs() ? State.DIFFERS : State.AS_IT_SHOULD;
                bars.computeIfAbsent(plan.index().universe(b.universe()).number(), n -> new ArrayList<>())
                        .add(new Bar(b.start(), b.footprint(), f.number(), f.label(), Optional.of(f.id()), state));
            }
        }
        List<PatchRow> rows = list.map(PatchList::rows).orElse(List.of());
        for (int i = 0; i < rows.size(); i++) {
            PatchRow r = rows.get(i);
            Row row = byList.get(i);
            Optional<Id<Fixture>> same = row == null || row.indexA() < 0
                    ? Optional.empty()
                    : Optional.of(plan.fixtures().get(row.indexA()).id());
            for (SlotRun run : r.runs()) {
                others.computeIfAbsent(run.universe(), n -> new ArrayList<>())
                        .add(new Bar(
                                run.slot(),
                                Math.max(1, run.footprint()),
                                r.number(),
                                r.shown(),
                                same,
                                row != null && row.differs() ? State.DIFFERS : State.AS_IT_SHOULD));
                bars.computeIfAbsent(run.universe(), n -> new ArrayList<>());
            }
        }
        Map<Integer, Universe> universes = new HashMap<>();
        plan.universes().forEach(u -> universes.putIfAbsent(u.number(), u));
        List<Strip> strips = new ArrayList<>();
        bars.forEach((number, own) -> strips.add(new Strip(
                number,
                Optional.ofNullable(universes.get(number)),
                sorted(own),
                sorted(others.getOrDefault(number, List.of())))));
        return new Strips(plan, list, strips, comparison);
    }

    private static List<Bar> sorted(List<Bar> bars) {
        return bars.stream().sorted(Comparator.comparingInt(Bar::start)).toList();
    }

    /** The strip in which a fixture starts. */
    Optional<Strip> stripOf(Id<Fixture> fixture) {
        return plan.index().find(fixture).flatMap(f -> {
            int number = plan.index().universe(f.breaks().get(0).universe()).number();
            return strips.stream().filter(s -> s.number() == number).findFirst();
        });
    }

    /** The comparison's row of a fixture of the plan. */
    Optional<Row> rowOf(Id<Fixture> fixture) {
        return comparison.rows().stream()
                .filter(r ->
                        r.indexA() >= 0 && plan.fixtures().get(r.indexA()).id().equals(fixture))
                .findFirst();
    }

    /** The fixture of the plan in a row of the comparison. */
    Optional<Id<Fixture>> fixtureOf(Row row) {
        return row.indexA() < 0
                ? Optional.empty()
                : Optional.of(Kind.FIXTURE.idOf(plan.fixtures().get(row.indexA())));
    }
}
