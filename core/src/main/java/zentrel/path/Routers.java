package zentrel.path;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.plan.Adapter;
import zentrel.plan.AdapterAddress;
import zentrel.plan.Host;
import zentrel.plan.Id;
import zentrel.plan.Plan;
import zentrel.plan.Segment;
import zentrel.profile.HostKind;

/** The routers of a plan: which segments they join, and how a packet goes on from each to the next, by its own table. */
final class Routers {
    /**
     * How far a packet comes.
     *
     * @param passed the routers that it came to, in order
     * @param last how the last of them sends it on, or its sender where it came to none; empty where that one has no way
     * @param arrives whether the last has the receiver's segment on its own cable
     */
    record Course(List<Host> passed, Optional<RouteTable.Way> last, boolean arrives) {}

    /** Those that have power; the others lead nowhere. */
    private final List<Host> all;

    private final List<Host> dark;

    Routers(Plan plan, PowerState powering) {
        List<Host> routers =
                plan.hosts().stream().filter(h -> h.kind() == HostKind.ROUTER).toList();
        all = routers.stream().filter(powering::has).toList();
        dark = routers.stream().filter(h -> !powering.has(h)).toList();
    }

    /** All of them as they are: those that have power, then the others. */
    List<List<Host>> everyOne() {
        return List.of(all, dark);
    }

    /** A router without power that has an adapter on the segments of both. */
    Optional<Host> darkBetween(Adapter a, Adapter b) {
        return a.segment().isEmpty() || b.segment().isEmpty() || PathContext.sameSegment(a, b)
                ? Optional.empty()
                : dark.stream()
                        .filter(r ->
                                on(r, a.segment().get()) && on(r, b.segment().get()))
                        .findFirst();
    }

    /** The router that has an adapter on either segment, whatever it is set to. */
    Optional<Host> joining(Adapter a, Adapter b) {
        return a.segment().isEmpty() || b.segment().isEmpty()
                ? Optional.empty()
                : all.stream()
                        .filter(r ->
                                on(r, a.segment().get()) && on(r, b.segment().get()))
                        .findFirst();
    }

    private static boolean on(Host router, Id<Segment> segment) {
        return router.adapters().stream().anyMatch(x -> x.segment().equals(Optional.of(segment)));
    }

    /** The router's own address on the segment of an adapter. */
    static Optional<HostAddress> addressOn(Host router, Adapter adapter) {
        List<HostAddress> all = router.adapters().stream()
                .filter(a -> a.isUp() && PathContext.sameSegment(a, adapter))
                .flatMap(a -> a.addresses().stream())
                .map(AdapterAddress::inForce)
                .toList();
        return all.stream()
                .filter(a -> first(adapter).filter(x -> x.sees(a.address())).isPresent())
                .findFirst()
                .or(() -> all.stream().findFirst());
    }

    /** The router's adapter on the segment of another adapter: one that is up, where it has several one that sees the other. */
    static Optional<Adapter> adapterOn(Host router, Adapter adapter) {
        List<Adapter> all = router.adapters().stream()
                .filter(a -> a.isUp() && PathContext.sameSegment(a, adapter))
                .toList();
        return all.stream()
                .filter(a -> first(adapter)
                        .filter(x -> PathContext.sees(a, x.address()))
                        .isPresent())
                .findFirst()
                .or(() -> all.stream().findFirst());
    }

    /**
     * The stretches of a way: from a sender to the first router, from router to router, from the last to the receiver; or the one from
     * sender to receiver where they share a segment.
     */
    List<Pair> stretches(Pair pair) {
        List<Host> by = between(pair.out(), pair.in());
        if (by.isEmpty()) {
            return List.of(pair);
        }
        List<Pair> all = new ArrayList<>();
        Adapter out = pair.out();
        for (int i = 0; i < by.size(); i++) {
            Optional<Adapter> near = adapterOn(by.get(i), out);
            Optional<Adapter> far =
                    i + 1 < by.size() ? towards(by.get(i), by.get(i + 1)) : adapterOn(by.get(i), pair.in());
            if (near.isEmpty() || far.isEmpty()) {
                return all; // whatever keeps them apart is told of the routers
            }
            all.add(new Pair(out, near.get(), true));
            out = far.get();
        }
        all.add(new Pair(out, pair.in(), true));
        return all;
    }

    private static Optional<Adapter> towards(Host router, Host next) {
        return next.adapters().stream()
                .filter(Adapter::isUp)
                .flatMap(a -> adapterOn(router, a).stream())
                .findFirst();
    }

