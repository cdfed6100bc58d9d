package zentrel.path;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;
import zentrel.index.ListChange;
import zentrel.plan.Break;
import zentrel.plan.Cable;
import zentrel.plan.CableKind;
import zentrel.plan.Fixture;
import zentrel.plan.Host;
import zentrel.plan.Id;
import zentrel.plan.Line;
import zentrel.plan.Port;
import zentrel.plan.Reads;
import zentrel.plan.Stream;
import zentrel.plan.Universe;

/** Hop 10 of a fixture: its slots, and whether its line starts at a port of its universe. Worked out once for a plan. */
final class PatchJudge {
    /** Lines passed on from one to the next; a longer way is a ring, which the reader of a plan would have refused. */
    private static final int LONGEST_WAY = 32;

    /** Noted where it is asked what is wrong with a fixture of a universe. */
    private record Judged(Id<Universe> universe) {}

    private final PathContext context;
    private final KeptReads kept;
    private final SlotJudge slots;
    private final Reads.@Nullable Hashes[] reads; // by the place of a universe in the plan
    private final Map<Id<Fixture>, List<Issue>> issues = new HashMap<>();

    /** Judges every fixture. */
    PatchJudge(PathContext context, KeptReads kept) {
        this.context = context;
        this.kept = kept;
        slots = new SlotJudge(context.index, this::add);
        reads = new Reads.Hashes[context.plan.universes().size()];
        List<Id<Universe>> all = new ArrayList<>(context.plan.universes().size());
        context.plan.universes().forEach(u -> all.add(u.id()));
        judge(all);
    }

    /**
     * Judges the fixtures of those universes for which something else was read now, and those with which something was wrong; with
     * the others nothing is.
     *
     * @param marks what gives something else now
     */
    PatchJudge(PathContext context, KeptReads kept, PatchJudge before, Reads.Marks marks) {
        this.context = context;
        this.kept = kept;
        slots = new SlotJudge(context.index, this::add);
        reads = new Reads.Hashes[context.plan.universes().size()];
        Set<Id<Universe>> again = new HashSet<>();
        boolean samePlaces = ListChange.same(before.context.plan.universes(), context.plan.universes());
        UniversePaths.each(reads.length).forEach(place -> {
            int was = samePlaces
                    ? place
                    : before.context.index.placeOf(
                            context.plan.universes().get(place).id());
            Reads.Hashes known = was < 0 ? null : before.reads[was];
            reads[place] = known != null && !known.anyIn(marks) ? known : null;
        });
        for (int place = 0; place < reads.length; place++) {
            if (reads[place] == null) {
                again.add(context.plan.universes().get(place).id());
            }
        }
        for (Id<Fixture> id : before.issues.keySet()) {
            context.index.find(id).ifPresent(f -> again.addAll(f.universes()));
        }
        // a fixture in several universes is judged in all of them, and so are its neighbours there
        Deque<Id<Universe>> open = new ArrayDeque<>(again);
        while (!open.isEmpty()) {
            for (Fixture neighbour : context.index.fixturesIn(open.pop())) {
                for (Id<Universe> universe : neighbour.universes()) {
                    if (again.add(universe)) {
                        open.push(universe);
                    }
                }
            }
        }
        again.removeIf(id -> context.index.find(id).isEmpty());
        List<Id<Universe>> inOrder = new ArrayList<>(again);
        inOrder.sort(Comparator.comparingInt(context.index::placeOf));
        judge(inOrder);
    }

    private void judge(List<Id<Universe>> universes) {
        for (Id<Universe> universe : universes) {
            reads[context.index.placeOf(universe)] = traced(() -> slots.judge(universe));
        }
        for (Id<Universe> universe : universes) {
            int place = context.index.placeOf(universe);
            Reads.Hashes ways = traced(() -> judgeWays(universe));
            Reads.Hashes before = reads[place];
            reads[place] = before == null || ways == null ? null : before.and(ways);
        }
    }

    private Reads.@Nullable Hashes traced(Runnable work) {
        return kept.of(Reads.of(() -> {
            work.run();
            return "";
        }));
    }

    /** Marks the universes in which anything is wrong with a fixture, here or before an edit. */
    void mark(PatchJudge before, Reads.Marks marks) {
        for (PatchJudge each : List.of(this, before)) {
            for (Id<Fixture> id : each.issues.keySet()) {
                each.context
                        .index
                        .fixture(id)
                        .universes()
                        .forEach(universe -> marks.add(Reads.hash(new Judged(universe))));
            }
        }
    }

    /** How signals get to the fixtures of a universe; one of several is judged with its first. */
    private void judgeWays(Id<Universe> universe) {
        for (Fixture fixture : context.index.fixturesIn(universe)) {
            if (!fixture.breaks().get(0).universe().equals(universe)) {
                continue;
            }
            for (Id<Line> line : fixture.lines()) {
                judgeLine(fixture, context.index.line(line));
                judgeWay(fixture, context.index.line(line));
            }
            judgeUnconnected(fixture);
            judgeCables(fixture, fixture.id());
        }
    }

    /** The fixtures with which anything is wrong, in the order of their universes. */
    List<Fixture> withIssues() {
        Reads.note(Reads.ANYTHING);
        Set<Id<Universe>> universes = new TreeSet<>(Comparator.comparingInt(context.index::placeOf));
        issues.keySet()
                .forEach(id ->
                        universes.add(context.index.fixture(id).breaks().get(0).universe()));
        List<Fixture> fixtures = new ArrayList<>();
        for (Id<Universe> universe : universes) {
            for (Fixture fixture : context.index.fixturesIn(universe)) {
                if (fixture.breaks().get(0).universe().equals(universe) && issues.containsKey(fixture.id())) {
                    fixtures.add(fixture);
                }
            }
        }
        return fixtures;
    }

