package zentrel.packet;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.charset.StandardCharsets;
import java.util.HexFormat;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import zentrel.ipv4.Ipv4Address;
import zentrel.packet.artnet.ArtDmx;
import zentrel.packet.artnet.ArtNetCodec;
import zentrel.packet.artnet.ArtNetPacket;
import zentrel.packet.artnet.ArtPoll;
import zentrel.packet.artnet.ArtPollReply;
import zentrel.packet.artnet.ArtSync;
import zentrel.packet.osc.OscArgument;
import zentrel.packet.osc.OscBundle;
import zentrel.packet.osc.OscCodec;
import zentrel.packet.osc.OscMessage;
import zentrel.packet.sacn.SacnCodec;
import zentrel.packet.sacn.SacnData;
import zentrel.packet.sacn.SacnDiscovery;
import zentrel.packet.sacn.SacnSync;
import zentrel.universe.PortAddress;

/** Bytes worked out by hand from the published layouts. */
class WorkedBytesTest {
    private static final UUID CID = UUID.fromString("01020304-0506-0708-090a-0b0c0d0e0f10");

    private static byte[] hex(String text) {
        return HexFormat.of().parseHex(text.replaceAll("\\s", ""));
    }

    private static List<String> tolerated(Decoded<?> decoded) {
        return decoded instanceof Decoded.Packet<?> packet ? packet.tolerated() : List.of();
    }

    private static String hex(byte[] bytes) {
        return HexFormat.of().formatHex(bytes);
    }

    // --- Art-Net 4: field order and byte order as its packet tables give them ---

    @Test
    void artDmx() {
        byte[] bytes = hex("4172742d4e657400 0050 000e 07 02 34 12 0004 ff000180");
        ArtDmx dmx = new ArtDmx(7, 2, new PortAddress(0x1234), Bytes.of(0xff, 0, 1, 0x80));
        assertThat(hex(ArtNetCodec.encode(dmx))).isEqualTo(hex(bytes));
        assertThat(ArtNetCodec.decode(bytes).packet()).contains(dmx);
    }

    @Test
    void artPollInItsThreeLengths() {
        assertThat(hex(ArtNetCodec.encode(ArtPoll.plain()))).isEqualTo("4172742d4e657400" + "0020" + "000e" + "0000");
        ArtPoll.Target target = new ArtPoll.Target(new PortAddress(0x0102), new PortAddress(0x0304));
        ArtPoll targeted = new ArtPoll(ArtPoll.TARGETED, 0x10, Optional.of(target), Optional.empty());
        assertThat(hex(ArtNetCodec.encode(targeted)))
                .isEqualTo("4172742d4e657400" + "0020" + "000e" + "2010" + "0304" + "0102");
        ArtPoll longest = new ArtPoll(0x22, 0, Optional.of(target), Optional.of(new ArtPoll.Sender(0x7ff0, 0xffff)));
        assertThat(ArtNetCodec.encode(longest)).hasSize(22);
    }

    @Test
    void artSync() {
        assertThat(hex(ArtNetCodec.encode(new ArtSync(0, 0)))).isEqualTo("4172742d4e657400" + "0052" + "000e" + "0000");
    }

    /** Offsets verified elsewhere with a dissector: BindIndex 211, Status2 212; the size is 239, the oldest form 207. */
    @Test
    void artPollReplyHasItsFieldsAtTheirPlaces() {
        ArtPollReply reply = Samples.reply(new java.util.Random(1));
        byte[] bytes = ArtNetCodec.encode(reply);
        assertThat(bytes).hasSize(239);
        assertThat(bytes[18] & 0xFF).isEqualTo(reply.net());
        assertThat(bytes[19] & 0xFF).isEqualTo(reply.subNet());
        assertThat(bytes[173] & 0xFF).isEqualTo(reply.ports());
        assertThat(bytes[182] & 0xFF).isEqualTo(reply.goodOutput().at(0));
        assertThat(bytes[190] & 0xFF).isEqualTo(reply.swOut().at(0));
        assertThat(bytes[211] & 0xFF).isEqualTo(reply.bindIndex());
        assertThat(bytes[212] & 0xFF).isEqualTo(reply.status2());
        assertThat(bytes[217] & 0xFF).isEqualTo(reply.status3());
        Decoded<ArtNetPacket> oldest = ArtNetCodec.decode(java.util.Arrays.copyOf(bytes, 207));
        assertThat(tolerated(oldest)).isNotEmpty();
    }

