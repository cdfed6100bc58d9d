package zentrel.live;

import java.io.IOException;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ThreadLocalRandom;
import java.util.function.BooleanSupplier;
import org.jspecify.annotations.Nullable;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.live.ProbePackets.Way;
import zentrel.net.NetAdapter;
import zentrel.net.NetHost;
import zentrel.net.Packet;
import zentrel.net.PortRequest;
import zentrel.net.SendResult;
import zentrel.net.UdpPort;
import zentrel.packet.osc.OscMessage;

/**
 * The end of a probe that asks: it tries unicast, directed broadcast and multicast to another computer where a {@link ProbeResponder}
 * waits, and back; loss, delay, masks; and for as long as is wanted whether multicast stops. Not for the net's turn: it waits.
 */
public final class ProbeRun {
    private static final int HELLOS = 20;
    private static final int COUNT = 100;
    private static final long BETWEEN_MILLIS = 10;

    /**
     * What came of it.
     *
     * @param answers whether the other end answered at all
     * @param other its address and mask, as it says
     * @param delayMillis the median time there and back
     * @param worstMillis the longest one
     * @param there by way, how many of a hundred arrived there; ways that could not be sent are missing
     * @param back by way, how many of a hundred came back
     * @param multicastStopped after how many seconds multicast back stopped; empty where it did not, or was not tried
     * @param says what that means, as sentences
     */
    public record Result(
            boolean answers,
            Optional<HostAddress> other,
            double delayMillis,
            double worstMillis,
            Map<String, Integer> there,
            Map<String, Integer> back,
            Optional<Double> multicastStopped,
            List<String> says) {}

    private final NetHost host;
    private final NetAdapter adapter;
    private final Ipv4Address to;
    private final int number;
    private final BooleanSupplier stopped;
    private final int run = ThreadLocalRandom.current().nextInt(1, 1 << 30);

    // in the net's turn
    private final List<Long> delays = new ArrayList<>();
    private final Map<Integer, Long> asked = new java.util.HashMap<>();
    private final Map<Way, BitSet> back = new EnumMap<>(Way.class);
    private @Nullable OscMessage counts;
    private String other = "";
    private long lastMulticast;

    /**
     * Asks nobody yet.
     *
     * @param udpPort the port where the other end waits; 0 for the usual one
     * @param stopped asked again and again; true ends it
     */
    public ProbeRun(NetHost host, NetAdapter adapter, Ipv4Address to, int udpPort, BooleanSupplier stopped) {
        this.host = host;
        this.adapter = adapter;
        this.to = to;
        this.number = udpPort == 0 ? ProbePackets.PORT : udpPort;
        this.stopped = stopped;
    }

    /**
     * Tries everything.
     *
     * @param ageOutSeconds how long multicast is watched, 0 for not at all; above 260 s a group ages out of a switch that snoops
     * @throws IOException with a sentence, if a port cannot be had or nothing can be sent
     * @throws InterruptedException where waiting was interrupted
     */
    public Result run(int ageOutSeconds) throws IOException, InterruptedException {
        UdpPort port = host.call(() -> {
            UdpPort open = host.open(PortRequest.at(adapter, number).withBroadcasts(), this::take);
            open.join(ProbePackets.GROUP);
            return open;
        });
        try {
            for (int i = 0; i < HELLOS && !stopped.getAsBoolean(); i++) {
                int n = i;
                send(port, to, ProbePackets.encode(ProbePackets.HELLO, run, n), n);
                Thread.sleep(50);
            }
            Thread.sleep(300);
            if (host.call(delays::isEmpty)) {
                return none();
            }
            Map<String, Integer> there = tryThere(port);
            for (Way way : Way.values()) {
                send(port, to, ProbePackets.encode(ProbePackets.SEND, run, way.word(), COUNT), -1);
                for (long waited = 0; waited < COUNT * BETWEEN_MILLIS * 4 && !stopped.getAsBoolean(); waited += 50) {
                    Thread.sleep(50);
                    if (host.call(() -> back.getOrDefault(way, new BitSet()).cardinality()) == COUNT) {
                        break;
                    }
                }
            }
            Map<String, Integer> came = new java.util.TreeMap<>();
            host.call(() -> {
                for (Way way : Way.values()) {
                    came.put(way.word(), back.getOrDefault(way, new BitSet()).cardinality());
                }
                return true;
            });
            Optional<Double> stops = ageOutSeconds > 0 ? watchMulticast(port, ageOutSeconds) : Optional.empty();
            return result(there, came, stops);
        } finally {
            host.run(port::close);
        }
    }

    private void send(UdpPort port, Ipv4Address destination, byte[] bytes, int hello) throws IOException {
        SendResult sent = host.call(() -> {
            if (hello >= 0) {
                asked.put(hello, host.clock().now());
            }
            return ProbePackets.send(port, destination, number, bytes);
        });
        if (!sent.left()) {
            throw new IOException(sent.why());
        }
    }

