package zentrel.path;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import zentrel.ipv4.FreeAddress;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.ipv4.Subnet;
import zentrel.plan.*;

/**
 * The edits that mend. Each sets the value in force as well as planned: it is the plan for a device that will be set so.
 * The text of an edit names its subject, so that two edits with one text are one edit.
 */
public final class Remedies {
    /** Places named one by one in the text of an edit. */
    private static final int MOST_NAMED = 2;

    private final PathContext context;
    private volatile @Nullable Map<Ipv4Address, List<Id>> typed;

    Remedies(PathContext context) {
        this.context = context;
    }

    private String name(Id id) {
        return context.index.name(id);
    }

    Edit bind(Application application, Purpose purpose, Adapter adapter) {
        Binding binding = adapter.kind() == AdapterKind.LOOPBACK ? Binding.LOOPBACK : Binding.to(adapter.id());
        return new Edit(
                "Bind " + purpose.title() + " of " + name(application.id()) + " to " + adapter.name(),
                p -> p.withApplication(application.id(), a -> a.withBinding(purpose, Setting.of(binding))));
    }

    Edit bindAlso(Application application, Purpose purpose, Adapter adapter) {
        List<AdapterId> ids = new ArrayList<>(application.binding(purpose).adapters());
        ids.add(adapter.id());
        Binding binding = new Binding(BindingMode.ADAPTERS, new ArrayList<>(new LinkedHashSet<>(ids)));
        return new Edit(
                "Bind " + purpose.title() + " of " + name(application.id()) + " to " + adapter.name() + " as well",
                p -> p.withApplication(application.id(), a -> a.withBinding(purpose, Setting.of(binding))));
    }

    Edit listenOnAll(Application application, Purpose purpose) {
        return new Edit(
                "Let " + purpose.title() + " of " + name(application.id()) + " listen on all adapters",
                p -> p.withApplication(application.id(), a -> a.withBinding(purpose, Setting.of(Binding.ALL))));
    }

    Edit plugIn(Adapter adapter, Optional<SegmentId> segment) {
        return new Edit(
                "Plug in the " + name(adapter.id()),
                p -> Cabling.pluggedIn(p, adapter.id()).withAdapter(adapter.id(), a -> {
                    Adapter up = a.withCarrier(true);
                    return up.segment().isEmpty() && segment.isPresent() ? up.withSegment(segment.get()) : up;
                }));
    }

    Edit switchOn(Adapter adapter) {
        return new Edit(
                "Switch on the " + name(adapter.id()),
                p -> p.withAdapter(adapter.id(), a -> a.withEnabled(Setting.of(true))));
    }

    /** Puts what is planned in force, where that is another address. */
    List<Edit> applyPlanned(Adapter adapter) {
        List<Edit> edits = new ArrayList<>();
        for (int i = 0; i < adapter.addresses().size(); i++) {
            AdapterAddress a = adapter.addresses().get(i);
            if (a.address().isPending()) {
                edits.add(moveTo(
                        adapter,
                        i,
                        a.address().planned(),
                        "Apply the planned " + a.address().planned().address() + " on the " + name(adapter.id())));
            }
        }
        return edits;
    }

    /** Gives an adapter a free address in the subnet usual on its segment. */
    public List<Edit> giveAddress(Adapter adapter, int at, Optional<Subnet> wanted) {
        List<Edit> edits = new ArrayList<>(applyPlanned(adapter));
        Optional<SegmentId> segment = adapter.segment();
        Optional<Subnet> subnet = wanted.or(() -> segment.flatMap(context::usualSubnet));
        if (subnet.isEmpty()) {
            return edits;
        }
        Set<Ipv4Address> used = new HashSet<>();
        List<DhcpServer> pools = new ArrayList<>();
        segment.ifPresent(s -> {
            used.addAll(context.usedOn(s));
            context.index.adaptersOn(s).forEach(a -> a.serves().ifPresent(pools::add));
        });
        long given = pools.stream().mapToLong(DhcpServer::size).sum();
        Ipv4Address near = at < adapter.addresses().size()
                ? adapter.addresses().get(at).inForce().address()
                : subnet.get().network();
        FreeAddress.after(
                        near,
                        subnet.get(),
                        a -> used.contains(a) || pools.stream().anyMatch(p -> p.holds(a)),
                        used.size() + given)
                .map(free -> new HostAddress(free, subnet.get().prefixLength()))
                .ifPresent(free -> edits.add(moveTo(adapter, at, free, "Give the " + name(adapter.id()) + " " + free)));
        return edits;
    }

