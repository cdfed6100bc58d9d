package zentrel.path.fix;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import zentrel.ipv4.Ipv4Address;
import zentrel.ipv4.Subnet;
import zentrel.path.CableLayout;
import zentrel.path.PathContext;
import zentrel.plan.*;
import zentrel.profile.AdapterKind;
import zentrel.profile.Direction;
import zentrel.profile.Protocol;
import zentrel.profile.Traffic;

/**
 * The edits that mend. Each sets the value in force as well as planned: it is the plan for a device that will be set so.
 * The text of an edit names its subject, so that two edits with one text are one edit.
 */
public final class Remedies {
    private final PathContext context;
    private final AddressRemedies addresses;

    public Remedies(PathContext context) {
        this.context = context;
        this.addresses = new AddressRemedies(context);
    }

    /** Those that change an address or a mask. */
    public AddressRemedies addresses() {
        return addresses;
    }

    String name(Id<?> id) {
        return context.index().name(id);
    }

    Edit bind(Application application, Purpose purpose, Adapter adapter) {
        Binding binding = adapter.kind() == AdapterKind.LOOPBACK ? Binding.LOOPBACK : Binding.to(adapter.id());
        return new Edit(
                "Bind " + purpose.title() + " of " + name(application.id()) + " to " + adapter.name(),
                p -> p.with(application.id(), a -> a.withBinding(purpose, Setting.of(binding))));
    }

    Edit bindAlso(Application application, Purpose purpose, Adapter adapter) {
        List<Id<Adapter>> ids = new ArrayList<>(application.binding(purpose).adapters());
        ids.add(adapter.id());
        Binding binding = new Binding(BindingMode.ADAPTERS, new ArrayList<>(new LinkedHashSet<>(ids)));
        return new Edit(
                "Bind " + purpose.title() + " of " + name(application.id()) + " to " + adapter.name() + " as well",
                p -> p.with(application.id(), a -> a.withBinding(purpose, Setting.of(binding))));
    }

    Edit listenOnAll(Application application, Purpose purpose) {
        return new Edit(
                "Let " + purpose.title() + " of " + name(application.id()) + " listen on all adapters",
                p -> p.with(application.id(), a -> a.withBinding(purpose, Setting.of(Binding.ALL))));
    }

    Edit plugIn(Adapter adapter, Optional<Id<Segment>> segment) {
        return new Edit(
                "Plug in the " + name(adapter.id()),
                p -> CableLayout.pluggedIn(p, adapter.id()).with(adapter.id(), a -> {
                    Adapter up = a.withCarrier(true);
                    return up.segment().isEmpty() && segment.isPresent() ? up.withSegment(segment.get()) : up;
                }));
    }

    Edit switchOn(Adapter adapter) {
        return new Edit(
                "Switch on the " + name(adapter.id()), p -> p.with(adapter.id(), a -> a.withEnabled(Setting.of(true))));
    }

    Edit noIsolation(Segment segment) {
        return new Edit(
                "Let the wireless clients of " + segment.name() + " reach each other",
                p -> p.with(segment.id(), s -> s.withIsolated(false)));
    }

    Edit giveGateway(Adapter adapter, Ipv4Address gateway) {
        return new Edit(
                "Give the " + name(adapter.id()) + " the gateway " + gateway,
                p -> p.with(adapter.id(), a -> a.withGateway(Optional.of(gateway))));
    }

    Edit tellTheWay(Adapter adapter, Subnet to, Ipv4Address via) {
        return new Edit(
                "Add the route to " + to + " by " + via + " on the " + name(adapter.id()),
                p -> p.with(adapter.id(), a -> {
                    List<Route> routes = new ArrayList<>(a.routes());
                    routes.removeIf(r -> r.to().equals(to));
                    routes.add(new Route(to, Optional.of(via)));
                    return a.withRoutes(routes);
                }));
    }

    Edit openFirewall(Host host, Application program) {
        return new Edit(
                "Let everything in for " + name(program.id()) + " on " + host.name(),
                p -> p.with(host.id(), h -> {
                    Set<Id<Application>> open = new HashSet<>(h.firewall().programs());
                    open.add(program.id());
                    return h.withFirewall(h.firewall().withPrograms(open));
                }));
    }

