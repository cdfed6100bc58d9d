package zentrel.check;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import zentrel.path.HopKind;
import zentrel.plan.*;
import zentrel.profile.Protocol;
import zentrel.routing.PortPages;
import zentrel.universe.PortAddress;

/** Ports of one page that are meant for different Sub-Nets: {@code port.page}. */
final class PortPage extends PathRule {
    PortPage() {
        super("port.page");
    }

    @Override
    public boolean applies(CheckContext context) {
        return context.plan().receivers().stream().anyMatch(r -> r.protocols().contains(Protocol.ARTNET));
    }

    @Override
    Collection<Finding> unmet(CheckContext context) {
        List<Finding> findings = new ArrayList<>();
        for (Receiver receiver : context.plan().receivers()) {
            if (isOfOneSubNet(receiver)) {
                continue; // nearly all, and a plan may have thousands
            }
            for (List<Port> page : PortPages.of(context.plan(), receiver)) {
                List<Port> set = page.stream()
                        .filter(p -> p.protocol().inForce() == Protocol.ARTNET
                                && p.enabled().inForce()
                                && p.wire().isPresent())
                        .toList();
                Set<Integer> subNets = new TreeSet<>();
                set.forEach(p -> subNets.add(p.wire().orElseThrow().inForce() >> 4));
                if (subNets.size() > 1) {
                    findings.add(finding(context, receiver, set));
                }
            }
        }
        return findings;
    }

    private static boolean isOfOneSubNet(Receiver receiver) {
        int first = -1;
        for (Port port : receiver.ports()) {
            if (port.wire().isPresent()) {
                int subNet = port.wire().get().inForce() >> 4;
                if (first >= 0 && subNet != first) {
                    return false;
                }
                first = subNet;
            }
        }
        return true;
    }

    private Finding finding(CheckContext context, Receiver receiver, List<Port> set) {
        int first = set.get(0).wire().orElseThrow().inForce() >> 4;
        Port odd = set.stream()
                .filter(p -> p.wire().orElseThrow().inForce() >> 4 != first)
                .findFirst()
                .orElseThrow();
        int wire = odd.wire().orElseThrow().inForce();
        List<Edit> edits = new ArrayList<>();
        if (receiver.protocols().contains(Protocol.SACN)) {
            edits.add(new Edit(
                    RuleWords.say("port.page.fix", "port", context.index().name(odd.id())),
                    p -> bySacn(context, p, odd)));
        }
        return unmet(
                Severity.BROKEN,
                Optional.of(HopKind.AGREES),
                List.of(odd.id()),
                RuleWords.say(
                        "port.page.says",
                        "port",
                        context.index().name(odd.id()),
                        "wire",
                        String.valueOf(wire),
                        "address",
                        dress(wire),
                        "other",
                        context.index().name(set.get(0).id()),
                        "subNet",
                        first & 15),
                edits);
    }

    private static String dress(int wire) {
        return Protocol.ARTNET.carries(wire)
                ? new PortAddress(wire).toString()
                : RuleWords.say("port.page.part/no-address");
    }

    /** The port and the streams that are meant for it by sACN, with the show's number. */
    private static Plan bySacn(CheckContext context, Plan plan, Port port) {
        Plan next = plan;
        for (Id<Universe> id : context.index().universesOf(port.id())) {
            Universe universe = context.index().universe(id);
            next = next.with(port.id(), x -> x.withProtocol(Protocol.SACN).withWire(universe.number()));
            for (Stream stream : context.index().streamsOf(id)) {
                if (stream.protocol() == Protocol.ARTNET) {
                    next = context.remedies()
                            .alsoSend(stream, context.index().port(port.id()), Protocol.SACN)
                            .applyTo(next);
                }
            }
        }
        return next;
    }
}
