package zentrel.plan;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;

/**
 * Lookups in one plan, by id and by relation. Where a plan was read by {@code zentrel.file} every reference leads
 * somewhere; for a plan put together otherwise, a dangling reference makes the lookup throw with the missing id.
 */
public final class PlanIndex {
    /** Every kind of id, for asking whether a text is one of them. */
    private static final List<Function<String, Id>> KINDS = List.of(
            SegmentId::new,
            HostId::new,
            AdapterId::new,
            ApplicationId::new,
            UniverseId::new,
            StreamId::new,
            ReceiverId::new,
            PortId::new,
            LineId::new,
            FixtureId::new,
            LinkId::new,
            SessionId::new,
            CableId::new,
            CopyId::new);

    private final Map<Id, Object> byId;
    private final Map<AdapterId, Host> hostByAdapter = new HashMap<>();
    private final Map<PortId, Receiver> receiverByPort = new HashMap<>();
    private final Map<SegmentId, List<Adapter>> adaptersBySegment;
    private final Map<HostId, List<Application>> applicationsByHost;
    private final Map<UniverseId, List<Stream>> streamsByUniverse;
    private final Map<ApplicationId, List<Stream>> streamsByApplication;
    private final Map<ApplicationId, List<Receiver>> receiversByApplication;
    private final Map<PortId, List<Line>> linesByPort;
    private final Map<LineId, List<Fixture>> fixturesByLine = new HashMap<>();
    private final Map<UniverseId, List<Fixture>> fixturesByUniverse = new HashMap<>();
    private final Map<UniverseId, List<Port>> portsByUniverse = new LinkedHashMap<>();
    private final Map<PortId, Set<UniverseId>> universesByPort = new HashMap<>();
    private final Map<ApplicationId, Session> sessionByApplication = new HashMap<>();
    private final Map<String, Profile> profilesById = new HashMap<>();
    private final Map<Id, List<Cable>> cablesByEnd = new HashMap<>();

    PlanIndex(Plan plan) {
        // made large enough at once: an index is made for every edit
        byId = new HashMap<>(2
                        * (plan.fixtures().size()
                                + plan.streams().size()
                                + 8 * plan.hosts().size())
                + 64);
        for (Collection<? extends Named> group : List.of(
                plan.segments(),
                plan.hosts(),
                plan.applications(),
                plan.universes(),
                plan.receivers(),
                plan.lines(),
                plan.fixtures(),
                plan.links(),
                plan.attachments(),
                plan.sessions(),
                plan.cables(),
                plan.copies())) {
            for (Named item : group) {
                byId.put(item.id(), item);
            }
        }
        List<Adapter> adapters = new ArrayList<>();
        for (Host host : plan.hosts()) {
            for (Adapter adapter : host.adapters()) {
                byId.put(adapter.id(), adapter);
                hostByAdapter.put(adapter.id(), host);
                adapters.add(adapter);
            }
        }
        for (Stream stream : plan.streams()) {
            byId.put(stream.id(), stream);
        }
        for (Receiver receiver : plan.receivers()) {
            for (Port port : receiver.ports()) {
                byId.put(port.id(), port);
                receiverByPort.put(port.id(), receiver);
            }
        }
        adaptersBySegment = new HashMap<>();
        for (Adapter adapter : adapters) {
            adapter.segment()
                    .ifPresent(s -> adaptersBySegment
                            .computeIfAbsent(s, k -> new ArrayList<>())
                            .add(adapter));
        }
        applicationsByHost = grouped(plan.applications(), Application::host);
        streamsByUniverse = grouped(plan.streams(), Stream::universe);
        streamsByApplication = grouped(plan.streams(), Stream::application);
        receiversByApplication = grouped(plan.receivers(), Receiver::application);
        linesByPort = grouped(plan.lines(), Line::port);
        for (Fixture fixture : plan.fixtures()) {
            fixture.line()
                    .ifPresent(l -> fixturesByLine
                            .computeIfAbsent(l, k -> new ArrayList<>())
                            .add(fixture));
            List<Break> breaks = fixture.breaks();
            Set<UniverseId> universes =
                    breaks.size() == 1 ? Set.of(breaks.get(0).universe()) : universes(breaks);
            universes.forEach(u -> fixturesByUniverse
                    .computeIfAbsent(u, k -> new ArrayList<>())
                    .add(fixture));
        }
        for (Receiver receiver : plan.receivers()) {
            for (Port port : receiver.ports()) {
                Set<UniverseId> universes = meantFor(port);
                universesByPort.put(port.id(), universes);
                universes.forEach(u -> portsByUniverse
                        .computeIfAbsent(u, k -> new ArrayList<>())
                        .add(port));
            }
        }
        plan.profiles().forEach(p -> profilesById.put(p.id(), p));
        for (Cable cable : plan.cables()) {
            for (Id end : List.of(cable.from(), cable.to())) {
                cablesByEnd.computeIfAbsent(end, e -> new ArrayList<>(1)).add(cable);
            }
        }
        for (Session session : plan.sessions()) {
            session.members().forEach(m -> sessionByApplication.putIfAbsent(m.application(), session));
        }
    }

