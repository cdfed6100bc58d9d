package zentrel.path;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.ipv4.SpecialAddresses;
import zentrel.ipv4.Subnet;
import zentrel.plan.*;

/**
 * Hops 2 to 7 as far as they do not depend on what is carried: from the sender's binding to the receiver's socket. Each
 * hop that is broken is taken as mended for those after it.
 */
final class TransportJudge {
    /**
     * What is to be carried.
     *
     * @param destinations the addresses typed in, for unicast; empty where the delivery finds its own
     * @param signal the stream or the link, for causes
     */
    record Shipment(
            Application from,
            Purpose send,
            Application to,
            Purpose listen,
            Traffic traffic,
            Delivery delivery,
            List<Ipv4Address> destinations,
            Id signal) {}

    /**
     * What hops 2 to 7 found.
     *
     * @param out the sender's adapter, as mended
     * @param in the receiver's adapter, as mended
     * @param source the sender's address
     * @param destination the receiver's address
     */
    record Carried(
            Adapter out,
            Adapter in,
            Optional<HostAddress> source,
            Optional<HostAddress> destination,
            boolean sameHost) {}

    private final PathContext context;
    private final Remedies remedies;
    private final CarryJudge carrying;

    TransportJudge(PathContext context, Remedies remedies) {
        this.context = context;
        this.remedies = remedies;
        this.carrying = new CarryJudge(context, remedies);
    }

    Carried judge(List<HopDraft> hops, Shipment s) {
        Host from = context.index.host(s.from().host());
        Host to = context.index.host(s.to().host());
        List<Adapter> listening = listening(s.to(), s.listen(), to);
        if (from.id().equals(to.id())) {
            return within(hops, s, from, listening);
        }
        return between(hops, s, from, to, listening);
    }

    private static HopDraft at(List<HopDraft> hops, HopKind kind) {
        return hops.get(kind.index());
    }