    /** Gives an adapter an address that somebody sets, where it asked for one or gave itself one. */
    public List<Edit> setByHand(Adapter adapter, Subnet subnet) {
        return giveAddress(adapter, 0, Optional.of(subnet)).stream()
                .map(e -> e.and(p -> p.withAdapter(
                        adapter.id(),
                        a -> a.withAddresses(a.addresses().stream()
                                .map(x -> new AdapterAddress(x.address(), AddressOrigin.MANUAL))
                                .toList()))))
                .toList();
    }

    /** Another address for all but the first of several adapters that have one. */
    public List<Edit> giveEachItsOwn(List<Adapter> holders, HostAddress address) {
        List<Adapter> others = holders.subList(1, holders.size());
        List<Edit> last = giveAddress(
                others.get(others.size() - 1),
                at(others.get(others.size() - 1), address),
                Optional.of(address.subnet()));
        if (others.size() == 1) {
            return last;
        }
        // three or more with one address: each but the first gets one of its own, in one step
        return List.of(new Edit(
                "Give " + others.size() + " of the " + holders.size() + " adapters with " + address.address()
                        + " an address of their own",
                plan -> {
                    Plan next = plan;
                    for (Adapter other : others) {
                        next = freshAddress(next, other.id(), address);
                    }
                    return next;
                }));
    }

    /** Worked out on the plan as it is by then, so that no two get the same. */
    private static Plan freshAddress(Plan plan, AdapterId id, HostAddress address) {
        PathContext now = new PathContext(plan);
        Adapter adapter = now.index.adapter(id);
        List<Edit> edits = new Remedies(now).giveAddress(adapter, at(adapter, address), Optional.of(address.subnet()));
        return edits.isEmpty() ? plan : edits.get(edits.size() - 1).applyTo(plan);
    }

    /** The place of an address among those of an adapter. */
    static int at(Adapter adapter, HostAddress address) {
        for (int i = 0; i < adapter.addresses().size(); i++) {
            if (adapter.addresses().get(i).inForce().address().equals(address.address())) {
                return i;
            }
        }
        return 0;
    }

    Edit noIsolation(Segment segment) {
        return new Edit(
                "Let the wireless clients of " + segment.name() + " reach each other",
                p -> p.withSegment(segment.id(), s -> s.withIsolated(false)));
    }

    /** Mends an adapter that is off its segment's subnet: by its mask where that is enough, else by a free address. */
    public List<Edit> joinSubnet(Adapter adapter, Subnet subnet) {
        List<Edit> edits = new ArrayList<>(applyPlanned(adapter));
        for (int i = 0; i < adapter.addresses().size(); i++) {
            HostAddress now = adapter.addresses().get(i).inForce();
            if (subnet.contains(now.address()) && now.prefixLength() != subnet.prefixLength()) {
                edits.add(setMask(adapter, i, subnet.prefixLength()));
                return edits;
            }
        }
        edits.addAll(giveAddress(adapter, 0, Optional.of(subnet)));
        return edits;
    }

    Edit giveGateway(Adapter adapter, Ipv4Address gateway) {
        return new Edit(
                "Give the " + name(adapter.id()) + " the gateway " + gateway,
                p -> p.withAdapter(adapter.id(), a -> a.withGateway(Optional.of(gateway))));
    }

