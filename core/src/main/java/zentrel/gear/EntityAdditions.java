package zentrel.gear;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import zentrel.entry.Format;
import zentrel.entry.Formats;
import zentrel.plan.*;
import zentrel.plan.Session.Desk;
import zentrel.profile.ApplicationKind;
import zentrel.profile.Direction;
import zentrel.profile.Merge;
import zentrel.profile.PortKind;
import zentrel.profile.Protocol;
import zentrel.text.Counted;

/** Adds what a plan holds beside gear: sessions, typed copies, inputs and their ports, universes. */
public final class EntityAdditions {
    /** What a typed copy can be of. */
    public static final List<Kind<?>> COPIED =
            List.of(Kind.ADAPTER, Kind.PORT, Kind.APPLICATION, Kind.HOST, Kind.UNIVERSE);

    /** The protocols of the network, as a choice. */
    public static final Format<Protocol> PROTOCOLS =
            Formats.choice(List.of(Protocol.ARTNET, Protocol.SACN), Protocol::title, Format.Control.CHOICE);

    /** The numbers that a universe of the show may have: those that the larger of the two protocols counts to. */
    public static final Format<Integer> UNIVERSE_NUMBER =
            Formats.whole("The number of a universe", 0, Protocol.SACN.lastNumber());

    /** The most ports that one line adds. */
    public static final int MOST_PORTS = 512;

    private EntityAdditions() {}

    /** The part that a program has in a session unless another is said. */
    public static Part usualPart(Application program, boolean first) {
        return first ? Part.PRIMARY : program.kind() == ApplicationKind.PREVIS ? Part.PREVIS : Part.REMOTE;
    }

    /** Programs as desks: the first leads, the others have their usual part. */
    public static List<Desk> desks(Plan plan, List<Id<Application>> programs) {
        List<Desk> desks = new ArrayList<>();
        programs.forEach(p -> desks.add(new Desk(p, usualPart(plan.index().application(p), desks.isEmpty()))));
        return desks;
    }

    /** A session without a key, for any version; a program that is named twice has the part that came first. */
    public static Edit session(Plan plan, String name, List<Desk> desks) {
        List<Desk> each = new ArrayList<>();
        for (Desk desk : desks) {
            if (each.stream().noneMatch(m -> m.application().equals(desk.application()))) {
                each.add(desk);
            }
        }
        Session session =
                new Session(Kind.SESSION.id(Ids.free(plan, Ids.of(name, "session"))), name, "", VersionRule.ANY, each);
        return new Edit("Add the session " + name, p -> p.and(Kind.SESSION, session));
    }

    /**
     * Lets a program enter a session.
     *
     * @throws IllegalArgumentException with a sentence, where it is in it already
     */
    public static Edit enter(Plan plan, Session session, Id<Application> program, Part part) {
        if (session.desk(program).isPresent()) {
            throw new IllegalArgumentException(plan.index().name(program) + " is in " + session.name() + " already.");
        }
        return new Edit(
                plan.index().name(program) + " enters " + session.name(),
                p -> p.with(session.id(), s -> s.with(program, part)));
    }

    /** Lets a program leave a session. */
    public static Edit leave(Plan plan, Session session, Id<Application> program) {
        return new Edit(
                plan.index().name(program) + " leaves " + session.name(),
                p -> p.with(
                        session.id(),
                        s -> s.withDesks(s.desks().stream()
                                .filter(m -> !m.application().equals(program))
                                .toList())));
    }

