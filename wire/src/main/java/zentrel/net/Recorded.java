package zentrel.net;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.util.Optional;
import java.util.function.Consumer;
import zentrel.ipv4.Ipv4Address;

/** A computer whose packets, received and sent, are also handed to a recording. */
public final class Recorded extends HostDecorator {
    /** What takes the packets; a packet that was sent has its own adapter as the one where it was seen. */
    @FunctionalInterface
    public interface Recording {
        void take(Packet packet);
    }

    private final Recording recording;

    public Recorded(NetHost inner, Recording recording) {
        super(inner);
        this.recording = recording;
    }

    @Override
    public UdpPort open(PortRequest request, Consumer<Packet> received) throws IOException {
        return new Port(super.open(request, packet -> {
            recording.take(packet);
            received.accept(packet);
        }));
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
