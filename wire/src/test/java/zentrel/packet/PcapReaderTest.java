package zentrel.packet;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HexFormat;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import zentrel.Witnesses;
import zentrel.ipv4.Ipv4Address;
import zentrel.live.RecordingIndex;
import zentrel.packet.pcap.IgmpFrame;
import zentrel.packet.pcap.PcapReader;
import zentrel.packet.pcap.PcapngWriter;
import zentrel.packet.pcap.UdpFrame;

/** Recordings as independent tools write and read them (tshark, editcap, text2pcap), field by field, and cut anywhere. */
class PcapReaderTest {
    private static final int PACKETS = 60;

    @TempDir
    static Path folder;

    private static Path own;

    private record Seen(
            long nanos, String source, int sourcePort, String destination, int destinationPort, String hex) {}

    @BeforeAll
    static void writeOne() throws Exception {
        assertThat(Witnesses.said("editcap", "--version")).contains("Editcap");
        own = folder.resolve("own.pcapng");
        Random random = new Random(9);
        try (PcapngWriter writer = new PcapngWriter(Files.newOutputStream(own))) {
            long time = 1_700_000_000_123_456_789L;
            for (int i = 0; i < PACKETS; i++) {
                time += random.nextInt(30_000_000);
                byte[] payload = new byte[1 + random.nextInt(1200)];
                random.nextBytes(payload);
                writer.write(
                        time,
                        "net" + random.nextInt(3),
                        new Ipv4Address(0x0A290000 + random.nextInt(9)),
                        1 + random.nextInt(65_535),
                        new Ipv4Address(0x0A290100 + random.nextInt(9)),
                        1 + random.nextInt(65_535),
                        64,
                        payload);
            }
        }
    }

    private static List<Seen> ours(Path file) throws IOException {
        List<Seen> all = new ArrayList<>();
        UdpFrame frame = new UdpFrame();
        try (PcapReader reader = new PcapReader(file)) {
            while (reader.next()) {
                ByteBuffer bytes = reader.frame();
                if (frame.read(bytes, reader.linkType())) {
                    ByteBuffer payload = frame.payload(bytes);
                    byte[] content = new byte[payload.remaining()];
                    payload.get(content);
                    all.add(new Seen(
                            reader.time(),
                            frame.source().toString(),
                            frame.sourcePort(),
                            frame.destination().toString(),
                            frame.destinationPort(),
                            HexFormat.of().formatHex(content)));
                }
            }
        }
        return all;
    }

    private static List<Seen> theirs(Path file) throws Exception {
        List<Seen> all = new ArrayList<>();
        String lines = Witnesses.said(
                "tshark",
                "-r",
                file.toString(),
                "-Y",
                "udp",
                "-T",
                "fields",
                "-e",
                "frame.time_epoch",
                "-e",
                "ip.src",
                "-e",
                "udp.srcport",
                "-e",
                "ip.dst",
                "-e",
                "udp.dstport",
                "-e",
                "udp.payload");
        for (String line : lines.lines().toList()) {
            String[] f = line.split("\t", -1);
            String[] time = f[0].split("\\.", -1);
            all.add(new Seen(
                    Long.parseLong(time[0]) * 1_000_000_000 + Long.parseLong(time[1]),
                    f[1],
                    Integer.parseInt(f[2]),
                    f[3],
                    Integer.parseInt(f[4]),
                    f[5].replace(":", "")));
        }
        return all;
    }

    @ParameterizedTest
    @ValueSource(strings = {"pcap", "nsecpcap", "pcapng"})
    void everyFormThatAnotherToolWritesIsReadAsItReadsIt(String form) throws Exception {
        Path file = folder.resolve("as." + form);
        // editcap writes files of one link type and interface only as pcap, so the interfaces are made one
        String one = folder.resolve("one.pcapng").toString();
        Witnesses.said("tshark", "-r", own.toString(), "-w", one, "-F", "pcapng");
        Witnesses.said("editcap", "-F", form, one, file.toString());
        List<Seen> theirs = theirs(file);
        assertThat(theirs).hasSize(PACKETS);
        assertThat(ours(file)).isEqualTo(theirs);
    }

