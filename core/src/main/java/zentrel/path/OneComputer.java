package zentrel.path;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.plan.*;
import zentrel.profile.AdapterKind;
import zentrel.profile.OperatingSystem;
import zentrel.profile.Protocol;
import zentrel.source.Sourced;
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
        Adapter out = sendingWithin(s, host, loopback, listening);
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
        boolean copied = copied(HopDraft.at(hops, HopKind.NAMED), s, host, out);
        if (!copied) {
            if (!Adapters.contains(listening, in)) {
                sockets.elsewhere(hops, s, listening, in);
            } else if (s.delivery() != Delivery.UNICAST) {
                leftToSystem(hops, s, host, out);
            }
        }
        return new Carried(out, in, Optional.of(source), Adapters.first(in), true);
    }

    /**
     * Whether the sender gives a copy to programs on its own computer, by whatever adapter they listen. Without the copy a
     * multicast does not come back, unless it is sent on loopback, whence everything does; a broadcast does all the same, on Linux
     * (all tried against its kernel); of other systems it is not known.
     */
    private static boolean copied(HopDraft named, Shipment s, Host host, Adapter out) {
        Optional<Protocol> protocol = protocol(s.send());
        Optional<Boolean> copy =
                protocol.flatMap(p -> s.from().output(p).alsoHere()).map(Setting::inForce);
        if (copy.isEmpty() || s.delivery() == Delivery.UNICAST || out.kind() == AdapterKind.LOOPBACK) {
            return false;
        }
        if (!copy.get()) {
            Facts facts = Facts.as(
                    s.delivery() == Delivery.MULTICAST ? "" : "broadcast",
                    "program",
                    s.from(),
                    "protocol",
                    protocol.get(),
                    "partner",
                    s.to(),
                    "device",
                    host);
            if (host.system() != OperatingSystem.LINUX) { // what the others hand back without it was tried nowhere
                named.notKnown(Reason.NO_LOCAL_COPY, s.from().id(), facts.in("other-system"));
            } else if (s.delivery() == Delivery.MULTICAST) {
                named.broken(Reason.NO_LOCAL_COPY, s.from().id(), facts);
            } else {
                named.atRisk(Reason.NO_LOCAL_COPY, s.from().id(), facts);
            }
        }
        return copy.get();
    }

    private static Optional<Protocol> protocol(Purpose sends) {
        return java.util.stream.Stream.of(Protocol.values())
                .filter(p -> p.onNetwork() && Purpose.sending(p) == sends)
                .findFirst();
    }

    /**
     * One of two programs leaves the adapter to the system, which has several that are up: they meet only where both get the
     * same, and each system has an order of its own that a cable or a restart changes.
     */
    private static void leftToSystem(List<HopDraft> hops, Shipment s, Host host, Adapter met) {
        List<Adapter> usable = PathContext.real(host).stream()
                .filter(a -> a.isUp() && !a.addresses().isEmpty())
                .toList();
        BindingMode sends = s.from().binding(s.send()).mode();
        BindingMode listens = s.to().binding(s.listen()).mode();
        if (usable.size() <= 1 || met.kind() == AdapterKind.LOOPBACK) {
            return;
        }
        Facts facts = Facts.as("within-" + host.system().word(), "device", host, "adapters", usable, "wanted", met)
                .restingOn(order(host.system()));
        if (isLeft(sends) && listens != BindingMode.ALL) {
            HopDraft.at(hops, HopKind.BOUND)
                    .atRisk(
                            Reason.LEFT_TO_SYSTEM,
                            s.from().id(),
                            facts.and("program", s.from(), "purpose", s.send(), "partner", s.to()));
        }
        if (isLeft(listens) && sends != BindingMode.ALL) {
            HopDraft.at(hops, HopKind.TAKEN)
                    .atRisk(
                            Reason.JOINS_LEFT_TO_SYSTEM,
                            s.to().id(),
                            facts.and("program", s.to(), "purpose", s.listen(), "partner", s.from()));
        }
    }

    private static boolean isLeft(BindingMode mode) {
        return mode == BindingMode.AUTOMATIC || mode == BindingMode.FIRST;
    }

    private static Sourced<Boolean> order(OperatingSystem system) {
        return switch (system) {
            case LINUX -> Sources.LINUX_SENDS_BY_ROUTE;
            case WINDOWS -> Sources.WINDOWS_LOWER_METRIC;
            case MACOS -> Sources.MACOS_SERVICE_ORDER;
            case FIRMWARE -> Sources.FIRMWARE_NOT_SPECIFIED;
        };
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

    private Adapter sendingWithin(Shipment s, Host host, Adapter loopback, List<Adapter> listening) {
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
                                .min(Comparator.comparing(a -> !Adapters.contains(listening, a))))
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
