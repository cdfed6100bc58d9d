package zentrel.standin;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.UUID;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.stream.IntStream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedClass;
import org.junit.jupiter.params.provider.EnumSource;
import zentrel.ipv4.Ipv4Address;
import zentrel.live.StreamSeen;
import zentrel.live.StreamWatch;
import zentrel.net.OutputGuard;
import zentrel.net.Packet;
import zentrel.net.SendIntent;
import zentrel.net.TriedNet;
import zentrel.net.UdpPort;
import zentrel.packet.Bytes;
import zentrel.packet.Samples;
import zentrel.packet.artnet.ArtDmx;
import zentrel.packet.artnet.ArtNetCodec;
import zentrel.packet.artnet.ArtNetPacket;
import zentrel.packet.artnet.ArtPoll;
import zentrel.packet.artnet.ArtPollReply;
import zentrel.packet.osc.OscCodec;
import zentrel.packet.osc.OscMessage;
import zentrel.packet.sacn.SacnCodec;
import zentrel.packet.sacn.SacnData;
import zentrel.packet.sacn.SacnPacket;
import zentrel.packet.sacn.SacnSync;
import zentrel.plan.Delivery;
import zentrel.plan.Loss;
import zentrel.profile.Merge;
import zentrel.profile.Protocol;
import zentrel.universe.PortAddress;
import zentrel.universe.SacnUniverse;

/**
 * Stand-ins on the real network, on loopback, and on a simulated one: consoles, nodes and previs, several on one segment. That
 * something does not come is shown by what was sent after it and did.
 */
@ParameterizedClass(name = "{0}")
@EnumSource(TriedNet.Kind.class)
class BothNetsTest {
    private static final String NODE = "61.20.3";
    private static final String CONSOLE = "61.1.1";
    private static final String SECOND = "61.1.2";
    private static final UUID CID = new UUID(61, 1);

    private final TriedNet net;
    private final List<StandinEvent> seen = new CopyOnWriteArrayList<>();
    private final List<AutoCloseable> opened = new ArrayList<>();

    BothNetsTest(TriedNet.Kind kind) {
        net = kind.open();
    }

    @AfterEach
    void close() throws Exception {
        for (AutoCloseable each : opened) {
            each.close();
        }
        net.close();
    }

    private static ConsoleStream stream(String id, Protocol protocol, int wire, Delivery delivery, Ipv4Address... to) {
        return new ConsoleStream(id, protocol, wire, delivery, List.of(to), 100, 40, false);
    }

    private static StandinPort port(String id, Protocol protocol, int wire) {
        return new StandinPort(id, protocol, wire, true, true);
    }

    private LevelStandin node(StandinPort... ports) throws Exception {
        LevelStandin node = new LevelStandin(net.asking(NODE), "Node", List.of(ports), true, seen::add);
        opened.add(node);
        node.start();
        return node;
    }

    private ConsoleStandin console(String at, boolean continuous, ConsoleStream... streams) throws Exception {
        ConsoleStandin console = new ConsoleStandin(
                net.armed(at), new ConsoleSpec("Console", CID, List.of(streams), continuous), seen::add);
        opened.add(console);
        return console;
    }

    private UdpPort sending(String at) throws Exception {
        UdpPort port = net.sending(at);
        opened.add(port);
        return port;
    }

    private StreamWatch watch(String at, Integer... universes) throws Exception {
        StandinSite site = net.site(at, new OutputGuard(OutputGuard.State.ASK));
        StreamWatch watch = new StreamWatch(site.host(), site.adapter());
        opened.add(watch);
        watch.start(List.of(universes));
        return watch;
    }

    private void send(UdpPort from, Ipv4Address to, int port, byte[] bytes) {
        assertThat(from.send(SendIntent.SETTING, to, port, bytes).left()).isTrue();
    }

    private static byte[] data(UUID cid, int universe, int sequence, int sync, int level) {
        return SacnCodec.encode(
                new SacnData(cid, "S", 100, sync, sequence & 0xFF, false, false, false, universe, 0, Bytes.of(level)));
    }

