package zentrel.net.sim;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.TimeUnit;
import org.jspecify.annotations.Nullable;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.ipv4.SpecialAddresses;
import zentrel.ipv4.Subnet;
import zentrel.net.NetAdapter;
import zentrel.path.Reason;

/** An adapter of a simulated computer: its addresses and routes, whom it found by ARP, the groups it joined. */
public final class SimAdapter extends SimSocket {
    private static final long ARP_SECONDS = 60; // common practice, no source
    private static final int ARP_TRIES = 3;
    private static final long ARP_WAIT = TimeUnit.SECONDS.toNanos(1);

    /** Packets that wait for one answer at most; the oldest gives way (RFC 1122 §2.3.2.2 asks for one at least). */
    private static final int MOST_WAITING = 16;

    /** A route that it was told. */
    public record Way(Subnet to, Optional<Ipv4Address> via) {}

    private record Neighbour(long mac, long until) {}

    private record Waiting(long packet, Frame.Udp udp) {}

    private static final class Asking {
        private final List<Waiting> packets = new ArrayList<>();
        private int tries;
    }

    private final SimHost host;
    private final String name;
    private final boolean wireless;
    private final long mac;
    private final List<HostAddress> addresses = new ArrayList<>();
    private final List<Way> ways = new ArrayList<>();
    private final Map<Ipv4Address, Neighbour> neighbours = new HashMap<>();
    private final Map<Ipv4Address, Asking> asked = new HashMap<>();
    private final Map<Ipv4Address, Integer> groups = new HashMap<>();
    private int metric;
    private Optional<SimDhcp.Server> server = Optional.empty();
    private Optional<SimDhcp> client = Optional.empty();
    private boolean enabled = true;
    private boolean carrier = true;

    SimAdapter(SimHost host, String place, String name, boolean wireless) {
        super(host.net(), place);
        this.host = host;
        this.name = name;
        this.wireless = wireless;
        this.mac = host.net().nextMac();
    }

    /** Gives it an address beside those it has. */
    public SimAdapter with(HostAddress address) {
        addresses.add(address);
        return this;
    }

    /** Gives it one address in place of those it has, and tells all on its cable. */
    public void readdress(HostAddress address) {
        addresses.clear();
        addresses.add(address);
        neighbours.clear();
        announce();
    }

    /** Tells it a way to another network. */
    public SimAdapter withWay(Subnet to, Optional<Ipv4Address> via) {
        ways.add(new Way(to, via));
        return this;
    }

    /** How early the system takes it, the lowest first. */
    public SimAdapter withMetric(int value) {
        metric = value;
        return this;
    }

    /** Lets it give out addresses to those on its cable that ask, from the first to the last. */
    public void serve(Ipv4Address first, Ipv4Address last) {
        server = Optional.of(new SimDhcp.Server(this, first, last));
    }

    /** Lets it ask for an address, from now on; where nobody gives one it assigns itself one. */
    public void obtain() {
        client = Optional.of(SimDhcp.begin(this));
    }

    public void setEnabled(boolean on) {
        enabled = on;
    }

    /** Whether its cable, or its wireless link, is there. */
    public void setCarrier(boolean on) {
        carrier = on;
    }

    /** What programs call it. */
    public String name() {
        return name;
    }

    /** Its computer. */
    public SimHost host() {
        return host;
    }

    long mac() {
        return mac;
    }

    int metric() {
        return metric;
    }

    List<HostAddress> addresses() {
        return addresses;
    }

    List<Way> ways() {
        return ways;
    }

    boolean isEnabled() {
        return enabled;
    }

    boolean hasCarrier() {
        return carrier;
    }

    @Override
    boolean isUsable() {
        return host.traits().powered() && enabled && carrier;
    }

    /** What programs see of it, for one of its addresses. */
    public NetAdapter seen(HostAddress address) {
        return new NetAdapter(name, address, isUsable(), wireless, false);
    }

