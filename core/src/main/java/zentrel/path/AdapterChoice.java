package zentrel.path;

import java.util.List;
import java.util.Optional;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.plan.*;
import zentrel.profile.OperatingSystem;

/** Hop 2: by which adapter it leaves, and by which it would have to arrive. */
final class AdapterChoice {
    private final PathContext context;

    AdapterChoice(PathContext context) {
        this.context = context;
    }

    /** The adapters by which a program may send for a purpose. */
    List<Adapter> allowed(Shipment s, Host from) {
        Binding binding = s.from().binding(s.send());
        return switch (binding.mode()) {
            case ADAPTERS ->
                binding.adapters().stream().map(context.index::adapter).toList();
            case FIRST -> PathContext.real(from).stream().limit(1).toList();
            case LOOPBACK -> List.of();
            case ALL, AUTOMATIC -> PathContext.real(from);
        };
    }

    /** Whether anything leads from an adapter that the program may send by to an adapter of the receiver. */
    boolean reaches(Shipment s, Host from, Adapter in) {
        return pair(allowed(s, from), List.of(in), Delivery.UNICAST).isPresent();
    }

    Pair bind(
            HopDraft hop,
            Shipment s,
            Host from,
            Host to,
            List<Adapter> outs,
            List<Adapter> ins,
            Optional<Adapter> named) {
        Binding binding = s.from().binding(s.send());
        Optional<Pair> anyPair = pair(outs, ins, s.delivery());
        switch (binding.mode()) {
            case LOOPBACK -> {
                Facts facts = Facts.as(
                        anyPair.isPresent() ? "" : "nowhere",
                        "program",
                        s.from(),
                        "purpose",
                        s.send(),
                        "device",
                        from,
                        "partner",
                        to);
                hop.broken(
                        Reason.BOUND_TO_LOOPBACK,
                        s.from().id(),
                        anyPair.map(p -> facts.and("wanted", p.out())).orElse(facts));
                return anyPair.orElseGet(() -> unjoined(outs, ins, from, to));
            }
            case ADAPTERS, FIRST -> {
                List<Adapter> bound = binding.mode() == BindingMode.FIRST
                        ? outs.stream().limit(1).toList()
                        : binding.adapters().stream()
                                .map(context.index::adapter)
                                .toList();
                Optional<Pair> right = pair(bound, ins, s.delivery());
                if (right.isPresent() && named.isPresent() && isElsewhere(s, from, bound, named.get())) {
                    Optional<Pair> meant = pair(outs, List.of(named.get()), s.delivery());
                    right = meant.isPresent() ? Optional.empty() : right;
                    anyPair = meant.isPresent() ? meant : anyPair;
                }
                Optional<Pair> byRoute = right.isEmpty() ? byRoute(s, from, bound, ins, named) : Optional.empty();
                if (byRoute.isPresent()) {
                    hop.passes(
                            byRoute.get().out().id(),
                            Facts.as(
                                    "routed-without-address",
                                    "program",
                                    s.from(),
                                    "bound",
                                    bound.get(0),
                                    "destination",
                                    meant(s, named.orElseThrow()).orElseThrow(),
                                    "adapter",
                                    byRoute.get().out()));
                    return byRoute.get();
                }
                if (right.isEmpty() && anyPair.isPresent()) {
                    Adapter wanted = anyPair.get().out();
                    hop.broken(
                            Reason.BOUND_ELSEWHERE,
                            s.from().id(),
                            Facts.of(
                                    "program",
                                    s.from(),
                                    "purpose",
                                    s.send(),
                                    "bound",
                                    bound,
                                    "partner",
                                    to,
                                    "wanted",
                                    wanted,
                                    "mode",
                                    binding.mode()));
                    return anyPair.get();
                }
                Pair chosen = right.orElseGet(() -> unjoined(bound.isEmpty() ? outs : bound, ins, from, to));
                hop.passes(
                        chosen.out().id(),
                        Facts.as("bound", "program", s.from(), "purpose", s.send(), "adapter", chosen.out()));
                return chosen;
            }
            case ALL -> {
                Pair chosen = anyPair.orElseGet(() -> unjoined(outs, ins, from, to));
                hop.passes(
                        chosen.out().id(),
                        Facts.as("all-adapters", "program", s.from(), "purpose", s.send(), "adapter", chosen.out()));
                return chosen;
            }
            case AUTOMATIC -> {
                return leftToSystem(hop, s, from, to, outs, ins, anyPair);
            }
        }
        throw new IllegalStateException("Unknown binding " + binding);
    }

