package zentrel.live;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.UUID;
import java.util.concurrent.CopyOnWriteArrayList;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import zentrel.found.AnsweredBy;
import zentrel.found.DeviceState;
import zentrel.found.FoundDevice;
import zentrel.found.FoundPort;
import zentrel.ipv4.Ipv4Address;
import zentrel.net.OutputGuard;
import zentrel.net.SendIntent;
import zentrel.net.TriedNet;
import zentrel.net.UdpPort;
import zentrel.packet.Bytes;
import zentrel.packet.Samples;
import zentrel.packet.artnet.ArtNetCodec;
import zentrel.packet.artnet.ArtPollReply;
import zentrel.packet.rdm.Uid;
import zentrel.packet.sacn.SacnCodec;
import zentrel.packet.sacn.SacnDiscovery;
import zentrel.packet.sacn.SacnPacket;
import zentrel.plan.Loss;
import zentrel.profile.Direction;
import zentrel.profile.Merge;
import zentrel.profile.Protocol;
import zentrel.standin.NodeStandin;
import zentrel.standin.NodeTraits;
import zentrel.standin.RdmFixture;
import zentrel.standin.StandinEvent;
import zentrel.standin.StandinPort;
import zentrel.standin.StandinSite;
import zentrel.universe.SacnUniverse;

/** Devices are found, told apart, set and followed: stand-ins of nodes at full size, and answers that lie. */
class DiscoveryTest {
    private static final String BENCH = "64.1.1";
    private final List<AutoCloseable> opened = new ArrayList<>();
    private final List<StandinEvent> seen = new CopyOnWriteArrayList<>();

    @AfterEach
    void close() throws Exception {
        for (int i = opened.size() - 1; i >= 0; i--) {
            opened.get(i).close();
        }
    }

    private TriedNet open(TriedNet.Kind kind) {
        TriedNet net = kind.open();
        opened.add(net);
        return net;
    }

    private Discovery discovery(StandinSite site, Ipv4Address... typed) throws IOException {
        Discovery discovery =
                new Discovery(site.host(), site.adapter(), List.of(typed), (a, limit) -> Optional.empty(), a -> false);
        opened.add(discovery);
        discovery.start();
        return discovery;
    }

    private static StandinPort output(String id, Protocol protocol, int wire) {
        return new StandinPort(id, protocol, wire, true, true);
    }

    private NodeStandin node(StandinSite site, String name, NodeTraits traits, StandinPort... ports)
            throws IOException {
        NodeStandin node = new NodeStandin(site, name, List.of(ports), true, traits, a -> false, seen::add);
        opened.add(node);
        node.start();
        return node;
    }

    private static FoundPort port(int number, int page, int index, Protocol protocol, int wire) {
        return new FoundPort(number, page, index, Direction.OUTPUT, protocol, wire, Merge.HTP, true);
    }

    @ParameterizedTest
    @EnumSource
    void everyPageOfANodeIsPutTogether(TriedNet.Kind kind) throws Exception {
        TriedNet net = open(kind);
        node(
                net.asking("64.20.3"),
                "Boathouse",
                NodeTraits.usual("Boathouse node"),
                output("1", Protocol.ARTNET, 14),
                output("2", Protocol.ARTNET, 15),
                output("3", Protocol.SACN, 16),
                new StandinPort("4", Protocol.ARTNET, 17, false, true));
        Discovery discovery = discovery(net.asking(BENCH));
        net.until(() -> discovery.devices().stream().anyMatch(d -> d.ports().size() == 4));
        FoundDevice found = discovery.devices().get(0);
        assertThat(found.address()).isEqualTo(net.at("64.20.3"));
        assertThat(found.shortName()).isEqualTo("Boathouse");
        assertThat(found.longName()).isEqualTo("Boathouse node");
        assertThat(found.version()).isEqualTo("2.1");
        assertThat(found.state()).isEqualTo(DeviceState.READY);
        assertThat(found.loss()).isEqualTo(Loss.HOLD);
        assertThat(found.answers()).containsExactly(AnsweredBy.ARTPOLL);
        assertThat(found.ports())
                .as("14 and 15 share no page with 16 and 17")
                .containsExactly(
                        port(1, 1, 0, Protocol.ARTNET, 14),
                        port(2, 1, 1, Protocol.ARTNET, 15),
                        port(3, 2, 0, Protocol.SACN, 16),
                        new FoundPort(4, 2, 1, Direction.INPUT, Protocol.ARTNET, 17, Merge.HTP, false));
    }

