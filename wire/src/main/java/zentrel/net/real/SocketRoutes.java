package zentrel.net.real;

import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.NetworkInterface;
import java.net.SocketException;
import java.net.StandardProtocolFamily;
import java.net.StandardSocketOptions;
import java.nio.channels.DatagramChannel;
import java.util.Collection;
import java.util.HashMap;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import zentrel.ipv4.Ipv4Address;

/**
 * The routes of any system by what a connected UDP socket shows: connecting sends nothing, and the own address that the system
 * chooses belongs to the adapter by which it would send. Windows follows the source address of a bound socket
 * ({@link zentrel.source.Sources#WINDOWS_SENDS_BY_ROUTE}), so there it is enough that a bound socket connects.
 */
final class SocketRoutes implements SystemRoutes {
    /** Discard (RFC 863); nothing is sent to it. */
    private static final int ANY_PORT = 9;

    private final boolean followsSource;

    /** @param followsSource whether the system sends by the adapter that has the source address */
    SocketRoutes(boolean followsSource) {
        this.followsSource = followsSource;
    }

    @Override
    public Map<Ipv4Address, Way> ask(Ipv4Address from, Collection<Ipv4Address> to) throws IOException {
        Map<Ipv4Address, Way> ways = new HashMap<>();
        for (Ipv4Address each : to) {
            ways.put(each, way(from, each));
        }
        return ways;
    }

    private Way way(Ipv4Address from, Ipv4Address to) throws IOException {
        if (NetworkInterface.getByInetAddress(Inet.of(to)) != null) {
            return Way.HERE;
        }
        @Nullable InetAddress bound = connected(Inet.of(from), to);
        if (bound == null) {
            return Way.NONE;
        }
        @Nullable InetAddress chosen = followsSource ? bound : connected(null, to);
        @Nullable NetworkInterface adapter = chosen == null ? null : NetworkInterface.getByInetAddress(chosen);
        return adapter == null ? Way.UNKNOWN : Way.by(adapter.getName());
    }

    /** The own address of a socket that is connected; null where the system has no route. */
    private static @Nullable InetAddress connected(@Nullable InetAddress from, Ipv4Address to) throws IOException {
        try (DatagramChannel channel = DatagramChannel.open(StandardProtocolFamily.INET)) {
            channel.setOption(StandardSocketOptions.SO_BROADCAST, true);
            if (from != null) {
                channel.bind(new InetSocketAddress(from, 0));
            }
            channel.connect(new InetSocketAddress(Inet.of(to), ANY_PORT));
            return ((InetSocketAddress) channel.getLocalAddress()).getAddress();
        } catch (SocketException e) {
            return null; // unreachable
        }
    }
}