    @Test
    void whatIsWrittenHereIsReadAsAnotherToolReadsIt() throws Exception {
        assertThat(ours(own)).hasSize(PACKETS).isEqualTo(theirs(own));
    }

    /** One packet in every kind of frame: the other tool says that the frame is what it is meant to be. */
    @ParameterizedTest
    @ValueSource(
            strings = {
                "1 0102030405060a0b0c0d0e0f0800",
                "1 0102030405060a0b0c0d0e0f8100000a0800",
                "1 0102030405060a0b0c0d0e0f88a8000b8100000a0800",
                "101 ",
                "113 00000001000601020304050600000800",
                "276 08000000000000010001000601020304050600 00",
                "0 02000000"
            })
    void everyKindOfFrame(String kind) throws Exception {
        int link = Integer.parseInt(kind.substring(0, kind.indexOf(' ')));
        byte[] head = HexFormat.of().parseHex(kind.substring(kind.indexOf(' ')).replace(" ", ""));
        byte[] ip = HexFormat.of()
                .parseHex("4500002000000000401100000a2901010a291402" + "1936193600" + "0c0000" + "deadbeef");
        for (boolean little : new boolean[] {true, false}) {
            ByteBuffer out = ByteBuffer.allocate(200)
                    .order(little ? java.nio.ByteOrder.LITTLE_ENDIAN : java.nio.ByteOrder.BIG_ENDIAN);
            out.putInt(0xA1B2C3D4)
                    .putShort((short) 2)
                    .putShort((short) 4)
                    .putInt(0)
                    .putInt(0)
                    .putInt(65_535)
                    .putInt(link);
            int length = head.length + ip.length;
            out.putInt(1_700_000_000)
                    .putInt(5)
                    .putInt(length)
                    .putInt(length)
                    .put(head)
                    .put(ip);
            Path file = Files.write(folder.resolve("kind.pcap"), Arrays.copyOf(out.array(), out.position()));
            List<Seen> expected =
                    List.of(new Seen(1_700_000_000_000_005_000L, "10.41.1.1", 6454, "10.41.20.2", 6454, "deadbeef"));
            assertThat(theirs(file)).isEqualTo(expected);
            assertThat(ours(file)).isEqualTo(expected);
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"pcap", "pcapng"})
    void aRecordingCutAnywhereIsReadUpToTheCut(String form) throws Exception {
        Path whole = folder.resolve("whole." + form);
        Witnesses.said("editcap", "-F", form, folder.resolve("one.pcapng").toString(), whole.toString());
        if (Files.notExists(whole)) {
            Witnesses.said("tshark", "-r", own.toString(), "-w", whole.toString(), "-F", form);
        }
        byte[] bytes = Files.readAllBytes(whole);
        List<Seen> all = ours(whole);
        assertThat(all).hasSize(PACKETS);
        Path cut = folder.resolve("cut." + form);
        int damaged = 0;
        for (int length = 0; length < bytes.length; length += 1 + length / 40) {
            Files.write(cut, Arrays.copyOf(bytes, length));
            try (PcapReader reader = new PcapReader(cut)) {
                int read = 0;
                while (reader.next()) {
                    read++;
                }
                assertThat(ours(cut)).isEqualTo(all.subList(0, read));
                damaged += reader.damage().isPresent() ? 1 : 0;
            } catch (IOException e) {
                assertThat(length).as(e.getMessage()).isLessThan(32);
            }
        }
        assertThat(damaged).isGreaterThan(50);
    }

