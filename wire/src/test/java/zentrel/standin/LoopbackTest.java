package zentrel.standin;

import static java.util.concurrent.TimeUnit.SECONDS;
import static org.assertj.core.api.Assertions.assertThat;
import static org.awaitility.Awaitility.await;

import java.net.DatagramPacket;
import java.net.DatagramSocket;
import java.net.InetAddress;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.UUID;
import java.util.concurrent.CopyOnWriteArrayList;
import org.junit.jupiter.api.Test;
import zentrel.demo.FernlightTrail;
import zentrel.ipv4.Ipv4Address;
import zentrel.live.StreamSeen;
import zentrel.live.StreamWatch;
import zentrel.packet.Bytes;
import zentrel.packet.artnet.ArtPollReply;
import zentrel.packet.sacn.SacnCodec;
import zentrel.packet.sacn.SacnData;
import zentrel.packet.sacn.SacnSync;
import zentrel.plan.ControlLink;
import zentrel.plan.Delivery;
import zentrel.plan.Kind;
import zentrel.plan.Plan;
import zentrel.profile.Merge;
import zentrel.profile.Protocol;
import zentrel.universe.SacnUniverse;
import zentrel.wire.OutputGuard;
import zentrel.wire.SendIntent;
import zentrel.wire.UdpWire;

/** Real packets on loopback: consoles, nodes and previs as stand-ins, several on one computer. */
class LoopbackTest {
    private static final Ipv4Address NODE = Ipv4Address.parse("127.61.20.3");
    private static final Ipv4Address CONSOLE = Ipv4Address.parse("127.61.1.1");

    private static UdpWire wire(Ipv4Address at, OutputGuard.State state) throws Exception {
        OutputGuard guard =
                state == OutputGuard.State.ARMED ? OutputGuard.armed(UdpWire.loopbackName()) : new OutputGuard(state);
        return UdpWire.open(at, guard);
    }

    private static ConsoleStream stream(String id, Protocol protocol, int wire, Delivery delivery, Ipv4Address... to) {
        return new ConsoleStream(id, protocol, wire, delivery, List.of(to), 100, 40, false);
    }

    @Test
    void bothProtocolsArriveByEveryDelivery() throws Exception {
        List<StandinEvent> seen = new CopyOnWriteArrayList<>();
        try (LevelStandin node = new LevelStandin(
                        wire(NODE, OutputGuard.State.ASK),
                        "Node",
                        List.of(
                                new StandinPort("found", Protocol.ARTNET, 300, true, true),
                                new StandinPort("broadcast", Protocol.ARTNET, 301, true, true),
                                new StandinPort("unicast", Protocol.ARTNET, 302, true, true),
                                new StandinPort("group", Protocol.SACN, 303, true, true),
                                new StandinPort("direct", Protocol.SACN, 304, true, true),
                                new StandinPort("off", Protocol.SACN, 303, true, false),
                                new StandinPort("other", Protocol.SACN, 305, true, true)),
                        Merge.HTP,
                        true,
                        seen::add);
                ConsoleStandin console = new ConsoleStandin(
                        wire(CONSOLE, OutputGuard.State.ARMED),
                        "Console",
                        UUID.randomUUID(),
                        List.of(
                                stream("found", Protocol.ARTNET, 300, Delivery.FOUND),
                                stream("broadcast", Protocol.ARTNET, 301, Delivery.BROADCAST),
                                stream("unicast", Protocol.ARTNET, 302, Delivery.UNICAST, NODE),
                                stream("group", Protocol.SACN, 303, Delivery.MULTICAST),
                                stream("direct", Protocol.SACN, 304, Delivery.UNICAST, NODE)),
                        false,
                        e -> {})) {
            node.start();
            List<String> ports = List.of("found", "broadcast", "unicast", "group", "direct");
            for (int i = 0; i < ports.size(); i++) {
                console.setSlot(ports.get(i), 37, 100 + i);
            }
            console.start();
            for (int i = 0; i < ports.size(); i++) {
                String port = ports.get(i);
                int level = 100 + i;
                await().atMost(10, SECONDS).until(() -> (node.levels(port)[36] & 0xFF) == level);
            }
            assertThat(node.levels("off")[36]).isZero();
            assertThat(node.levels("other")[36]).isZero();
            assertThat(seen).anyMatch(e -> e instanceof StandinEvent.PollAnswered p && p.to().equals(CONSOLE));
        }
    }

