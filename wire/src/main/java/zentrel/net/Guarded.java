package zentrel.net;

import java.io.IOException;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import zentrel.ipv4.Ipv4Address;

/** A computer whose ports send only what a guard lets through. */
public final class Guarded implements NetHost {
    private final NetHost inner;
    private final OutputGuard guard;

    public Guarded(NetHost inner, OutputGuard guard) {
        this.inner = inner;
        this.guard = guard;
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
        return new Port(inner.open(request, received));
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

    private final class Port extends PortDecorator {
        Port(UdpPort inner) {
            super(inner);
        }

        @Override
        public SendResult send(SendIntent intent, Ipv4Address to, int toPort, byte[] payload) {
            String adapter =
                    request().adapter().map(NetAdapter::name).orElse(""); // no adapter is ever armed by no name
            return guard.allows(intent, adapter) ? super.send(intent, to, toPort, payload) : SendResult.HELD;
        }
    }
}