    private static Set<UniverseId> universes(List<Break> breaks) {
        Set<UniverseId> universes = new LinkedHashSet<>();
        breaks.forEach(b -> universes.add(b.universe()));
        return universes;
    }

    private Set<UniverseId> meantFor(Port port) {
        if (port.universe().isPresent()) {
            return Set.of(port.universe().get());
        }
        Set<UniverseId> universes = new LinkedHashSet<>();
        for (Line line : linesByPort.getOrDefault(port.id(), List.of())) {
            for (Fixture fixture : fixturesByLine.getOrDefault(line.id(), List.of())) {
                fixture.breaks().forEach(b -> universes.add(b.universe()));
            }
        }
        return universes;
    }

    private static <K, V> Map<K, List<V>> grouped(List<V> items, Function<V, K> key) {
        Map<K, List<V>> map = new HashMap<>();
        for (V item : items) {
            map.computeIfAbsent(key.apply(item), k -> new ArrayList<>()).add(item);
        }
        return map;
    }

    /** Whether anything of the plan has this text as its id. */
    boolean holds(String text) {
        return idOf(text).isPresent();
    }

    /** The id of whatever of the plan is called so. */
    public Optional<Id> idOf(String text) {
        return KINDS.stream().map(k -> k.apply(text)).filter(byId::containsKey).findFirst();
    }

    /** Whatever has this id, if the plan holds it. */
    public Optional<Object> find(Id id) {
        return Optional.ofNullable(byId.get(id));
    }

    /** Every id of the plan. */
    public Set<Id> ids() {
        return byId.keySet();
    }

    private <T> T get(Id id, Class<T> type) {
        Object found = byId.get(id);
        if (!type.isInstance(found)) {
            throw new IllegalArgumentException("The plan has no " + type.getSimpleName() + " \"" + id.value() + "\".");
        }
        return type.cast(found);
    }

    public Segment segment(SegmentId id) {
        return get(id, Segment.class);
    }

    public Host host(HostId id) {
        return get(id, Host.class);
    }

    public Adapter adapter(AdapterId id) {
        return get(id, Adapter.class);
    }

    public Application application(ApplicationId id) {
        return get(id, Application.class);
    }

    public Universe universe(UniverseId id) {
        return get(id, Universe.class);
    }

    public Stream stream(StreamId id) {
        return get(id, Stream.class);
    }

    public Port port(PortId id) {
        return get(id, Port.class);
    }

    public Receiver receiver(ReceiverId id) {
        return get(id, Receiver.class);
    }

    public Line line(LineId id) {
        return get(id, Line.class);
    }

    public Fixture fixture(FixtureId id) {
        return get(id, Fixture.class);
    }

    public ControlLink link(LinkId id) {
        return get(id, ControlLink.class);
    }

    public Attachment attachment(LinkId id) {
        return get(id, Attachment.class);
    }

    public Host hostOf(AdapterId id) {
        Host host = hostByAdapter.get(id);
        if (host == null) {
            throw new IllegalArgumentException("The plan has no adapter \"" + id.value() + "\".");
        }
        return host;
    }

    public Host hostOf(ApplicationId id) {
        return host(application(id).host());
    }

    public Receiver receiverOf(PortId id) {
        Receiver receiver = receiverByPort.get(id);
        if (receiver == null) {
            throw new IllegalArgumentException("The plan has no port \"" + id.value() + "\".");
        }
        return receiver;
    }

