package zentrel.gear;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import zentrel.ipv4.FreeAddress;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.ipv4.Subnet;
import zentrel.plan.*;
import zentrel.profile.AdapterKind;
import zentrel.profile.ApplicationKind;
import zentrel.profile.Direction;
import zentrel.profile.HostKind;
import zentrel.profile.PortKind;
import zentrel.profile.ProfileApplication;
import zentrel.profile.ProfileSupply;
import zentrel.profile.Protocol;
import zentrel.text.Counted;

/** Joins gear: universes to ports, fixtures to lines, adapters to segments, cables. */
public final class Wiring {
    private Wiring() {}

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
            Universe universe = universes.stream()
                    .filter(u -> u.number() == wanted)
                    .findFirst()
                    .orElseGet(() -> {
                        Universe made = new Universe(
                                Kind.UNIVERSE.id(ids.next("u" + wanted)), "Universe " + wanted, wanted, false);
                        universes.add(made);
                        return made;
                    });
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
            boolean needsLine = port.kind() == PortKind.DMX
                    && lines.stream().noneMatch(l -> l.port().equals(port.id()));
            if (needsLine) {
                lines.add(new Line(
                        Kind.LINE.id(ids.next(port.id().value() + ".line")),
                        plan.index().receiverOf(port.id()).name() + ", " + port.name() + " line",
                        port.id()));
            }
        }
        List<Receiver> receivers = new ArrayList<>(plan.receivers());
        receivers.replaceAll(r -> r.withPorts(
                r.ports().stream().map(p -> set.getOrDefault(p.id(), p)).toList()));
        String text = "Route " + source.name() + " to "
                + plan.index().receiverOf(ports.get(0).id()).name() + ", "
                + (ports.size() == 1
                        ? ports.get(0).name() + " (U" + first + ")"
                        : ports.size() + " ports (U" + first + " to U" + (number - 1) + ")");
        return Making.put(
                text,
                plan,
                plan.with(Kind.UNIVERSE, universes)
                        .with(Kind.STREAM, streams)
                        .with(Kind.LINE, lines)
                        .with(Kind.RECEIVER, receivers));
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
                throw new IllegalArgumentException(receiver.name() + " takes no universe " + number + ".");
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
                        receiver.name() + " takes nothing that " + source.name() + " sends."));
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

    private static zentrel.plan.Stream stream(
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
                        source.name() + " takes nothing yet that it could pass on. Route something to it first."));
    }

    /** The first show number after those of all universes. */
    public static int nextUniverse(Plan plan) {
        return plan.universes().stream().mapToInt(Universe::number).max().orElse(0) + 1;
    }

    /**
     * Adds fixtures of one kind to a line, one after the other from its first free slot.
     *
     * @param number the number of the first; the others count on
     * @throws IllegalArgumentException with a sentence, where they do not fit or the line's port carries no universe
     */
    public static Edit patch(Plan plan, Line line, int count, int footprint, String type, int number) {
        if (count < 1 || count > Universe.SLOTS || footprint < 1 || footprint > Universe.SLOTS) {
            throw new IllegalArgumentException("Patch 1 to 512 fixtures of 1 to 512 slots.");
        }
        Universe universe = plan.index().universesOf(line.port()).stream()
                .findFirst()
                .map(plan.index()::universe)
                .orElseThrow(() -> new IllegalArgumentException(
                        plan.index().name(line.port()) + " carries no universe yet. Route one to it first."));
        int start = firstFree(plan, universe);
        int room = room(start, footprint);
        if (count > room) {
            throw new IllegalArgumentException(universe.label() + " has room for " + room + " more of " + footprint
                    + " slots after slot " + (start - 1) + ", and " + count + " were asked for.");
        }
        Ids ids = new Ids(plan);
        List<Fixture> fixtures = new ArrayList<>(plan.fixtures());
        String place = plan.index()
                .hostOf(plan.index().applicationOf(line.port()).id())
                .place();
        for (int i = 0; i < count; i++) {
            fixtures.add(new Fixture(
                    Kind.FIXTURE.id(ids.next("f" + (number + i))),
                    String.valueOf(number + i),
                    type,
                    place,
                    type + " " + footprint,
                    Optional.of(line.id()),
                    List.of(new Break(universe.id(), start + i * footprint, footprint)),
                    false));
        }
        return Making.put(
                "Patch " + count + " " + type + (count == 1 ? " fixture" : " fixtures") + " of " + footprint
                        + " slots on " + line.name() + " from " + universe.label() + " slot " + start,
                plan,
                plan.with(Kind.FIXTURE, fixtures));
    }

    /** The slot after the last that is used in a universe. */
    private static int firstFree(Plan plan, Universe universe) {
        return plan.index().fixturesIn(universe.id()).stream()
                        .flatMap(f -> f.breaks().stream())
                        .filter(b -> b.universe().equals(universe.id()))
                        .mapToInt(Break::end)
                        .max()
                        .orElse(0)
                + 1;
    }

    private static int room(int start, int footprint) {
        return Math.max(0, (Universe.SLOTS - start + 1) / footprint);
    }

    /** How many more fixtures of so many slots fit on a line, after the last that is there. */
    public static int room(Plan plan, Line line, int footprint) {
        return plan.index().universesOf(line.port()).stream()
                .findFirst()
                .map(plan.index()::universe)
                .map(u -> room(firstFree(plan, u), Math.max(1, footprint)))
                .orElse(0);
    }

    /** The number after the highest fixture number of the plan. */
    public static int nextFixtureNumber(Plan plan) {
        return plan.fixtures().stream()
                        .map(Fixture::number)
                        .filter(n -> n.matches("\\d{1,8}"))
                        .mapToInt(Integer::parseInt)
                        .max()
                        .orElse(100)
                + 1;
    }

    /** Puts adapters on a segment, each with the next free address of its range where it has none there. */
    public static Edit onSegment(Plan plan, List<Id<Adapter>> adapters, Segment segment) {
        Optional<Subnet> range = segment.subnet()
                .or(() -> plan.index().adaptersOn(segment.id()).stream()
                        .flatMap(a -> a.addresses().stream())
                        .map(a -> a.inForce().subnet())
                        .findFirst());
        Set<Ipv4Address> taken = new HashSet<>();
        plan.index().adaptersOn(segment.id()).stream()
                .flatMap(a -> a.addresses().stream())
                .forEach(a -> taken.add(a.inForce().address()));
        Plan after = plan;
        for (Id<Adapter> id : adapters) {
            after = after.with(id, a -> {
                Adapter moved = a.withSegment(segment.id()).withCarrier(true);
                boolean fits = range.isEmpty()
                        || a.addresses().stream()
                                .anyMatch(x -> range.get().contains(x.inForce().address()));
                if (fits) {
                    return moved;
                }
                Ipv4Address near = taken.stream()
                        .max(Comparator.naturalOrder())
                        .orElse(range.get().network());
                return FreeAddress.after(near, range.get(), taken)
                        .map(free -> {
                            taken.add(free);
                            return moved.withAddresses(List.of(new AdapterAddress(
                                    Setting.of(new HostAddress(free, range.get().prefixLength())),
                                    AddressOrigin.MANUAL)));
                        })
                        .orElse(moved);
            });
        }
        String what =
                adapters.size() == 1 ? "the " + plan.index().name(adapters.get(0)) : adapters.size() + " adapters";
        return Making.put("Put " + what + " on " + segment.name(), plan, after);
    }

    /** A cable between two things. */
    public static Edit cable(Plan plan, CableKind kind, Id<?> from, Id<?> to) {
        String name = plan.index().name(from) + " to " + plan.index().name(to);
        Id<Cable> id = Kind.CABLE.id(Ids.free(plan, "cable-" + (plan.cables().size() + 1)));
        Cable cable = new Cable(id, name, kind, from, to, true);
        return Making.put("Cable " + name, plan, plan.and(Kind.CABLE, cable));
    }

    /**
     * Lines behind a splitter, each with a driver of its own.
     *
     * @param branches 1 to 32
     * @throws IllegalArgumentException with a sentence, for a number outside the range
     */
    public static Edit split(Plan plan, Line line, Host splitter, int branches) {
        if (branches < 1 || branches > 32) {
            throw new IllegalArgumentException("A splitter has 1 to 32 branches, not " + branches + ".");
        }
        Ids ids = new Ids(plan);
        List<Line> lines = new ArrayList<>(plan.lines());
        for (int i = 1; i <= branches; i++) {
            lines.add(behind(ids, splitter, line, branches == 1 ? "" : " " + i));
        }
        String what = branches == 1 ? "a line" : branches + " lines";
        return Making.put(
                "Split " + line.name() + " by " + splitter.name() + " into " + what, plan, plan.with(Kind.LINE, lines));
    }

    /** A line by radio: the sender takes a line, and behind the receiver it goes on as another. */
    public static Edit air(Plan plan, Line line, Host sender, Host receiver) {
        Ids ids = new Ids(plan);
        List<Line> lines = new ArrayList<>(plan.lines());
        Line radio = behind(ids, sender, line, ", by radio");
        lines.add(radio);
        lines.add(behind(ids, receiver, radio, ""));
        return Making.put(
                "Pass " + line.name() + " on by radio from " + sender.name() + " to " + receiver.name(),
                plan,
                plan.with(Kind.LINE, lines));
    }

    private static Line behind(Ids ids, Host device, Line from, String suffix) {
        return new Line(
                Kind.LINE.id(ids.next(device.id().value() + ".line")),
                device.name() + " line" + suffix,
                from.port(),
                Optional.of(new Via(device.id(), from.id())));
    }

    /** What a box is fed by: one of its supplies, in place of those it had. */
    public static Edit supply(Host host, ProfileSupply supply) {
        return new Edit(
                "Power " + host.name() + " by " + supply.name(),
                p -> p.with(host.id(), h -> h.withPower(h.power().withSupplies(List.of(supply.name())))));
    }

    /** Binds purposes of an application to an adapter of its host. */
    public static Edit bind(Application application, Set<Purpose> purposes, Adapter adapter) {
        Binding binding = adapter.kind() == AdapterKind.LOOPBACK ? Binding.LOOPBACK : Binding.to(adapter.id());
        return new Edit(
                "Bind " + application.name() + " to " + adapter.name(),
                p -> p.with(application.id(), a -> {
                    Application bound = a;
                    for (Purpose purpose : purposes) {
                        bound = bound.withBinding(purpose, Setting.of(binding));
                    }
                    return bound;
                }));
    }

    /** A new segment with a range. */
    /**
     * One more adapter of a device, switched on and plugged in nowhere; its name says its kind: "Wi-Fi", "virtual", "loopback", else
     * wired.
     */
    public static Edit adapter(Plan plan, Host host, String name) {
        String plain = name.toLowerCase(Locale.ROOT);
        AdapterKind kind = plain.matches(".*(wi-?fi|wlan|wireless).*")
                ? AdapterKind.WIRELESS
                : plain.contains("virtual")
                        ? AdapterKind.VIRTUAL
                        : plain.contains("loopback") ? AdapterKind.LOOPBACK : AdapterKind.WIRED;
        Adapter added = new Adapter(
                Kind.ADAPTER.id(Ids.free(plan, host.id().value() + "." + plain.replaceAll("[^a-z0-9]+", "-"))),
                name,
                kind,
                Optional.empty(),
                Setting.of(true),
                kind == AdapterKind.VIRTUAL || kind == AdapterKind.LOOPBACK,
                List.of(),
                Optional.empty(),
                Optional.empty());
        return new Edit(
                "Add the adapter " + name + " to " + host.name(),
                p -> p.with(host.id(), h -> {
                    List<Adapter> adapters = new ArrayList<>(h.adapters());
                    adapters.add(added);
                    return h.withAdapters(adapters);
                }));
    }

    public static Edit segment(Plan plan, String name, Subnet range) {
        Id<Segment> id = Kind.SEGMENT.id(Ids.free(plan, Ids.of(name, "segment")));
        Segment segment = new Segment(id, name, Optional.of(range), false, false);
        return Making.put("Add the segment " + name + ", " + range, plan, plan.and(Kind.SEGMENT, segment));
    }

    /** OSC from one application to another, with the receiver's own address and port; the receiver is taken to act on it. */
    public static Edit control(Plan plan, Application from, Application to, String pattern) {
        OscInput osc = to.osc()
                .orElseThrow(() -> new IllegalArgumentException(to.name() + " is not described as taking OSC."));
        List<Id<Adapter>> listens = to.binding(Purpose.OSC_LISTEN).adapters();
        Ipv4Address address = plan.index().host(to.host()).adapters().stream()
                .filter(a -> listens.isEmpty() || listens.contains(a.id()))
                .flatMap(a -> a.addresses().stream())
                .map(a -> a.address().planned().address())
                .findFirst()
                .orElseThrow(() ->
                        new IllegalArgumentException(to.name() + " has no address yet, so nobody can send to it."));
        Ipv4Address destination = from.host().equals(to.host()) ? Ipv4Address.LOOPBACK : address;
        ControlLink link = new ControlLink(
                Kind.LINK.id(Ids.free(plan, from.id().value() + "-to-" + to.id().value())),
                from.name() + " to " + to.name(),
                from.id(),
                to.id(),
                Setting.of(destination),
                Setting.of(osc.port().planned()),
                pattern,
                Setting.of(true),
                false,
                Optional.empty());
        Plan after = plan.and(Kind.LINK, link)
                .with(
                        to.id(),
                        a -> osc.targets().contains(pattern)
                                ? a
                                : a.withOsc(new OscInput(
                                        osc.port(),
                                        osc.receiving(),
                                        osc.handling(),
                                        java.util.stream.Stream.concat(
                                                        osc.targets().stream(), java.util.stream.Stream.of(pattern))
                                                .toList())));
        return Making.put("Link " + from.name() + " to " + to.name() + " by OSC " + pattern, plan, after);
    }

    /** A console's own stream to a program; the two are taken to find each other and to run one version. */
    public static Edit attach(Plan plan, Application from, Application to) {
        Attachment attachment = new Attachment(
                Kind.ATTACHMENT.id(
                        Ids.free(plan, from.id().value() + "-into-" + to.id().value())),
                from.name() + " into " + to.name(),
                from.id(),
                to.id(),
                Setting.of(true),
                Setting.of(true),
                Optional.empty(),
                VersionRule.ANY,
                Optional.empty(),
                "");
        return Making.put(
                "Attach " + to.name() + " to " + from.name() + " by its own stream",
                plan,
                plan.and(Kind.ATTACHMENT, attachment));
    }
}
