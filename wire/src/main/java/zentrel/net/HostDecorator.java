package zentrel.net;

import java.io.IOException;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import zentrel.ipv4.Ipv4Address;

/** A computer that does what another does; its kinds add something to its ports. */
abstract class HostDecorator implements NetHost {
    private final NetHost inner;

    HostDecorator(NetHost inner) {
        this.inner = inner;
    }

    @Override
    public Clock clock() {
        return inner.clock();
    }

    @Override
    public List<NetAdapter> adapters() {
        return inner.adapters();
    }

    @Override
    public Optional<NetAdapter> adapterAt(Ipv4Address address) {
        return inner.adapterAt(address);
    }

    @Override
    public UdpPort open(PortRequest request, Consumer<Packet> received) throws IOException {
        return inner.open(request, received);
    }

    @Override
    public void run(Runnable task) {
        inner.run(task);
    }

    @Override
    public <T> T call(Task<T> task) throws IOException {
        return inner.call(task);
    }

    @Override
    public void close() {
        inner.close();
    }
}
