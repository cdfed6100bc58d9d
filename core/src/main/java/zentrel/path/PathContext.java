package zentrel.path;

import java.util.Collection;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.SortedMap;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Function;
import java.util.function.Supplier;
import zentrel.index.Grouped;
import zentrel.index.ListChange;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.ipv4.Subnet;
import zentrel.plan.Adapter;
import zentrel.plan.AdapterAddress;
import zentrel.plan.Application;
import zentrel.plan.Host;
import zentrel.plan.Id;
import zentrel.plan.IgmpSnooping;
import zentrel.plan.Kind;
import zentrel.plan.Plan;
import zentrel.plan.PlanIndex;
import zentrel.plan.Port;
import zentrel.plan.Reads;
import zentrel.plan.Segment;
import zentrel.plan.Setting;
import zentrel.plan.Stream;
import zentrel.profile.AdapterKind;
import zentrel.profile.ApplicationKind;
import zentrel.profile.Protocol;

/** What judging needs to know of the whole plan, worked out once. */
public final class PathContext {
    private record WireKey(Protocol protocol, int wire) {}

    /** What is asked of the whole plan while a path is judged; each answer can be compared with that of another plan. */
    private enum Topic {
        USUAL_SUBNET,
        USUAL_VLAN,
        HOLDERS,
        SHARED,
        SENT_AS,
        BEYOND_LIMIT,
        READY,
        SNOOPING,
        POWER,
        POWER_IS_PLAIN,
        CUT,
        CABLED,
        RING,
        ROUTERS
    }

    /** One question, with what it is about. */
    private record Question(Topic topic, Object of, Object and) {
        private Question(Topic topic, Object of) {
            this(topic, of, "");
        }
    }

    final Plan plan;
    final PlanIndex index;
    private final Reads.Traced<AddressHolders> holders;
    private final Map<Id<Segment>, Optional<Subnet>> usual = new ConcurrentHashMap<>();
    private final Grouped<WireKey, Stream> streamsByWire;
    private final Reads.Traced<Routers> routers;
    private final Reads.Traced<UniverseLimits> limits;
    private final Reads.Traced<Readiness> readiness;
    private final PowerState powering;
    private final CableLayout cabling;
    private final Reads.Traced<Rings> rings;
    private final Reads.Traced<Map<Id<Segment>, IgmpSnooping>> snooping;
    private final Map<Id<Segment>, Optional<Integer>> usualVlan = new ConcurrentHashMap<>();

    public PathContext(Plan plan) {
        this(plan, Optional.empty());
    }

    /** What judging needs to know of a plan that came of an edit; what the edit left alone is taken over. */
    PathContext(Plan plan, Optional<PathContext> before) {
        this.plan = plan;
        this.index = plan.index();
        this.powering = new PowerState(plan);
        this.cabling = new CableLayout(plan, powering);
        this.routers = over(before, b -> b.routers, () -> new Routers(plan, powering));
        this.rings = over(before, b -> b.rings, () -> new Rings(plan));
        this.snooping = over(before, b -> b.snooping, () -> IgmpSnooping.of(plan));
        this.holders = over(before, b -> b.holders, () -> new AddressHolders(plan));
        this.limits = over(before, b -> b.limits, () -> new UniverseLimits(plan));
        this.readiness = over(before, b -> b.readiness, () -> new Readiness(plan));
        this.streamsByWire = before.filter(b -> b.hasNumbersOf(plan))
                .map(b -> b.streamsByWire.after(b.plan.streams(), plan.streams(), b::numbers, this::numbers, Set.of()))
                .orElseGet(() -> Grouped.of(plan.streams(), this::numbers));
    }

    /** What was worked out for another plan, where all that was read for it is the same here; else worked out now. */
    private <T> Reads.Traced<T> over(
            Optional<PathContext> before, Function<PathContext, Reads.Traced<T>> known, Supplier<T> work) {
        return before.filter(b -> known.apply(b).keys().stream().allMatch(key -> b.index.isSame(key, index)))
                .map(known)
                .orElseGet(() -> Reads.byTable(work));
    }

    public Plan plan() {
        return plan;
    }

    public PlanIndex index() {
        return index;
    }

