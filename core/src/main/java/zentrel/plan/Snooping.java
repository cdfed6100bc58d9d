package zentrel.plan;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * What the boxes that pass a segment on do with groups.
 *
 * @param snoopers those that pass a group only to whom asked for it; none where groups flood
 * @param querier the first that asks who still wants a group, if any does
 */
public record Snooping(List<HostId> snoopers, Optional<HostId> querier) {
    /** Groups go everywhere, as over a switch without settings. */
    public static final Snooping FLOODS = new Snooping(List.of(), Optional.empty());

    public Snooping {
        snoopers = List.copyOf(snoopers);
    }

    /** Whether groups go to their members only, and go on doing so. */
    public boolean isAsked() {
        return !snoopers.isEmpty() && querier.isPresent();
    }

    /** Every segment of a plan on which anything snoops. */
    public static Map<SegmentId, Snooping> of(Plan plan) {
        Map<SegmentId, List<Host>> passing = new LinkedHashMap<>();
        for (Host host : plan.hosts()) {
            if (host.power().on() && host.switching().mindsGroups()) {
                for (SegmentId segment : segmentsOf(plan.index(), host)) {
                    passing.computeIfAbsent(segment, s -> new ArrayList<>()).add(host);
                }
            }
        }
        Map<SegmentId, Snooping> all = new LinkedHashMap<>();
        passing.forEach((segment, hosts) -> {
            List<HostId> snoopers = hosts.stream()
                    .filter(h -> h.switching().snooping().inForce())
                    .map(Host::id)
                    .toList();
            if (!snoopers.isEmpty()) {
                all.put(
                        segment,
                        new Snooping(
                                snoopers,
                                hosts.stream()
                                        .filter(h -> h.switching().querier().inForce())
                                        .map(Host::id)
                                        .findFirst()));
            }
        });
        return all;
    }

    /** The segments that a box passes on: those of its adapters, and of what hangs on it by cables and other such boxes. */
    private static Set<SegmentId> segmentsOf(PlanIndex index, Host box) {
        Set<SegmentId> segments = new LinkedHashSet<>();
        Set<HostId> seen = new LinkedHashSet<>();
        List<Host> open = new ArrayList<>(List.of(box));
        while (!open.isEmpty()) {
            Host at = open.remove(0);
            if (!seen.add(at.id())) {
                continue;
            }
            at.adapters().forEach(a -> a.segment().ifPresent(segments::add));
            if (at.kind() == HostKind.ROUTER && !at.id().equals(box.id())) {
                continue;
            }
            List<Cable> cables = new ArrayList<>(index.cablesOf(at.id()));
            at.adapters().forEach(a -> cables.addAll(index.cablesOf(a.id())));
            for (Cable cable : cables) {
                if (cable.kind() == CableKind.NETWORK && cable.connected()) {
                    for (Id end : List.of(cable.from(), cable.to())) {
                        if (end instanceof AdapterId adapter) {
                            index.adapter(adapter).segment().ifPresent(segments::add);
                        }
                        hostAt(index, end).filter(h -> passesOn(index, h)).ifPresent(open::add);
                    }
                }
            }
        }
        return segments;
    }

    private static Optional<Host> hostAt(PlanIndex index, Id end) {
        return end instanceof HostId h
                ? Optional.of(index.host(h))
                : end instanceof AdapterId a ? Optional.of(index.hostOf(a)) : Optional.empty();
    }

    /** Whether a box passes the network on from socket to socket. */
    public static boolean passesOn(PlanIndex index, Host host) {
        return host.kind() == HostKind.SWITCH
                || host.kind() == HostKind.ACCESS_POINT
                || index.profileOf(host).filter(Profile::passesNetwork).isPresent();
    }
}