    @ParameterizedTest
    @CsvSource({
        "4172742d4e657400 0050 000d 07 02 34 12 0002 ff00, ProtVer, 10",
        "4172742d4e657400 0050 000e 07 02 34 82 0002 ff00, 'SubUni, Net', 14",
        "4172742d4e657400 0050 000e 07 02 34 12 0000 ff0000, Length, 16",
        "4172742d4e657400 0050 000e 07 02 34 12 0202 ff00, Length, 16",
        "4172742d4e657400 0050 000e 07 02 34 12 0004 ff00, Data, 18",
        "4172742d4e657400 0050 000e 07, Physical, 13"
    })
    void aBadArtDmxNamesFieldAndOffset(String bytes, String field, int offset) {
        assertThat(ArtNetCodec.decode(hex(bytes))).isInstanceOfSatisfying(Decoded.Malformed.class, m -> {
            assertThat(m.field()).isEqualTo(field);
            assertThat(m.offset()).isEqualTo(offset);
        });
    }

    @Test
    void anotherOpCodeIsUnknownAndKept() {
        byte[] other = hex("4172742d4e657400 0070 000e 0102");
        assertThat(ArtNetCodec.decode(other))
                .isEqualTo(new Decoded.Unknown<ArtNetPacket>("Art-Net OpCode 0x7000", Bytes.of(other)));
    }

