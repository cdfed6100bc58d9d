package zentrel.net.real;

import java.io.IOException;
import java.net.BindException;
import java.net.InetSocketAddress;
import java.net.NetworkInterface;
import java.net.SocketException;
import java.net.StandardProtocolFamily;
import java.net.StandardSocketOptions;
import java.nio.ByteBuffer;
import java.nio.channels.DatagramChannel;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.atomic.AtomicLong;
import java.util.function.Consumer;
import org.jspecify.annotations.Nullable;
import zentrel.ipv4.Ipv4Address;
import zentrel.net.NetAdapter;
import zentrel.net.Packet;

/**
 * The sockets of one port at one address of an adapter, shared by all in this process that asked for it. A socket bound to the
 * address hears unicast only, so there is one for unicast, one for broadcasts and one for each group: what a socket is bound to is the
 * destination of its packets, which Java does not tell otherwise. (Up to twenty groups may share a socket, but then nobody knows to
 * which of them a packet was sent; that is done only on systems that bind no socket to a group.)
 *
 * <p>A broadcast address cannot be bound everywhere; then a socket on all addresses keeps what comes from the adapter's subnet.
 */
final class SharedSockets {
    /** Groups joined at most: each has a socket of its own, and a system lets a program open some 1,000 files. */
    static final int MOST_GROUPS = 640;

    /** Memberships of one socket (Linux: {@code igmp_max_memberships}). */
    private static final int MOST_ON_ONE = 20;

    /** Datagrams read from one socket before the others have their turn, so that a flood on one does not starve them. */
    private static final int MOST_A_TURN = 64;

    /** The default holds a third of a frame of 512 universes; measured in the project's notes on limits. */
    private static final int RECEIVE_BUFFER_BYTES = 4 * 1024 * 1024;

    /** One group carries one universe: this holds several seconds of it. */
    private static final int GROUP_BUFFER_BYTES = 256 * 1024;

    private static final int LARGEST_DATAGRAM = 65_507;

    private static final System.Logger LOG = System.getLogger(SharedSockets.class.getName());

    private record Key(String adapter, Ipv4Address address, int port) {}

    private static final Map<Key, SharedSockets> OPEN = new HashMap<>();
    private static final ByteBuffer BUFFER = ByteBuffer.allocateDirect(LARGEST_DATAGRAM);

    /** A listener with the groups that it joined. */
    static final class Listener {
        private final Consumer<Packet> received;
        private final boolean broadcasts;
        private final java.util.Set<Ipv4Address> groups = new java.util.HashSet<>();

        Listener(Consumer<Packet> received, boolean broadcasts) {
            this.received = received;
            this.broadcasts = broadcasts;
        }
    }

    private enum Cast {
        UNICAST,
        BROADCAST,
        GROUP
    }

    private final NetLoop loop;
    private final NetAdapter adapter;
    private final NetworkInterface networkInterface;
    private final Key key;
    private final int port;
    private final DatagramChannel unicast;
    private @Nullable DatagramChannel broadcast;
    private final Map<Ipv4Address, DatagramChannel> groups = new LinkedHashMap<>();
    private final List<DatagramChannel> several = new ArrayList<>();
    private final List<Listener> listeners = new ArrayList<>();
    private final AtomicLong failures = new AtomicLong();
    private volatile @Nullable String lastFailure;
    private volatile @Nullable String grantedLess;

    /** The sockets of a port, opened where this process has none yet; a port 0 is always a new one. */
    static SharedSockets open(NetLoop loop, NetAdapter adapter, int port) throws IOException {
        Key key = new Key(adapter.name(), adapter.address().address(), port);
        SharedSockets open = OPEN.get(key);
        if (open == null || port == 0) {
            open = new SharedSockets(loop, adapter, key);
            if (port != 0) {
                OPEN.put(key, open);
            }
        }
        return open;
    }

