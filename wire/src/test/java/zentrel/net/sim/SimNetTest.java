package zentrel.net.sim;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.net.NetAdapter;
import zentrel.net.NetHost;
import zentrel.net.PortRequest;
import zentrel.net.SendIntent;
import zentrel.net.UdpPort;
import zentrel.path.Reason;

/** What a simulated network does by itself: memberships that age, addresses that come with time, duplicates, progress. */
class SimNetTest {
    private static final long SECOND = 1_000_000_000L;
    private static final Ipv4Address GROUP = Ipv4Address.parse("239.255.0.7");

    private final SimNet net = new SimNet(22);
    private final List<Drop> drops = new ArrayList<>();

    private SimHost host(String name, SimSwitch box, String... addresses) {
        SimHost host = net.addHost(name, HostTraits.LINUX);
        SimAdapter adapter = host.addAdapter(name + ".net", "net", false);
        for (String address : addresses) {
            adapter.with(HostAddress.parse(address));
        }
        net.cable(name + " cable", adapter, box.socket(name + " socket", 0, false), true);
        return host;
    }

    private static NetHost program(SimHost host) {
        return host.program("program");
    }

    private static NetAdapter adapter(SimHost host) {
        return program(host).adapters().get(0);
    }

    /**
     * A switch that snoops and drops what nobody asked for: without a querier a membership ages out after 260 s, with one it is renewed
     * (RFC 2236 §8.4; RFC 4541 §2.1.2).
     */
    @ParameterizedTest
    @CsvSource({"false, true, false", "true, true, true", "false, false, true"})
    void aGroupGoesOnAsLongAsSomebodyAsks(boolean querier, boolean drops, boolean stillComes) throws Exception {
        SimSwitch box = net.addSwitch("box", new SwitchTraits(true, querier, drops, false, false, true));
        SimHost desk = host("desk", box, "10.0.0.1/16");
        SimHost node = host("node", box, "10.0.0.2/16");
        net.onDrop(this.drops::add);
        AtomicInteger heard = new AtomicInteger();
        UdpPort port = program(node).open(PortRequest.at(adapter(node), 5568), p -> heard.incrementAndGet());
        port.join(GROUP);
        UdpPort from = program(desk).open(PortRequest.at(adapter(desk), 0), p -> {});
        net.clock().every(SECOND, SECOND, () -> from.send(SendIntent.SETTING, GROUP, 5568, new byte[1]));
        net.pass(250 * SECOND);
        assertThat(heard.get()).as("in the first four minutes").isBetween(245, 250);
        int early = heard.get();
        net.pass(100 * SECOND);
        assertThat(heard.get() - early >= 95).isEqualTo(stillComes);
        assertThat(this.drops.stream().anyMatch(d -> d.reason() == Reason.NOBODY_ASKS))
                .isEqualTo(!stillComes);
    }

    /** RFC 2131: a server answers at once. RFC 3927 §2.1, §2.2.1, §9: else 169.254.1.0–169.254.254.255, claimed in 4 to 7 s. */
    @ParameterizedTest
    @CsvSource({"true", "false"})
    void anAddressComesFromAServerOrAfterAMinute(boolean server) {
        SimSwitch box = net.addSwitch("box", SwitchTraits.PLAIN);
        SimHost keeper = host("keeper", box, "10.0.0.1/16");
        SimHost laptop = host("laptop", box);
        if (server) {
            keeper.simAdapters().get(0).serve(Ipv4Address.parse("10.0.9.1"), Ipv4Address.parse("10.0.9.2"));
        }
        SimAdapter asking = laptop.simAdapters().get(0);
        asking.obtain();
        net.pass(SECOND);
        if (server) {
            assertThat(asking.addresses()).containsExactly(HostAddress.parse("10.0.9.1/16"));
            return;
        }
        assertThat(asking.addresses()).isEmpty();
        net.pass(58 * SECOND);
        assertThat(asking.addresses()).isEmpty();
        net.pass(10 * SECOND);
        assertThat(asking.addresses()).singleElement().satisfies(a -> {
            assertThat(a.address().isLinkLocal()).isTrue();
            assertThat(a.prefixLength()).isEqualTo(16);
            assertThat(a.address().octet(2)).isBetween(1, 254);
        });
    }