    @Test
    void nothingLeavesBeforeOutputIsArmed() throws Exception {
        OutputGuard guard = new OutputGuard(OutputGuard.State.ASK);
        try (LevelStandin node = new LevelStandin(
                        wire(NODE, OutputGuard.State.ASK),
                        "Node",
                        List.of(new StandinPort("p", Protocol.SACN, 310, true, true)),
                        Merge.HTP,
                        true,
                        e -> {});
                ConsoleStandin console = new ConsoleStandin(
                        UdpWire.open(CONSOLE, guard),
                        "Console",
                        UUID.randomUUID(),
                        List.of(stream("s", Protocol.SACN, 310, Delivery.MULTICAST)),
                        false,
                        e -> {})) {
            node.start();
            console.setSlot("s", 1, 255);
            console.start();
            Thread.sleep(700);
            assertThat(node.levels("p")[0]).isZero();
            assertThat(console.sentCount()).isZero();
            guard.arm(UdpWire.loopbackName());
            await().atMost(5, SECONDS).until(() -> node.levels("p")[0] == (byte) 255);
            guard.set(OutputGuard.State.ASK);
            long sent = console.sentCount();
            console.setSlot("s", 1, 1);
            Thread.sleep(300);
            assertThat(console.sentCount()).isLessThanOrEqualTo(sent + 1);
        }
    }

    @Test
    void anyBytesLeaveEveryListenerAlive() throws Exception {
        List<StandinEvent> seen = new CopyOnWriteArrayList<>();
        List<StandinEvent> osc = new CopyOnWriteArrayList<>();
        try (UdpWire wire = wire(NODE, OutputGuard.State.ASK);
                LevelStandin node = new LevelStandin(
                        wire,
                        "Node",
                        List.of(new StandinPort("p", Protocol.SACN, 320, true, true)),
                        Merge.HTP,
                        true,
                        seen::add);
                UdpWire watching = wire(Ipv4Address.parse("127.61.30.1"), OutputGuard.State.LISTEN);
                DatagramSocket socket = new DatagramSocket()) {
            node.start();
            new OscStandin(List.of(), true, osc::add).start(wire, 24633);
            StreamWatch watch = new StreamWatch(watching);
            watch.start(List.of(320));
            Random random = new Random(17);
            for (int i = 0; i < 3000; i++) {
                byte[] bytes = i % 3 == 0 ? new byte[random.nextInt(1500)] : zentrelBytes(random, i);
                if (i % 3 == 0) {
                    random.nextBytes(bytes);
                }
                int port = List.of(6454, 5568, 24633).get(i % 3 == 0 ? random.nextInt(3) : i % 2);
                InetAddress to = InetAddress.getByName(i % 2 == 0 ? NODE.toString() : "127.61.30.1");
                socket.send(new DatagramPacket(bytes, bytes.length, to, port));
            }
            byte[] good = SacnCodec.encode(
                    new SacnData(UUID.randomUUID(), "Good", 100, 0, 1, false, false, false, 320, 0, Bytes.of(9)));
            await().atMost(10, SECONDS).until(() -> {
                socket.send(new DatagramPacket(good, good.length, InetAddress.getByName(NODE.toString()), 5568));
                return node.levels("p")[0] == 9;
            });
            byte[] cue =
                    zentrel.packet.osc.OscCodec.encode(new zentrel.packet.osc.OscMessage("/still/here", List.of()));
            socket.send(new DatagramPacket(cue, cue.length, InetAddress.getByName(NODE.toString()), 24633));
            await().atMost(5, SECONDS)
                    .until(() -> osc.stream()
                            .anyMatch(e -> e instanceof StandinEvent.Osc o
                                    && o.address().equals("/still/here")));
            await().atMost(5, SECONDS).until(() -> watch.unreadable() > 0);
            assertThat(seen).anyMatch(e -> e instanceof StandinEvent.Unreadable);
        }
    }

    /** Packets that look right at first and are damaged further in. */
    private static byte[] zentrelBytes(Random random, int i) {
        byte[] bytes = i % 2 == 0
                ? zentrel.packet.artnet.ArtNetCodec.encode(zentrel.packet.Samples.artnet(random))
                : SacnCodec.encode(zentrel.packet.Samples.sacn(random));
        bytes[20 % bytes.length] ^= 0x55;
        bytes[bytes.length - 1] ^= 0x55;
        return java.util.Arrays.copyOf(bytes, bytes.length - random.nextInt(bytes.length / 2));
    }