    /**
     * What a program keeps of a thing, typed in by hand, or what is printed on a device.
     *
     * @param value empty where it is what the thing has now
     * @throws IllegalArgumentException with a sentence, where no such value is typed in for such a thing
     */
    public static Edit copy(Plan plan, Id<?> owner, Id<?> of, String name, String value) {
        Id<?> meant = ofAdapter(plan, of, value);
        String real = value.isEmpty()
                ? new TypedCopy(Kind.COPY.id("real"), name, owner, meant, Setting.of(anyValue(meant)))
                        .real(plan.index()).stream()
                                .findFirst()
                                .orElseThrow(() -> new IllegalArgumentException(plan.index()
                                                .name(meant) + " has no such value yet, so enter what is typed in."))
                : value;
        TypedCopy copy = new TypedCopy(
                Kind.COPY.id(Ids.free(plan, owner.value() + "-" + Ids.of(name, "copy"))),
                name,
                owner,
                meant,
                Setting.of(real));
        return new Edit(
                "Keep " + real + " for " + plan.index().name(meant) + " in "
                        + plan.index().name(owner),
                p -> p.and(Kind.COPY, copy));
    }

    /** Of a device or a program, an address is the address of its adapter. */
    private static Id<?> ofAdapter(Plan plan, Id<?> of, String value) {
        boolean address = value.matches("\\d+(\\.\\d+){3}");
        if (!address || !(of.is(Kind.HOST) || of.is(Kind.APPLICATION))) {
            return of;
        }
        return plan.index().hostOf(of).adapters().stream()
                .<Id<?>>map(Adapter::id)
                .findFirst()
                .orElse(of);
    }

    private static String anyValue(Id<?> of) {
        return of.is(Kind.ADAPTER) ? "10.0.0.0" : of.is(Kind.PORT) || of.is(Kind.APPLICATION) ? "0" : "-";
    }

    /**
     * An input of a program: it takes universes by one protocol, each at a port of its own.
     *
     * @param count 1 to {@link #MOST_PORTS}
     */
    public static Edit input(Plan plan, Application program, Protocol protocol, int count) {
        requireCount(count);
        Ids ids = new Ids(plan);
        List<Port> ports = new ArrayList<>();
        for (int i = 1; i <= count; i++) {
            ports.add(port(ids, program.host().value() + ".in" + i, "Input " + i, PortKind.INTERNAL, protocol));
        }
        boolean more = !plan.index().receiversOf(program.id()).isEmpty();
        String name = program.name() + (more ? ", " + protocol.title() + " input" : " input");
        Receiver receiver = new Receiver(
                Kind.RECEIVER.id(ids.next(program.id().value() + "-in")),
                name,
                program.id(),
                Set.of(protocol),
                Setting.of(true),
                protocol == Protocol.ARTNET,
                Merge.HTP,
                ports);
        return new Edit(
                "Add " + Counted.of(count, "input") + " by " + protocol.title() + " to " + program.name(),
                p -> p.and(Kind.RECEIVER, receiver).with(program.id(), a -> listening(plan, a, protocol)));
    }

    /** An input needs an adapter; it is the one that the program uses for the rest, as nobody has said another. */
    private static Application listening(Plan plan, Application a, Protocol protocol) {
        if (!protocol.onNetwork() || a.bindings().containsKey(Purpose.listening(protocol))) {
            return a;
        }
        Setting<Binding> binding = a.bindings().values().stream()
                .findFirst()
                .orElseGet(() -> Setting.of(plan.index().host(a.host()).adapters().stream()
                        .findFirst()
                        .map(x -> Binding.to(x.id()))
                        .orElse(Binding.AUTOMATIC)));
        return a.withBinding(Purpose.listening(protocol), binding);
    }

    /** More ports of a receiver, counted on after those it has. */
    public static Edit ports(Plan plan, Receiver receiver, PortKind kind, int count) {
        requireCount(count);
        Ids ids = new Ids(plan);
        Protocol protocol = receiver.protocols().stream().sorted().findFirst().orElse(Protocol.SACN);
        Id<Host> host = plan.index().hostOf(receiver.id()).id();
        String word = receiver.ports().isEmpty()
                ? "Port 1"
                : receiver.ports().get(receiver.ports().size() - 1).name();
        List<Port> ports = new ArrayList<>(receiver.ports());
        for (int i = 0; i < count; i++) {
            word = receiver.ports().isEmpty() && i == 0 ? word : Names.next(word);
            ports.add(port(ids, host.value() + "." + Ids.of(word, "port"), word, kind, protocol));
        }
        return new Edit(
                "Add " + Counted.of(count, "port") + " to " + receiver.name(),
                p -> p.with(receiver.id(), r -> r.withPorts(ports)));
    }