    @Test
    void aNodeThatIsSwitchedOffFallsSilentAndKeepsItsPlace() throws Exception {
        TriedNet net = open(TriedNet.Kind.SIMULATED);
        NodeStandin node =
                node(net.asking("64.20.4"), "Jetty", NodeTraits.usual("Jetty node"), output("1", Protocol.ARTNET, 3));
        Discovery discovery = discovery(net.asking(BENCH));
        net.until(() -> !discovery.devices().isEmpty());
        node.close();
        net.until(() -> discovery.devices().get(0).state() == DeviceState.SILENT);
        node(net.asking("64.20.4"), "Jetty", NodeTraits.usual("Jetty node"), output("1", Protocol.ARTNET, 3));
        net.until(() -> discovery.devices().get(0).state() == DeviceState.READY);
    }

    private static ArtPollReply reply(Ipv4Address address, int mac, int firmware, int bindIndex, int ports) {
        return new ArtPollReply(
                address,
                6454,
                firmware,
                0,
                0,
                7,
                0,
                0xD0,
                0x7FF0,
                "n" + mac,
                "",
                "",
                ports,
                Bytes.of(0x80, 0x80, 0x80, 0x80),
                Bytes.zeros(4),
                Bytes.zeros(4),
                Bytes.zeros(4),
                Bytes.of(1, 2, 3, 4),
                100,
                0,
                0,
                0,
                Bytes.of(2, 0x5A, 0, 0, mac >> 8, mac & 0xFF),
                address,
                bindIndex,
                0,
                Bytes.zeros(4),
                0,
                Bytes.zeros(ArtPollReply.REST));
    }

