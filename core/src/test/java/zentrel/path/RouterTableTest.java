package zentrel.path;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import zentrel.TestPlans;
import zentrel.check.Check;
import zentrel.check.Finding;
import zentrel.check.Fixes;
import zentrel.check.Report;
import zentrel.plan.*;

/**
 * Two segments with a router between: whether what is sent goes by it, and if not, why and what mends it. That what passes here
 * arrives, and nothing else does, is tried with the kernel's packets in the module wire.
 */
class RouterTableTest {
    private static final String RIG = """
            {"zentrel-plan":1,"segments":[{"id":"n","name":"Near"},{"id":"f","name":"Far"}],
             "hosts":[{"id":"a","name":"Desk","adapters":[{"id":"aa","name":"Net","segment":"n","addresses":["%s"]%s}]},
                      {"id":"o","name":"Other","adapters":[{"id":"oo","name":"Net","segment":"n","addresses":["10.5.0.9/16"]}]},
                      {"id":"b","name":"Node","adapters":[{"id":"bb","name":"Net","segment":"f","addresses":["%s"]}]},
                      {"id":"r","name":"Router","kind":"router","adapters":[
                        {"id":"ra","name":"In","segment":"n","addresses":["%s"]},
                        {"id":"rb","name":"Out","segment":"f","addresses":["%s"]}]}],
             "applications":[{"id":"con","name":"Desk","host":"a"},{"id":"fw","name":"Node","host":"b"}],
             "universes":[{"id":"u","number":4}],
             "streams":[{"id":"s","application":"con","universe":"u","protocol":"%s"%s}],
             "receivers":[{"id":"rx","application":"fw","ports":[{"id":"p","protocol":"%6$s","wire":4,"universe":"u"}]}]}
            """;

    @ParameterizedTest(name = "{0} by {1}, {2} and {3}, to {4} by {5}: {6}")
    @CsvSource(
            delimiter = '|',
            value = {
                "10.5.0.2/16 | 10.5.0.1 | 10.5.0.1/16 | 10.6.0.1/16 | 10.6.0.2/16 | unicast | passes | ''",
                "10.5.0.2/16 | 10.5.0.1 | 10.5.0.1/16 | 172.20.0.1/24 | 172.20.0.8/24 | unicast | passes | ''",
                // a wide mask covers what is behind the router
                "10.5.0.2/8 | 10.5.0.1 | 10.5.0.1/16 | 10.6.0.1/16 | 10.6.0.2/16 | unicast | network.not-routed | Set the mask of the Net adapter of Desk to 255.255.0.0",
                "10.5.0.2/8 | '' | 10.5.0.1/16 | 10.6.0.1/16 | 10.6.0.2/16 | unicast | network.not-routed | ''",
                // one range on either side: no single step mends that
                "10.5.0.2/16 | 10.5.0.1 | 10.5.0.1/16 | 10.5.7.1/16 | 10.5.7.2/16 | unicast | network.not-routed | ''",
                // not told, or told another
                "10.5.0.2/16 | '' | 10.5.0.1/16 | 10.6.0.1/16 | 10.6.0.2/16 | unicast | network.not-routed | Give the Net adapter of Desk the gateway 10.5.0.1",
                "10.5.0.2/16 | 10.5.0.9 | 10.5.0.1/16 | 10.6.0.1/16 | 10.6.0.2/16 | unicast | network.not-routed | Give the Net adapter of Desk the gateway 10.5.0.1",
                // the router's own addresses
                "10.5.0.2/16 | 10.5.0.1 | 10.5.0.1/16 | 10.7.0.1/16 | 10.6.0.2/16 | unicast | network.not-routed | Give the Net adapter of Node 10.7.0.2/16",
                "10.5.0.2/24 | 10.5.0.4 | 10.5.1.1/16 | 10.6.0.1/16 | 10.6.0.2/16 | unicast | network.not-routed | ''",
                // what is for all ends at the router
                "10.5.0.2/16 | 10.5.0.1 | 10.5.0.1/16 | 10.6.0.1/16 | 10.6.0.2/16 | broadcast | network.apart | Add 10.6.0.2 to the unicast list of Desk's U4 by Art-Net",
                "10.5.0.2/16 | 10.5.0.1 | 10.5.0.1/16 | 10.6.0.1/16 | 10.6.0.2/16 | limited-broadcast | network.apart | Add 10.6.0.2 to the unicast list of Desk's U4 by Art-Net",
                "10.5.0.2/16 | 10.5.0.1 | 10.5.0.1/16 | 10.6.0.1/16 | 10.6.0.2/16 | multicast | network.ttl | Add 10.6.0.2 to the unicast list of Desk's U4 by sACN",
            })
    void goesByTheRouterOrSaysWhyNot(
            String own,
            String gateway,
            String near,
            String far,
            String there,
            String delivery,
            String reason,
            String fix) {
        String address = there.substring(0, there.indexOf('/'));
        Plan plan = TestPlans.read(RIG.formatted(
                        own,
                        gateway.isEmpty() ? "" : ",\"gateway\":\"" + gateway + "\"",
                        there,
                        near,
                        far,
                        delivery.equals("multicast") ? "sacn" : "artnet",
                        delivery.equals("unicast")
                                ? ",\"to\":[\"" + address + "\"]"
                                : ",\"delivery\":\"" + delivery + "\"")
                .getBytes(StandardCharsets.UTF_8));
        SignalPath path =
                new SignalPaths(plan).ofUniverse(new UniverseId("u")).paths().get(0);
        assertThat(path.decisive()
                        .flatMap(Hop::issue)
                        .filter(i -> i.verdict() == Verdict.BROKEN)
                        .map(i -> i.reason().code())
                        .orElse("passes"))
                .isEqualTo(reason);
        if (reason.equals("passes")) {
            return;
        }
        Report report = Check.run(plan);
        Finding finding = report.findings().stream()
                .filter(f -> f.rule().equals(Reason.of(reason).orElseThrow().rule()))
                .findFirst()
                .orElseThrow();
        assertThat(Fixes.proven(report, finding).stream()
                        .map(f -> f.edit().text())
                        .findFirst()
                        .orElse(""))
                .as(finding.text())
                .isEqualTo(fix);
    }
}
