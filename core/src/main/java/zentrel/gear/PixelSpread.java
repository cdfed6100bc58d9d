package zentrel.gear;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.Iterator;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import zentrel.pixel.ControllerSplit;
import zentrel.pixel.ControllerSplit.Out;
import zentrel.plan.*;
import zentrel.profile.ApplicationKind;
import zentrel.profile.Direction;
import zentrel.profile.PortKind;
import zentrel.profile.Protocol;

/** Spreads the pixels of a controller over universes: its ports, their universes and numbers, and the fixtures on them. */
public final class PixelSpread {
    /** What fixtures that are made for pixels are called by type, before how many they are. */
    private static final String TYPE = "pixels ";

    private PixelSpread() {}

    /**
     * Spreads the pixels of a controller over universes by the rules of its outputs: each output has a port for every universe that
     * it takes, each port its universe, line and number, and each run is patched as a fixture on exactly those slots.
     *
     * @param firstUniverse the show number of the first; where not given, ports keep theirs and others follow after the last
     */
    public static Edit of(
            Plan plan, Id<Receiver> controller, Optional<Integer> firstUniverse, Optional<Application> source) {
        Plan ported = ported(plan, controller);
        Plan routed = routed(
                ported,
                controller,
                numbers(plan, ported, controller, firstUniverse),
                firstUniverse.isEmpty(),
                source.or(() -> sender(plan, controller)));
        String text = "Spread the pixels of " + plan.index().get(controller).name() + " over universes";
        return DeviceFactory.put(text, plan, patched(routed, controller));
    }

    /** As many ports for each output as it takes universes; those that are left over go. */
    private static Plan ported(Plan plan, Id<Receiver> controller) {
        Ids ids = new Ids(plan);
        Receiver receiver = plan.index().get(controller);
        List<Port> ports = new ArrayList<>(receiver.ports());
        Set<Id<?>> gone = new LinkedHashSet<>();
        Map<Id<PixelOutput>, PixelOutput> after = new HashMap<>();
        Optional<Id<Port>> last = Optional.empty();
        int used = 0;
        for (Out out : ControllerSplit.of(plan, controller).outputs()) {
            PixelOutput output = out.output();
            boolean shares = out.universes() > 0 && out.firstUniverse() < used;
            List<Id<Port>> own = new ArrayList<>(output.ports());
            if (shares && last.isPresent() && !own.contains(last.get())) {
                own.add(0, last.get());
            }
            while (own.size() < out.universes()) {
                Port made = made(ids, receiver, ports, output, own.size() + 1);
                own.add(made.id());
            }
            while (own.size() > Math.max(1, out.universes())) {
                gone.add(own.remove(own.size() - 1));
            }
            after.put(output.id(), output.withPorts(own));
            used = Math.max(used, out.firstUniverse() + out.universes());
            last = own.isEmpty() ? last : Optional.of(own.get(own.size() - 1));
        }
        after.values().forEach(o -> gone.removeAll(o.ports()));
        Set<Id<Port>> idle = idle(plan, after);
        ports.replaceAll(p -> idle.contains(p.id())
                ? p.withUniverse(Optional.empty()).withWire(Optional.<Setting<Integer>>empty())
                : p);
        Plan next = plan.with(controller, r -> r.withPorts(ports))
                .with(
                        Kind.PIXEL_OUTPUT,
                        plan.pixelOutputs().stream()
                                .map(o -> after.getOrDefault(o.id(), o))
                                .toList());
        return gone.isEmpty() ? next : PlanRemoval.of(next, gone).edit().applyTo(next);
    }

    /** Ports of outputs without pixels, and with no other fixture behind them: nothing is meant for them. */
    private static Set<Id<Port>> idle(Plan plan, Map<Id<PixelOutput>, PixelOutput> outputs) {
        Set<Id<Fixture>> pixels = new LinkedHashSet<>();
        plan.pixelRuns().forEach(r -> r.fixture().ifPresent(pixels::add));
        Set<Id<Port>> used = new LinkedHashSet<>();
        Set<Id<Port>> all = new LinkedHashSet<>();
        outputs.values().forEach(o -> (o.runs().isEmpty() ? all : used).addAll(o.ports()));
        all.removeAll(used);
        all.removeIf(p -> plan.index().linesOf(p).stream()
                .flatMap(l -> plan.index().fixturesOn(l.id()).stream())
                .anyMatch(f -> !pixels.contains(f.id())));
        return all;
    }

    /** Show numbers for universes that are new on the controller: those that it has no more use for, then those after the last. */
    private static Iterator<Integer> numbers(
            Plan before, Plan after, Id<Receiver> controller, Optional<Integer> first) {
        int next = first.orElseGet(() -> UniverseRoutes.nextUniverse(before));
        Set<Integer> free = new LinkedHashSet<>(first.isPresent() ? List.of() : meant(before, controller));
        free.removeAll(meant(after, controller));
        return Stream.concat(free.stream(), IntStream.iterate(next, i -> i + 1).boxed())
                .iterator();
    }

    private static List<Integer> meant(Plan plan, Id<Receiver> controller) {
        return plan.index().get(controller).ports().stream()
                .flatMap(p -> p.universe().stream())
                .map(u -> plan.index().universe(u).number())
                .toList();
    }

