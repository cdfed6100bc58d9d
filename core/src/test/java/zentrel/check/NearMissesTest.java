package zentrel.check;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.params.provider.Arguments.arguments;

import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import zentrel.TestPlans;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.ipv4.Subnet;
import zentrel.plan.*;
import zentrel.profile.Direction;

/** What looks like a mistake and is none: changes of a healthy rig that come near a rule and must not be found by it. */
class NearMissesTest {
    private static final Plan PIER = TestPlans.pier();

    private static Plan adapter(String id, UnaryOperator<Adapter> change) {
        return PIER.with(Kind.ADAPTER.id(id), change);
    }

    private static Plan stream(String id, UnaryOperator<zentrel.plan.Stream> change) {
        return PIER.with(Kind.STREAM.id(id), change);
    }

    private static Plan port(String id, UnaryOperator<Port> change) {
        return PIER.with(Kind.PORT.id(id), change);
    }

    private static UnaryOperator<Adapter> at(String address) {
        return a -> a.withAddress(0, new AdapterAddress(Setting.of(HostAddress.parse(address)), AddressOrigin.MANUAL));
    }

    static Stream<Arguments> misses() {
        return Stream.of(
                arguments(
                        "control.wrong-target",
                        "the main desk is the one that gets it",
                        RulesTest.toTheBackup("\"to\":\"m\",\"destination\":\"10.71.0.1\"", "")),
                arguments(
                        "control.wrong-target",
                        "the backup gets it beside the main desk",
                        RulesTest.toTheBackup(
                                "\"to\":\"m\",\"destination\":\"10.71.0.1\"",
                                ",{\"id\":\"also\",\"from\":\"c\",\"to\":\"b\",\"destination\":\"10.71.0.2\","
                                        + "\"port\":24610,\"pattern\":\"/show/next\"}")),
                arguments("line.loads", "a pixel output with forty fixtures is no DMX line", pixels()),
                arguments(
                        "address.duplicate",
                        "the same address on another segment",
                        adapter("cue.talk", at("172.19.4.21/22"))),
                arguments(
                        "address.duplicate", "a neighbour's next address", adapter("node-b.net", at("10.77.20.6/16"))),
                arguments(
                        "address.mask-differs",
                        "another range altogether is no other mask",
                        adapter("node-c.net", at("10.78.0.5/16"))),
                arguments(
                        "address.not-a-host",
                        "ends in .0 and is a host of a /16",
                        adapter("node-c.net", at("10.77.9.0/16"))),
                arguments(
                        "address.not-a-host",
                        "ends in .255 and is a host of a /16",
                        adapter("node-c.net", at("10.77.9.255/16"))),
                arguments(
                        "address.not-a-host",
                        "both ends of a /31 (RFC 3021)",
                        adapter("node-c.net", at("10.77.9.0/31"))),
                arguments(
                        "address.artnet-range", "2.x is accepted as 10.x is", adapter("node-a.net", at("2.77.20.3/8"))),
                arguments(
                        "address.gateway",
                        "the router of its own segment",
                        adapter("cue.talk", a -> a.withGateway(Optional.of(Ipv4Address.parse("172.19.4.1"))))),
                arguments(
                        "address.in-dhcp-pool",
                        "the address before the pool",
                        adapter("cue.talk", at("172.19.4.99/22"))),
                arguments(
                        "address.in-dhcp-pool",
                        "the address after the pool",
                        adapter("cue.talk", at("172.19.4.151/22"))),
                arguments(
                        "address.public-routed",
                        "a public range with no way out",
                        PIER.with(Kind.SEGMENT.id("light"), s -> s.withSubnet(Optional.of(Subnet.parse("2.0.0.0/8"))))),
                arguments(
                        "address.same-subnet-twice",
                        "two adapters in two subnets that look alike",
                        adapter("desk.talk", at("10.78.1.1/16"))),
                arguments(
                        "address.link-local-mix",
                        "an adapter on no segment",
                        adapter("link.desk", a -> a.withAddresses(List.of()))),
                arguments(
                        "adapter.unplugged",
                        "nobody needs the adapter",
                        adapter("node-c.net", a -> a.withCarrier(false))),
                arguments(
                        "adapter.unplugged",
                        "switched on, planned to be off",
                        adapter("desk.light", a -> a.withEnabled(new Setting<>(false, true)))),
                arguments(
                        "dhcp.two-servers",
                        "one on each of two segments",
                        adapter(
                                "desk.light",
                                a -> a.withServes(Optional.of(new DhcpServer(
                                        Setting.of(true),
                                        Ipv4Address.parse("10.77.200.1"),
                                        Ipv4Address.parse("10.77.200.9")))))),
                arguments(
                        "dhcp.two-servers",
                        "a second one that is off",
                        adapter(
                                "cue.talk",
                                a -> a.withServes(Optional.of(new DhcpServer(
                                        Setting.of(false),
                                        Ipv4Address.parse("172.19.5.1"),
                                        Ipv4Address.parse("172.19.5.9")))))),
                arguments(
                        "network.exposed",
                        "guests where no stream is",
                        PIER.with(Kind.SEGMENT.id("house"), s -> s.withGuests(true))),
                arguments(
                        "network.isolated",
                        "kept apart, and one of the two is wired",
                        PIER.with(Kind.SEGMENT.id("talk"), s -> s.withIsolated(true))),
                arguments("network.load", "just below 70 %", stream("s2", s -> s.withRate(10_500))),
                arguments(
                        "receiver.broadcast-load",
                        "just below what a small device takes",
                        stream("s3", s -> s.withRate(990))),
                arguments(
                        "receiver.broadcast-load",
                        "many packets, and none to everybody",
                        stream("s2", s -> s.withRate(4_000))),
                arguments("universe.rate", "as fast as DMX goes", stream("s1", s -> s.withRate(44))),
                arguments("universe.rate", "slow, and in time", stream("s1", s -> s.withRate(0.5))),
                arguments("universe.off-by-one", "two apart is no slip by one", port("c1", p -> p.withWire(104))),
                arguments("universe.off-by-one", "one off at a port that is off", port("c1", p -> p.withWire(103))),
                arguments("universe.two-sources", "one priority apart", stream("s2-spare", s -> s.withPriority(99))),
                arguments(
                        "universe.two-sources",
                        "the other one is switched off",
                        stream("s2-spare", s -> s.withPriority(100).withEnabled(false))),
                arguments(
                        "universe.two-sources",
                        "meant to be merged",
                        stream("s2-spare", s -> s.withPriority(100))
                                .with(Kind.UNIVERSE.id("n2"), u -> u.withMerge(true))),
                arguments(
                        "universe.not-enabled",
                        "the backup's own stream is off",
                        stream("s2-spare", s -> s.withEnabled(true))),
                arguments(
                        "universe.number-range",
                        "the last number of sACN",
                        PIER.with(Kind.STREAM.id("s2"), s -> s.withWire(63_999))
                                .with(Kind.STREAM.id("s2-spare"), s -> s.withWire(63_999))
                                .with(Kind.PORT.id("a2"), p -> p.withWire(63_999))),
                arguments(
                        "universe.number-range",
                        "Art-Net 0, which is deprecated and common",
                        PIER.with(Kind.STREAM.id("s1"), s -> s.withWire(0))
                                .with(Kind.PORT.id("a1"), p -> p.withWire(0))),
                arguments(
                        "patch.past-end",
                        "ends with slot 512",
                        PIER.with(
                                Kind.FIXTURE.id("x3"),
                                f -> f.withBreaks(List.of(new Break(Kind.UNIVERSE.id("n2"), 483, 30))))),
                arguments(
                        "patch.overlap",
                        "begins where the other one ends",
                        PIER.with(
                                Kind.FIXTURE.id("x2"),
                                f -> f.withBreaks(List.of(new Break(Kind.UNIVERSE.id("n1"), 21, 40))))),
                arguments(
                        "control.port-differs",
                        "another port is planned, and not in force",
                        PIER.with(
                                Kind.APPLICATION.id("desk"),
                                a -> a.withOsc(new OscInput(
                                        new Setting<>(24_611, 24_610),
                                        Setting.of(true),
                                        Setting.of(true),
                                        a.osc().orElseThrow().addresses())))),
                arguments("port.page", "two Sub-Nets, one of them off", port("a2", p -> p.withEnabled(false))),
                arguments(
                        "port.page",
                        "the last and the first of one Sub-Net",
                        PIER.with(Kind.STREAM.id("s1"), s -> s.withWire(31))
                                .with(Kind.PORT.id("a1"), p -> p.withWire(31))),
                arguments(
                        "port.direction",
                        "an input that is off and meant for nothing",
                        port("c1", p -> p.withDirection(Direction.INPUT))));
    }