    Edit takeAsPrivate(Host host, Adapter adapter) {
        return new Edit(
                "Let " + host.name() + " take the network of " + adapter.name() + " as private",
                p -> p.with(host.id(), h -> {
                    Set<Id<Adapter>> left = new HashSet<>(h.firewall().publicOn());
                    left.remove(adapter.id());
                    return h.withFirewall(h.firewall().withPublicOn(left));
                }));
    }

    Edit openEverywhere(Host host) {
        return new Edit(
                "Let the openings of " + host.name() + "'s firewall hold on public networks, too",
                p -> p.with(host.id(), h -> h.withFirewall(h.firewall().withPrivateOnly(false))));
    }

    Edit openFirewall(Host host, Traffic traffic) {
        return new Edit(
                "Let " + traffic.title() + " in through the firewall of " + host.name(),
                p -> p.with(host.id(), h -> {
                    Set<Traffic> allowed = new HashSet<>(h.firewall().allows());
                    allowed.add(traffic);
                    return h.withFirewall(h.firewall().withAllows(allowed));
                }));
    }

    Edit enable(Stream stream) {
        return new Edit("Switch on " + name(stream.id()), p -> p.with(stream.id(), s -> s.withEnabled(true)));
    }

    /** Switches on whatever keeps a stream from being sent at its source. */
    Edit send(Stream stream) {
        return new Edit(
                "Send " + name(stream.id()),
                p -> p.with(stream.id(), s -> s.withEnabled(true))
                        .with(
                                stream.application(),
                                a -> a.withOutput(
                                        stream.protocol(),
                                        a.output(stream.protocol()).withEnabled(true))));
    }

    /** Lets a stream that stands by be sent now. */
    Edit sendItself(Stream stream) {
        return new Edit(
                "Let " + name(stream.id()) + " be sent without standing by",
                p -> p.with(stream.id(), s -> s.withStandby(false)));
    }

    Edit silence(Stream stream) {
        return new Edit("Silence " + name(stream.id()), p -> p.with(stream.id(), s -> s.withEnabled(false)));
    }

    Edit enableOutput(Application application, Protocol protocol) {
        return new Edit(
                "Switch on " + protocol.title() + " output of " + name(application.id()),
                p -> p.with(
                        application.id(),
                        a -> a.withOutput(protocol, a.output(protocol).withEnabled(true))));
    }

    Edit start(Application application) {
        return new Edit(
                "Start " + name(application.id()),
                p -> p.with(
                        application.id(),
                        a -> a.withInstalled(a.installed().withRunning(Optional.of(Setting.of(true))))));
    }

    Edit quit(Application application) {
        return new Edit(
                "Quit " + name(application.id()),
                p -> p.with(
                        application.id(),
                        a -> a.withInstalled(a.installed().withRunning(Optional.of(Setting.of(false))))));
    }

    Edit alsoHere(Application application, Protocol protocol) {
        return new Edit(
                "Let " + name(application.id()) + " send " + protocol.title() + " also to this computer",
                p -> p.with(
                        application.id(),
                        a -> a.withOutput(protocol, a.output(protocol).withAlsoHere(Optional.of(Setting.of(true))))));
    }

    Edit setTtl(Application application, Purpose sending, int ttl) {
        Protocol protocol = sending == Purpose.sending(Protocol.SACN) ? Protocol.SACN : Protocol.ARTNET;
        return new Edit(
                "Set the TTL of " + name(application.id()) + " for " + protocol.title() + " to " + ttl,
                p -> p.with(
                        application.id(),
                        a -> a.withOutput(protocol, a.output(protocol).withTtl(Optional.of(ttl)))));
    }

    Edit noOwnLevels(Application application, Protocol protocol) {
        return new Edit(
                "Silence the own levels of " + name(application.id()) + " by " + protocol.title(),
                p -> p.with(
                        application.id(),
                        a -> a.withOutput(protocol, a.output(protocol).withOwnLevels(Optional.of(Setting.of(false))))));
    }

