package zentrel.net.sim;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.net.NetAdapter;
import zentrel.net.NetHost;
import zentrel.net.SendResult;
import zentrel.path.Reason;
import zentrel.source.Sources;

/**
 * A simulated computer: its adapters, its routes, its one table of UDP ports, its firewall. A router is one that passes on what is for
 * others.
 */
public final class SimHost {
    /** The first port given to who asks for any (RFC 6335 §6, dynamic ports). */
    private static final int FIRST_FREE = 49_152;

    private static final int USUAL_TTL = 64; // RFC 1340, IP option numbers
    private static final int GROUP_TTL = 1; // RFC 1112 §6.1

    /** How long a firewall lets in what may be the answer to what a port sent. */
    private static final long ASKED_NANOS = Math.round(Sources.FIREWALL_ANSWER.value() * 1e9);

    private static final NetAdapter LOOPBACK =
            new NetAdapter("lo", new HostAddress(Ipv4Address.LOOPBACK, 8), true, false, true);

    /** What the firewall lets in. */
    @FunctionalInterface
    public interface Firewall {
        /**
         * Whether it lets a packet in.
         *
         * @param adapter what the net calls the adapter
         * @param program what the net calls the program that waits for it
         */
        boolean lets(String adapter, String program, int port);
    }

    private final SimNet net;
    private final String place;
    private final HostTraits traits;
    private final List<SimAdapter> adapters = new ArrayList<>();
    private final Map<Integer, List<SimPort>> ports = new HashMap<>();
    private final SimRoutes routes = new SimRoutes(this);
    private Firewall firewall = (adapter, program, port) -> true;
    private int nextFree = FIRST_FREE;

    SimHost(SimNet net, String place, HostTraits traits) {
        this.net = net;
        this.place = place;
        this.traits = traits;
    }

    SimNet net() {
        return net;
    }

    HostTraits traits() {
        return traits;
    }

    public void setFirewall(Firewall value) {
        firewall = value;
    }

    /** Adds an adapter, in the order in which the system lists them. */
    public SimAdapter addAdapter(String adapterPlace, String name, boolean wireless) {
        SimAdapter adapter = new SimAdapter(this, adapterPlace, name, wireless);
        adapters.add(adapter);
        return adapter;
    }

    List<SimAdapter> simAdapters() {
        return adapters;
    }

    List<NetAdapter> seen() {
        List<NetAdapter> all = new ArrayList<>();
        adapters.forEach(a -> a.addresses().forEach(x -> all.add(a.seen(x))));
        all.add(LOOPBACK);
        return all;
    }

    /** The computer as a program sees it that binds its ports itself. */
    public NetHost program(String programPlace) {
        return new SimProgram(this, programPlace, Optional.empty(), true);
    }

    /**
     * The computer as a program sees it whose ports are bound by its settings.
     *
     * @param localCopy whether programs on the same computer get what it sends to groups
     */
    public NetHost program(String programPlace, SimBinding binding, boolean localCopy) {
        return new SimProgram(this, programPlace, Optional.of(binding), localCopy);
    }

    int freePort() {
        return nextFree++;
    }

    void open(SimPort port) {
        ports.computeIfAbsent(port.port(), p -> new ArrayList<>()).add(port);
    }

    void close(SimPort port) {
        List<SimPort> open = ports.get(port.port());
        if (open != null) {
            open.remove(port);
        }
    }

    boolean has(Ipv4Address address) {
        return address.isLoopback() || adapters.stream().anyMatch(a -> a.has(address));
    }

    // --- sending ---