    /** Whether a stream that is in both is sent by the same number: programs and universes may only have been added. */
    private boolean hasNumbersOf(Plan other) {
        return ListChange.of(plan.applications(), other.applications()).gone().isEmpty()
                && ListChange.of(plan.universes(), other.universes()).gone().isEmpty();
    }

    private List<WireKey> numbers(Stream stream) {
        return index.wireOf(stream)
                .map(wire -> List.of(new WireKey(stream.protocol(), wire)))
                .orElse(List.of());
    }

    // --- what is asked of the whole plan: each question is noted, and its answer stands for what it was worked out
    // from ---

    /**
     * Marks everything that gives something else than it did before an edit.
     *
     * @param questions what is known to be noted by a key of its own
     * @return whether that is known; else everything counts as changed
     */
    @SuppressWarnings("ReferenceEquality") // what was taken over is the same
    boolean mark(PathContext before, Collection<Object> questions, Reads.Marks marks) {
        if (!index.mark(before.index, marks)
                || !streamsByWire.changed(before.streamsByWire, key -> marks.add(sentAs(key)))) {
            return false;
        }
        if (limits.result() != before.limits.result()) {
            limits.result().beyond().forEach(id -> marks.add(beyond(id)));
            before.limits.result().beyond().forEach(id -> marks.add(beyond(id)));
        }
        for (Object key : questions) {
            if (!isSame(key, before)) {
                marks.add(Reads.hash(key));
            }
        }
        return true;
    }

    private static int beyond(Id<Stream> id) {
        return Reads.hash(new Question(Topic.BEYOND_LIMIT, id));
    }

    private static int sentAs(WireKey key) {
        return Reads.hash(new Question(Topic.SENT_AS, key));
    }

    /**
     * Whether a question has the same answer in another plan.
     *
     * @param key as it was noted by this context, its index or its plan
     */
    boolean isSame(Object key, PathContext other) {
        if (!(key instanceof Question q)) {
            return index.isSame(key, other.index);
        }
        return isTakenOver(q.topic(), other) || Reads.unnoted(() -> answer(q).equals(other.answer(q)));
    }

    /** Whether all answers about a topic come from the very same, or are no in both. */
    @SuppressWarnings("ReferenceEquality")
    private boolean isTakenOver(Topic topic, PathContext other) {
        return switch (topic) {
            case HOLDERS, SHARED -> holders.result() == other.holders.result();
            case READY -> readiness.result() == other.readiness.result();
            case RING -> rings.result() == other.rings.result();
            case SNOOPING -> snooping.result() == other.snooping.result();
            case ROUTERS -> routers.result() == other.routers.result();
            case POWER -> powering.isPlain() && other.powering.isPlain();
            case CUT -> cabling.isWhole() && other.cabling.isWhole();
            default -> false;
        };
    }

    @SuppressWarnings("unchecked")
    private Object answer(Question q) {
        return switch (q.topic()) {
            case USUAL_SUBNET -> known((Id<Segment>) q.of()) ? usualSubnet((Id<Segment>) q.of()) : GONE;
            case USUAL_VLAN -> usualVlan((Id<Segment>) q.of());
            case HOLDERS -> holders.result().of((Id<Segment>) q.of(), (Ipv4Address) q.and());
            case SHARED -> holders.result().shared((Id<Segment>) q.of());
            case SENT_AS -> streamsByWire.get((WireKey) q.of());
            case BEYOND_LIMIT ->
                index.find((Id<Stream>) q.of()).<Object>map(limits.result()::of).orElse(GONE);
            case READY -> readiness.result().of((Id<Application>) q.of());
            case SNOOPING -> snooping.result().getOrDefault((Id<Segment>) q.of(), IgmpSnooping.FLOODS);
            case POWER ->
                index.find((Id<Host>) q.of()).<Object>map(powering::dark).orElse(GONE);
            case POWER_IS_PLAIN -> powering.isPlain();
            case CUT -> both(q) ? cabling.cutBetween(adapter(q.of()), adapter(q.and())) : GONE;
            case CABLED -> known((Id<?>) q.of()) ? cabling.isDescribed(adapter(q.of())) : GONE;
            case RING -> known((Id<?>) q.of()) ? rings.result().at(adapter(q.of())) : GONE;
            case ROUTERS -> routers.result().everyOne();
        };
    }