    boolean has(Ipv4Address address) {
        for (int i = 0; i < addresses.size(); i++) {
            if (addresses.get(i).address().equals(address)) {
                return true;
            }
        }
        return false;
    }

    boolean isBroadcast(Ipv4Address address) {
        return addresses.stream().anyMatch(a -> a.broadcast().equals(address));
    }

    // --- what its state keeps in ---

    /** Why nothing can be sent by it; empty where it can. */
    Optional<Reason> whyNotSending() {
        if (!host.traits().powered()) {
            return Optional.of(Reason.NO_POWER);
        }
        if (!enabled) {
            return Optional.of(Reason.SWITCHED_OFF);
        }
        if (addresses.isEmpty()) {
            return Optional.of(Reason.NO_ADDRESS);
        }
        if (addresses.stream().anyMatch(a -> SpecialAddresses.notOnANetwork(a).isPresent())) {
            return Optional.of(Reason.NOT_A_HOST);
        }
        return carrier ? Optional.empty() : Optional.of(Reason.UNPLUGGED);
    }

    private Optional<Reason> whyNotReceiving() {
        if (!host.traits().powered()) {
            return Optional.of(Reason.FAR_NO_POWER);
        }
        if (!enabled) {
            return Optional.of(Reason.FAR_SWITCHED_OFF);
        }
        return carrier ? Optional.empty() : Optional.of(Reason.FAR_UNPLUGGED);
    }

    private Optional<Reason> whyNotAddressed() {
        if (addresses.isEmpty()) {
            return Optional.of(Reason.FAR_NO_ADDRESS);
        }
        return addresses.stream()
                        .anyMatch(a -> SpecialAddresses.notOnANetwork(a).isPresent())
                ? Optional.of(Reason.FAR_NOT_A_HOST)
                : Optional.empty();
    }

    // --- sending ---

    /** Sends to all, or to a group. */
    void sendToAll(long packet, Frame.Udp udp) {
        long target = udp.destination().isMulticast() ? Frame.macOf(udp.destination()) : Frame.EVERYBODY;
        transmit(Frame.of(packet, mac, target, udp));
    }

    /** Sends to whoever has an address on its own cable. */
    void sendTo(Ipv4Address next, long packet, Frame.Udp udp) {
        Neighbour known = neighbours.get(next);
        if (known != null && known.until() > net().clock().now()) {
            transmit(Frame.of(packet, mac, known.mac(), udp));
            return;
        }
        Asking asking = asked.get(next);
        if (asking == null) {
            asking = new Asking();
            asked.put(next, asking);
            ask(next, asking);
        }
        if (asking.packets.size() >= MOST_WAITING) {
            asking.packets.remove(0);
        }
        asking.packets.add(new Waiting(packet, udp));
        request(next, packet);
    }

    private void ask(Ipv4Address next, Asking asking) {
        asking.tries++;
        if (asking.tries > 1) {
            request(next, asking.packets.get(0).packet());
        }
        net().clock().at(net().clock().now() + ARP_WAIT, () -> {
            @Nullable Asking still = asked.get(next);
            if (still != asking) {
                return; // answered
            }
            if (asking.tries < ARP_TRIES && !asking.packets.isEmpty()) {
                ask(next, asking);
            } else {
                asked.remove(next);
                asking.packets.forEach(w -> host.unanswered(w.packet(), next, w.udp()));
            }
        });
    }

    private void request(Ipv4Address next, long packet) {
        Ipv4Address own = addresses.stream()
                .filter(a -> a.sees(next))
                .findFirst()
                .orElse(addresses.get(0))
                .address();
        transmit(Frame.of(packet, mac, Frame.EVERYBODY, new Frame.Arp(false, mac, own, next)));
    }

    void transmit(Frame frame) {
        Optional<SimSocket> peer = peer();
        if (peer.isEmpty()) {
            return;
        }
        if (isCut()) {
            net().drop(frame.packet(), Reason.CABLE_OUT, cable());
        } else {
            net().deliver(List.of(peer.get()), frame);
        }
    }

    // --- receiving ---