    /** Gives an adapter the mask of its segment, where that no longer covers an address behind a router. */
    List<Edit> narrow(Adapter adapter, Ipv4Address far) {
        return adapter.segment()
                .flatMap(context::usualSubnet)
                .filter(usual -> !usual.contains(far))
                .map(usual -> joinSubnet(adapter, usual))
                .orElse(List.of());
    }

    Edit tellTheWay(Adapter adapter, Subnet to, Ipv4Address via) {
        return new Edit(
                "Tell the " + name(adapter.id()) + " the way to " + to + " by " + via,
                p -> p.withAdapter(adapter.id(), a -> {
                    List<Route> routes = new ArrayList<>(a.routes());
                    routes.removeIf(r -> r.to().equals(to));
                    routes.add(new Route(to, Optional.of(via)));
                    return a.withRoutes(routes);
                }));
    }

    Edit setMask(Adapter adapter, int at, int prefixLength) {
        HostAddress now = adapter.addresses().get(at).inForce();
        HostAddress then = new HostAddress(now.address(), prefixLength);
        return moveTo(adapter, at, then, "Set the mask of the " + name(adapter.id()) + " to " + then.mask());
    }

    /** Changes an address, and with it the typed copies of it: unicast lists and the destinations of links. */
    private Edit moveTo(Adapter adapter, int at, HostAddress to, String what) {
        HostId owner = context.index.hostOf(adapter.id()).id();
        Optional<Ipv4Address> from = at < adapter.addresses().size()
                ? Optional.of(adapter.addresses().get(at).inForce().address())
                : Optional.empty();
        boolean shared = from.isPresent()
                && adapter.segment().isPresent()
                && context.holdersOf(adapter.segment().get(), from.get()).size() > 1;
        String text = what
                + from.filter(f -> !f.equals(to.address()))
                        .map(f -> follows(owner, f))
                        .orElse("");
        return new Edit(text, plan -> {
            AddressOrigin origin = at < adapter.addresses().size()
                            && adapter.addresses().get(at).origin() == AddressOrigin.DHCP
                    ? AddressOrigin.DHCP
                    : AddressOrigin.MANUAL;
            Plan next =
                    plan.withAdapter(adapter.id(), a -> a.withAddress(at, new AdapterAddress(Setting.of(to), origin)));
            return from.isPresent() ? copiesMoved(next, owner, from.get(), to.address(), shared) : next;
        });
    }

    /** What else such a change sets, to be said before it is made: lists and fields in which the old address is typed. */
    private String follows(HostId owner, Ipv4Address from) {
        Set<String> places = new LinkedHashSet<>();
        for (Id id : typed().getOrDefault(from, List.of())) {
            Object found = context.index.find(id).orElseThrow();
            if (found instanceof Stream s && context.index.takes(owner, s.universe())) {
                places.add("the unicast list of " + name(s.application()));
            } else if (found instanceof ControlLink l
                    && context.index.application(l.to()).host().equals(owner)) {
                places.add("the destination of " + name(l.id()));
            } else if (found instanceof Attachment a
                    && context.index.application(a.to()).host().equals(owner)) {
                places.add("the destination of " + name(a.id()));
            } else if (found instanceof TypedCopy c
                    && c.of() instanceof AdapterId a
                    && context.index.hostOf(a).id().equals(owner)) {
                places.add(c.name() + " in " + name(c.owner()));
            }
        }
        if (places.isEmpty()) {
            return "";
        }
        String few = places.stream().limit(MOST_NAMED).collect(Collectors.joining(" and "));
        return ", and in " + few
                + (places.size() > MOST_NAMED ? " and " + (places.size() - MOST_NAMED) + " more places" : "");
    }