    Edit noOwnLevels(Stream stream) {
        return new Edit(
                "Silence the own levels of " + name(stream.application()) + " in "
                        + context.index().universe(stream.universe()).label(),
                p -> p.with(stream.id(), s -> s.withOwnLevels(Optional.of(Setting.of(false)))));
    }

    /** All adapters of a device but one; what leaves the choice to the system then has only that. */
    Edit onlyAdapter(Host host, Adapter kept) {
        return new Edit(
                "Switch off every adapter of " + host.name() + " but " + kept.name(),
                p -> p.with(
                        host.id(),
                        h -> h.withAdapters(h.adapters().stream()
                                .map(a -> a.id().equals(kept.id()) || a.kind() == AdapterKind.LOOPBACK
                                        ? a
                                        : a.withEnabled(Setting.of(false)))
                                .toList())));
    }

    Edit setPortWire(Port port, int wire) {
        return new Edit("Set " + name(port.id()) + " to " + wire, p -> p.with(port.id(), x -> x.withWire(wire)));
    }

    Edit setStreamWire(Stream stream, int wire) {
        return new Edit("Send " + name(stream.id()) + " as " + wire, p -> p.with(stream.id(), s -> s.withWire(wire)));
    }

    Edit setPortProtocol(Port port, Protocol protocol, int wire) {
        return new Edit(
                "Set " + name(port.id()) + " to " + protocol.title() + " " + wire,
                p -> p.with(port.id(), x -> x.withProtocol(protocol).withWire(wire)));
    }

