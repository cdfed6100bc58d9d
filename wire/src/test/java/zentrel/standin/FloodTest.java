package zentrel.standin;

import static org.assertj.core.api.Assertions.assertThat;
import static org.awaitility.Awaitility.await;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import java.util.Queue;
import java.util.UUID;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import zentrel.ipv4.Ipv4Address;
import zentrel.live.StreamWatch;
import zentrel.net.Guarded;
import zentrel.net.OutputGuard;
import zentrel.net.SendIntent;
import zentrel.net.TriedNet;
import zentrel.net.UdpPort;
import zentrel.net.real.RealNet;
import zentrel.packet.Bytes;
import zentrel.packet.artnet.ArtDmx;
import zentrel.packet.artnet.ArtNetCodec;
import zentrel.packet.artnet.ArtNetPacket;
import zentrel.packet.osc.OscArgument;
import zentrel.packet.osc.OscCodec;
import zentrel.packet.osc.OscMessage;
import zentrel.packet.sacn.SacnCodec;
import zentrel.packet.sacn.SacnData;
import zentrel.packet.sacn.SacnDiscovery;
import zentrel.packet.sacn.SacnPacket;
import zentrel.plan.Delivery;
import zentrel.profile.Protocol;
import zentrel.text.PlainText;
import zentrel.universe.PortAddress;

/** Floods of made-up packets on loopback: what is planned is received all the same, and nothing grows with the flood. */
class FloodTest {
    private static final Ipv4Address NODE = Ipv4Address.parse("127.62.1.1");
    private static final Ipv4Address CONSOLE = Ipv4Address.parse("127.62.1.2");
    private static final Ipv4Address STRANGER = Ipv4Address.parse("127.62.66.6");
    private static final Path OPEN_FILES = Path.of("/proc/self/fd");

    private final RealNet net = new RealNet();

    @AfterEach
    void close() {
        net.close();
    }

    private StandinSite armed(Ipv4Address at) throws IOException {
        return new StandinSite(new Guarded(net, OutputGuard.armed(RealNet.loopbackName())), net.require(at));
    }

    private StandinSite asking(Ipv4Address at) throws IOException {
        return new StandinSite(new Guarded(net, new OutputGuard(OutputGuard.State.ASK)), net.require(at));
    }

    private static byte[] data(int source, int universe, int sync, int priority, int level) {
        return SacnCodec.encode(new SacnData(
                new UUID(7, source),
                "S" + source,
                priority,
                sync,
                1,
                false,
                false,
                false,
                universe,
                0,
                Bytes.of(level)));
    }

    private static long openFiles() throws IOException {
        if (!Files.isDirectory(OPEN_FILES)) {
            return 0; // only Linux tells
        }
        try (Stream<Path> files = Files.list(OPEN_FILES)) {
            return files.count();
        }
    }

    private static ConsoleStandin console(StandinSite site) {
        return new ConsoleStandin(
                site,
                new ConsoleSpec(
                        "Desk",
                        new UUID(1, 1),
                        List.of(new ConsoleStream(
                                "u", Protocol.SACN, 5, Delivery.UNICAST, List.of(NODE), 100, 40, false)),
                        true),
                e -> {});
    }

