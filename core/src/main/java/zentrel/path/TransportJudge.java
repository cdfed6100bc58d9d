package zentrel.path;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.plan.*;
import zentrel.profile.Need;
import zentrel.profile.Traffic;

/**
 * Hops 2 to 7 as far as they do not depend on what is carried: from the sender's binding to the receiver's socket. Each
 * hop that is broken is taken as mended for those after it.
 */
final class TransportJudge {
    private final PathContext context;
    private final OneComputer within;
    private final AdapterChoice choice;
    private final SenderJudge sender;
    private final DestinationJudge destinations;
    private final CarryJudge carrying;
    private final HostReceive receiving;
    private final SocketJudge sockets;
    private final ProgramRanges ranges;

    TransportJudge(PathContext context) {
        this.context = context;
        this.within = new OneComputer(context);
        this.choice = new AdapterChoice(context);
        this.sender = new SenderJudge(context);
        this.destinations = new DestinationJudge(context);
        this.carrying = new CarryJudge(context);
        this.receiving = new HostReceive(context);
        this.sockets = new SocketJudge(context);
        this.ranges = new ProgramRanges(context);
    }

    Carried judge(List<HopDraft> hops, Shipment s) {
        Host from = context.index.host(s.from().host());
        Host to = context.index.host(s.to().host());
        List<Adapter> listening = sockets.listening(s.to(), s.listen(), to);
        if (from.id().equals(to.id())) {
            Carried carried = within.judge(hops, s, from, listening);
            ends(hops, s, carried);
            return carried;
        }
        Optional<WrongTarget> wrong = WrongTarget.of(context, choice, s, from, to, listening);
        Shipment meant =
                wrong.map(w -> s.to(Delivery.UNICAST, List.of(w.right()))).orElseGet(() -> asBroadcast(s, from, to));
        Carried carried = between(hops, meant, from, to, listening);
        wrong.ifPresent(w -> w.judge(HopDraft.at(hops, HopKind.NAMED), context));
        ends(hops, s, carried);
        return carried;
    }

    /** Whether something that a program needs before it sends levels is needed for what it sends. */
    private static boolean isNeeded(Need need, Shipment s) {
        return switch (need) {
            case OUTPUT -> s.traffic() != Traffic.OSC && s.send() != Purpose.SESSION;
            case SESSION -> s.send() != Purpose.SESSION;
            case LICENCE, ALONE -> true;
        };
    }

    /** What is so of the two programs themselves, wherever they send and listen. */
    private void ends(List<HopDraft> hops, Shipment s, Carried carried) {
        ranges.judge(hops, s, carried);
        context.unmet(s.from()).filter(u -> isNeeded(u.need(), s)).ifPresent(u -> {
            HopDraft hop = HopDraft.at(hops, HopKind.MEANS);
            if (u.stops()) {
                hop.broken(u.reason(), s.from().id(), u.facts());
            } else {
                hop.atRisk(u.reason(), s.from().id(), u.facts());
            }
        });
        if (!s.from().installed().runs()) {
            HopDraft.at(hops, HopKind.MEANS).broken(Reason.NOT_RUNNING, s.from().id(), Facts.of("program", s.from()));
        }
        if (!s.to().installed().runs()) {
            HopDraft.at(hops, HopKind.LET_IN).broken(Reason.FAR_NOT_RUNNING, s.to().id(), Facts.of("program", s.to()));
        }
    }

    /**
     * A broadcast address typed in as a destination reaches all that take it, as if broadcast had been chosen: by the adapter
     * whose subnet it is the last address of, or by any for 255.255.255.255.
     */
    private Shipment asBroadcast(Shipment s, Host from, Host to) {
        boolean named = s.destinations().stream()
                .anyMatch(d -> PathContext.real(to).stream().anyMatch(a -> PathContext.has(a, d)));
        if (s.delivery() != Delivery.UNICAST || named) {
            return s;
        }
        for (Adapter out : choice.allowed(s, from)) {
            boolean together = PathContext.real(to).stream().anyMatch(in -> PathContext.sameSegment(out, in));
            if (together && s.destinations().contains(Ipv4Address.LIMITED_BROADCAST)) {
                return s.to(Delivery.LIMITED_BROADCAST, s.destinations());
            }
            if (together && typedBroadcast(out, s.destinations()).isPresent()) {
                return s.to(Delivery.BROADCAST, s.destinations());
            }
        }
        return s;
    }

    /** The address of an adapter whose subnet's broadcast address is among those typed in. */
    private static Optional<HostAddress> typedBroadcast(Adapter out, List<Ipv4Address> typed) {
        return out.addresses().stream()
                .map(AdapterAddress::inForce)
                .filter(a -> typed.contains(a.broadcast()))
                .findFirst();
    }

    /** The address of an adapter that a program uses, where it uses one of several. */
    private static Optional<HostAddress> boundAddress(Binding binding, Adapter adapter) {
        return binding.addressOf(adapter.id())
                .flatMap(address -> adapter.addresses().stream()
                        .map(AdapterAddress::inForce)
                        .filter(a -> a.address().equals(address))
                        .findFirst());
    }

    private Carried between(List<HopDraft> hops, Shipment s, Host from, Host to, List<Adapter> listening) {
        List<Adapter> outs = PathContext.real(from);
        Optional<Adapter> named = s.destinations().stream()
                .flatMap(d -> PathContext.real(to).stream().filter(a -> PathContext.has(a, d)))
                .findFirst();
        List<Adapter> ins = new ArrayList<>();
        named.ifPresent(ins::add);
        PathContext.real(to).stream()
                .filter(a -> Adapters.contains(listening, a))
                .forEach(ins::add);
        ins.addAll(PathContext.real(to));

        HopDraft boundHop = HopDraft.at(hops, HopKind.BOUND);
        Pair bound = choice.bind(boundHop, s, from, to, outs, ins, named);
        Optional<Ipv4Address> typed = s.delivery() == Delivery.UNICAST
                ? s.destinations().stream()
                        .filter(d -> named.filter(n -> PathContext.has(n, d)).isPresent())
                        .findFirst()
                : Optional.empty();
        Optional<HostAddress> source = (s.delivery() == Delivery.BROADCAST
                        ? typedBroadcast(bound.out(), s.destinations())
                        : Optional.<HostAddress>empty())
                .or(() -> boundAddress(s.from().binding(s.send()), bound.out()))
                .or(() -> Adapters.best(bound.out(), bound.in()));
        Pair pair = choice.asRouted(boundHop, s, from, bound, ins, typed, source);
        Adapter out = pair.out();
        Adapter in = pair.in();
        sender.judge(HopDraft.at(hops, HopKind.UP), from, out);
        Optional<HostAddress> destination = typed.isPresent()
                ? named.stream()
                        .flatMap(n -> n.addresses().stream())
                        .map(AdapterAddress::inForce)
                        .filter(a -> a.address().equals(typed.get()))
                        .findFirst()
                : boundAddress(s.to().binding(s.listen()), in).or(() -> Adapters.best(in, out));
        destinations.judge(HopDraft.at(hops, HopKind.NAMED), s, to, pair, source, destination, named.isPresent());
        carrying.judge(HopDraft.at(hops, HopKind.CARRIED), s, from, to, pair);
        receiving.judge(HopDraft.at(hops, HopKind.TAKEN), s, to, pair, source, destination);
        sockets.judge(hops, s, to, in, listening, destination);
        return new Carried(out, in, source, destination, false);
    }
}