    @Test
    void aPoolThatIsEmptyGivesNothing() {
        SimSwitch box = net.addSwitch("box", SwitchTraits.PLAIN);
        host("keeper", box, "10.0.0.1/16")
                .simAdapters()
                .get(0)
                .serve(Ipv4Address.parse("10.0.9.1"), Ipv4Address.parse("10.0.9.2"));
        List<SimAdapter> asking = new ArrayList<>();
        for (int i = 0; i < 3; i++) {
            SimAdapter a = host("laptop" + i, box).simAdapters().get(0);
            a.obtain();
            asking.add(a);
        }
        net.pass(SECOND);
        assertThat(asking.stream().flatMap(a -> a.addresses().stream()).map(HostAddress::toString))
                .containsExactly("10.0.9.1/16", "10.0.9.2/16");
    }

    /** Of two with one address the one that answered last gets what is sent to it (common practice, no source). */
    @Test
    void aDuplicateAddressIsALottery() throws Exception {
        SimSwitch box = net.addSwitch("box", SwitchTraits.PLAIN);
        SimHost desk = host("desk", box, "10.0.0.1/16");
        List<String> heard = new ArrayList<>();
        for (String name : List.of("first", "second")) {
            SimHost node = host(name, box, "10.0.0.7/16");
            assertThat(program(node).open(PortRequest.at(adapter(node), 9000), p -> heard.add(name)))
                    .isNotNull();
        }
        UdpPort from = program(desk).open(PortRequest.at(adapter(desk), 0), p -> {});
        net.clock()
                .every(
                        SECOND,
                        SECOND,
                        () -> from.send(SendIntent.SETTING, Ipv4Address.parse("10.0.0.7"), 9000, new byte[1]));
        net.pass(10 * SECOND);
        assertThat(heard).hasSizeGreaterThan(8);
        assertThat(heard.subList(1, heard.size())).containsOnly("second");
    }

    @Test
    void aRunTellsHowFarItIsAndCanBeStopped() {
        List<Double> told = new ArrayList<>();
        assertThat(net.run(10 * SECOND, told::add)).isTrue();
        assertThat(told).hasSize(100).isSorted().last().isEqualTo(1.0);
        assertThat(net.run(10 * SECOND, done -> {
                    if (done > 0.3) {
                        net.stop();
                    }
                }))
                .isFalse();
        assertThat(net.clock().now()).isBetween(13 * SECOND, 14 * SECOND);
    }

    /** Two switches with two cables between them: the first broadcast runs round, and nothing comes through any more. */
    @Test
    void aRingFillsTheNetwork() throws Exception {
        SimSwitch a = net.addSwitch("a", SwitchTraits.PLAIN);
        SimSwitch b = net.addSwitch("b", SwitchTraits.PLAIN);
        net.cable("one", a.socket("a1", 0, false), b.socket("b1", 0, false), true);
        net.cable("two", a.socket("a2", 0, false), b.socket("b2", 0, false), true);
        SimHost desk = host("desk", a, "10.0.0.1/16");
        SimHost node = host("node", b, "10.0.0.2/16");
        desk.simAdapters().get(0).announce();
        net.onDrop(drops::add);
        AtomicInteger heard = new AtomicInteger();
        assertThat(program(node)
                        .open(PortRequest.at(adapter(node), 9000).withBroadcasts(), p -> heard.incrementAndGet()))
                .isNotNull();
        UdpPort from = program(desk).open(PortRequest.at(adapter(desk), 0), p -> {});
        net.pass(SECOND);
        assertThat(from.send(SendIntent.SETTING, adapter(desk).broadcast(), 9000, new byte[1])
                        .left())
                .isTrue();
        net.pass(SECOND);
        assertThat(heard.get()).isZero();
        assertThat(drops).extracting(Drop::reason).containsOnly(Reason.RING);
        assertThat(Optional.of(drops.get(0).place()))
                .hasValueSatisfying(p -> assertThat(p).endsWith("cable"));
    }
}
