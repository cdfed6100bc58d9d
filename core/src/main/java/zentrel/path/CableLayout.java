package zentrel.path;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import zentrel.plan.*;

/**
 * What the network cables say. An adapter whose cables are described, and all out, has no carrier; two adapters that are
 * cabled together by way of others are apart where a cable on the way is out, or a box that passes the network on is off.
 * Where no cables are described, being on one segment is enough.
 */
public final class CableLayout {
    /**
     * What keeps two adapters apart.
     *
     * @param at a cable, or what leaves a box that passes the network on without power
     * @param box that box, where it is no cable of the network
     * @param dark why it has no power
     */
    record Cut(Id<?> at, Optional<Host> box, Optional<PowerState.Dark> dark) {}

    private final Plan plan;
    private final PlanIndex index;
    private final PowerState powering;
    private final boolean whole;

    CableLayout(Plan plan, PowerState powering) {
        this.plan = plan;
        this.index = plan.index();
        this.powering = powering;
        this.whole =
                plan.cables().isEmpty() || (plan.cables().stream().allMatch(Cable::connected) && powering.isPlain());
    }

    /** Whether nothing can be out. */
    boolean isWhole() {
        return whole;
    }

    /** Whether any network cable of an adapter is described. */
    boolean isDescribed(Adapter adapter) {
        return !network(plan, adapter.id()).isEmpty();
    }

    /** What lies on the way between two adapters that are cabled together, and is out; empty where nothing is. */
    Optional<Cut> cutBetween(Adapter from, Adapter to) {
        if (whole
                || network(plan, from.id()).isEmpty()
                || network(plan, to.id()).isEmpty()) {
            return Optional.empty();
        }
        if (way(from.id(), to.id(), true).isPresent()) {
            return Optional.empty();
        }
        return way(from.id(), to.id(), false)
                .flatMap(way ->
                        way.stream().map(this::cutAt).flatMap(Optional::stream).findFirst());
    }

    private Optional<Cut> cutAt(Id<?> step) {
        Object found = index.find(step).orElse(null);
        if (found instanceof Cable cable && !cable.connected()) {
            return Optional.of(new Cut(cable.id(), Optional.empty(), Optional.empty()));
        }
        return found instanceof Host host
                ? powering.dark(host).map(d -> new Cut(d.at(), Optional.of(host), Optional.of(d)))
                : Optional.empty();
    }

    /** The cables and boxes between two adapters, the fewest first; as they are, or as if all were well. */
    private Optional<List<Id<?>>> way(Id<Adapter> from, Id<Adapter> to, boolean asTheyAre) {
        Map<Id<?>, List<Id<?>>> ways = new LinkedHashMap<>();
        ways.put(from, List.of());
        Deque<Id<?>> open = new ArrayDeque<>(List.of(from));
        while (!open.isEmpty()) {
            Id<?> at = open.poll();
            if (at.equals(to)) {
                return Optional.ofNullable(ways.get(at));
            }
            Optional<Host> through = passing(at).filter(h -> !asTheyAre || powering.has(h));
            if (!at.equals(from) && through.isEmpty()) {
                continue; // what comes in here does not leave again
            }
            for (Cable cable : index.cablesOf(at)) {
                if (cable.kind() == CableKind.NETWORK && (cable.connected() || !asTheyAre)) {
                    step(ways, open, at, through, cable.id(), cable.otherEnd(at));
                }
            }
            through.ifPresent(h -> {
                step(ways, open, at, through, h.id(), h.id());
                h.adapters().forEach(a -> step(ways, open, at, through, h.id(), a.id()));
            });
        }
        return Optional.empty();
    }

    private static void step(
            Map<Id<?>, List<Id<?>>> ways, Deque<Id<?>> open, Id<?> at, Optional<Host> through, Id<?> by, Id<?> next) {
        if (!ways.containsKey(next)) {
            List<Id<?>> way = new ArrayList<>(ways.get(at));
            through.ifPresent(h -> way.add(h.id()));
            way.add(by);
            ways.put(next, way);
            open.add(next);
        }
    }

    /** The box that an end belongs to, where it passes the network on from socket to socket. */
    private Optional<Host> passing(Id<?> at) {
        return index.hostAtEnd(at).filter(h -> IgmpSnooping.passesOn(index, h));
    }

    /** The plan with its cables as they are. */
    static Plan inForce(Plan plan) {
        if (plan.cables().stream().allMatch(Cable::connected)) {
            return plan;
        }
        Plan next = plan;
        for (Host host : plan.hosts()) {
            for (Adapter adapter : host.adapters()) {
                if (adapter.carrier() && isOut(plan, adapter.id())) {
                    next = next.with(adapter.id(), a -> a.withCarrier(false));
                }
            }
        }
        return next;
    }

    private static List<Cable> network(Plan plan, Id<Adapter> adapter) {
        return plan.index().cablesOf(adapter).stream()
                .filter(c -> c.kind() == CableKind.NETWORK)
                .toList();
    }

    private static boolean isOut(Plan plan, Id<Adapter> adapter) {
        List<Cable> cables = network(plan, adapter);
        return !cables.isEmpty() && cables.stream().noneMatch(Cable::connected);
    }

    /** The plan with the cables of an adapter plugged in, where it has any. */
    public static Plan pluggedIn(Plan plan, Id<Adapter> adapter) {
        Plan next = plan;
        if (isOut(plan, adapter)) {
            for (Cable cable : network(plan, adapter)) {
                next = next.with(cable.id(), c -> c.withConnected(true));
            }
        }
        return next;
    }
}
