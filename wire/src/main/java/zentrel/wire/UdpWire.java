package zentrel.wire;

import java.io.IOException;
import java.net.BindException;
import java.net.Inet4Address;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.InterfaceAddress;
import java.net.NetworkInterface;
import java.net.SocketException;
import java.net.StandardProtocolFamily;
import java.net.StandardSocketOptions;
import java.net.UnknownHostException;
import java.nio.ByteBuffer;
import java.nio.channels.ClosedChannelException;
import java.nio.channels.ClosedSelectorException;
import java.nio.channels.DatagramChannel;
import java.nio.channels.SelectionKey;
import java.nio.channels.Selector;
import java.util.Iterator;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicLong;
import java.util.function.Consumer;
import org.jspecify.annotations.Nullable;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;

/**
 * Real UDP on one adapter.
 *
 * <p>A socket bound to the adapter's address hears unicast only, so there is one for unicast, one for broadcasts and one for
 * each group. A broadcast address cannot be bound everywhere; then a socket on all addresses keeps what comes from the
 * adapter's subnet. One thread receives; it survives any datagram and any failure of a handler.
 */
public final class UdpWire implements Wire {
    private static final System.Logger LOG = System.getLogger(UdpWire.class.getName());

    /** Groups joined at most: each has a socket of its own, and a system lets a program open some 1,000 files. */
    static final int MOST_GROUPS = 640;

    /** Datagrams read from one socket before the others have their turn, so that a flood on one does not starve them. */
    private static final int MOST_A_TURN = 64;

    /** Kinds of failures logged; more of them say nothing new. */
    private static final int MOST_KINDS = 20;

    /** How long receiving rests after it failed, so that a failure that stays does not take a processor for itself. */
    private static final int REST_MILLIS = 50;

    /** The default holds a third of a frame of 512 universes; measured in the project's notes on limits. */
    private static final int RECEIVE_BUFFER_BYTES = 4 * 1024 * 1024;

    private static final int LARGEST_DATAGRAM = 65_507;

    private record Ear(DatagramChannel channel, Consumer<Datagram> handler, boolean everySource) {}

    private final Ipv4Address address;
    private final HostAddress subnet;
    private final NetworkInterface networkInterface;
    private final OutputGuard guard;
    private final Egress egress;
    private final ExecutorService routing;
    private final Selector selector;
    private final Thread thread;
    private final Map<Integer, DatagramChannel> byPort = new ConcurrentHashMap<>();
    private final ConcurrentLinkedQueue<Ear> waiting = new ConcurrentLinkedQueue<>();
    private final Map<Ipv4Address, DatagramChannel> groups = new ConcurrentHashMap<>();
    private final AtomicLong failures = new AtomicLong();
    private volatile @Nullable String lastFailure;
    private final Set<String> loggedKinds = ConcurrentHashMap.newKeySet();
    private @Nullable DatagramChannel anyPort;
    private volatile boolean open = true;

    private UdpWire(Ipv4Address address, HostAddress subnet, NetworkInterface networkInterface, OutputGuard guard)
            throws IOException {
        this.address = address;
        this.subnet = subnet;
        this.networkInterface = networkInterface;
        this.guard = guard;
        this.routing = Executors.newSingleThreadExecutor(r -> {
            Thread t = new Thread(r, "routes of " + address);
            t.setDaemon(true);
            return t;
        });
        this.egress = new Egress(networkInterface.getName(), subnet, SystemRoutes.ofSystem(), routing);
        this.selector = Selector.open();
        this.thread = new Thread(this::receive, "wire " + address);
        thread.setDaemon(true);
        thread.start();
    }

    /**
     * Opens a wire on the adapter that has an address. Every address of 127/8 is on the loopback adapter.
     *
     * @throws IOException with a sentence, if no adapter of this computer has it
     */
    public static UdpWire open(Ipv4Address address, OutputGuard guard) throws IOException {
        if (address.isLoopback()) {
            return new UdpWire(address, new HostAddress(address, 8), loopback(), guard);
        }
        NetworkInterface found = NetworkInterface.getByInetAddress(inet(address));
        if (found == null) {
            throw new IOException("No adapter of this computer has the address " + address + ".");
        }
        for (InterfaceAddress a : found.getInterfaceAddresses()) {
            if (a.getAddress().equals(inet(address))) {
                return new UdpWire(address, new HostAddress(address, a.getNetworkPrefixLength()), found, guard);
            }
        }
        throw new IOException("No adapter of this computer has the address " + address + ".");
    }

