package zentrel.path;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.plan.*;

/** Hop 4: whether the delivery names the receiver, and the sender has a route to it. */
final class DestinationJudge {
    private final PathContext context;
    private final Remedies remedies;
    private final SubnetAdvice subnets;

    DestinationJudge(PathContext context, Remedies remedies) {
        this.context = context;
        this.remedies = remedies;
        this.subnets = new SubnetAdvice(context, remedies);
    }

    void judge(
            HopDraft hop,
            Shipment s,
            Host to,
            Pair pair,
            Optional<HostAddress> source,
            Optional<HostAddress> destination,
            boolean named) {
        String target = destination.map(d -> d.address().toString()).orElse("no address");
        switch (s.delivery()) {
            case DIRECT -> throw new IllegalStateException("What leaves directly names nobody on a network.");
            case MULTICAST ->
                hop.passes(s.from().id(), "group", "Sent to the universe's group, which needs no address.");
            case LIMITED_BROADCAST ->
                hop.passes(s.from().id(), "255.255.255.255", "Sent to 255.255.255.255, to everybody on the segment.");
            case BROADCAST ->
                hop.passes(
                        s.from().id(),
                        source.map(a -> a.broadcast().toString()).orElse("broadcast"),
                        "Sent to " + source.map(a -> a.broadcast().toString()).orElse("the broadcast address")
                                + ", the last address by the sender's mask.");
            case UNICAST, FOUND -> {
                hop.passes(
                        s.from().id(),
                        target,
                        (s.delivery() == Delivery.FOUND ? "Sent to those that answered the poll, " : "Sent to ")
                                + target
                                + (s.delivery() == Delivery.FOUND ? " among them." : ", which " + to.name() + " has."));
                if (s.delivery() == Delivery.UNICAST && !named) {
                    misses(hop, s, to, pair.in());
                }
                judgeRoute(hop, s, to, pair, source, destination);
            }
        }
    }

    void misses(HopDraft hop, Shipment s, Host to, Adapter in) {
        Optional<HostAddress> wanted = Adapters.first(in);
        String list = s.destinations().isEmpty()
                ? "nobody"
                : String.join(
                        ", ",
                        s.destinations().stream().map(Ipv4Address::toString).toList());
        if (planned(hop, s, to)) {
            return;
        }
        String has = wanted.map(w -> to.name() + " has " + w.address()).orElse(to.name() + " has no address");
        List<Edit> edits =
                wanted.map(w -> List.of(remedies.aim(s.signal(), w.address()))).orElse(List.of());
        boolean listed = missed(s) == Reason.NOT_DELIVERED;
        hop.broken(
                missed(s),
                s.signal(),
                listed ? "not on the list" : list + " is not " + to.name(),
                listed
                        ? going(s) + " to " + list + " only; " + has + ". Add it to the list."
                        : going(s) + " to " + list + whose(s.destinations()) + "; " + has + ". Send it there.",
                edits);
    }

    /** How a signal fails that is addressed to somebody else. */
    private Reason missed(Shipment s) {
        Object signal = context.index.find(s.signal()).orElseThrow();
        return signal instanceof ControlLink
                ? Reason.WRONG_TARGET
                : signal instanceof Attachment ? Reason.ATTACHED_ELSEWHERE : Reason.NOT_DELIVERED;
    }

    /** Who sends what, up to where it goes. */
    private String going(Shipment s) {
        return context.index.find(s.signal()).orElseThrow() instanceof Stream stream
                ? context.index.name(s.from().id()) + " sends "
                        + context.index.universe(stream.universe()).label()
                : context.index.name(s.signal()) + " goes";
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
                List<Edit> edits = new ArrayList<>(remedies.addresses().applyPlanned(adapter));
                edits.add(remedies.aim(s.signal(), now));
                hop.broken(
                        missed(s),
                        adapter.id(),
                        planned + " is not in force",
                        going(s) + " to " + planned + ", which is planned for " + to.name() + " and not in force; "
                                + now
                                + " is. Apply " + planned + " on " + to.name() + ", or keep sending to " + now
                                + " until then.",
                        edits);
                return true;
            }
        }
        return false;
    }

    private String whose(List<Ipv4Address> destinations) {
        for (Ipv4Address destination : destinations) {
            for (Host host : context.plan.hosts()) {
                if (host.adapters().stream().anyMatch(a -> PathContext.has(a, destination))) {
                    return ", which is " + host.name();
                }
            }
        }
        return "";
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
        if (!there) {
            Adapter odd = subnets.odd(pair);
            hop.broken(
                    Reason.NO_ROUTE,
                    odd.id(),
                    destination.get().address() + " off " + source.get().subnet(),
                    context.index.name(s.from().id()) + " at " + source.get() + " has no route to " + to.name() + " at "
                            + destination.get()
                            + (back ? ", though the way back is there" : "; nor back") + ". "
                            + Adapters.capitalised(subnets.advice(odd, pair)),
                    subnets.remedies(odd, pair));
        } else if (s.delivery() == Delivery.FOUND && !back) {
            hop.broken(
                    Reason.REPLY_LOST,
                    pair.in().id(),
                    "reply cannot return",
                    to.name() + " at " + destination.get() + " hears the poll of "
                            + context.index.name(s.from().id()) + " at " + source.get()
                            + ", but has no route back, so it is never found. "
                            + Adapters.capitalised(subnets.advice(pair.in(), pair)),
                    subnets.remedies(pair.in(), pair));
        }
    }

    /** The system sends by an adapter that does not lead there, though the one the program is bound to does. */
    private void routedElsewhere(HopDraft hop, Shipment s, Host to, Pair pair, HostAddress destination) {
        Host from = context.index.host(s.from().host());
        boolean boundLeads = s.from().binding(s.send()).mode() == BindingMode.ADAPTERS
                && s.from().binding(s.send()).adapters().stream()
                        .map(context.index::adapter)
                        .anyMatch(a -> !a.id().equals(pair.out().id()) && PathContext.sameSegment(a, pair.in()));
        if (from.system().sendsByRoute() && boundLeads) {
            hop.broken(
                    Reason.ROUTED_ELSEWHERE,
                    pair.out().id(),
                    destination.address() + " by " + pair.out().name(),
                    from.name() + " sends to " + destination.address() + " by its "
                            + pair.out().name()
                            + " adapter, whose subnet "
                            + Adapters.first(pair.out())
                                    .map(a -> a.subnet() + " ")
                                    .orElse("")
                            + "covers it, whatever its programs are bound to; " + to.name()
                            + " is not there. Give that adapter another subnet, or one with a longer mask.",
                    List.of());
        }
    }
}
