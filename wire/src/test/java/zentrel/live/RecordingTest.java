package zentrel.live;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import zentrel.Witnesses;
import zentrel.net.NetHost;
import zentrel.net.Packet;
import zentrel.net.Recorded;
import zentrel.net.TriedNet;
import zentrel.plan.Delivery;
import zentrel.profile.Protocol;
import zentrel.standin.ConsoleSpec;
import zentrel.standin.ConsoleStandin;
import zentrel.standin.ConsoleStream;
import zentrel.standin.LevelStandin;
import zentrel.standin.StandinPort;
import zentrel.standin.StandinSite;

/** What was received and sent, as a recording that an independent tool reads: tshark and capinfos. */
class RecordingTest {
    @TempDir
    Path folder;

    @ParameterizedTest
    @EnumSource(TriedNet.Kind.class)
    void anIndependentToolReadsWhatWasRecorded(TriedNet.Kind kind) throws Exception {
        Path file = folder.resolve("night.pcapng");
        List<Packet> taken = new ArrayList<>();
        long epoch = 1_764_000_000_000_000_000L;
        try (TriedNet net = kind.open();
                RecordingFile recording = new RecordingFile(Files.newOutputStream(file), epoch)) {
            StandinSite node = net.asking("63.20.3");
            NetHost recorded = new Recorded(node.host(), p -> {
                taken.add(p);
                recording.take(p);
            });
            try (LevelStandin standin = new LevelStandin(
                            new StandinSite(recorded, node.adapter()),
                            "Node",
                            List.of(
                                    new StandinPort("a", Protocol.ARTNET, 300, true, true),
                                    new StandinPort("s", Protocol.SACN, 7, true, true)),
                            true,
                            e -> {});
                    ConsoleStandin console = new ConsoleStandin(
                            net.armed("63.1.1"),
                            new ConsoleSpec(
                                    "Desk",
                                    new UUID(63, 1),
                                    List.of(
                                            new ConsoleStream(
                                                    "a",
                                                    Protocol.ARTNET,
                                                    300,
                                                    Delivery.FOUND,
                                                    List.of(),
                                                    100,
                                                    40,
                                                    false),
                                            new ConsoleStream(
                                                    "s",
                                                    Protocol.SACN,
                                                    7,
                                                    Delivery.MULTICAST,
                                                    List.of(),
                                                    100,
                                                    40,
                                                    false)),
                                    true),
                            e -> {})) {
                standin.start();
                console.setSlot("a", 1, 91);
                console.setSlot("s", 1, 92);
                console.start();
                net.until(() -> standin.levels("a")[0] == 91 && standin.levels("s")[0] == 92);
                net.until(() -> taken.size() > 40);
            }
            node.host().close();
            assertThat(recording.failure()).isEmpty();
        }
        assertThat(Witnesses.said("capinfos", "-c", "-M", file.toString()))
                .contains("Number of packets:   " + taken.size());
        List<String> read = Witnesses.said(
                        "tshark",
                        "-r",
                        file.toString(),
                        "--enable-heuristic",
                        "acn",
                        "-o",
                        "acn.dmx_enable:TRUE",
                        "-o",
                        "ip.check_checksum:TRUE",
                        "-T",
                        "fields",
                        "-E",
                        "occurrence=f",
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
                        "udp.length",
                        "-e",
                        "ip.checksum.status")
                .lines()
                .toList();
        assertThat(read).hasSameSizeAs(taken);
        for (int i = 0; i < taken.size(); i++) {
            Packet p = taken.get(i);
            long nanos = epoch + p.time();
            assertThat(read.get(i))
                    .isEqualTo(String.join(
                            "\t",
                            nanos / 1_000_000_000 + ".%09d".formatted(nanos % 1_000_000_000),
                            p.source().toString(),
                            p.sourcePort() + "",
                            p.destination().toString(),
                            p.destinationPort() + "",
                            read.get(i).split("\t", -1)[5],
                            "1"));
        }
        String protocols = Witnesses.said(
                "tshark",
                "-r",
                file.toString(),
                "--enable-heuristic",
                "acn",
                "-o",
                "acn.dmx_enable:TRUE",
                "-T",
                "fields",
                "-e",
                "frame.protocols",
                "-e",
                "_ws.malformed");
        assertThat(protocols.lines().map(l -> l.split("\t", -1)[0]).distinct().toList())
                .contains("raw:ip:udp:artnet", "raw:ip:udp:acn");
        assertThat(protocols.lines()).allMatch(l -> l.split("\t", -1).length < 2 || l.split("\t", -1)[1].isEmpty());
    }

    /** The same seed and the same calls give the same recording, byte for byte. */
    @Test
    void aSimulatedNetDoesTheSameAgain() throws Exception {
        byte[] first = recordOnce();
        assertThat(recordOnce()).isEqualTo(first).hasSizeGreaterThan(20_000);
    }

    private static byte[] recordOnce() throws Exception {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (TriedNet net = TriedNet.Kind.SIMULATED.open();
                RecordingFile recording = new RecordingFile(bytes, 0)) {
            StandinSite site = net.asking("63.20.4");
            StreamWatch watch = new StreamWatch(new Recorded(site.host(), recording), site.adapter());
            watch.start(List.of(8));
            ConsoleStandin console = new ConsoleStandin(
                    net.armed("63.1.2"),
                    new ConsoleSpec(
                            "Desk",
                            new UUID(63, 2),
                            List.of(new ConsoleStream(
                                    "s", Protocol.SACN, 8, Delivery.MULTICAST, List.of(), 100, 44, false)),
                            true),
                    e -> {});
            console.start();
            net.until(() -> watch.found().streams().stream().anyMatch(s -> s.packets() > 300));
        }
        return bytes.toByteArray();
    }

    @Test
    void aFullDiskEndsTheRecordingAndNothingElse() throws Exception {
        OutputStream full = new OutputStream() {
            private int written;

            @Override
            public void write(int b) throws IOException {
                if (++written > 3_000_000) {
                    throw new IOException("no space left");
                }
            }
        };
        try (TriedNet net = TriedNet.Kind.SIMULATED.open()) {
            RecordingFile recording = new RecordingFile(full, 0);
            StandinSite site = net.asking("63.20.5");
            StreamWatch watch = new StreamWatch(new Recorded(site.host(), recording), site.adapter());
            watch.start(List.of(9));
            ConsoleStandin console = new ConsoleStandin(
                    net.armed("63.1.3"),
                    new ConsoleSpec(
                            "Desk",
                            new UUID(63, 3),
                            List.of(new ConsoleStream(
                                    "s", Protocol.SACN, 9, Delivery.MULTICAST, List.of(), 100, 1000, false)),
                            true),
                    e -> {});
            console.start();
            net.until(() -> recording.failure().isPresent());
            assertThat(recording.failure().orElseThrow()).contains("no space left");
            long before = watch.found().streams().get(0).packets();
            net.until(() -> watch.found().streams().get(0).packets() > before + 50);
        }
    }
}