    SendResult send(SimPort from, Ipv4Address to, int toPort, byte[] payload) {
        long packet = net.nextPacket();
        net.sent(packet, from.program().place(), to, payload);
        if (!traits.powered()) {
            net.drop(packet, Reason.NO_POWER, place);
            return SendResult.refused("It has no power.");
        }
        boolean toAll = to.isMulticast() || to.equals(Ipv4Address.LIMITED_BROADCAST) || isBroadcast(from, to);
        if (from.binding() instanceof SimBinding.Loopback) {
            return byLoopback(from, to, toPort, payload, packet);
        }
        if (!toAll && has(to)) {
            Ipv4Address source = to.isLoopback()
                    ? Ipv4Address.LOOPBACK
                    : from.boundAddress().map(HostAddress::address).orElse(to);
            net.clock().at(net.clock().now(), () -> local(packet, udp(source, from, to, toPort, USUAL_TTL, payload)));
            return SendResult.LEFT;
        }
        Optional<Reason> boundClosed = from.binding() instanceof SimBinding.On on && !traits.sendsByRoute()
                ? on.first().whyNotSending()
                : Optional.empty();
        if (boundClosed.isPresent() && from.binding() instanceof SimBinding.On on) {
            net.drop(packet, boundClosed.get(), on.first().place());
            return SendResult.refused("The adapter " + on.first().name() + " does not send.");
        }
        Optional<SimRoutes.Hop> hop = way(from, to, toAll);
        if (hop.isEmpty()) {
            net.drop(packet, Reason.NO_ROUTE, from.program().place());
            return SendResult.noRoute("There is no route to " + to + ".");
        }
        SimAdapter by = hop.get().by();
        Optional<Reason> closed = by.whyNotSending();
        if (closed.isPresent()) {
            net.drop(packet, closed.get(), by.place());
            return SendResult.refused("The adapter " + by.name() + " does not send.");
        }
        net.left(packet, by.place());
        Ipv4Address source = from.boundAddress().orElse(hop.get().source()).address();
        Frame.Udp udp = udp(source, from, to, toPort, to.isMulticast() ? GROUP_TTL : USUAL_TTL, payload);
        if (toAll) {
            by.sendToAll(packet, udp);
            copyHere(from, by, packet, udp);
        } else {
            by.sendTo(hop.get().next(), packet, udp);
        }
        return SendResult.LEFT;
    }

    private static Frame.Udp udp(
            Ipv4Address source, SimPort from, Ipv4Address to, int toPort, int ttl, byte[] payload) {
        return new Frame.Udp(source, from.port(), to, toPort, ttl, payload);
    }

    private SendResult byLoopback(SimPort from, Ipv4Address to, int toPort, byte[] payload, long packet) {
        boolean here = to.isMulticast() || has(to) || to.equals(LOOPBACK.broadcast());
        if (!here) {
            net.drop(packet, Reason.BOUND_TO_LOOPBACK, from.program().place());
            return SendResult.noRoute(to + " is not on loopback.");
        }
        Frame.Udp udp = udp(Ipv4Address.LOOPBACK, from, to, toPort, USUAL_TTL, payload);
        net.clock().at(net.clock().now(), () -> local(packet, udp));
        if (to.isMulticast()) {
            net.drop(packet, Reason.BOUND_TO_LOOPBACK, from.program().place()); // it leaves by no other
        }
        return SendResult.LEFT;
    }

    private boolean isBroadcast(SimPort from, Ipv4Address to) {
        return (from.binding() instanceof SimBinding.On on && on.first().isBroadcast(to))
                || adapters.stream().anyMatch(a -> a.isBroadcast(to));
    }

    private Optional<SimRoutes.Hop> way(SimPort from, Ipv4Address to, boolean toAll) {
        if (from.binding() instanceof SimBinding.On on) {
            SimAdapter bound = on.first();
            boolean byRoute = traits.sendsByRoute() && !to.isMulticast() && !to.equals(Ipv4Address.LIMITED_BROADCAST);
            if (bound.addresses().isEmpty() || (toAll && !byRoute)) {
                return Optional.of(new SimRoutes.Hop(
                        bound,
                        to,
                        bound.addresses().isEmpty()
                                ? LOOPBACK.address()
                                : bound.addresses().get(0)));
            }
            return byRoute ? routes.to(to).or(() -> routes.by(bound, to)) : routes.by(bound, to);
        }
        boolean toAllOfAny = to.isMulticast() || to.equals(Ipv4Address.LIMITED_BROADCAST);
        return toAllOfAny && !traits.groupsByRoute() ? routes.lowestMetric(to) : routes.to(to);
    }

