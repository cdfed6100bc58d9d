package zentrel.path;

import java.util.List;
import java.util.Optional;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.plan.*;
import zentrel.profile.OperatingSystem;
import zentrel.source.Sources;

/** Hops 2 to 7 of two programs on one computer, where nothing crosses a cable. */
final class OneComputer {
    private final PathContext context;
    private final SenderJudge sender;
    private final DestinationJudge destinations;
    private final SocketJudge sockets;

    OneComputer(PathContext context) {
        this.context = context;
        this.sender = new SenderJudge(context);
        this.destinations = new DestinationJudge(context);
        this.sockets = new SocketJudge(context);
    }

    Carried judge(List<HopDraft> hops, Shipment s, Host host, List<Adapter> listening) {
        Adapter loopback = PathContext.loopback(host);
        Adapter out = sendingWithin(s, host, loopback);
        HostAddress source = Adapters.first(out).orElse(new HostAddress(Ipv4Address.LOOPBACK, 8));
        HopDraft.at(hops, HopKind.BOUND)
                .passes(
                        s.from().id(),
                        Facts.as("within", "program", s.from(), "purpose", s.send(), "adapter", out, "device", host));
        sender.up(HopDraft.at(hops, HopKind.UP), host, out);
        if (!out.carrier() && out.needsCarrier()) {
            noCable(HopDraft.at(hops, HopKind.UP), s, host, out);
        }
        HopDraft.at(hops, HopKind.NAMED)
                .passes(s.from().id(), Facts.as("one-device", "delivery", s.delivery(), "device", host));
        Adapter in = out;
        if (s.delivery() == Delivery.UNICAST) {
            Optional<Adapter> named = ownAdapterOf(host, loopback, s.destinations());
            if (named.isPresent()) {
                in = named.get();
            } else {
                destinations.misses(HopDraft.at(hops, HopKind.NAMED), s, host, out);
            }
        }
        HopDraft.at(hops, HopKind.CARRIED).notApplicable(Facts.as("no-cable-within", "device", host));
        HopDraft.at(hops, HopKind.TAKEN).passes(s.to().id(), Facts.as("handed", "adapter", in, "device", host));
        HopDraft.at(hops, HopKind.LET_IN)
                .passes(
                        s.to().id(),
                        Facts.as("listens-within", "program", s.to(), "purpose", s.listen(), "adapter", in));
        if (!Adapters.contains(listening, in)) {
            sockets.elsewhere(hops, s, listening, in);
        }
        return new Carried(out, in, Optional.of(source), Adapters.first(in), true);
    }

    /** What each system does with the address of an adapter without a cable, when it sends to itself. */
    private void noCable(HopDraft hop, Shipment s, Host host, Adapter out) {
        if (host.system() == OperatingSystem.LINUX) {
            hop.passes(out.id(), Facts.as("no-cable-needed", "adapter", out, "device", host));
            return;
        }
        boolean windows = host.system() == OperatingSystem.WINDOWS;
        Facts facts = Facts.as(
                        windows ? "within-windows" : "within-unknown",
                        "adapter",
                        out,
                        "device",
                        host,
                        "program",
                        s.from(),
                        "purpose",
                        s.send(),
                        "partner",
                        s.to(),
                        "listen",
                        s.listen(),
                        "delivery",
                        s.delivery(),
                        "sent",
                        s.signal())
                .restingOn(
                        windows
                                ? Sources.WINDOWS_KEEPS_ADDRESS
                                : host.system() == OperatingSystem.MACOS
                                        ? Sources.MACOS_KEEPS_ADDRESS
                                        : Sources.FIRMWARE_NOT_SPECIFIED);
        if (windows) {
            hop.broken(Reason.UNPLUGGED, out.id(), facts);
        } else {
            hop.atRisk(Reason.UNPLUGGED, out.id(), facts);
        }
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
