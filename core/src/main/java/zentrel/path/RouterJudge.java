package zentrel.path;

import java.util.List;
import java.util.Optional;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.path.TransportJudge.Pair;
import zentrel.path.TransportJudge.Shipment;
import zentrel.plan.*;

/** Hop 5 between two segments that a router joins, where nothing goes by it: why not, and what to set. */
final class RouterJudge {
    private final PathContext context;
    private final Remedies remedies;

    RouterJudge(PathContext context, Remedies remedies) {
        this.context = context;
        this.remedies = remedies;
    }

    /** Says why nothing goes by the router that joins the two; false where none does. */
    boolean judge(HopDraft hop, Shipment s, Host from, Host to, Pair pair) {
        for (Adapter in : PathContext.real(to)) {
            Optional<Host> router = context.routerJoining(pair.out(), in);
            Optional<HostAddress> own = first(pair.out());
            Optional<HostAddress> there = first(in);
            if (router.isPresent() && own.isPresent() && there.isPresent()) {
                if (s.delivery() == Delivery.UNICAST) {
                    new Way(hop, from, to, router.get(), pair.out(), in, own.get(), there.get()).judge();
                    return true;
                }
                return endsThere(hop, s, from, to, router.get(), there.get().address());
            }
        }
        return false;
    }

    private static Optional<HostAddress> first(Adapter adapter) {
        return adapter.addresses().stream().map(AdapterAddress::inForce).findFirst();
    }

    /**
     * What is for all of a network ends at its edge: a group's packets live for one network only (RFC 1112, section 6.1: TTL 1),
     * and no router passes broadcasts on (RFC 1812, section 5.3.5).
     */
    private boolean endsThere(HopDraft hop, Shipment s, Host from, Host to, Host router, Ipv4Address there) {
        if (!(context.index.find(s.signal()).orElse(null) instanceof Stream stream)) {
            return false;
        }
        boolean group = s.delivery() == Delivery.MULTICAST;
        String what = group ? "a group" : s.delivery() == Delivery.FOUND ? "a poll" : "a broadcast";
        hop.broken(
                group ? Reason.GROUP_NOT_ROUTED : Reason.APART,
                stream.id(),
                what.substring(2) + " ends at " + router.name(),
                to.name() + " is behind " + router.name() + ", and " + what + " of " + from.name() + " ends there"
                        + (group
                                ? ": its packets may cross no router unless they are told to and it is set up for groups"
                                : "")
                        + ". Send to its address instead, or put both on one segment.",
                List.of(remedies.addToList(stream, there)));
        return true;
    }

    /** From one adapter to another by a router between, for one address. */
    private final class Way {
        private final HopDraft hop;
        private final Host from;
        private final Host to;
        private final Host router;
        private final Adapter out;
        private final Adapter in;
        private final HostAddress own;
        private final HostAddress there;

        Way(
                HopDraft hop,
                Host from,
                Host to,
                Host router,
                Adapter out,
                Adapter in,
                HostAddress own,
                HostAddress there) {
            this.hop = hop;
            this.from = from;
            this.to = to;
            this.router = router;
            this.out = out;
            this.in = in;
            this.own = own;
            this.there = there;
        }

        void judge() {
            Optional<HostAddress> near = on(out);
            Optional<HostAddress> far = on(in);
            Optional<RouteTable.Way> way = RouteTable.of(out).to(there.address());
            if (way.isPresent() && way.get().via().isEmpty()) {
                takenForNear();
            } else if (near.isEmpty() || far.isEmpty()) {
                Adapter at = near.isEmpty() ? out : in;
                broken(
                        router.id(),
                        router.name() + " is not there",
                        router.name() + ", which joins " + segments()
                                + ", has no adapter that is up with an address on " + segment(at) + ".",
                        List.of());
            } else if (!own.sees(near.get().address())) {
                broken(
                        out.id(),
                        router.name() + " off " + own.subnet(),
                        from.name() + " at " + own + " does not see " + router.name() + " at " + near.get()
                                + ", which joins " + segments() + ". Give both an address of one subnet.",
                        remedies.joinSubnet(out, near.get().subnet()));
            } else if (way.isEmpty() || !way.get().via().equals(near.map(HostAddress::address))) {
                notTold(way, near.get().address());
            } else {
                broken(
                        in.id(),
                        there.address() + " off " + far.get().subnet(),
                        router.name() + " has " + far.get() + " on " + segment(in)
                                + " and sends nothing for " + to.name() + " at " + there + " there. Give "
                                + to.name() + " an address of " + far.get().subnet() + ".",
                        remedies.joinSubnet(in, far.get().subnet()));
            }
        }

        /** The mistake of a wide mask: it covers what is behind the router, so nobody asks the router for it. */
        private void takenForNear() {
            List<Edit> edits = context.usualSubnet(out.segment().orElseThrow())
                    .filter(usual -> !usual.contains(there.address()))
                    .map(usual -> remedies.joinSubnet(out, usual))
                    .orElse(List.of());
            broken(
                    out.id(),
                    there.address() + " taken for near",
                    from.name() + " at " + own + " takes " + there.address() + " for a neighbour and looks for "
                            + to.name() + " on " + segment(out) + ", so nothing goes by " + router.name() + ". "
                            + (edits.isEmpty()
                                    ? "Give one of the two segments a range outside the other's."
                                    : "Give it the mask of its segment."),
                    edits);
        }

        private void notTold(Optional<RouteTable.Way> way, Ipv4Address near) {
            String now = way.flatMap(RouteTable.Way::via)
                    .map(via -> "sends what is not near to " + via + ", which is not " + router.name())
                    .orElse("was told no router for " + there.address());
            broken(
                    out.id(),
                    "not by " + near,
                    from.name() + " at " + own + " " + now + ". " + router.name() + ", which leads to " + segment(in)
                            + ", is " + near + " there: make that its gateway.",
                    List.of(remedies.giveGateway(out, near)));
        }

        private void broken(Id cause, String brief, String text, List<Edit> edits) {
            hop.broken(Reason.NOT_ROUTED, cause, brief, text, edits);
        }

        /** The router's own address on the segment of an adapter. */
        private Optional<HostAddress> on(Adapter adapter) {
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

        private String segment(Adapter adapter) {
            return context.index.segment(adapter.segment().orElseThrow()).name();
        }

        private String segments() {
            return segment(out) + " and " + segment(in);
        }
    }
}
