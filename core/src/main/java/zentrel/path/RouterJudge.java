package zentrel.path;

import java.util.List;
import java.util.Optional;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.plan.*;

/** Hop 5 between two segments that a router or several join, where nothing goes by them: why not, and what to set. */
final class RouterJudge {
    private final PathContext context;
    private final Remedies remedies;
    private final RouterChain chain;

    RouterJudge(PathContext context, Remedies remedies) {
        this.context = context;
        this.remedies = remedies;
        chain = new RouterChain(context, remedies);
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
            Crossing crossing = new Crossing(hop, from, to, pair.out(), in, own.get(), there.get());
            router.ifPresentOrElse(r -> unicast(crossing, r), () -> chain.judge(crossing));
            return true;
        }
        return false;
    }

    /**
     * What is for all of a network ends at its edge: a group's packets live for one network only (RFC 1112, section 6.1: TTL 1),
     * and no router passes on what is for all of the network it comes from (RFC 1812, section 5.3.5, from memory).
     */
    private boolean endsThere(HopDraft hop, Shipment s, Host from, Host to, Host router, Ipv4Address there) {
        if (!(context.index.find(s.signal()).orElse(null) instanceof Stream stream)) {
            return false;
        }
        boolean group = s.delivery() == Delivery.MULTICAST;
        String what = group ? "group" : s.delivery() == Delivery.FOUND ? "poll" : "broadcast";
        hop.broken(
                group ? Reason.GROUP_NOT_ROUTED : Reason.APART,
                stream.id(),
                what + " ends at " + router.name(),
                to.name() + " is behind " + router.name() + ", and a " + what + " of " + from.name() + " ends there"
                        + (group
                                ? ": its packets may cross no router unless they are told to and it is set up for groups"
                                : "")
                        + ". Send to its address instead, or put both on one segment.",
                List.of(remedies.addToList(stream, there)));
        return true;
    }

    private void unicast(Crossing c, Host router) {
        Optional<HostAddress> near = Routers.addressOn(router, c.out());
        Optional<HostAddress> far = Routers.addressOn(router, c.in());
        Optional<RouteTable.Way> way = RouteTable.of(c.out()).to(c.destination());
        if (way.isPresent() && way.get().via().isEmpty()) {
            takenForNear(c, router);
        } else if (near.isEmpty() || far.isEmpty()) {
            Adapter at = near.isEmpty() ? c.out() : c.in();
            c.broken(
                    router.id(),
                    router.name() + " is not there",
                    router.name() + ", which joins " + segments(c) + ", has no adapter that is up with an address on "
                            + segment(at) + ".",
                    List.of());
        } else if (!c.own().sees(near.get().address())) {
            c.broken(
                    c.out().id(),
                    router.name() + " off " + c.own().subnet(),
                    c.from().name() + " at " + c.own() + " does not see "
                            + router.name() + " at " + near.get() + ", which joins " + segments(c)
                            + ". Give both an address of one subnet.",
                    remedies.addresses().joinSubnet(c.out(), near.get().subnet()));
        } else if (way.isEmpty() || !way.get().via().equals(near.map(HostAddress::address))) {
            notTold(c, router, way, near.get().address());
        } else {
            chain.offItsNetwork(c, router, far.get());
        }
    }

    /** The mistake of a wide mask: it covers what is behind the router, so nobody asks the router for it. */
    private void takenForNear(Crossing c, Host router) {
        List<Edit> edits = remedies.addresses().narrow(c.out(), c.destination());
        c.broken(
                c.out().id(),
                c.destination() + " taken for near",
                c.from().name() + " at " + c.own() + " takes " + c.destination() + " for a neighbour and looks for "
                        + c.to().name() + " on " + segment(c.out()) + ", so nothing goes by "
                        + router.name() + ". "
                        + RouterChain.apart(edits),
                edits);
    }

    private void notTold(Crossing c, Host router, Optional<RouteTable.Way> way, Ipv4Address near) {
        String now = way.flatMap(RouteTable.Way::via)
                .map(via -> "sends what is not near to " + via + ", which is not " + router.name())
                .orElse("was told no router for " + c.destination());
        c.broken(
                c.out().id(),
                "not by " + near,
                c.from().name() + " at " + c.own() + " " + now + ". "
                        + router.name() + ", which leads to " + segment(c.in()) + ", is " + near
                        + " there: make that its gateway.",
                List.of(remedies.giveGateway(c.out(), near)));
    }

    private String segment(Adapter adapter) {
        return context.index.segment(adapter.segment().orElseThrow()).name();
    }

    private String segments(Crossing c) {
        return segment(c.out()) + " and " + segment(c.in());
    }
}
