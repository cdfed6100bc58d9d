package zentrel.net.sim;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.TimeUnit;
import org.jspecify.annotations.Nullable;
import zentrel.ipv4.Ipv4Address;
import zentrel.path.Reason;

/**
 * A switch or an access point: it floods, learns (IEEE 802.1D), keeps VLANs apart (IEEE 802.1Q), and passes groups to those that asked
 * where it snoops (RFC 4541).
 */
public final class SimSwitch {
    /** How long a hardware address is remembered (IEEE 802.1D, default ageing time). */
    private static final long AGEING = TimeUnit.SECONDS.toNanos(300);

    /** How long a membership lasts without being renewed: 2 × 125 s + 10 s (RFC 2236 §8.4). */
    private static final long MEMBERSHIP = TimeUnit.SECONDS.toNanos(260);

    /** From one question to the next (RFC 2236 §8.2). */
    private static final long QUERY = TimeUnit.SECONDS.toNanos(125);

    /** More switches than any way has: a frame that came through as many runs round in a ring. */
    private static final int MOST_PASSED = 16;

    /** A VLAN of a socket that has none said. */
    static final int ANY_VLAN = 0;

    /** One socket of the switch. */
    private final class Socket extends SimSocket {
        private final int vlan;
        private final boolean wireless;

        Socket(String place, int vlan, boolean wireless) {
            super(SimSwitch.this.net, place);
            this.vlan = vlan;
            this.wireless = wireless;
        }

        @Override
        boolean isUsable() {
            return traits.powered();
        }

        @Override
        void receive(Frame frame) {
            take(this, frame);
        }
    }

    private record Learned(Socket socket, long until) {}

    private final SimNet net;
    private final String place;
    private final SwitchTraits traits;
    private final List<Socket> sockets = new ArrayList<>();
    private final Map<Long, Learned> learned = new HashMap<>();
    private final Map<Long, Map<Socket, Long>> members = new HashMap<>();
    private final Set<Socket> towardsQuerier = new HashSet<>();
    private long askedUntil = -1;
    private Optional<String> ring = Optional.empty();

    SimSwitch(SimNet net, String place, SwitchTraits traits) {
        this.net = net;
        this.place = place;
        this.traits = traits;
        if (traits.querier() && traits.powered()) {
            net.clock().every(net.clock().now(), QUERY, this::ask);
        }
    }

    public String place() {
        return place;
    }

    /**
     * A new socket of it.
     *
     * @param vlan the VLAN of it, 1–4094; 0 where nobody has said, which is in all of them
     * @param wireless whether it is a wireless client's
     */
    public SimSocket socket(String socketPlace, int vlan, boolean wireless) {
        Socket socket = new Socket(socketPlace, vlan, wireless);
        sockets.add(socket);
        return socket;
    }

    private void ask() {
        Frame query = Frame.of(0, 0, Frame.EVERYBODY, new Frame.Igmp(Frame.Igmp.Kind.QUERY, Ipv4Address.ANY));
        asked();
        net.deliver(peersOf(sockets.stream().map(s -> (SimSocket) s).toList()), query);
    }

    private void asked() {
        askedUntil = net.clock().now() + MEMBERSHIP;
    }

    private static List<SimSocket> peersOf(List<SimSocket> sockets) {
        List<SimSocket> peers = new ArrayList<>();
        for (SimSocket socket : sockets) {
            if (!socket.isCut()) {
                socket.peer().ifPresent(peers::add);
            }
        }
        return peers;
    }

    private void take(Socket in, Frame frame) {
        if (!traits.powered()) {
            net.drop(frame.packet(), Reason.PASSING_OFF, place);
            return;
        }
        if (ring.isPresent() || frame.passed() >= MOST_PASSED) {
            ring = Optional.of(in.cable()); // what runs round is full of it for good
            net.drop(frame.packet(), Reason.RING, in.cable());
            return;
        }
        long now = net.clock().now();
        if (frame.source() != 0) {
            learned.put(frame.source(), new Learned(in, now + AGEING));
        }
        if (frame.body() instanceof Frame.Igmp igmp) {
            igmp(in, igmp, now);
        }
        if (frame.isForAll()) {
            send(in, frame, others(in));
        } else if (frame.isForGroup()) {
            group(in, frame, now);
        } else {
            @Nullable Learned to = learned.get(frame.target());
            send(in, frame, to == null || to.until() < now ? others(in) : List.of(to.socket()));
        }
    }

    private void igmp(Socket in, Frame.Igmp igmp, long now) {
        switch (igmp.kind()) {
            case QUERY -> {
                asked();
                towardsQuerier.add(in);
            }
            case REPORT ->
                members.computeIfAbsent(Frame.macOf(igmp.group()), g -> new HashMap<>())
                        .put(in, now + MEMBERSHIP);
            case LEAVE ->
                Optional.ofNullable(members.get(Frame.macOf(igmp.group()))).ifPresent(m -> m.remove(in));
        }
    }

    private List<Socket> others(Socket in) {
        List<Socket> others = new ArrayList<>(sockets);
        others.remove(in);
        return others;
    }

    private void group(Socket in, Frame frame, long now) {
        boolean asksItself = traits.querier();
        if (!traits.snooping() || frame.body() instanceof Frame.Igmp) {
            send(in, frame, others(in));
            return;
        }
        Map<Socket, Long> asking = members.getOrDefault(frame.target(), Map.of());
        boolean isAsked = asksItself || askedUntil >= now;
        List<Socket> to = new ArrayList<>();
        for (Socket other : others(in)) {
            boolean wants = asking.getOrDefault(other, -1L) >= now;
            if (wants || towardsQuerier.contains(other) || (!isAsked && !traits.dropsUnasked())) {
                to.add(other);
            } else if (!isAsked && !asking.isEmpty()) {
                net.drop(
                        frame.packet(),
                        Reason.NOBODY_ASKS,
                        other.peer().map(SimSocket::place).orElse(place));
            }
        }
        send(in, frame, to);
    }

    private void send(Socket in, Frame frame, List<Socket> to) {
        int vlan = in.vlan == ANY_VLAN ? frame.vlan() : in.vlan;
        List<SimSocket> peers = new ArrayList<>(to.size());
        for (Socket out : to) {
            if (out == in) { // it has come from there
                continue;
            }
            Optional<SimSocket> peer = out.peer();
            if (peer.isEmpty()) {
                continue;
            }
            SimSocket beyond = peer.get();
            if (out.vlan != ANY_VLAN && vlan != ANY_VLAN && out.vlan != vlan) {
                drop(frame, Reason.VLANS_DIFFER, beyond, beyond.place());
            } else if (traits.isolated() && in.wireless && out.wireless) {
                drop(frame, Reason.CLIENTS_APART, beyond, beyond.place());
            } else if (out.isCut() && !(beyond instanceof SimAdapter)) { // an adapter tells it itself
                drop(frame, Reason.CABLE_OUT, beyond, out.cable());
            } else {
                peers.add(peer.get());
            }
        }
        net.deliver(peers, frame.passedOn(vlan));
    }

    /** Tells that a frame ends on its way to a socket, where it is of any interest there. */
    private void drop(Frame frame, Reason reason, SimSocket beyond, String where) {
        if (!(beyond instanceof SimAdapter adapter) || adapter.concerns(frame)) {
            net.drop(frame.packet(), reason, where);
        }
    }
}
