package zentrel.net.real;

import java.io.IOException;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Executor;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.ThreadPoolExecutor;
import java.util.concurrent.TimeUnit;
import java.util.function.Consumer;
import zentrel.ipv4.Ipv4Address;
import zentrel.net.NetAdapter;
import zentrel.net.Packet;
import zentrel.net.PortRequest;
import zentrel.net.SendIntent;
import zentrel.net.SendResult;
import zentrel.net.UdpPort;

/** A port of one adapter. */
final class RealPort implements UdpPort {
    /** Asks the system for its routes again while something is sent; one thread for all, gone when nothing is. */
    private static final Executor ROUTING = routing();

    private final NetLoop loop;
    private final PortRequest request;
    private final NetAdapter adapter;
    private final SharedSockets sockets;
    private final SharedSockets.Listener listener;
    private final Egress egress;
    private volatile boolean open = true;

    RealPort(NetLoop loop, NetAdapter adapter, PortRequest asked, Consumer<Packet> received) throws IOException {
        this.loop = loop;
        this.adapter = adapter;
        sockets = SharedSockets.open(loop, adapter, asked.port());
        request = new PortRequest(asked.adapter(), sockets.port(), asked.broadcasts());
        listener = new SharedSockets.Listener(received, asked.broadcasts());
        try {
            sockets.add(listener);
        } catch (IOException e) {
            sockets.remove(listener);
            throw e;
        }
        egress = new Egress(adapter.name(), adapter.address(), SystemRoutes.ofSystem(), ROUTING);
    }

    private static ExecutorService routing() {
        ThreadPoolExecutor one = new ThreadPoolExecutor(1, 1, 5, TimeUnit.SECONDS, new LinkedBlockingQueue<>(), r -> {
            Thread t = new Thread(r, "routes");
            t.setDaemon(true);
            return t;
        });
        one.allowCoreThreadTimeOut(true);
        return one;
    }

    boolean isOpen() {
        return open;
    }

    @Override
    public PortRequest request() {
        return request;
    }

    @Override
    public void join(Ipv4Address group) throws IOException {
        sockets.join(listener, group);
    }

    @Override
    public void leave(Ipv4Address group) {
        sockets.leave(listener, group);
    }

    @Override
    public SendResult send(SendIntent intent, Ipv4Address to, int toPort, byte[] payload) {
        Optional<String> refusal = refusal(to);
        if (refusal.isPresent()) {
            return SendResult.noRoute(refusal.get());
        }
        if (!open) {
            return SendResult.refused("The port " + request.port() + " of " + adapter + " is closed.");
        }
        try {
            sockets.send(to, toPort, payload);
            return SendResult.LEFT;
        } catch (IOException e) {
            return SendResult.refused(
                    "The system did not send to " + to + " by " + adapter + ": " + e.getMessage() + ".");
        }
    }

    @Override
    public Optional<String> refusal(Ipv4Address to) {
        try {
            return egress.refusal(to);
        } catch (IOException e) {
            return Optional.of("Nobody knows by which adapter this computer sends to " + to + ": " + e.getMessage());
        }
    }

    @Override
    public Optional<String> trouble() {
        return sockets.trouble();
    }

    @Override
    public List<String> remarks() {
        return sockets.remarks();
    }

    @Override
    public void close() {
        loop.run(() -> {
            if (open) {
                open = false;
                sockets.remove(listener);
            }
        });
    }
}
