package zentrel.path;

import java.util.Optional;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.plan.*;

/** Hop 5 between two segments that a router or several join, where nothing goes by them: why not, and what to set. */
final class RouterJudge {
    private final PathContext context;
    private final RouterChain chain;

    RouterJudge(PathContext context) {
        this.context = context;
        chain = new RouterChain(context);
    }

    /** Says why nothing goes by the router that joins the two, or by several one after the other; false where none do. */
    boolean judge(HopDraft hop, Shipment s, Host from, Host to, Pair pair) {
        for (Adapter in : PathContext.real(to)) {
            Optional<Host> router = context.routers().joining(pair.out(), in);
            Optional<HostAddress> own = Routers.first(pair.out());
            Optional<HostAddress> there = Routers.first(in);
            Optional<Host> first = router.or(
                    () -> context.routers().chain(pair.out(), in).stream().findFirst());
            if (first.isEmpty() || own.isEmpty() || there.isEmpty()) {
                continue;
            }
            if (s.delivery() != Delivery.UNICAST) {
                return endsThere(hop, s, from, to, first.get(), there.get().address());
            }
            RouterCrossing crossing = new RouterCrossing(hop, from, to, pair.out(), in, own.get(), there.get());
            router.ifPresentOrElse(r -> unicast(crossing, r), () -> chain.judge(crossing));
            return true;
        }
        return false;
    }

    /**
     * What is for all of a network ends at its edge: a group's packets live for one network only (RFC 1112, section 6.1: TTL 1),
     * and no router passes on what is for all of the network it comes from ({@link zentrel.source.Sources#ROUTERS_PASS_NO_BROADCAST}).
     */
    private boolean endsThere(HopDraft hop, Shipment s, Host from, Host to, Host router, Ipv4Address there) {
        if (!(context.index.find(s.signal()).orElse(null) instanceof Stream stream)) {
            return false;
        }
        boolean group = s.delivery() == Delivery.MULTICAST;
        boolean raised = group && s.ttl().filter(t -> t > 1).isPresent();
        Facts facts = Facts.as(
                raised ? "raised" : group ? "" : s.delivery() == Delivery.FOUND ? "poll-ends" : "broadcast-ends",
                "router",
                router,
                "from",
                from,
                "to",
                to,
                "sent",
                stream.id(),
                "address",
                there);
        if (raised) { // whether the router is set up for groups is not part of a plan
            hop.notKnown(Reason.GROUP_NOT_ROUTED, stream.id(), facts);
        } else {
            hop.broken(group ? Reason.GROUP_NOT_ROUTED : Reason.APART, stream.id(), facts);
        }
        return true;
    }

    private void unicast(RouterCrossing c, Host router) {
        Optional<HostAddress> near = Routers.addressOn(router, c.out());
        Optional<HostAddress> far = Routers.addressOn(router, c.in());
        Optional<RouteTable.Way> way = RouteTable.of(c.out()).to(c.destination());
        if (way.isPresent() && way.get().via().isEmpty()) {
            takenForNear(c, router);
        } else if (near.isEmpty() || far.isEmpty()) {
            Adapter at = near.isEmpty() ? c.out() : c.in();
            c.broken(router.id(), Facts.as("not-there", "router", router, "at", at));
        } else if (!c.own().sees(near.get().address())) {
            c.broken(
                    c.out().id(),
                    Facts.as(
                            "off",
                            "router",
                            router,
                            "near",
                            near.get(),
                            "subnet",
                            near.get().subnet()));
        } else if (way.isEmpty() || !way.get().via().equals(near.map(HostAddress::address))) {
            notTold(c, router, way, near.get().address());
        } else {
            chain.offItsNetwork(c, router, far.get());
        }
    }

    /** The mistake of a wide mask: it covers what is behind the router, so nobody asks the router for it. */
    private void takenForNear(RouterCrossing c, Host router) {
        c.broken(c.out().id(), Facts.as("near", "router", router, "apart", chain.apart(c)));
    }

    private void notTold(RouterCrossing c, Host router, Optional<RouteTable.Way> way, Ipv4Address near) {
        Optional<Ipv4Address> via = way.flatMap(RouteTable.Way::via);
        Facts facts = Facts.as(via.isPresent() ? "another-router" : "no-router", "router", router, "near", near);
        c.broken(c.out().id(), via.map(v -> facts.and("via", v)).orElse(facts));
    }
}