    /** What is found is told apart by hardware address, version and reach; what the answers claim is said to be a claim. */
    @Test
    void statesAndLies() throws Exception {
        TriedNet net = open(TriedNet.Kind.REAL);
        Discovery discovery = discovery(net.asking("64.1.2"));
        Ipv4Address bench = net.at("64.1.2");
        record Answer(String from, ArtPollReply reply) {}
        List<Answer> answers = new ArrayList<>(List.of(
                new Answer("64.30.1", reply(net.at("64.30.1"), 1, 0x0201, 1, 1)),
                new Answer("64.30.1", reply(net.at("64.30.1"), 2, 0x0201, 1, 1)),
                new Answer("64.30.3", reply(net.at("64.30.3"), 3, 0x0108, 1, 1)),
                new Answer("64.30.4", reply(Ipv4Address.parse("10.9.9.9"), 4, 0x0201, 1, 4))));
        Runnable answering = () -> answers.forEach(answer -> {
            try (UdpPort port = net.sending(answer.from())) {
                assertThat(port.send(SendIntent.SETTING, bench, 6454, ArtNetCodec.encode(answer.reply()))
                                .left())
                        .isTrue();
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        });
        answering.run();
        try (UdpPort port = net.sending("64.30.5")) {
            for (int page = 0; page < 600; page++) { // pages without end
                ArtPollReply reply = reply(net.at("64.30.5"), 5, 0x0201, page % 256, 4);
                assertThat(port.send(SendIntent.SETTING, bench, 6454, ArtNetCodec.encode(reply))
                                .left())
                        .isTrue();
            }
        }
        net.until(() -> discovery.devices().size() == 5);
        net.until(() -> discovery.devices().get(4).ports().size() > 900);
        answering.run(); // on a slow machine the first answers may be older than the silence by now
        List<DeviceState> states = List.of(
                DeviceState.DUPLICATE_ADDRESS,
                DeviceState.DUPLICATE_ADDRESS,
                DeviceState.FIRMWARE_DIFFERS,
                DeviceState.READY,
                DeviceState.READY);
        net.until(() ->
                discovery.devices().stream().map(FoundDevice::state).toList().equals(states));
        List<FoundDevice> found = discovery.devices();
        assertThat(found.get(3).remarks())
                .containsExactly(
                        "Its answer says that its address is 10.9.9.9, and came from " + net.at("64.30.4") + ".");
        assertThat(found.get(4).ports()).hasSizeLessThanOrEqualTo(1020);
    }

    @ParameterizedTest
    @EnumSource
    void sourcesOfSacnAnnounceThemselves(TriedNet.Kind kind) throws Exception {
        TriedNet net = open(kind);
        Discovery discovery = discovery(net.asking(BENCH));
        UdpPort port = net.sending("64.1.9");
        byte[] announced = SacnCodec.encode(new SacnDiscovery(new UUID(1, 2), "Hut desk", 0, 0, List.of(5, 7)));
        port.send(SendIntent.SETTING, SacnUniverse.group(SacnPacket.DISCOVERY_UNIVERSE), SacnPacket.PORT, announced);
        net.until(() -> discovery.devices().stream().anyMatch(d -> d.shortName().equals("Hut desk")));
        assertThat(discovery.devices().get(0).answers()).containsExactly(AnsweredBy.SACN);
    }

    @Test
    void aNodeIsSetAndFollowedToItsNewAddressAndPutBack() throws Exception {
        TriedNet net = open(TriedNet.Kind.REAL);
        NodeTraits traits =
                new NodeTraits("Paths node", 0x0201, NodeTraits.PROTOTYPE, 4, true, Duration.ofMillis(700), Map.of());
        node(net.asking("64.40.1"), "Paths", traits, output("1", Protocol.ARTNET, 8), output("2", Protocol.ARTNET, 9));
        StandinSite bench = net.armed("64.1.3");
        Discovery discovery = discovery(bench, net.at("64.40.1"));
        net.until(() -> discovery.devices().stream().anyMatch(d -> d.address().equals(net.at("64.40.1"))));
        FoundDevice before = discovery.devices().stream()
                .filter(d -> d.address().equals(net.at("64.40.1")))
                .findFirst()
                .orElseThrow();
        NodeSetting wanted = NodeSetting.NOTHING
                .withNames(Optional.of("Jetty"), Optional.empty())
                .withPort(1, NodeSetting.PortSetting.NOTHING.withUniverse(Protocol.ARTNET, 0x127))
                .withPort(
                        2,
                        NodeSetting.PortSetting.NOTHING
                                .withUniverse(Protocol.SACN, 0x12F)
                                .withMerge(Merge.LTP))
                .withFailSafe(Loss.BLACK)
                .withAddress(NodeSetting.AddressSetting.fixed(net.at("64.40.2"), Ipv4Address.parse("255.0.0.0")));
        NodeSetter setter = new NodeSetter(discovery, () -> false, t -> {});
        NodeSetter.Outcome outcome = setter.set(before, wanted, Duration.ofSeconds(10));
        assertThat(outcome.missing()).isEmpty();
        FoundDevice after = outcome.after().orElseThrow();
        assertThat(after.address()).isEqualTo(net.at("64.40.2"));
        assertThat(after.shortName()).isEqualTo("Jetty");
        assertThat(after.loss()).isEqualTo(Loss.BLACK);
        assertThat(after.ports())
                .containsExactly(
                        port(1, 1, 0, Protocol.ARTNET, 0x127),
                        new FoundPort(2, 1, 1, Direction.OUTPUT, Protocol.SACN, 0x12F, Merge.LTP, true));
        assertThat(outcome.seconds()).isBetween(0.7, 9.0);

        NodeSetting back = wanted.undoing(before, outcome.mask());
        NodeSetter.Outcome undone = setter.set(after, back, Duration.ofSeconds(10));
        assertThat(undone.missing()).isEmpty();
        FoundDevice again = undone.after().orElseThrow();
        assertThat(again.address()).isEqualTo(before.address());
        assertThat(again.ports()).isEqualTo(before.ports());
        assertThat(again.shortName()).isEqualTo("Paths");
    }

    @Test
    void whatAPageCannotHoldIsRefusedBeforeAnythingIsSent() throws Exception {
        TriedNet net = open(TriedNet.Kind.REAL);
        node(
                net.asking("64.50.1"),
                "Paths",
                NodeTraits.usual("Paths node"),
                output("1", Protocol.ARTNET, 14),
                output("2", Protocol.ARTNET, 15));
        Discovery discovery = discovery(net.armed("64.1.4"), net.at("64.50.1"));
        net.until(() -> discovery.devices().stream().anyMatch(d -> d.address().equals(net.at("64.50.1"))));
        FoundDevice device = discovery.devices().stream()
                .filter(d -> d.address().equals(net.at("64.50.1")))
                .findFirst()
                .orElseThrow();
        NodeSetter setter = new NodeSetter(discovery, () -> false, t -> {});
        NodeSetting one =
                NodeSetting.NOTHING.withPort(1, NodeSetting.PortSetting.NOTHING.withUniverse(Protocol.ARTNET, 16));
        assertThatThrownBy(() -> setter.set(device, one, Duration.ofSeconds(1)))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining("share one Net and Sub-Net")
                .hasMessageContaining("16 to 31");
        assertThatThrownBy(() -> setter.set(
                        device,
                        NodeSetting.NOTHING.withPort(3, NodeSetting.PortSetting.NOTHING),
                        Duration.ofSeconds(1)))
                .hasMessageContaining("has no port 3");
        assertThat(seen).noneMatch(e -> e instanceof StandinEvent.WasSet);
    }

    @Test
    void nothingIsSetBeforeOutputIsArmed() throws Exception {
        TriedNet net = open(TriedNet.Kind.REAL);
        node(net.asking("64.60.1"), "Paths", NodeTraits.usual("Paths node"), output("1", Protocol.ARTNET, 1));
        OutputGuard guard = new OutputGuard(OutputGuard.State.ASK);
        Discovery discovery = discovery(net.site("64.1.5", guard), net.at("64.60.1"));
        net.until(() -> discovery.devices().stream().anyMatch(d -> d.address().equals(net.at("64.60.1"))));
        FoundDevice device = discovery.devices().stream()
                .filter(d -> d.address().equals(net.at("64.60.1")))
                .findFirst()
                .orElseThrow();
        NodeSetter setter = new NodeSetter(discovery, () -> false, t -> {});
        NodeSetting wanted = NodeSetting.NOTHING.withNames(Optional.of("Jetty"), Optional.empty());
        assertThatThrownBy(() -> setter.set(device, wanted, Duration.ofSeconds(1)))
                .isInstanceOf(IOException.class)
                .hasMessage("Output is not armed.");
        assertThat(seen).noneMatch(e -> e instanceof StandinEvent.WasSet);
    }

    @Test
    void fixturesWithRdmAreListedAndSet() throws Exception {
        TriedNet net = open(TriedNet.Kind.REAL);
        List<RdmFixture> line = new ArrayList<>();
        for (int i = 0; i < 205; i++) { // more than one block of 200
            line.add(new RdmFixture(new Uid(0x7FF0, i + 1), "Fernlight", "wash 2", 5, 2, 1 + 2 * i));
        }
        NodeTraits traits = new NodeTraits(
                "Paths node", 0x0201, NodeTraits.PROTOTYPE, 4, true, Duration.ofSeconds(1), Map.of("2", line));
        node(net.asking("64.70.1"), "Paths", traits, output("1", Protocol.ARTNET, 8), output("2", Protocol.ARTNET, 9));
        OutputGuard guard = new OutputGuard(OutputGuard.State.ASK);
        Discovery discovery = discovery(net.site("64.1.7", guard), net.at("64.70.1"));
        net.until(() -> discovery.devices().stream().anyMatch(d -> d.address().equals(net.at("64.70.1"))));
        FoundDevice device = discovery.devices().stream()
                .filter(d -> d.address().equals(net.at("64.70.1")))
                .findFirst()
                .orElseThrow();
        RdmBrowser browser = new RdmBrowser(discovery, () -> false);
        List<RdmDevice> found = browser.list(device);
        assertThat(found).hasSize(205);
        assertThat(found.get(3)).isEqualTo(new RdmDevice(new Uid(0x7FF0, 4), 2, "Fernlight", "wash 2", 7, 2));
        assertThatThrownBy(() -> browser.setStart(device, found.get(3), 300))
                .isInstanceOf(IOException.class)
                .hasMessage("Output is not armed.");
        guard.arm(net.adapter());
        assertThat(browser.setStart(device, found.get(3), 300)).isTrue();
        assertThat(browser.setStart(device, found.get(4), 513))
                .as("refused by the fixture")
                .isFalse();
        assertThat(browser.identify(device, found.get(3), true)).isTrue();
        assertThat(browser.list(device).get(3).start()).isEqualTo(300);
    }

    @Test
    void answersOfAnySortDoNoHarm() throws Exception {
        TriedNet net = open(TriedNet.Kind.SIMULATED);
        Discovery discovery = discovery(net.asking(BENCH));
        UdpPort port = net.sending("64.9.9");
        Random random = new Random(3);
        for (int i = 0; i < 2_000; i++) {
            ArtPollReply reply = Samples.reply(random);
            port.send(SendIntent.SETTING, net.at(BENCH), 6454, ArtNetCodec.encode(reply));
        }
        net.until(() -> discovery.devices().size() > 1);
        assertThat(discovery.devices()).hasSizeLessThanOrEqualTo(4096);
    }
}
