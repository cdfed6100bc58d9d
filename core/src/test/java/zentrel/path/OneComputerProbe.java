package zentrel.path;

import java.io.IOException;
import java.net.DatagramPacket;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.MulticastSocket;
import java.net.NetworkInterface;
import java.net.SocketTimeoutException;
import java.net.StandardSocketOptions;
import java.nio.charset.StandardCharsets;

/**
 * Sends a datagram to itself and says whether it came: run by {@link KernelOneComputerTest} in a network namespace. Each argument is
 * one trial, {@code SEND>LISTEN>DELIVERY>LOOP}: adapters by name or {@code lo} or {@code all}, {@code multicast}, {@code broadcast} or an
 * address, {@code on} or {@code off}.
 */
public final class OneComputerProbe {
    private static final String GROUP = "239.255.0.5";
    private static final int PORT = 24_568;
    private static final int WAIT_MS = 250;

    private OneComputerProbe() {}

    /** Prints one line a trial: the trial, and whether it arrived. */
    public static void main(String[] trials) throws IOException {
        for (String trial : trials) {
            System.out.println(trial + " " + (arrives(trial.split(">", -1)) ? "passes" : "fails"));
        }
    }

    private static InetAddress address(String adapter) throws IOException {
        return NetworkInterface.getByName(adapter)
                .inetAddresses()
                .filter(a -> a instanceof java.net.Inet4Address)
                .findFirst()
                .orElseThrow();
    }

    private static boolean arrives(String[] trial) throws IOException {
        boolean multicast = trial[2].equals("multicast");
        boolean toAll = trial[2].equals("broadcast");
        boolean anyAddress = multicast || toAll || trial[1].equals("all");
        try (MulticastSocket in = new MulticastSocket(new InetSocketAddress(
                        anyAddress ? InetAddress.getByName("0.0.0.0") : address(trial[1]), PORT));
                MulticastSocket out = new MulticastSocket(new InetSocketAddress(address(trial[0]), 0))) {
            in.setSoTimeout(WAIT_MS);
            if (multicast) {
                for (String by : trial[1].equals("all") ? new String[] {"e0", "e1", "lo"} : new String[] {trial[1]}) {
                    in.joinGroup(new InetSocketAddress(GROUP, PORT), NetworkInterface.getByName(by));
                }
                out.setNetworkInterface(NetworkInterface.getByName(trial[0]));
                out.setOption(StandardSocketOptions.IP_MULTICAST_LOOP, trial[3].equals("on"));
            }
            out.setBroadcast(true);
            String to = multicast
                    ? GROUP
                    : toAll
                            ? NetworkInterface.getByName(trial[0]).getInterfaceAddresses().stream()
                                    .filter(a -> a.getBroadcast() != null)
                                    .map(a -> a.getBroadcast().getHostAddress())
                                    .findFirst()
                                    .orElse("127.255.255.255")
                            : trial[2];
            byte[] bytes = "zentrel".getBytes(StandardCharsets.US_ASCII);
            out.send(new DatagramPacket(bytes, bytes.length, new InetSocketAddress(to, PORT)));
            DatagramPacket got = new DatagramPacket(new byte[64], 64);
            in.receive(got);
            return true;
        } catch (SocketTimeoutException e) {
            return false; // what was asked: it did not come
        }
    }
}