    @Test
    void limitsHoldAtBelowAndAbove() {
        assertThatThrownBy(() -> new ArtDmx(0, 0, new PortAddress(0), Bytes.zeros(1)))
                .isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new ArtDmx(0, 0, new PortAddress(0), Bytes.zeros(514)))
                .isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new PortAddress(32768)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> data(201, 1, 0)).hasMessageContaining("0 to 200");
        assertThatThrownBy(() -> data(100, 0, 0)).hasMessageContaining("1 to 63999");
        assertThatThrownBy(() -> data(100, 64000, 0)).hasMessageContaining("1 to 63999");
        assertThat(data(200, 63999, 63999).universe()).isEqualTo(63999);
        assertThatThrownBy(() -> new SacnSync(CID, 0, 0)).isInstanceOf(IllegalArgumentException.class);
    }

    private static SacnData data(int priority, int universe, int sync) {
        return new SacnData(CID, "Hut", priority, sync, 5, false, false, false, universe, 0, Bytes.of(1, 2, 3));
    }

    // --- ANSI E1.31-2018, Tables 4-1 to 4-3 and Appendix A ---

    @Test
    void sacnDataPacket() {
        SacnData packet = new SacnData(CID, "Hut", 90, 0x0102, 5, true, false, true, 0x1234, 0, Bytes.of(1, 2, 3));
        String expected = "0010 0000 4153432d45312e3137000000"
                + "7071 00000004 0102030405060708090a0b0c0d0e0f10"
                + "705b 00000002" + hex("Hut".getBytes(StandardCharsets.UTF_8)) + "00".repeat(61)
                + "5a 0102 05 a0 1234"
                + "700e 02 a1 0000 0001 0004 00 010203";
        assertThat(hex(SacnCodec.encode(packet))).isEqualTo(expected.replace(" ", ""));
        assertThat(SacnCodec.encode(new SacnData(CID, "x", 0, 0, 0, false, false, false, 1, 0, Bytes.zeros(512))))
                .hasSize(638);
    }

    @Test
    void sacnSyncPacket() {
        String expected =
                "0010 0000 4153432d45312e3137000000 7021 00000008 0102030405060708090a0b0c0d0e0f10 700b 00000001 09 1f1a 0000";
        assertThat(hex(SacnCodec.encode(new SacnSync(CID, 9, 7962))))
                .isEqualTo(expected.replace(" ", ""))
                .hasSize(98);
    }

    @Test
    void sacnDiscoveryPacket() {
        SacnDiscovery packet = new SacnDiscovery(CID, "Hut", 1, 2, List.of(3, 0x0400));
        byte[] bytes = SacnCodec.encode(packet);
        assertThat(bytes).hasSize(124);
        assertThat(hex(bytes))
                .startsWith("001000004153432d45312e3137000000706c00000008")
                .endsWith("00000000" + "700c" + "00000001" + "01" + "02" + "0003" + "0400");
        assertThat(SacnCodec.encode(new SacnDiscovery(CID, "", 0, 0, java.util.Collections.nCopies(512, 5))))
                .hasSize(1144);
    }

    @Test
    void aLengthThatLiesIsNamed() {
        byte[] bytes = SacnCodec.encode(data(100, 1, 0));
        bytes[39]++;
        assertThat(SacnCodec.decode(bytes)).isInstanceOfSatisfying(Decoded.Malformed.class, m -> {
            assertThat(m.field()).isEqualTo("Framing Flags and Length");
            assertThat(m.offset()).isEqualTo(38);
        });
        byte[] priority = SacnCodec.encode(data(100, 1, 0));
        priority[108] = (byte) 201;
        assertThat(SacnCodec.decode(priority).toString()).contains("Priority at byte 108", "201");
        byte[] draft = SacnCodec.encode(data(100, 1, 0));
        draft[21] = 3;
        assertThat(SacnCodec.decode(draft)).isInstanceOf(Decoded.Unknown.class);
    }

    // --- OSC 1.0 (2002): the two examples that the specification prints byte by byte ---

    @Test
    void theSpecificationsFirstExample() {
        OscMessage message = new OscMessage("/oscillator/4/frequency", List.of(new OscArgument.Float32(440f)));
        String bytes = "2f6f7363 696c6c61 746f722f 342f6672 65717565 6e637900 2c660000 43dc0000";
        assertThat(hex(OscCodec.encode(message))).isEqualTo(bytes.replace(" ", ""));
        assertThat(OscCodec.decode(hex(bytes)).packet()).contains(message);
    }

    @Test
    void theSpecificationsSecondExample() {
        OscMessage message = new OscMessage(
                "/foo",
                List.of(
                        new OscArgument.Int32(1000),
                        new OscArgument.Int32(-1),
                        new OscArgument.Text("hello"),
                        new OscArgument.Float32(1.234f),
                        new OscArgument.Float32(5.678f)));
        String bytes = "2f666f6f 00000000 2c696973 66660000 000003e8 ffffffff 68656c6c 6f000000 3f9df3b6 40b5b22d";
        assertThat(hex(OscCodec.encode(message))).isEqualTo(bytes.replace(" ", ""));
        assertThat(OscCodec.decode(hex(bytes)).packet()).contains(message);
    }

    /** The bytes that made a common library fail: unclosed group, short int, lying bundle sizes, unknown tag. */
    @ParameterizedTest
    @CsvSource({
        "2f610000 2c5b6900 00000001, type tags",
        "2f610000 2c690000 0000, argument i",
        "2362756e646c6500 00000000, time tag",
        "2362756e646c6500 0000000000000001 00000000, element size",
        "2362756e646c6500 0000000000000001 00000006, element size",
        "2362756e646c6500 0000000000000001 fffffffc, element size",
        "2362756e646c6500 0000000000000001 00001000, bundle element",
        "2f610000 2c620000 7fffffff, argument b",
        "2f610000 2c620000 ffffffff, blob size",
        "2f610001 2c000000, address pattern",
        "2f610000 78000000, type tags",
        "2f610000 2c5d0000, type tags"
    })
    void hostileOscNamesItsField(String bytes, String field) {
        assertThat(OscCodec.decode(hex(bytes)))
                .isInstanceOfSatisfying(
                        Decoded.Malformed.class, m -> assertThat(m.field()).isEqualTo(field));
    }

    @Test
    void oddOscThatIsLetPassIsSaid() {
        assertThat(OscCodec.decode(hex("2f610000 2c510000"))).isInstanceOf(Decoded.Unknown.class);
        assertThat(tolerated(OscCodec.decode(hex("2f610000")))).hasSize(1);
        OscBundle empty = new OscBundle(OscBundle.AT_ONCE, List.of());
        assertThat(OscCodec.decode(OscCodec.encode(empty)).packet()).contains(empty);
    }

    @Test
    void aBlobIsFollowedByTheNextArgument() {
        OscMessage message =
                new OscMessage("/b", List.of(new OscArgument.Blob(Bytes.of(1, 2, 3)), new OscArgument.Int32(1)));
        assertThat(OscCodec.decode(OscCodec.encode(message)).packet()).contains(message);
    }

    @Test
    void bundlesNestOnlySoDeep() {
        byte[] bytes = OscCodec.encode(new OscMessage("/a", List.of()));
        for (int i = 0; i < OscCodec.DEEPEST + 1; i++) {
            WireWriter w = new WireWriter()
                    .paddedText("#bundle")
                    .i64BigEndian(1)
                    .i32BigEndian(bytes.length)
                    .raw(bytes);
            bytes = w.toArray();
        }
        assertThat(OscCodec.decode(bytes)).isInstanceOf(Decoded.Malformed.class);
    }

    @Test
    void addressesOfPacketsAreValues() {
        assertThat(Bytes.of(1, 2)).isEqualTo(Bytes.of(new byte[] {1, 2})).hasToString("0102");
        byte[] mine = {1, 2};
        Bytes copied = Bytes.of(mine);
        mine[0] = 9;
        copied.toArray()[1] = 9;
        assertThat(copied).isEqualTo(Bytes.of(1, 2));
        assertThat(new Ipv4Address(0)).hasToString("0.0.0.0");
    }
}
