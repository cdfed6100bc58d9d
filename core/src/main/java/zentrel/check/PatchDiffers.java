package zentrel.check;

import java.util.ArrayList;
import java.util.Collection;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import zentrel.patch.FixtureList;
import zentrel.patch.PatchComparison;
import zentrel.patch.PatchComparison.Row;
import zentrel.patch.PatchDifference;
import zentrel.patch.PatchDifference.Kind;
import zentrel.patch.PatchTaking;
import zentrel.path.HopKind;
import zentrel.plan.Application;
import zentrel.plan.Break;
import zentrel.plan.Edit;
import zentrel.plan.Fixture;
import zentrel.plan.Id;
import zentrel.plan.PatchList;
import zentrel.plan.PatchRow;
import zentrel.plan.PatchRow.SlotRun;
import zentrel.plan.Plan;

/**
 * A list of another program that has fixtures otherwise than the plan: {@code patch.differs}; in another mode:
 * {@code patch.mode-differs}.
 */
final class PatchDiffers extends PathRule {
    static final String OTHERS = "patch.differs";
    static final String MODES = "patch.mode-differs";
    /** How many of the fixtures are named among the subjects. */
    private static final int MOST_NAMED = 30;

    private static final Set<Kind> OF_MODES = EnumSet.of(Kind.MODE, Kind.FOOTPRINT);

    private final Set<Kind> kinds;

    PatchDiffers(String id) {
        super(id);
        kinds = id.equals(MODES) ? OF_MODES : EnumSet.complementOf(EnumSet.copyOf(OF_MODES));
    }

    /** Whether a finding says that another program has fixtures otherwise. */
    static boolean isOne(Finding finding) {
        return finding.rule().equals(OTHERS) || finding.rule().equals(MODES);
    }

    @Override
    public boolean applies(CheckContext context) {
        return !context.plan().patchLists().isEmpty();
    }

    @Override
    Collection<Finding> unmet(CheckContext context) {
        List<Finding> findings = new ArrayList<>();
        if (context.plan().patchLists().isEmpty()) {
            return findings;
        }
        FixtureList plan = FixtureList.of(context.plan());
        for (PatchList list : context.plan().patchLists()) {
            List<Row> rows = PatchComparison.of(plan, FixtureList.of(list)).rows().stream()
                    .filter(r -> r.differences().stream().anyMatch(d -> kinds.contains(d.kind())))
                    .toList();
            if (!rows.isEmpty()) {
                findings.add(finding(context.plan(), list, rows));
            }
        }
        return findings;
    }

    private Finding finding(Plan plan, PatchList list, List<Row> rows) {
        List<Id<?>> subjects = new ArrayList<>(List.of(list.id()));
        list.program().ifPresent(subjects::add);
        rows.stream()
                .filter(r -> r.indexA() >= 0)
                .limit(MOST_NAMED)
                .forEach(r -> subjects.add(plan.fixtures().get(r.indexA()).id()));
        String name = list.name();
        boolean modes = kinds.contains(Kind.MODE);
        List<Edit> fixes = new ArrayList<>();
        fixes.add(new Edit(
                RuleWords.say(id() + ".fix", "list", name, "count", rows.size()), p -> intoList(p, list.id(), kinds)));
        if (modes) {
            fixes.add(new Edit(
                    RuleWords.say(id() + ".fix/plan", "list", name, "count", rows.size()),
                    p -> modesIntoPlan(p, list.id())));
        }
        return unmet(
                severity(list, rows),
                list.program().map((Id<Application> p) -> HopKind.LEADS),
                subjects,
                modes ? modes(name, rows) : others(name, rows),
                fixes);
    }

    /** On paper, or where only labels differ, no light moves otherwise. */
    private Severity severity(PatchList list, List<Row> rows) {
        boolean onlyWords = rows.stream()
                .flatMap(r -> r.differences().stream())
                .map(PatchDifference::kind)
                .filter(kinds::contains)
                .allMatch(k -> k == Kind.LABEL || k == Kind.POSITION || k == Kind.NUMBER);
        return list.program().isEmpty() || onlyWords ? Severity.NOTE : Severity.BROKEN;
    }

    private static String form(List<Row> rows) {
        return rows.size() == 1 ? "one" : "many";
    }

    private String others(String list, List<Row> rows) {
        Row first = rows.get(0);
        PatchDifference d = first.differences().stream()
                .filter(x -> kinds.contains(x.kind()))
                .findFirst()
                .orElseThrow();
        String words = RuleWords.say(
                "patch.differs.first/" + (d.kind().isMissing() ? d.kind().word() : "other"),
                "fixture",
                first.either().shown(),
                "kind",
                d.kind().word(),
                "a",
                d.a(),
                "b",
                d.b());
        return RuleWords.say("patch.differs.says/" + form(rows), "list", list, "count", rows.size(), "first", words);
    }

    private static String modes(String list, List<Row> rows) {
        Row first = rows.get(0);
        PatchDifference d = first.differences().stream()
                .filter(x -> OF_MODES.contains(x.kind()))
                .reduce((x, y) -> y.kind() == Kind.MODE ? y : x)
                .orElseThrow();
        return RuleWords.say(
                "patch.mode-differs.says/" + form(rows),
                "list",
                list,
                "count",
                rows.size(),
                "fixture",
                first.either().shown(),
                "a",
                mode(d, d.a()),
                "b",
                mode(d, d.b()));
    }

    private static String mode(PatchDifference d, String value) {
        return d.kind() == Kind.MODE ? value : RuleWords.say("patch.mode-differs.slots", "count", value);
    }

    private static Plan intoList(Plan plan, Id<PatchList> id, Set<Kind> kinds) {
        FixtureList here = FixtureList.of(plan);
        return plan.with(id, list -> {
            FixtureList there = FixtureList.of(list);
            PatchComparison comparison = PatchComparison.of(here, there);
            return list.withRows(PatchTaking.intoB(comparison, there, comparison.differing(), kinds)
                    .rows());
        });
    }

    private static Plan modesIntoPlan(Plan plan, Id<PatchList> id) {
        FixtureList here = FixtureList.of(plan);
        FixtureList there = FixtureList.of(plan.index().get(id));
        List<Fixture> fixtures = new ArrayList<>(plan.fixtures());
        for (Row row : PatchComparison.of(here, there).differing()) {
            Optional<PatchRow> b = row.b();
            if (row.indexA() >= 0 && b.isPresent()) {
                Fixture f = fixtures.get(row.indexA());
                fixtures.set(row.indexA(), inMode(f, b.get(), row));
            }
        }
        return plan.with(zentrel.plan.Kind.FIXTURE, fixtures);
    }

    private static Fixture inMode(Fixture fixture, PatchRow told, Row row) {
        Fixture next = row.differs(Kind.MODE) ? fixture.withMode(told.mode()) : fixture;
        if (row.differs(Kind.FOOTPRINT)) {
            for (int i = 0; i < Math.min(next.breaks().size(), told.runs().size()); i++) {
                SlotRun run = told.runs().get(i);
                Break b = next.breaks().get(i);
                next = next.withBreak(i, b.withFootprint(Math.max(1, run.footprint())));
            }
        }
        return next;
    }
}
