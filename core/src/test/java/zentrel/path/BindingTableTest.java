package zentrel.path;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import zentrel.TestPlans;
import zentrel.plan.Kind;
import zentrel.plan.Plan;

/**
 * Which adapter a stream leaves by, on a console with two: the right one on the node's segment, the other on another.
 * What "automatic" does by system is common practice, no source, but for Linux, where on-link unicast takes the longest
 * matching prefix and groups take the default route (PROTOCOLS: tried in namespaces).
 */
class BindingTableTest {
    private static final String RIG = """
            {"zentrel-plan":1,"segments":[{"id":"light"},{"id":"talk"}],
             "hosts":[{"id":"a","kind":"console","system":"linux","adapters":[
                        {"id":"a.light","name":"Light","segment":"light","carrier":%s,"enabled":%s,"addresses":[%s]},
                        {"id":"a.talk","name":"Talk","segment":"talk","addresses":["%s"]}]},
                      {"id":"b","kind":"node","adapters":[{"id":"bb","name":"Net","segment":"light","addresses":["10.58.2.2/16"]}]}],
             "applications":[{"id":"con","host":"a","kind":"console"%s},{"id":"fw","host":"b","kind":"node"%s}],
             "universes":[{"id":"u","number":5}],
             "streams":[{"id":"s","application":"con","universe":"u","protocol":"%s","wire":5,"delivery":"%s"%s}],
             "receivers":[{"id":"r","application":"fw","ports":[{"id":"p","protocol":"%s","wire":5,"universe":"u"}]}],
             "lines":[{"id":"l","port":"p"}],
             "fixtures":[{"id":"f","line":"l","breaks":[{"universe":"u","start":1}]}]}
            """;

    private static String judge(
            String binding, String listening, String delivery, String light, String talk, boolean carrier, boolean on) {
        String protocol = delivery.equals("multicast") ? "sacn" : "artnet";
        String send = binding.equals("none") ? "" : ",\"bindings\":{\"" + protocol + "-send\":" + json(binding) + "}";
        String listen =
                listening.equals("none") ? "" : ",\"bindings\":{\"" + protocol + "-listen\":" + json(listening) + "}";
        String typed = delivery.equals("unicast") ? ",\"to\":[\"10.58.2.2\"]" : "";
        Plan plan = TestPlans.read(RIG.formatted(
                        carrier,
                        on,
                        light.isEmpty() ? "" : "\"" + light + "\"",
                        talk,
                        send,
                        listen,
                        protocol,
                        delivery,
                        typed,
                        protocol)
                .getBytes(StandardCharsets.UTF_8));
        SignalPath path =
                new SignalPaths(plan).ofFixture(Kind.FIXTURE.id("f")).paths().get(0);
        return path.hops()
                .flatMap(h -> h.issues().stream())
                .filter(i -> i.verdict().compareTo(Verdict.AT_RISK) >= 0)
                .map(i -> (i.verdict() == Verdict.AT_RISK ? "at risk: " : "")
                        + i.reason().code())
                .findFirst()
                .orElse("passes");
    }

    private static String json(String binding) {
        return binding.contains(".") || binding.equals("bb")
                ? "[\"" + binding.replace("+", "\",\"") + "\"]"
                : "\"" + binding + "\"";
    }

    @ParameterizedTest(name = "{0}, {1}: {2}")
    @CsvSource({
        "a.light, unicast, passes",
        "a.light, multicast, passes",
        "a.light, found, passes",
        "a.light, broadcast, passes",
        "a.talk, unicast, passes", // Linux sends by its routes, whatever a program is bound to
        "a.talk, multicast, adapter.wrong",
        "a.talk, found, adapter.wrong",
        "a.talk, limited-broadcast, adapter.wrong",
        "a.light+a.talk, multicast, passes",
        "a.talk+a.light, unicast, passes",
        "loopback, unicast, adapter.loopback",
        "loopback, multicast, adapter.loopback",
        "all, multicast, passes",
        "all, found, passes",
        "all, broadcast, passes",
        "first, unicast, passes",
        "first, multicast, passes",
        // left to the system: unicast follows the addresses, groups and broadcast go by luck
        "automatic, unicast, passes",
        // and without a gateway they have no route, so nothing leaves
        "automatic, multicast, adapter.automatic",
        "automatic, limited-broadcast, adapter.automatic",
        "none, multicast, at risk: adapter.automatic",
        "none, unicast, passes"
    })
    void whereItIsSentFrom(String binding, String delivery, String expected) {
        assertThat(judge(binding, "none", delivery, "10.58.1.1/16", "172.21.4.1/22", true, true))
                .isEqualTo(expected);
    }

    @ParameterizedTest(name = "listening on {0}, {1}: {2}")
    @CsvSource({
        "bb, unicast, passes",
        "bb, multicast, passes",
        "all, multicast, passes",
        "automatic, found, passes",
        "first, broadcast, passes",
        "loopback, unicast, adapter.listens-on-loopback",
        "loopback, multicast, adapter.listens-on-loopback"
    })
    void whereItIsListenedFor(String listening, String delivery, String expected) {
        assertThat(judge("a.light", listening, delivery, "10.58.1.1/16", "172.21.4.1/22", true, true))
                .isEqualTo(expected);
    }

    @ParameterizedTest(name = "light {0}, carrier {1}, on {2}, {3}: {4}")
    @CsvSource({
        "10.58.1.1/16, false, true, multicast, adapter.unplugged",
        "10.58.1.1/16, true, false, multicast, adapter.switched-off",
        "10.58.1.1/16, false, true, unicast, adapter.unplugged",
        "'', true, true, multicast, address.none",
        "10.58.0.0/16, true, true, multicast, address.not-a-host",
        "10.58.255.255/16, true, true, unicast, address.not-a-host",
        "224.0.0.9/4, true, true, multicast, address.not-a-host",
        "127.0.0.1/8, true, true, multicast, address.not-a-host"
    })
    void whatTheSendersAdapterIs(String light, boolean carrier, boolean on, String delivery, String expected) {
        assertThat(judge("a.light", "none", delivery, light, "172.21.4.1/22", carrier, on))
                .isEqualTo(expected);
    }

    /** Two adapters in one subnet: the system may take either, and only one leads to the node. */
    @ParameterizedTest(name = "{0}: {1}")
    @CsvSource({"unicast, at risk: adapter.automatic", "multicast, adapter.automatic"})
    void twoAdaptersInOneSubnetAreALottery(String delivery, String expected) {
        assertThat(judge("automatic", "none", delivery, "10.58.1.1/16", "10.58.9.9/16", true, true))
                .isEqualTo(expected);
    }

    /** The other adapter has the longer match for the node's address: the system takes it, and the node is not there. */
    @ParameterizedTest(name = "{0}: {1}")
    @CsvSource({"10.58.2.9/24, adapter.automatic", "10.58.3.9/24, passes", "10.0.0.9/8, passes"})
    void theLongestMatchDecidesForUnicast(String talk, String expected) {
        assertThat(judge("automatic", "none", "unicast", "10.58.1.1/16", talk, true, true))
                .isEqualTo(expected);
    }
}