    private static int level(LevelStandin node, String port, int slot) {
        return node.levels(port)[slot - 1] & 0xFF;
    }

    @Test
    void bothProtocolsArriveByEveryDelivery() throws Exception {
        Ipv4Address at = net.at(NODE);
        LevelStandin node = node(
                port("found", Protocol.ARTNET, 300),
                port("broadcast", Protocol.ARTNET, 301),
                port("unicast", Protocol.ARTNET, 302),
                port("group", Protocol.SACN, 303),
                port("direct", Protocol.SACN, 304),
                new StandinPort("off", Protocol.SACN, 303, true, false),
                port("other", Protocol.SACN, 305));
        ConsoleStandin console = console(
                CONSOLE,
                false,
                stream("found", Protocol.ARTNET, 300, Delivery.FOUND),
                stream("broadcast", Protocol.ARTNET, 301, Delivery.BROADCAST),
                stream("unicast", Protocol.ARTNET, 302, Delivery.UNICAST, at),
                stream("group", Protocol.SACN, 303, Delivery.MULTICAST),
                stream("direct", Protocol.SACN, 304, Delivery.UNICAST, at));
        List<String> ports = List.of("found", "broadcast", "unicast", "group", "direct");
        for (int i = 0; i < ports.size(); i++) {
            console.setSlot(ports.get(i), 37, 100 + i);
        }
        console.start();
        for (int i = 0; i < ports.size(); i++) {
            int level = 100 + i;
            String port = ports.get(i);
            net.until(() -> level(node, port, 37) == level);
        }
        assertThat(level(node, "off", 37)).isZero();
        assertThat(level(node, "other", 37)).isZero();
        assertThat(seen).anyMatch(e -> e instanceof StandinEvent.PollAnswered p && p.to().equals(net.at(CONSOLE)));
        assertThat(seen)
                .anyMatch(e -> e instanceof StandinEvent.Found f
                        && f.node().equals(at)
                        && f.portAddresses().equals(List.of(300, 301, 302)));
    }

    @Test
    void nothingLeavesBeforeOutputIsArmed() throws Exception {
        OutputGuard guard = new OutputGuard(OutputGuard.State.ASK);
        LevelStandin node = node(port("p", Protocol.SACN, 310));
        ConsoleStandin console = new ConsoleStandin(
                net.site(CONSOLE, guard),
                new ConsoleSpec("Console", CID, List.of(stream("s", Protocol.SACN, 310, Delivery.MULTICAST)), true),
                e -> {});
        opened.add(console);
        console.setSlot("s", 1, 255);
        console.start();
        net.until(() -> console.heldCount() > 20);
        assertThat(console.sentCount()).isZero();
        guard.arm(net.adapter());
        net.until(() -> level(node, "p", 1) == 255);
        guard.set(OutputGuard.State.ASK);
        long sent = console.sentCount();
        long held = console.heldCount();
        console.setSlot("s", 1, 1);
        net.until(() -> console.heldCount() > held + 10);
        assertThat(console.sentCount()).isLessThanOrEqualTo(sent + 1);
        guard.arm("another adapter");
        long before = console.heldCount();
        net.until(() -> console.heldCount() > before + 10);
        assertThat(console.sentCount()).isLessThanOrEqualTo(sent + 1);
    }

