package zentrel.plan;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.CompletableFuture;
import org.jspecify.annotations.Nullable;

/**
 * Lookups in one plan, by id and by relation. Where a plan was read by {@code zentrel.file} every reference leads
 * somewhere; for a plan put together otherwise, a dangling reference makes the lookup throw with the missing id.
 */
public final class PlanIndex {
    /** Devices from which on lookups are worked out on two processors; for fewer that takes longer. */
    private static final int MANY = 1000;

    private final Plan plan;
    private final ById all;
    private final Grouped<Id<Segment>, Adapter> adaptersBySegment;
    private final Grouped<Id<Host>, Application> applicationsByHost;
    private final Grouped<Id<Universe>, Stream> streamsByUniverse;
    private final Grouped<Id<Application>, Stream> streamsByApplication;
    private final Grouped<Id<Application>, Receiver> receiversByApplication;
    private final Grouped<Id<Port>, Line> linesByPort;
    private final Grouped<Id<Line>, Fixture> fixturesByLine;
    private final Grouped<Id<Universe>, Fixture> fixturesByUniverse;
    private final Grouped<Id<?>, Cable> cablesByEnd;
    private final PortsMeant portsMeant;
    private final Map<Id<Universe>, Integer> places;
    private final Map<Id<Application>, Session> sessionByApplication;
    private final Map<String, Profile> profilesById;
    private final Naming naming = new Naming(this);

