package zentrel.plan;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.CompletableFuture;
import java.util.function.BiConsumer;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;

/**
 * Lookups in one plan, by id and by relation. Where a plan was read by {@code zentrel.file} every reference leads
 * somewhere; for a plan put together otherwise, a dangling reference makes the lookup throw with the missing id.
 */
public final class PlanIndex {
    /** Boxes from which on lookups are worked out on two processors; for fewer that takes longer. */
    private static final int MANY = 1000;

    private final Plan plan;
    private final Layered<Id, Object> all;
    private final Layered<AdapterId, Host> hostByAdapter;
    private final Layered<PortId, Receiver> receiverByPort;
    private final Grouped<SegmentId, Adapter> adaptersBySegment;
    private final Grouped<HostId, Application> applicationsByHost;
    private final Grouped<UniverseId, Stream> streamsByUniverse;
    private final Grouped<ApplicationId, Stream> streamsByApplication;
    private final Grouped<ApplicationId, Receiver> receiversByApplication;
    private final Grouped<PortId, Line> linesByPort;
    private final Grouped<LineId, Fixture> fixturesByLine;
    private final Grouped<UniverseId, Fixture> fixturesByUniverse;
    private final PortsMeant portsMeant;
    private final Map<UniverseId, Integer> places;
    private final Map<ApplicationId, Session> sessionByApplication;
    private final Map<String, Profile> profilesById;
    private final Grouped<Id, Cable> cablesByEnd;

    /** Worked out when first asked for. */
    private volatile @Nullable Set<String> sharedNames;

