package zentrel.gear;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import zentrel.patch.FixtureList;
import zentrel.patch.PatchComparison;
import zentrel.patch.PatchComparison.Row;
import zentrel.patch.PatchDifference;
import zentrel.patch.PatchTaking;
import zentrel.plan.*;
import zentrel.plan.PatchRow.SlotRun;
import zentrel.text.Counted;

/** Takes a list of fixtures into a plan. Universes that the plan lacks are made; fixtures go to the line by which theirs arrives. */
public final class FixtureTaking {
    private static final Set<PatchDifference.Kind> ALL = Set.of(PatchDifference.Kind.values());

    private final Plan plan;
    private final Ids ids;
    private final List<Universe> universes;
    private final Map<Integer, Id<Universe>> byNumber = new HashMap<>();

    private FixtureTaking(Plan plan) {
        this.plan = plan;
        ids = new Ids(plan);
        universes = new ArrayList<>(plan.universes());
        plan.universes().forEach(u -> byNumber.putIfAbsent(u.number(), u.id()));
    }

    /**
     * What a list says otherwise, into the plan.
     *
     * @param rows rows of the comparison of the plan's fixtures with the list
     * @param kinds what is taken of them; fixtures that the list lacks are removed only where that is among them
     */
    public static Edit take(Collection<Row> rows, Set<PatchDifference.Kind> kinds) {
        List<Row> chosen = rows.stream()
                .filter(r -> r.differences().stream().anyMatch(d -> kinds.contains(d.kind())))
                .toList();
        String text = chosen.size() == 1
                ? "Import " + chosen.get(0).either().shown() + " from the list"
                : "Import " + Counted.of(chosen.size(), "fixture") + " from the list";
        return new Edit(text, p -> new FixtureTaking(p).taken(chosen, kinds));
    }

    /** Everything that a list says otherwise, but for fixtures that only the plan has. */
    public static Edit takeAll(Plan plan, FixtureList list, List<FixtureType> types) {
        Set<PatchDifference.Kind> kinds = new java.util.HashSet<>(ALL);
        kinds.remove(PatchDifference.Kind.MISSING_IN_B);
        List<Row> rows = PatchComparison.of(FixtureList.of(plan), list).differing();
        return take(rows, kinds).and(p -> withTypes(p, types));
    }

    /** A plan that knows fixture types; those of a name that it has already stay as they are. */
    public static Plan withTypes(Plan plan, List<FixtureType> types) {
        Ids ids = new Ids(plan);
        List<FixtureType> all = new ArrayList<>(plan.fixtureTypes());
        for (FixtureType type : types) {
            if (all.stream().noneMatch(t -> FixtureType.sameName(t.name(), type.name()))) {
                all.add(type.withId(Kind.FIXTURE_TYPE.id(ids.next(Ids.of(type.name(), "type")))));
            }
        }
        return plan.with(Kind.FIXTURE_TYPE, all);
    }

    private Plan taken(List<Row> rows, Set<PatchDifference.Kind> kinds) {
        List<Fixture> fixtures = new ArrayList<>(plan.fixtures());
        List<Id<Fixture>> gone = new ArrayList<>();
        for (Row row : rows) {
            if (row.a().isEmpty()) {
                if (kinds.contains(PatchDifference.Kind.MISSING_IN_A)) {
                    fixture(row.b().orElseThrow()).ifPresent(fixtures::add);
                }
            } else if (row.b().isEmpty()) {
                if (kinds.contains(PatchDifference.Kind.MISSING_IN_B)) {
                    gone.add(fixtures.get(row.indexA()).id());
                }
            } else {
                PatchRow merged = PatchTaking.merged(row.a().get(), row.b().get(), row, kinds);
                fixtures.set(row.indexA(), set(fixtures.get(row.indexA()), merged));
            }
        }
        Plan next = plan.with(Kind.UNIVERSE, universes).with(Kind.FIXTURE, fixtures);
        return gone.isEmpty() ? next : PlanRemoval.of(next, gone).edit().applyTo(next);
    }

    private Id<Universe> universe(int number) {
        return byNumber.computeIfAbsent(number, n -> {
            Universe made = new Universe(Kind.UNIVERSE.id(ids.next("u" + n)), "Universe " + n, n, false);
            universes.add(made);
            return made.id();
        });
    }

    /** A fixture needs a start slot; without one it stays in the list. */
    private Optional<Fixture> fixture(PatchRow row) {
        if (row.runs().isEmpty()) {
            return Optional.empty();
        }
        List<Break> breaks = breaks(row, List.of());
        String name = row.label().isEmpty() ? row.type() : row.label();
        return Optional.of(new Fixture(
                Kind.FIXTURE.id(ids.next("f" + Ids.of(row.number(), "x"))),
                row.number(),
                name.isEmpty() ? "Fixture" : name,
                row.place(),
                row.type(),
                row.mode(),
                line(breaks),
                breaks,
                false,
                1,
                new FixtureUse(row.purpose(), row.unit(), row.note(), row.position(), FixtureAim.DOWN)));
    }

    private List<Break> breaks(PatchRow row, List<Break> before) {
        List<Break> breaks = new ArrayList<>();
        for (int i = 0; i < row.runs().size(); i++) {
            SlotRun run = row.runs().get(i);
            int part = i;
            int known = plan.fixtureTypes().stream()
                    .filter(t -> FixtureType.sameName(t.name(), row.type()))
                    .findFirst()
                    .flatMap(t -> t.mode(row.mode()))
                    .filter(m -> part < m.parts().size())
                    .map(m -> m.footprint(part))
                    .orElse(i < before.size() ? before.get(i).footprint() : 1);
            breaks.add(new Break(universe(run.universe()), run.slot(), run.footprint() > 0 ? run.footprint() : known));
        }
        return breaks;
    }

    private Optional<Id<Line>> line(List<Break> breaks) {
        return breaks.stream()
                .flatMap(b -> UniverseRoutes.lineOf(plan, b.universe()).stream())
                .findFirst();
    }

    private Fixture set(Fixture f, PatchRow row) {
        List<Break> breaks = breaks(row, f.breaks());
        boolean moved = !breaks.stream()
                .map(Break::universe)
                .toList()
                .equals(f.breaks().stream().map(Break::universe).toList());
        boolean same = breaks.size() == f.breaks().size()
                && java.util.stream.IntStream.range(0, breaks.size())
                        .allMatch(
                                i -> breaks.get(i).start() == f.breaks().get(i).start()
                                        && breaks.get(i).footprint()
                                                == f.breaks().get(i).footprint());
        return f.withNumber(row.number())
                .withName(row.label().isEmpty() ? f.name() : row.label())
                .withType(row.type())
                .withMode(row.mode())
                .withPlace(row.place())
                .withUse(f.use().withPosition(row.position()))
                .withBreaks(breaks.isEmpty() || (!moved && same) ? f.breaks() : breaks)
                .withLine(moved ? line(breaks).or(f::line) : f.line());
    }
}