    /**
     * Works it out.
     *
     * @param before that of the plan which an edit was made to; what the edit left alone is taken over from it
     */
    PlanIndex(Plan plan, @Nullable PlanIndex before) {
        this.plan = plan;
        if (before == null) {
            // the largest by far, and apart from all others: in a large plan a second processor does it meanwhile
            CompletableFuture<ById> ids = plan.hosts().size() < MANY
                    ? CompletableFuture.completedFuture(ById.of(plan))
                    : CompletableFuture.supplyAsync(() -> ById.of(plan));
            adaptersBySegment = Grouped.of(adapters(plan), PlanIndex::segmentOf);
            applicationsByHost = Grouped.of(plan.applications(), a -> List.of(a.host()));
            streamsByUniverse = Grouped.of(plan.streams(), s -> List.of(s.universe()));
            streamsByApplication = Grouped.of(plan.streams(), s -> List.of(s.application()));
            receiversByApplication = Grouped.of(plan.receivers(), r -> List.of(r.application()));
            linesByPort = Grouped.of(plan.lines(), l -> List.of(l.port()));
            fixturesByLine = Grouped.of(plan.fixtures(), Fixture::lines);
            fixturesByUniverse = Grouped.of(plan.fixtures(), Fixture::universes);
            cablesByEnd = Grouped.of(plan.cables(), c -> List.of(c.from(), c.to()));
            portsMeant = PortsMeant.of(plan, linesByPort, fixturesByLine);
            all = ids.join();
        } else {
            Plan then = before.plan;
            all = before.all.after(then, plan);
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
            fixturesByLine = before.fixturesByLine.after(then.fixtures(), plan.fixtures(), Fixture::lines);
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

    private static List<Adapter> adapters(Plan plan) {
        List<Adapter> adapters = new ArrayList<>();
        for (Host host : plan.hosts()) {
            adapters.addAll(host.adapters());
        }
        return adapters;
    }

    private static List<Id<Segment>> segmentOf(Adapter adapter) {
        return adapter.segment().map(List::of).orElse(List.of());
    }

    private static Map<Id<Universe>, Integer> places(Plan plan) {
        Map<Id<Universe>, Integer> places = new HashMap<>(plan.universes().size() * 4 / 3 + 1);
        for (Universe universe : plan.universes()) {
            places.put(universe.id(), places.size());
        }
        return places;
    }

    Plan plan() {
        return plan;
    }

    // --- by id ---

    /** At which place of the plan's list a universe stands, from 0; -1 if it is not there. */
    public int placeOf(Id<Universe> id) {
        return places.getOrDefault(id, -1);
    }

    /** Whether anything of the plan has this text as its id. */
    boolean holds(String text) {
        return idOf(text).isPresent();
    }

    /** The id of whatever of the plan is called so. */
    public Optional<Id<?>> idOf(String text) {
        if (!Id.isValid(text)) {
            return Optional.empty(); // nobody has an id that none may be
        }
        return Kind.ALL.stream()
                .<Id<?>>map(kind -> kind.id(text))
                .filter(id -> all.get(id) != null)
                .findFirst();
    }

    /** Whatever has this id, if the plan holds it. */
    @SuppressWarnings("unchecked")
    public <E> Optional<E> find(Id<E> id) {
        return Optional.ofNullable((E) all.get(id));
    }

    /** Every id of the plan. */
    public Set<Id<?>> ids() {
        return all.ids();
    }

    /**
     * What has this id.
     *
     * @throws IllegalArgumentException with a sentence, where the plan has none
     */
    public <E> E get(Id<E> id) {
        return find(id).orElseThrow(() -> missing(id));
    }

    private static IllegalArgumentException missing(Id<?> id) {
        return new IllegalArgumentException("The plan has no " + id.kind() + " \"" + id.value() + "\".");
    }

    public Segment segment(Id<Segment> id) {
        return get(id);
    }

    public Host host(Id<Host> id) {
        return get(id);
    }

    public Adapter adapter(Id<Adapter> id) {
        return get(id);
    }

    public Application application(Id<Application> id) {
        return get(id);
    }

    public Universe universe(Id<Universe> id) {
        return get(id);
    }

    public Stream stream(Id<Stream> id) {
        return get(id);
    }

    public Port port(Id<Port> id) {
        return get(id);
    }

    public Receiver receiver(Id<Receiver> id) {
        return get(id);
    }

    public Line line(Id<Line> id) {
        return get(id);
    }

    public Fixture fixture(Id<Fixture> id) {
        return get(id);
    }

    // --- what belongs to what ---

    /**
     * The device of an adapter, a program, an input or a port; a device's is itself.
     *
     * @throws IllegalArgumentException with a sentence, for anything else
     */
    public Host hostOf(Id<?> id) {
        return hostAt(id).orElseThrow(() -> missing(id));
    }

    /** As {@link #hostOf}; empty for what is of no device. */
    public Optional<Host> hostAt(Id<?> id) {
        Object found = all.get(id);
        if (found instanceof Host host) {
            return Optional.of(host);
        }
        if (found instanceof Adapter) {
            return Optional.of((Host) owner(id));
        }
        if (found instanceof Port) {
            return hostAt(((Receiver) owner(id)).application());
        }
        if (found instanceof Receiver receiver) {
            return hostAt(receiver.application());
        }
        return found instanceof Application application ? Optional.of(host(application.host())) : Optional.empty();
    }

    /** The device at an end of a network or power cable: one with any socket, or with this one. */
    public Optional<Host> hostAtEnd(Id<?> end) {
        return end.is(Kind.HOST) || end.is(Kind.ADAPTER) ? hostAt(end) : Optional.empty();
    }

    private Object owner(Id<?> part) {
        Object owner = all.ownerOf(part);
        if (owner == null) {
            throw missing(part);
        }
        return owner;
    }

    /** The entity that has a part. */
    <O> O ownerOf(Kind.Parts<O, ?> parts, Id<?> part) {
        return parts.owner().type().cast(owner(part));
    }

    /** The entity of a table that brings this one: the device of an adapter, the receiver of a port; else the thing itself. */
    public Id<?> keptIn(Id<?> id) {
        return id.kind().owner().<Id<?>>map(parts -> keptIn(parts, id)).orElse(id);
    }

    private <O> Id<O> keptIn(Kind.Parts<O, ?> parts, Id<?> part) {
        return parts.owner().idOf(ownerOf(parts, part));
    }

    public Receiver receiverOf(Id<Port> id) {
        return (Receiver) owner(id);
    }

    public Application applicationOf(Id<Port> id) {
        return application(receiverOf(id).application());
    }

    public List<Adapter> adaptersOn(Id<Segment> id) {
        return adaptersBySegment.get(id);
    }

    public List<Application> applicationsOn(Id<Host> id) {
        return applicationsByHost.get(id);
    }

    public List<Stream> streamsOf(Id<Universe> id) {
        return streamsByUniverse.get(id);
    }

    public List<Stream> streamsFrom(Id<Application> id) {
        return streamsByApplication.get(id);
    }

    public List<Receiver> receiversOf(Id<Application> id) {
        return receiversByApplication.get(id);
    }

    public List<Line> linesOf(Id<Port> id) {
        return linesByPort.get(id);
    }

    public List<Fixture> fixturesOn(Id<Line> id) {
        return fixturesByLine.get(id);
    }

    public List<Fixture> fixturesIn(Id<Universe> id) {
        return fixturesByUniverse.get(id);
    }

    /** The ports meant for a universe: those that say so, and those whose line's fixtures do. */
    public List<Port> portsOf(Id<Universe> id) {
        return portsMeant.of(id);
    }

    /** The universes a port is meant for: as it says, else those of the fixtures on its line. */
    public Set<Id<Universe>> universesOf(Id<Port> id) {
        return portsMeant.universesOf(id);
    }

    /** Whether a host has a port that is meant for a universe. */
    public boolean takes(Id<Host> host, Id<Universe> universe) {
        return portsOf(universe).stream()
                .anyMatch(p -> applicationOf(p.id()).host().equals(host));
    }

    /** The cables that end at something. */
    public List<Cable> cablesOf(Id<?> end) {
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

    public Optional<Session> sessionOf(Id<Application> id) {
        return Optional.ofNullable(sessionByApplication.get(id));
    }

    /** The part an application plays in its session, if it is in one. */
    public Optional<Part> partOf(Id<Application> id) {
        return sessionOf(id)
                .flatMap(s -> s.members().stream()
                        .filter(m -> m.application().equals(id))
                        .map(Session.Member::part)
                        .findFirst());
    }

    // --- numbers and names ---

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

    /** The names that several programs have. */
    public Set<String> sharedNames() {
        return naming.shared();
    }

    /** The name people use for an adapter of a host. */
    public static String name(Adapter adapter, Host host) {
        return adapter.name() + " adapter of " + host.name();
    }

    /**
     * The name people use for a thing. What has none of its own is called by the program or device that it belongs to, and of two
     * programs with one name each is called with its device.
     */
    public String name(Id<?> id) {
        return naming.of(id);
    }
}