    /** Sends the stream's universe by the other protocol as well. */
    public Edit alsoSend(Stream stream, Port port, Protocol protocol) {
        int wire = port.wire()
                .map(Setting::inForce)
                .filter(protocol::carries)
                .orElse(Math.max(
                        protocol.firstNumber(),
                        context.index().universe(stream.universe()).number()));
        Delivery delivery = protocol == Protocol.SACN ? Delivery.MULTICAST : Delivery.FOUND;
        Id<Stream> id = Kind.STREAM.id(Ids.free(context.plan(), stream.id().value() + "-" + protocol.word()));
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
                "Send " + context.index().universe(stream.universe()).label() + " by " + protocol.title() + " too, as "
                        + wire,
                p -> p.and(Kind.STREAM, added)
                        .with(
                                stream.application(),
                                a -> a.withOutput(protocol, a.output(protocol).withEnabled(true)))
                        .with(port.id(), x -> x.withProtocol(protocol).withWire(wire)));
    }

    Edit addToList(Stream stream, Ipv4Address address) {
        return new Edit(
                "Add " + address + " to the unicast list of " + name(stream.id()),
                p -> p.with(stream.id(), s -> {
                    Set<Ipv4Address> all = new LinkedHashSet<>(s.to());
                    all.add(address);
                    return s.withDelivery(Delivery.UNICAST, List.copyOf(all));
                }));
    }

    Edit inputOn(Receiver receiver) {
        return new Edit(
                "Switch on the input of " + name(receiver.id()), p -> p.with(receiver.id(), r -> r.withInputOn(true)));
    }

    Edit portOutput(Port port) {
        return new Edit(
                "Set " + name(port.id()) + " to output",
                p -> p.with(port.id(), x -> x.withDirection(Direction.OUTPUT)));
    }

    Edit portOn(Port port) {
        return new Edit("Switch on " + name(port.id()), p -> p.with(port.id(), x -> x.withEnabled(true)));
    }

    Edit setPriority(Stream stream, int priority) {
        return new Edit(
                "Lower " + name(stream.id()) + " to priority " + priority,
                p -> p.with(stream.id(), s -> s.withPriority(priority)));
    }

    Edit meantToMerge(Universe universe) {
        return new Edit(
                "Say that " + universe.label() + " is merged on purpose",
                p -> p.with(universe.id(), u -> u.withMerge(true)));
    }

    Edit live(Stream stream) {
        return new Edit(
                "Send " + name(stream.id()) + " as live data", p -> p.with(stream.id(), s -> s.withPreview(false)));
    }

    Edit setVlan(Adapter adapter, int vlan) {
        return new Edit(
                "Set the socket of the " + name(adapter.id()) + " to VLAN " + vlan,
                p -> p.with(adapter.id(), a -> a.withPlug(a.plug().withVlan(Optional.of(Setting.of(vlan))))));
    }

    Edit fullSpeed(Adapter adapter) {
        return new Edit(
                "Let the socket of the " + name(adapter.id()) + " find its speed by itself",
                p -> p.with(
                        adapter.id(),
                        a -> a.withPlug(Plug.USUAL.withVlan(a.plug().vlan()))));
    }

    /** Takes a cable out. */
    public Edit unplug(Id<Cable> cable) {
        return new Edit("Unplug the cable " + name(cable), p -> p.with(cable, c -> c.withConnected(false)));
    }

    /** Lets a switch ask who wants which group. */
    public Edit letAsk(Host box) {
        return new Edit(
                "Enable the IGMP querier on " + box.name(),
                p -> p.with(box.id(), h -> h.withSwitching(h.switching().withQuerier(Setting.of(true)))));
    }

    Edit noSnooping(Host box) {
        return new Edit(
                "Turn IGMP snooping off on " + box.name(),
                p -> p.with(box.id(), h -> h.withSwitching(h.switching().withSnooping(Setting.of(false)))));
    }

    Edit takeAlso(Receiver receiver, Protocol protocol, int wire) {
        return new Edit(
                "Let " + name(receiver.id()) + " receive " + protocol.title() + " " + wire + " too",
                p -> p.with(
                        receiver.id(),
                        r -> r.withTaking(r.taking()
                                .withRanges(
                                        protocol, NumberRange.with(r.taking().of(protocol), wire)))));
    }

    Edit ownIdentity(Application application) {
        return new Edit(
                "Give " + name(application.id()) + " a CID of its own",
                p -> p.with(application.id(), a -> a.withInstalled(a.installed().withCid(Optional.empty()))));
    }

    Edit sendSync(Application application, int universe) {
        return new Edit(
                "Let " + name(application.id()) + " send sync on " + universe,
                p -> p.with(
                        application.id(),
                        a -> a.withOutput(Protocol.SACN, a.output(Protocol.SACN).withSync(Optional.of(universe)))));
    }

    Edit noSync(Stream stream) {
        return new Edit(
                "Send " + name(stream.id()) + " without waiting for sync",
                p -> p.with(stream.id(), s -> s.withSync(Optional.empty())));
    }

    /** Sends a control link or what is attached to an address, or adds the address to the list of a stream. */
    /** A link to another program, at its address and port. */
    Edit link(Id<ControlLink> link, Application to, Ipv4Address at, int port) {
        return new Edit(
                "Send " + name(link) + " to " + name(to.id()) + " at " + at + ", port " + port,
                p -> p.with(link, l -> l.withTo(to.id()).withDestination(at).withPort(Setting.of(port))));
    }

    Edit aim(Id<?> signal, Ipv4Address at) {
        Object found = context.index().find(signal).orElseThrow();
        if (found instanceof Stream stream) {
            return addToList(stream, at);
        }
        String text = "Send " + name(signal) + " to " + at;
        return found instanceof ControlLink link
                ? new Edit(text, p -> p.with(link.id(), l -> l.withDestination(at)))
                : new Edit(
                        text,
                        p -> p.with(((Attachment) found).id(), a -> a.withDestination(Optional.of(Setting.of(at)))));
    }

    /** Changes how a program receives OSC. */
    Edit onOscInput(String what, Application application, UnaryOperator<OscInput> change) {
        return new Edit(
                what + name(application.id()),
                p -> p.with(
                        application.id(), a -> a.withOsc(change.apply(a.osc().orElseThrow()))));
    }

    /** Lets a host take what comes from any source that it has a route to. */
    Edit checkLoosely(Host host) {
        return new Edit(
                "Let " + host.name() + " check sources loosely",
                p -> p.with(host.id(), h -> h.withSourceCheck(SourceCheck.LOOSE)));
    }
}
