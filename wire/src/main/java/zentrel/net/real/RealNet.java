package zentrel.net.real;

import java.io.IOException;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutionException;
import java.util.function.Consumer;
import org.jspecify.annotations.Nullable;
import zentrel.ipv4.Ipv4Address;
import zentrel.net.Clock;
import zentrel.net.NetAdapter;
import zentrel.net.NetHost;
import zentrel.net.Packet;
import zentrel.net.PortRequest;
import zentrel.net.UdpPort;

/**
 * This computer on its real network. All that is opened in this process shares one turn, and the sockets too: several programs that
 * ask for one port at one address each hear every packet, so that none loses what it waits for. Closing this closes what was opened by
 * it and nothing else.
 */
public final class RealNet implements NetHost {
    private final NetLoop loop = NetLoop.shared();
    private final Set<RealPort> ports = ConcurrentHashMap.newKeySet();

    /** Opens nothing yet. */
    public RealNet() {}

    /**
     * The name that this system gives its loopback adapter.
     *
     * @throws IOException with a sentence, if there is none
     */
    public static String loopbackName() throws IOException {
        return SystemAdapters.loopback().getName();
    }

    /**
     * The adapter that has an address now. Every address of 127/8 is on the loopback adapter.
     *
     * @throws IOException with a sentence, if none has it
     */
    public NetAdapter require(Ipv4Address address) throws IOException {
        return adapterAt(address)
                .orElseThrow(() -> new IOException("No adapter of this computer has the address " + address + "."));
    }

    @Override
    public Clock clock() {
        return loop;
    }

    @Override
    public List<NetAdapter> adapters() {
        return SystemAdapters.all();
    }

    @Override
    public Optional<NetAdapter> adapterAt(Ipv4Address address) {
        return SystemAdapters.at(address);
    }

    @Override
    public UdpPort open(PortRequest request, Consumer<Packet> received) throws IOException {
        NetAdapter adapter = request.adapter()
                .orElseThrow(() -> new IOException("A port of Zentrel is bound to an adapter; name the adapter."));
        RealPort port = call(() -> new RealPort(loop, adapter, request, received));
        ports.removeIf(p -> !p.isOpen()); // those that were closed by themselves
        ports.add(port);
        return port;
    }

    @Override
    public <T> T call(Task<T> task) throws IOException {
        if (loop.isTurn()) {
            return task.run();
        }
        CompletableFuture<T> done = new CompletableFuture<>();
        loop.run(() -> {
            try {
                done.complete(task.run());
            } catch (IOException | RuntimeException | Error e) {
                done.completeExceptionally(e);
            }
        });
        try {
            return done.get();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IOException("Waiting for the network was stopped.", e);
        } catch (ExecutionException e) {
            @Nullable Throwable cause = e.getCause();
            if (cause instanceof IOException io) {
                throw io;
            }
            if (cause instanceof RuntimeException runtime) {
                throw runtime;
            }
            throw new IllegalStateException("The network could not do what it was asked to.", cause);
        }
    }

    @Override
    public void run(Runnable task) {
        loop.run(task);
    }

    @Override
    public void close() {
        ports.forEach(RealPort::close);
        ports.clear();
        try {
            boolean unused = call(() -> true); // when this returns they are closed
        } catch (IOException e) {
            loop.failed("Waiting for ports to close was stopped; they close all the same.", e);
        }
    }
}