    /** Where each address is typed in, worked out when it is first asked for. */
    private Map<Ipv4Address, List<Id>> typed() {
        Map<Ipv4Address, List<Id>> known = typed;
        if (known == null) {
            Map<Ipv4Address, List<Id>> all = new HashMap<>();
            context.plan.streams().forEach(s -> s.to().forEach(a -> put(all, a, s.id())));
            context.plan.links().forEach(l -> put(all, l.destination().inForce(), l.id()));
            context.plan.attachments().forEach(a -> a.destination().ifPresent(d -> put(all, d.inForce(), a.id())));
            for (TypedCopy copy : context.plan.copies()) {
                if (copy.of() instanceof AdapterId) {
                    put(all, Ipv4Address.parse(copy.value().inForce()), copy.id());
                }
            }
            known = all;
            typed = known;
        }
        return known;
    }

    private static void put(Map<Ipv4Address, List<Id>> all, Ipv4Address address, Id at) {
        all.computeIfAbsent(address, a -> new ArrayList<>()).add(at);
    }

    private static Plan copiesMoved(Plan plan, HostId owner, Ipv4Address from, Ipv4Address to, boolean shared) {
        if (from.equals(to)) {
            return plan;
        }
        PlanIndex index = plan.index();
        List<Stream> streams = new ArrayList<>(plan.streams());
        streams.replaceAll(s -> {
            boolean meantForOwner = s.to().contains(from) && index.takes(owner, s.universe());
            if (!meantForOwner) {
                return s;
            }
            Set<Ipv4Address> list = new LinkedHashSet<>(s.to());
            if (!shared) {
                list.remove(from);
            }
            list.add(to);
            return s.withDelivery(s.delivery(), List.copyOf(list));
        });
        List<ControlLink> links = new ArrayList<>(plan.links());
        links.replaceAll(l -> l.destination().inForce().equals(from)
                        && index.application(l.to()).host().equals(owner)
                ? l.withDestination(to)
                : l);
        List<TypedCopy> copies = new ArrayList<>(plan.copies());
        copies.replaceAll(c -> c.value().inForce().equals(from.toString())
                        && c.of() instanceof AdapterId a
                        && index.hostOf(a).id().equals(owner)
                ? c.withValue(to.toString())
                : c);
        List<Attachment> attachments = new ArrayList<>(plan.attachments());
        attachments.replaceAll(a ->
                a.destination().filter(d -> d.inForce().equals(from)).isPresent()
                                && index.application(a.to()).host().equals(owner)
                        ? a.withDestination(Optional.of(Setting.of(to)))
                        : a);
        return plan.withStreams(streams)
                .withLinks(links)
                .withAttachments(attachments)
                .withCopies(copies);
    }

    Edit openFirewall(Host host, Traffic traffic) {
        return new Edit(
                "Let " + traffic.title() + " in through the firewall of " + host.name(),
                p -> p.withHost(host.id(), h -> {
                    Set<Traffic> allowed = new HashSet<>(h.firewall().allows());
                    allowed.add(traffic);
                    return h.withFirewall(new Firewall(h.firewall().barsInbound(), allowed));
                }));
    }

    Edit enable(Stream stream) {
        return new Edit("Switch on " + name(stream.id()), p -> p.withStream(stream.id(), s -> s.withEnabled(true)));
    }

    /** Switches on whatever keeps a stream from being sent at its source. */
    Edit send(Stream stream) {
        return new Edit(
                "Send " + name(stream.id()),
                p -> p.withStream(stream.id(), s -> s.withEnabled(true))
                        .withApplication(
                                stream.application(),
                                a -> a.withOutput(
                                        stream.protocol(),
                                        a.output(stream.protocol()).withEnabled(true))));
    }

    /** Lets a stream that stands by be sent now. */
    Edit sendItself(Stream stream) {
        return new Edit(
                "Let " + name(stream.id()) + " be sent without standing by",
                p -> p.withStream(stream.id(), s -> s.withStandby(false)));
    }

    Edit silence(Stream stream) {
        return new Edit("Silence " + name(stream.id()), p -> p.withStream(stream.id(), s -> s.withEnabled(false)));
    }