    /** Four kinds of flood at a node whose plan knows one console; after each the console's level stands at the port. */
    @Test
    void aFloodLeavesTheNodeHearingAndSmall() throws Exception {
        Queue<StandinEvent> events = new ConcurrentLinkedQueue<>();
        List<StandinPort> ports = List.of(
                new StandinPort("p", Protocol.SACN, 5, true, true),
                new StandinPort("q", Protocol.ARTNET, 3, true, true));
        try (LevelStandin node = new LevelStandin(asking(NODE), "Node", ports, true, CONSOLE::equals, events::add);
                UdpPort stranger = armed(STRANGER).openToSend();
                ConsoleStandin console = console(armed(CONSOLE))) {
            node.start();
            console.start();
            console.setSlot("u", 1, 11);
            await().until(() -> node.levels("p")[0] == 11);
            long files = openFiles();
            for (int i = 0; i < 8000; i++) {
                stranger.send(
                        SendIntent.SETTING, NODE, SacnPacket.PORT, data(i, 9, 1 + i, 100, 9)); // nobody's universe
                stranger.send(
                        SendIntent.SETTING,
                        NODE,
                        SacnPacket.PORT,
                        data(i, 5, 1 + i, 90, 99)); // made-up synchronization
                stranger.send(
                        SendIntent.SETTING,
                        NODE,
                        ArtNetPacket.PORT,
                        ArtNetCodec.encode(new ArtDmx(0, i & 0xFF, new PortAddress(i), Bytes.of(1, 2))));
                stranger.send(SendIntent.SETTING, NODE, ArtNetPacket.PORT, new byte[] {'A', 'r', 't', 0, (byte) i});
            }
            assertThat(openFiles()).as("open files").isLessThan(files + SyncGroups.MOST + 8);
            console.setSlot("u", 1, 22);
            await().atMost(Duration.ofSeconds(5)).until(() -> node.levels("p")[0] == 22);
            assertThat(node.trouble()).isEmpty();
            assertThat(events.size()).as("events of a flood").isLessThan(2000);
            await().until(() -> events.stream().anyMatch(StandinEvent.NotListed.class::isInstance));
            assertThat(events)
                    .filteredOn(StandinEvent.SourceLost.class::isInstance)
                    .noneMatch(e -> e.toString().contains("Desk"));
        }
    }

    @Test
    void whatIsAnnouncedIsNamedAndNotJoined() throws Exception {
        StandinSite site = asking(NODE);
        try (StreamWatch watch = new StreamWatch(site.host(), site.adapter());
                UdpPort stranger = armed(STRANGER).openToSend()) {
            watch.start(List.of(1, 2));
            long files = openFiles();
            List<Integer> many = IntStream.rangeClosed(1, 512).boxed().toList();
            for (int page = 0; page < 100; page++) {
                int first = page * 512;
                stranger.send(
                        SendIntent.SETTING,
                        NODE,
                        SacnPacket.PORT,
                        SacnCodec.encode(new SacnDiscovery(
                                new UUID(1, page),
                                "x",
                                0,
                                0,
                                many.stream().map(u -> u + first).toList())));
            }
            stranger.send(SendIntent.SETTING, NODE, SacnPacket.PORT, data(1, 2, 0, 100, 7));
            await().until(() -> !watch.found().streams().isEmpty());
            assertThat(watch.found().announced())
                    .hasSize(51_200 - 2)
                    .startsWith(3, 4)
                    .doesNotContain(1, 2);
            assertThat(openFiles()).isLessThan(files + 8);
            assertThat(watch.found().trouble()).isEmpty();
        }
    }

    /** A handler that fails, even with an Error, ends nothing; the wire says so. */
    @Test
    void receivingSurvivesWhatAHandlerThrows() throws Exception {
        AtomicInteger received = new AtomicInteger();
        try (UdpPort port = asking(NODE).open(24_777, p -> {
                    received.incrementAndGet();
                    byte first = p.bytes()[0];
                    if (first == 1) {
                        throw new NoClassDefFoundError("as at the limit of open files");
                    } else if (first == 2) {
                        throw new IllegalStateException("a bug");
                    }
                });
                UdpPort sender = armed(CONSOLE).openToSend()) {
            for (int i = 0; i < 30; i++) {
                assertThat(sender.send(SendIntent.SETTING, NODE, 24_777, new byte[] {(byte) (i % 3)})
                                .left())
                        .isTrue();
            }
            await().until(() -> received.get() == 30);
            await().until(() ->
                    port.trouble().filter(t -> t.contains("20 packets")).isPresent());
        }
    }

    /** A source that cannot be reached is said once, and counted. */
    @Test
    void aFailingSendIsSaidOnce() throws Exception {
        Queue<StandinEvent> events = new ConcurrentLinkedQueue<>();
        ConsoleStream astray = new ConsoleStream(
                "u", Protocol.SACN, 5, Delivery.UNICAST, List.of(Ipv4Address.parse("192.0.2.1"), NODE), 100, 40, false);
        try (ConsoleStandin console = new ConsoleStandin(
                armed(CONSOLE), new ConsoleSpec("Desk", new UUID(1, 1), List.of(astray), true), events::add)) {
            console.start();
            await().until(() -> console.failedCount() > 20);
            assertThat(console.sentCount()).as("the other destination").isGreaterThan(10);
        }
        assertThat(events)
                .singleElement()
                .satisfies(e -> assertThat(e.toString()).contains("192.0.2.1 is not on loopback"));
    }

