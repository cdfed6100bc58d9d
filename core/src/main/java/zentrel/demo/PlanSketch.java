package zentrel.demo;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.ipv4.Subnet;
import zentrel.plan.*;
import zentrel.profile.AdapterKind;
import zentrel.profile.ApplicationKind;
import zentrel.profile.Direction;
import zentrel.profile.HostKind;
import zentrel.profile.Merge;
import zentrel.profile.OperatingSystem;
import zentrel.profile.PortKind;
import zentrel.profile.Protocol;

/** Puts a plan together step by step, with the usual values filled in; for plans that are made by a program. */
public final class PlanSketch {
    private final String name;
    private final List<Segment> segments = new ArrayList<>();
    private final List<Host> hosts = new ArrayList<>();
    private final List<Application> applications = new ArrayList<>();
    private final List<Universe> universes = new ArrayList<>();
    private final List<Stream> streams = new ArrayList<>();
    private final List<Receiver> receivers = new ArrayList<>();
    private final List<Line> lines = new ArrayList<>();
    private final List<FixtureType> types = new ArrayList<>();
    private final List<PatchList> lists = new ArrayList<>();
    private final List<Fixture> fixtures = new ArrayList<>();
    private final List<ControlLink> links = new ArrayList<>();
    private final List<TypedCopy> copies = new ArrayList<>();
    private final List<Session> sessions = new ArrayList<>();

    public PlanSketch(String name) {
        this.name = name;
    }

    public Plan plan() {
        return Plan.EMPTY
                .withName(name)
                .with(Kind.SEGMENT, segments)
                .with(Kind.HOST, hosts)
                .with(Kind.APPLICATION, applications)
                .with(Kind.UNIVERSE, universes)
                .with(Kind.STREAM, streams)
                .with(Kind.RECEIVER, receivers)
                .with(Kind.LINE, lines)
                .with(Kind.FIXTURE, fixtures)
                .with(Kind.LINK, links)
                .with(Kind.SESSION, sessions)
                .with(Kind.COPY, copies)
                .with(Kind.FIXTURE_TYPE, types)
                .with(Kind.PATCH_LIST, lists);
    }

    public PlanSketch segment(String id, String title, String subnet, boolean wayOut, boolean guests) {
        segments.add(new Segment(Kind.SEGMENT.id(id), title, Optional.of(Subnet.parse(subnet)), wayOut, guests));
        return this;
    }

    /** An adapter with one address set by hand. */
    public static Adapter adapter(String host, String title, String segment, String address) {
        return new Adapter(
                Kind.ADAPTER.id(host + "." + title.toLowerCase(java.util.Locale.ROOT)),
                title,
                AdapterKind.WIRED,
                Optional.of(Kind.SEGMENT.id(segment)),
                Setting.of(true),
                true,
                List.of(new AdapterAddress(Setting.of(HostAddress.parse(address)), AddressOrigin.MANUAL)),
                Optional.empty(),
                Optional.empty());
    }

    public PlanSketch host(
            String id,
            String title,
            HostKind kind,
            String place,
            OperatingSystem system,
            String profile,
            Adapter... adapters) {
        hosts.add(new Host(
                Kind.HOST.id(id),
                title,
                kind,
                place,
                system,
                Optional.of(profile),
                List.of(adapters),
                Firewall.OPEN,
                SourceCheck.NONE));
        return this;
    }

    public PlanSketch application(
            String id, String title, String host, ApplicationKind kind, String version, Map<Purpose, String> bindings) {
        Map<Purpose, Setting<Binding>> bound = new java.util.EnumMap<>(Purpose.class);
        bindings.forEach((purpose, adapter) -> bound.put(purpose, Setting.of(Binding.to(Kind.ADAPTER.id(adapter)))));
        applications.add(new Application(
                Kind.APPLICATION.id(id),
                title,
                Kind.HOST.id(host),
                kind,
                version.isEmpty() ? Optional.empty() : Optional.of(Setting.of(version)),
                bound,
                Map.of(),
                Map.of(),
                Optional.empty()));
        return this;
    }

    /** Changes the application that was added last. */
    public PlanSketch with(java.util.function.UnaryOperator<Application> change) {
        int last = applications.size() - 1;
        applications.set(last, change.apply(applications.get(last)));
        return this;
    }

    /** Changes the host that was added last. */
    public PlanSketch withHost(java.util.function.UnaryOperator<Host> change) {
        int last = hosts.size() - 1;
        hosts.set(last, change.apply(hosts.get(last)));
        return this;
    }

    public PlanSketch universe(String id, String title, int number) {
        universes.add(new Universe(Kind.UNIVERSE.id(id), title, number, false));
        return this;
    }