    Edit enableOutput(Application application, Protocol protocol) {
        return new Edit(
                "Switch on " + protocol.title() + " output of " + name(application.id()),
                p -> p.withApplication(
                        application.id(),
                        a -> a.withOutput(protocol, a.output(protocol).withEnabled(true))));
    }

    Edit setPortWire(Port port, int wire) {
        return new Edit("Set " + name(port.id()) + " to " + wire, p -> p.withPort(port.id(), x -> x.withWire(wire)));
    }

    Edit setStreamWire(Stream stream, int wire) {
        return new Edit(
                "Send " + name(stream.id()) + " as " + wire, p -> p.withStream(stream.id(), s -> s.withWire(wire)));
    }

    Edit setPortProtocol(Port port, Protocol protocol, int wire) {
        return new Edit(
                "Set " + name(port.id()) + " to " + protocol.title() + " " + wire,
                p -> p.withPort(port.id(), x -> x.withProtocol(protocol).withWire(wire)));
    }

    /** Sends the stream's universe by the other protocol as well. */
    public Edit alsoSend(Stream stream, Port port, Protocol protocol) {
        int wire = port.wire()
                .map(Setting::inForce)
                .filter(protocol::carries)
                .orElse(Math.max(
                        protocol.firstNumber(),
                        context.index.universe(stream.universe()).number()));
        Delivery delivery = protocol == Protocol.SACN ? Delivery.MULTICAST : Delivery.FOUND;
        StreamId id = new StreamId(Ids.free(context.plan, stream.id().value() + "-" + protocol.word()));
        Stream added = new Stream(
                id,
                stream.application(),
                stream.universe(),
                protocol,
                Setting.of(true),
                stream.standby(),
                stream.label(),
                Optional.of(Setting.of(wire)),
                delivery,
                List.of(),
                stream.priority(),
                stream.ratePerSecond(),
                stream.preview());
        return new Edit(
                "Send " + context.index.universe(stream.universe()).label() + " by " + protocol.title() + " too, as "
                        + wire,
                p -> {
                    List<Stream> streams = new ArrayList<>(p.streams());
                    streams.add(added);
                    return p.withStreams(streams)
                            .withApplication(
                                    stream.application(),
                                    a -> a.withOutput(
                                            protocol, a.output(protocol).withEnabled(true)))
                            .withPort(port.id(), x -> x.withProtocol(protocol).withWire(wire));
                });
    }

    Edit addToList(Stream stream, Ipv4Address address) {
        return new Edit(
                "Add " + address + " to the unicast list of " + name(stream.id()),
                p -> p.withStream(stream.id(), s -> {
                    Set<Ipv4Address> all = new LinkedHashSet<>(s.to());
                    all.add(address);
                    return s.withDelivery(Delivery.UNICAST, List.copyOf(all));
                }));
    }

    Edit inputOn(Receiver receiver) {
        return new Edit(
                "Switch on the input of " + name(receiver.id()),
                p -> p.withReceiver(receiver.id(), r -> r.withInputOn(true)));
    }

    Edit portOutput(Port port) {
        return new Edit(
                "Set " + name(port.id()) + " to output",
                p -> p.withPort(port.id(), x -> x.withDirection(Direction.OUTPUT)));
    }

    Edit portOn(Port port) {
        return new Edit("Switch on " + name(port.id()), p -> p.withPort(port.id(), x -> x.withEnabled(true)));
    }

    Edit setPriority(Stream stream, int priority) {
        return new Edit(
                "Lower " + name(stream.id()) + " to priority " + priority,
                p -> p.withStream(stream.id(), s -> s.withPriority(priority)));
    }

    Edit meantToMerge(Universe universe) {
        return new Edit(
                "Say that " + universe.label() + " is merged on purpose",
                p -> p.withUniverse(universe.id(), u -> u.withMerge(true)));
    }

    Edit live(Stream stream) {
        return new Edit(
                "Send " + name(stream.id()) + " as live data",
                p -> p.withStream(stream.id(), s -> s.withPreview(false)));
    }

