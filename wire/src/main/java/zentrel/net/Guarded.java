package zentrel.net;

import java.io.IOException;
import java.util.function.Consumer;
import zentrel.ipv4.Ipv4Address;

/** A computer whose ports send only what a guard lets through. */
public final class Guarded extends HostDecorator {
    private final OutputGuard guard;

    public Guarded(NetHost inner, OutputGuard guard) {
        super(inner);
        this.guard = guard;
    }

    @Override
    public UdpPort open(PortRequest request, Consumer<Packet> received) throws IOException {
        return new Port(super.open(request, received));
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
