package zentrel.path;

import java.util.List;
import java.util.Optional;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.plan.*;

/** Hops 2 to 7 of two programs on one computer, where nothing crosses a cable. */
final class OneComputer {
    private final PathContext context;
    private final Remedies remedies;
    private final SenderJudge sender;
    private final DestinationJudge destinations;
    private final SocketJudge sockets;

    OneComputer(PathContext context, Remedies remedies) {
        this.context = context;
        this.remedies = remedies;
        this.sender = new SenderJudge(context, remedies);
        this.destinations = new DestinationJudge(context, remedies);
        this.sockets = new SocketJudge(context, remedies);
    }

    Carried judge(List<HopDraft> hops, Shipment s, Host host, List<Adapter> listening) {
        Adapter loopback = PathContext.loopback(host);
        Adapter out = sendingWithin(s, host, loopback);
        HostAddress source = Adapters.first(out).orElse(new HostAddress(Ipv4Address.LOOPBACK, 8));
        HopDraft.at(hops, HopKind.BOUND)
                .passes(
                        s.from().id(),
                        out.name(),
                        context.index.name(s.from().id()) + " sends " + s.send().title() + " by " + out.name()
                                + ", which stays within " + host.name() + ".");
        sender.up(HopDraft.at(hops, HopKind.UP), host, out);
        if (!out.carrier() && out.needsCarrier()) {
            noCable(HopDraft.at(hops, HopKind.UP), s, host, out);
        }
        HopDraft.at(hops, HopKind.NAMED).passes(s.from().id(), s.delivery().word(), "Both run on " + host.name() + ".");
        Adapter in = out;
        if (s.delivery() == Delivery.UNICAST) {
            Optional<Adapter> named = ownAdapterOf(host, loopback, s.destinations());
            if (named.isPresent()) {
                in = named.get();
            } else {
                destinations.misses(HopDraft.at(hops, HopKind.NAMED), s, host, out);
            }
        }
        HopDraft.at(hops, HopKind.CARRIED)
                .notApplicable("Both programs run on " + host.name() + ": there is no cable.");
        HopDraft.at(hops, HopKind.TAKEN)
                .passes(s.to().id(), in.name(), host.name() + " hands it to itself on " + in.name() + ".");
        HopDraft.at(hops, HopKind.LET_IN)
                .passes(
                        s.to().id(),
                        "hears on " + in.name(),
                        context.index.name(s.to().id()) + " listens for "
                                + s.listen().title() + " on " + in.name() + ".");
        if (!Adapters.contains(listening, in)) {
            sockets.elsewhere(hops, s, listening, in);
        }
        return new Carried(out, in, Optional.of(source), Adapters.first(in), true);
    }

    /** What each system does with the address of an adapter without a cable, when it sends to itself. */
    private void noCable(HopDraft hop, Shipment s, Host host, Adapter out) {
        if (host.system() == OperatingSystem.LINUX) {
            hop.passes(
                    out.id(),
                    "no cable, not needed",
                    "The " + context.index.name(out.id()) + " has no cable. Linux keeps its address all the same, and "
                            + host.name() + " sends to itself.");
            return;
        }
        List<Edit> edits = List.of(byLoopback(s), remedies.plugIn(out, Optional.empty()));
        String text =
                "The " + context.index.name(out.id()) + " has no cable, and both programs run on " + host.name() + ". ";
        String advice = " Bind both to loopback, or plug the cable in.";
        if (host.system() == OperatingSystem.WINDOWS) {
            hop.broken(
                    Reason.UNPLUGGED,
                    out.id(),
                    "no cable",
                    text + "Windows does not use the address of an adapter without a cable (from memory, 85 %)."
                            + advice,
                    edits);
        } else {
            hop.atRisk(
                    Reason.UNPLUGGED,
                    out.id(),
                    "no cable",
                    text + "Whether its system keeps the address without a cable is not known." + advice,
                    edits);
        }
    }

    /** Both programs on loopback, and the signal sent there. */
    private Edit byLoopback(Shipment s) {
        return new Edit(
                "Bind " + s.send().title() + " of "
                        + context.index.name(s.from().id()) + " and " + context.index.name(s.to().id())
                        + " to loopback",
                plan -> {
                    Plan bound = plan.with(s.from().id(), a -> a.withBinding(s.send(), Setting.of(Binding.LOOPBACK)))
                            .with(s.to().id(), a -> a.withBinding(s.listen(), Setting.of(Binding.LOOPBACK)));
                    if (s.delivery() != Delivery.UNICAST) {
                        return bound;
                    }
                    return aimed(bound, s.signal());
                });
    }

    private static Plan aimed(Plan plan, Id<?> signal) {
        Object found = plan.index().find(signal).orElseThrow();
        if (found instanceof ControlLink link) {
            return plan.with(link.id(), l -> l.withDestination(Ipv4Address.LOOPBACK));
        }
        if (found instanceof Attachment attachment) {
            return plan.with(attachment.id(), a -> a.withDestination(Optional.of(Setting.of(Ipv4Address.LOOPBACK))));
        }
        return found instanceof Stream stream
                ? plan.with(stream.id(), x -> x.withDelivery(Delivery.UNICAST, List.of(Ipv4Address.LOOPBACK)))
                : plan;
    }

    private Adapter sendingWithin(Shipment s, Host host, Adapter loopback) {
        Binding binding = s.from().binding(s.send());
        List<Adapter> real = PathContext.real(host);
        return switch (binding.mode()) {
            case LOOPBACK -> loopback;
            case ADAPTERS -> context.index.adapter(binding.adapters().get(0));
            case FIRST -> real.isEmpty() ? loopback : real.get(0);
            case ALL, AUTOMATIC ->
                ownAdapterOf(host, loopback, s.destinations())
                        .or(() -> real.stream()
                                .filter(a -> a.isUp() && !a.addresses().isEmpty())
                                .findFirst())
                        .orElse(loopback);
        };
    }

    private static Optional<Adapter> ownAdapterOf(Host host, Adapter loopback, List<Ipv4Address> destinations) {
        for (Ipv4Address destination : destinations) {
            if (destination.isLoopback()) {
                return Optional.of(loopback);
            }
            for (Adapter adapter : host.adapters()) {
                boolean toAll = adapter.addresses().stream()
                        .anyMatch(a -> a.inForce().broadcast().equals(destination));
                if (PathContext.has(adapter, destination) || toAll) {
                    return Optional.of(adapter);
                }
            }
        }
        return Optional.empty();
    }
}
