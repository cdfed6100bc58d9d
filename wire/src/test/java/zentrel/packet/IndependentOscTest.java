package zentrel.packet;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.net.DatagramPacket;
import java.net.DatagramSocket;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import zentrel.Witnesses;
import zentrel.packet.osc.OscArgument;
import zentrel.packet.osc.OscCodec;
import zentrel.packet.osc.OscMessage;

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
}
