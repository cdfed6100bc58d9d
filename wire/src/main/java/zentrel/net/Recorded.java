package zentrel.net;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import zentrel.ipv4.Ipv4Address;

/** A computer whose packets, received and sent, are also handed to a recording. */
public final class Recorded implements NetHost {
    /** What takes the packets; a packet that was sent has its own adapter as the one where it was seen. */
    @FunctionalInterface
    public interface Recording {
        void take(Packet packet);
    }

    private final NetHost inner;
    private final Recording recording;

    public Recorded(NetHost inner, Recording recording) {
        this.inner = inner;
        this.recording = recording;
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
        return new Port(inner.open(request, packet -> {
            recording.take(packet);
            received.accept(packet);
        }));
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
            SendResult result = super.send(intent, to, toPort, payload);
            Optional<NetAdapter> adapter = request().adapter();
            if (result.left() && adapter.isPresent()) {
                recording.take(new Packet(
                        clock().now(),
                        adapter.get(),
                        adapter.get().address().address(),
                        request().port(),
                        to,
                        toPort,
                        to.isMulticast() ? 1 : 64,
                        ByteBuffer.wrap(payload)));
            }
            return result;
        }
    }
}
