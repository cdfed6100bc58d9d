package zentrel.live;

import java.io.IOException;
import java.util.ArrayDeque;
import java.util.BitSet;
import java.util.Deque;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.function.Predicate;
import org.jspecify.annotations.Nullable;
import zentrel.ipv4.Ipv4Address;
import zentrel.net.BoundedTable;
import zentrel.net.NetAdapter;
import zentrel.net.NetHost;
import zentrel.net.Packet;
import zentrel.net.PortRequest;
import zentrel.net.SendIntent;
import zentrel.net.SendResult;
import zentrel.net.UdpPort;
import zentrel.packet.Decoded;
import zentrel.packet.artnet.ArtDmxView;
import zentrel.packet.artnet.ArtNetCodec;
import zentrel.packet.artnet.ArtNetPacket;
import zentrel.packet.artnet.ArtPoll;
import zentrel.packet.artnet.ArtPollReply;
import zentrel.packet.sacn.SacnCodec;
import zentrel.packet.sacn.SacnDataView;
import zentrel.packet.sacn.SacnDiscovery;
import zentrel.packet.sacn.SacnPacket;
import zentrel.packet.sacn.SacnSync;
import zentrel.profile.Protocol;
import zentrel.text.PlainText;
import zentrel.universe.SacnUniverse;

/**
 * Listens on one adapter and counts. Sends nothing but the group joins that listening needs, and polls where it is told to. It lives
 * in the net's turn; {@link #found} may be asked from elsewhere.
 */
public final class StreamWatch implements AutoCloseable {
    /** Devices that answered polls, and universes of each, held at most. */
    private static final int MOST_ANSWERS = 4096;

    private static final int MOST_WAITED_FOR = 1020; // 255 pages of four ports
    private static final int MOST_SYNCS = 256;
    private static final int MOST_MALFORMED = 20;
    private static final int PATIENCE_SECONDS = 60;

    /**
     * What was heard so far.
     *
     * @param streams by protocol, universe and source
     * @param notListed packets with levels from sources that found no room in the list
     * @param unreadable packets on the listening ports that could not be read
     * @param announced the sACN universes that sources announce and that are not listened to, in order
     * @param answers the Art-Net universes that the outputs of each device wait for, as its answers to polls say
     * @param trouble what kept it from receiving all, as sentences
     * @param syncs when synchronization packets of each sACN universe were heard last, in ns by the net's clock
     * @param malformed what could not be read lately, with the field and where it came from, as sentences
     * @param remarks what the system granted less of than was asked for, and what to do, as sentences
     */
    public record Found(
            List<StreamSeen> streams,
            long notListed,
            long unreadable,
            List<Integer> announced,
            Map<Ipv4Address, Set<Integer>> answers,
            Map<Integer, Long> syncs,
            List<String> malformed,
            List<String> trouble,
            List<String> remarks) {}

    private final NetHost host;
    private final NetAdapter adapter;
    private final Predicate<Ipv4Address> planned;
    private final StreamTable streams;
    private final Set<Integer> joined = new TreeSet<>();
    private final BoundedTable<Ipv4Address, Set<Integer>> answers = new BoundedTable<>(MOST_ANSWERS, PATIENCE_SECONDS);
    private final BitSet announced = new BitSet();
    private final ArtDmxView dmx = new ArtDmxView();
    private final SacnDataView data = new SacnDataView();
    private @Nullable UdpPort artnet;
    private @Nullable UdpPort sacn;
    private final Map<Integer, Long> syncs = new TreeMap<>();
    private final Deque<String> malformed = new ArrayDeque<>();
    private long unreadable;

    /** Watches without a plan. */
    public StreamWatch(NetHost host, NetAdapter adapter) {
        this(host, adapter, from -> false);
    }

    /**
     * Watches.
     *
     * @param planned whether a source of the plan has an address; there is room for it however many others there are
     */
    public StreamWatch(NetHost host, NetAdapter adapter, Predicate<Ipv4Address> planned) {
        this.host = host;
        this.adapter = adapter;
        this.planned = planned;
        this.streams = new StreamTable(planned);
    }

    /**
     * Starts to listen: Art-Net, the discovery group of sACN, and these sACN universes. What is announced besides is not joined,
     * for anybody may announce anything; it is named. From any thread.
     *
     * @throws IOException with a sentence, if a port or group cannot be had
     */
    public void start(Iterable<Integer> sacnUniverses) throws IOException {
        host.call(() -> {
            artnet = host.open(PortRequest.at(adapter, ArtNetPacket.PORT).withBroadcasts(), this::artnet);
            UdpPort port = host.open(PortRequest.at(adapter, SacnPacket.PORT), this::sacn);
            sacn = port;
            port.join(SacnUniverse.group(SacnPacket.DISCOVERY_UNIVERSE));
            for (int universe : sacnUniverses) {
                joined.add(universe);
                port.join(SacnUniverse.group(universe));
            }
            return true;
        });
    }

