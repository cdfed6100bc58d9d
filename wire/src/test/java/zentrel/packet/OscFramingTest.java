package zentrel.packet;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HexFormat;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import zentrel.packet.osc.OscFraming;

/** Packets in a TCP stream: worked bytes after OSC 1.0 and RFC 1055, streams cut anywhere, streams that lie. */
class OscFramingTest {
    private static byte[] hex(String text) {
        return HexFormat.of().parseHex(text.replace(" ", ""));
    }

    @ParameterizedTest
    @CsvSource({
        // OSC 1.0 "OSC Packets": the size as int32, then the packet; RFC 1055: END C0, C0 as DB DC, DB as DB DD
        "LENGTH, 2f610000, 00000004 2f610000",
        "LENGTH, c0db, 00000002 c0db",
        "SLIP, 2f610000, c0 2f610000 c0",
        "SLIP, c0db, c0 dbdc dbdd c0"
    })
    void workedBytes(OscFraming framing, String packet, String framed) {
        assertThat(framing.framed(hex(packet))).isEqualTo(hex(framed));
    }

    @RepeatedTest(40)
    void packetsComeOutWholeHoweverTheStreamIsCut(RepetitionInfo repetition) {
        Random random = new Random(repetition.getCurrentRepetition());
        OscFraming framing = repetition.getCurrentRepetition() % 2 == 0 ? OscFraming.LENGTH : OscFraming.SLIP;
        List<byte[]> sent = new ArrayList<>();
        java.io.ByteArrayOutputStream stream = new java.io.ByteArrayOutputStream();
        for (int i = 0; i < 20; i++) {
            byte[] packet = new byte[1 + random.nextInt(300)];
            random.nextBytes(packet);
            sent.add(packet);
            stream.writeBytes(framing.framed(packet));
        }
        List<byte[]> got = new ArrayList<>();
        OscFraming.Reader reader = new OscFraming.Reader(framing, got::add);
        byte[] all = stream.toByteArray();
        for (int at = 0; at < all.length; ) {
            int next = Math.min(all.length, at + 1 + random.nextInt(200));
            byte[] piece = Arrays.copyOfRange(all, at, next);
            reader.take(piece, piece.length);
            at = next;
        }
        assertThat(got).usingElementComparator(Arrays::compare).containsExactlyElementsOf(sent);
        assertThat(reader.atEnd()).isEmpty();
        byte[] cut = framing.framed(new byte[] {1, 2, 3, 4});
        reader.take(cut, cut.length - 1);
        assertThat(reader.atEnd()).hasValueSatisfying(f -> assertThat(f).contains("in the middle of a packet"));
    }

    @Test
    void streamsThatLieAreSaidAndHoldNoMemory() {
        List<byte[]> got = new ArrayList<>();
        OscFraming.Reader length = new OscFraming.Reader(OscFraming.LENGTH, got::add);
        length.take(hex("7fffffff 2f610000"), 8);
        assertThat(length.fault()).hasValueSatisfying(f -> assertThat(f).contains("2147483647"));
        OscFraming.Reader negative = new OscFraming.Reader(OscFraming.LENGTH, got::add);
        negative.take(hex("ffffffff"), 4);
        assertThat(negative.fault()).hasValueSatisfying(f -> assertThat(f).contains("4294967295"));
        OscFraming.Reader endless = new OscFraming.Reader(OscFraming.SLIP, got::add);
        byte[] noise = "no end ".repeat(20_000).getBytes(StandardCharsets.US_ASCII);
        endless.take(noise, noise.length);
        assertThat(endless.fault()).hasValueSatisfying(f -> assertThat(f).contains("no SLIP end"));
        OscFraming.Reader escape = new OscFraming.Reader(OscFraming.SLIP, got::add);
        escape.take(hex("c0 db00 c0"), 4);
        assertThat(escape.fault()).hasValueSatisfying(f -> assertThat(f).contains("RFC 1055"));
        assertThat(got).isEmpty();
    }
}