    @Test
    void hostileBytesEndInASentence() throws Exception {
        byte[] bytes = Files.readAllBytes(own);
        Random random = new Random(4);
        Path bad = folder.resolve("bad.pcapng");
        for (int i = 0; i < 400; i++) {
            byte[] copy = Arrays.copyOf(bytes, Math.min(bytes.length, 6000));
            for (int k = 0; k < 1 + random.nextInt(6); k++) {
                copy[random.nextInt(copy.length)] = (byte) random.nextInt(256);
            }
            Files.write(bad, copy);
            try (PcapReader reader = new PcapReader(bad)) {
                UdpFrame frame = new UdpFrame();
                while (reader.next()) {
                    frame.read(reader.frame(), random.nextInt(300));
                }
                reader.damage()
                        .ifPresent(d -> assertThat(d)
                                .startsWith("It is damaged at byte ")
                                .endsWith("there."));
            } catch (IOException e) {
                assertThat(e.getMessage()).contains("is no recording");
            }
        }
        Path none = Files.writeString(folder.resolve("none.pcap"), "Nothing to see here");
        assertThatThrownBy(() -> new PcapReader(none))
                .isInstanceOf(IOException.class)
                .hasMessageContaining("none.pcap");
    }

    @Test
    void readingGoesOnFromAPlace() throws Exception {
        try (PcapReader reader = new PcapReader(own)) {
            List<PcapReader.Place> places = new ArrayList<>();
            List<Long> times = new ArrayList<>();
            do {
                places.add(reader.place());
            } while (reader.next() && times.add(reader.time()));
            for (int i : new int[] {40, 3, 59, 0}) {
                reader.seek(places.get(i));
                assertThat(reader.next()).isTrue();
                assertThat(reader.time()).isEqualTo(times.get(i));
            }
        }
    }

    @Test
    void anIndexLeadsToEveryTime() throws Exception {
        RecordingIndex index = RecordingIndex.of(own, () -> false);
        List<Long> times = ours(own).stream().map(Seen::nanos).toList();
        assertThat(index.packets()).isEqualTo(times.size());
        assertThat(index.first()).isEqualTo(times.get(0));
        assertThat(index.last()).isEqualTo(times.get(times.size() - 1));
        try (PcapReader reader = new PcapReader(own)) {
            for (long time = index.first() - 1; time <= index.last() + 1; time += 40_000_000) {
                reader.seek(index.before(time));
                assertThat(reader.next()).isTrue();
                assertThat(reader.time())
                        .as("at most a gap before %d, and its first frame at the earliest", time)
                        .isBetween(Math.max(index.first(), time - 300_000_000L), Math.max(index.first(), time));
            }
        }
        assertThat(RecordingIndex.of(
                                Files.write(folder.resolve("empty.pcapng"), Arrays.copyOf(Files.readAllBytes(own), 28)),
                                () -> false)
                        .isEmpty())
                .isTrue();
    }

    /** A query as RFC 3376 §4.1 draws it, with the router alert of RFC 2113, read by the dissector too. */
    @Test
    void aQuerierIsHeard() throws Exception {
        byte[] frame = HexFormat.of()
                .parseHex("01005e000001" + "020000000001" + "0800" + "46c0002400010000" + "0102" + "0000" + "0a290101"
                        + "e0000001" + "94040000" + "1164ee9b" + "00000000" + "027d0000");
        Path file = folder.resolve("query.pcap");
        ByteBuffer bytes = ByteBuffer.allocate(24 + 16 + frame.length).order(ByteOrder.LITTLE_ENDIAN);
        bytes.putInt(0xA1B2C3D4)
                .putShort((short) 2)
                .putShort((short) 4)
                .putInt(0)
                .putInt(0)
                .putInt(65_535)
                .putInt(1);
        bytes.putInt(1_700_000_000)
                .putInt(5)
                .putInt(frame.length)
                .putInt(frame.length)
                .put(frame);
        Files.write(file, bytes.array());
        assertThat(Witnesses.said("tshark", "-r", file.toString(), "-T", "fields", "-e", "igmp.type", "-e", "ip.src")
                        .strip())
                .isEqualTo("0x11\t10.41.1.1");
        try (PcapReader reader = new PcapReader(file)) {
            assertThat(reader.next()).isTrue();
            assertThat(IgmpFrame.querier(reader.frame(), reader.linkType())).contains(Ipv4Address.parse("10.41.1.1"));
        }
        for (int length = 0; length < frame.length; length++) {
            assertThat(IgmpFrame.querier(ByteBuffer.wrap(Arrays.copyOf(frame, length)), 1)
                            .isPresent())
                    .isEqualTo(length >= 14 + 24 + 8);
        }
    }
}