    /** All that is wrong with where a fixture sits. */
    List<Issue> of(Fixture fixture) {
        if (Reads.areNoted()) {
            Reads.noteMarked(new Judged(fixture.breaks().get(0).universe()));
        }
        return issues.getOrDefault(fixture.id(), List.of());
    }

    private void add(Fixture fixture, Issue issue) {
        issues.computeIfAbsent(fixture.id(), f -> new ArrayList<>(1)).add(issue);
    }

    /** A fixture that hangs on no line, where all ports of its universe have lines with others on them. */
    private void judgeUnconnected(Fixture fixture) {
        for (Break b : fixture.breaks()) {
            if (fixture.lineOf(b).isPresent()) {
                continue;
            }
            List<Line> lines = new ArrayList<>();
            boolean open = false; // a port of which nobody has said what hangs on it may lead to this fixture
            for (Port port : context.index.portsOf(b.universe())) {
                List<Line> own = context.index.linesOf(port.id()).stream()
                        .filter(l -> !context.index.fixturesOn(l.id()).isEmpty())
                        .toList();
                open |= own.isEmpty();
                lines.addAll(own);
            }
            if (open || lines.isEmpty()) {
                continue;
            }
            add(
                    fixture,
                    new Issue(
                            Reason.NOT_CONNECTED,
                            Verdict.BROKEN,
                            fixture.id(),
                            Facts.as(
                                    "no-line",
                                    "fixture",
                                    fixture,
                                    "universe",
                                    context.index.universe(b.universe()),
                                    "lines",
                                    lines)));
            return;
        }
    }

    /** The way from the port to the line: cables in, splitters and wireless links with power. */
    private void judgeWay(Fixture fixture, Line line) {
        Line at = line;
        for (int steps = 0; steps < LONGEST_WAY; steps++) {
            judgeCables(fixture, at.id());
            if (at.via().isEmpty()) {
                judgeCables(fixture, at.port());
                return;
            }
            Host device = context.index.host(at.via().get().device());
            Line passed = at;
            context.dark(device)
                    .ifPresent(d -> add(
                            fixture,
                            new Issue(
                                    Reason.LINE_DARK,
                                    Verdict.BROKEN,
                                    d.at(),
                                    Facts.as(
                                            d.own() ? "off" : "",
                                            "device",
                                            device,
                                            "line",
                                            passed,
                                            "why",
                                            d.facts()))));
            at = context.index.line(at.via().get().from());
        }
    }

    private void judgeCables(Fixture fixture, Id<?> end) {
        for (Cable cable : context.index.cablesOf(end)) {
            if (cable.kind() == CableKind.DMX && !cable.connected()) {
                add(
                        fixture,
                        new Issue(
                                Reason.NOT_CONNECTED,
                                Verdict.BROKEN,
                                cable.id(),
                                Facts.as(
                                        "cable",
                                        "cable",
                                        cable,
                                        "from",
                                        cable.from(),
                                        "to",
                                        cable.to(),
                                        "fixture",
                                        fixture)));
            }
        }
    }

    private void judgeLine(Fixture fixture, Line line) {
        Port port = context.index.port(line.port());
        if (port.universe().isEmpty()) {
            return;
        }
        for (Break b : fixture.breaks()) {
            if (b.universe().equals(port.universe().get()) || !fixture.lineOf(b).equals(Optional.of(line.id()))) {
                continue;
            }
            add(
                    fixture,
                    new Issue(
                            Reason.LINE_DIFFERS,
                            Verdict.BROKEN,
                            fixture.id(),
                            Facts.of(
                                    "fixture",
                                    fixture,
                                    "part",
                                    b,
                                    "wanted",
                                    context.index.universe(b.universe()),
                                    "line",
                                    line,
                                    "carried",
                                    context.index.universe(port.universe().get()),
                                    "port",
                                    port)));
        }
    }

    /** Judges hop 10 for one fixture. */
    void judge(HopDraft hop, Fixture fixture) {
        Break first = fixture.breaks().get(0);
        List<Facts> slots = new ArrayList<>(fixture.breaks().size());
        for (Break b : fixture.breaks()) {
            slots.add(slots(b));
        }
        hop.passes(
                fixture.id(),
                Facts.as(
                        fixture.lines().isEmpty() ? "slots" : "slots-on-lines",
                        "fixture",
                        fixture,
                        "first",
                        slots(first),
                        "slots",
                        slots,
                        "lines",
                        fixture.lines()));
        of(fixture).forEach(hop::add);
    }

    private Facts slots(Break b) {
        return Facts.as(
                b.footprint() > 1 ? "slots" : "slot",
                "universe",
                context.index.universe(b.universe()),
                "start",
                b.start(),
                "end",
                b.end());
    }

    /** Judges hop 10 for all that hangs on a port. */
    void judge(HopDraft hop, Stream stream, Port port) {
        List<Fixture> fixtures = new ArrayList<>();
        for (Line line : context.index.linesOf(port.id())) {
            fixtures.addAll(context.index.fixturesOn(line.id()));
        }
        if (fixtures.isEmpty()) {
            for (Fixture fixture : context.index.fixturesIn(stream.universe())) {
                if (fixture.lines().isEmpty() || port.kind() == zentrel.profile.PortKind.INTERNAL) {
                    fixtures.add(fixture);
                }
            }
        }
        if (fixtures.isEmpty()) {
            hop.notApplicable(Facts.as("no-fixture", "port", port));
            return;
        }
        hop.passes(port.id(), Facts.as("fixtures", "fixtures", fixtures.size(), "port", port));
        for (Fixture fixture : fixtures) {
            of(fixture).forEach(hop::add);
        }
    }
}