    private void artnet(Packet packet) {
        if (dmx.read(packet.payload())) {
            streams.artnet(dmx, packet);
            return;
        }
        Decoded<ArtNetPacket> decoded = ArtNetCodec.decode(packet.bytes());
        if (decoded instanceof Decoded.Malformed<ArtNetPacket> bad) {
            unreadable(packet, "Art-Net", bad);
        }
        decoded.packet().ifPresent(p -> {
            if (p instanceof ArtPollReply reply) {
                answered(packet, reply);
            } else {
                streams.artnet(p, packet);
            }
        });
    }

    private void answered(Packet packet, ArtPollReply reply) {
        Ipv4Address from = packet.source();
        answers.use(from, planned.test(from), packet.time(), TreeSet::new).ifPresent(waits -> {
            for (int i = 0; i < Math.min(reply.ports(), ArtPollReply.PORTS); i++) {
                if (reply.isOutput(i) && !reply.isSacn(i) && waits.size() < MOST_WAITED_FOR) {
                    waits.add(reply.output(i).value());
                }
            }
        });
    }

    /**
     * Asks every Art-Net device that the adapter reaches what it waits for. A question sets nothing, but it is sent. From any
     * thread.
     *
     * @return what became of it: the guard may be set to listening only
     * @throws IOException if the net is not to be had
     */
    public SendResult ask() throws IOException {
        byte[] poll = ArtNetCodec.encode(ArtPoll.plain());
        return host.call(() -> {
            UdpPort port = artnet;
            return port == null
                    ? SendResult.refused("Nothing is listened to yet.")
                    : port.send(SendIntent.ASKING, adapter.broadcast(), ArtNetPacket.PORT, poll);
        });
    }

    private void sacn(Packet packet) {
        if (data.read(packet.payload())) {
            streams.sacn(data, packet);
            return;
        }
        Decoded<SacnPacket> decoded = SacnCodec.decode(packet.bytes());
        if (decoded instanceof Decoded.Malformed<SacnPacket> bad) {
            unreadable(packet, "sACN", bad);
        }
        decoded.packet().ifPresent(p -> {
            if (p instanceof SacnDiscovery discovery) {
                discovered(discovery);
            } else if (p instanceof SacnSync sync
                    && (syncs.size() < MOST_SYNCS || syncs.containsKey(sync.syncAddress()))) {
                syncs.put(sync.syncAddress(), packet.time());
            }
        });
    }

    private void unreadable(Packet packet, String protocol, Decoded.Malformed<?> bad) {
        unreadable++;
        if (malformed.size() == MOST_MALFORMED) {
            malformed.removeFirst();
        }
        malformed.addLast(PlainText.shown(packet.source() + " sent " + protocol + " that cannot be read: " + bad, 200));
    }

    private void discovered(SacnDiscovery discovery) {
        for (int universe : discovery.universes()) {
            if (Protocol.SACN.carries(universe) && !joined.contains(universe)) {
                announced.set(universe);
            }
        }
    }

    /**
     * What was heard so far; from any thread.
     *
     * @throws IOException if waiting for it was interrupted
     */
    public Found found() throws IOException {
        return host.call(() -> {
            Map<Ipv4Address, Set<Integer>> copy = new TreeMap<>();
            answers.forEach((from, waits) -> copy.put(from, Set.copyOf(waits)));
            UdpPort a = artnet;
            UdpPort s = sacn;
            List<String> trouble = a == null || s == null
                    ? List.of()
                    : java.util.stream.Stream.concat(a.trouble().stream(), s.trouble().stream())
                            .distinct()
                            .toList();
            return new Found(
                    streams.seen(host.clock().now()),
                    streams.notListed(),
                    unreadable,
                    announced.stream().boxed().toList(),
                    copy,
                    Map.copyOf(syncs),
                    List.copyOf(malformed),
                    trouble,
                    a == null ? List.of() : a.remarks());
        });
    }

    /** Stops listening; from any thread. */
    @Override
    public void close() {
        host.run(this::closeNow);
    }

    /** The same, at once; within the net's turn. */
    public void closeNow() {
        if (artnet != null) {
            artnet.close();
        }
        if (sacn != null) {
            sacn.close();
        }
    }
}