    /** The address of an adapter that others know it by: its first. */
    static Optional<HostAddress> first(Adapter adapter) {
        return adapter.addresses().stream().map(AdapterAddress::inForce).findFirst();
    }

    /** The fewest routers that lead from one segment to the other, whatever they are set to; none where none do. */
    List<Host> chain(Adapter from, Adapter to) {
        if (all.isEmpty() || from.segment().isEmpty() || to.segment().isEmpty()) {
            return List.of();
        }
        Map<Id<Segment>, List<Host>> reached = new LinkedHashMap<>();
        Deque<Id<Segment>> open = new ArrayDeque<>();
        reached.put(from.segment().get(), List.of());
        open.add(from.segment().get());
        while (!open.isEmpty()) {
            Id<Segment> here = open.remove();
            for (Host router : all) {
                if (on(router, here)) {
                    List<Host> by = new ArrayList<>(reached.getOrDefault(here, List.of()));
                    by.add(router);
                    for (Adapter adapter : router.adapters()) {
                        if (adapter.segment().isPresent()
                                && reached.putIfAbsent(adapter.segment().get(), by) == null) {
                            open.add(adapter.segment().get());
                        }
                    }
                }
            }
        }
        return reached.getOrDefault(to.segment().get(), List.of());
    }

    /**
     * The routers by which one adapter reaches the other's address, in order: it sends to the first, for it does not take the
     * address for a neighbour's; each sends on to the next; the last has the network on its own cable. None where the way ends
     * before, or needs no router.
     */
    List<Host> between(Adapter from, Adapter to) {
        if (all.isEmpty() || from.segment().isEmpty() || to.segment().isEmpty()) {
            return List.of();
        }
        for (AdapterAddress a : to.addresses()) {
            Course course = course(from, a.inForce().address(), to);
            if (course.arrives() && !course.passed().isEmpty()) {
                return course.passed();
            }
        }
        return List.of();
    }

    /** How far a packet comes from an adapter on its way to an address of another. */
    Course course(Adapter from, Ipv4Address destination, Adapter to) {
        return course(List.of(), RouteTable.of(from), destination, to);
    }

    private Course course(List<Host> before, RouteTable table, Ipv4Address destination, Adapter to) {
        List<Host> passed = new ArrayList<>(before);
        Set<Id<Host>> met = new HashSet<>();
        before.forEach(r -> met.add(r.id()));
        Optional<RouteTable.Way> way = table.to(destination);
        while (way.isPresent() && way.get().via().isPresent()) {
            Optional<Host> next = at(way.get());
            if (next.isEmpty() || !met.add(next.get().id())) {
                return new Course(passed, way, false); // nobody there, or round in a circle
            }
            passed.add(next.get());
            way = RouteTable.of(next.get()).to(destination).filter(w -> w.by().isUp());
        }
        return new Course(
                passed,
                way,
                way.filter(w -> PathContext.sameSegment(w.by(), to)).isPresent());
    }

    /** The router that a way leads to. */
    Optional<Host> at(RouteTable.Way way) {
        return way.via()
                .filter(via -> !PathContext.has(way.by(), via)) // what is for itself goes nowhere
                .flatMap(via -> all.stream()
                        .filter(r -> r.adapters().stream()
                                .anyMatch(x ->
                                        x.isUp() && PathContext.sameSegment(x, way.by()) && PathContext.has(x, via)))
                        .findFirst());
    }

    /** An adapter of a router that has a neighbour which brings a packet there, and the neighbour's address. */
    record Onward(Adapter by, Host next, Ipv4Address address) {}

    /** Which neighbour of some adapters would bring a packet to an address, by none of the routers that it has passed. */
    Optional<Onward> onward(List<Adapter> adapters, List<Host> passed, Ipv4Address destination, Adapter to) {
        for (Adapter by : adapters) {
            for (Host next : all) {
                if (passed.stream().anyMatch(p -> p.id().equals(next.id()))) {
                    continue;
                }
                for (Adapter there : next.adapters()) {
                    if (there.isUp() && PathContext.sameSegment(by, there)) {
                        Optional<Ipv4Address> seen = there.addresses().stream()
                                .map(a -> a.inForce().address())
                                .filter(a -> PathContext.sees(by, a))
                                .findFirst();
                        List<Host> after = new ArrayList<>(passed);
                        after.add(next);
                        if (seen.isPresent()
                                && course(after, RouteTable.of(next), destination, to)
                                        .arrives()) {
                            return Optional.of(new Onward(by, next, seen.get()));
                        }
                    }
                }
            }
        }
        return Optional.empty();
    }
}