    @Test
    void synchronizedDataIsHeldForItsPacket() throws Exception {
        UUID cid = UUID.randomUUID();
        try (LevelStandin node = new LevelStandin(
                        wire(NODE, OutputGuard.State.ASK),
                        "Node",
                        List.of(new StandinPort("p", Protocol.SACN, 330, true, true)),
                        Merge.HTP,
                        false,
                        e -> {});
                UdpWire source = wire(CONSOLE, OutputGuard.State.ARMED)) {
            node.start();
            int[] sequence = {0};
            Runnable sync = () -> send(
                    source, SacnUniverse.group(331), SacnCodec.encode(new SacnSync(cid, sequence[0]++ & 0xFF, 331)));
            java.util.function.IntConsumer data = level -> send(
                    source,
                    NODE,
                    SacnCodec.encode(new SacnData(
                            cid, "S", 100, 331, sequence[0]++ & 0xFF, false, false, false, 330, 0, Bytes.of(level))));
            data.accept(5); // never synchronized yet, so it is put out, and the sync group is joined
            await().atMost(5, SECONDS).until(() -> node.levels("p")[0] == 5);
            sync.run();
            Thread.sleep(100);
            data.accept(6);
            Thread.sleep(200);
            assertThat(node.levels("p")[0]).as("held").isEqualTo((byte) 5);
            sync.run();
            await().atMost(5, SECONDS).until(() -> node.levels("p")[0] == 6);
            await().atMost(8, SECONDS).until(() -> {
                data.accept(7);
                return node.levels("p")[0] == 7;
            }); // the synchronization stayed away
        }
    }

    private static void send(UdpWire wire, Ipv4Address to, byte[] bytes) {
        try {
            wire.send(SendIntent.SETTING, 0, to, 5568, bytes);
        } catch (java.io.IOException e) {
            throw new AssertionError(e);
        }
    }

    @Test
    void previewDataReachesNoPortAndATerminatedSourceIsGoneAtOnce() throws Exception {
        List<StandinEvent> seen = new CopyOnWriteArrayList<>();
        UUID cid = UUID.randomUUID();
        try (LevelStandin node = new LevelStandin(
                        wire(NODE, OutputGuard.State.ASK),
                        "Node",
                        List.of(new StandinPort("p", Protocol.SACN, 340, true, true)),
                        Merge.HTP,
                        false,
                        seen::add);
                UdpWire source = wire(CONSOLE, OutputGuard.State.ARMED)) {
            node.start();
            send(
                    source,
                    NODE,
                    SacnCodec.encode(new SacnData(cid, "S", 100, 0, 1, true, false, false, 340, 0, Bytes.of(200))));
            send(
                    source,
                    NODE,
                    SacnCodec.encode(new SacnData(cid, "S", 100, 0, 2, false, false, false, 340, 0xDD, Bytes.of(201))));
            send(
                    source,
                    NODE,
                    SacnCodec.encode(new SacnData(cid, "S", 100, 0, 3, false, false, false, 340, 0, Bytes.of(40))));
            await().atMost(5, SECONDS).until(() -> node.levels("p")[0] == 40);
            send(
                    source,
                    NODE,
                    SacnCodec.encode(new SacnData(cid, "S", 100, 0, 4, false, true, false, 340, 0, Bytes.of(99))));
            await().atMost(2, SECONDS)
                    .until(() -> seen.stream()
                            .anyMatch(e -> e instanceof StandinEvent.SourceLost l
                                    && l.why().contains("stops")));
            assertThat(node.levels("p")[0]).as("its levels are ignored").isEqualTo((byte) 40);
        }
    }