    @Test
    void anyBytesLeaveEveryListenerAlive() throws Exception {
        List<StandinEvent> osc = new CopyOnWriteArrayList<>();
        LevelStandin node = node(port("p", Protocol.SACN, 320));
        opened.add(new OscStandin(List.of(), true, osc::add).start(net.asking(NODE), 24_633));
        StreamWatch watch = watch("61.30.1", 320);
        UdpPort from = sending(CONSOLE);
        Random random = new Random(17);
        for (int i = 0; i < 3000; i++) {
            byte[] bytes = i % 3 == 0 ? new byte[random.nextInt(1500)] : damaged(random, i);
            if (i % 3 == 0) {
                random.nextBytes(bytes);
            }
            int port = List.of(6454, 5568, 24_633).get(i % 3 == 0 ? random.nextInt(3) : i % 2);
            send(from, net.at(i % 2 == 0 ? NODE : "61.30.1"), port, bytes);
        }
        int[] sequence = {0};
        net.until(() -> {
            send(from, net.at(NODE), SacnPacket.PORT, data(CID, 320, sequence[0]++, 0, 9));
            return level(node, "p", 1) == 9;
        });
        byte[] cue = OscCodec.encode(new OscMessage("/still/here", List.of()));
        net.until(() -> {
            send(from, net.at(NODE), 24_633, cue);
            return osc.stream()
                    .anyMatch(
                            e -> e instanceof StandinEvent.Osc o && o.address().equals("/still/here"));
        });
        net.until(() -> watch.found().unreadable() > 0);
        assertThat(seen).anyMatch(e -> e instanceof StandinEvent.Unreadable);
        assertThat(node.trouble()).isEmpty();
    }

    /** Packets that look right at first and are damaged further in. */
    private static byte[] damaged(Random random, int i) {
        byte[] bytes = i % 2 == 0 ? ArtNetCodec.encode(Samples.artnet(random)) : SacnCodec.encode(Samples.sacn(random));
        bytes[20 % bytes.length] ^= 0x55;
        bytes[bytes.length - 1] ^= 0x55;
        return java.util.Arrays.copyOf(bytes, bytes.length - random.nextInt(bytes.length / 2));
    }

    /** ANSI E1.31-2018 §6.2.4, §11.1. */
    @Test
    void synchronizedDataIsHeldForItsPacket() throws Exception {
        LevelStandin node = node(port("p", Protocol.SACN, 330), port("after", Protocol.SACN, 332));
        UdpPort source = sending(CONSOLE);
        Ipv4Address at = net.at(NODE);
        UUID other = new UUID(61, 2);
        send(source, at, SacnPacket.PORT, data(CID, 330, 0, 331, 5)); // never synchronized yet, so it is put out
        net.until(() -> level(node, "p", 1) == 5);
        byte[] sync = SacnCodec.encode(new SacnSync(CID, 1, 331));
        send(source, SacnUniverse.group(331), SacnPacket.PORT, sync);
        send(source, at, SacnPacket.PORT, data(other, 332, 0, 0, 1));
        net.until(() -> level(node, "after", 1) == 1);
        int[] sequence = {1};
        net.until(
                () -> { // a group and an address are two ways, so held is what is not put out while sync comes
                    send(source, SacnUniverse.group(331), SacnPacket.PORT, sync);
                    send(source, at, SacnPacket.PORT, data(CID, 330, sequence[0], 331, 5 + sequence[0] % 2));
                    send(source, at, SacnPacket.PORT, data(other, 332, sequence[0], 0, sequence[0]));
                    int sent = sequence[0]++;
                    net.until(() -> level(node, "after", 1) == (sent & 0xFF));
                    return level(node, "p", 1) != 5 + sent % 2;
                });
        send(source, SacnUniverse.group(331), SacnPacket.PORT, sync);
        int last = 5 + (sequence[0] - 1) % 2;
        net.until(() -> level(node, "p", 1) == last);
        net.until(
                () -> { // the synchronization stays away
                    send(source, at, SacnPacket.PORT, data(CID, 330, sequence[0]++, 331, 77));
                    return level(node, "p", 1) == 77;
                });
    }

