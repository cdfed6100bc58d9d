package zentrel.packet;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatCode;
import static org.assertj.core.api.Assertions.catchThrowable;

import java.nio.ByteBuffer;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.UUID;
import java.util.function.IntConsumer;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import zentrel.packet.artnet.ArtDmx;
import zentrel.packet.artnet.ArtDmxView;
import zentrel.packet.artnet.ArtNetCodec;
import zentrel.packet.artnet.ArtPoll;
import zentrel.packet.artnet.ArtPollReply;
import zentrel.packet.artnet.ArtSync;
import zentrel.packet.osc.OscArgument;
import zentrel.packet.osc.OscBundle;
import zentrel.packet.osc.OscCodec;
import zentrel.packet.osc.OscMessage;
import zentrel.packet.osc.OscPacket;
import zentrel.packet.sacn.SacnCodec;
import zentrel.packet.sacn.SacnData;
import zentrel.packet.sacn.SacnDataView;
import zentrel.packet.sacn.SacnDiscovery;
import zentrel.packet.sacn.SacnSync;
import zentrel.universe.PortAddress;
import zentrel.universe.SacnUniverse;

/** Every limit that a packet states, at it, just inside and just outside; in the value and in the bytes. */
class LimitsTest {
    private static final UUID CID = new UUID(3, 9);

    private static SacnData data(int priority, int sync, int sequence, int universe, int startCode, int slots) {
        return new SacnData(
                CID, "desk", priority, sync, sequence, false, false, false, universe, startCode, Bytes.zeros(slots));
    }

    private static SacnDiscovery discovery(int page, int lastPage, int count) {
        return new SacnDiscovery(
                CID,
                "desk",
                page,
                lastPage,
                IntStream.rangeClosed(1, count).boxed().toList());
    }

    /** Field, least and largest value, and how to make a packet with it. */
    static Stream<Arguments> fields() {
        return Stream.of(
                field("Port-Address (15 bits)", 0, 32767, PortAddress::new),
                field("sACN universe (E1.31 §6.2.7)", 1, 63999, SacnUniverse::new),
                field("ArtDmx sequence", 0, 255, v -> new ArtDmx(v, 0, new PortAddress(0), Bytes.zeros(2))),
                field("ArtDmx physical", 0, 255, v -> new ArtDmx(0, v, new PortAddress(0), Bytes.zeros(2))),
                field("ArtPoll flags", 0, 255, v -> new ArtPoll(v, 0, Optional.empty(), Optional.empty())),
                field("ArtPoll priority", 0, 255, v -> new ArtPoll(0, v, Optional.empty(), Optional.empty())),
                field("ArtSync aux", 0, 255, v -> new ArtSync(v, 0)),
                field("sACN priority (§6.2.3)", 0, 200, v -> data(v, 0, 0, 1, 0, 0)),
                field("sACN sync address (§6.2.4)", 0, 63999, v -> data(100, v, 0, 1, 0, 0)),
                field("sACN sequence", 0, 255, v -> data(100, 0, v, 1, 0, 0)),
                field("sACN data universe", 1, 63999, v -> data(100, 0, 0, v, 0, 0)),
                field("sACN start code", 0, 255, v -> data(100, 0, 0, 1, v, 0)),
                field("sACN slots", 0, 512, v -> data(100, 0, 0, 1, 0, v)),
                field("sACN sync universe", 1, 63999, v -> new SacnSync(CID, 0, v)),
                field("sACN sync sequence", 0, 255, v -> new SacnSync(CID, v, 1)),
                field("sACN discovery page", 0, 255, v -> discovery(v, 255, 1)),
                field("sACN discovery universes (§8)", 0, 512, v -> discovery(0, 0, v)));
    }

    private static Arguments field(String name, int least, int most, IntConsumer make) {
        return Arguments.of(name, least, most, make);
    }