    private Map<String, Integer> tryThere(UdpPort port) throws IOException, InterruptedException {
        Map<String, Integer> there = new java.util.TreeMap<>();
        for (Way way : Way.values()) {
            boolean left = true;
            for (int i = 0; i < COUNT && !stopped.getAsBoolean(); i++) {
                byte[] bytes = ProbePackets.encode(ProbePackets.PACKET, run, way.word(), i);
                left &= host.call(() -> ProbePackets.send(port, way.to(adapter, to), number, bytes))
                        .left();
                Thread.sleep(BETWEEN_MILLIS);
            }
            if (left) {
                there.put(way.word(), 0);
            }
        }
        for (int i = 0; i < 5 && host.call(() -> counts == null); i++) {
            send(port, to, ProbePackets.encode(ProbePackets.REPORT, run), -1);
            Thread.sleep(200);
        }
        host.call(() -> {
            OscMessage told = counts;
            if (told != null) {
                for (int i = 1; i + 1 < told.arguments().size(); i += 2) {
                    there.replace(ProbePackets.text(told, i), ProbePackets.number(told, i + 1));
                }
            }
            return true;
        });
        return there;
    }

    private Optional<Double> watchMulticast(UdpPort port, int seconds) throws IOException, InterruptedException {
        long start = host.clock().now();
        long until = start + seconds * 1_000_000_000L;
        while (host.clock().now() < until && !stopped.getAsBoolean()) {
            send(port, to, ProbePackets.encode(ProbePackets.SEND, run, Way.MULTICAST.word(), 50), -1);
            Thread.sleep(1000);
            long silent = host.call(() -> host.clock().now() - lastMulticast);
            if (silent > 4_000_000_000L) {
                return Optional.of((host.call(() -> lastMulticast) - start) / 1e9);
            }
        }
        return Optional.empty();
    }

    private void take(Packet packet) {
        if (packet.source().equals(adapter.address().address())) {
            return; // its own, which multicast brings back
        }
        ProbePackets.decode(packet)
                .filter(m -> ProbePackets.number(m, 0) == run)
                .ifPresent(m -> take(m, packet.time()));
    }

    private void take(OscMessage m, long time) {
        switch (m.address()) {
            case ProbePackets.HERE -> {
                Long since = asked.remove(ProbePackets.number(m, 1));
                if (since != null) {
                    delays.add(time - since);
                }
                other = ProbePackets.text(m, 2);
            }
            case ProbePackets.COUNTS -> counts = m;
            case ProbePackets.PACKET -> {
                for (Way way : Way.values()) {
                    if (way.word().equals(ProbePackets.text(m, 1)) && ProbePackets.number(m, 2) >= 0) {
                        back.computeIfAbsent(way, w -> new BitSet())
                                .set(Math.min(ProbePackets.number(m, 2), COUNT - 1));
                        lastMulticast = way == Way.MULTICAST ? time : lastMulticast;
                    }
                }
            }
            default -> {} // what this end says itself
        }
    }

    private Result none() {
        return new Result(
                false,
                Optional.empty(),
                0,
                0,
                Map.of(),
                Map.of(),
                Optional.empty(),
                List.of(
                        "Nobody answers at " + to
                                + ": either no zentrel probe waits there, or a firewall keeps UDP port " + number
                                + " shut, or no way leads there and back.",
                        adapter.address().sees(to)
                                ? "Its address is in the range of this adapter."
                                : "Its address is not in the range of this adapter (" + adapter.address()
                                        + "): correct the mask of one of them."));
    }

    private Result result(Map<String, Integer> there, Map<String, Integer> came, Optional<Double> stops)
            throws IOException {
        List<Long> sorted = host.call(() -> delays.stream().sorted().toList());
        String told = host.call(() -> other);
        Optional<HostAddress> address = Optional.empty();
        List<String> says = new ArrayList<>();
        try {
            address = told.isEmpty() ? Optional.empty() : Optional.of(HostAddress.parse(told));
        } catch (IllegalArgumentException e) {
            says.add("The other end does not say its address: " + e.getMessage());
        }
        address.filter(a -> a.prefixLength() != adapter.address().prefixLength())
                .ifPresent(
                        a -> says.add("The masks differ: " + adapter.address().mask() + " here, " + a.mask()
                                + " there; directed broadcasts go to different addresses."));
        if (sorted.size() < HELLOS) {
            says.add((HELLOS - sorted.size()) + " of " + HELLOS + " questions were not answered.");
        }
        says(there, "there", says);
        says(came, "back", says);
        stops.ifPresent(s -> says.add(
                "Multicast stopped after %.0f s: a switch forgets the group, because no querier asks".formatted(s)
                        + " who is in it. Switch a querier on, or snooping off."));
        return new Result(
                true,
                address,
                sorted.get(sorted.size() / 2) / 1e6,
                sorted.get(sorted.size() - 1) / 1e6,
                there,
                came,
                stops,
                says);
    }

    private static void says(Map<String, Integer> counts, String where, List<String> says) {
        boolean unicast = counts.getOrDefault(Way.UNICAST.word(), 0) > 0;
        for (Way way : Way.values()) {
            Integer arrived = counts.get(way.word());
            String name = way.word().substring(0, 1).toUpperCase(java.util.Locale.ROOT)
                    + way.word().substring(1);
            if (arrived == null) {
                says.add(name + " could not be sent.");
            } else if (arrived == 0) {
                says.add(name + " does not arrive " + where
                        + (unicast && way == Way.MULTICAST
                                ? ": a switch or access point keeps groups back, or a firewall does."
                                : unicast && way == Way.BROADCAST
                                        ? ": other masks, a router between, or a firewall."
                                        : ": a firewall lets in answers only."));
            } else if (arrived < COUNT) {
                says.add((COUNT - arrived) + " of " + COUNT + " by " + way.word() + " are lost on the way " + where
                        + ".");
            }
        }
    }
}