    /** One more port behind those of the output. */
    private static Port made(Ids ids, Receiver receiver, List<Port> ports, PixelOutput output, int number) {
        Protocol protocol = ports.stream()
                .filter(p -> output.ports().contains(p.id()))
                .map(p -> p.protocol().planned())
                .findFirst()
                .or(() -> receiver.protocols().stream().sorted().findFirst())
                .orElse(Protocol.SACN);
        String name = number == 1 ? output.name() : output.name() + ", universe " + number;
        Port made = new Port(
                Kind.PORT.id(ids.next(output.id().value() + "." + number)),
                name,
                PortKind.DMX,
                Setting.of(Direction.OUTPUT),
                Setting.of(true),
                Setting.of(protocol),
                Optional.empty(),
                Optional.empty());
        int behind = -1;
        for (int i = 0; i < ports.size(); i++) {
            behind = output.ports().contains(ports.get(i).id())
                            || ports.get(i).name().startsWith(output.name() + ", ")
                    ? i
                    : behind;
        }
        ports.add(behind + 1 == 0 ? ports.size() : behind + 1, made);
        return made;
    }

    /** The program that sends to the controller already, else the only one that sends anything. */
    private static Optional<Application> sender(Plan plan, Id<Receiver> controller) {
        Set<Id<Application>> here = new LinkedHashSet<>();
        plan.index().get(controller).ports().stream()
                .flatMap(p -> p.universe().stream())
                .flatMap(u -> plan.index().streamsOf(u).stream())
                .forEach(s -> here.add(s.application()));
        if (!here.isEmpty()) {
            return Optional.of(plan.index().application(here.iterator().next()));
        }
        Set<Id<Application>> all = new LinkedHashSet<>();
        plan.streams().forEach(s -> all.add(s.application()));
        List<Application> consoles = plan.applications().stream()
                .filter(a -> a.kind() == ApplicationKind.CONSOLE)
                .toList();
        return all.size() == 1
                ? Optional.of(plan.index().application(all.iterator().next()))
                : consoles.size() == 1 ? Optional.of(consoles.get(0)) : Optional.empty();
    }

    /** Gives every port of the controller's outputs its universe. */
    private static Plan routed(
            Plan plan,
            Id<Receiver> controller,
            Iterator<Integer> numbers,
            boolean keeping,
            Optional<Application> source) {
        Set<Id<Port>> ports = new LinkedHashSet<>();
        ControllerSplit.of(plan, controller).outputs().stream()
                .filter(o -> o.universes() > 0)
                .forEach(o -> ports.addAll(o.output().ports()));
        Map<Id<Port>, Integer> each = new LinkedHashMap<>();
        for (Id<Port> id : ports) {
            Optional<Integer> kept = plan.index()
                    .port(id)
                    .universe()
                    .filter(u -> keeping)
                    .map(u -> plan.index().universe(u).number());
            int number = kept.isPresent() ? kept.get() : numbers.next();
            Receiver receiver = plan.index().get(controller);
            if (receiver.protocols().stream().noneMatch(p -> p.carries(number))) {
                throw new IllegalArgumentException(receiver.name() + " receives no universe " + number
                        + "; its pixels need " + ports.size() + " of them.");
            }
            each.put(id, number);
        }
        Plan routed = plan;
        List<Id<Port>> same = new ArrayList<>();
        int begin = 0;
        for (Map.Entry<Id<Port>, Integer> one : each.entrySet()) {
            if (!same.isEmpty() && one.getValue() != begin + same.size()) {
                routed = routed(routed, same, begin, source);
                same = new ArrayList<>();
            }
            begin = same.isEmpty() ? one.getValue() : begin;
            same.add(one.getKey());
        }
        return same.isEmpty() ? routed : routed(routed, same, begin, source);
    }

    private static Plan routed(Plan plan, List<Id<Port>> ids, int first, Optional<Application> source) {
        List<Port> ports = ids.stream().map(plan.index()::port).toList();
        return source.isPresent()
                ? UniverseRoutes.route(plan, source.get(), ports, first).applyTo(plan)
                : UniverseRoutes.meant(plan, ports, first);
    }

    /** Patches each run on the slots by which the controller puts it out. */
    private static Plan patched(Plan plan, Id<Receiver> controller) {
        ControllerSplit split = ControllerSplit.of(plan, controller);
        Ids ids = new Ids(plan);
        Map<Id<Fixture>, Fixture> fixtures = new LinkedHashMap<>();
        plan.fixtures().forEach(f -> fixtures.put(f.id(), f));
        Map<Id<PixelRun>, PixelRun> runs = new LinkedHashMap<>();
        plan.pixelRuns().forEach(r -> runs.put(r.id(), r));
        String place =
                plan.index().hostOf(plan.index().get(controller).application()).place();
        int number = FixturePatcher.nextFixtureNumber(plan);
        for (Out out : split.outputs()) {
            for (PixelRun run : out.runs()) {
                List<Break> breaks = split.breaks(plan, run);
                Optional<Fixture> had = run.fixture().map(fixtures::get);
                if (breaks.isEmpty()) {
                    continue; // no port brings it; the rule says so
                }
                String type = TYPE + run.shape().counted();
                Fixture fixture = had.map(f -> f.withBreaks(breaks))
                        .map(f -> f.type().startsWith(TYPE) ? f.withType(type) : f)
                        .orElse(null);
                if (fixture == null) {
                    fixture = new Fixture(
                            Kind.FIXTURE.id(ids.next(run.id().value() + ".fixture")),
                            String.valueOf(number++),
                            run.name(),
                            place,
                            type,
                            Optional.empty(),
                            breaks,
                            false);
                }
                Optional<Id<Line>> line = breaks.get(0).line();
                fixtures.put(fixture.id(), line.isPresent() ? fixture.withLine(line) : fixture);
                runs.put(run.id(), run.withFixture(Optional.of(fixture.id())));
            }
        }
        return plan.with(Kind.FIXTURE, List.copyOf(fixtures.values())).with(Kind.PIXEL_RUN, List.copyOf(runs.values()));
    }
}