    /** ANSI E1.31-2018 §6.2.6; other start codes carry no levels. */
    @Test
    void previewDataReachesNoLivePortAndATerminatedSourceIsGoneAtOnce() throws Exception {
        LevelStandin node = node(
                port("p", Protocol.SACN, 340),
                new StandinPort(
                        "previs", Protocol.SACN, 340, true, true, false, Merge.HTP, Optional.empty(), Loss.HOLD));
        UdpPort source = sending(CONSOLE);
        Ipv4Address at = net.at(NODE);
        send(
                source,
                at,
                SacnPacket.PORT,
                SacnCodec.encode(new SacnData(CID, "S", 100, 0, 1, true, false, false, 340, 0, Bytes.of(200))));
        net.until(() -> level(node, "previs", 1) == 200);
        assertThat(level(node, "p", 1)).isZero();
        send(
                source,
                at,
                SacnPacket.PORT,
                SacnCodec.encode(new SacnData(CID, "S", 100, 0, 2, false, false, false, 340, 0xDD, Bytes.of(201))));
        send(source, at, SacnPacket.PORT, data(CID, 340, 3, 0, 40));
        net.until(() -> level(node, "p", 1) == 40);
        send(
                source,
                at,
                SacnPacket.PORT,
                SacnCodec.encode(new SacnData(CID, "S", 100, 0, 4, false, true, false, 340, 0, Bytes.of(99))));
        net.until(() -> seen.stream()
                .anyMatch(e -> e instanceof StandinEvent.SourceLost l && l.why().contains("stops")));
        assertThat(level(node, "p", 1)).as("its levels are ignored").isEqualTo(40);
    }

    /** ANSI E1.31-2018 §5.6: a component is its CID. Two with one CID eat each other (§6.7.2); one that moves is still one. */
    @Test
    void aSourceIsItsCid() throws Exception {
        LevelStandin node = node(port("p", Protocol.SACN, 360), port("q", Protocol.SACN, 361));
        UdpPort first = sending(CONSOLE);
        UdpPort second = sending(SECOND);
        Ipv4Address at = net.at(NODE);
        send(first, at, SacnPacket.PORT, data(CID, 360, 100, 0, 10));
        net.until(() -> level(node, "p", 1) == 10);
        send(second, at, SacnPacket.PORT, data(CID, 360, 90, 0, 200)); // out of order for the same source
        send(second, at, SacnPacket.PORT, data(new UUID(1, 1), 361, 1, 0, 5));
        net.until(() -> level(node, "q", 1) == 5);
        assertThat(level(node, "p", 1)).isEqualTo(10);
        send(second, at, SacnPacket.PORT, data(CID, 360, 101, 0, 30)); // lower would be merged away if it were another
        send(second, at, SacnPacket.PORT, data(CID, 360, 102, 0, 3));
        net.until(() -> level(node, "p", 1) == 3);
        send(second, at, SacnPacket.PORT, data(new UUID(61, 3), 360, 1, 0, 60));
        net.until(() -> level(node, "p", 1) == 60);
        assertThat(seen)
                .filteredOn(
                        e -> e instanceof StandinEvent.SourceFound f && f.port().equals("p"))
                .hasSize(2);
    }

    @Test
    void theStandinSaysWhatItsSpecSays() throws Exception {
        List<SacnPacket> packets = new CopyOnWriteArrayList<>();
        StandinSite at = net.asking(NODE);
        UdpPort listening = at.host()
                .call(() -> at.open(
                        SacnPacket.PORT,
                        p -> SacnCodec.decode(p.bytes()).packet().ifPresent(packets::add)));
        opened.add(listening);
        at.host().call(() -> {
            listening.join(SacnUniverse.group(371));
            return true;
        });
        ConsoleStream stream = new ConsoleStream(
                "s", Protocol.SACN, 370, Delivery.UNICAST, List.of(net.at(NODE)), 137, 200, false, true, 371, true);
        ConsoleStandin console = new ConsoleStandin(
                net.armed(CONSOLE),
                new ConsoleSpec("Named", new UUID(5, 6), List.of(stream), true, Optional.of(371)),
                e -> {});
        opened.add(console);
        console.start();
        net.until(() -> packets.stream().filter(SacnData.class::isInstance).count() > 100
                && packets.stream().anyMatch(SacnSync.class::isInstance));
        SacnData data = packets.stream()
                .filter(SacnData.class::isInstance)
                .map(SacnData.class::cast)
                .findFirst()
                .orElseThrow();
        assertThat(data.cid()).isEqualTo(new UUID(5, 6));
        assertThat(data.sourceName()).isEqualTo("Named");
        assertThat(data.priority()).isEqualTo(137);
        assertThat(data.preview()).isTrue();
        assertThat(data.syncAddress()).isEqualTo(371);
        assertThat(data.forceSync()).isTrue();
        StreamWatch watch = watch("61.30.4", 370);
        ConsoleStandin group = console(
                SECOND,
                true,
                new ConsoleStream("g", Protocol.SACN, 372, Delivery.MULTICAST, List.of(), 100, 200, false));
        StreamWatch fast = watch("61.30.5", 372);
        group.start();
        net.until(() -> fast.found().streams().stream().anyMatch(s -> s.ratePerSecond() > 150));
        assertThat(watch.found().streams()).as("sent to another address").isEmpty();
    }

