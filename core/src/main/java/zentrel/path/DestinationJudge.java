package zentrel.path;

import java.util.List;
import java.util.Optional;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.plan.*;

/** Hop 4: whether the delivery names the receiver, and the sender has a route to it. */
final class DestinationJudge {
    private final PathContext context;
    private final SubnetAdvice subnets;

    DestinationJudge(PathContext context) {
        this.context = context;
        this.subnets = new SubnetAdvice(context);
    }

    void judge(
            HopDraft hop,
            Shipment s,
            Host to,
            Pair pair,
            Optional<HostAddress> source,
            Optional<HostAddress> destination,
            boolean named) {
        switch (s.delivery()) {
            case DIRECT -> throw new IllegalStateException("What leaves directly names nobody on a network.");
            case MULTICAST -> hop.passes(s.from().id(), Facts.as("group"));
            case LIMITED_BROADCAST -> hop.passes(s.from().id(), Facts.as("limited-broadcast"));
            case BROADCAST ->
                hop.passes(
                        s.from().id(),
                        source.map(a -> Facts.as("broadcast", "source", a)).orElse(Facts.as("broadcast-nowhere")));
            case UNICAST, FOUND -> {
                String form = (s.delivery() == Delivery.FOUND ? "found" : "unicast")
                        + (destination.isPresent() ? "" : "-nowhere");
                Facts facts = Facts.as(form, "partner", to);
                hop.passes(
                        s.from().id(),
                        destination.map(d -> facts.and("destination", d)).orElse(facts));
                if (s.delivery() == Delivery.UNICAST && !named) {
                    misses(hop, s, to, pair.in());
                }
                ownAddress(hop, s, pair, destination);
                judgeRoute(hop, s, to, pair, source, destination);
            }
        }
    }

    void misses(HopDraft hop, Shipment s, Host to, Adapter in) {
        if (planned(hop, s, to)) {
            return;
        }
        Optional<HostAddress> wanted = Adapters.first(in);
        boolean listed = missed(s) == Reason.NOT_DELIVERED;
        Optional<Host> whose = listed ? Optional.empty() : whose(s.destinations());
        String form = (listed ? "listed" : whose.isPresent() ? "others" : "another")
                + (wanted.isPresent() ? "" : "-without-address");
        Facts facts = Facts.as(form, "signal", going(s), "list", list(s), "partner", to, "sent", s.signal());
        facts = whose.isPresent() ? facts.and("whose", whose.get()) : facts;
        hop.broken(missed(s), s.signal(), wanted.isPresent() ? facts.and("address", wanted.get()) : facts);
    }

    private static Facts list(Shipment s) {
        return s.destinations().isEmpty() ? Facts.as("nobody") : Facts.as("addresses", "all", s.destinations());
    }

    /** How a signal fails that is addressed to somebody else. */
    private Reason missed(Shipment s) {
        Object signal = context.index.find(s.signal()).orElseThrow();
        return signal instanceof ControlLink
                ? Reason.WRONG_TARGET
                : signal instanceof Attachment ? Reason.ATTACHED_ELSEWHERE : Reason.NOT_DELIVERED;
    }

    /** Who sends what, up to where it goes. */
    private Facts going(Shipment s) {
        return context.index.find(s.signal()).orElseThrow() instanceof Stream stream
                ? Facts.as("sends", "program", s.from(), "universe", context.index.universe(stream.universe()))
                : Facts.as("goes", "signal", s.signal());
    }

    /** It goes to an address that is planned for the receiver and not in force there. */
    private boolean planned(HopDraft hop, Shipment s, Host to) {
        for (Adapter adapter : PathContext.real(to)) {
            for (AdapterAddress a : adapter.addresses()) {
                Ipv4Address planned = a.address().planned().address();
                if (!a.address().isPending() || !s.destinations().contains(planned)) {
                    continue;
                }
                Ipv4Address now = a.inForce().address();
                hop.broken(
                        missed(s),
                        adapter.id(),
                        Facts.as(
                                "planned",
                                "signal",
                                going(s),
                                "planned",
                                planned,
                                "partner",
                                to,
                                "now",
                                now,
                                "adapter",
                                adapter,
                                "sent",
                                s.signal()));
                return true;
            }
        }
        return false;
    }