    @ParameterizedTest(name = "{0}: {1}")
    @MethodSource("misses")
    void aNearMissIsNotFound(String rule, String what, Plan plan) {
        assertThat(RuleBook.find(rule)).as("a rule of the book").isPresent();
        assertThat(Check.run(plan).findings())
                .as(what)
                .filteredOn(f -> f.severity() != Severity.NOTE)
                .extracting(Finding::rule)
                .doesNotContain(rule);
    }

    private static Plan pixels() {
        StringBuilder fixtures = new StringBuilder();
        for (int i = 0; i < 40; i++) {
            fixtures.append(i == 0 ? "" : ",")
                    .append("{\"id\":\"f%d\",\"line\":\"l\",\"breaks\":[{\"universe\":\"u\",\"start\":%d}]}"
                            .formatted(i, 3 * i + 1));
        }
        return TestPlans.read("""
                {"zentrel-plan":1,"segments":[{"id":"n"}],
                 "hosts":[{"id":"h","kind":"console","adapters":[{"id":"a","segment":"n","addresses":["10.71.0.1/16"]}]},
                          {"id":"p","kind":"pixel-controller","adapters":[{"id":"b","segment":"n","addresses":["10.71.0.2/16"]}]}],
                 "applications":[{"id":"tx","host":"h","kind":"console"},{"id":"rx","host":"p","kind":"pixel-controller"}],
                 "universes":[{"id":"u","number":5}],
                 "streams":[{"id":"s","application":"tx","universe":"u","protocol":"sacn","wire":5,"delivery":"multicast"}],
                 "receivers":[{"id":"r","application":"rx","ports":[{"id":"o","protocol":"sacn","wire":5,"universe":"u"}]}],
                 "lines":[{"id":"l","port":"o"}],"fixtures":[%s]}
                """.formatted(fixtures).getBytes(java.nio.charset.StandardCharsets.UTF_8));
    }
}
