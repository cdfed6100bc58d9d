package zentrel.path;

import java.util.List;
import java.util.Optional;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.plan.*;
import zentrel.profile.OperatingSystem;
import zentrel.source.Sourced;

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
        if (s.delivery() == Delivery.BROADCAST) {
            broadcastDiffers(hop, s, to, pair, source.get(), destination.get());
        }
        sourceCheck(hop, to, pair, source.get());
        if ((s.delivery() == Delivery.UNICAST || s.delivery() == Delivery.FOUND)
                && in.segment().isPresent()) {
            duplicate(hop, s, in, destination.get());
        }
    }

    private void broadcastDiffers(HopDraft hop, Shipment s, Host to, Pair pair, HostAddress from, HostAddress at) {
        if (accepts(to, pair.in(), from.broadcast())) {
            return;
        }
        Sourced<Boolean> onAny = to.system().receivesOnAny();
        boolean others = onAny.value() && isBroadcastOf(PathContext.real(to), from.broadcast());
        Adapter odd = subnets.odd(pair);
        Facts facts = subnets.facts(odd, pair)
                .in(others ? "other-adapter" : "")
                .and("program", s.from(), "source", from, "partner", to, "destination", at);
        hop.broken(Reason.BROADCAST_DIFFERS, odd.id(), others ? facts.restingOn(onAny) : facts);
    }

    /** Whether a broadcast address is one that a host takes for its own on an adapter. */
    static boolean accepts(Host to, Adapter in, Ipv4Address broadcast) {
        Sourced<Boolean> onAny = to.system().receivesOnAny();
        return isBroadcastOf(List.of(in), broadcast)
                || (onAny.value() && !onAny.isDoubtful() && isBroadcastOf(PathContext.real(to), broadcast));
    }

    private static boolean isBroadcastOf(List<Adapter> adapters, Ipv4Address broadcast) {
        return adapters.stream()
                .flatMap(a -> a.addresses().stream())
                .anyMatch(a -> a.inForce().broadcast().equals(broadcast));
    }

    /** Sent to the address of one adapter, and arriving by another: what a "weak host" accepts. */
    private void otherAdapter(HopDraft hop, Shipment s, Host to, Adapter in, HostAddress destination) {
        Sourced<Boolean> onAny = to.system().receivesOnAny();
        if (PathContext.has(in, destination.address()) || (onAny.value() && !onAny.isDoubtful())) {
            return;
        }
        Adapter owner = PathContext.real(to).stream()
                .filter(a -> PathContext.has(a, destination.address()))
                .findFirst()
                .orElse(in);
        boolean open = onAny.isDoubtful() || to.system() == OperatingSystem.FIRMWARE;
        String form = (to.system() == OperatingSystem.FIRMWARE ? "firmware" : open ? "doubtful" : "not-accepted")
                + (Adapters.first(in).isPresent() ? "" : "-without-address");
        Facts facts = Facts.as(
                        form,
                        "destination",
                        destination,
                        "partner",
                        to,
                        "owner",
                        owner,
                        "adapter",
                        in,
                        "sent",
                        s.signal())
                .restingOn(onAny);
        if (open) {
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
        boolean own = holders.stream()
                .anyMatch(a -> context.index.hostOf(a.id()).id().equals(s.from().host()));
        if (!own && holders.size() > 1) {
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