    public Application applicationOf(PortId id) {
        return application(receiverOf(id).application());
    }

    public List<Adapter> adaptersOn(SegmentId id) {
        return adaptersBySegment.getOrDefault(id, List.of());
    }

    public List<Application> applicationsOn(HostId id) {
        return applicationsByHost.getOrDefault(id, List.of());
    }

    public List<Stream> streamsOf(UniverseId id) {
        return streamsByUniverse.getOrDefault(id, List.of());
    }

    public List<Stream> streamsOf(ApplicationId id) {
        return streamsByApplication.getOrDefault(id, List.of());
    }

    public List<Receiver> receiversOf(ApplicationId id) {
        return receiversByApplication.getOrDefault(id, List.of());
    }

    public List<Line> linesOf(PortId id) {
        return linesByPort.getOrDefault(id, List.of());
    }

    public List<Fixture> fixturesOn(LineId id) {
        return fixturesByLine.getOrDefault(id, List.of());
    }

    public List<Fixture> fixturesIn(UniverseId id) {
        return fixturesByUniverse.getOrDefault(id, List.of());
    }

    /** The ports meant for a universe: those that say so, and those whose line's fixtures do. */
    public List<Port> portsOf(UniverseId id) {
        return portsByUniverse.getOrDefault(id, List.of());
    }

    /** The universes a port is meant for: as it says, else those of the fixtures on its line. */
    public Set<UniverseId> universesOf(PortId id) {
        return universesByPort.getOrDefault(id, Set.of());
    }

    /** Whether a host has a port that is meant for a universe. */
    public boolean takes(HostId host, UniverseId universe) {
        return portsOf(universe).stream()
                .anyMatch(p -> applicationOf(p.id()).host().equals(host));
    }

    public Cable cable(CableId id) {
        return get(id, Cable.class);
    }

    public TypedCopy copy(CopyId id) {
        return get(id, TypedCopy.class);
    }

    /** The cables that end at something. */
    public List<Cable> cablesOf(Id end) {
        return cablesByEnd.getOrDefault(end, List.of());
    }

    public Optional<Profile> profile(String id) {
        return Optional.ofNullable(profilesById.get(id));
    }

    /** The profile that a host was made from, as far as the plan carries it. */
    public Optional<Profile> profileOf(Host host) {
        return host.profile().flatMap(this::profile);
    }

    /** What the profile of an application says of it: its own profile's, else its host's. */
    public Optional<ProfileApplication> profileOf(Application application) {
        return application
                .installed()
                .profile()
                .flatMap(this::profile)
                .or(() -> profileOf(host(application.host())))
                .flatMap(p -> p.applications().stream()
                        .filter(a -> a.kind() == application.kind())
                        .findFirst());
    }

    public Optional<Session> sessionOf(ApplicationId id) {
        return Optional.ofNullable(sessionByApplication.get(id));
    }

    /** The part an application plays in its session, if it is in one. */
    public Optional<Part> partOf(ApplicationId id) {
        return sessionOf(id)
                .flatMap(s -> s.members().stream()
                        .filter(m -> m.application().equals(id))
                        .map(Session.Member::part)
                        .findFirst());
    }

    /** The wire number a stream is sent as now; empty where no range of its application covers its label. */
    public Optional<Integer> wireOf(Stream stream) {
        if (stream.wire().isPresent()) {
            return Optional.of(stream.wire().get().inForce());
        }
        int label = labelOf(stream);
        return application(stream.application()).output(stream.protocol()).wire(label);
    }

    /** What its application calls the universe of a stream. */
    public int labelOf(Stream stream) {
        return stream.label().orElseGet(() -> universe(stream.universe()).number());
    }

    /** The name people use for a thing; its id where it has none. */
    public String name(Id id) {
        Object found = byId.get(id);
        if (found instanceof Port port) {
            return port.name() + " of " + receiverOf(port.id()).name();
        }
        if (found instanceof Adapter adapter) {
            return adapter.name() + " adapter of " + hostOf(adapter.id()).name();
        }
        if (found instanceof Stream stream) {
            return application(stream.application()).name() + "'s "
                    + universe(stream.universe()).label() + " by "
                    + stream.protocol().title();
        }
        if (found instanceof Named named) {
            return named.name();
        }
        return id.value();
    }
}
