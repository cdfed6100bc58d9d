package zentrel.path;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.Locale;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import zentrel.TestPlans;
import zentrel.plan.Kind;
import zentrel.plan.Plan;

/**
 * Reach by address, mask and delivery, worked out by hand: on-link where the sender's mask says so (RFC 1122 §3.3.1.1),
 * directed broadcast to the last address by the sender's mask and taken only where it is the receiver's too (RFC 919,
 * RFC 922), limited broadcast and groups to whoever is on the segment, a round trip where the receiver must be found.
 */
class ReachTableTest {
    private static final String RIG = """
            {"zentrel-plan":1,"segments":[{"id":"seg"},{"id":"far"}],
             "hosts":[{"id":"a","kind":"console","adapters":[{"id":"aa","segment":"seg","addresses":["%s"]}]},
                      {"id":"b","kind":"node","sourceCheck":%s,"adapters":[{"id":"bb","segment":"%s","addresses":["%s"]}]}],
             "applications":[{"id":"con","host":"a","kind":"console"},{"id":"fw","host":"b","kind":"node"}],
             "universes":[{"id":"u","number":5}],
             "streams":[{"id":"s","application":"con","universe":"u","protocol":"%s","wire":5,"delivery":"%s"%s}],
             "receivers":[{"id":"r","application":"fw","ports":[{"id":"p","protocol":"%s","wire":5,"universe":"u"}]}],
             "lines":[{"id":"l","port":"p"}],
             "fixtures":[{"id":"f","line":"l","breaks":[{"universe":"u","start":1}]}]}
            """;

    private static SignalPath path(String from, String delivery, String to, String segment, boolean sourceCheck) {
        String protocol = delivery.equals("multicast") ? "sacn" : "artnet";
        String typed = delivery.equals("unicast") ? ",\"to\":[\"" + to.replaceAll("/.*", "") + "\"]" : "";
        Plan plan = TestPlans.read(RIG.formatted(from, sourceCheck, segment, to, protocol, delivery, typed, protocol)
                .getBytes(StandardCharsets.UTF_8));
        return new SignalPaths(plan).ofFixture(Kind.FIXTURE.id("f")).paths().get(0);
    }

    @ParameterizedTest(name = "{0} {1} {2}: {3}")
    @CsvSource({
        // one subnet, the usual masks
        "10.58.1.1/16, unicast, 10.58.2.2/16, passes",
        "10.58.1.1/16, broadcast, 10.58.2.2/16, passes",
        "10.58.1.1/16, limited-broadcast, 10.58.2.2/16, passes",
        "10.58.1.1/16, multicast, 10.58.2.2/16, passes",
        "10.58.1.1/16, found, 10.58.2.2/16, passes",
        "2.9.4.0/8, found, 2.9.4.255/8, passes",
        "172.21.4.1/22, unicast, 172.21.7.254/22, passes",
        "192.168.44.1/24, broadcast, 192.168.44.254/24, passes",
        "10.3.3.2/31, unicast, 10.3.3.3/31, passes",
        "169.254.7.9/16, found, 169.254.201.3/16, passes",
        // two subnets on one segment
        "10.58.1.1/16, unicast, 10.59.2.2/16, address.unreachable",
        "10.58.1.1/16, broadcast, 10.59.2.2/16, address.broadcast-differs",
        "10.58.1.1/16, limited-broadcast, 10.59.2.2/16, passes",
        "10.58.1.1/16, multicast, 10.59.2.2/16, passes",
        "10.58.1.1/16, found, 10.59.2.2/16, address.unreachable",
        "192.168.44.1/24, unicast, 192.168.45.1/24, address.unreachable",
        "192.168.44.1/24, multicast, 10.0.7.1/8, passes",
        "169.254.7.9/16, unicast, 10.58.2.2/16, address.unreachable",
        // masks that differ, the receiver's longer: there, but not back
        "10.58.1.1/16, unicast, 10.58.2.2/24, passes",
        "10.58.1.1/16, broadcast, 10.58.2.2/24, address.broadcast-differs",
        "10.58.1.1/16, limited-broadcast, 10.58.2.2/24, passes",
        "10.58.1.1/16, multicast, 10.58.2.2/24, passes",
        "10.58.1.1/16, found, 10.58.2.2/24, discovery.no-return",
        "10.58.1.1/8, found, 10.59.2.2/16, discovery.no-return",
        // masks that differ, the sender's longer: not there
        "10.58.1.1/24, unicast, 10.58.2.2/16, address.unreachable",
        "10.58.1.1/24, broadcast, 10.58.2.2/16, address.broadcast-differs",
        "10.58.1.1/24, multicast, 10.58.2.2/16, passes",
        "10.58.1.1/24, found, 10.58.2.2/16, address.unreachable",
        // both within both masks, though these differ: unicast and discovery work, directed broadcast does not
        "10.58.1.1/16, unicast, 10.58.1.2/24, passes",
        "10.58.1.1/16, found, 10.58.1.2/24, passes",
        "10.58.1.1/16, broadcast, 10.58.1.2/24, address.broadcast-differs",
        "10.58.1.1/30, unicast, 10.58.1.2/8, passes",
        // masks whose last address is the same all the same
        "10.58.255.1/24, broadcast, 10.58.255.2/16, passes",
        "10.58.255.1/16, broadcast, 10.58.255.2/24, passes"
    })
    void onOneSegment(String from, String delivery, String to, String expected) {
        assertThat(code(path(from, delivery, to, "seg", false))).isEqualTo(expected);
    }

    @ParameterizedTest(name = "{0} {1} {2}, source check: {3}")
    @CsvSource({
        // a receiver that checks sources drops what it has no route back to (RFC 1812 §5.3.8 has it for routers)
        "10.58.1.1/16, unicast, 10.58.2.2/24, host.source-check",
        "10.58.1.1/16, multicast, 10.59.2.2/16, host.source-check",
        "10.58.1.1/16, limited-broadcast, 10.59.2.2/16, host.source-check",
        "10.58.1.1/16, unicast, 10.58.2.2/16, passes",
        "10.58.1.1/16, multicast, 10.58.2.2/16, passes",
        "10.58.1.1/24, multicast, 10.58.2.2/16, passes"
    })
    void withASourceCheck(String from, String delivery, String to, String expected) {
        assertThat(code(path(from, delivery, to, "seg", true))).isEqualTo(expected);
    }

    @ParameterizedTest(name = "apart, {0}")
    @CsvSource({"unicast", "broadcast", "limited-broadcast", "multicast", "found"})
    void onTwoSegmentsThatNothingJoinsNothingArrives(String delivery) {
        SignalPath path = path("10.58.1.1/16", delivery, "10.58.2.2/16", "far", false);
        assertThat(path.verdict()).isEqualTo(Verdict.BROKEN);
        assertThat(path.hops()
                        .filter(h -> h.verdict() == Verdict.BROKEN)
                        .map(h -> h.kind().number())
                        .findFirst()
                        .orElse(0))
                .as(delivery.toUpperCase(Locale.ROOT))
                .isBetween(4, 5);
    }

    /** The reason at the first broken hop; "passes" where there is none. */
    private static String code(SignalPath path) {
        return path.hops()
                .filter(h -> h.verdict() == Verdict.BROKEN)
                .flatMap(h -> h.issues().stream())
                .map(i -> i.reason().code())
                .findFirst()
                .orElse("passes");
    }
}
