package zentrel.net.real;

import java.io.IOException;
import java.io.InputStream;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.time.Duration;
import java.util.List;
import java.util.concurrent.CopyOnWriteArrayList;
import zentrel.ipv4.Ipv4Address;
import zentrel.net.NetAdapter;
import zentrel.net.OutputGuard;
import zentrel.net.SendIntent;

/** TCP where OSC goes by it: one stream out, or several in. It waits for the network, so it is used on a thread of its own. */
public final class TcpLink {
    private static final int BUFFER = 16_384;
    private static final int MOST_PEERS = 64;

    private TcpLink() {}

    /**
     * Sends bytes by a stream of its own and ends it.
     *
     * @param guard asked first; nothing is even connected where it does not let through
     * @return whether they were sent; false where the guard holds them
     * @throws IOException with a sentence, where nobody takes them in time
     */
    public static boolean send(
            OutputGuard guard, NetAdapter by, Ipv4Address to, int port, byte[] bytes, Duration patience)
            throws IOException {
        if (!guard.allows(SendIntent.SETTING, by.name())) {
            return false;
        }
        try (Socket socket = new Socket()) {
            socket.bind(new InetSocketAddress(inet(by.address().address()), 0));
            socket.connect(new InetSocketAddress(inet(to), port), (int) patience.toMillis());
            socket.setTcpNoDelay(true);
            socket.getOutputStream().write(bytes);
            socket.getOutputStream().flush();
            socket.shutdownOutput();
            return true;
        } catch (IOException e) {
            throw new IOException(
                    to + " does not take a TCP stream at port " + port + " (" + e.getMessage()
                            + "): nothing listens there by TCP, or a firewall bars it.",
                    e);
        }
    }

    private static InetAddress inet(Ipv4Address address) throws IOException {
        return InetAddress.getByName(address.toString());
    }

    /** What one peer sends. */
    public interface Stream {
        /** Its next bytes. */
        void take(byte[] bytes, int length);

        /** It ended. */
        void ended();
    }

    /** Makes what takes the stream of a peer. */
    public interface Streams {
        Stream of(Ipv4Address from);
    }

    /** Takes streams at a port until it is closed. */
    public static final class Server implements AutoCloseable {
        private final ServerSocket socket;
        private final Streams streams;
        private final List<Socket> peers = new CopyOnWriteArrayList<>();

        /**
         * Opens the port.
         *
         * @throws IOException with a sentence, where it cannot be had
         */
        public Server(Ipv4Address at, int port, Streams streams) throws IOException {
            this.streams = streams;
            try {
                socket = new ServerSocket();
                socket.setReuseAddress(true);
                socket.bind(new InetSocketAddress(inet(at), port));
            } catch (IOException e) {
                throw new IOException("Cannot open TCP port " + port + " of " + at + ": " + e.getMessage() + ".", e);
            }
            daemon(this::accept, "tcp port " + port);
        }

        /** The port; that which the system gave, where 0 was asked for. */
        public int port() {
            return socket.getLocalPort();
        }

        private static void daemon(Runnable work, String name) {
            Thread thread = new Thread(work, name);
            thread.setDaemon(true);
            thread.start();
        }

        private void accept() {
            while (!socket.isClosed()) {
                try {
                    Socket peer = socket.accept();
                    if (peers.size() >= MOST_PEERS) {
                        peer.close();
                    } else {
                        peers.add(peer);
                        daemon(() -> read(peer), "tcp peer");
                    }
                } catch (IOException e) {
                    if (!socket.isClosed()) {
                        System.getLogger(TcpLink.class.getName())
                                .log(System.Logger.Level.WARNING, "A TCP peer could not be taken.", e);
                    }
                }
            }
        }

        private void read(Socket peer) {
            Stream stream = streams.of(Ipv4Address.parse(peer.getInetAddress().getHostAddress()));
            byte[] buffer = new byte[BUFFER];
            try (peer;
                    InputStream in = peer.getInputStream()) {
                for (int length = in.read(buffer); length >= 0; length = in.read(buffer)) {
                    stream.take(buffer, length);
                }
            } catch (IOException e) {
                System.getLogger(TcpLink.class.getName())
                        .log(System.Logger.Level.DEBUG, "A TCP peer broke off.", e); // told as an end, below
            } finally {
                peers.remove(peer);
                stream.ended();
            }
        }

        @Override
        public void close() throws IOException {
            socket.close();
            for (Socket peer : peers) {
                peer.close();
            }
        }
    }
}
