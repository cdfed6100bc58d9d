package zentrel.path;

import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.SortedMap;
import java.util.concurrent.ConcurrentHashMap;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.ipv4.Subnet;
import zentrel.plan.Adapter;
import zentrel.plan.AdapterAddress;
import zentrel.plan.AdapterKind;
import zentrel.plan.Grouped;
import zentrel.plan.Host;
import zentrel.plan.Id;
import zentrel.plan.Kind;
import zentrel.plan.ListChange;
import zentrel.plan.Plan;
import zentrel.plan.PlanIndex;
import zentrel.plan.Protocol;
import zentrel.plan.Segment;
import zentrel.plan.Setting;
import zentrel.plan.Snooping;
import zentrel.plan.Stream;

/** What judging needs to know of the whole plan, worked out once. */
final class PathContext {
    private record WireKey(Protocol protocol, int wire) {}

    final Plan plan;
    final PlanIndex index;
    private final AddressHolders holders;
    private final Map<Id<Segment>, Optional<Subnet>> usual = new ConcurrentHashMap<>();
    private final Grouped<WireKey, Stream> streamsByWire;
    final Routers routers;
    private final UniverseLimits limits;
    final Powering powering;
    final Cabling cabling;
    final Rings rings;
    private final Map<Id<Segment>, Snooping> snooping;
    private final Map<Id<Segment>, Optional<Integer>> usualVlan = new ConcurrentHashMap<>();

    PathContext(Plan plan) {
        this(plan, Optional.empty());
    }

    /** What judging needs to know of a plan that came of an edit; what the edit left alone is taken over. */
    PathContext(Plan plan, Optional<PathContext> before) {
        this.plan = plan;
        this.index = plan.index();
        boolean boxes = before.filter(b -> b.hasBoxesOf(plan)).isPresent();
        boolean sources = before.filter(b -> b.hasSourcesOf(plan)).isPresent();
        this.limits = boxes && sources ? before.get().limits : new UniverseLimits(plan);
        this.powering = boxes ? before.get().powering : new Powering(plan);
        this.cabling = boxes ? before.get().cabling : new Cabling(plan, powering);
        this.rings = boxes ? before.get().rings : new Rings(plan);
        this.snooping = boxes ? before.get().snooping : Snooping.of(plan);
        this.routers = boxes ? before.get().routers : new Routers(plan, powering);
        this.holders = boxes ? before.get().holders : new AddressHolders(plan);
        this.streamsByWire = before.filter(b -> b.hasNumbersOf(plan))
                .map(b -> b.streamsByWire.after(b.plan.streams(), plan.streams(), b::numbers, this::numbers, Set.of()))
                .orElseGet(() -> Grouped.of(plan.streams(), this::numbers));
    }

    /** Whether a plan has the same boxes and cables as this one's, by identity. */
    private boolean hasBoxesOf(Plan other) {
        return ListChange.of(plan.hosts(), other.hosts()).isNone()
                && ListChange.of(plan.cables(), other.cables()).isNone()
                && ListChange.of(plan.profiles(), other.profiles()).isNone();
    }

    /** Whether a plan has the same streams, programs and universes as this one's, by identity. */
    private boolean hasSourcesOf(Plan other) {
        return ListChange.of(plan.streams(), other.streams()).isNone()
                && ListChange.of(plan.applications(), other.applications()).isNone()
                && ListChange.of(plan.universes(), other.universes()).isNone();
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

    /** Why a stream is beyond what its source sends, if it is. */
    Optional<UniverseLimits.Beyond> beyondLimit(Stream stream) {
        return limits.of(stream);
    }

    /** The streams beyond what their sources send. */
    Set<Id<Stream>> beyondLimit() {
        return limits.beyond();
    }

    List<Stream> streamsOn(Protocol protocol, int wire) {
        return streamsByWire.get(new WireKey(protocol, wire));
    }

    /** The adapters of a segment that have this address now. */
    List<Adapter> holdersOf(Id<Segment> segment, Ipv4Address address) {
        return holders.of(segment, address);
    }

    /** The addresses that several adapters of a segment have now, and who. */
    SortedMap<Ipv4Address, List<Adapter>> sharedOn(Id<Segment> segment) {
        return holders.shared(segment);
    }

    /** Every address in use or planned on a segment. */
    Set<Ipv4Address> usedOn(Id<Segment> segment) {
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
    Optional<Subnet> usualSubnet(Id<Segment> segment) {
        return usual.computeIfAbsent(segment, s -> {
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
        });
    }

    /** What the switches of a segment do with groups. */
    Snooping snooping(Id<Segment> segment) {
        return snooping.getOrDefault(segment, Snooping.FLOODS);
    }

    /** The VLAN of most sockets of a segment, the lower where two are as many. */
    Optional<Integer> usualVlan(Id<Segment> segment) {
        return usualVlan.computeIfAbsent(segment, s -> {
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
        });
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
