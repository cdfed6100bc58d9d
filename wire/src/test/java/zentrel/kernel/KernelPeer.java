package zentrel.kernel;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.PrintStream;
import java.net.DatagramPacket;
import java.net.DatagramSocket;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.NetworkInterface;
import java.net.StandardProtocolFamily;
import java.net.StandardSocketOptions;
import java.nio.ByteBuffer;
import java.nio.channels.DatagramChannel;
import java.nio.charset.StandardCharsets;
import org.jspecify.annotations.Nullable;
import zentrel.ipv4.Ipv4Address;
import zentrel.net.Guarded;
import zentrel.net.NetHost;
import zentrel.net.OutputGuard;
import zentrel.net.PortRequest;
import zentrel.net.SendIntent;
import zentrel.net.SendResult;
import zentrel.net.UdpPort;
import zentrel.net.real.RealNet;

/**
 * One program in a network namespace of a test: it sends and hears as it is told on its standard input, and ends with it.
 * {@code hear ADAPTER …} opens a socket on all addresses that joins the group on these adapters and prints what arrives; {@code
 * send TEXT FROM TO} sends from an address, a group by the adapter that has it; {@code armed …} as the product sends.
 */
public final class KernelPeer {
    static final int PORT = 6454;
    static final String GROUP = "239.255.0.1";

    private KernelPeer() {}

    public static void main(String[] args) throws IOException {
        PrintStream out = new PrintStream(System.out, true, StandardCharsets.UTF_8);
        try (BufferedReader in = new BufferedReader(new InputStreamReader(System.in, StandardCharsets.UTF_8))) {
            for (String line = in.readLine(); line != null; line = in.readLine()) {
                String[] words = line.split(" ", -1);
                try {
                    if (words[0].equals("hear")) {
                        hear(words, out);
                    } else if (words[0].equals("armed")) {
                        armed(words, out);
                    } else {
                        send(words);
                    }
                    out.println("done");
                } catch (IOException e) {
                    out.println("failed " + e.getMessage());
                }
            }
        }
    }

    private static @Nullable DatagramChannel ear;

    private static void hear(String[] words, PrintStream out) throws IOException {
        if (ear != null) {
            ear.close();
        }
        DatagramChannel channel = DatagramChannel.open(StandardProtocolFamily.INET);
        channel.setOption(StandardSocketOptions.SO_REUSEADDR, true);
        channel.bind(new InetSocketAddress(PORT));
        for (int i = 1; i < words.length; i++) {
            NetworkInterface adapter = NetworkInterface.getByName(words[i]);
            if (adapter != null) {
                channel.join(InetAddress.getByName(GROUP), adapter);
            }
        }
        ear = channel;
        Thread thread = new Thread(() -> {
            ByteBuffer buffer = ByteBuffer.allocate(100);
            try {
                while (channel.isOpen()) {
                    buffer.clear();
                    channel.receive(buffer);
                    buffer.flip();
                    out.println("heard " + StandardCharsets.UTF_8.decode(buffer));
                }
            } catch (IOException e) {
                out.println("closed"); // the next case has begun
            }
        });
        thread.setDaemon(true);
        thread.start();
    }

    /** {@code armed TEXT FROM TO ADAPTER KIND}: sends by a port that is armed for an adapter. */
    private static void armed(String[] words, PrintStream out) throws IOException {
        OutputGuard guard = OutputGuard.armed(words[4]);
        RealNet net = new RealNet();
        try (NetHost host = new Guarded(net, guard);
                UdpPort port = host.open(PortRequest.at(net.require(Ipv4Address.parse(words[2])), 0), p -> {})) {
            SendResult sent = host.call(() -> port.send(
                    SendIntent.valueOf(words[5]),
                    Ipv4Address.parse(words[3]),
                    PORT,
                    words[1].getBytes(StandardCharsets.UTF_8)));
            out.println(
                    switch (sent.outcome()) {
                        case LEFT -> "left";
                        case HELD -> "held";
                        case NO_ROUTE -> "refused " + sent.why();
                        case REFUSED -> "failed " + sent.why();
                    });
        }
    }

    private static void send(String[] words) throws IOException {
        InetAddress from = InetAddress.getByName(words[2]);
        InetAddress to = InetAddress.getByName(words[3]);
        try (DatagramSocket socket = new DatagramSocket(new InetSocketAddress(from, 0))) {
            socket.setBroadcast(true);
            if (to.isMulticastAddress()) {
                socket.setOption(StandardSocketOptions.IP_MULTICAST_IF, NetworkInterface.getByInetAddress(from));
            }
            byte[] bytes = words[1].getBytes(StandardCharsets.UTF_8);
            socket.send(new DatagramPacket(bytes, bytes.length, to, PORT));
        }
    }
}
