package zentrel.packet;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.Random;
import java.util.function.Function;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import zentrel.packet.artnet.ArtNetCodec;
import zentrel.packet.artnet.ArtNetPacket;
import zentrel.packet.osc.OscCodec;
import zentrel.packet.osc.OscPacket;
import zentrel.packet.sacn.SacnCodec;
import zentrel.packet.sacn.SacnPacket;

/** What must hold for every codec: round trip, every truncation, damaged and random bytes. */
class CodecPropertyTest {
    private static final int PACKETS = Integer.getInteger("zentrel.packets", 150);

    /** One codec under test. */
    private record Codec(
            String name,
            Function<Random, Object> sample,
            Function<Object, byte[]> encode,
            Function<byte[], Decoded<?>> decode) {
        @Override
        public String toString() {
            return name;
        }
    }

    static Stream<Arguments> codecs() {
        return Stream.of(
                        new Codec(
                                "Art-Net",
                                Samples::artnet,
                                p -> ArtNetCodec.encode((ArtNetPacket) p),
                                ArtNetCodec::decode),
                        new Codec("sACN", Samples::sacn, p -> SacnCodec.encode((SacnPacket) p), SacnCodec::decode),
                        new Codec("OSC", r -> Samples.osc(r, 0), p -> OscCodec.encode((OscPacket) p), OscCodec::decode))
                .map(Arguments::of);
    }

    @ParameterizedTest
    @MethodSource("codecs")
    void whatIsEncodedDecodesToTheSame(Codec codec) {
        Random random = new Random(5);
        for (int i = 0; i < PACKETS * 10; i++) {
            Object packet = codec.sample().apply(random);
            byte[] bytes = codec.encode().apply(packet);
            assertThat(codec.decode().apply(bytes).packet().map(Object.class::cast))
                    .as("packet %d", i)
                    .contains(packet);
        }
    }

    @ParameterizedTest
    @MethodSource("codecs")
    void everyTruncationIsAValueAndNothingElse(Codec codec) {
        Random random = new Random(6);
        for (int i = 0; i < PACKETS / 3; i++) {
            Object packet = codec.sample().apply(random);
            byte[] bytes = codec.encode().apply(packet);
            for (int length = 0; length < bytes.length; length++) {
                Decoded<?> decoded = codec.decode().apply(Arrays.copyOf(bytes, length));
                assertValue(decoded, length);
                boolean tolerated =
                        decoded instanceof Decoded.Packet<?> p && !p.tolerated().isEmpty();
                assertThat(decoded.packet().map(Object.class::cast).equals(java.util.Optional.of(packet)) && !tolerated)
                        .as("cut to %d and not noticed", length)
                        .isFalse();
            }
        }
    }

    @ParameterizedTest
    @MethodSource("codecs")
    void damagedAndRandomBytesAreAValueAndNothingElse(Codec codec) {
        Random random = new Random(7);
        int malformed = 0;
        for (int i = 0; i < PACKETS * 60; i++) {
            byte[] bytes = codec.encode().apply(codec.sample().apply(random));
            for (int k = 0; k < 1 + random.nextInt(5) && bytes.length > 0; k++) {
                bytes[random.nextInt(Math.min(bytes.length, 140))] = (byte) random.nextInt(256);
            }
            Decoded<?> decoded = codec.decode().apply(bytes);
            assertValue(decoded, bytes.length);
            malformed += decoded instanceof Decoded.Malformed ? 1 : 0;
            byte[] noise = new byte[random.nextInt(700)];
            random.nextBytes(noise);
            assertValue(codec.decode().apply(noise), noise.length);
        }
        assertThat(malformed).as("the damage was felt").isGreaterThan(PACKETS);
    }

    private static void assertValue(Decoded<?> decoded, int length) {
        if (decoded instanceof Decoded.Malformed<?> bad) {
            assertThat(bad.field()).isNotBlank();
            assertThat(bad.reason()).isNotBlank();
            assertThat(bad.offset()).isBetween(0, length);
            assertThat(bad.raw().length()).isEqualTo(length);
        } else if (decoded instanceof Decoded.Unknown<?> unknown) {
            assertThat(unknown.what()).isNotBlank();
        } else {
            assertThat(decoded.packet()).isPresent();
        }
    }
}
