package zentrel.live;

import java.io.IOException;
import java.net.Inet4Address;
import java.net.InterfaceAddress;
import java.net.NetworkInterface;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HexFormat;
import java.util.List;
import java.util.Optional;
import zentrel.compare.SeenAdapter;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;

/** The network adapters of the computer that this runs on, as its system tells of them now. Nothing is sent. */
public final class ThisComputer {
    private static final Path LINUX = Path.of("/sys/class/net");

    private ThisComputer() {}

    /**
     * Reads them, in the order of the system.
     *
     * @throws IOException where the system does not tell
     */
    public static List<SeenAdapter> adapters() throws IOException {
        List<SeenAdapter> all = new ArrayList<>();
        for (NetworkInterface each : Collections.list(NetworkInterface.getNetworkInterfaces())) {
            all.add(seen(each));
        }
        return all;
    }

    private static SeenAdapter seen(NetworkInterface each) throws IOException {
        List<HostAddress> addresses = new ArrayList<>();
        for (InterfaceAddress address : each.getInterfaceAddresses()) {
            if (address.getAddress() instanceof Inet4Address v4) {
                int length = address.getNetworkPrefixLength();
                addresses.add(new HostAddress(
                        Ipv4Address.parse(v4.getHostAddress()), length < 0 || length > 32 ? 32 : length));
            }
        }
        byte[] mac = each.getHardwareAddress();
        return new SeenAdapter(
                each.getName(),
                mac == null || mac.length != 6
                        ? Optional.empty()
                        : Optional.of(HexFormat.ofDelimiter(":").formatHex(mac)),
                addresses,
                each.isUp(),
                each.isLoopback(),
                wireless(each.getName()));
    }

    /** Linux tells by a folder; of the others nothing is known without asking a program of theirs. */
    private static Optional<Boolean> wireless(String name) {
        Path folder = LINUX.resolve(name);
        return Files.isDirectory(folder)
                ? Optional.of(Files.isDirectory(folder.resolve("wireless")))
                : Optional.empty();
    }
}