    /** Programs of this computer that joined the group, or hear broadcasts, on the adapter by which it leaves. */
    private void copyHere(SimPort from, SimAdapter by, long packet, Frame.Udp udp) {
        if (!from.copiesHere()) {
            return;
        }
        net.clock().at(net.clock().now(), () -> {
            for (SimPort port : List.copyOf(ports.getOrDefault(udp.destinationPort(), List.of()))) {
                boolean hears = udp.destination().isMulticast()
                        ? port.hasJoined(udp.destination(), Optional.of(by))
                        : port.request().broadcasts() && hearsOn(port, by);
                if (hears && port != from) {
                    port.deliver(packet, by.seen(by.addresses().get(0)), udp);
                }
            }
        });
    }

    private void local(long packet, Frame.Udp udp) {
        List<SimPort> open = List.copyOf(ports.getOrDefault(udp.destinationPort(), List.of()));
        for (int i = open.size() - 1; i >= 0; i--) {
            SimPort port = open.get(i);
            boolean hears = udp.destination().isMulticast()
                    ? port.hasJoined(udp.destination(), Optional.empty())
                    : udp.destination().isLoopback()
                            ? !(port.binding() instanceof SimBinding.On)
                            : hearsAt(port, udp.destination());
            if (hears) {
                port.deliver(packet, LOOPBACK, udp);
                if (!udp.destination().isMulticast()) {
                    return; // one of those that share a port, the last
                }
            }
        }
    }

    /** Nobody answered for an address on the own cable: the receiver's, or that of the router that leads there. */
    void unanswered(long packet, Ipv4Address next, Frame.Udp udp) {
        net.drop(packet, next.equals(udp.destination()) ? Reason.NOT_DELIVERED : Reason.NO_ROUTE, place);
    }

    // --- receiving ---

    /** The adapters on which a group is joined; none for loopback. */
    List<SimAdapter> adaptersForGroups(SimBinding binding, Ipv4Address group) {
        if (binding instanceof SimBinding.On on) {
            return on.adapters();
        }
        if (binding instanceof SimBinding.Loopback) {
            return List.of();
        }
        return routes
                .to(group)
                .map(SimRoutes.Hop::by)
                .or(() -> adapters.stream()
                        .filter(a -> a.isUsable() && !a.addresses().isEmpty())
                        .findFirst())
                .stream()
                .toList();
    }

    void receive(SimAdapter in, long packet, Frame.Udp udp, boolean toOurMac) {
        Ipv4Address to = udp.destination();
        boolean toAll = to.isMulticast()
                || to.equals(Ipv4Address.LIMITED_BROADCAST)
                || in.isBroadcast(to)
                || (!toOurMac && traits.receivesOnAny() && adapters.stream().anyMatch(a -> a.isBroadcast(to)));
        if (to.isMulticast() && !in.hasJoined(to)) {
            net.drop(packet, Reason.GROUP_NOT_ROUTED, place); // a router hears all groups and passes none on
            return;
        }
        if (!toAll && !in.has(to)) {
            if (has(to)) {
                if (!traits.receivesOnAny()) {
                    net.drop(packet, Reason.OTHER_ADAPTER, in.place());
                    return;
                }
            } else if (traits.router() && toOurMac) {
                passOn(packet, udp);
                return;
            } else {
                net.drop(packet, toOurMac ? Reason.NOT_ROUTED : Reason.BROADCAST_DIFFERS, in.place());
                return;
            }
        }
        if (sourceFails(in, udp.source())) {
            net.drop(packet, Reason.SOURCE_CHECK, in.place());
            return;
        }
        toPrograms(in, packet, udp, toAll);
    }

    private boolean sourceFails(SimAdapter in, Ipv4Address source) {
        if (traits.sourceCheck() == HostTraits.SourceCheck.NONE) {
            return false;
        }
        Optional<SimRoutes.Hop> back = routes.to(source);
        return back.isEmpty()
                || (traits.sourceCheck() == HostTraits.SourceCheck.STRICT
                        && back.get().by() != in);
    }