    @ParameterizedTest(name = "{0}: {1} to {2}")
    @MethodSource("fields")
    void aValueIsTakenUpToItsLimitAndRefusedBeyondWithTheRange(String name, int least, int most, IntConsumer make) {
        for (int inside : new int[] {least, least + 1, most - 1, most}) {
            assertThatCode(() -> make.accept(inside)).as("%s %d", name, inside).doesNotThrowAnyException();
        }
        for (int outside : new int[] {least - 1, most + 1, Integer.MAX_VALUE / 4, -70_000}) {
            if (name.contains("slots") || name.contains("universes (")) {
                if (outside < 0 || outside > 10_000) {
                    continue; // no list has such a length
                }
            }
            Throwable refused = catchThrowable(() -> make.accept(outside));
            assertThat(refused).as("%s %d", name, outside).isInstanceOf(IllegalArgumentException.class);
            assertThat(refused.getMessage()).as(name).endsWith(".").containsPattern("-?\\d");
        }
    }

    @ParameterizedTest(name = "ArtDmx of {0} slots: {1}")
    @CsvSource({"1,false", "2,true", "3,false", "4,true", "511,false", "512,true", "513,false", "514,false"})
    void artDmxCarriesAnEvenNumberOfSlots(int slots, boolean good) {
        Throwable refused = catchThrowable(() -> new ArtDmx(0, 0, new PortAddress(0), Bytes.zeros(slots)));
        assertThat(refused == null).isEqualTo(good);
        byte[] bytes = ArtNetCodec.encode(new ArtDmx(0, 0, new PortAddress(0), Bytes.zeros(512)));
        byte[] cut = java.util.Arrays.copyOf(bytes, 18 + slots);
        cut[16] = (byte) (slots >> 8);
        cut[17] = (byte) slots;
        Decoded<?> decoded = ArtNetCodec.decode(cut);
        if (slots > 512) {
            assertThat(decoded).isInstanceOf(Decoded.Malformed.class);
        } else {
            List<String> tolerated = ((Decoded.Packet<?>) decoded).tolerated();
            assertThat(tolerated.isEmpty())
                    .as("an odd number is let pass and noted")
                    .isEqualTo(good);
            assertThat(((ArtDmx) decoded.packet().orElseThrow()).data().length())
                    .isEqualTo(slots + slots % 2);
        }
    }

    /** What real devices send that the standards do not allow: taken, with a note that names the clause. */
    @Test
    void smallSinsAreLetPassAndNoted() {
        byte[] reply = ArtNetCodec.encode(Samples.reply(new Random(3)));
        System.arraycopy(new byte[] {'G', 'r', (byte) 0xFC, 'n', 0}, 0, reply, 26, 5); // ISO 8859-1
        reply[173] = 5; // NumPorts
        Decoded<?> read = ArtNetCodec.decode(reply);
        assertThat(((Decoded.Packet<?>) read).tolerated())
                .anyMatch(t -> t.startsWith("PortName") && t.contains("Art-Net 4"))
                .anyMatch(t -> t.startsWith("NumPorts is 5"));
        ArtPollReply value = (ArtPollReply) read.packet().orElseThrow();
        assertThat(value.portName()).isEqualTo("Gr\u00fcn");
        assertThat(value.ports()).isEqualTo(4);
        byte[] data = SacnCodec.encode(data(100, 0, 0, 1, 0, 8));
        data[44] = (byte) 0xFC;
        Decoded<?> sacn = SacnCodec.decode(data);
        assertThat(((Decoded.Packet<?>) sacn).tolerated())
                .singleElement()
                .asString()
                .contains("ANSI E1.31-2018 §6.2.2");
        assertThat(((SacnData) sacn.packet().orElseThrow()).sourceName()).isEqualTo("\u00fcesk");
    }

