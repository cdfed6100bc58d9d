package zentrel.path;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import zentrel.plan.*;

/**
 * Rings of network cables that nothing cuts. A box with a guard against rings cuts every ring that runs over it, so it is
 * left out; of what is left, a cable between two boxes that are joined already closes a ring.
 */
final class Rings {
    /**
     * A ring.
     *
     * @param closing the cable that closes it
     * @param names the boxes on it, in words
     */
    record Ring(CableId closing, String names) {}

    private final Map<SegmentId, Ring> bySegment = new HashMap<>();
    private final List<Ring> all = new ArrayList<>();
    private final PlanIndex index;

    Rings(Plan plan) {
        index = plan.index();
        Map<HostId, Map<HostId, CableId>> joined = new LinkedHashMap<>();
        for (Cable cable : plan.cables()) {
            Optional<HostId> from = box(cable.from());
            Optional<HostId> to = box(cable.to());
            if (cable.kind() == CableKind.NETWORK && cable.connected() && from.isPresent() && to.isPresent()) {
                Optional<List<HostId>> way =
                        from.equals(to) ? Optional.of(List.of(from.get())) : way(joined, from.get(), to.get());
                if (way.isPresent()) {
                    closed(cable.id(), way.get());
                } else {
                    joined.computeIfAbsent(from.get(), h -> new LinkedHashMap<>())
                            .put(to.get(), cable.id());
                    joined.computeIfAbsent(to.get(), h -> new LinkedHashMap<>()).put(from.get(), cable.id());
                }
            }
        }
    }

    private void closed(CableId cable, List<HostId> over) {
        Ring ring =
                new Ring(cable, String.join(", ", over.stream().map(index::name).toList()));
        all.add(ring);
        Set<SegmentId> segments = new LinkedHashSet<>();
        for (HostId id : over) {
            Host host = index.host(id);
            host.adapters().forEach(a -> a.segment().ifPresent(segments::add));
            List<Cable> cables = new ArrayList<>(index.cablesOf(id));
            host.adapters().forEach(a -> cables.addAll(index.cablesOf(a.id())));
            for (Cable c : cables) {
                for (Id end : List.of(c.from(), c.to())) {
                    if (end instanceof AdapterId adapter) {
                        index.adapter(adapter).segment().ifPresent(segments::add);
                    }
                }
            }
        }
        segments.forEach(s -> bySegment.putIfAbsent(s, ring));
    }

    /** The box at an end of a cable, where it passes the network on and does not cut rings. */
    private Optional<HostId> box(Id end) {
        Host host = end instanceof HostId h ? index.host(h) : end instanceof AdapterId a ? index.hostOf(a) : null;
        return host != null
                        && Snooping.passesOn(index, host)
                        && host.power().on()
                        && !host.switching().loopGuard()
                ? Optional.of(host.id())
                : Optional.empty();
    }

    private static Optional<List<HostId>> way(Map<HostId, Map<HostId, CableId>> joined, HostId from, HostId to) {
        Map<HostId, HostId> cameFrom = new HashMap<>(Map.of(from, from));
        Deque<HostId> open = new ArrayDeque<>(List.of(from));
        while (!open.isEmpty()) {
            HostId at = open.poll();
            if (at.equals(to)) {
                List<HostId> way = new ArrayList<>(List.of(at));
                while (!at.equals(from)) {
                    at = Objects.requireNonNull(cameFrom.get(at), "where it came from");
                    way.add(0, at);
                }
                return Optional.of(way);
            }
            for (HostId next : joined.getOrDefault(at, Map.of()).keySet()) {
                if (cameFrom.putIfAbsent(next, at) == null) {
                    open.add(next);
                }
            }
        }
        return Optional.empty();
    }

    /** The ring that fills the segment of an adapter, if any does. */
    Optional<Ring> at(Adapter adapter) {
        return adapter.segment().map(bySegment::get);
    }

    List<Ring> all() {
        return List.copyOf(all);
    }
}
