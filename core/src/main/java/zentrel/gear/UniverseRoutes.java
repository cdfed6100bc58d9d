package zentrel.gear;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import zentrel.plan.*;
import zentrel.profile.ApplicationKind;
import zentrel.profile.Direction;
import zentrel.profile.HostKind;
import zentrel.profile.PortKind;
import zentrel.profile.ProfileApplication;
import zentrel.profile.Protocol;
import zentrel.text.Counted;

/** Sends universes of a source to the ports of a receiver. */
public final class UniverseRoutes {
    private UniverseRoutes() {}

    /** A line by which a universe arrives; empty where none does. */
    public static Optional<Id<Line>> lineOf(Plan plan, Id<Universe> universe) {
        return plan.index().portsOf(universe).stream()
                .flatMap(p -> plan.index().linesOf(p.id()).stream())
                .map(Line::id)
                .findFirst();
    }

    /** The ports of a receiver that nothing is meant for yet. */
    public static List<Port> freePorts(Plan plan, Receiver receiver) {
        return receiver.ports().stream()
                .filter(p -> plan.index().universesOf(p.id()).isEmpty()
                        && p.direction().planned() == Direction.OUTPUT)
                .toList();
    }

    /**
     * Routes universes from a source to ports, one each, in order: the universe is made where the show has no such number,
     * the source sends it by the port's protocol, the port is set to the number that is sent, it is switched on, a DMX port gets a line.
     *
     * @param first the show number of the first universe
     * @throws IllegalArgumentException with a sentence, where the source cannot send to such a port
     */
    public static Edit route(Plan plan, Application source, List<Port> ports, int first) {
        if (ports.isEmpty()) {
            throw new IllegalArgumentException("There is no free port to route to.");
        }
        Ids ids = new Ids(plan);
        List<Universe> universes = new ArrayList<>(plan.universes());
        List<zentrel.plan.Stream> streams = new ArrayList<>(plan.streams());
        List<Line> lines = new ArrayList<>(plan.lines());
        Map<Id<Port>, Port> set = new LinkedHashMap<>();
        int number = first;
        for (Port port : ports) {
            int wanted = number++;
            Universe universe = numbered(ids, universes, wanted);
            Protocol protocol = protocolFor(plan, source, port, universe);
            zentrel.plan.Stream stream = streams.stream()
                    .filter(s -> s.application().equals(source.id())
                            && s.universe().equals(universe.id())
                            && s.protocol() == protocol)
                    .findFirst()
                    .orElseGet(() -> {
                        zentrel.plan.Stream made =
                                stream(ids, plan, source, universe, protocol, connector(plan, source, port));
                        streams.add(made);
                        return made;
                    });
            int wire = stream.wire()
                    .map(Setting::planned)
                    .or(() -> source.output(protocol).wire(universe.number()))
                    .orElse(universe.number());
            set.put(
                    port.id(),
                    new Port(
                            port.id(),
                            port.name(),
                            port.kind(),
                            port.direction(),
                            Setting.of(true),
                            Setting.of(protocol),
                            Optional.of(Setting.of(wire)),
                            Optional.of(universe.id())));
            addLine(ids, plan, lines, port);
        }
        String text = "Route " + source.name() + " to "
                + plan.index().receiverOf(ports.get(0).id()).name() + ", "
                + (ports.size() == 1
                        ? ports.get(0).name() + " (U" + first + ")"
                        : ports.size() + " ports (U" + first + " to U" + (number - 1) + ")");
        return DeviceFactory.put(
                text,
                plan,
                plan.with(Kind.UNIVERSE, universes)
                        .with(Kind.STREAM, streams)
                        .with(Kind.LINE, lines)
                        .with(Kind.RECEIVER, withPorts(plan, set)));
    }

    /** The universe with a number; made where the show has none. */
    private static Universe numbered(Ids ids, List<Universe> universes, int number) {
        return universes.stream().filter(u -> u.number() == number).findFirst().orElseGet(() -> {
            Universe made = new Universe(Kind.UNIVERSE.id(ids.next("u" + number)), "Universe " + number, number, false);
            universes.add(made);
            return made;
        });
    }

    /** A DMX port without a line gets one. */
    private static void addLine(Ids ids, Plan plan, List<Line> lines, Port port) {
        if (port.kind() == PortKind.DMX
                && lines.stream().noneMatch(l -> l.port().equals(port.id()))) {
            lines.add(new Line(
                    Kind.LINE.id(ids.next(port.id().value() + ".line")),
                    plan.index().receiverOf(port.id()).name() + ", " + port.name() + " line",
                    port.id()));
        }
    }

    private static List<Receiver> withPorts(Plan plan, Map<Id<Port>, Port> set) {
        return plan.receivers().stream()
                .map(r -> r.withPorts(
                        r.ports().stream().map(p -> set.getOrDefault(p.id(), p)).toList()))
                .toList();
    }

    /** Means universes for ports, one each, in order, where nothing sends them yet; each is set to the universe's own number. */
    static Plan meant(Plan plan, List<Port> ports, int first) {
        Ids ids = new Ids(plan);
        List<Universe> universes = new ArrayList<>(plan.universes());
        List<Line> lines = new ArrayList<>(plan.lines());
        Map<Id<Port>, Port> set = new LinkedHashMap<>();
        int number = first;
        for (Port port : ports) {
            Universe universe = numbered(ids, universes, number);
            set.put(port.id(), port.puttingOut(universe.id(), port.protocol().planned(), number));
            addLine(ids, plan, lines, port);
            number++;
        }
        return plan.with(Kind.UNIVERSE, universes).with(Kind.LINE, lines).with(Kind.RECEIVER, withPorts(plan, set));
    }