    @Test
    void aWatchCountsWhatItHears() throws Exception {
        try (UdpWire listening = wire(Ipv4Address.parse("127.61.30.2"), OutputGuard.State.LISTEN);
                ConsoleStandin console = new ConsoleStandin(
                        wire(CONSOLE, OutputGuard.State.ARMED),
                        "Watched",
                        UUID.randomUUID(),
                        List.of(
                                stream("s", Protocol.SACN, 350, Delivery.MULTICAST),
                                stream("a", Protocol.ARTNET, 351, Delivery.BROADCAST)),
                        true,
                        e -> {})) {
            StreamWatch watch = new StreamWatch(listening);
            watch.start(List.of(350));
            console.start();
            await().atMost(10, SECONDS)
                    .until(() ->
                            watch.seen().size() == 2 && watch.seen().stream().allMatch(s -> s.packets() > 40));
            for (StreamSeen s : watch.seen()) {
                assertThat(s.source()).isEqualTo(CONSOLE);
                assertThat(s.lost()).isZero();
                assertThat(s.ratePerSecond()).isBetween(1.0, 90.0);
            }
            assertThat(watch.seen().get(1).name()).isEqualTo("Watched");
        }
    }

    @Test
    void theReadyDemoLightsItsFixtureAndFiresItsCue() throws Exception {
        Plan plan = FernlightTrail.ready();
        List<StandinEvent> atDesk = new CopyOnWriteArrayList<>();
        OutputGuard guard = new OutputGuard(OutputGuard.State.ASK);
        try (PlanRun run = PlanRun.start(plan, guard, (app, e) -> {
            if (app.equals(Kind.APPLICATION.id("hut-desk"))) {
                atDesk.add(e);
            }
        })) {
            assertThat(run.leftOut()).isEmpty();
            ControlLink go = plan.index().get(Kind.LINK.id("go-link"));
            assertThat(run.sendCue(go, List.of())).as("not armed").isFalse();
            guard.arm(UdpWire.loopbackName());
            run.setSlot(plan.index().stream(Kind.STREAM.id("hut-desk-u1")), 37, 230);
            run.setSlot(plan.index().stream(Kind.STREAM.id("hut-desk-u10")), 1, 90);
            await().atMost(15, SECONDS)
                    .until(() -> (run.levels(plan.index().port(Kind.PORT.id("glasshouse-node.p1")))[36] & 0xFF) == 230);
            await().atMost(15, SECONDS)
                    .until(() -> (run.levels(plan.index().port(Kind.PORT.id("entrance-node.p1")))[0] & 0xFF) == 90);
            await().atMost(15, SECONDS)
                    .until(() -> (run.levels(plan.index().port(Kind.PORT.id("previs.u1")))[36] & 0xFF) == 230);
            assertThat(run.sendCue(go, List.of())).isTrue();
            await().atMost(5, SECONDS)
                    .until(() -> atDesk.stream().anyMatch(e -> e instanceof StandinEvent.Osc o && o.acted()));
        }
    }

    @Test
    void plannedAddressesOfTwoRangesDoNotCollide() {
        AddressTable table = new AddressTable();
        List<Ipv4Address> given = new ArrayList<>();
        for (String planned :
                List.of("10.41.20.1", "2.41.20.1", "192.41.20.1", "10.61.0.1", "10.41.20.255", "10.41.20.0")) {
            given.add(table.assign(Kind.APPLICATION.id("app-" + planned), Optional.of(Ipv4Address.parse(planned))));
        }
        given.add(table.assign(Kind.APPLICATION.id("unplanned"), Optional.empty()));
        assertThat(given)
                .doesNotHaveDuplicates()
                .allSatisfy(a -> assertThat(a.isLoopback()).isTrue());
        assertThat(given.get(0)).hasToString("127.41.20.1");
        assertThat(given).doesNotContain(Ipv4Address.LOOPBACK);
        assertThat(table.assign(Kind.APPLICATION.id("app-2.41.20.1"), Optional.empty()))
                .isEqualTo(given.get(1));
        assertThat(table.at(given.get(2))).contains(Kind.APPLICATION.id("app-192.41.20.1"));
        assertThat(table.all()).hasSize(7);
    }

    @Test
    void aReplyPageHoldsFourPortsOfOneSubNet() {
        List<StandinPort> ports = new ArrayList<>();
        for (int wire : new int[] {14, 15, 16, 17, 18, 19, 20}) {
            ports.add(new StandinPort("p" + wire, Protocol.ARTNET, wire, true, true));
        }
        List<ArtPollReply> pages = PollPages.of(Ipv4Address.LOOPBACK, "Node", ports);
        assertThat(pages).hasSize(3).allSatisfy(p -> assertThat(p.ports()).isLessThanOrEqualTo(4));
        assertThat(pages.stream().mapToInt(p -> p.ports()).sum()).isEqualTo(7);
        assertThat(pages.get(1).output(0).value()).isEqualTo(16);
    }
}