    public PlanSketch stream(
            String id,
            String application,
            String universe,
            Protocol protocol,
            Delivery delivery,
            int priority,
            boolean standby) {
        streams.add(new Stream(
                Kind.STREAM.id(id),
                Kind.APPLICATION.id(application),
                Kind.UNIVERSE.id(universe),
                protocol,
                Setting.of(true),
                standby,
                Optional.empty(),
                Optional.empty(),
                delivery,
                List.of(),
                Setting.of(priority),
                40,
                false));
        return this;
    }

    public static Port port(String id, String title, PortKind kind, Protocol protocol, int wire, String universe) {
        return new Port(
                Kind.PORT.id(id),
                title,
                kind,
                Setting.of(Direction.OUTPUT),
                Setting.of(true),
                Setting.of(protocol),
                Optional.of(Setting.of(wire)),
                universe.isEmpty() ? Optional.empty() : Optional.of(Kind.UNIVERSE.id(universe)));
    }

    public PlanSketch receiver(String id, String title, String application, Set<Protocol> protocols, List<Port> ports) {
        receivers.add(new Receiver(
                Kind.RECEIVER.id(id),
                title,
                Kind.APPLICATION.id(application),
                protocols,
                Setting.of(true),
                true,
                Merge.HTP,
                ports));
        return this;
    }

    public PlanSketch line(String id, String title, String port) {
        lines.add(new Line(Kind.LINE.id(id), title, Kind.PORT.id(port)));
        return this;
    }

    /** A fixture whose type says enough. */
    public PlanSketch fixture(
            String id, String number, String title, String place, String type, String line, Break... breaks) {
        return fixture(id, number, title, place, type, "", line, breaks);
    }

    public PlanSketch fixture(
            String id,
            String number,
            String title,
            String place,
            String type,
            String mode,
            String line,
            Break... breaks) {
        Fixture fixture = new Fixture(
                Kind.FIXTURE.id(id),
                number,
                title,
                place,
                type,
                line.isEmpty() ? Optional.empty() : Optional.of(Kind.LINE.id(line)),
                List.of(breaks),
                false);
        fixtures.add(fixture.withMode(mode));
        return this;
    }

    public PlanSketch link(
            String id,
            String title,
            String from,
            String to,
            String destination,
            int port,
            String message,
            boolean answer) {
        int space = message.indexOf(' ');
        String pattern = space < 0 ? message : message.substring(0, space);
        links.add(new ControlLink(
                Kind.LINK.id(id),
                title,
                Kind.APPLICATION.id(from),
                Kind.APPLICATION.id(to),
                Setting.of(Ipv4Address.parse(destination)),
                Setting.of(port),
                pattern,
                Setting.of(true),
                answer,
                Optional.empty(),
                LinkTransport.UDP,
                space < 0 ? "" : message.substring(space + 1),
                List.of(),
                List.of()));
        return this;
    }

    public PlanSketch session(String id, String title, String key, VersionRule versions, Session.Desk... members) {
        sessions.add(new Session(Kind.SESSION.id(id), title, key, versions, List.of(members)));
        return this;
    }

    /**
     * A type of fixture with one mode.
     *
     * @param slots what each slot does, with commas between
     */
    public PlanSketch fixtureType(String id, String title, String maker, String mode, String slots) {
        types.add(new FixtureType(
                Kind.FIXTURE_TYPE.id(id),
                title,
                maker,
                List.of(new FixtureMode(mode, List.of(List.of(slots.split(", ", -1)))))));
        return this;
    }

    /** The fixtures as a program lists them, which are those of the plan. */
    public PlanSketch patchList(String id, String title, String program) {
        Plan soFar = plan();
        List<PatchRow> rows = soFar.fixtures().stream()
                .map(f -> PatchRow.of(
                        f.number(),
                        f.name(),
                        f.type(),
                        f.mode(),
                        f.breaks().stream()
                                .map(b -> new PatchRow.SlotRun(
                                        soFar.index().universe(b.universe()).number(), b.start(), b.footprint()))
                                .toList()))
                .toList();
        lists.add(new PatchList(
                Kind.PATCH_LIST.id(id),
                title,
                Optional.of(Kind.APPLICATION.id(program)),
                List.of(
                        PatchColumn.NUMBER,
                        PatchColumn.LABEL,
                        PatchColumn.TYPE,
                        PatchColumn.MODE,
                        PatchColumn.UNIVERSE,
                        PatchColumn.SLOT,
                        PatchColumn.FOOTPRINT),
                new SlotStyle(SlotNotation.TOGETHER, 1),
                rows));
        return this;
    }

    /** What somebody typed in or printed once. */
    public PlanSketch copy(String id, String title, Id<?> owner, Id<?> of, String value) {
        copies.add(new TypedCopy(Kind.COPY.id(id), title, owner, of, Setting.of(value)));
        return this;
    }
}
