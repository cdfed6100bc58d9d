package zentrel.lit;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import zentrel.path.Hop;
import zentrel.path.Issue;
import zentrel.path.SignalPath;
import zentrel.path.SignalPaths;
import zentrel.path.Verdict;
import zentrel.path.words.PathWords;
import zentrel.pixel.PixelMap;
import zentrel.plan.*;

/** Every fixture of a plan, with the way by which its levels come, or the cause for which they do not. Immutable. */
public final class LitPlan {
    private final Plan plan;
    private final List<Lamp> lamps;
    private final PixelMap pixels;
    private final List<Optional<Wire>> pixelWires;
    private final List<Boolean> pixelArrives;

    private LitPlan(
            Plan plan, List<Lamp> lamps, PixelMap pixels, List<Optional<Wire>> pixelWires, List<Boolean> pixelArrives) {
        this.plan = plan;
        this.lamps = lamps;
        this.pixels = pixels;
        this.pixelWires = pixelWires;
        this.pixelArrives = pixelArrives;
    }

    /** Works it out; takes as long as tracing every fixture. */
    public static LitPlan of(SignalPaths paths) {
        Plan plan = paths.plan();
        PathWords words = PathWords.of(paths);
        Map<String, FixtureType> types = new HashMap<>();
        plan.fixtureTypes().forEach(t -> types.putIfAbsent(FixtureType.plain(t.name()), t));
        Map<List<Object>, FixtureReader> readers = new HashMap<>();
        List<Lamp> lamps = new ArrayList<>();
        for (Fixture f : plan.fixtures()) {
            Optional<FixtureType> type = Optional.ofNullable(types.get(FixtureType.plain(f.type())));
            List<Integer> footprints = f.breaks().stream().map(Break::footprint).toList();
            FixtureReader reader = readers.computeIfAbsent(
                    List.of(FixtureType.plain(f.type()), f.mode(), footprints),
                    k -> FixtureReader.of(type.flatMap(t -> t.mode(f.mode())), footprints));
            lamps.add(
                    lamp(paths, words, f, reader, type.map(FixtureType::optics).orElse(FixtureOptics.USUAL)));
        }
        PixelMap pixels = PixelMap.of(plan);
        return new LitPlan(
                plan,
                List.copyOf(lamps),
                pixels,
                pixels.ports().stream().map(p -> p.flatMap(x -> wire(plan, x))).toList(),
                pixels.ports().stream()
                        .map(p -> p.filter(x -> arrives(paths, x)).isPresent())
                        .toList());
    }

    private static boolean arrives(SignalPaths paths, Id<Port> port) {
        return paths.of(port).paths().stream().anyMatch(p -> p.verdict() != Verdict.BROKEN);
    }

    private static Lamp lamp(
            SignalPaths paths, PathWords words, Fixture fixture, FixtureReader reader, FixtureOptics optics) {
        List<SignalPath> all = paths.ofFixture(fixture.id()).paths();
        List<Optional<Wire>> wires = new ArrayList<>();
        Optional<Dark> dark = Optional.empty();
        boolean atRisk = false;
        for (Break b : fixture.breaks()) {
            List<SignalPath> own = all.stream()
                    .filter(p -> carries(paths.plan(), p, b.universe()))
                    .toList();
            Optional<SignalPath> arrives =
                    own.stream().filter(p -> p.verdict() != Verdict.BROKEN).findFirst();
            if (arrives.isEmpty() && dark.isEmpty()) {
                dark = own.stream()
                        .findFirst()
                        .or(() -> all.stream().findFirst())
                        .flatMap(p -> dark(words, p));
            }
            atRisk |= arrives.filter(p -> p.verdict() != Verdict.PASSES).isPresent();
            wires.add(arrives.or(() -> own.stream().findFirst())
                    .flatMap(SignalPath::receiver)
                    .flatMap(r -> r.as(Kind.PORT))
                    .flatMap(r -> wire(paths.plan(), r))
                    .or(() -> sent(paths.plan(), b.universe())));
        }
        return new Lamp(fixture, reader, optics, wires, dark, atRisk);
    }

    /** Whether a path leads a universe; one that leads nowhere may lead any. */
    private static boolean carries(Plan plan, SignalPath path, Id<Universe> universe) {
        PlanIndex index = plan.index();
        Optional<Id<Universe>> sent = path.signal()
                .flatMap(s -> s.as(Kind.STREAM))
                .flatMap(index::find)
                .map(Stream::universe);
        if (sent.isPresent()) {
            return sent.get().equals(universe);
        }
        return path.receiver()
                .flatMap(r -> r.as(Kind.PORT))
                .map(p -> index.universesOf(p).contains(universe))
                .orElse(true);
    }

    private static Optional<Wire> wire(Plan plan, Id<Port> id) {
        Port port = plan.index().port(id);
        return port.protocol().inForce().onNetwork()
                ? port.wire().map(w -> new Wire(port.protocol().inForce(), w.inForce()))
                : port.universe().flatMap(u -> sent(plan, u));
    }

    /** As a program sends it, for a port that says no number. */
    private static Optional<Wire> sent(Plan plan, Id<Universe> universe) {
        return plan.index().streamsOf(universe).stream()
                .filter(s -> s.protocol().onNetwork())
                .flatMap(s -> plan.index().wireOf(s).map(w -> new Wire(s.protocol(), w)).stream())
                .findFirst();
    }

    private static Optional<Dark> dark(PathWords words, SignalPath path) {
        return path.decisive().flatMap(Hop::issue).map(issue -> dark(words, issue));
    }

    private static Dark dark(PathWords words, Issue issue) {
        return new Dark(issue.rule(), issue.cause(), words.brief(issue), words.text(issue));
    }

    public Plan plan() {
        return plan;
    }

    /** In the order of the plan. */
    public List<Lamp> lamps() {
        return lamps;
    }

    public PixelMap pixels() {
        return pixels;
    }

    /** Where the levels of each universe of the pixels come from. */
    public List<Optional<Wire>> pixelWires() {
        return pixelWires;
    }

    /** Whether each universe of the pixels arrives by its path. */
    public List<Boolean> pixelArrives() {
        return pixelArrives;
    }

    /** The fixtures that stay dark for one cause. */
    public record DarkGroup(Dark dark, List<Fixture> fixtures) {
        public DarkGroup {
            fixtures = List.copyOf(fixtures);
        }
    }

    /** The fixtures that stay dark, by their first cause; those that darken most come first. */
    public List<DarkGroup> dark() {
        Map<List<Object>, List<Lamp>> causes = new LinkedHashMap<>();
        for (Lamp lamp : lamps) {
            lamp.dark()
                    .ifPresent(d -> causes.computeIfAbsent(List.of(d.rule(), d.cause()), k -> new ArrayList<>())
                            .add(lamp));
        }
        List<DarkGroup> groups = new ArrayList<>();
        causes.values()
                .forEach(all -> groups.add(new DarkGroup(
                        all.get(0).dark().orElseThrow(),
                        all.stream().map(Lamp::fixture).toList())));
        groups.sort((a, b) -> b.fixtures().size() - a.fixtures().size());
        return groups;
    }
}