    @Test
    void twoListenersOnOnePortLoseNothing() throws Exception {
        LevelStandin node = node(port("p", Protocol.SACN, 380));
        List<Packet> other = new CopyOnWriteArrayList<>();
        StandinSite site = net.asking(NODE);
        opened.add(TriedNet.open(site, SacnPacket.PORT, other::add));
        UdpPort source = sending(CONSOLE);
        send(source, net.at(NODE), SacnPacket.PORT, data(CID, 380, 0, 0, 0));
        net.until(() -> !other.isEmpty()); // found by ARP, behind which few packets wait
        for (int i = 1; i < 50; i++) {
            send(source, net.at(NODE), SacnPacket.PORT, data(CID, 380, i, 0, i));
        }
        if (site.adapter().loopback()) {
            net.until(() -> level(node, "p", 1) == 49);
        } else { // on a simulated computer unicast is for one of those that share a port, as its system does
            net.until(() -> other.size() == 50);
            assertThat(level(node, "p", 1)).isZero();
        }
        assertThat(other)
                .hasSize(50)
                .allSatisfy(p -> assertThat(p.destination()).isEqualTo(net.at(NODE)));
    }

    @Test
    void aPacketKnowsWhereItWasSentTo() throws Exception {
        List<Packet> arrived = new CopyOnWriteArrayList<>();
        UdpPort listening = TriedNet.open(net.asking(NODE), 24_700, arrived::add);
        opened.add(listening);
        Ipv4Address group = Ipv4Address.parse("239.255.7.7");
        net.asking(NODE).host().call(() -> {
            listening.join(group);
            return true;
        });
        UdpPort source = sending(CONSOLE);
        Ipv4Address broadcast = source.request().adapter().orElseThrow().broadcast();
        for (Ipv4Address to : List.of(net.at(NODE), group, broadcast)) {
            arrived.clear();
            send(source, to, 24_700, new byte[] {1});
            net.until(() -> !arrived.isEmpty());
            assertThat(arrived).singleElement().satisfies(p -> {
                assertThat(p.destination()).isEqualTo(to);
                assertThat(p.source()).isEqualTo(net.at(CONSOLE));
                assertThat(p.destinationPort()).isEqualTo(24_700);
                assertThat(p.sourcePort()).isEqualTo(source.request().port());
            });
        }
    }

