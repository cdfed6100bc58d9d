package zentrel.routing;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import zentrel.plan.*;
import zentrel.profile.PortKind;
import zentrel.profile.Protocol;
import zentrel.text.Counted;

/**
 * Universes that are sent and used and that no port takes, given to free ports. A port of a page that has a number already gets one of
 * the same Net and Sub-Net only.
 *
 * @param lines what goes where, and why there, one sentence each
 * @param left the universes that found no port, and why
 * @param edit all of it
 */
public record AutoRoutes(List<String> lines, List<String> left, Edit edit) {
    public AutoRoutes {
        lines = List.copyOf(lines);
        left = List.copyOf(left);
    }

    private record Given(Id<Port> port, Id<Universe> universe, Protocol protocol, int wire) {}

    /** Works it out. */
    public static AutoRoutes of(Plan plan) {
        PlanIndex index = plan.index();
        Set<Id<Port>> taken = new HashSet<>();
        Map<Id<Port>, Integer> wires = new HashMap<>();
        for (Receiver r : plan.receivers()) {
            for (Port p : r.ports()) {
                boolean used = p.enabled().inForce()
                        && p.wire().isPresent()
                        && !index.universesOf(p.id()).isEmpty();
                if (used) {
                    taken.add(p.id());
                    wires.put(p.id(), p.wire().get().inForce());
                }
            }
        }
        List<Given> given = new ArrayList<>();
        List<String> lines = new ArrayList<>();
        List<String> left = new ArrayList<>();
        for (Universe u : plan.universes()) {
            List<Port> ports = index.portsOf(u.id()).stream()
                    .filter(p -> p.kind() == PortKind.DMX)
                    .toList();
            boolean used = !index.fixturesIn(u.id()).isEmpty();
            if (!ports.isEmpty() || !used) {
                continue;
            }
            Optional<Stream> stream = index.streamsOf(u.id()).stream()
                    .filter(s -> s.protocol().onNetwork() && index.wireOf(s).isPresent())
                    .findFirst();
            if (stream.isEmpty()) {
                left.add(u.label() + " " + u.name() + " is used, and no program sends it.");
                continue;
            }
            int wire = index.wireOf(stream.get()).orElseThrow();
            Protocol protocol = stream.get().protocol();
            Optional<Port> port = free(plan, taken, wires, protocol, wire);
            if (port.isEmpty()) {
                left.add(u.label() + " " + u.name() + " finds no free port that receives " + protocol.title() + " "
                        + wire + (protocol == Protocol.ARTNET ? " on a page of its Sub-Net" : "") + ".");
                continue;
            }
            taken.add(port.get().id());
            wires.put(port.get().id(), wire);
            given.add(new Given(port.get().id(), u.id(), protocol, wire));
            lines.add(u.label() + " " + u.name() + " goes to "
                    + index.name(port.get().id()) + " as "
                    + protocol.title() + " " + wire + ": it is free"
                    + (protocol == Protocol.ARTNET
                            ? " and its page has Sub-Net " + (wire >> 4 & 15) + " or none yet"
                            : "")
                    + ".");
        }
        return new AutoRoutes(
                lines, left, new Edit("Route " + Counted.of(given.size(), "universe") + " to free ports", p -> {
                    Plan next = p;
                    for (Given g : given) {
                        next = next.with(g.port(), x -> x.puttingOut(g.universe(), g.protocol(), g.wire()));
                    }
                    return next;
                }));
    }

    private static Optional<Port> free(
            Plan plan, Set<Id<Port>> taken, Map<Id<Port>, Integer> wires, Protocol protocol, int wire) {
        for (Receiver r : plan.receivers()) {
            if (!r.protocols().contains(protocol)) {
                continue;
            }
            for (Port p : r.ports()) {
                boolean fits = p.kind() == PortKind.DMX
                        && !taken.contains(p.id())
                        && (protocol != Protocol.ARTNET || page(plan, r, p, wires, wire));
                if (fits) {
                    return Optional.of(p);
                }
            }
        }
        return Optional.empty();
    }

    /** Whether the ports of one page would all be in one Sub-Net (Art-Net 4: a page has one Net and Sub-Net). */
    private static boolean page(Plan plan, Receiver r, Port port, Map<Id<Port>, Integer> wires, int wire) {
        int per = PortPages.perPage(plan, r);
        if (per == 0) {
            return true;
        }
        int at = r.ports().indexOf(port);
        return r.ports().subList(at / per * per, Math.min(r.ports().size(), at / per * per + per)).stream()
                .filter(p -> p.protocol().inForce() == Protocol.ARTNET)
                .allMatch(p -> wires.getOrDefault(p.id(), wire) >> 4 == wire >> 4);
    }
}
