package zentrel.live;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.PriorityQueue;
import java.util.function.Consumer;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.net.Clock;
import zentrel.net.NetAdapter;
import zentrel.net.NetHost;
import zentrel.net.Packet;
import zentrel.net.PortRequest;
import zentrel.net.SendIntent;
import zentrel.net.SendResult;
import zentrel.net.UdpPort;
import zentrel.packet.pcap.IgmpFrame;
import zentrel.packet.pcap.PcapReader;
import zentrel.packet.pcap.UdpFrame;

/**
 * A recording as a net: its clock is that of the recording, and a port hears all that was sent to its number, whoever it was sent to.
 * Nothing can be sent. It goes on only as it is told to; all of it happens in the caller's turn, one caller after the other.
 */
public final class RecordedNet implements NetHost {
    /** Everything is seen on it, whatever its address. */
    private static final HostAddress EVERYWHERE = new HostAddress(Ipv4Address.ANY, 0);

    private static final SendResult NOTHING_LEAVES = SendResult.refused("A recording takes nothing.");

    private final class Port implements UdpPort {
        private final PortRequest request;
        private final Consumer<Packet> received;

        Port(PortRequest request, Consumer<Packet> received) {
            this.request = request;
            this.received = received;
        }

        @Override
        public PortRequest request() {
            return request;
        }

        @Override
        public void join(Ipv4Address group) {} // what was recorded is there

        @Override
        public void leave(Ipv4Address group) {} // and stays

        @Override
        public SendResult send(SendIntent intent, Ipv4Address to, int toPort, byte[] payload) {
            return NOTHING_LEAVES;
        }

        @Override
        public Optional<String> refusal(Ipv4Address to) {
            return Optional.of(NOTHING_LEAVES.why());
        }

        @Override
        public Optional<String> trouble() {
            return Optional.empty();
        }

        @Override
        public List<String> remarks() {
            return List.of();
        }

        @Override
        public void close() {
            ports.remove(this);
        }
    }

    private record Due(long at, long number, Runnable run) {}

    private final class Time implements Clock {
        private final PriorityQueue<Due> tasks =
                new PriorityQueue<>(Comparator.comparingLong(Due::at).thenComparingLong(Due::number));
        private long count;

        @Override
        public long now() {
            return now;
        }

        @Override
        public Timer at(long nanos, Runnable task) {
            Due added = new Due(nanos, count++, task);
            tasks.add(added);
            return () -> tasks.remove(added);
        }

        @Override
        public Timer every(long first, long period, Runnable task) {
            boolean[] stopped = {false};
            Runnable[] again = new Runnable[1];
            long[] next = {first};
            again[0] = () -> {
                if (!stopped[0]) {
                    task.run();
                    next[0] += Math.max(1, (now - next[0]) / period + 1) * period; // what was missed is left out
                    at(next[0], again[0]);
                }
            };
            at(first, again[0]);
            return () -> stopped[0] = true;
        }

        private void runTo(long time) {
            Due due = tasks.peek();
            while (due != null && due.at() <= time) {
                tasks.remove(due);
                now = Math.max(now, due.at());
                due.run().run();
                due = tasks.peek();
            }
            now = Math.max(now, time);
        }
    }

    /** Is told of queries for groups, up to a packet before their time. */
    @FunctionalInterface
    public interface Querier {
        void heard(Ipv4Address who, long time);
    }

    private final PcapReader reader;
    private final Querier querier;
    private final UdpFrame frame = new UdpFrame();
    private final List<Port> ports = new ArrayList<>();
    private final Map<String, NetAdapter> adapters = new HashMap<>();
    private final Time time = new Time();
    private long now;
    private boolean waiting;
    private long skipped;
    private long packets;

    /**
     * A recording at its first packet.
     *
     * @throws IOException if it cannot be read
     */
    public RecordedNet(PcapReader reader) throws IOException {
        this(reader, (who, when) -> {});
    }

    /**
     * The same, with somebody who is told of queries for groups.
     *
     * @throws IOException if it cannot be read
     */
    public RecordedNet(PcapReader reader, Querier querier) throws IOException {
        this.reader = reader;
        this.querier = querier;
        waiting = nextPacket();
        now = waiting ? reader.time() : 0;
    }

    /** Reads on to the next UDP packet. */
    private boolean nextPacket() throws IOException {
        while (reader.next()) {
            if (frame.read(reader.frame(), reader.linkType())) {
                return true;
            }
            IgmpFrame.querier(reader.frame(), reader.linkType()).ifPresent(q -> querier.heard(q, reader.time()));
            skipped++;
        }
        return false;
    }

    /** The adapter to listen on: all of the recording. */
    public NetAdapter everything() {
        return new NetAdapter("recording", EVERYWHERE, true, false, false);
    }

    /**
     * Hands out the next packet, after what was to be done before it.
     *
     * @return false where there is none
     * @throws IOException if the recording cannot be read
     */
    public synchronized boolean step() throws IOException {
        if (!waiting) {
            return false;
        }
        time.runTo(reader.time());
        ByteBuffer bytes = reader.frame();
        packets++;
        int to = frame.destinationPort();
        for (int i = 0; i < ports.size(); i++) { // one may close itself
            Port port = ports.get(i);
            if (port.request.port() == to) {
                port.received.accept(new Packet(
                        reader.time(),
                        adapters.computeIfAbsent(
                                reader.interfaceName(), n -> new NetAdapter(n, EVERYWHERE, true, false, false)),
                        frame.source(),
                        frame.sourcePort(),
                        frame.destination(),
                        to,
                        frame.ttl(),
                        frame.payload(bytes)));
            }
        }
        waiting = nextPacket();
        return true;
    }

    /**
     * Goes on to a time.
     *
     * @param until in ns since 1970 in UTC
     * @return whether there are packets after it
     * @throws IOException if the recording cannot be read
     */
    public synchronized boolean advance(long until) throws IOException {
        while (waiting && reader.time() <= until) {
            step();
        }
        time.runTo(until);
        return waiting;
    }

    /** When the next packet was seen; now, where there is none. */
    public synchronized long nextTime() {
        return waiting ? reader.time() : now;
    }

    /** UDP packets handed out so far. */
    public synchronized long packets() {
        return packets;
    }

    /** Frames that are no whole UDP packet. */
    public synchronized long skipped() {
        return skipped;
    }

    @Override
    public Clock clock() {
        return time;
    }

    @Override
    public List<NetAdapter> adapters() {
        return List.of(everything());
    }

    @Override
    public UdpPort open(PortRequest request, Consumer<Packet> received) {
        Port port = new Port(request, received);
        ports.add(port);
        return port;
    }

    @Override
    public synchronized void run(Runnable task) {
        task.run();
    }

    @Override
    public synchronized <T> T call(NetHost.Task<T> task) throws IOException {
        return task.run();
    }

    @Override
    public synchronized void close() {
        ports.clear();
    }
}
