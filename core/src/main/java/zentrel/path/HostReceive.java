package zentrel.path;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.plan.*;

/** Hop 6: whether the receiver's adapter and system take what arrives. */
final class HostReceive {
    private final PathContext context;
    private final Remedies remedies;
    private final SubnetAdvice subnets;
    private final SenderJudge addresses;

    HostReceive(PathContext context, Remedies remedies) {
        this.context = context;
        this.remedies = remedies;
        this.subnets = new SubnetAdvice(context, remedies);
        this.addresses = new SenderJudge(context, remedies);
    }

    void judge(
            HopDraft hop,
            Shipment s,
            Host to,
            Pair pair,
            Optional<HostAddress> source,
            Optional<HostAddress> destination) {
        Adapter in = pair.in();
        hop.passes(
                in.id(),
                destination.map(d -> d.address().toString()).orElse("no address"),
                "The " + nameOf(in) + " is up with "
                        + destination.map(HostAddress::toString).orElse("no address") + Adapters.planned(in) + ".");
        context.judgePower(hop, Reason.FAR_NO_POWER, to);
        if (!in.enabled().inForce()) {
            hop.broken(
                    Reason.FAR_SWITCHED_OFF,
                    in.id(),
                    "switched off",
                    "The " + nameOf(in) + " is switched off. Switch it on.",
                    List.of(remedies.switchOn(in)));
        }
        if (!in.carrier() && in.needsCarrier() && pair.joined()) {
            hop.broken(
                    Reason.FAR_UNPLUGGED,
                    in.id(),
                    "no cable",
                    "The " + nameOf(in) + " has no cable. Plug it in" + addresses.segmentName(in) + ".",
                    List.of(remedies.plugIn(in, pair.out().segment())));
        }
        if (destination.isEmpty()) {
            hop.broken(
                    Reason.FAR_NO_ADDRESS,
                    in.id(),
                    "no address",
                    "The " + nameOf(in) + " has no address. Give it one.",
                    remedies.addresses().giveAddress(in, 0, Optional.empty()));
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
                    source.get().broadcast() + " ≠ " + destination.get().broadcast(),
                    context.index.name(s.from().id()) + " at " + source.get() + " sends to its broadcast "
                            + source.get().broadcast() + "; "
                            + to.name() + " at " + destination.get() + " takes only "
                            + destination.get().broadcast() + ". "
                            + Adapters.capitalised(subnets.advice(odd, pair)),
                    subnets.remedies(odd, pair));
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
        String text = destination.address() + " is the address of " + to.name() + "'s " + owner.name()
                + " adapter, and what is sent to it arrives by " + in.name()
                + Adapters.first(in)
                        .map(a -> "; send it to " + a.address() + ".")
                        .orElse(".");
        List<Edit> edits = new ArrayList<>();
        Adapters.first(in).ifPresent(own -> edits.add(remedies.aim(s.signal(), own.address())));
        if (to.system() == OperatingSystem.WINDOWS) {
            hop.broken(Reason.OTHER_ADAPTER, owner.id(), "arrives by " + in.name(), text, edits);
        } else {
            hop.atRisk(
                    Reason.OTHER_ADAPTER,
                    owner.id(),
                    "arrives by " + in.name(),
                    text + " Whether " + to.name() + " takes it there depends on its firmware.",
                    edits);
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
                    "no route to " + source.address(),
                    to.name() + " drops what comes from " + source.address() + ", to which it has no route. "
                            + Adapters.capitalised(subnets.advice(in, pair)),
                    subnets.remedies(in, pair));
        } else if (to.sourceCheck() == SourceCheck.STRICT && !back.get(0).equals(in)) {
            hop.broken(
                    Reason.SOURCE_CHECK,
                    in.id(),
                    "answers by " + back.get(0).name(),
                    to.name() + " drops what comes from " + source.address() + " by " + in.name()
                            + ", for it would answer by " + back.get(0).name() + ". Let it check loosely, or "
                            + subnets.advice(in, pair),
                    List.of(remedies.checkLoosely(to)));
        }
    }

    private void duplicate(HopDraft hop, Shipment s, Adapter in, HostAddress address) {
        List<Adapter> holders = context.holdersOf(in.segment().orElseThrow(), address.address());
        Optional<Adapter> own = holders.stream()
                .filter(a -> context.index.hostOf(a.id()).id().equals(s.from().host()))
                .findFirst();
        if (own.isPresent()) {
            // a system delivers to itself whatever is for one of its own addresses (Linux: ip route get, table local)
            String sender = context.index.hostOf(own.get().id()).name();
            List<Edit> edits = new ArrayList<>(remedies.addresses()
                    .giveAddress(in, AddressRemedies.at(in, address.address()), Optional.of(address.subnet())));
            edits.addAll(remedies.addresses()
                    .giveAddress(
                            own.get(),
                            AddressRemedies.at(own.get(), address.address()),
                            Optional.of(address.subnet())));
            hop.broken(
                    Reason.DUPLICATE,
                    in.id(),
                    sender + " has it too",
                    address.address() + " is an address of " + sender + " as well as of "
                            + context.index.hostOf(in.id()).name() + ", so " + sender
                            + " delivers what it sends there to itself. Give one of the two another address.",
                    edits);
        } else if (holders.size() > 1) {
            Adapter last = holders.get(holders.size() - 1);
            List<String> names = holders.stream()
                    .map(a -> context.index.hostOf(a.id()).name())
                    .toList();
            hop.atRisk(
                    Reason.DUPLICATE,
                    last.id(),
                    "one of " + holders.size() + " answers",
                    address.address() + " is given to " + String.join(" and ", names)
                            + ": unicast reaches whichever answered last; broadcast and groups still reach all of them. Give the "
                            + context.index.name(last.id()) + " another.",
                    remedies.addresses().giveEachItsOwn(holders, address));
        }
    }

    private String nameOf(Adapter adapter) {
        return context.index.find(adapter.id()).isPresent() ? context.index.name(adapter.id()) : adapter.name();
    }
}