    private static final Object GONE = "gone";

    private boolean known(Id<?> id) {
        return index.find(id).isPresent();
    }

    private boolean both(Question q) {
        return known((Id<?>) q.of()) && known((Id<?>) q.and());
    }

    private Adapter adapter(Object id) {
        return (Adapter) index.get((Id<?>) id);
    }

    /** Why a stream is beyond what its source sends, if it is. */
    Optional<UniverseLimits.Beyond> beyondLimit(Stream stream) {
        Reads.noteMarked(new Question(Topic.BEYOND_LIMIT, stream.id()));
        return limits.result().of(stream);
    }

    /** What a program needs before it sends that is not so, if anything is not. */
    Optional<Readiness.Unmet> unmet(Application program) {
        Reads.note(new Question(Topic.READY, program.id()));
        return readiness.result().of(program.id());
    }

    public List<Stream> streamsOn(Protocol protocol, int wire) {
        WireKey key = new WireKey(protocol, wire);
        Reads.noteMarked(new Question(Topic.SENT_AS, key));
        return streamsByWire.get(key);
    }

    /** The adapters of a segment that have this address now. */
    public List<Adapter> holdersOf(Id<Segment> segment, Ipv4Address address) {
        Reads.note(new Question(Topic.HOLDERS, segment, address));
        return holders.result().of(segment, address);
    }

    /** The addresses that several adapters of a segment have now, and who. */
    SortedMap<Ipv4Address, List<Adapter>> sharedOn(Id<Segment> segment) {
        Reads.note(new Question(Topic.SHARED, segment));
        return holders.result().shared(segment);
    }

    /** The ways through routers. */
    Routers routers() {
        Reads.note(new Question(Topic.ROUTERS, ""));
        return routers.result();
    }

    /** Whether no box can be without power, so that nothing need be looked at. */
    boolean isPowerPlain() {
        Reads.note(new Question(Topic.POWER_IS_PLAIN, ""));
        return powering.isPlain();
    }

    /**
     * Whether a port is the network input of the console that sends a stream: a console does not take what it sends itself (common
     * practice, no source), while a bridge would send it round in a circle.
     */
    boolean isOwnInput(Stream stream, Port port) {
        Application at = index.applicationOf(port.id());
        return at.kind() == ApplicationKind.CONSOLE
                && stream.protocol().onNetwork()
                && stream.application().equals(at.id());
    }

    /** The device of an adapter; empty for a loopback that the plan does not list. */
    Optional<Host> hostOf(Adapter adapter) {
        return index.find(adapter.id()).map(a -> index.hostOf(a.id()));
    }

    boolean hasPower(Host host) {
        return dark(host).isEmpty();
    }

    /** Why a box has no power, if it has none. */
    Optional<PowerState.Dark> dark(Host host) {
        Reads.note(new Question(Topic.POWER, host.id()));
        return Reads.unnoted(() -> powering.dark(host));
    }

    /** Breaks a hop at a box that has no power. */
    void judgePower(HopDraft hop, Reason reason, Host host) {
        dark(host).ifPresent(d -> PowerState.judge(hop, reason, host, d));
    }

    /** What lies on the way between two adapters that are cabled together, and is out; empty where nothing is. */
    Optional<CableLayout.Cut> cutBetween(Adapter from, Adapter to) {
        Reads.note(new Question(Topic.CUT, from.id(), to.id()));
        return Reads.unnoted(() -> cabling.cutBetween(from, to));
    }

    /** Whether any network cable of an adapter is described. */
    boolean isCabled(Adapter adapter) {
        Reads.note(new Question(Topic.CABLED, adapter.id()));
        return Reads.unnoted(() -> cabling.isDescribed(adapter));
    }

    /** The ring that fills the segment of an adapter, if any does. */
    Optional<Rings.Ring> ringAt(Adapter adapter) {
        Reads.note(new Question(Topic.RING, adapter.id()));
        return rings.result().at(adapter);
    }

    /** Every ring that nothing cuts. */
    List<Rings.Ring> rings() {
        Reads.note(Reads.ANYTHING);
        return rings.result().all();
    }