    private static NetworkInterface loopback() throws IOException {
        NetworkInterface loopback = NetworkInterface.getByInetAddress(inet(Ipv4Address.LOOPBACK));
        if (loopback == null) {
            throw new IOException("This computer has no loopback adapter.");
        }
        return loopback;
    }

    /**
     * The name that this system gives its loopback adapter.
     *
     * @throws IOException with a sentence, if there is none
     */
    public static String loopbackName() throws IOException {
        return loopback().getName();
    }

    static InetAddress inet(Ipv4Address address) {
        try {
            return InetAddress.getByAddress(new byte[] {
                (byte) address.octet(0), (byte) address.octet(1), (byte) address.octet(2), (byte) address.octet(3)
            });
        } catch (UnknownHostException e) {
            throw new IllegalStateException("Four bytes are always an address.", e);
        }
    }

    /** The name that the system gives the adapter. */
    public String adapterName() {
        return networkInterface.getName();
    }

    @Override
    public Ipv4Address address() {
        return address;
    }

    @Override
    public Ipv4Address broadcast() {
        return subnet.broadcast();
    }

    private DatagramChannel channel() throws IOException {
        DatagramChannel channel = DatagramChannel.open(StandardProtocolFamily.INET);
        channel.setOption(StandardSocketOptions.SO_REUSEADDR, true);
        channel.setOption(StandardSocketOptions.SO_RCVBUF, RECEIVE_BUFFER_BYTES);
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

    private static void bind(DatagramChannel channel, @Nullable InetAddress to, int port) throws IOException {
        InetSocketAddress at = to == null ? new InetSocketAddress(port) : new InetSocketAddress(to, port);
        try {
            channel.bind(at);
        } catch (SocketException e) {
            channel.close();
            throw new BindException("UDP port " + port + (to == null ? "" : " at " + to.getHostAddress())
                    + " cannot be opened: " + e.getMessage() + ".");
        }
    }

    @Override
    public void listen(int port, boolean broadcasts, Consumer<Datagram> handler) throws IOException {
        DatagramChannel unicast = channel();
        bind(unicast, inet(address), port);
        byPort.put(port, unicast);
        register(new Ear(unicast, handler, true));
        if (broadcasts) {
            DatagramChannel everybody = channel();
            try {
                bind(everybody, inet(broadcast()), port);
                register(new Ear(everybody, handler, true));
            } catch (BindException e) {
                LOG.log(System.Logger.Level.DEBUG, "{0} Listening on all addresses instead.", e.getMessage());
                DatagramChannel all = channel();
                bind(all, null, port);
                register(new Ear(all, handler, false));
            }
        }
    }

    @Override
    public synchronized void join(int port, Ipv4Address group, Consumer<Datagram> handler) throws IOException {
        if (groups.size() >= MOST_GROUPS) {
            throw new IOException(
                    "No more than " + MOST_GROUPS + " multicast groups are joined at once; " + group + " was not.");
        }
        DatagramChannel channel = channel();
        try {
            bind(channel, inet(group), port); // hears this group and nothing else
        } catch (BindException e) {
            LOG.log(System.Logger.Level.DEBUG, "{0} Listening on all addresses instead.", e.getMessage());
            channel = channel();
            bind(channel, null, port);
        }
        try {
            channel.join(inet(group), networkInterface);
            register(new Ear(channel, handler, true));
        } catch (IOException | RuntimeException e) {
            channel.close();
            throw e;
        }
        DatagramChannel before = groups.put(group, channel);
        if (before != null) {
            before.close();
        }
    }

    @Override
    public synchronized void leave(Ipv4Address group) throws IOException {
        DatagramChannel channel = groups.remove(group);
        if (channel != null) {
            channel.close();
        }
    }

    private void register(Ear ear) throws IOException {
        ear.channel().configureBlocking(false);
        waiting.add(ear);
        selector.wakeup();
    }

    /** Ends only with the wire: whatever is thrown in a turn is counted, and the next turn comes. */
    private void receive() {
        ByteBuffer buffer = ByteBuffer.allocateDirect(LARGEST_DATAGRAM);
        while (open) {
            try {
                turn(buffer);
            } catch (ClosedSelectorException e) {
                return;
            } catch (IOException | RuntimeException | Error e) {
                failed("Receiving on " + address + " failed; it goes on.", e);
                rest();
            }
        }
    }

    private void turn(ByteBuffer buffer) throws IOException {
        selector.select();
        for (Ear ear = waiting.poll(); ear != null; ear = waiting.poll()) {
            try {
                ear.channel().register(selector, SelectionKey.OP_READ, ear);
            } catch (ClosedChannelException e) {
                LOG.log(System.Logger.Level.DEBUG, "A group was left before it was heard.", e);
            }
        }
        for (Iterator<SelectionKey> keys = selector.selectedKeys().iterator(); keys.hasNext(); ) {
            SelectionKey key = keys.next();
            keys.remove();
            if (key.isValid() && key.attachment() instanceof Ear ear) {
                try {
                    drain(ear, buffer);
                } catch (ClosedChannelException e) {
                    key.cancel(); // the group was left in the meantime
                }
            }
        }
    }

    private void rest() {
        try {
            Thread.sleep(REST_MILLIS);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    /** Counts a failure and logs the first of each kind; at the limit of open files even logging throws. */
    private void failed(String what, Throwable e) {
        failures.incrementAndGet();
        String kind = what + " " + e.getClass().getSimpleName();
        lastFailure = kind;
        if (loggedKinds.size() >= MOST_KINDS || !loggedKinds.add(kind)) {
            return;
        }
        try {
            LOG.log(System.Logger.Level.WARNING, what, e);
        } catch (RuntimeException | Error worse) {
            failures.incrementAndGet();
        }
    }

    @Override
    public Optional<String> trouble() {
        if (open && !thread.isAlive()) {
            return Optional.of("Nothing is received on " + address + " any more.");
        }
        String last = lastFailure;
        return last == null
                ? Optional.empty()
                : Optional.of(failures + (failures.get() == 1 ? " datagram or turn" : " datagrams or turns") + " on "
                        + address + " could not be handled. The last time: " + last + ".");
    }

    private void drain(Ear ear, ByteBuffer buffer) throws IOException {
        for (int i = 0; i < MOST_A_TURN; i++) {
            buffer.clear();
            InetSocketAddress from = (InetSocketAddress) ear.channel().receive(buffer);
            if (from == null) {
                return;
            }
            Ipv4Address sender = address(from.getAddress());
            if (!ear.everySource() && !subnet.sees(sender)) {
                continue; // heard on all addresses, and from another adapter's segment
            }
            byte[] bytes = new byte[buffer.flip().remaining()];
            buffer.get(bytes);
            try {
                ear.handler().accept(new Datagram(sender, from.getPort(), bytes));
            } catch (RuntimeException | Error e) {
                failed("A datagram could not be handled; the next ones are.", e);
            }
        }
    }

    private static Ipv4Address address(InetAddress inet) {
        byte[] b = inet instanceof Inet4Address ? inet.getAddress() : new byte[4];
        return Ipv4Address.of(b[0] & 0xFF, b[1] & 0xFF, b[2] & 0xFF, b[3] & 0xFF);
    }

    @Override
    public boolean send(SendIntent sending, int fromPort, Ipv4Address to, int toPort, byte[] bytes) throws IOException {
        if (!guard.allows(sending, adapterName())) {
            return false;
        }
        Optional<String> refusal = egress.refusal(to);
        if (refusal.isPresent()) {
            throw new OutputRefusedException(refusal.get());
        }
        channelFor(fromPort).send(ByteBuffer.wrap(bytes), new InetSocketAddress(inet(to), toPort));
        return true;
    }

    @Override
    public Optional<String> refusal(Ipv4Address to) throws IOException {
        return egress.refusal(to);
    }

    private synchronized DatagramChannel channelFor(int port) throws IOException {
        DatagramChannel listening = byPort.get(port);
        if (listening != null) {
            return listening;
        }
        if (anyPort == null) {
            DatagramChannel channel = channel();
            bind(channel, inet(address), 0);
            anyPort = channel;
        }
        return anyPort;
    }

    @Override
    public synchronized void close() {
        if (!open) {
            return;
        }
        open = false;
        routing.shutdownNow();
        try {
            for (SelectionKey key : selector.keys()) {
                key.channel().close();
            }
            for (Ear ear = waiting.poll(); ear != null; ear = waiting.poll()) {
                ear.channel().close();
            }
            if (anyPort != null) {
                anyPort.close();
            }
            selector.close();
        } catch (IOException e) {
            LOG.log(System.Logger.Level.WARNING, "A socket on " + address + " did not close.", e);
        }
    }
}