    /** ESC, line breaks, marks of direction and long texts from packets, in everything that is printed or drawn. */
    @Test
    void textFromTheNetworkDoesNothingToATerminal() throws Exception {
        Queue<StandinEvent> events = new ConcurrentLinkedQueue<>();
        String hostile = "a\u001b[2J\n\u202e" + "x".repeat(40);
        List<StandinPort> ports = List.of(new StandinPort("p", Protocol.SACN, 5, true, true));
        StandinSite listening = asking(CONSOLE);
        try (LevelStandin node = new LevelStandin(asking(NODE), "Node", ports, true, events::add);
                StreamWatch watch = new StreamWatch(listening.host(), listening.adapter());
                UdpPort stranger = armed(STRANGER).openToSend()) {
            node.start();
            assertThat(new OscStandin(List.of(), true, events::add).start(asking(NODE), 24_778))
                    .isNotNull();
            watch.start(List.of());
            byte[] data = SacnCodec.encode(
                    new SacnData(new UUID(7, 7), hostile, 100, 0, 1, false, false, false, 5, 0, Bytes.of(9)));
            stranger.send(SendIntent.SETTING, NODE, SacnPacket.PORT, data);
            stranger.send(SendIntent.SETTING, CONSOLE, SacnPacket.PORT, data);
            byte[] osc = OscCodec.encode(new OscMessage("/a", List.of(new OscArgument.Text(hostile))));
            stranger.send(SendIntent.SETTING, NODE, 24_778, osc);
            osc[1] = 0x1b;
            stranger.send(SendIntent.SETTING, NODE, 24_778, osc);
            await().until(() -> events.size() >= 5 && !watch.found().streams().isEmpty());
            assertThat(events).allMatch(e -> PlainText.fault(e.toString()).isEmpty());
            assertThat(events).anyMatch(e -> e.toString().contains("<U+001B>"));
            assertThat(PlainText.fault(watch.found().streams().get(0).name())).isEmpty();
        }
    }

    /** A million packets of made-up sources: after the tables are full nothing grows any more. */
    @Test
    void madeUpSourcesDoNotFillTheMemory() throws Exception {
        try (TriedNet simulated = TriedNet.Kind.SIMULATED.open()) {
            StandinSite site = simulated.asking("62.9.1");
            StreamWatch watch = new StreamWatch(site.host(), site.adapter());
            watch.start(List.of());
            LevelStandin node = new LevelStandin(
                    simulated.asking("62.9.2"),
                    "Node",
                    List.of(new StandinPort("p", Protocol.SACN, 5, true, true)),
                    true,
                    e -> {});
            node.start();
            UdpPort stranger = simulated.sending("62.9.3");
            long full = 0;
            for (int round = 0; round < 5; round++) {
                for (int i = 0; i < 200_000; i++) {
                    byte[] data = data(round * 200_000 + i, 5 + i % 3, 1 + i % 60_000, 100, 9);
                    stranger.send(SendIntent.SETTING, simulated.at("62.9.1"), SacnPacket.PORT, data);
                    stranger.send(SendIntent.SETTING, simulated.at("62.9.2"), SacnPacket.PORT, data);
                    if (i % 1000 == 0) {
                        int[] steps = {0};
                        simulated.until(() -> steps[0]++ > 20); // what was sent arrives
                    }
                }
                simulated.until(() -> watch.found().streams().size() >= 70_000);
                long used = heap();
                if (round == 1) {
                    full = used;
                } else if (round > 1) {
                    assertThat(used).as("heap in round %d", round).isLessThan(full + full / 20);
                }
            }
            assertThat(watch.found().streams()).hasSizeLessThanOrEqualTo(70_000);
        }
    }

    private static long heap() {
        System.gc();
        Runtime runtime = Runtime.getRuntime();
        return runtime.totalMemory() - runtime.freeMemory();
    }
}
