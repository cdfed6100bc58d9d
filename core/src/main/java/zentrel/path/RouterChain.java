package zentrel.path;

import java.util.List;
import java.util.Optional;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.ipv4.Subnet;
import zentrel.plan.Adapter;
import zentrel.plan.Host;

/** Hop 5 where only several routers, one after the other, lead to the receiver, and one of them does not pass it on. */
final class RouterChain {
    private final PathContext context;

    RouterChain(PathContext context) {
        this.context = context;
    }

    /** Says where a packet stops, why, and what to tell whoever stops it. */
    void judge(RouterCrossing c) {
        Routers.Course course = context.routers().course(c.out(), c.destination(), c.in());
        if (course.passed().isEmpty()) {
            unsent(c, course);
            return;
        }
        Host at = course.passed().get(course.passed().size() - 1);
        Optional<HostAddress> far = Routers.addressOn(at, c.in());
        if (far.isPresent() && !far.get().sees(c.destination())) {
            offItsNetwork(c, at, far.get());
            return;
        }
        List<Adapter> up = at.adapters().stream().filter(Adapter::isUp).toList();
        stopped(c, course, at, "chain", context.routers().onward(up, course.passed(), c.destination(), c.in()));
    }

    /**
     * It comes to the last router, and the receiver is not on the network that the router has there.
     *
     * @param far the router's own address there
     */
    void offItsNetwork(RouterCrossing c, Host router, HostAddress far) {
        c.broken(c.in().id(), Facts.as("off-its-network", "router", router, "far", far, "subnet", far.subnet()));
    }

    /** What keeps the two networks apart that a mask covers together: the mask of the segment, where there is one. */
    Facts apart(RouterCrossing c) {
        Optional<Subnet> usual =
                c.out().segment().flatMap(context::usualSubnet).filter(subnet -> !subnet.contains(c.destination()));
        return usual.map(subnet -> Facts.as("mask-of-segment", "subnet", subnet))
                .orElse(Facts.as("ranges-outside"));
    }

    /** It does not even come to the first router. */
    private void unsent(RouterCrossing c, Routers.Course course) {
        if (course.last().filter(w -> w.via().isEmpty()).isPresent()) {
            c.broken(
                    c.out().id(),
                    Facts.as("near-at", "at", c.from(), "stops", stops(c, course, c.from()), "apart", apart(c)));
            return;
        }
        Optional<Routers.Onward> onward =
                context.routers().onward(List.of(c.out()), List.of(), c.destination(), c.in());
        stopped(c, course, c.from(), "unsent", onward);
    }

    private void stopped(
            RouterCrossing c, Routers.Course course, Host at, String form, Optional<Routers.Onward> onward) {
        Facts facts =
                Facts.as(onward.isPresent() ? form + "-onward" : "stopped", "at", at, "stops", stops(c, course, at));
        c.broken(
                form.equals("unsent") ? c.out().id() : at.id(),
                onward.map(o -> facts.and(
                                "next",
                                o.next(),
                                "address",
                                o.address(),
                                "by",
                                o.by(),
                                "subnet",
                                c.there().subnet()))
                        .orElse(facts));
    }

    private Facts stops(RouterCrossing c, Routers.Course course, Host at) {
        Optional<RouteTable.Way> way = course.last();
        Facts facts = Facts.as("no-way", "at", at, "destination", c.destination(), "to", c.to(), "in", c.in());
        if (way.isEmpty()) {
            return facts;
        }
        Facts on = facts.and("by", way.get().by());
        Optional<Ipv4Address> via = way.get().via();
        if (via.isEmpty()) {
            return on.in("taken-for-near");
        }
        Optional<Host> back = context.routers().at(way.get());
        Facts there = on.and("via", via.get());
        return back.map(b -> there.in("circle").and("back", b)).orElse(there.in("no-such-router"));
    }
}