    /**
     * Sends a run of universes to the free ports of a receiver, one after the other; those that are not there are made.
     *
     * @throws IllegalArgumentException with a sentence, where the ports do not suffice or no universe has such a number
     */
    public static Edit route(Plan plan, Application source, Receiver receiver, NumberRange numbers) {
        List<Port> free = freePorts(plan, receiver);
        int count = numbers.last() - numbers.first() + 1;
        if (numbers.first() < 1) {
            throw new IllegalArgumentException("Universes that are made are counted from 1.");
        }
        if (count > free.size()) {
            throw new IllegalArgumentException(receiver.name() + " has "
                    + (free.isEmpty() ? "no free port" : Counted.of(free.size(), "free port"))
                    + ", and " + Counted.of(count, "universe is", "universes are") + " to go there.");
        }
        for (int number : new int[] {numbers.first(), numbers.last()}) {
            if (receiver.protocols().stream().noneMatch(p -> p.carries(number))) {
                throw new IllegalArgumentException(receiver.name() + " receives no universe " + number + ".");
            }
        }
        return route(plan, source, free.subList(0, count), numbers.first());
    }

    /** The protocol that both ends can do: as the port is set, else another that it takes. */
    private static Protocol protocolFor(Plan plan, Application source, Port port, Universe universe) {
        Receiver receiver = plan.index().receiverOf(port.id());
        Set<Protocol> sends = plan.index()
                .profileOf(source)
                .map(ProfileApplication::sends)
                .orElse(Set.of(Protocol.ARTNET, Protocol.SACN));
        boolean sameBox = source.id().equals(receiver.application());
        List<Protocol> wanted = new ArrayList<>(List.of(port.protocol().planned(), Protocol.SACN, Protocol.ARTNET));
        if (sameBox) {
            wanted.add(0, Protocol.DMX);
        }
        if (source.kind() == ApplicationKind.BRIDGE) {
            // What it takes by one protocol it passes on by the other; by the same it would hear itself.
            plan.index().receiversOf(source.id()).stream()
                    .flatMap(r -> r.ports().stream())
                    .filter(p -> plan.index().universesOf(p.id()).contains(universe.id()))
                    .findFirst()
                    .ifPresent(p -> wanted.removeIf(w -> w == p.protocol().planned()));
        }
        return wanted.stream()
                .filter(p -> receiver.protocols().contains(p) && (sends.contains(p) || (p == Protocol.DMX && !sameBox)))
                .filter(p -> p != Protocol.DMX || sameBox || usbBeside(plan, source, receiver))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException(
                        receiver.name() + " receives nothing that " + source.name() + " sends."));
    }

    private static boolean usbBeside(Plan plan, Application source, Receiver receiver) {
        Host interfaceBox = plan.index().hostOf(receiver.application());
        return interfaceBox.adapters().isEmpty()
                && plan.index().host(source.host()).kind() == HostKind.COMPUTER;
    }

    /** The number of a connector of the box itself; nothing on a network. */
    private static Optional<Integer> connector(Plan plan, Application source, Port port) {
        Receiver receiver = plan.index().receiverOf(port.id());
        boolean direct = source.id().equals(receiver.application())
                || receiver.protocols().equals(Set.of(Protocol.DMX));
        return direct ? Optional.of(receiver.ports().indexOf(port) + 1) : Optional.empty();
    }

    static zentrel.plan.Stream stream(
            Ids ids, Plan plan, Application source, Universe universe, Protocol protocol, Optional<Integer> connector) {
        Part part = plan.index().partOf(source.id()).orElse(Part.PRIMARY);
        Delivery delivery = !protocol.onNetwork()
                ? Delivery.DIRECT
                : protocol == Protocol.SACN ? Delivery.MULTICAST : Delivery.FOUND;
        return new zentrel.plan.Stream(
                Kind.STREAM.id(
                        ids.next(source.id().value() + "-" + universe.id().value() + "-" + protocol.word())),
                source.id(),
                universe.id(),
                protocol,
                Setting.of(part != Part.REMOTE),
                part == Part.BACKUP && protocol == Protocol.ARTNET,
                Optional.empty(),
                protocol == Protocol.DMX ? connector.map(Setting::of) : wireBeyondRanges(source, protocol, universe),
                delivery,
                List.of(),
                Setting.of(part == Part.BACKUP ? 90 : 100),
                40,
                false);
    }

    /** The show number itself as the wire number, where no range of the source covers it and so it would not be sent. */
    private static Optional<Setting<Integer>> wireBeyondRanges(
            Application source, Protocol protocol, Universe universe) {
        return source.output(protocol).wire(universe.number()).isEmpty() && protocol.carries(universe.number())
                ? Optional.of(Setting.of(universe.number()))
                : Optional.empty();
    }

    /** The universe to route from a source next: a new one; for a bridge the first that it takes and does not pass on yet. */
    public static int firstUniverse(Plan plan, Application source) {
        if (source.kind() != ApplicationKind.BRIDGE) {
            return nextUniverse(plan);
        }
        return plan.index().receiversOf(source.id()).stream()
                .flatMap(r -> r.ports().stream())
                .flatMap(p -> plan.index().universesOf(p.id()).stream())
                .filter(u -> plan.index().streamsFrom(source.id()).stream()
                        .noneMatch(s -> s.universe().equals(u)))
                .mapToInt(u -> plan.index().universe(u).number())
                .min()
                .orElseThrow(() -> new IllegalArgumentException(
                        source.name() + " receives nothing yet that it could pass on. Route something to it first."));
    }

    /** The first show number after those of all universes. */
    public static int nextUniverse(Plan plan) {
        return plan.universes().stream().mapToInt(Universe::number).max().orElse(0) + 1;
    }
}