    /**
     * By which adapter the system really sends: some look into their table of routes although the program is bound to the
     * address of another adapter, which stays the sender's address.
     */
    Pair asRouted(
            HopDraft hop,
            Shipment s,
            Host from,
            Pair bound,
            List<Adapter> ins,
            Optional<Ipv4Address> typed,
            Optional<HostAddress> source) {
        BindingMode mode = s.from().binding(s.send()).mode();
        boolean toOne = s.delivery() == Delivery.UNICAST || s.delivery() == Delivery.FOUND;
        if (!from.system().sendsByRoute().value()
                || !bound.joined()
                || !toOne
                || (mode != BindingMode.ADAPTERS && mode != BindingMode.FIRST)) {
            return bound;
        }
        Optional<Ipv4Address> destination =
                typed.or(() -> Adapters.best(bound.in(), bound.out()).map(HostAddress::address));
        Optional<Adapter> by =
                destination.flatMap(d -> RouteTable.of(from).to(d)).map(RouteTable.Way::by);
        if (by.isEmpty() || by.get().id().equals(bound.out().id())) {
            return bound;
        }
        Pair real = pair(List.of(by.get()), ins, s.delivery()).orElse(new Pair(by.get(), bound.in(), false));
        Facts facts = Facts.as(
                source.isPresent() ? "routed" : "routed-without-address",
                "program",
                s.from(),
                "bound",
                bound.out(),
                "destination",
                destination.get(),
                "adapter",
                real.out());
        hop.passes(real.out().id(), source.map(a -> facts.and("source", a)).orElse(facts));
        if (from.system().sendsByRoute().isDoubtful()) {
            hop.atRisk(
                    Reason.BOUND_ELSEWHERE,
                    s.from().id(),
                    facts.in("by-route")
                            .and("device", from, "purpose", s.send(), "wanted", real.out())
                            .restingOn(from.system().sendsByRoute()));
        }
        return real;
    }

    /**
     * The way that the system takes by its routes though the program is bound to another adapter, where it is certain and leads to the
     * typed address.
     */
    private Optional<Pair> byRoute(
            Shipment s, Host from, List<Adapter> bound, List<Adapter> ins, Optional<Adapter> named) {
        if (!from.system().sendsByRoute().value()
                || from.system().sendsByRoute().isDoubtful()
                || s.delivery() != Delivery.UNICAST
                || named.isEmpty()
                || bound.isEmpty()) {
            return Optional.empty();
        }
        return meant(s, named.get())
                .flatMap(d -> RouteTable.of(from).to(d))
                .flatMap(way -> pair(List.of(way.by()), ins, s.delivery()));
    }

    /** The typed address that an adapter has. */
    private static Optional<Ipv4Address> meant(Shipment s, Adapter named) {
        return s.destinations().stream().filter(d -> PathContext.has(named, d)).findFirst();
    }

    /** Whether none of the bound adapters has the typed address on its own network, on a system that uses only these. */
    private boolean isElsewhere(Shipment s, Host from, List<Adapter> bound, Adapter named) {
        return s.delivery() == Delivery.UNICAST
                && !from.system().sendsByRoute().value()
                && bound.stream()
                        .noneMatch(b -> PathContext.sameSegment(b, named)
                                || named.addresses().stream()
                                        .anyMatch(a ->
                                                PathContext.sees(b, a.inForce().address()))
                                || !context.routers().between(b, named).isEmpty());
    }

