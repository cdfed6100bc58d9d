package zentrel.address;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.ipv4.SpecialAddresses;
import zentrel.ipv4.Subnet;
import zentrel.plan.*;

/**
 * Addresses given out to the boxes of a segment by a scheme. The same plan and scheme always give the same addresses.
 *
 * @param blocks where each kind of box is numbered, in the order of their addresses
 * @param readdressing the changes, in a safe order
 */
public record AddressAllocation(List<AddressBlock> blocks, AddressChange readdressing) {
    /** Boxes from which on segments are worked out on all processors; for fewer that takes longer. */
    private static final int MANY = 1000;

    public AddressAllocation {
        blocks = List.copyOf(blocks);
    }

    /**
     * Works it out for some segments together, so that boxes on several are changed in one safe order.
     *
     * @param anew whether boxes that have an address get another as well; those that are pinned keep theirs
     * @param mine the computer one sits at, which is changed last
     * @throws IllegalArgumentException with a sentence that says where there is no room, and what mask or block would do
     */
    public static AddressAllocation of(
            Plan plan, List<Id<Segment>> segments, Scheme scheme, boolean anew, Optional<Id<Host>> mine) {
        List<AddressBlock> blocks = new ArrayList<>();
        List<AddressChange.Change> changes = new ArrayList<>();
        List<String> warnings = new ArrayList<>();
        Map<Id<Segment>, AddressBlock> pools = new LinkedHashMap<>();
        java.util.stream.Stream<Id<Segment>> each =
                plan.hosts().size() < MANY ? segments.stream() : segments.parallelStream();
        for (Given given : each.map(id -> given(plan, id, scheme, anew)).toList()) {
            if (given.refused().isPresent()) {
                throw given.refused().get();
            }
            blocks.addAll(given.blocks());
            given.pool().ifPresent(b -> pools.put(given.segment(), b));
            changes.addAll(given.changes());
            warnings.addAll(given.warnings());
        }
        String where =
                segments.size() == 1 ? plan.index().segment(segments.get(0)).name() : segments.size() + " segments";
        AddressChange readdressing = AddressChange.of(
                plan,
                (anew ? "Number " : "Assign addresses on ") + where + (anew ? " anew" : ""),
                changes,
                mine,
                warnings,
                p -> {
                    Plan next = p;
                    for (Map.Entry<Id<Segment>, AddressBlock> pool : pools.entrySet()) {
                        next = pooled(next, pool.getKey(), pool.getValue());
                    }
                    return next;
                });
        return new AddressAllocation(blocks, readdressing);
    }

    /** What one segment comes to, or the sentence that says why it has no room. */
    private record Given(
            Id<Segment> segment,
            List<AddressBlock> blocks,
            Optional<AddressBlock> pool,
            List<AddressChange.Change> changes,
            List<String> warnings,
            Optional<IllegalArgumentException> refused) {}

    private static Given given(Plan plan, Id<Segment> id, Scheme scheme, boolean anew) {
        try {
            Segment segment = plan.index().segment(id);
            Subnet subnet = segment.subnet()
                    .orElseThrow(() -> new IllegalArgumentException(
                            segment.name() + " has no range yet; say which it shall use, as in 10.41.0.0/16."));
            Scheme.Layout layout = scheme.over(plan, id, subnet);
            List<AddressChange.Change> changes = new ArrayList<>();
            List<String> warnings = new ArrayList<>();
            onSegment(plan, id, subnet, layout, anew, changes, warnings);
            return new Given(id, layout.blocks(), layout.pool(), changes, warnings, Optional.empty());
        } catch (IllegalArgumentException e) {
            return new Given(id, List.of(), Optional.empty(), List.of(), List.of(), Optional.of(e)); // thrown in order
        }
    }

