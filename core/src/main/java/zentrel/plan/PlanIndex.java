package zentrel.plan;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;

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

    /** Changes after which everything is looked up anew instead of on top of what was. */
    private static final int MOST_CHANGES = 2000;

    /** In place of what is gone. */
    private static final Object GONE = new Object();

    private final Plan plan;
    private final Map<Id, Object> base;
    private final Map<Id, Object> changed;
    private final Map<AdapterId, Host> hostByAdapter;
    private final Map<PortId, Receiver> receiverByPort;
    private final Map<SegmentId, List<Adapter>> adaptersBySegment;
    private final Map<HostId, List<Application>> applicationsByHost;
    private final Map<UniverseId, List<Stream>> streamsByUniverse;
    private final Map<ApplicationId, List<Stream>> streamsByApplication;
    private final Map<ApplicationId, List<Receiver>> receiversByApplication;
    private final Map<PortId, List<Line>> linesByPort;
    private final Map<LineId, List<Fixture>> fixturesByLine;
    private final Map<UniverseId, List<Fixture>> fixturesByUniverse;
    private final Map<UniverseId, List<Port>> portsByUniverse;
    private final Map<PortId, Set<UniverseId>> universesByPort;
    private final Map<ApplicationId, Session> sessionByApplication;
    private final Map<String, Profile> profilesById;
    private final Map<Id, List<Cable>> cablesByEnd;

    /**
     * Works it out.
     *
     * @param before that of the plan which an edit was made to; what the edit left alone is taken over from it
     */
    PlanIndex(Plan plan, @Nullable PlanIndex before) {
        this.plan = plan;
        boolean hosts = before != null && same(before.plan.hosts(), plan.hosts());
        boolean applications = before != null && same(before.plan.applications(), plan.applications());
        boolean streams = before != null && same(before.plan.streams(), plan.streams());
        boolean receivers = before != null && same(before.plan.receivers(), plan.receivers());
        boolean lines = before != null && same(before.plan.lines(), plan.lines());
        boolean fixtures = before != null && same(before.plan.fixtures(), plan.fixtures());
        Map<Id, Object> changes = before == null ? null : before.changesTo(plan);
        if (before != null && changes != null && changes.size() <= MOST_CHANGES) {
            base = before.base;
            changed = changes;
        } else {
            base = everything(plan);
            changed = Map.of();
        }
        hostByAdapter = before != null && hosts ? before.hostByAdapter : new HashMap<>();
        adaptersBySegment = before != null && hosts ? before.adaptersBySegment : new HashMap<>();
        if (!hosts) {
            hosts();
        }
        applicationsByHost = before != null && applications
                ? before.applicationsByHost
                : grouped(plan.applications(), Application::host);
        streamsByUniverse =
                before != null && streams ? before.streamsByUniverse : grouped(plan.streams(), Stream::universe);
        streamsByApplication =
                before != null && streams ? before.streamsByApplication : grouped(plan.streams(), Stream::application);
        receiversByApplication = before != null && receivers
                ? before.receiversByApplication
                : grouped(plan.receivers(), Receiver::application);
        receiverByPort = before != null && receivers ? before.receiverByPort : new HashMap<>();
        if (!receivers) {
            plan.receivers().forEach(r -> r.ports().forEach(p -> receiverByPort.put(p.id(), r)));
        }
        linesByPort = before != null && lines ? before.linesByPort : grouped(plan.lines(), Line::port);
        fixturesByLine = before != null && fixtures ? before.fixturesByLine : new HashMap<>();
        fixturesByUniverse = before != null && fixtures ? before.fixturesByUniverse : new HashMap<>();
        if (!fixtures) {
            fixtures();
        }
        boolean ports = receivers && lines && fixtures;
        portsByUniverse = before != null && ports ? before.portsByUniverse : new LinkedHashMap<>();
        universesByPort = before != null && ports ? before.universesByPort : new HashMap<>();
        if (!ports) {
            ports();
        }
        boolean profiles = before != null && same(before.plan.profiles(), plan.profiles());
        profilesById = before != null && profiles ? before.profilesById : new HashMap<>();
        if (!profiles) {
            plan.profiles().forEach(p -> profilesById.put(p.id(), p));
        }
        boolean cables = before != null && same(before.plan.cables(), plan.cables());
        cablesByEnd = before != null && cables ? before.cablesByEnd : new HashMap<>();
        if (!cables) {
            for (Cable cable : plan.cables()) {
                for (Id end : List.of(cable.from(), cable.to())) {
                    cablesByEnd.computeIfAbsent(end, e -> new ArrayList<>(1)).add(cable);
                }
            }
        }
        boolean sessions = before != null && same(before.plan.sessions(), plan.sessions());
        sessionByApplication = before != null && sessions ? before.sessionByApplication : new HashMap<>();
        if (!sessions) {
            for (Session session : plan.sessions()) {
                session.members().forEach(m -> sessionByApplication.putIfAbsent(m.application(), session));
            }
        }
    }

    /** By identity: an edit shares the lists that it leaves alone. */
    @SuppressWarnings("ReferenceEquality")
    private static boolean same(List<?> before, List<?> after) {
        return before == after;
    }

    // --- by id ---

    private static List<List<? extends Named>> shelves(Plan plan) {
        return List.of(
                plan.segments(),
                plan.applications(),
                plan.universes(),
                plan.lines(),
                plan.fixtures(),
                plan.links(),
                plan.attachments(),
                plan.sessions(),
                plan.cables(),
                plan.copies());
    }

    private static Map<Id, Object> everything(Plan plan) {
        // made large enough at once: it grows to hundreds of thousands
        Map<Id, Object> all = new HashMap<>(2
                        * (plan.fixtures().size()
                                + plan.streams().size()
                                + 8 * plan.hosts().size())
                + 64);
        shelves(plan).forEach(shelf -> shelf.forEach(item -> all.put(item.id(), item)));
        plan.hosts().forEach(h -> put(all, h));
        plan.receivers().forEach(r -> put(all, r));
        plan.streams().forEach(s -> all.put(s.id(), s));
        return all;
    }

    private static void put(Map<Id, Object> all, Host host) {
        all.put(host.id(), host);
        host.adapters().forEach(a -> all.put(a.id(), a));
    }

    private static void put(Map<Id, Object> all, Receiver receiver) {
        all.put(receiver.id(), receiver);
        receiver.ports().forEach(p -> all.put(p.id(), p));
    }

    /** What is otherwise than in the base, for a plan that came of this one by an edit. */
    private Map<Id, Object> changesTo(Plan after) {
        Map<Id, Object> changes = new HashMap<>(changed);
        List<List<? extends Named>> old = shelves(plan);
        List<List<? extends Named>> now = shelves(after);
        for (int i = 0; i < old.size(); i++) {
            ListChange<Named> change = ListChange.of(List.<Named>copyOf(old.get(i)), List.<Named>copyOf(now.get(i)));
            change.gone().forEach(x -> changes.put(x.id(), GONE));
            change.come().forEach(x -> changes.put(x.id(), x));
        }
        ListChange<Host> hosts = ListChange.of(plan.hosts(), after.hosts());
        hosts.gone().forEach(h -> {
            changes.put(h.id(), GONE);
            h.adapters().forEach(a -> changes.put(a.id(), GONE));
        });
        hosts.come().forEach(h -> put(changes, h));
        ListChange<Receiver> receivers = ListChange.of(plan.receivers(), after.receivers());
        receivers.gone().forEach(r -> {
            changes.put(r.id(), GONE);
            r.ports().forEach(p -> changes.put(p.id(), GONE));
        });
        receivers.come().forEach(r -> put(changes, r));
        ListChange<Stream> streams = ListChange.of(plan.streams(), after.streams());
        streams.gone().forEach(s -> changes.put(s.id(), GONE));
        streams.come().forEach(s -> changes.put(s.id(), s));
        return changes;
    }

    private @Nullable Object byId(Id id) {
        Object here = changed.get(id);
        return here == null ? base.get(id) : here.equals(GONE) ? null : here;
    }

    // --- by relation ---

    private void hosts() {
        for (Host host : plan.hosts()) {
            for (Adapter adapter : host.adapters()) {
                hostByAdapter.put(adapter.id(), host);
                adapter.segment()
                        .ifPresent(s -> adaptersBySegment
                                .computeIfAbsent(s, k -> new ArrayList<>())
                                .add(adapter));
            }
        }
    }

    private void fixtures() {
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
    }

    private void ports() {
        for (Receiver receiver : plan.receivers()) {
            for (Port port : receiver.ports()) {
                Set<UniverseId> universes = meantFor(port);
                universesByPort.put(port.id(), universes);
                universes.forEach(u -> portsByUniverse
                        .computeIfAbsent(u, k -> new ArrayList<>())
                        .add(port));
            }
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
        return KINDS.stream()
                .map(k -> k.apply(text))
                .filter(id -> byId(id) != null)
                .findFirst();
    }

    /** Whatever has this id, if the plan holds it. */
    public Optional<Object> find(Id id) {
        return Optional.ofNullable(byId(id));
    }

    /** Every id of the plan. */
    public Set<Id> ids() {
        Set<Id> ids = new HashSet<>(base.keySet());
        changed.forEach((id, found) -> {
            if (found.equals(GONE)) {
                ids.remove(id);
            } else {
                ids.add(id);
            }
        });
        return ids;
    }

    private <T> T get(Id id, Class<T> type) {
        Object found = byId(id);
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
        Object found = byId(id);
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