    /** Every address in use or planned on a segment. */
    public Set<Ipv4Address> usedOn(Id<Segment> segment) {
        Set<Ipv4Address> used = new HashSet<>();
        for (Adapter adapter : index.adaptersOn(segment)) {
            for (AdapterAddress a : adapter.addresses()) {
                used.add(a.address().planned().address());
                used.add(a.inForce().address());
            }
        }
        return used;
    }

    /** The subnet usual on a segment: as settled, else the one that most adapters share. */
    public Optional<Subnet> usualSubnet(Id<Segment> segment) {
        Reads.note(new Question(Topic.USUAL_SUBNET, segment));
        return Reads.unnoted(() -> usual.computeIfAbsent(segment, s -> {
            Optional<Subnet> settled = index.segment(s).subnet();
            if (settled.isPresent()) {
                return settled;
            }
            Map<Subnet, Integer> counts = new LinkedHashMap<>();
            for (Adapter adapter : index.adaptersOn(s)) {
                for (AdapterAddress a : adapter.addresses()) {
                    counts.merge(a.inForce().subnet(), 1, Integer::sum);
                }
            }
            Subnet best = null;
            int most = 0;
            for (Map.Entry<Subnet, Integer> entry : counts.entrySet()) {
                if (entry.getValue() > most) {
                    most = entry.getValue();
                    best = entry.getKey();
                }
            }
            return Optional.ofNullable(best);
        }));
    }

    /** What the switches of a segment do with groups. */
    IgmpSnooping snooping(Id<Segment> segment) {
        Reads.note(new Question(Topic.SNOOPING, segment));
        return snooping.result().getOrDefault(segment, IgmpSnooping.FLOODS);
    }

    /** The VLAN of most sockets of a segment, the lower where two are as many. */
    Optional<Integer> usualVlan(Id<Segment> segment) {
        Reads.note(new Question(Topic.USUAL_VLAN, segment));
        return Reads.unnoted(() -> usualVlan.computeIfAbsent(segment, s -> {
            Map<Integer, Integer> counts = new java.util.TreeMap<>();
            for (Adapter adapter : index.adaptersOn(s)) {
                adapter.plug().vlan().ifPresent(v -> counts.merge(v.inForce(), 1, Integer::sum));
            }
            int most =
                    counts.values().stream().mapToInt(Integer::intValue).max().orElse(0);
            return counts.entrySet().stream()
                    .filter(e -> e.getValue() == most)
                    .map(Map.Entry::getKey)
                    .findFirst();
        }));
    }

    /** The host's own loopback adapter: as listed, else the one that every system has. */
    static Adapter loopback(Host host) {
        for (Adapter adapter : host.adapters()) {
            if (adapter.kind() == AdapterKind.LOOPBACK) {
                return adapter;
            }
        }
        return new Adapter(
                Kind.ADAPTER.id(host.id().value() + "/loopback"),
                "Loopback",
                AdapterKind.LOOPBACK,
                Optional.empty(),
                Setting.of(true),
                true,
                List.of(new AdapterAddress(
                        Setting.of(new HostAddress(Ipv4Address.LOOPBACK, 8)), zentrel.plan.AddressOrigin.MANUAL)),
                Optional.empty(),
                Optional.empty());
    }

    /** A host's adapters but for loopback. */
    static List<Adapter> real(Host host) {
        return host.adapters().stream()
                .filter(a -> a.kind() != AdapterKind.LOOPBACK)
                .toList();
    }

    static boolean has(Adapter adapter, Ipv4Address address) {
        return adapter.addresses().stream().anyMatch(a -> a.inForce().address().equals(address));
    }

    static boolean sameSegment(Adapter a, Adapter b) {
        return a.segment().isPresent() && a.segment().equals(b.segment());
    }

    /** Whether one of the host's adapters reaches the address on-link, or by a gateway. */
    static boolean hasRoute(Host host, Ipv4Address to) {
        for (Adapter adapter : host.adapters()) {
            if (adapter.gateway().isPresent()
                    || sees(adapter, to)
                    || adapter.routes().stream().anyMatch(r -> r.to().contains(to))) {
                return true;
            }
        }
        return false;
    }

    static boolean sees(Adapter adapter, Ipv4Address to) {
        for (AdapterAddress a : adapter.addresses()) {
            if (a.inForce().sees(to)) {
                return true;
            }
        }
        return false;
    }
}
