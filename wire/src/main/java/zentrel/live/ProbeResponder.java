package zentrel.live;

import java.io.IOException;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import zentrel.ipv4.Ipv4Address;
import zentrel.net.Clock;
import zentrel.net.NetAdapter;
import zentrel.net.NetHost;
import zentrel.net.Packet;
import zentrel.net.PortRequest;
import zentrel.net.UdpPort;
import zentrel.packet.osc.OscMessage;

/** The end of a probe that waits: it answers, counts what arrives, and sends back what it is asked for. Lives in the net's turn. */
public final class ProbeResponder implements AutoCloseable {
    /** Packets that are sent back for one question at most: ten seconds of them. */
    private static final int MOST = 1000;

    private static final int MOST_RUNS = 64;
    private static final long EVERY = 10_000_000L;

    private final NetHost host;
    private final NetAdapter adapter;
    private final int number;
    private final Map<Integer, Map<String, BitSet>> runs = new HashMap<>();
    private @Nullable UdpPort port;

    /** @param udpPort the port where it waits; 0 for the usual one */
    public ProbeResponder(NetHost host, NetAdapter adapter, int udpPort) {
        this.host = host;
        this.adapter = adapter;
        this.number = udpPort == 0 ? ProbePackets.PORT : udpPort;
    }

    /**
     * Starts to wait; from any thread.
     *
     * @throws IOException with a sentence, if the port or the group cannot be had
     */
    public void start() throws IOException {
        host.call(() -> {
            UdpPort open = host.open(PortRequest.at(adapter, number).withBroadcasts(), this::take);
            port = open;
            open.join(ProbePackets.GROUP);
            return true;
        });
    }

    private void take(Packet packet) {
        if (!packet.source().equals(adapter.address().address())) {
            ProbePackets.decode(packet).ifPresent(m -> take(packet, m));
        }
    }

    private void take(Packet packet, OscMessage m) {
        int run = ProbePackets.number(m, 0);
        switch (m.address()) {
            case ProbePackets.HELLO ->
                answer(
                        packet,
                        ProbePackets.encode(
                                ProbePackets.HERE,
                                run,
                                ProbePackets.number(m, 1),
                                adapter.address().toString()));
            case ProbePackets.PACKET -> count(run, ProbePackets.text(m, 1), ProbePackets.number(m, 2));
            case ProbePackets.REPORT -> report(packet, run);
            case ProbePackets.SEND -> sendBack(packet, run, ProbePackets.text(m, 1), ProbePackets.number(m, 2));
            default -> {} // of others, or of this end's own kind
        }
    }

    private void answer(Packet to, byte[] bytes) {
        Optional.ofNullable(port).ifPresent(p -> ProbePackets.send(p, to.source(), to.sourcePort(), bytes));
    }

    private void count(int run, String way, int at) {
        if (at < 0 || at >= MOST || (runs.size() >= MOST_RUNS && !runs.containsKey(run))) {
            return;
        }
        Map<String, BitSet> ways = runs.computeIfAbsent(run, r -> new HashMap<>());
        if (ways.size() < 8 || ways.containsKey(way)) {
            ways.computeIfAbsent(way, w -> new BitSet()).set(at);
        }
    }

    private void report(Packet packet, int run) {
        List<Object> values = new ArrayList<>();
        values.add(run);
        runs.getOrDefault(run, Map.of()).forEach((way, seen) -> {
            values.add(way);
            values.add(seen.cardinality());
        });
        answer(packet, ProbePackets.encode(ProbePackets.COUNTS, values.toArray()));
    }

    private void sendBack(Packet packet, int run, String way, int count) {
        for (ProbePackets.Way each : ProbePackets.Way.values()) {
            if (each.word().equals(way)) {
                Ipv4Address to = each.to(adapter, packet.source());
                int[] sent = {0};
                Clock.Timer[] timer = new Clock.Timer[1];
                int most = Math.min(count, MOST);
                timer[0] = host.clock().every(host.clock().now() + EVERY, EVERY, () -> {
                    UdpPort open = port;
                    if (open == null || sent[0] >= most) {
                        timer[0].cancel();
                        return;
                    }
                    ProbePackets.send(
                            open,
                            to,
                            packet.sourcePort(),
                            ProbePackets.encode(ProbePackets.PACKET, run, way, sent[0]++));
                });
            }
        }
    }

    /** Stops; from any thread. */
    @Override
    public void close() {
        host.run(() -> {
            Optional.ofNullable(port).ifPresent(UdpPort::close);
            port = null;
        });
    }
}