    @Override
    void receive(Frame frame) {
        boolean forUs = frame.target() == mac || frame.isForAll() || frame.isForGroup();
        if (!forUs || !concerns(frame)) {
            return; // flooded past it
        }
        Optional<Reason> closed = whyNotReceiving();
        if (closed.isPresent()) {
            net().drop(frame.packet(), closed.get(), place());
            return;
        }
        Frame.Body body = frame.body();
        if (body instanceof Frame.Udp udp) {
            Optional<Reason> unaddressed = whyNotAddressed();
            if (unaddressed.isPresent()) {
                net().drop(frame.packet(), unaddressed.get(), place());
            } else if (!udp.destination().isMulticast()
                    || hasJoined(udp.destination())
                    || host.traits().router()) {
                host.receive(this, frame.packet(), udp, frame.target() == mac);
            } else {
                host.notJoined(this, frame.packet(), udp);
            }
        } else if (body instanceof Frame.Arp arp) {
            arp(arp, frame.packet());
        } else if (body instanceof Frame.Dhcp dhcp) {
            if (dhcp.given()) {
                client.ifPresent(c -> c.given(dhcp.address()));
            } else {
                server.ifPresent(s -> s.asked(dhcp.client()));
            }
        } else if (body instanceof Frame.Igmp igmp && igmp.kind() == Frame.Igmp.Kind.QUERY) {
            Set.copyOf(groups.keySet()).forEach(this::report);
        }
    }

    /** Whether it is of any interest here; a question for somebody else's address is not. */
    boolean concerns(Frame frame) {
        return !(frame.body() instanceof Frame.Arp arp) || arp.answer() || host.has(arp.target());
    }

    private void arp(Frame.Arp arp, long packet) {
        if (arp.answer()) {
            neighbours.put(
                    arp.sender(),
                    new Neighbour(arp.senderMac(), net().clock().now() + TimeUnit.SECONDS.toNanos(ARP_SECONDS)));
            Asking waiting = asked.remove(arp.sender());
            if (waiting != null) {
                for (Waiting w : waiting.packets) {
                    transmit(Frame.of(w.packet(), mac, arp.senderMac(), w.udp()));
                }
            }
            return;
        }
        Optional<Reason> unaddressed = whyNotAddressed();
        if (unaddressed.isPresent()) {
            net().drop(packet, unaddressed.get(), place());
            return;
        }
        if (arp.sender().equals(arp.target())) {
            return; // an announcement
        }
        boolean own = has(arp.target()) || (host.traits().receivesOnAny() && host.has(arp.target()));
        if (own) {
            Frame.Arp answer = new Frame.Arp(true, mac, /* sender= */ arp.target(), /* target= */ arp.sender());
            transmit(Frame.of(packet, mac, arp.senderMac(), answer));
        }
    }

    /** Tells all on its cable which addresses it has (RFC 5227 §2.3), as systems do when they come up. */
    public void announce() {
        if (whyNotSending().isEmpty()) {
            for (HostAddress own : addresses) {
                Frame.Arp arp = new Frame.Arp(false, mac, /* sender= */ own.address(), /* target= */ own.address());
                transmit(Frame.of(0, mac, Frame.EVERYBODY, arp));
            }
        }
    }

    // --- groups ---

    boolean hasJoined(Ipv4Address group) {
        return groups.containsKey(group);
    }

    void join(Ipv4Address group) {
        if (groups.merge(group, 1, Integer::sum) == 1) {
            report(group);
        }
    }

    private void report(Ipv4Address group) {
        transmit(Frame.of(0, mac, Frame.macOf(group), new Frame.Igmp(Frame.Igmp.Kind.REPORT, group)));
    }

    void leave(Ipv4Address group) {
        Integer left = groups.computeIfPresent(group, (g, n) -> n > 1 ? n - 1 : null);
        if (left == null) {
            transmit(Frame.of(0, mac, Frame.macOf(group), new Frame.Igmp(Frame.Igmp.Kind.LEAVE, group)));
        }
    }
}