    private static void onSegment(
            Plan plan,
            Id<Segment> id,
            Subnet subnet,
            Scheme.Layout layout,
            boolean anew,
            List<AddressChange.Change> changes,
            List<String> warnings) {
        List<Adapter> adapters = plan.index().adaptersOn(id);
        Set<Ipv4Address> taken = new HashSet<>();
        List<DhcpServer> pools = new ArrayList<>();
        for (Adapter adapter : adapters) {
            adapter.serves().ifPresent(pools::add);
            if (!changes(adapter, anew)) {
                adapter.addresses().forEach(a -> {
                    taken.add(a.inForce().address());
                    taken.add(a.address().planned().address());
                });
            }
        }
        if (layout.pool().isPresent()) {
            pools.clear(); // the server will give out from its new block instead
        }
        Map<AddressBlock, Integer> next = new HashMap<>();
        for (Adapter adapter : adapters) {
            if (!changes(adapter, anew)) {
                continue;
            }
            Host host = plan.index().hostOf(adapter.id());
            if (host.onlyPassesOn(adapter)) {
                continue;
            }
            if (plan.index()
                    .profileOf(host)
                    .filter(p -> !p.accepts(subnet.network()))
                    .isPresent()) {
                warnings.add(host.name() + " accepts no address of " + subnet + ", so it gets none here.");
                continue;
            }
            AddressBlock block =
                    Objects.requireNonNull(layout.byAdapter().get(adapter.id()), "a block for each adapter");
            Ipv4Address free = free(block, subnet, taken, next, pools)
                    .orElseThrow(() -> new IllegalArgumentException(
                            block.title() + " are full: " + block.range() + " has no address left for " + host.name()
                                    + ". A block of " + 2 * block.size() + " would do."));
            taken.add(free);
            Optional<HostAddress> before =
                    adapter.addresses().stream().findFirst().map(AdapterAddress::inForce);
            changes.add(new AddressChange.Change(
                    adapter.id(),
                    PlanIndex.name(adapter, host),
                    before,
                    new HostAddress(free, subnet.prefixLength()),
                    true));
        }
    }

    private static boolean changes(Adapter adapter, boolean anew) {
        return adapter.addresses().isEmpty() || (anew && !adapter.pinned() && !asks(adapter));
    }

    /** Whether it has its address from a server, which goes on giving it one. */
    private static boolean asks(Adapter adapter) {
        return adapter.addresses().stream().allMatch(a -> a.origin() == AddressOrigin.DHCP);
    }

    /** The next address of a block that nobody has and no pool gives out. */
    private static Optional<Ipv4Address> free(
            AddressBlock block,
            Subnet subnet,
            Set<Ipv4Address> taken,
            Map<AddressBlock, Integer> next,
            List<DhcpServer> pools) {
        for (int i = next.getOrDefault(block, 1); i < block.size(); i++) {
            Ipv4Address candidate = block.first().plus(i);
            boolean host = SpecialAddresses.mayBeGiven(new HostAddress(candidate, subnet.prefixLength()));
            if (host && !taken.contains(candidate) && pools.stream().noneMatch(p -> p.holds(candidate))) {
                next.put(block, i + 1);
                return Optional.of(candidate);
            }
        }
        return Optional.empty();
    }

    /** The plan with the segment's DHCP server giving out from the pool's block. */
    private static Plan pooled(Plan plan, Id<Segment> segment, AddressBlock block) {
        Subnet subnet = plan.index().segment(segment).subnet().orElse(block.range());
        for (Adapter adapter : plan.index().adaptersOn(segment)) {
            if (adapter.serves().isPresent()) {
                DhcpServer server = adapter.serves().get();
                Ipv4Address last = block.range().last().equals(subnet.last())
                        ? block.range().last().plus(-1)
                        : block.range().last();
                Ipv4Address first =
                        block.first().equals(subnet.network()) ? block.first().plus(1) : block.first();
                return plan.with(
                        adapter.id(),
                        a -> a.withServes(Optional.of(new DhcpServer(
                                server.enabled(),
                                first,
                                last)))); // a second server is another mistake, and told as one
            }
        }
        return plan;
    }
}