    /** The quick way and the careful way read the same; what the quick way leaves is read by the other. */
    @Test
    void readingInPlaceAgreesWithTheCodecs() {
        Random random = new Random(22);
        ArtDmxView dmx = new ArtDmxView();
        SacnDataView sacn = new SacnDataView();
        int quick = 0;
        for (int i = 0; i < 40_000; i++) {
            byte[] bytes =
                    i % 2 == 0 ? ArtNetCodec.encode(Samples.artnet(random)) : SacnCodec.encode(Samples.sacn(random));
            for (int damage = random.nextInt(3); damage > 0; damage--) {
                bytes[random.nextInt(Math.min(bytes.length, 130))] = (byte) random.nextInt(256);
            }
            int before = random.nextInt(9);
            ByteBuffer buffer = ByteBuffer.allocate(before + bytes.length)
                    .put(before, bytes)
                    .position(before);
            byte[] levels = new byte[512];
            if (dmx.read(buffer)) {
                ArtDmx value = (ArtDmx) ArtNetCodec.decode(bytes).packet().orElseThrow();
                dmx.levels(buffer, levels);
                assertThat(new ArtDmx(
                                dmx.sequence(),
                                dmx.physical(),
                                new PortAddress(dmx.portAddress()),
                                Bytes.of(Arrays.copyOf(levels, dmx.length()))))
                        .isEqualTo(value);
                quick++;
            } else if (sacn.read(buffer)) {
                SacnData value = (SacnData) SacnCodec.decode(bytes).packet().orElseThrow();
                sacn.levels(buffer, levels);
                assertThat(new SacnData(
                                new UUID(sacn.cidHigh(), sacn.cidLow()),
                                value.sourceName(),
                                sacn.priority(),
                                sacn.syncAddress(),
                                sacn.sequence(),
                                sacn.isPreview(),
                                sacn.isTerminated(),
                                value.forceSync(),
                                sacn.universe(),
                                sacn.startCode(),
                                Bytes.of(Arrays.copyOf(levels, sacn.length()))))
                        .isEqualTo(value);
                quick++;
            } else {
                boolean wellFormed = ArtNetCodec.decode(bytes) instanceof Decoded.Packet<?> p
                        && p.value() instanceof ArtDmx
                        && p.tolerated().isEmpty();
                assertThat(wellFormed).isFalse();
                assertThat(SacnCodec.decode(bytes).packet().filter(SacnData.class::isInstance))
                        .isEmpty();
            }
        }
        assertThat(quick).isGreaterThan(5_000);
    }

    /** The offsets of fields in the bytes of a data packet, from the layout of E1.31 §4.1, each with a value not allowed. */
    @ParameterizedTest(name = "offset {0} := {1}")
    @CsvSource({
        "0, 1",
        "1, 17",
        "2, 1",
        "4, 66",
        "13, 1",
        "16, 16",
        "18, 1",
        "21, 9",
        "38, 16",
        "43, 9",
        "108, 201",
        "113, 255",
        "115, 16",
        "117, 3",
        "118, 160",
        "119, 1",
        "121, 2",
        "123, 255"
    })
    void aFieldThatIsNotAsTheStandardSaysIsNamedWithItsOffset(int offset, int value) {
        byte[] bytes = SacnCodec.encode(data(100, 0, 0, 1, 0, 8));
        bytes[offset] = (byte) value;
        Decoded<?> decoded = SacnCodec.decode(bytes);
        if (decoded instanceof Decoded.Malformed<?> malformed) {
            assertThat(malformed.toString()).containsPattern("\\d");
        } else {
            assertThat(decoded)
                    .as("another vector or identifier is another packet, not a mistake")
                    .isInstanceOf(Decoded.Unknown.class);
        }
    }

    @ParameterizedTest(name = "{0} bundles deep: {1}")
    @CsvSource({"1,true", "15,true", "16,true", "17,false", "200,false"})
    void bundlesNestToALimit(int depth, boolean good) {
        OscPacket packet = new OscMessage("/deep", List.of(new OscArgument.Int32(1)));
        byte[] bytes = OscCodec.encode(packet);
        for (int i = 0; i < depth; i++) {
            // by hand, because the value itself may refuse to be that deep
            byte[] inner = bytes;
            WireWriter writer = new WireWriter();
            writer.paddedText("#bundle")
                    .i64BigEndian(OscBundle.AT_ONCE)
                    .i32BigEndian(inner.length)
                    .raw(inner);
            bytes = writer.toArray();
        }
        assertThat(OscCodec.decode(bytes) instanceof Decoded.Packet<?>).isEqualTo(good);
    }

    @ParameterizedTest(name = "an OSC text of {0} letters takes {1} bytes")
    @CsvSource({"1,4", "2,4", "3,4", "4,8", "7,8", "8,12"})
    void oscTextIsPaddedToFourWithAtLeastOneZero(int letters, int length) {
        List<OscArgument> arguments = new ArrayList<>();
        arguments.add(new OscArgument.Text("x".repeat(letters)));
        byte[] with = OscCodec.encode(new OscMessage("/a", arguments));
        byte[] without = OscCodec.encode(new OscMessage("/a", List.of()));
        assertThat(with.length - without.length).isEqualTo(length);
        assertThat(OscCodec.decode(with).packet()).contains(new OscMessage("/a", arguments));
    }
}
