package zentrel.net.real;

import java.io.IOException;
import java.net.Inet4Address;
import java.net.InterfaceAddress;
import java.net.NetworkInterface;
import java.net.SocketException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Enumeration;
import java.util.List;
import java.util.Optional;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.net.NetAdapter;

/** The adapters of this computer. */
final class SystemAdapters {
    private static final int LOOPBACK_PREFIX = 8;

    private SystemAdapters() {}

    /** One for each IPv4 address; none where the system does not say. */
    static List<NetAdapter> all() {
        List<NetAdapter> all = new ArrayList<>();
        try {
            Enumeration<NetworkInterface> found = NetworkInterface.getNetworkInterfaces();
            while (found.hasMoreElements()) {
                NetworkInterface adapter = found.nextElement();
                for (InterfaceAddress a : adapter.getInterfaceAddresses()) {
                    if (a.getAddress() instanceof Inet4Address inet) {
                        all.add(adapter(adapter, new HostAddress(Inet.of(inet), a.getNetworkPrefixLength())));
                    }
                }
            }
        } catch (SocketException e) {
            System.getLogger(SystemAdapters.class.getName())
                    .log(System.Logger.Level.WARNING, "The adapters of this computer could not be read.", e);
        }
        return all;
    }

    /** The adapter that has an address. Every address of 127/8 is on the loopback adapter. */
    static Optional<NetAdapter> at(Ipv4Address address) {
        try {
            if (address.isLoopback()) {
                return Optional.of(adapter(loopback(), new HostAddress(address, LOOPBACK_PREFIX)));
            }
        } catch (IOException e) {
            return Optional.empty(); // this computer has no loopback adapter
        }
        return all().stream().filter(a -> a.address().address().equals(address)).findFirst();
    }

    private static NetAdapter adapter(NetworkInterface of, HostAddress address) throws SocketException {
        return new NetAdapter(of.getName(), address, of.isUp(), isWireless(of.getName()), of.isLoopback());
    }

    /** Linux says so by a directory; other systems do not tell Java. */
    private static boolean isWireless(String name) {
        return Files.isDirectory(Path.of("/sys/class/net", name, "wireless"));
    }

    /**
     * The loopback adapter.
     *
     * @throws IOException with a sentence, if there is none
     */
    static NetworkInterface loopback() throws IOException {
        NetworkInterface loopback = NetworkInterface.getByInetAddress(Inet.of(Ipv4Address.LOOPBACK));
        if (loopback == null) {
            throw new IOException("This computer has no loopback adapter.");
        }
        return loopback;
    }
}