    private static Port port(Ids ids, String id, String name, PortKind kind, Protocol protocol) {
        return new Port(
                Kind.PORT.id(ids.next(id)),
                name,
                kind,
                Setting.of(Direction.OUTPUT),
                Setting.of(true),
                Setting.of(protocol),
                Optional.empty(),
                Optional.empty());
    }

    private static void requireCount(int count) {
        if (count < 1 || count > MOST_PORTS) {
            throw new IllegalArgumentException("Add 1 to " + MOST_PORTS + " ports at a time.");
        }
    }

    /**
     * A universe of the show.
     *
     * @throws IllegalArgumentException with a sentence, where there is one of that number, or no universe has it
     */
    public static Edit universe(Plan plan, int number, String name) {
        UNIVERSE_NUMBER.read(plan, String.valueOf(number));
        plan.universes().stream().filter(u -> u.number() == number).findFirst().ifPresent(u -> {
            throw new IllegalArgumentException("There is a universe " + number + " already: " + u.name() + ".");
        });
        Universe universe = new Universe(Kind.UNIVERSE.id(Ids.free(plan, "u" + number)), name, number, false);
        return new Edit("Add the universe " + number, p -> p.and(Kind.UNIVERSE, universe));
    }

    /** A program sends a universe by a protocol, under the number that its ranges give it, else the universe's own. */
    public static Edit stream(Plan plan, Application source, Universe universe, Protocol protocol) {
        boolean there = plan.index().streamsFrom(source.id()).stream()
                .anyMatch(s -> s.universe().equals(universe.id()) && s.protocol() == protocol);
        if (there) {
            throw new IllegalArgumentException(
                    source.name() + " sends " + universe.label() + " by " + protocol.title() + " already.");
        }
        return new Edit(
                source.name() + " sends " + universe.label() + " by " + protocol.title(),
                p -> p.and(
                        Kind.STREAM,
                        UniverseRoutes.stream(new Ids(plan), plan, source, universe, protocol, Optional.of(1))));
    }

    /**
     * Switches universes of a program on or off; all of them where none is named.
     *
     * @throws IllegalArgumentException with a sentence, where it sends none of them
     */
    public static Edit switched(Plan plan, Application source, List<NumberRange> numbers, boolean on) {
        List<Stream> meant = plan.index().streamsFrom(source.id()).stream()
                .filter(s -> numbers.isEmpty()
                        || numbers.stream()
                                .anyMatch(n -> n.contains(
                                        plan.index().universe(s.universe()).number())))
                .toList();
        if (meant.isEmpty()) {
            throw new IllegalArgumentException(source.name() + " sends none of these universes.");
        }
        return switched(source.name(), meant, on);
    }

    /** Switches what a program sends on or off. */
    public static Edit switched(String source, List<Stream> meant, boolean on) {
        Set<Id<Universe>> universes = meant.stream().map(Stream::universe).collect(Collectors.toSet());
        return new Edit(
                "Switch " + Counted.of(universes.size(), "universe") + " of " + source + (on ? " on" : " off"), p -> {
                    Plan next = p;
                    for (Stream stream : meant) {
                        next = next.with(stream.id(), s -> s.withEnabled(Setting.of(on)));
                    }
                    return next;
                });
    }

    /** A DMX line behind a port. */
    public static Edit line(Plan plan, Port port, String name) {
        Line line = new Line(Kind.LINE.id(Ids.free(plan, port.id().value() + ".line")), name, port.id());
        return new Edit("Add the line " + name, p -> p.and(Kind.LINE, line));
    }
}