    private SharedSockets(NetLoop loop, NetAdapter adapter, Key key) throws IOException {
        this.loop = loop;
        this.adapter = adapter;
        this.key = key;
        NetworkInterface found = NetworkInterface.getByName(adapter.name());
        if (found == null) {
            throw new IOException("This computer has no adapter " + adapter.name() + " any more.");
        }
        networkInterface = found;
        unicast = channel(RECEIVE_BUFFER_BYTES);
        bind(unicast, adapter.address().address(), key.port());
        port = ((InetSocketAddress) unicast.getLocalAddress()).getPort();
        int granted = unicast.getOption(StandardSocketOptions.SO_RCVBUF);
        if (granted < RECEIVE_BUFFER_BYTES) {
            grantedLess = "The system keeps " + granted / 1024 + " kB of what arrives at UDP port " + port
                    + " instead of " + RECEIVE_BUFFER_BYTES / 1024
                    + " kB, so a burst of many universes may be lost. On Linux raise net.core.rmem_max.";
        }
        loop.register(unicast, c -> drain(c, adapter.address().address(), Cast.UNICAST));
    }

    int port() {
        return port;
    }

    private DatagramChannel channel(int buffer) throws IOException {
        DatagramChannel channel = DatagramChannel.open(StandardProtocolFamily.INET);
        channel.setOption(StandardSocketOptions.SO_REUSEADDR, true);
        channel.setOption(StandardSocketOptions.SO_RCVBUF, buffer);
        channel.setOption(StandardSocketOptions.SO_BROADCAST, true);
        channel.setOption(StandardSocketOptions.IP_MULTICAST_IF, networkInterface);
        if (!networkInterface.equals(channel.getOption(StandardSocketOptions.IP_MULTICAST_IF))) {
            channel.close();
            throw new IOException("This computer does not send multicast by " + networkInterface.getName()
                    + " although it was asked to.");
        }
        channel.setOption(StandardSocketOptions.IP_MULTICAST_TTL, 1);
        channel.setOption(StandardSocketOptions.IP_MULTICAST_LOOP, true);
        return channel;
    }

    private static void bind(DatagramChannel channel, @Nullable Ipv4Address to, int port) throws IOException {
        try {
            channel.bind(to == null ? new InetSocketAddress(port) : new InetSocketAddress(Inet.of(to), port));
        } catch (SocketException e) {
            channel.close();
            throw new BindException("UDP port " + port + (to == null ? "" : " at " + to) + " cannot be opened: "
                    + e.getMessage() + ".");
        }
    }

    void add(Listener listener) throws IOException {
        if (listener.broadcasts && broadcast == null) {
            hearBroadcasts();
        }
        listeners.add(listener);
    }

    private void hearBroadcasts() throws IOException {
        DatagramChannel channel = channel(RECEIVE_BUFFER_BYTES);
        try {
            bind(channel, adapter.broadcast(), port);
        } catch (BindException e) {
            LOG.log(System.Logger.Level.DEBUG, "{0} Listening on all addresses instead.", e.getMessage());
            channel = channel(RECEIVE_BUFFER_BYTES);
            bind(channel, null, port);
        }
        broadcast = channel;
        loop.register(channel, c -> drain(c, adapter.broadcast(), Cast.BROADCAST));
    }

    void join(Listener listener, Ipv4Address group) throws IOException {
        if (listener.groups.contains(group)) {
            return;
        }
        if (!groups.containsKey(group)) {
            if (groups.size() >= MOST_GROUPS) {
                throw new IOException(
                        "No more than " + MOST_GROUPS + " multicast groups are joined at once; " + group + " was not.");
            }
            groups.put(group, joined(group));
        }
        listener.groups.add(group);
    }

    private DatagramChannel joined(Ipv4Address group) throws IOException {
        DatagramChannel own = channel(GROUP_BUFFER_BYTES);
        try {
            bind(own, group, port); // hears this group and nothing else
        } catch (BindException e) {
            LOG.log(System.Logger.Level.DEBUG, "{0} Listening on all addresses instead.", e.getMessage());
            return joinedWithOthers(group);
        }
        try {
            own.join(Inet.of(group), networkInterface);
            loop.register(own, c -> drain(c, group, Cast.GROUP));
            return own;
        } catch (IOException | RuntimeException e) {
            own.close();
            throw e;
        }
    }

