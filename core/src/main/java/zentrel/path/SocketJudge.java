package zentrel.path;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.plan.*;
import zentrel.profile.OperatingSystem;

/** Hop 7: whether the receiver's firewall lets it in and its program listens where it arrives. */
final class SocketJudge {
    /** Of the groups of sACN (ANSI E1.31-2018 §9.3.1); routes are for all of them alike. */
    static final Ipv4Address ANY_GROUP = Ipv4Address.of(239, 255, 0, 1);

    private final PathContext context;

    SocketJudge(PathContext context) {
        this.context = context;
    }

    void judge(
            List<HopDraft> hops,
            Shipment s,
            Host to,
            Adapter in,
            List<Adapter> listening,
            Optional<HostAddress> destination) {
        HopDraft hop = HopDraft.at(hops, HopKind.LET_IN);
        hop.passes(
                s.to().id(),
                Facts.as(
                        s.to().binding(s.listen()).mode() == BindingMode.ADAPTERS ? "listens-on" : "listens",
                        "program",
                        s.to(),
                        "purpose",
                        s.listen(),
                        "adapter",
                        in));
        if (!s.reply()) {
            firewall(hop, s, to, in);
        }
        if (!Adapters.contains(listening, in)) {
            elsewhere(hops, s, listening, in);
        } else {
            otherAddress(HopDraft.at(hops, HopKind.LET_IN), s, in, destination);
        }
        joins(hops, s, to, in);
    }

    private static void firewall(HopDraft hop, Shipment s, Host to, Adapter in) {
        Firewall firewall = to.firewall();
        Facts facts = Facts.of("device", to, "traffic", s.traffic(), "program", s.to(), "adapter", in);
        if (!firewall.opensFor(s.traffic(), s.to().id(), s.port())) {
            hop.broken(Reason.FIREWALL, to.id(), facts);
        } else if (firewall.isShutOn(in.id())) {
            hop.broken(Reason.FIREWALL, to.id(), facts.in("public"));
        }
    }

    /** It comes to one address of the adapter, and the program listens at another. */
    private void otherAddress(HopDraft hop, Shipment s, Adapter in, Optional<HostAddress> destination) {
        boolean toOne = s.delivery() == Delivery.UNICAST || s.delivery() == Delivery.FOUND;
        Optional<Ipv4Address> own = s.to().binding(s.listen()).addressOf(in.id());
        if (!toOne
                || own.isEmpty()
                || destination.isEmpty()
                || destination.get().address().equals(own.get())) {
            return;
        }
        hop.broken(
                Reason.LISTENS_ELSEWHERE,
                s.to().id(),
                Facts.as(
                        "other-address",
                        "program",
                        s.to(),
                        "purpose",
                        s.listen(),
                        "own",
                        own.get(),
                        "destination",
                        destination.get(),
                        "adapter",
                        in));
    }

    /**
     * Which adapter a group is joined on is the system's choice where the program leaves it open: Linux takes the one that its
     * routes lead the group by (tested against its kernel), the others go by an order of their own.
     */
    private void joins(List<HopDraft> hops, Shipment s, Host to, Adapter in) {
        if (s.delivery() != Delivery.MULTICAST
                || s.to().binding(s.listen()).mode() != BindingMode.AUTOMATIC
                || to.system() == OperatingSystem.FIRMWARE) {
            return;
        }
        List<Adapter> usable = PathContext.real(to).stream()
                .filter(a -> a.isUp() && !a.addresses().isEmpty())
                .toList();
        boolean known = to.system() == OperatingSystem.LINUX
                && RouteTable.of(to)
                        .to(ANY_GROUP)
                        .filter(w -> w.by().id().equals(in.id()))
                        .isPresent();
        if (usable.size() <= 1 || known) {
            return;
        }
        HopDraft.at(hops, HopKind.TAKEN)
                .atRisk(
                        Reason.JOINS_LEFT_TO_SYSTEM,
                        s.to().id(),
                        Facts.of(
                                "program",
                                s.to(),
                                "purpose",
                                s.listen(),
                                "device",
                                to,
                                "adapters",
                                usable,
                                "wanted",
                                in));
    }

    void elsewhere(List<HopDraft> hops, Shipment s, List<Adapter> listening, Adapter in) {
        boolean loopbackOnly = s.to().binding(s.listen()).mode() == BindingMode.LOOPBACK;
        boolean joins = s.delivery() == Delivery.MULTICAST && !loopbackOnly;
        Reason reason =
                loopbackOnly ? Reason.LISTENS_ON_LOOPBACK : joins ? Reason.JOINED_ELSEWHERE : Reason.LISTENS_ELSEWHERE;
        Facts facts = Facts.of("program", s.to(), "purpose", s.listen(), "wanted", in);
        HopDraft.at(hops, reason.hop())
                .broken(
                        reason,
                        s.to().id(),
                        loopbackOnly
                                ? facts
                                : facts.and(
                                        "bound",
                                        listening,
                                        "mode",
                                        s.to().binding(s.listen()).mode()));
    }

    /** The adapters on which an application listens for a purpose. */
    List<Adapter> listening(Application application, Purpose purpose, Host host) {
        Binding binding = application.binding(purpose);
        return switch (binding.mode()) {
            case ADAPTERS ->
                binding.adapters().stream().map(context.index::adapter).toList();
            case LOOPBACK -> List.of(PathContext.loopback(host));
            case FIRST -> host.adapters().stream().limit(1).toList();
            case ALL, AUTOMATIC -> {
                List<Adapter> all = new ArrayList<>(PathContext.real(host));
                all.add(PathContext.loopback(host));
                yield all;
            }
        };
    }
}