    @Test
    void aWatchCountsWhatItHears() throws Exception {
        StreamWatch watch = watch("61.30.2", 350);
        ConsoleStandin console = console(
                CONSOLE,
                true,
                stream("s", Protocol.SACN, 350, Delivery.MULTICAST),
                stream("a", Protocol.ARTNET, 351, Delivery.BROADCAST));
        console.setSlot("s", 3, 33);
        console.start();
        net.until(() -> watch.found().streams().size() == 2
                && watch.found().streams().stream().allMatch(s -> s.packets() > 40));
        List<StreamSeen> streams = watch.found().streams();
        for (StreamSeen s : streams) {
            assertThat(s.source()).isEqualTo(net.at(CONSOLE));
            assertThat(s.lost()).isZero();
            assertThat(s.outOfOrder()).isZero();
            assertThat(s.state()).isEqualTo(StreamSeen.State.SENDS);
            assertThat(s.ratePerSecond()).isBetween(25.0, 60.0);
        }
        assertThat(streams.get(1).name()).isEqualTo("Console");
        assertThat(streams.get(1).cid()).contains(CID);
        assertThat(streams.get(1).levels().at(2)).isEqualTo(33);
        console.close();
        net.until(() -> watch.found().streams().get(1).state() == StreamSeen.State.ENDED);
        net.until(
                () -> watch.found().streams().get(1).ratePerSecond() == 0); // the rate now, not since the first packet
        net.until(
                () -> watch.found().streams().get(0).state() == StreamSeen.State.SILENT); // Art-Net has no stop packet
    }

    /** ANSI E1.31-2018 §6.7.1: 2.5 s. */
    @Test
    void eachPortDoesWhatItIsSetToWhenNothingComesAnyMore() throws Exception {
        Map<String, Loss> losses = Map.of("hold", Loss.HOLD, "black", Loss.BLACK, "full", Loss.FULL);
        LevelStandin node = node(losses.entrySet().stream()
                .map(e -> new StandinPort(
                        e.getKey(), Protocol.SACN, 390, true, true, true, Merge.HTP, Optional.empty(), e.getValue()))
                .toArray(StandinPort[]::new));
        send(sending(CONSOLE), net.at(NODE), SacnPacket.PORT, data(CID, 390, 1, 0, 40));
        net.until(() -> level(node, "full", 1) == 40);
        net.until(() -> level(node, "full", 1) == 255);
        net.until(() -> level(node, "black", 1) == 0);
        assertThat(level(node, "hold", 1)).isEqualTo(40);
    }

    /** A page has one Net and Sub-Net for four ports at most (Art-Net 4, ArtPollReply). */
    @Test
    void aNodeWithSixteenPortsAnswersInPages() throws Exception {
        List<StandinPort> ports = IntStream.range(0, 16)
                .mapToObj(i -> port("p" + i, Protocol.ARTNET, 14 + i))
                .toList();
        LevelStandin node = node(ports.toArray(StandinPort[]::new));
        List<ArtPollReply> pages = new CopyOnWriteArrayList<>();
        UdpPort asking = TriedNet.open(
                net.asking(CONSOLE),
                ArtNetPacket.PORT,
                p -> ArtNetCodec.decode(p.bytes()).packet().ifPresent(read -> {
                    if (read instanceof ArtPollReply r) {
                        pages.add(r);
                    }
                }));
        opened.add(asking);
        assertThat(asking.send(SendIntent.ASKING, net.at(NODE), ArtNetPacket.PORT, ArtNetCodec.encode(ArtPoll.plain()))
                        .left())
                .isTrue();
        net.until(() -> pages.stream().mapToInt(ArtPollReply::ports).sum() == 16);
        assertThat(pages).allSatisfy(p -> assertThat(p.ports()).isLessThanOrEqualTo(4));
        assertThat(pages.stream().map(ArtPollReply::bindIndex)).doesNotHaveDuplicates();
        assertThat(pages.stream()
                        .flatMap(p -> IntStream.range(0, p.ports())
                                .mapToObj(i -> p.output(i).value()))
                        .sorted())
                .containsExactlyElementsOf(IntStream.range(14, 30).boxed().toList());
        UdpPort source = sending(SECOND);
        for (int i = 0; i < 16; i++) {
            byte[] dmx = ArtNetCodec.encode(new ArtDmx(0, 0, new PortAddress(14 + i), Bytes.of(50 + i, 0)));
            send(source, net.at(NODE), ArtNetPacket.PORT, dmx);
        }
        for (int i = 0; i < 16; i++) {
            int level = 50 + i;
            String port = "p" + i;
            net.until(() -> level(node, port, 1) == level);
        }
    }
}
