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
     * @param over the boxes on it, in order
     */
    record Ring(Id<Cable> closing, List<Id<Host>> over) {}

    private final Map<Id<Segment>, Ring> bySegment = new HashMap<>();
    private final List<Ring> all = new ArrayList<>();
    private final PlanIndex index;

    Rings(Plan plan) {
        index = plan.index();
        Map<Id<Host>, Map<Id<Host>, Id<Cable>>> joined = new LinkedHashMap<>();
        for (Cable cable : plan.cables()) {
            Optional<Id<Host>> from = box(cable.from());
            Optional<Id<Host>> to = box(cable.to());
            if (cable.kind() == CableKind.NETWORK && cable.connected() && from.isPresent() && to.isPresent()) {
                Optional<List<Id<Host>>> way =
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

    private void closed(Id<Cable> cable, List<Id<Host>> over) {
        Ring ring = new Ring(cable, List.copyOf(over));
        all.add(ring);
        Set<Id<Segment>> segments = new LinkedHashSet<>();
        for (Id<Host> id : over) {
            Host host = index.host(id);
            host.adapters().forEach(a -> a.segment().ifPresent(segments::add));
            List<Cable> cables = new ArrayList<>(index.cablesOf(id));
            host.adapters().forEach(a -> cables.addAll(index.cablesOf(a.id())));
            for (Cable c : cables) {
                for (Id<?> end : List.of(c.from(), c.to())) {
                    end.as(Kind.ADAPTER)
                            .flatMap(a -> index.adapter(a).segment())
                            .ifPresent(segments::add);
                }
            }
        }
        segments.forEach(s -> bySegment.putIfAbsent(s, ring));
    }

    /** The box at an end of a cable, where it passes the network on and does not cut rings. */
    private Optional<Id<Host>> box(Id<?> end) {
        Host host = index.hostAtEnd(end).orElse(null);
        return host != null
                        && IgmpSnooping.passesOn(index, host)
                        && host.power().on()
                        && !host.switching().loopGuard()
                ? Optional.of(host.id())
                : Optional.empty();
    }

    private static Optional<List<Id<Host>>> way(
            Map<Id<Host>, Map<Id<Host>, Id<Cable>>> joined, Id<Host> from, Id<Host> to) {
        Map<Id<Host>, Id<Host>> cameFrom = new HashMap<>(Map.of(from, from));
        Deque<Id<Host>> open = new ArrayDeque<>(List.of(from));
        while (!open.isEmpty()) {
            Id<Host> at = open.poll();
            if (at.equals(to)) {
                List<Id<Host>> way = new ArrayList<>(List.of(at));
                while (!at.equals(from)) {
                    at = Objects.requireNonNull(cameFrom.get(at), "where it came from");
                    way.add(0, at);
                }
                return Optional.of(way);
            }
            for (Id<Host> next : joined.getOrDefault(at, Map.of()).keySet()) {
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