    /** The adapters on which an application listens for a purpose. */
    private List<Adapter> listening(Application application, Purpose purpose, Host host) {
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

    // --- both programs on one computer ---

    private Carried within(List<HopDraft> hops, Shipment s, Host host, List<Adapter> listening) {
        Adapter loopback = PathContext.loopback(host);
        Adapter out = sendingWithin(s, host, loopback);
        HostAddress source = first(out).orElse(new HostAddress(Ipv4Address.LOOPBACK, 8));
        at(hops, HopKind.BOUND)
                .passes(
                        s.from().id(),
                        out.name(),
                        s.from().name() + " sends " + s.send().title() + " by " + out.name() + ", which stays within "
                                + host.name() + ".");
        judgeSender(at(hops, HopKind.UP), host, out);
        at(hops, HopKind.NAMED).passes(s.from().id(), s.delivery().word(), "Both run on " + host.name() + ".");
        Adapter in = out;
        if (s.delivery() == Delivery.UNICAST) {
            Optional<Adapter> named = ownAdapterOf(host, loopback, s.destinations());
            if (named.isPresent()) {
                in = named.get();
            } else {
                misses(at(hops, HopKind.NAMED), s, host, out);
            }
        }
        at(hops, HopKind.CARRIED).notApplicable("Both programs run on " + host.name() + ": there is no cable.");
        at(hops, HopKind.TAKEN)
                .passes(s.to().id(), in.name(), host.name() + " hands it to itself on " + in.name() + ".");
        at(hops, HopKind.LET_IN)
                .passes(
                        s.to().id(),
                        "hears on " + in.name(),
                        s.to().name() + " listens for " + s.listen().title() + " on " + in.name() + ".");
        if (!contains(listening, in)) {
            elsewhere(hops, s, listening, in);
        }
        return new Carried(out, in, Optional.of(source), first(in), true);
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
                if (PathContext.has(adapter, destination)) {
                    return Optional.of(adapter);
                }
            }
        }
        return Optional.empty();
    }

    // --- two hosts ---

    /**
     * The two adapters between which it goes.
     *
     * @param joined whether anything leads from the one to the other
     */
    record Pair(Adapter out, Adapter in, boolean joined) {
        Adapter otherThan(Adapter one) {
            return one.id().equals(in.id()) ? out : in;
        }
    }

    private Carried between(List<HopDraft> hops, Shipment s, Host from, Host to, List<Adapter> listening) {
        List<Adapter> outs = PathContext.real(from);
        Optional<Adapter> named = s.destinations().stream()
                .flatMap(d -> PathContext.real(to).stream().filter(a -> PathContext.has(a, d)))
                .findFirst();
        List<Adapter> ins = new ArrayList<>();
        named.ifPresent(ins::add);
        PathContext.real(to).stream().filter(a -> contains(listening, a)).forEach(ins::add);
        ins.addAll(PathContext.real(to));

        Pair bound = bind(at(hops, HopKind.BOUND), s, from, to, outs, ins, named);
        Optional<Ipv4Address> typed = s.delivery() == Delivery.UNICAST
                ? s.destinations().stream()
                        .filter(d -> named.filter(n -> PathContext.has(n, d)).isPresent())
                        .findFirst()
                : Optional.empty();
        Optional<HostAddress> source = best(bound.out(), bound.in());
        Pair pair = asRouted(at(hops, HopKind.BOUND), s, from, bound, ins, typed, source);
        Adapter out = pair.out();
        Adapter in = pair.in();
        judgeSender(at(hops, HopKind.UP), from, out);
        Optional<HostAddress> destination = typed.isPresent()
                ? named.stream()
                        .flatMap(n -> n.addresses().stream())
                        .map(AdapterAddress::inForce)
                        .filter(a -> a.address().equals(typed.get()))
                        .findFirst()
                : best(in, out);
        name(at(hops, HopKind.NAMED), s, to, pair, source, destination, named.isPresent());
        carrying.judge(at(hops, HopKind.CARRIED), s, from, to, pair);
        take(at(hops, HopKind.TAKEN), s, to, pair, source, destination);
        letIn(hops, s, to, in, listening);
        return new Carried(out, in, source, destination, false);
    }

    private Pair bind(
            HopDraft hop,
            Shipment s,
            Host from,
            Host to,
            List<Adapter> outs,
            List<Adapter> ins,
            Optional<Adapter> named) {
        Binding binding = s.from().binding(s.send());
        Optional<Pair> anyPair = pair(outs, ins, s.delivery());
        String partner = to.name();
        hop.passes(s.from().id(), binding.mode().word(), "");
        switch (binding.mode()) {
            case LOOPBACK -> {
                List<Edit> edits = anyPair.map(p -> List.of(remedies.bind(s.from(), s.send(), p.out())))
                        .orElse(List.of());
                hop.broken(
                        Reason.BOUND_TO_LOOPBACK,
                        s.from().id(),
                        "bound to loopback",
                        s.from().name() + " sends " + s.send().title() + " on loopback, which never leaves "
                                + from.name() + "; "
                                + partner + " is another host."
                                + anyPair.map(p -> " Bind it to " + p.out().name() + ".")
                                        .orElse(""),
                        edits);
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
                if (right.isEmpty() && anyPair.isPresent()) {
                    Adapter wanted = anyPair.get().out();
                    String names =
                            String.join(", ", bound.stream().map(Adapter::name).toList());
                    List<Edit> edits = new ArrayList<>();
                    edits.add(remedies.bind(s.from(), s.send(), wanted));
                    if (binding.mode() == BindingMode.ADAPTERS) {
                        edits.add(remedies.bindAlso(s.from(), s.send(), wanted));
                    }
                    hop.broken(
                            Reason.BOUND_ELSEWHERE,
                            s.from().id(),
                            names + ", not " + wanted.name(),
                            s.from().name() + " sends " + s.send().title() + " by its " + names + " adapter, where "
                                    + partner + " is not. Bind it to " + wanted.name() + shown(wanted) + ".",
                            edits);
                    return anyPair.get();
                }
                Pair chosen = right.orElseGet(() -> unjoined(bound.isEmpty() ? outs : bound, ins, from, to));
                hop.passes(
                        chosen.out().id(),
                        chosen.out().name(),
                        s.from().name() + " sends " + s.send().title() + " by its "
                                + chosen.out().name() + " adapter.");
                return chosen;
            }
            case ALL -> {
                Pair chosen = anyPair.orElseGet(() -> unjoined(outs, ins, from, to));
                hop.passes(
                        chosen.out().id(),
                        "all adapters",
                        s.from().name() + " sends " + s.send().title() + " by all its adapters, "
                                + chosen.out().name() + " among them.");
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
    private Pair asRouted(
            HopDraft hop,
            Shipment s,
            Host from,
            Pair bound,
            List<Adapter> ins,
            Optional<Ipv4Address> typed,
            Optional<HostAddress> source) {
        BindingMode mode = s.from().binding(s.send()).mode();
        boolean toOne = s.delivery() == Delivery.UNICAST || s.delivery() == Delivery.FOUND;
        if (!from.system().sendsByRoute()
                || !bound.joined()
                || !toOne
                || (mode != BindingMode.ADAPTERS && mode != BindingMode.FIRST)) {
            return bound;
        }
        Optional<Ipv4Address> destination =
                typed.or(() -> best(bound.in(), bound.out()).map(HostAddress::address));
        Optional<Adapter> by =
                destination.flatMap(d -> RouteTable.of(from).to(d)).map(RouteTable.Way::by);
        if (by.isEmpty() || by.get().id().equals(bound.out().id())) {
            return bound;
        }
        Pair real = pair(List.of(by.get()), ins, s.delivery()).orElse(new Pair(by.get(), bound.in(), false));
        hop.passes(
                real.out().id(),
                real.out().name(),
                s.from().name() + " is bound to " + bound.out().name()
                        + source.map(a -> ", " + a.address()).orElse("") + ", and the system sends to "
                        + destination.get()
                        + " by " + real.out().name() + " all the same, for its subnet is there.");
        return real;
    }

    /** Whether none of the bound adapters has the typed address on its own network, on a system that uses only these. */
    private static boolean isElsewhere(Shipment s, Host from, List<Adapter> bound, Adapter named) {
        return s.delivery() == Delivery.UNICAST
                && !from.system().sendsByRoute()
                && bound.stream()
                        .noneMatch(b -> PathContext.sameSegment(b, named)
                                || named.addresses().stream()
                                        .anyMatch(a ->
                                                PathContext.sees(b, a.inForce().address())));
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
                chosen.out().name(),
                s.from().name() + " leaves the adapter to the system, which has " + (usable.size() <= 1 ? "only " : "")
                        + chosen.out().name() + " to take.");
        if (usable.size() <= 1 || anyPair.isEmpty()) {
            return chosen;
        }
        List<Edit> edits = List.of(remedies.bind(s.from(), s.send(), chosen.out()));
        if (s.delivery() == Delivery.UNICAST) {
            Optional<HostAddress> destination = best(chosen.in(), chosen.out());
            List<Adapter> onLink = destination.isEmpty()
                    ? List.of()
                    : RouteTable.of(from).best(destination.get().address()).stream()
                            .map(RouteTable.Way::by)
                            .filter(a -> contains(usable, a))
                            .distinct()
                            .toList();
            if (!onLink.isEmpty() && !contains(onLink, chosen.out())) {
                hop.broken(
                        Reason.LEFT_TO_SYSTEM,
                        s.from().id(),
                        "system takes " + onLink.get(0).name(),
                        s.from().name() + " leaves the adapter for " + s.send().title() + " to the system, which sends "
                                + destination.get().address() + " by "
                                + onLink.get(0).name() + ", where " + to.name()
                                + " is not. Bind it to " + chosen.out().name() + shown(chosen.out()) + ".",
                        edits);
            } else if (onLink.size() > 1 && onLink.stream().anyMatch(a -> !leads(a, ins, s.delivery()))) {
                lottery(hop, s, from, to, usable, chosen, edits);
            }
            return chosen;
        }
        if (usable.stream().anyMatch(a -> !leads(a, ins, s.delivery()))) {
            lottery(hop, s, from, to, usable, chosen, edits);
        }
        return chosen;
    }

    private static void lottery(
            HopDraft hop, Shipment s, Host from, Host to, List<Adapter> usable, Pair chosen, List<Edit> edits) {
        String names = String.join(", ", usable.stream().map(Adapter::name).toList());
        hop.atRisk(
                Reason.LEFT_TO_SYSTEM,
                s.from().id(),
                "1 of " + usable.size() + " adapters",
                s.from().name() + " leaves the adapter for " + s.send().title() + " to the system, and " + from.name()
                        + " has "
                        + usable.size() + " (" + names + "); only some lead to " + to.name() + ". Bind it to "
                        + chosen.out().name() + shown(chosen.out()) + ".",
                edits);
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
                    if (!context.routers.between(out, in).isEmpty()) {
                        return Optional.of(new Pair(out, in, true));
                    }
                }
            }
        }
        for (Adapter in : ins) {
            for (Adapter out : outs) {
                boolean loose = (out.segment().isEmpty() && out.needsCarrier())
                        || (in.segment().isEmpty() && in.needsCarrier());
                Optional<HostAddress> far = first(in);
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

    private void judgeSender(HopDraft hop, Host host, Adapter out) {
        Optional<HostAddress> address = first(out);
        hop.passes(
                out.id(),
                address.map(a -> a.address().toString()).orElse("no address"),
                context.index.find(out.id()).isPresent()
                        ? "The " + context.index.name(out.id()) + " is up with "
                                + address.map(HostAddress::toString).orElse("no address") + planned(out) + "."
                        : "Loopback is always up with 127.0.0.1.");
        context.powering.judge(hop, Reason.NO_POWER, host);
        if (!out.enabled().inForce()) {
            hop.broken(
                    Reason.SWITCHED_OFF,
                    out.id(),
                    "switched off",
                    "The " + context.index.name(out.id()) + " is switched off. Switch it on.",
                    List.of(remedies.switchOn(out)));
        }
        if (!out.carrier() && out.needsCarrier()) {
            hop.broken(
                    Reason.UNPLUGGED,
                    out.id(),
                    "no cable",
                    "The " + context.index.name(out.id()) + " has no cable. Plug it in" + segmentName(out) + ".",
                    List.of(remedies.plugIn(out, Optional.empty())));
        }
        if (address.isEmpty()) {
            hop.broken(
                    Reason.NO_ADDRESS,
                    out.id(),
                    "no address",
                    "The " + context.index.name(out.id()) + " has no address. Give it one.",
                    remedies.giveAddress(out, 0, Optional.empty()));
        }
        notAHost(hop, Reason.NOT_A_HOST, out);
    }

    private void notAHost(HopDraft hop, Reason reason, Adapter adapter) {
        for (int i = 0; i < adapter.addresses().size(); i++) {
            HostAddress address = adapter.addresses().get(i).inForce();
            Optional<String> why = adapter.needsCarrier()
                    ? SpecialAddresses.notOnANetwork(address)
                    : SpecialAddresses.notAHost(address);
            if (why.isPresent()) {
                hop.broken(
                        reason,
                        adapter.id(),
                        address.address() + " no host",
                        "The " + context.index.name(adapter.id()) + " has " + address.address() + ", which " + why.get()
                                + ". Give it another.",
                        remedies.giveAddress(adapter, i, Optional.empty()));
            }
        }
    }

    private void name(
            HopDraft hop,
            Shipment s,
            Host to,
            Pair pair,
            Optional<HostAddress> source,
            Optional<HostAddress> destination,
            boolean named) {
        String target = destination.map(d -> d.address().toString()).orElse("no address");
        switch (s.delivery()) {
            case DIRECT -> throw new IllegalStateException("What leaves directly names nobody on a network.");
            case MULTICAST ->
                hop.passes(s.from().id(), "group", "Sent to the universe's group, which needs no address.");
            case LIMITED_BROADCAST ->
                hop.passes(s.from().id(), "255.255.255.255", "Sent to 255.255.255.255, to everybody on the segment.");
            case BROADCAST ->
                hop.passes(
                        s.from().id(),
                        source.map(a -> a.broadcast().toString()).orElse("broadcast"),
                        "Sent to " + source.map(a -> a.broadcast().toString()).orElse("the broadcast address")
                                + ", the last address by the sender's mask.");
            case UNICAST, FOUND -> {
                hop.passes(
                        s.from().id(),
                        target,
                        (s.delivery() == Delivery.FOUND ? "Sent to those that answered the poll, " : "Sent to ")
                                + target
                                + (s.delivery() == Delivery.FOUND ? " among them." : ", which " + to.name() + " has."));
                if (s.delivery() == Delivery.UNICAST && !named) {
                    misses(hop, s, to, pair.in());
                }
                judgeRoute(hop, s, to, pair, source, destination);
            }
        }
    }

    private void misses(HopDraft hop, Shipment s, Host to, Adapter in) {
        Optional<HostAddress> wanted = first(in);
        String list = s.destinations().isEmpty()
                ? "nobody"
                : String.join(
                        ", ",
                        s.destinations().stream().map(Ipv4Address::toString).toList());
        Object signal = context.index.find(s.signal()).orElseThrow();
        String has = wanted.map(w -> to.name() + " has " + w.address()).orElse(to.name() + " has no address");
        if (signal instanceof ControlLink link) {
            hop.broken(
                    Reason.WRONG_TARGET,
                    link.id(),
                    list + " is not " + to.name(),
                    link.name() + " goes to " + list + whose(s.destinations()) + "; " + has + ". Send it there.",
                    wanted.map(w -> List.of(remedies.aim(link, w.address()))).orElse(List.of()));
        } else if (signal instanceof Attachment attachment) {
            hop.broken(
                    Reason.ATTACHED_ELSEWHERE,
                    attachment.id(),
                    list + " is not " + to.name(),
                    attachment.name() + " goes to " + list + whose(s.destinations()) + "; " + has + ". Send it there.",
                    wanted.map(w -> List.of(remedies.aim(attachment, w.address())))
                            .orElse(List.of()));
        } else if (signal instanceof Stream stream) {
            hop.broken(
                    Reason.NOT_DELIVERED,
                    stream.id(),
                    "not on the list",
                    s.from().name() + " sends "
                            + context.index.universe(stream.universe()).label() + " to " + list + " only; " + has
                            + ". Add it to the list.",
                    wanted.map(w -> List.of(remedies.addToList(stream, w.address())))
                            .orElse(List.of()));
        }
    }

    private String whose(List<Ipv4Address> destinations) {
        for (Ipv4Address destination : destinations) {
            for (Host host : context.plan.hosts()) {
                if (host.adapters().stream().anyMatch(a -> PathContext.has(a, destination))) {
                    return ", which is " + host.name();
                }
            }
        }
        return "";
    }

    private void judgeRoute(
            HopDraft hop,
            Shipment s,
            Host to,
            Pair pair,
            Optional<HostAddress> source,
            Optional<HostAddress> destination) {
        if (source.isEmpty() || destination.isEmpty()) {
            return;
        }
        if (!pair.joined()) {
            routedElsewhere(hop, s, to, pair, destination.get());
            return;
        }
        boolean routed = !context.routers.between(pair.out(), pair.in()).isEmpty();
        boolean there = routed || PathContext.sees(pair.out(), destination.get().address());
        boolean back = !context.routers.between(pair.in(), pair.out()).isEmpty()
                || PathContext.hasRoute(to, source.get().address());
        if (!there) {
            Adapter odd = odd(pair);
            hop.broken(
                    Reason.NO_ROUTE,
                    odd.id(),
                    destination.get().address() + " off " + source.get().subnet(),
                    s.from().name() + " at " + source.get() + " has no route to " + to.name() + " at "
                            + destination.get()
                            + (back ? ", though the way back is there" : "; nor back") + ". "
                            + capitalised(subnetAdvice(odd, pair)),
                    subnetRemedies(odd, pair));
        } else if (s.delivery() == Delivery.FOUND && !back) {
            hop.broken(
                    Reason.REPLY_LOST,
                    pair.in().id(),
                    "reply cannot return",
                    to.name() + " at " + destination.get() + " hears the poll of "
                            + s.from().name() + " at " + source.get()
                            + ", but has no route back, so it is never found. "
                            + capitalised(subnetAdvice(pair.in(), pair)),
                    subnetRemedies(pair.in(), pair));
        }
    }

    /** The system sends by an adapter that does not lead there, though the one the program is bound to does. */
    private void routedElsewhere(HopDraft hop, Shipment s, Host to, Pair pair, HostAddress destination) {
        Host from = context.index.host(s.from().host());
        boolean boundLeads = s.from().binding(s.send()).mode() == BindingMode.ADAPTERS
                && s.from().binding(s.send()).adapters().stream()
                        .map(context.index::adapter)
                        .anyMatch(a -> !a.id().equals(pair.out().id()) && PathContext.sameSegment(a, pair.in()));
        if (from.system().sendsByRoute() && boundLeads) {
            hop.broken(
                    Reason.ROUTED_ELSEWHERE,
                    pair.out().id(),
                    destination.address() + " by " + pair.out().name(),
                    from.name() + " sends to " + destination.address() + " by its "
                            + pair.out().name()
                            + " adapter, whose subnet "
                            + first(pair.out()).map(a -> a.subnet() + " ").orElse("")
                            + "covers it, whatever its programs are bound to; " + to.name()
                            + " is not there. Give that adapter another subnet, or one with a longer mask.",
                    List.of());
        }
    }

    /** Which of two adapters that do not see each other is off the subnet usual on their segment. */
    private Adapter odd(Pair pair) {
        Optional<Subnet> usual = pair.in().segment().flatMap(context::usualSubnet);
        if (usual.isPresent()) {
            boolean inFits =
                    first(pair.in()).filter(a -> a.subnet().equals(usual.get())).isPresent();
            boolean outFits = first(pair.out())
                    .filter(a -> a.subnet().equals(usual.get()))
                    .isPresent();
            if (inFits && !outFits) {
                return pair.out();
            }
        }
        return pair.in();
    }

    private Optional<Subnet> meantFor(Adapter odd, Pair pair) {
        Adapter other = pair.otherThan(odd);
        Optional<Subnet> usual = odd.segment().flatMap(context::usualSubnet);
        Optional<Subnet> others = first(other).map(HostAddress::subnet);
        return usual.isPresent() && others.isPresent() && usual.get().overlaps(others.get()) ? usual : others;
    }

    private String subnetAdvice(Adapter odd, Pair pair) {
        return meantFor(odd, pair)
                .map(subnet -> "give the " + context.index.name(odd.id()) + " an address and mask of " + subnet + ".")
                .orElse("give both an address of one subnet.");
    }

    private List<Edit> subnetRemedies(Adapter odd, Pair pair) {
        List<Edit> edits = new ArrayList<>();
        meantFor(odd, pair).ifPresent(subnet -> edits.addAll(remedies.joinSubnet(odd, subnet)));
        Adapter other = pair.otherThan(odd);
        first(odd).map(HostAddress::subnet).ifPresent(subnet -> edits.addAll(remedies.joinSubnet(other, subnet)));
        return edits;
    }

    private void take(
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
                        + destination.map(HostAddress::toString).orElse("no address") + planned(in) + ".");
        context.powering.judge(hop, Reason.FAR_NO_POWER, to);
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
                    "The " + nameOf(in) + " has no cable. Plug it in" + segmentName(in) + ".",
                    List.of(remedies.plugIn(in, pair.out().segment())));
        }
        if (destination.isEmpty()) {
            hop.broken(
                    Reason.FAR_NO_ADDRESS,
                    in.id(),
                    "no address",
                    "The " + nameOf(in) + " has no address. Give it one.",
                    remedies.giveAddress(in, 0, Optional.empty()));
        }
        notAHost(hop, Reason.FAR_NOT_A_HOST, in);
        if (source.isEmpty() || destination.isEmpty() || !pair.joined()) {
            return;
        }
        otherAdapter(hop, s, to, in, destination.get());
        if (s.delivery() == Delivery.BROADCAST
                && !takesBroadcast(to, in, source.get().broadcast())) {
            Adapter odd = odd(pair);
            hop.broken(
                    Reason.BROADCAST_DIFFERS,
                    odd.id(),
                    source.get().broadcast() + " ≠ " + destination.get().broadcast(),
                    s.from().name() + " at " + source.get() + " sends to its broadcast "
                            + source.get().broadcast() + "; "
                            + to.name() + " at " + destination.get() + " takes only "
                            + destination.get().broadcast() + ". "
                            + capitalised(subnetAdvice(odd, pair)),
                    subnetRemedies(odd, pair));
        }
        sourceCheck(hop, to, pair, source.get());
        if ((s.delivery() == Delivery.UNICAST || s.delivery() == Delivery.FOUND)
                && in.segment().isPresent()) {
            duplicate(hop, in, destination.get());
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
                + first(in).map(a -> "; send it to " + a.address() + ".").orElse(".");
        List<Edit> edits = new ArrayList<>();
        first(in).ifPresent(own -> {
            Object signal = context.index.find(s.signal()).orElseThrow();
            if (signal instanceof ControlLink link) {
                edits.add(remedies.aim(link, own.address()));
            } else if (signal instanceof Attachment attachment) {
                edits.add(remedies.aim(attachment, own.address()));
            } else if (signal instanceof Stream stream) {
                edits.add(remedies.addToList(stream, own.address()));
            }
        });
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
                            + capitalised(subnetAdvice(in, pair)),
                    subnetRemedies(in, pair));
        } else if (to.sourceCheck() == SourceCheck.STRICT && !back.get(0).equals(in)) {
            hop.broken(
                    Reason.SOURCE_CHECK,
                    in.id(),
                    "answers by " + back.get(0).name(),
                    to.name() + " drops what comes from " + source.address() + " by " + in.name()
                            + ", for it would answer by " + back.get(0).name() + ". Let it check loosely, or "
                            + subnetAdvice(in, pair),
                    List.of(remedies.checkLoosely(to)));
        }
    }

    private void duplicate(HopDraft hop, Adapter in, HostAddress address) {
        List<Adapter> holders = context.holdersOf(in.segment().orElseThrow(), address.address());
        if (holders.size() > 1) {
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
                    duplicateRemedies(holders, address));
        }
    }

    /** Another address for all but the first holder. */
    private List<Edit> duplicateRemedies(List<Adapter> holders, HostAddress address) {
        Adapter last = holders.get(holders.size() - 1);
        int at = 0;
        for (int i = 0; i < last.addresses().size(); i++) {
            if (last.addresses().get(i).inForce().address().equals(address.address())) {
                at = i;
            }
        }
        return remedies.giveAddress(last, at, Optional.of(address.subnet()));
    }

    private void letIn(List<HopDraft> hops, Shipment s, Host to, Adapter in, List<Adapter> listening) {
        HopDraft hop = at(hops, HopKind.LET_IN);
        hop.passes(
                s.to().id(),
                s.to().binding(s.listen()).mode() == BindingMode.ADAPTERS ? "hears on " + in.name() : "listens",
                s.to().name() + " listens for " + s.listen().title() + " on " + in.name() + ", and nothing bars it.");
        if (!to.firewall().letsIn(s.traffic())) {
            hop.broken(
                    Reason.FIREWALL,
                    to.id(),
                    "firewall bars it",
                    "The firewall of " + to.name() + " bars " + s.traffic().title() + " from outside. Let it in.",
                    List.of(remedies.openFirewall(to, s.traffic())));
        }
        if (!contains(listening, in)) {
            elsewhere(hops, s, listening, in);
        }
    }

    private void elsewhere(List<HopDraft> hops, Shipment s, List<Adapter> listening, Adapter in) {
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
        at(hops, reason.hop())
                .broken(
                        reason,
                        s.to().id(),
                        "hears on " + names,
                        s.to().name() + " listens for " + s.listen().title() + " on " + names + " only; it arrives on "
                                + in.name() + ". Bind it to " + in.name() + shown(in) + ".",
                        edits);
    }

    // --- small helpers ---

    private String nameOf(Adapter adapter) {
        return context.index.find(adapter.id()).isPresent() ? context.index.name(adapter.id()) : adapter.name();
    }

    private String segmentName(Adapter adapter) {
        return adapter.segment()
                .map(s -> " to " + context.index.segment(s).name())
                .orElse("");
    }

    private static String planned(Adapter adapter) {
        return adapter.addresses().stream()
                .filter(a -> a.address().isPending())
                .findFirst()
                .map(a -> " (" + a.address().planned() + " is planned, not in force)")
                .orElse("");
    }

    private static String shown(Adapter adapter) {
        return first(adapter).map(a -> ", " + a.address()).orElse("");
    }

    private static String capitalised(String text) {
        return Character.toUpperCase(text.charAt(0)) + text.substring(1);
    }

    private static boolean contains(List<Adapter> adapters, Adapter wanted) {
        return adapters.stream().anyMatch(a -> a.id().equals(wanted.id()));
    }

    private static Optional<HostAddress> first(Adapter adapter) {
        return adapter.addresses().stream().findFirst().map(AdapterAddress::inForce);
    }

    /** The address of {@code of} that shares a subnet with {@code partner}; else its first. */
    private static Optional<HostAddress> best(Adapter of, Adapter partner) {
        for (AdapterAddress mine : of.addresses()) {
            for (AdapterAddress theirs : partner.addresses()) {
                if (mine.inForce().subnet().equals(theirs.inForce().subnet())) {
                    return Optional.of(mine.inForce());
                }
            }
        }
        for (AdapterAddress mine : of.addresses()) {
            for (AdapterAddress theirs : partner.addresses()) {
                if (mine.inForce().sees(theirs.inForce().address())
                        || theirs.inForce().sees(mine.inForce().address())) {
                    return Optional.of(mine.inForce());
                }
            }
        }
        return first(of);
    }
}