    private void passOn(long packet, Frame.Udp udp) {
        if (udp.ttl() <= 1) {
            net.drop(packet, Reason.TTL_ENDS, place);
            return;
        }
        Optional<SimRoutes.Hop> hop = routes.to(udp.destination());
        if (hop.isEmpty() || !hop.get().by().isUsable()) {
            net.drop(packet, Reason.NOT_ROUTED, place);
            return;
        }
        hop.get().by().sendTo(hop.get().next(), packet, udp.onward());
    }

    /** A group came that nobody joined on this adapter: on another one, or not at all. */
    void notJoined(SimAdapter in, long packet, Frame.Udp udp) {
        List<SimPort> open = ports.getOrDefault(udp.destinationPort(), List.of());
        if (open.isEmpty()) {
            net.drop(packet, Reason.FAR_NOT_RUNNING, place);
            return;
        }
        boolean elsewhere = open.stream().anyMatch(p -> p.hasJoined(udp.destination()));
        boolean loopback = !open.isEmpty() && open.stream().allMatch(p -> p.binding() instanceof SimBinding.Loopback);
        if (loopback) {
            net.drop(packet, Reason.LISTENS_ON_LOOPBACK, open.get(0).program().place());
        } else {
            net.drop(packet, elsewhere ? Reason.JOINED_ELSEWHERE : Reason.GROUP_NOT_JOINED, in.place());
        }
    }

    private void toPrograms(SimAdapter in, long packet, Frame.Udp udp, boolean toAll) {
        List<SimPort> open = List.copyOf(ports.getOrDefault(udp.destinationPort(), List.of()));
        List<SimPort> hearing = new ArrayList<>();
        for (SimPort port : open) {
            boolean hears = udp.destination().isMulticast()
                    ? port.hasJoined(udp.destination(), Optional.of(in))
                    : toAll ? port.request().broadcasts() && hearsOn(port, in) : hearsAt(port, udp.destination());
            if (hears) {
                hearing.add(port);
            } else if (!udp.destination().isMulticast()
                    && (!toAll || port.request().broadcasts())) {
                net.drop(
                        packet,
                        port.binding() instanceof SimBinding.Loopback
                                ? Reason.LISTENS_ON_LOOPBACK
                                : Reason.LISTENS_ELSEWHERE,
                        port.program().place());
            }
        }
        if (open.isEmpty()) {
            net.drop(packet, Reason.FAR_NOT_RUNNING, place);
        }
        if (!toAll
                && hearing.size() > 1) { // one of those that share a port: the one bound to the address, else the last
            SimPort winner = hearing.stream()
                    .filter(p -> p.binding() instanceof SimBinding.On)
                    .reduce((a, b) -> b)
                    .orElse(hearing.get(hearing.size() - 1));
            hearing.stream()
                    .filter(p -> p.program() != winner.program())
                    .forEach(p ->
                            net.drop(packet, Reason.PORT_SHARED, p.program().place()));
            hearing = hearing.stream() // a program that opens a port twice has one socket, as on a real net
                    .filter(p -> p.program() == winner.program())
                    .toList();
        }
        for (SimPort port : hearing) {
            boolean asked = net.clock().now() - port.lastSent() < ASKED_NANOS;
            if (asked || firewall.lets(in.place(), port.program().place(), port.port())) {
                port.deliver(packet, in.seen(in.addresses().get(0)), udp);
            } else {
                net.drop(packet, Reason.FIREWALL, place);
            }
        }
    }

    private static boolean hearsOn(SimPort port, SimAdapter in) {
        return port.binding() instanceof SimBinding.Automatic
                || (port.binding() instanceof SimBinding.On on && on.adapters().contains(in));
    }

    private static boolean hearsAt(SimPort port, Ipv4Address address) {
        if (port.binding() instanceof SimBinding.On on) {
            return on.address()
                    .map(address::equals)
                    .orElseGet(() -> on.adapters().stream().anyMatch(a -> a.has(address)));
        }
        return port.binding() instanceof SimBinding.Automatic;
    }
}
