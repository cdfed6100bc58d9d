package zentrel.standin;

import java.io.IOException;
import java.util.function.Consumer;
import zentrel.net.Clock;
import zentrel.net.NetAdapter;
import zentrel.net.NetHost;
import zentrel.net.Packet;
import zentrel.net.PortRequest;
import zentrel.net.UdpPort;

/**
 * Where a stand-in lives.
 *
 * @param host its computer; closing the stand-in closes nothing of it but the stand-in's own ports
 * @param adapter the adapter that it uses
 */
public record StandinSite(NetHost host, NetAdapter adapter) {
    Clock clock() {
        return host.clock();
    }

    UdpPort open(int port, Consumer<Packet> received) throws IOException {
        return host.open(PortRequest.at(adapter, port), received);
    }

    UdpPort openWithBroadcasts(int port, Consumer<Packet> received) throws IOException {
        return host.open(PortRequest.at(adapter, port).withBroadcasts(), received);
    }

    /** A port that only sends. */
    UdpPort openToSend() throws IOException {
        return open(0, packet -> {});
    }
}