    private Pair leftToSystem(
            HopDraft hop,
            Shipment s,
            Host from,
            Host to,
            List<Adapter> outs,
            List<Adapter> ins,
            Optional<Pair> anyPair) {
        List<Adapter> usable =
                outs.stream().filter(a -> a.isUp() && !a.addresses().isEmpty()).toList();
        Pair chosen = anyPair.orElseGet(() -> unjoined(usable.isEmpty() ? outs : usable, ins, from, to));
        hop.passes(
                s.from().id(),
                Facts.as(
                        usable.size() <= 1 ? "automatic-only" : "automatic",
                        "program",
                        s.from(),
                        "adapter",
                        chosen.out()));
        boolean isSaid = s.from().bindings().containsKey(s.send());
        if (anyPair.isPresent() && (isSaid || usable.size() <= 1) && hasNoWayForAll(s, from)) {
            Facts facts = Facts.as(
                    s.delivery() == Delivery.MULTICAST ? "no-way-for-groups" : "no-way-for-broadcasts",
                    "program",
                    s.from(),
                    "purpose",
                    s.send(),
                    "device",
                    from,
                    "partner",
                    to,
                    "wanted",
                    chosen.out());
            if (isSaid) {
                hop.broken(Reason.LEFT_TO_SYSTEM, s.from().id(), facts);
            } else { // nobody has said that it names none
                hop.atRisk(Reason.LEFT_TO_SYSTEM, s.from().id(), facts);
            }
            return chosen;
        }
        if (usable.size() <= 1 || anyPair.isEmpty()) {
            return chosen;
        }
        if (s.delivery() == Delivery.UNICAST) {
            Optional<HostAddress> destination = Adapters.best(chosen.in(), chosen.out());
            List<Adapter> onLink = destination.isEmpty()
                    ? List.of()
                    : RouteTable.of(from).best(destination.get().address()).stream()
                            .map(RouteTable.Way::by)
                            .filter(a -> Adapters.contains(usable, a))
                            .distinct()
                            .toList();
            if (!onLink.isEmpty() && !Adapters.contains(onLink, chosen.out())) {
                hop.broken(
                        Reason.LEFT_TO_SYSTEM,
                        s.from().id(),
                        Facts.as(
                                "taken",
                                "program",
                                s.from(),
                                "purpose",
                                s.send(),
                                "destination",
                                destination.get(),
                                "by",
                                onLink.get(0),
                                "partner",
                                to,
                                "wanted",
                                chosen.out()));
            } else if (onLink.size() > 1 && onLink.stream().anyMatch(a -> !leads(a, ins, s.delivery()))) {
                lottery(hop, s, from, to, usable, chosen);
            }
            return chosen;
        }
        if (usable.stream().anyMatch(a -> !leads(a, ins, s.delivery()))) {
            lottery(hop, s, from, to, usable, chosen);
        }
        return chosen;
    }

    /**
     * Linux has no adapter for groups and for 255.255.255.255 where no route leads there, and says "unreachable" to a program that
     * names none (tested against its kernel).
     */
    private static boolean hasNoWayForAll(Shipment s, Host from) {
        Ipv4Address to = s.delivery() == Delivery.MULTICAST ? SocketJudge.ANY_GROUP : Ipv4Address.LIMITED_BROADCAST;
        return from.system() == OperatingSystem.LINUX
                && (s.delivery() == Delivery.MULTICAST || s.delivery() == Delivery.LIMITED_BROADCAST)
                && RouteTable.of(from).to(to).isEmpty();
    }

    private static void lottery(HopDraft hop, Shipment s, Host from, Host to, List<Adapter> usable, Pair chosen) {
        hop.atRisk(
                Reason.LEFT_TO_SYSTEM,
                s.from().id(),
                Facts.as(
                        "lottery",
                        "program",
                        s.from(),
                        "purpose",
                        s.send(),
                        "device",
                        from,
                        "adapters",
                        usable,
                        "partner",
                        to,
                        "wanted",
                        chosen.out()));
    }

    private boolean leads(Adapter out, List<Adapter> ins, Delivery delivery) {
        return pair(List.of(out), ins, delivery).isPresent();
    }

    /**
     * The first of {@code outs} that leads to one of {@code ins}: on one segment, by a router (unicast), or, where one of
     * them hangs on no segment yet, by its address.
     */
    private Optional<Pair> pair(List<Adapter> outs, List<Adapter> ins, Delivery delivery) {
        for (Adapter in : ins) {
            for (Adapter out : outs) {
                if (PathContext.sameSegment(out, in)) {
                    return Optional.of(new Pair(out, in, true));
                }
            }
        }
        if (delivery == Delivery.UNICAST) {
            for (Adapter in : ins) {
                for (Adapter out : outs) {
                    if (!context.routers().between(out, in).isEmpty()) {
                        return Optional.of(new Pair(out, in, true));
                    }
                }
            }
        }
        for (Adapter in : ins) {
            for (Adapter out : outs) {
                boolean loose = (out.segment().isEmpty() && out.needsCarrier())
                        || (in.segment().isEmpty() && in.needsCarrier());
                Optional<HostAddress> far = Adapters.first(in);
                if (loose && far.isPresent() && PathContext.sees(out, far.get().address())) {
                    return Optional.of(new Pair(out, in, true));
                }
            }
        }
        return Optional.empty();
    }

    private static Pair unjoined(List<Adapter> outs, List<Adapter> ins, Host from, Host to) {
        Adapter out = outs.isEmpty() ? PathContext.loopback(from) : outs.get(0);
        Adapter in = ins.isEmpty() ? PathContext.loopback(to) : ins.get(0);
        return new Pair(out, in, false);
    }
}
