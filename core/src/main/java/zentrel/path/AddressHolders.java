package zentrel.path;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.SortedMap;
import java.util.TreeMap;
import zentrel.ipv4.Ipv4Address;
import zentrel.plan.Adapter;
import zentrel.plan.AdapterAddress;
import zentrel.plan.Host;
import zentrel.plan.Id;
import zentrel.plan.Plan;
import zentrel.plan.Segment;
import zentrel.profile.AdapterKind;

/** Which adapters of a segment have an address now, loopback aside. Most have one holder, so lists are kept of the others only. */
final class AddressHolders {
    private static final class OnSegment {
        private final Map<Ipv4Address, Adapter> first = new HashMap<>();
        private final SortedMap<Ipv4Address, List<Adapter>> shared = new TreeMap<>();

        private void add(Ipv4Address address, Adapter adapter) {
            Adapter other = first.putIfAbsent(address, adapter);
            if (other == null || other.id().equals(adapter.id())) {
                return;
            }
            List<Adapter> all = shared.computeIfAbsent(address, k -> new ArrayList<>(List.of(other)));
            if (!all.get(all.size() - 1).id().equals(adapter.id())) {
                all.add(adapter);
            }
        }
    }

    private final Map<Id<Segment>, OnSegment> segments = new HashMap<>();

    AddressHolders(Plan plan) {
        for (Host host : plan.hosts()) {
            for (Adapter adapter : host.adapters()) {
                if (adapter.segment().isPresent() && adapter.kind() != AdapterKind.LOOPBACK) {
                    OnSegment on = segments.computeIfAbsent(adapter.segment().get(), s -> new OnSegment());
                    for (AdapterAddress a : adapter.addresses()) {
                        on.add(a.inForce().address(), adapter);
                    }
                }
            }
        }
    }

    /** The adapters that have this address, in the plan's order. */
    List<Adapter> of(Id<Segment> segment, Ipv4Address address) {
        OnSegment on = segments.get(segment);
        if (on == null || !on.first.containsKey(address)) {
            return List.of();
        }
        return on.shared.getOrDefault(address, List.of(on.first.get(address)));
    }

    /** The addresses that several adapters have. */
    SortedMap<Ipv4Address, List<Adapter>> shared(Id<Segment> segment) {
        OnSegment on = segments.get(segment);
        return on == null ? Collections.emptySortedMap() : Collections.unmodifiableSortedMap(on.shared);
    }
}
