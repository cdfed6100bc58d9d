package zentrel.plan;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import zentrel.profile.HostKind;
import zentrel.profile.Profile;

/**
 * What the boxes that pass a segment on do with groups.
 *
 * @param snoopers those that pass a group only to whom asked for it; none where groups flood
 * @param querier the first that asks who still wants a group, if any does
 */
public record IgmpSnooping(List<Id<Host>> snoopers, Optional<Id<Host>> querier) {
    /** Groups go everywhere, as over a switch without settings. */
    public static final IgmpSnooping FLOODS = new IgmpSnooping(List.of(), Optional.empty());

    public IgmpSnooping {
        snoopers = List.copyOf(snoopers);
    }

    /** Whether groups go to their members only, and go on doing so. */
    public boolean isAsked() {
        return !snoopers.isEmpty() && querier.isPresent();
    }

    /** Every segment of a plan on which anything snoops. */
    public static Map<Id<Segment>, IgmpSnooping> of(Plan plan) {
        Map<Id<Segment>, List<Host>> passing = new LinkedHashMap<>();
        for (Host host : plan.hosts()) {
            if (host.power().on() && host.switching().mindsGroups()) {
                for (Id<Segment> segment : segmentsOf(plan.index(), host)) {
                    passing.computeIfAbsent(segment, s -> new ArrayList<>()).add(host);
                }
            }
        }
        Map<Id<Segment>, IgmpSnooping> all = new LinkedHashMap<>();
        passing.forEach((segment, hosts) -> {
            List<Id<Host>> snoopers = hosts.stream()
                    .filter(h -> h.switching().snooping().inForce())
                    .map(Host::id)
                    .toList();
            if (!snoopers.isEmpty()) {
                all.put(
                        segment,
                        new IgmpSnooping(
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
    private static Set<Id<Segment>> segmentsOf(PlanIndex index, Host box) {
        Set<Id<Segment>> segments = new LinkedHashSet<>();
        Set<Id<Host>> seen = new LinkedHashSet<>();
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
                    for (Id<?> end : List.of(cable.from(), cable.to())) {
                        end.as(Kind.ADAPTER)
                                .flatMap(a -> index.adapter(a).segment())
                                .ifPresent(segments::add);
                        index.hostAtEnd(end).filter(h -> passesOn(index, h)).ifPresent(open::add);
                    }
                }
            }
        }
        return segments;
    }

    /** Whether a box passes the network on from socket to socket. */
    public static boolean passesOn(PlanIndex index, Host host) {
        return host.kind() == HostKind.SWITCH
                || host.kind() == HostKind.ACCESS_POINT
                || index.profileOf(host).filter(Profile::passesNetwork).isPresent();
    }
}