    private Optional<Host> whose(List<Ipv4Address> destinations) {
        for (Ipv4Address destination : destinations) {
            for (Host host : context.plan.hosts()) {
                if (host.adapters().stream().anyMatch(a -> PathContext.has(a, destination))) {
                    return Optional.of(host);
                }
            }
        }
        return Optional.empty();
    }

    /** A system delivers to itself whatever is for one of its own addresses (Linux: ip route get, table local). */
    private void ownAddress(HopDraft hop, Shipment s, Pair pair, Optional<HostAddress> destination) {
        Host from = context.index.host(s.from().host());
        destination
                .flatMap(d -> PathContext.real(from).stream()
                        .filter(a -> PathContext.has(a, d.address()))
                        .findFirst())
                .ifPresent(own -> hop.broken(
                        Reason.OWN_ADDRESS,
                        pair.in().id(),
                        Facts.as(
                                "itself",
                                "address",
                                destination.get(),
                                "sender",
                                from,
                                "partner",
                                context.index.hostOf(pair.in().id()),
                                "adapter",
                                pair.in(),
                                "own",
                                own)));
    }

    private void judgeRoute(
            HopDraft hop,
            Shipment s,
            Host to,
            Pair pair,
            Optional<HostAddress> source,
            Optional<HostAddress> destination) {
        if (source.isEmpty() || destination.isEmpty()) {
            return;
        }
        if (!pair.joined()) {
            routedElsewhere(hop, s, to, pair, destination.get());
            return;
        }
        boolean routed = !context.routers().between(pair.out(), pair.in()).isEmpty();
        boolean there = routed || PathContext.sees(pair.out(), destination.get().address());
        boolean back = !context.routers().between(pair.in(), pair.out()).isEmpty()
                || PathContext.hasRoute(to, source.get().address());
        Facts ends =
                Facts.of("program", s.from(), "source", source.get(), "partner", to, "destination", destination.get());
        if (!there) {
            Adapter odd = subnets.odd(pair);
            hop.broken(Reason.NO_ROUTE, odd.id(), ends.in(back ? "back" : "").and(subnets.facts(odd, pair)));
        } else if (s.delivery() == Delivery.FOUND && !back) {
            hop.broken(Reason.REPLY_LOST, pair.in().id(), ends.and(subnets.facts(pair.in(), pair)));
        }
        if (s.delivery() == Delivery.FOUND
                && !HostReceive.accepts(to, pair.in(), source.get().broadcast())) {
            Adapter odd = subnets.odd(pair);
            hop.atRisk(Reason.POLL_DIFFERS, odd.id(), ends.and(subnets.facts(odd, pair)));
        }
    }

    /** The system sends by an adapter that does not lead there, though the one the program is bound to does. */
    private void routedElsewhere(HopDraft hop, Shipment s, Host to, Pair pair, HostAddress destination) {
        Host from = context.index.host(s.from().host());
        boolean boundLeads = s.from().binding(s.send()).mode() == BindingMode.ADAPTERS
                && s.from().binding(s.send()).adapters().stream()
                        .map(context.index::adapter)
                        .anyMatch(a -> !a.id().equals(pair.out().id())
                                && (PathContext.sameSegment(a, pair.in())
                                        || !context.routers()
                                                .between(a, pair.in())
                                                .isEmpty()));
        if (from.system().sendsByRoute().value() && boundLeads) {
            hop.broken(
                    Reason.ROUTED_ELSEWHERE,
                    pair.out().id(),
                    Facts.as(
                                    from.system().sendsByRoute().isDoubtful() ? "doubtful" : "",
                                    "device",
                                    from,
                                    "destination",
                                    destination,
                                    "adapter",
                                    pair.out(),
                                    "partner",
                                    to)
                            .restingOn(from.system().sendsByRoute()));
        }
    }
}
