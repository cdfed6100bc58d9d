package zentrel.live;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HexFormat;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.function.Consumer;
import java.util.function.Predicate;
import org.jspecify.annotations.Nullable;
import zentrel.found.FoundDevice;
import zentrel.ipv4.Ipv4Address;
import zentrel.net.Clock;
import zentrel.net.NetAdapter;
import zentrel.net.NetHost;
import zentrel.net.Packet;
import zentrel.net.PortRequest;
import zentrel.net.SendIntent;
import zentrel.net.SendResult;
import zentrel.net.UdpPort;
import zentrel.packet.Decoded;
import zentrel.packet.artnet.ArtDmxView;
import zentrel.packet.artnet.ArtIpProgReply;
import zentrel.packet.artnet.ArtNetCodec;
import zentrel.packet.artnet.ArtNetPacket;
import zentrel.packet.artnet.ArtPoll;
import zentrel.packet.artnet.ArtPollReply;
import zentrel.packet.sacn.SacnCodec;
import zentrel.packet.sacn.SacnDataView;
import zentrel.packet.sacn.SacnDiscovery;
import zentrel.packet.sacn.SacnPacket;
import zentrel.universe.SacnUniverse;

/**
 * Finds devices on one adapter: it polls again and again, hears answers and sources of sACN, and pings addresses that were typed. It
 * sets nothing. It lives in the net's turn; {@link #devices} may be asked from elsewhere.
 */
public final class Discovery implements AutoCloseable {
    /** The time from poll to poll that the standard asks for, in ns: 2.5 to 3 s. */
    private static final long POLL_EVERY = 2_500_000_000L;

    private static final Duration PING_LIMIT = Duration.ofSeconds(1);

    private static final int MOST_TYPED = 256;
    private static final Ipv4Address LIMITED_BROADCAST = Ipv4Address.of(255, 255, 255, 255);

    private final NetHost host;
    private final NetAdapter adapter;
    private final List<Ipv4Address> typed = new ArrayList<>();
    private final Ping ping;
    private final DeviceTable table;
    private final ArtDmxView dmx = new ArtDmxView();
    private final SacnDataView data = new SacnDataView();
    private final List<String> unsent = new ArrayList<>();
    private @Nullable UdpPort artnet;
    private @Nullable UdpPort sacn;
    private Clock.@Nullable Timer polling;
    private @Nullable Consumer<ArtNetPacket> watcher;
    private long unreadable;
    private @Nullable ExecutorService pinging;

    /**
     * Finds nothing yet.
     *
     * @param typed addresses that are polled and pinged one by one besides
     * @param planned whether a device of the plan has an address; there is room for it however many others there are
     */
    public Discovery(
            NetHost host, NetAdapter adapter, List<Ipv4Address> typed, Ping ping, Predicate<Ipv4Address> planned) {
        this.host = host;
        this.adapter = adapter;
        this.typed.addAll(typed);
        this.ping = ping;
        table = new DeviceTable(adapter, planned);
    }

    /**
     * Starts: hears, and polls as far as the guard lets it. From any thread.
     *
     * @throws IOException with a sentence, if a port or group cannot be had
     */
    public void start() throws IOException {
        host.call(() -> {
            artnet = host.open(PortRequest.at(adapter, ArtNetPacket.PORT).withBroadcasts(), this::artnet);
            UdpPort port = host.open(PortRequest.at(adapter, SacnPacket.PORT), this::sacn);
            sacn = port;
            port.join(SacnUniverse.group(SacnPacket.DISCOVERY_UNIVERSE));
            polling = host.clock().every(host.clock().now(), POLL_EVERY, this::poll);
            return true;
        });
        ping(typed);
    }

    /** Polls at once, as far as the guard lets it; from any thread. */
    public void pollNow() {
        host.run(this::poll);
    }

    /** Polls and pings one address besides from now on; a broadcast address is only polled. From any thread. */
    public void alsoAsk(Ipv4Address address) {
        host.run(() -> {
            if (!typed.contains(address) && typed.size() < MOST_TYPED) {
                typed.add(address);
                poll(address);
            }
        });
        ping(List.of(address));
    }

    private void poll() {
        poll(adapter.broadcast());
        typed.forEach(this::poll);
    }

    /** Polls one address, or a broadcast address, at once; within the net's turn. */
    SendResult poll(Ipv4Address to) {
        UdpPort port = artnet;
        if (port == null) {
            return SendResult.refused("Discovery has not started.");
        }
        SendResult sent = port.send(SendIntent.ASKING, to, ArtNetPacket.PORT, ArtNetCodec.encode(ArtPoll.plain()));
        if (sent.failed() && !unsent.contains(sent.why()) && unsent.size() < 20) {
            unsent.add(sent.why());
        }
        if (sent.left()) {
            table.polled(host.clock().now());
        }
        return sent;
    }

    /** Sends what sets a device, as far as the guard lets it; within the net's turn. */
    SendResult set(Ipv4Address to, ArtNetPacket packet) {
        return send(SendIntent.SETTING, to, packet);
    }