    Edit setVlan(Adapter adapter, int vlan) {
        return new Edit(
                "Set the socket of the " + name(adapter.id()) + " to VLAN " + vlan,
                p -> p.withAdapter(adapter.id(), a -> a.withPlug(a.plug().withVlan(Optional.of(Setting.of(vlan))))));
    }

    Edit fullSpeed(Adapter adapter) {
        return new Edit(
                "Let the socket of the " + name(adapter.id()) + " find its speed by itself",
                p -> p.withAdapter(
                        adapter.id(),
                        a -> a.withPlug(Plug.USUAL.withVlan(a.plug().vlan()))));
    }

    /** Takes a cable out. */
    public Edit unplug(CableId cable) {
        return new Edit("Unplug the cable " + name(cable), p -> p.withCable(cable, c -> c.withConnected(false)));
    }

    /** Lets a switch ask who wants which group. */
    public Edit letAsk(Host box) {
        return new Edit(
                "Let " + box.name() + " ask who wants which group",
                p -> p.withHost(box.id(), h -> h.withSwitching(h.switching().withQuerier(Setting.of(true)))));
    }

    Edit noSnooping(Host box) {
        return new Edit(
                "Switch off snooping on " + box.name(),
                p -> p.withHost(box.id(), h -> h.withSwitching(h.switching().withSnooping(Setting.of(false)))));
    }

    Edit takeAlso(Receiver receiver, Protocol protocol, int wire) {
        return new Edit(
                "Let " + name(receiver.id()) + " take " + protocol.title() + " " + wire + " too",
                p -> p.withReceiver(
                        receiver.id(),
                        r -> r.withTaking(r.taking()
                                .withRanges(
                                        protocol, NumberRange.with(r.taking().of(protocol), wire)))));
    }

    Edit ownIdentity(Application application) {
        return new Edit(
                "Give " + name(application.id()) + " an identity of its own",
                p -> p.withApplication(
                        application.id(), a -> a.withInstalled(a.installed().withCid(Optional.empty()))));
    }

    Edit sendSync(Application application, int universe) {
        return new Edit(
                "Let " + name(application.id()) + " send synchronisation on " + universe,
                p -> p.withApplication(
                        application.id(),
                        a -> a.withOutput(Protocol.SACN, a.output(Protocol.SACN).withSync(Optional.of(universe)))));
    }

    Edit noSync(Stream stream) {
        return new Edit(
                "Send " + name(stream.id()) + " without waiting for synchronisation",
                p -> p.withStream(stream.id(), s -> s.withSync(Optional.empty())));
    }

    Edit aim(Attachment attachment, Ipv4Address at) {
        return new Edit(
                "Send " + name(attachment.id()) + " to " + at,
                p -> p.withAttachment(attachment.id(), a -> a.withDestination(Optional.of(Setting.of(at)))));
    }

    Edit aim(ControlLink link, Ipv4Address at) {
        return new Edit(
                "Send " + name(link.id()) + " to " + at, p -> p.withLink(link.id(), l -> l.withDestination(at)));
    }

    Edit repatch(Fixture fixture, int breakIndex, int start) {
        return new Edit(
                "Move " + fixtureLabel(fixture) + " to slot " + start,
                p -> p.withFixture(fixture.id(), f -> {
                    Break b = f.breaks().get(breakIndex);
                    return f.withBreak(breakIndex, b.startingAt(start));
                }));
    }

    static String fixtureLabel(Fixture fixture) {
        return fixture.number().isEmpty() ? fixture.name() : fixture.number() + " " + fixture.name();
    }

    /** Lets a host take what comes from any source that it has a route to. */
    Edit checkLoosely(Host host) {
        return new Edit(
                "Let " + host.name() + " check sources loosely",
                p -> p.withHost(host.id(), h -> h.withSourceCheck(SourceCheck.LOOSE)));
    }
}
