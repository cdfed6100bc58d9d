package zentrel.net;

import java.io.IOException;
import java.util.List;
import java.util.Optional;
import zentrel.ipv4.Ipv4Address;

/** A port that does what another does; its kinds add something. */
abstract class PortDecorator implements UdpPort {
    private final UdpPort inner;

    PortDecorator(UdpPort inner) {
        this.inner = inner;
    }

    @Override
    public PortRequest request() {
        return inner.request();
    }

    @Override
    public void join(Ipv4Address group) throws IOException {
        inner.join(group);
    }

    @Override
    public void leave(Ipv4Address group) {
        inner.leave(group);
    }

    @Override
    public SendResult send(SendIntent intent, Ipv4Address to, int toPort, byte[] payload) {
        return inner.send(intent, to, toPort, payload);
    }

    @Override
    public Optional<String> refusal(Ipv4Address to) {
        return inner.refusal(to);
    }

    @Override
    public Optional<String> trouble() {
        return inner.trouble();
    }

    @Override
    public List<String> remarks() {
        return inner.remarks();
    }

    @Override
    public void close() {
        inner.close();
    }
}
