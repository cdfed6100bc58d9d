package zentrel.path;

import java.util.List;
import java.util.Optional;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.plan.*;

/** Hop 6: whether the receiver's adapter and system take what arrives. */
final class HostReceive {
    private final PathContext context;
    private final SubnetAdvice subnets;
    private final SenderJudge addresses;

    HostReceive(PathContext context) {
        this.context = context;
        this.subnets = new SubnetAdvice(context);
        this.addresses = new SenderJudge(context);
    }

    void judge(
            HopDraft hop,
            Shipment s,
            Host to,
            Pair pair,
            Optional<HostAddress> source,
            Optional<HostAddress> destination) {
        Adapter in = pair.in();
        Facts up = Facts.as(destination.isPresent() ? "received" : "received-nowhere", "adapter", in);
        hop.passes(in.id(), destination.map(d -> up.and("destination", d)).orElse(up));
        context.judgePower(hop, Reason.FAR_NO_POWER, to);
        if (!in.enabled().inForce()) {
            hop.broken(Reason.FAR_SWITCHED_OFF, in.id(), Facts.of("adapter", in));
        }
        if (!in.carrier() && in.needsCarrier() && pair.joined()) {
            Facts facts = Facts.of("adapter", in);
            Optional<Id<Segment>> segment = pair.out().segment();
            hop.broken(
                    Reason.FAR_UNPLUGGED, in.id(), segment.isPresent() ? facts.and("segment", segment.get()) : facts);
        }
        if (destination.isEmpty()) {
            hop.broken(Reason.FAR_NO_ADDRESS, in.id(), Facts.of("adapter", in));
        }
        addresses.notAHost(hop, Reason.FAR_NOT_A_HOST, in);
        if (source.isEmpty() || destination.isEmpty() || !pair.joined()) {
            return;
        }
        otherAdapter(hop, s, to, in, destination.get());
        if (s.delivery() == Delivery.BROADCAST
                && !takesBroadcast(to, in, source.get().broadcast())) {
            Adapter odd = subnets.odd(pair);
            hop.broken(
                    Reason.BROADCAST_DIFFERS,
                    odd.id(),
                    subnets.facts(odd, pair)
                            .and(
                                    "program",
                                    s.from(),
                                    "source",
                                    source.get(),
                                    "partner",
                                    to,
                                    "destination",
                                    destination.get()));
        }
        sourceCheck(hop, to, pair, source.get());
        if ((s.delivery() == Delivery.UNICAST || s.delivery() == Delivery.FOUND)
                && in.segment().isPresent()) {
            duplicate(hop, s, in, destination.get());
        }
    }

    /** Whether a broadcast address is one of its own; a weak host takes that of any of its adapters by any of them. */
    private static boolean takesBroadcast(Host to, Adapter in, Ipv4Address broadcast) {
        return (to.system().takesOnAny() ? PathContext.real(to) : List.of(in))
                .stream()
                        .flatMap(a -> a.addresses().stream())
                        .anyMatch(a -> a.inForce().broadcast().equals(broadcast));
    }

    /** Sent to the address of one adapter, and arriving by another. */
    private void otherAdapter(HopDraft hop, Shipment s, Host to, Adapter in, HostAddress destination) {
        if (PathContext.has(in, destination.address()) || to.system().takesOnAny()) {
            return;
        }
        Adapter owner = PathContext.real(to).stream()
                .filter(a -> PathContext.has(a, destination.address()))
                .findFirst()
                .orElse(in);
        boolean firmware = to.system() != OperatingSystem.WINDOWS;
        Facts facts = Facts.as(
                (firmware ? "firmware" : "windows") + (Adapters.first(in).isPresent() ? "" : "-without-address"),
                "destination",
                destination,
                "partner",
                to,
                "owner",
                owner,
                "adapter",
                in,
                "sent",
                s.signal());
        if (firmware) {
            hop.atRisk(Reason.OTHER_ADAPTER, owner.id(), facts);
        } else {
            hop.broken(Reason.OTHER_ADAPTER, owner.id(), facts);
        }
    }

    /** What a host that checks sources drops (RFC 3704, section 2). */
    private void sourceCheck(HopDraft hop, Host to, Pair pair, HostAddress source) {
        Adapter in = pair.in();
        List<Adapter> back = to.sourceCheck() == SourceCheck.NONE
                ? List.of()
                : RouteTable.of(to).best(source.address()).stream()
                        .map(RouteTable.Way::by)
                        .toList();
        if (to.sourceCheck() != SourceCheck.NONE && back.isEmpty()) {
            hop.broken(
                    Reason.SOURCE_CHECK,
                    in.id(),
                    subnets.facts(in, pair).in("no-route").and("device", to, "source", source));
        } else if (to.sourceCheck() == SourceCheck.STRICT && !back.get(0).equals(in)) {
            hop.broken(
                    Reason.SOURCE_CHECK,
                    in.id(),
                    subnets.facts(in, pair)
                            .in("other-way")
                            .and("device", to, "source", source, "adapter", in, "by", back.get(0)));
        }
    }

    private void duplicate(HopDraft hop, Shipment s, Adapter in, HostAddress address) {
        List<Adapter> holders = context.holdersOf(in.segment().orElseThrow(), address.address());
        Optional<Adapter> own = holders.stream()
                .filter(a -> context.index.hostOf(a.id()).id().equals(s.from().host()))
                .findFirst();
        if (own.isPresent()) {
            // a system delivers to itself whatever is for one of its own addresses (Linux: ip route get, table local)
            hop.broken(
                    Reason.DUPLICATE,
                    in.id(),
                    Facts.as(
                            "itself",
                            "address",
                            address,
                            "sender",
                            context.index.hostOf(own.get().id()),
                            "partner",
                            context.index.hostOf(in.id()),
                            "adapter",
                            in,
                            "own",
                            own.get()));
        } else if (holders.size() > 1) {
            Adapter last = holders.get(holders.size() - 1);
            hop.atRisk(
                    Reason.DUPLICATE,
                    last.id(),
                    Facts.as(
                            "several",
                            "address",
                            address,
                            "devices",
                            holders.stream()
                                    .map(a -> context.index.hostOf(a.id()))
                                    .toList(),
                            "holders",
                            holders,
                            "last",
                            last));
        }
    }
}
