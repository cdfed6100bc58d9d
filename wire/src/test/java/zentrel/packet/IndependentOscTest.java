package zentrel.packet;

import static org.assertj.core.api.Assertions.assertThat;
import static org.awaitility.Awaitility.await;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.net.DatagramPacket;
import java.net.DatagramSocket;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.ServerSocket;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import zentrel.Witnesses;
import zentrel.ipv4.Ipv4Address;
import zentrel.net.NetAdapter;
import zentrel.net.OutputGuard;
import zentrel.net.real.RealNet;
import zentrel.net.real.TcpLink;
import zentrel.packet.osc.OscArgument;
import zentrel.packet.osc.OscCodec;
import zentrel.packet.osc.OscFraming;
import zentrel.packet.osc.OscMessage;
import zentrel.packet.osc.OscPacket;

/** An independent implementation of OSC (liblo's oscsend and oscdump) reads what we write and writes what we read. */
class IndependentOscTest {
    private static Process start(String... command) {
        try {
            return new ProcessBuilder(command).redirectErrorStream(true).start();
        } catch (IOException e) {
            Witnesses.need(false, "liblo-tools are not installed; ./zentrel test installs them");
            throw new AssertionError(e);
        }
    }

    @Test
    void weReadWhatItWrites() throws Exception {
        try (DatagramSocket socket = new DatagramSocket(new InetSocketAddress("127.0.0.1", 0))) {
            socket.setSoTimeout(10_000);
            Process sender = start(
                    "oscsend",
                    "127.0.0.1",
                    String.valueOf(socket.getLocalPort()),
                    "/fern/level",
                    "ifshdTFNI",
                    "7",
                    "0.25",
                    "now",
                    "5000000000",
                    "1.5");
            byte[] buffer = new byte[2000];
            DatagramPacket packet = new DatagramPacket(buffer, buffer.length);
            socket.receive(packet);
            assertThat(sender.waitFor(10, TimeUnit.SECONDS)).isTrue();
            assertThat(OscCodec.decode(Arrays.copyOf(buffer, packet.getLength()))
                            .packet())
                    .contains(new OscMessage(
                            "/fern/level",
                            List.of(
                                    new OscArgument.Int32(7),
                                    new OscArgument.Float32(0.25f),
                                    new OscArgument.Text("now"),
                                    new OscArgument.Int64(5_000_000_000L),
                                    new OscArgument.Float64(1.5),
                                    new OscArgument.Bool(true),
                                    new OscArgument.Bool(false),
                                    new OscArgument.Nil(),
                                    new OscArgument.Infinitum())));
        }
    }

    @Test
    void itReadsWhatWeWrite() throws Exception {
        int port;
        try (DatagramSocket free = new DatagramSocket(0)) {
            port = free.getLocalPort();
        }
        Process dump = start("stdbuf", "-oL", "oscdump", String.valueOf(port));
        try (DatagramSocket socket = new DatagramSocket(new InetSocketAddress("127.0.0.1", 0));
                BufferedReader out =
                        new BufferedReader(new InputStreamReader(dump.getInputStream(), StandardCharsets.UTF_8))) {
            byte[] bytes = OscCodec.encode(new OscMessage(
                    "/fern/next",
                    List.of(
                            new OscArgument.Int32(12),
                            new OscArgument.Text("terrace"),
                            new OscArgument.Float32(0.5f),
                            new OscArgument.Bool(true),
                            new OscArgument.Blob(Bytes.of(1, 2, 3)))));
            String line = "";
            for (int i = 0; i < 50 && !line.contains("/fern/next"); i++) { // it needs a moment to listen
                socket.send(new DatagramPacket(bytes, bytes.length, InetAddress.getByName("127.0.0.1"), port));
                Thread.sleep(100);
                while (out.ready()) {
                    line = out.readLine();
                }
            }
            assertThat(line).contains("/fern/next isfTb 12 \"terrace\" 0.500000 #T [3b 0x1 0x2 0x3]");
        } finally {
            dump.destroy();
            assertThat(dump.waitFor(10, TimeUnit.SECONDS)).isTrue();
        }
    }

    /** By TCP it writes each packet after its length (OSC 1.0). */
    @Test
    void weReadItsTcpStream() throws Exception {
        List<OscPacket> got = new CopyOnWriteArrayList<>();
        List<Optional<String>> ends = new CopyOnWriteArrayList<>();
        try (TcpLink.Server server = new TcpLink.Server(Ipv4Address.LOOPBACK, 0, from -> new TcpLink.Stream() {
            private final OscFraming.Reader reader = new OscFraming.Reader(
                    OscFraming.LENGTH, b -> OscCodec.decode(b).packet().ifPresent(got::add));

            @Override
            public void take(byte[] bytes, int length) {
                reader.take(bytes, length);
            }

            @Override
            public void ended() {
                ends.add(reader.atEnd());
            }
        })) {
            Process sender =
                    start("oscsend", "osc.tcp://127.0.0.1:" + server.port() + "/", "/fern/next", "is", "7", "terrace");
            assertThat(sender.waitFor(10, TimeUnit.SECONDS)).isTrue();
            await().until(() -> !ends.isEmpty());
            assertThat(got)
                    .containsExactly(new OscMessage(
                            "/fern/next", List.of(new OscArgument.Int32(7), new OscArgument.Text("terrace"))));
            assertThat(ends).containsExactly(Optional.empty());
        }
    }

    /** By TCP it reads both ways of telling packets apart; nothing is connected while output is not armed. */
    @ParameterizedTest
    @EnumSource(OscFraming.class)
    void itReadsOurTcpStream(OscFraming framing) throws Exception {
        int port = freePort();
        Process dump = start("stdbuf", "-oL", "oscdump", "osc.tcp://:" + port);
        RealNet net = new RealNet();
        try (net;
                BufferedReader out =
                        new BufferedReader(new InputStreamReader(dump.getInputStream(), StandardCharsets.UTF_8))) {
            NetAdapter loopback = net.require(Ipv4Address.LOOPBACK);
            byte[] bytes =
                    framing.framed(OscCodec.encode(new OscMessage("/fern/next", List.of(new OscArgument.Int32(192)))));
            Duration patience = Duration.ofSeconds(2);
            assertThat(TcpLink.send(
                            new OutputGuard(OutputGuard.State.ASK),
                            loopback,
                            Ipv4Address.LOOPBACK,
                            port,
                            bytes,
                            patience))
                    .isFalse();
            OutputGuard armed = OutputGuard.armed(loopback.name());
            await().ignoreExceptions() // it needs a moment to listen
                    .until(() -> TcpLink.send(armed, loopback, Ipv4Address.LOOPBACK, port, bytes, patience));
            assertThat(out.readLine()).contains("/fern/next i 192");
        } finally {
            dump.destroy();
            assertThat(dump.waitFor(10, TimeUnit.SECONDS)).isTrue();
        }
    }

    private static int freePort() throws IOException {
        try (ServerSocket free = new ServerSocket(0)) {
            return free.getLocalPort();
        }
    }
}