    /** Sends a packet of Art-Net, as far as the guard lets it; within the net's turn. */
    SendResult send(SendIntent intent, Ipv4Address to, ArtNetPacket packet) {
        UdpPort port = artnet;
        return port == null
                ? SendResult.refused("Discovery has not started.")
                : port.send(intent, to, ArtNetPacket.PORT, ArtNetCodec.encode(packet));
    }

    /** Gives what devices answer, beside polls, to somebody; within the net's turn. */
    void watch(@Nullable Consumer<ArtNetPacket> value) {
        watcher = value;
    }

    private synchronized void ping(List<Ipv4Address> wanted) {
        // loopback answers by itself, whoever is there
        List<Ipv4Address> asked = wanted.stream()
                .filter(a -> !a.isLoopback()
                        && !a.isMulticast()
                        && !a.equals(adapter.broadcast())
                        && !a.equals(LIMITED_BROADCAST))
                .toList();
        if (asked.isEmpty()) {
            return;
        }
        ExecutorService workers = pinging;
        if (workers == null) {
            workers = Executors.newFixedThreadPool(8, r -> {
                Thread thread = new Thread(r, "pinging");
                thread.setDaemon(true);
                return thread;
            });
            pinging = workers;
        }
        for (Ipv4Address address : asked) {
            workers.execute(() -> {
                try {
                    if (ping.answers(address, PING_LIMIT).orElse(false)) {
                        host.run(() -> table.pinged(address, host.clock().now()));
                    }
                } catch (InterruptedException e) {
                    Thread.currentThread().interrupt(); // told to stop
                }
            });
        }
    }

    private void artnet(Packet packet) {
        if (dmx.read(packet.payload())) {
            return; // levels, tens of thousands a second: whoever watches streams counts them
        }
        var decoded = ArtNetCodec.decode(packet.bytes());
        if (decoded instanceof Decoded.Malformed) {
            unreadable++;
        }
        decoded.packet().ifPresent(p -> {
            if (p instanceof ArtPollReply reply) {
                List<String> tolerated = decoded instanceof Decoded.Packet<?> d ? d.tolerated() : List.of();
                table.answered(packet.source(), reply, tolerated, packet.time());
            } else if (p instanceof ArtIpProgReply) {
                table.heard(packet.source(), packet.time());
            }
            Consumer<ArtNetPacket> told = watcher;
            if (told != null) {
                told.accept(p);
            }
        });
    }

    private void sacn(Packet packet) {
        if (data.read(packet.payload())) {
            table.sends(
                    packet.source(),
                    () -> new String(data.name(packet.payload()), StandardCharsets.UTF_8),
                    packet.time());
            return;
        }
        var decoded = SacnCodec.decode(packet.bytes());
        if (decoded instanceof Decoded.Malformed) {
            unreadable++;
        }
        decoded.packet().ifPresent(p -> {
            if (p instanceof SacnDiscovery announced) {
                table.sends(packet.source(), announced::sourceName, packet.time());
            }
        });
    }

    /**
     * What was found so far, in the order of addresses; from any thread.
     *
     * @throws IOException if waiting for it was interrupted
     */
    public List<FoundDevice> devices() throws IOException {
        return host.call(() -> table.devices(host.clock().now()));
    }

    /** The device with a hardware address, or at an address where that is not known; within the net's turn. */
    Optional<FoundDevice> device(Optional<String> mac, Ipv4Address address) {
        return table.devices(host.clock().now()).stream()
                .filter(d -> mac.isPresent() ? d.mac().equals(mac) : d.address().equals(address))
                .max(Comparator.comparingLong(FoundDevice::lastHeard));
    }

    /**
     * Packets that could not be read, so far; from any thread.
     *
     * @throws IOException if waiting for it was interrupted
     */
    public long unreadable() throws IOException {
        return host.call(() -> unreadable);
    }

    /**
     * What kept it from asking or hearing, as sentences; from any thread.
     *
     * @throws IOException if waiting for it was interrupted
     */
    public List<String> troubles() throws IOException {
        return host.call(() -> {
            List<String> all = new ArrayList<>(unsent);
            Optional.ofNullable(artnet).flatMap(UdpPort::trouble).ifPresent(all::add);
            Optional.ofNullable(sacn).flatMap(UdpPort::trouble).ifPresent(all::add);
            return all;
        });
    }

    NetHost host() {
        return host;
    }

    NetAdapter adapter() {
        return adapter;
    }

    /** A hardware address as text; empty where all its bytes are zero. */
    static Optional<String> mac(byte[] bytes) {
        for (byte b : bytes) {
            if (b != 0) {
                return Optional.of(HexFormat.ofDelimiter(":").formatHex(bytes));
            }
        }
        return Optional.empty();
    }

    /** Stops; from any thread. */
    @Override
    public void close() {
        Optional.ofNullable(pinging).ifPresent(ExecutorService::shutdownNow);
        host.run(() -> {
            Optional.ofNullable(polling).ifPresent(Clock.Timer::cancel);
            Optional.ofNullable(artnet).ifPresent(UdpPort::close);
            Optional.ofNullable(sacn).ifPresent(UdpPort::close);
        });
    }
}