    private DatagramChannel joinedWithOthers(Ipv4Address group) throws IOException {
        for (DatagramChannel channel : several) {
            if (groups.values().stream().filter(channel::equals).count() < MOST_ON_ONE) {
                channel.join(Inet.of(group), networkInterface);
                return channel;
            }
        }
        DatagramChannel channel = channel(RECEIVE_BUFFER_BYTES);
        bind(channel, null, port);
        channel.join(Inet.of(group), networkInterface);
        several.add(channel);
        loop.register(channel, c -> drain(c, Ipv4Address.ANY, Cast.GROUP));
        return channel;
    }

    void leave(Listener listener, Ipv4Address group) {
        if (!listener.groups.remove(group) || listeners.stream().anyMatch(l -> l.groups.contains(group))) {
            return;
        }
        DatagramChannel channel = groups.remove(group);
        if (channel != null && !groups.containsValue(channel)) {
            several.remove(channel);
            close(channel);
        }
    }

    void remove(Listener listener) {
        for (Ipv4Address group : List.copyOf(listener.groups)) {
            leave(listener, group);
        }
        listeners.remove(listener);
        if (listeners.isEmpty()) {
            OPEN.remove(key, this);
            close(unicast);
            if (broadcast != null) {
                close(broadcast);
            }
        }
    }

    private void close(DatagramChannel channel) {
        try {
            channel.close();
        } catch (IOException e) {
            loop.failed("A socket did not close.", e);
        }
    }

    void send(Ipv4Address to, int toPort, byte[] payload) throws IOException {
        unicast.send(ByteBuffer.wrap(payload), new InetSocketAddress(Inet.of(to), toPort));
    }

    private void drain(DatagramChannel channel, Ipv4Address destination, Cast cast) throws IOException {
        for (int i = 0; i < MOST_A_TURN; i++) {
            BUFFER.clear();
            InetSocketAddress from = (InetSocketAddress) channel.receive(BUFFER);
            if (from == null) {
                return;
            }
            BUFFER.flip();
            Ipv4Address source = Inet.of(from.getAddress());
            if (cast == Cast.BROADCAST && !adapter.address().sees(source)) {
                continue; // heard on all addresses, and from another adapter's segment
            }
            deliver(
                    new Packet(
                            loop.now(), adapter, source, from.getPort(), destination, port, Packet.NOT_KNOWN, BUFFER),
                    cast);
        }
    }

    private void deliver(Packet packet, Cast cast) {
        int end = BUFFER.limit();
        for (int i = 0; i < listeners.size(); i++) { // one may close itself
            Listener listener = listeners.get(i);
            if ((cast == Cast.BROADCAST && !listener.broadcasts)
                    || (cast == Cast.GROUP
                            && !packet.destination().equals(Ipv4Address.ANY)
                            && !listener.groups.contains(packet.destination()))) {
                continue;
            }
            try {
                BUFFER.limit(end).position(0);
                listener.received.accept(packet);
            } catch (RuntimeException | Error e) {
                String what = "A packet could not be handled; the next ones are.";
                failures.incrementAndGet();
                lastFailure = what + " " + e.getClass().getSimpleName();
                loop.failed(what, e);
            }
        }
    }

    /** What kept it from handling all, as a sentence. */
    java.util.Optional<String> trouble() {
        String last = lastFailure;
        return last == null
                ? java.util.Optional.empty()
                : java.util.Optional.of(failures + (failures.get() == 1 ? " packet" : " packets") + " at "
                        + adapter.address().address() + " could not be handled. The last time: " + last + ".");
    }

    List<String> remarks() {
        String less = grantedLess;
        return less == null ? List.of() : List.of(less);
    }
}