    /**
     * Works it out.
     *
     * @param before that of the plan which an edit was made to; what the edit left alone is taken over from it
     */
    PlanIndex(Plan plan, @Nullable PlanIndex before) {
        this.plan = plan;
        @Nullable Plan then = before == null ? null : before.plan;
        if (before == null || then == null) {
            // the largest by far, and apart from all others: in a large plan a second processor does it meanwhile
            CompletableFuture<Layered<Id, Object>> ids = plan.hosts().size() < MANY
                    ? CompletableFuture.completedFuture(everything(plan))
                    : CompletableFuture.supplyAsync(() -> everything(plan));
            hostByAdapter = Layered.of(hostByAdapter(plan));
            receiverByPort = Layered.of(receiverByPort(plan));
            adaptersBySegment = Grouped.of(adapters(plan), PlanIndex::segmentOf);
            applicationsByHost = Grouped.of(plan.applications(), a -> List.of(a.host()));
            streamsByUniverse = Grouped.of(plan.streams(), s -> List.of(s.universe()));
            streamsByApplication = Grouped.of(plan.streams(), s -> List.of(s.application()));
            receiversByApplication = Grouped.of(plan.receivers(), r -> List.of(r.application()));
            linesByPort = Grouped.of(plan.lines(), l -> List.of(l.port()));
            fixturesByLine = Grouped.of(plan.fixtures(), PlanIndex::lineOf);
            fixturesByUniverse = Grouped.of(plan.fixtures(), Fixture::universes);
            cablesByEnd = Grouped.of(plan.cables(), c -> List.of(c.from(), c.to()));
            portsMeant = PortsMeant.of(plan, linesByPort, fixturesByLine);
            all = ids.join();
        } else {
            all = before.all.with(before.changesTo(plan));
            hostByAdapter = before.hostByAdapter.with(
                    changes(ListChange.of(then.hosts(), plan.hosts()), Host::adapters, Adapter::id));
            receiverByPort = before.receiverByPort.with(
                    changes(ListChange.of(then.receivers(), plan.receivers()), Receiver::ports, Port::id));
            adaptersBySegment = ListChange.same(then.hosts(), plan.hosts())
                    ? before.adaptersBySegment
                    : before.adaptersBySegment.after(adapters(then), adapters(plan), PlanIndex::segmentOf);
            applicationsByHost =
                    before.applicationsByHost.after(then.applications(), plan.applications(), a -> List.of(a.host()));
            streamsByUniverse =
                    before.streamsByUniverse.after(then.streams(), plan.streams(), s -> List.of(s.universe()));
            streamsByApplication =
                    before.streamsByApplication.after(then.streams(), plan.streams(), s -> List.of(s.application()));
            receiversByApplication = before.receiversByApplication.after(
                    then.receivers(), plan.receivers(), r -> List.of(r.application()));
            linesByPort = before.linesByPort.after(then.lines(), plan.lines(), l -> List.of(l.port()));
            fixturesByLine = before.fixturesByLine.after(then.fixtures(), plan.fixtures(), PlanIndex::lineOf);
            fixturesByUniverse = before.fixturesByUniverse.after(then.fixtures(), plan.fixtures(), Fixture::universes);
            cablesByEnd = before.cablesByEnd.after(then.cables(), plan.cables(), c -> List.of(c.from(), c.to()));
            portsMeant = before.portsMeant.after(then, plan, linesByPort, fixturesByLine, all::get);
        }
        places = before != null && ListChange.same(before.plan.universes(), plan.universes())
                ? before.places
                : places(plan);
        profilesById = new HashMap<>();
        for (Profile profile : plan.profiles()) {
            profilesById.put(profile.id(), profile);
        }
        sessionByApplication = new HashMap<>();
        for (Session session : plan.sessions()) {
            for (Session.Member member : session.members()) {
                sessionByApplication.putIfAbsent(member.application(), session);
            }
        }
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

    private static Layered<Id, Object> everything(Plan plan) {
        // made large enough at once and no larger: it grows to hundreds of thousands, and what is spread out is slow to
        // reach
        int size = plan.streams().size();
        for (List<? extends Named> shelf : shelves(plan)) {
            size += shelf.size();
        }
        for (Host host : plan.hosts()) {
            size += 1 + host.adapters().size();
        }
        for (Receiver receiver : plan.receivers()) {
            size += 1 + receiver.ports().size();
        }
        Map<Id, Object> all = sized(size);
        each(shelves(plan), plan.streams(), plan.hosts(), plan.receivers(), all::put);
        return Layered.of(all);
    }

    /** What is otherwise in a plan that came of this one by an edit; empty what is gone. */
    private Map<Id, Optional<Object>> changesTo(Plan after) {
        List<List<? extends Named>> old = shelves(plan);
        List<List<? extends Named>> now = shelves(after);
        List<List<? extends Named>> gone = new ArrayList<>();
        List<List<? extends Named>> come = new ArrayList<>();
        for (int i = 0; i < old.size(); i++) {
            ListChange<? extends Named> change = ListChange.<Named>of(List.copyOf(old.get(i)), List.copyOf(now.get(i)));
            gone.add(change.gone());
            come.add(change.come());
        }
        ListChange<Stream> streams = ListChange.of(plan.streams(), after.streams());
        ListChange<Host> hosts = ListChange.of(plan.hosts(), after.hosts());
        ListChange<Receiver> receivers = ListChange.of(plan.receivers(), after.receivers());
        Map<Id, Optional<Object>> changes = new HashMap<>();
        // all that is gone first, for what was moved to another box or list has come with it
        each(gone, streams.gone(), hosts.gone(), receivers.gone(), (id, x) -> changes.put(id, Optional.empty()));
        each(come, streams.come(), hosts.come(), receivers.come(), (id, x) -> changes.put(id, Optional.of(x)));
        return changes;
    }

    private static void each(
            List<List<? extends Named>> shelves,
            List<Stream> streams,
            List<Host> hosts,
            List<Receiver> receivers,
            BiConsumer<Id, Object> to) {
        for (List<? extends Named> shelf : shelves) {
            for (Named item : shelf) {
                to.accept(item.id(), item);
            }
        }
        for (Stream stream : streams) {
            to.accept(stream.id(), stream);
        }
        for (Host host : hosts) {
            to.accept(host.id(), host);
            for (Adapter adapter : host.adapters()) {
                to.accept(adapter.id(), adapter);
            }
        }
        for (Receiver receiver : receivers) {
            to.accept(receiver.id(), receiver);
            for (Port port : receiver.ports()) {
                to.accept(port.id(), port);
            }
        }
    }

    // --- by relation ---

    /** Which of some boxes has each of its parts, after an edit of the boxes. */
    private static <K, B, P> Map<K, Optional<B>> changes(
            ListChange<B> boxes, Function<B, List<P>> parts, Function<P, K> id) {
        Map<K, Optional<B>> changes = new HashMap<>();
        for (B box : boxes.gone()) {
            for (P part : parts.apply(box)) {
                changes.put(id.apply(part), Optional.empty());
            }
        }
        for (B box : boxes.come()) {
            for (P part : parts.apply(box)) {
                changes.put(id.apply(part), Optional.of(box));
            }
        }
        return changes;
    }

    /** A map with room for so many, at the usual load of three quarters. */
    private static <K, V> Map<K, V> sized(int size) {
        return new HashMap<>(size * 4 / 3 + 1);
    }

    private static Map<AdapterId, Host> hostByAdapter(Plan plan) {
        Map<AdapterId, Host> hosts = sized(plan.hosts().size());
        for (Host host : plan.hosts()) {
            for (Adapter adapter : host.adapters()) {
                hosts.put(adapter.id(), host);
            }
        }
        return hosts;
    }

    private static Map<PortId, Receiver> receiverByPort(Plan plan) {
        Map<PortId, Receiver> receivers = new HashMap<>();
        for (Receiver receiver : plan.receivers()) {
            for (Port port : receiver.ports()) {
                receivers.put(port.id(), receiver);
            }
        }
        return receivers;
    }

    private static List<Adapter> adapters(Plan plan) {
        List<Adapter> adapters = new ArrayList<>();
        for (Host host : plan.hosts()) {
            adapters.addAll(host.adapters());
        }
        return adapters;
    }

    private static List<SegmentId> segmentOf(Adapter adapter) {
        return adapter.segment().isPresent() ? List.of(adapter.segment().get()) : List.of();
    }

    private static List<LineId> lineOf(Fixture fixture) {
        return fixture.lines();
    }

    private static Map<UniverseId, Integer> places(Plan plan) {
        Map<UniverseId, Integer> places = sized(plan.universes().size());
        for (Universe universe : plan.universes()) {
            places.put(universe.id(), places.size());
        }
        return places;
    }

    /** At which place of the plan's list a universe stands, from 0; -1 if it is not there. */
    public int placeOf(UniverseId id) {
        return places.getOrDefault(id, -1);
    }

    /** Every kind of id; of its own, because it is wanted only where somebody names a thing. */
    private static final class Kinds {
        private static final List<Function<String, Id>> ALL = List.of(
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
    }

    /** Whether anything of the plan has this text as its id. */
    boolean holds(String text) {
        return idOf(text).isPresent();
    }

    /** The id of whatever of the plan is called so. */
    public Optional<Id> idOf(String text) {
        if (!Id.isValid(text)) {
            return Optional.empty(); // nobody has an id that none may be
        }
        return Kinds.ALL.stream()
                .map(k -> k.apply(text))
                .filter(id -> all.get(id) != null)
                .findFirst();
    }

    /** Whatever has this id, if the plan holds it. */
    public Optional<Object> find(Id id) {
        return Optional.ofNullable(all.get(id));
    }

    /** Every id of the plan. */
    public Set<Id> ids() {
        return all.keys();
    }

    private <T> T get(Id id, Class<T> type) {
        Object found = all.get(id);
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
        return adaptersBySegment.get(id);
    }

    public List<Application> applicationsOn(HostId id) {
        return applicationsByHost.get(id);
    }

    public List<Stream> streamsOf(UniverseId id) {
        return streamsByUniverse.get(id);
    }

    public List<Stream> streamsOf(ApplicationId id) {
        return streamsByApplication.get(id);
    }

    public List<Receiver> receiversOf(ApplicationId id) {
        return receiversByApplication.get(id);
    }

    public List<Line> linesOf(PortId id) {
        return linesByPort.get(id);
    }

    public List<Fixture> fixturesOn(LineId id) {
        return fixturesByLine.get(id);
    }

    public List<Fixture> fixturesIn(UniverseId id) {
        return fixturesByUniverse.get(id);
    }

    /** The ports meant for a universe: those that say so, and those whose line's fixtures do. */
    public List<Port> portsOf(UniverseId id) {
        return portsMeant.of(id);
    }

    /** The universes a port is meant for: as it says, else those of the fixtures on its line. */
    public Set<UniverseId> universesOf(PortId id) {
        return portsMeant.universesOf(id);
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
        return cablesByEnd.get(end);
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

    /** The name people use for an adapter of a host. */
    private static boolean isNamed(Named thing) {
        return !thing.name().equals(thing.id().value());
    }

    private String nameOf(Application application) {
        String device = host(application.host()).name();
        if (!isNamed(application)) {
            return device;
        }
        return sharedNames().contains(application.name()) && !application.name().equals(device)
                ? application.name() + " on " + device
                : application.name();
    }

    /** The names that several programs have. */
    public Set<String> sharedNames() {
        Set<String> known = sharedNames;
        if (known == null) {
            Set<String> once = new HashSet<>();
            known = new HashSet<>();
            for (Application each : plan.applications()) {
                if (!once.add(each.name())) {
                    known.add(each.name());
                }
            }
            sharedNames = known;
        }
        return known;
    }

    public static String name(Adapter adapter, Host host) {
        return adapter.name() + " adapter of " + host.name();
    }

    /**
     * The name people use for a thing. What has none of its own is called by the program or device that it belongs to, and of two
     * programs with one name each is called with its device.
     */
    public String name(Id id) {
        Object found = all.get(id);
        if (found instanceof Application application) {
            return nameOf(application);
        }
        if (found instanceof Receiver receiver) {
            return isNamed(receiver) ? receiver.name() : nameOf(application(receiver.application()));
        }
        if (found instanceof Port port) {
            String own = isNamed(port)
                    ? port.name()
                    : "Port " + (receiverOf(port.id()).ports().indexOf(port) + 1);
            return own + " of " + name(receiverOf(port.id()).id());
        }
        if (found instanceof Line line && !isNamed(line)) {
            return "the line of " + name(line.port());
        }
        if (found instanceof ControlLink link && !isNamed(link)) {
            return name(link.from()) + " to " + name(link.to());
        }
        if (found instanceof Attachment attachment && !isNamed(attachment)) {
            return name(attachment.from()) + " to " + name(attachment.to());
        }
        if (found instanceof Adapter adapter) {
            return name(adapter, hostOf(adapter.id()));
        }
        if (found instanceof Stream stream) {
            return nameOf(application(stream.application())) + "'s "
                    + universe(stream.universe()).label() + " by "
                    + stream.protocol().title();
        }
        if (found instanceof Named named) {
            return named.name();
        }
        return id.value();
    }
}
