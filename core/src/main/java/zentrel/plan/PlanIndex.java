package zentrel.plan;

import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.CompletableFuture;
import org.jspecify.annotations.Nullable;
import zentrel.index.Grouped;
import zentrel.index.ListChange;
import zentrel.profile.Profile;
import zentrel.profile.ProfileApplication;
import zentrel.text.IdText;

/**
 * Lookups in one plan, by id and by relation. Where a plan was read by {@code zentrel.file} every reference leads
 * somewhere; for a plan put together otherwise, a dangling reference makes the lookup throw with the missing id.
 */
public final class PlanIndex {
    /** Devices from which on lookups are worked out on two processors; for fewer that takes longer. */
    private static final int MANY = 1000;

    /** Numbers of lookups beside those of {@link Relation}. */
    private static final int MEANT_FOR = Relation.ALL.size();

    private static final int MEANT = MEANT_FOR + 1;
    private static final int SESSION = MEANT_FOR + 2;
    private static final int ID = MEANT_FOR + 3;

    /** Noted where it is asked which names several programs have. */
    private static final Object SHARED_NAMES = "shared names";

    private final Plan plan;
    private final ById all;
    private final Relations relations;
    private final PortsMeant portsMeant;
    private final Map<Id<Universe>, Integer> places;
    private final Map<Id<Application>, Session> sessionByApplication;
    private final Map<String, Profile> profilesById;
    private final EntityNames naming = new EntityNames(this);

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
            relations = Relations.of(plan);
            portsMeant = PortsMeant.of(plan, lines(), fixtures());
            all = ids.join();
        } else {
            Plan then = before.plan;
            all = before.all.after(then, plan);
            relations = before.relations.after(then, plan);
            portsMeant = before.portsMeant.after(then, plan, lines(), fixtures(), all::get);
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
            for (Session.Desk desk : session.desks()) {
                sessionByApplication.putIfAbsent(desk.application(), session);
            }
        }
    }

    private Grouped<Id<Port>, Line> lines() {
        return relations.groups(Relation.LINES_OF);
    }

    private Grouped<Id<Line>, Fixture> fixtures() {
        return relations.groups(Relation.FIXTURES_ON);
    }

    private static void noteMeant(int by, Id<?> id) {
        for (Kind<?> table : List.of(Kind.RECEIVER, Kind.LINE, Kind.FIXTURE)) {
            Reads.note(by, id, table);
        }
    }

    // --- what reads give after an edit ---

    /**
     * Whether something that was noted by a key gives the same in another plan.
     *
     * @param key as it was noted by this index or its plan
     */
    public boolean isSame(Object key, PlanIndex other) {
        if (key instanceof Kind<?> kind) {
            return ListChange.haveSame(plan.table(kind), other.plan.table(kind));
        }
        if (SHARED_NAMES.equals(key)) {
            return sharedNames().equals(other.sharedNames());
        }
        return Plan.PROFILES.equals(key) && ListChange.same(plan.profiles(), other.plan.profiles());
    }

    /**
     * Marks every lookup that gives something else than it did before an edit.
     *
     * @param before the index of which this one was made
     * @return whether that is known; where the two share nothing, everything counts as changed
     */
    public boolean mark(PlanIndex before, Reads.Marks marks) {
        return all.changed(before.all, id -> marks.add(Reads.hash(ID, id)))
                && relations.mark(before.relations, marks)
                && portsMeant.changed(
                        before.portsMeant,
                        universe -> marks.add(Reads.hash(MEANT_FOR, universe)),
                        port -> marks.add(Reads.hash(MEANT, port)))
                && markSessions(before, marks);
    }

    @SuppressWarnings("ReferenceEquality") // plans share what an edit left alone
    private boolean markSessions(PlanIndex before, Reads.Marks marks) {
        Set<Id<Application>> members = new HashSet<>(sessionByApplication.keySet());
        members.addAll(before.sessionByApplication.keySet());
        for (Id<Application> member : members) {
            if (sessionByApplication.get(member) != before.sessionByApplication.get(member)) {
                marks.add(Reads.hash(SESSION, member));
            }
        }
        return true;
    }

    private static Map<Id<Universe>, Integer> places(Plan plan) {
        Map<Id<Universe>, Integer> places = new HashMap<>(plan.universes().size() * 4 / 3 + 1);
        for (Universe universe : plan.universes()) {
            places.put(universe.id(), places.size());
        }
        return places;
    }

    /** The plan of which these are the lookups. */
    public Plan plan() {
        return plan;
    }

    // --- by id ---

    /** At which place of the plan's list a universe stands, from 0; -1 if it is not there. */
    public int placeOf(Id<Universe> id) {
        Reads.note(Kind.UNIVERSE);
        return places.getOrDefault(id, -1);
    }

    /** Whether anything of the plan has this text as its id. */
    boolean holds(String text) {
        return idOf(text).isPresent();
    }

    /** The id of whatever of the plan is called so. */
    public Optional<Id<?>> idOf(String text) {
        Reads.note(Reads.ANYTHING);
        if (!IdText.isValid(text)) {
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
        Reads.note(ID, id, id.kind().table());
        return Optional.ofNullable((E) all.get(id));
    }

    /** Every id of the plan. */
    public Set<Id<?>> ids() {
        Reads.note(Reads.ANYTHING);
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
        Object found = find(id).orElse(null);
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
        // a part that comes to another owner leaves its own changed
        part.kind().owner().ifPresent(parts -> Reads.note(ID, idOf(parts.owner(), owner), parts.owner()));
        return owner;
    }

    private static <O> Id<O> idOf(Kind<O> kind, Object owner) {
        return kind.idOf(kind.type().cast(owner));
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
        return relations.get(Relation.ADAPTERS_ON, id);
    }

    public List<Application> applicationsOn(Id<Host> id) {
        return relations.get(Relation.APPLICATIONS_ON, id);
    }

    public List<Stream> streamsOf(Id<Universe> id) {
        return relations.get(Relation.STREAMS_OF, id);
    }

    public List<Stream> streamsFrom(Id<Application> id) {
        return relations.get(Relation.STREAMS_FROM, id);
    }

    public List<Receiver> receiversOf(Id<Application> id) {
        return relations.get(Relation.RECEIVERS_OF, id);
    }

    public List<Line> linesOf(Id<Port> id) {
        return relations.get(Relation.LINES_OF, id);
    }

    public List<Fixture> fixturesOn(Id<Line> id) {
        return relations.get(Relation.FIXTURES_ON, id);
    }

    public List<Fixture> fixturesIn(Id<Universe> id) {
        return relations.get(Relation.FIXTURES_IN, id);
    }

    /** The ports meant for a universe: those that say so, and those whose line's fixtures do. */
    public List<Port> portsOf(Id<Universe> id) {
        noteMeant(MEANT_FOR, id);
        return portsMeant.of(id);
    }

    /** The universes a port is meant for: as it says, else those of the fixtures on its line. */
    public Set<Id<Universe>> universesOf(Id<Port> id) {
        noteMeant(MEANT, id);
        return portsMeant.universesOf(id);
    }

    /** Whether a host has a port that is meant for a universe. */
    public boolean takes(Id<Host> host, Id<Universe> universe) {
        return portsOf(universe).stream()
                .anyMatch(p -> applicationOf(p.id()).host().equals(host));
    }

    /** The cables that end at something. */
    public List<Cable> cablesOf(Id<?> end) {
        return relations.get(Relation.CABLES_OF, end);
    }

    public Optional<Profile> profile(String id) {
        Reads.note(Plan.PROFILES);
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
        Reads.note(SESSION, id, Kind.SESSION);
        return Optional.ofNullable(sessionByApplication.get(id));
    }

    /** The part an application plays in its session, if it is in one. */
    public Optional<Part> partOf(Id<Application> id) {
        return sessionOf(id).flatMap(s -> s.desk(id)).map(Session.Desk::part);
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
        Reads.note(SHARED_NAMES);
        return Reads.unnoted(naming::shared);
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
