package zentrel.net.sim;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import zentrel.net.Clock;
import zentrel.net.NetAdapter;
import zentrel.net.NetHost;
import zentrel.net.Packet;
import zentrel.net.PortRequest;
import zentrel.net.UdpPort;

/** A program on a simulated computer, as the stand-ins see it. */
final class SimProgram implements NetHost {
    private final SimHost host;
    private final String place;
    private final Optional<SimBinding> binding;
    private final boolean localCopy;
    private final List<SimPort> ports = new ArrayList<>();

    SimProgram(SimHost host, String place, Optional<SimBinding> binding, boolean localCopy) {
        this.host = host;
        this.place = place;
        this.binding = binding;
        this.localCopy = localCopy;
    }

    String place() {
        return place;
    }

    @Override
    public Clock clock() {
        return host.net().clock();
    }

    @Override
    public List<NetAdapter> adapters() {
        return host.seen();
    }

    @Override
    public UdpPort open(PortRequest request, Consumer<Packet> received) throws IOException {
        SimBinding bound = binding.isPresent() ? binding.get() : asked(request);
        SimPort port = new SimPort(host, this, request, bound, localCopy, received);
        host.open(port);
        ports.add(port);
        return port;
    }

    private SimBinding asked(PortRequest request) throws IOException {
        if (request.adapter().isEmpty()) {
            return SimBinding.AUTOMATIC;
        }
        NetAdapter adapter = request.adapter().get();
        if (adapter.loopback()) {
            return SimBinding.LOOPBACK;
        }
        return SimBinding.to(
                host.simAdapters().stream()
                        .filter(a -> a.name().equals(adapter.name()))
                        .findFirst()
                        .orElseThrow(() -> new IOException("This computer has no adapter " + adapter.name() + ".")),
                Optional.of(adapter.address().address()));
    }

    /** A port was closed by itself. */
    void forget(SimPort port) {
        ports.remove(port);
    }

    @Override
    public void run(Runnable task) {
        task.run(); // whoever has the net has its turn
    }

    @Override
    public <T> T call(Task<T> task) throws IOException {
        return task.run();
    }

    @Override
    public void close() {
        List.copyOf(ports).forEach(SimPort::close);
        ports.clear();
    }
}
