package zentrel.path;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.plan.*;

/** Hop 7: whether the receiver's firewall lets it in and its program listens where it arrives. */
final class SocketJudge {
    /** Of the groups of sACN (ANSI E1.31-2018 §9.3.1); routes are for all of them alike. */
    private static final Ipv4Address ANY_GROUP = Ipv4Address.of(239, 255, 0, 1);

    private final PathContext context;
    private final Remedies remedies;

    SocketJudge(PathContext context, Remedies remedies) {
        this.context = context;
        this.remedies = remedies;
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
                s.to().binding(s.listen()).mode() == BindingMode.ADAPTERS ? "hears on " + in.name() : "listens",
                context.index.name(s.to().id()) + " listens for " + s.listen().title() + " on " + in.name()
                        + ", and nothing bars it.");
        if (!s.reply() && !to.firewall().letsIn(s.traffic())) {
            hop.broken(
                    Reason.FIREWALL,
                    to.id(),
                    "firewall bars it",
                    "The firewall of " + to.name() + " bars " + s.traffic().title() + " from outside. Let it in.",
                    List.of(remedies.openFirewall(to, s.traffic())));
        }
        if (!Adapters.contains(listening, in)) {
            elsewhere(hops, s, listening, in);
        } else {
            otherAddress(HopDraft.at(hops, HopKind.LET_IN), s, in, destination);
        }
        joins(hops, s, to, in);
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
                "listens at " + own.get(),
                context.index.name(s.to().id()) + " listens for " + s.listen().title() + " at " + own.get()
                        + " only; it is sent to "
                        + destination.get().address() + ", the other address of " + in.name() + ". Send it to "
                        + own.get() + ", or let it listen at both.",
                List.of(remedies.bind(s.to(), s.listen(), in)));
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
                        "1 of " + usable.size() + " adapters",
                        context.index.name(s.to().id()) + " leaves the adapter for "
                                + s.listen().title() + " to the system, and "
                                + to.name() + " has " + usable.size() + " ("
                                + String.join(
                                        ", ", usable.stream().map(Adapter::name).toList())
                                + "): a multicast group is joined on one of them only. Bind it to " + in.name()
                                + Adapters.shown(in) + ".",
                        List.of(remedies.bind(s.to(), s.listen(), in)));
    }

    void elsewhere(List<HopDraft> hops, Shipment s, List<Adapter> listening, Adapter in) {
        boolean loopbackOnly = s.to().binding(s.listen()).mode() == BindingMode.LOOPBACK;
        String names = loopbackOnly
                ? "loopback"
                : String.join(", ", listening.stream().map(Adapter::name).toList());
        boolean joins = s.delivery() == Delivery.MULTICAST && !loopbackOnly;
        Reason reason =
                loopbackOnly ? Reason.LISTENS_ON_LOOPBACK : joins ? Reason.JOINED_ELSEWHERE : Reason.LISTENS_ELSEWHERE;
        List<Edit> edits = new ArrayList<>();
        edits.add(remedies.bind(s.to(), s.listen(), in));
        if (s.to().binding(s.listen()).mode() == BindingMode.ADAPTERS && in.kind() != AdapterKind.LOOPBACK) {
            edits.add(remedies.bindAlso(s.to(), s.listen(), in));
        }
        edits.add(remedies.listenOnAll(s.to(), s.listen()));
        HopDraft.at(hops, reason.hop())
                .broken(
                        reason,
                        s.to().id(),
                        "hears on " + names,
                        context.index.name(s.to().id()) + " listens for "
                                + s.listen().title() + " on " + names + " only; it arrives on " + in.name()
                                + ". Bind it to " + in.name() + Adapters.shown(in) + ".",
                        edits);
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
