package zentrel.speed;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import java.util.UUID;
import zentrel.ipv4.Ipv4Address;
import zentrel.packet.Bytes;
import zentrel.packet.artnet.ArtIpProg;
import zentrel.packet.artnet.ArtNetCodec;
import zentrel.packet.artnet.ArtPoll;
import zentrel.packet.osc.OscArgument;
import zentrel.packet.osc.OscCodec;
import zentrel.packet.osc.OscMessage;
import zentrel.packet.pcap.UdpFrame;
import zentrel.packet.sacn.SacnCodec;
import zentrel.packet.sacn.SacnData;

/** Twenty million packets with bytes changed, cut and lengthened, through every decoder: none may end in anything but a result. */
final class DecoderFlood {
    private static final int PACKETS = 20_000_000;

    private DecoderFlood() {}

    static void print() {
        Random random = new Random(20);
        List<byte[]> samples = samples();
        UdpFrame frame = new UdpFrame();
        long read = 0;
        long refused = 0;
        long begun = System.nanoTime();
        for (int i = 0; i < PACKETS; i++) {
            byte[] bytes = changed(samples.get(i % samples.size()), random);
            boolean packet = switch (i % 4) {
                case 0 -> ArtNetCodec.decode(bytes).packet().isPresent();
                case 1 -> SacnCodec.decode(bytes).packet().isPresent();
                case 2 -> OscCodec.decode(bytes).packet().isPresent();
                default -> frame.read(java.nio.ByteBuffer.wrap(bytes), random.nextInt(300));
            };
            if (packet) {
                read++;
            } else {
                refused++;
            }
        }
        System.out.printf(
                Locale.ROOT,
                "decoders  %d changed packets in %.1f s: %d read, %d refused, none ended otherwise%n",
                PACKETS,
                (System.nanoTime() - begun) / 1e9,
                read,
                refused);
    }

    private static List<byte[]> samples() {
        List<byte[]> all = new ArrayList<>();
        all.add(ArtNetCodec.encode(ArtPoll.plain()));
        all.add(SacnCodec.encode(
                new SacnData(new UUID(1, 2), "Desk", 100, 0, 1, false, false, false, 7, 0, Bytes.zeros(512))));
        all.add(OscCodec.encode(new OscMessage("/show/go", List.of(new OscArgument.Int32(7)))));
        all.add(ArtNetCodec.encode(ArtIpProg.fixed(Ipv4Address.of(10, 61, 3, 4), Ipv4Address.of(255, 0, 0, 0))));
        return all;
    }

    private static byte[] changed(byte[] sample, Random random) {
        int length = random.nextInt(8) == 0 ? random.nextInt(sample.length + 40) : sample.length;
        byte[] bytes = java.util.Arrays.copyOf(sample, length);
        for (int k = random.nextInt(6); k > 0 && length > 0; k--) {
            bytes[random.nextInt(length)] = (byte) random.nextInt();
        }
        return bytes;
    }
}
