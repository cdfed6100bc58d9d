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
                "10.5.0.2/16 | 10.5.0.1 | 10.5.0.1/16 | 10.7.0.1/16 | 10.6.0.2/16 | unicast | network.not-routed | Give the Net adapter of Node 10.7.0.2/16, and in the unicast list of Desk",
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
                        told(gateway),
                        there,
                        near,
                        far,
                        delivery.equals("multicast") ? "sacn" : "artnet",
                        delivery.equals("unicast")
                                ? ",\"to\":[\"" + address + "\"]"
                                : ",\"delivery\":\"" + delivery + "\"")
                .getBytes(StandardCharsets.UTF_8));
        judged(plan, reason, "", fix);
    }

    /** Each router takes one off the TTL (RFC 791, section 3.2); groups start with 1 (RFC 1112, section 6.1). */
    @ParameterizedTest(name = "TTL {0} by {1}: {2}")
    @CsvSource({
        "1, unicast, network.ttl-ends, Set the TTL of Desk for Art-Net to 2",
        "2, unicast, passes, ''",
        "0, unicast, network.ttl-ends, Set the TTL of Desk for Art-Net to 2",
        "1, multicast, network.ttl, Add 10.6.0.2 to the unicast list of Desk's U4 by sACN",
        "2, multicast, passes, ''" // whether the router forwards it is not known
    })
    void theTtlIsUsedUpByRouters(int ttl, String delivery, String reason, String fix) {
        boolean toOne = delivery.equals("unicast");
        Plan plan = TestPlans.read(RIG.formatted(
                        "10.5.0.2/16",
                        told("10.5.0.1"),
                        "10.6.0.2/16",
                        "10.5.0.1/16",
                        "10.6.0.1/16",
                        toOne ? "artnet" : "sacn",
                        toOne ? ",\"to\":[\"10.6.0.2\"]" : ",\"delivery\":\"multicast\"")
                .replace(
                        "\"host\":\"a\"}",
                        "\"host\":\"a\",\"outputs\":{\"" + (toOne ? "artnet" : "sacn") + "\":{\"ttl\":" + ttl + "}}}")
                .getBytes(StandardCharsets.UTF_8));
        judged(plan, reason, "", fix);
    }

    /** What the path says, and the first fix that was tried and mends it. */
    private static void judged(Plan plan, String reason, String text, String fix) {
        SignalPath path =
                new SignalPaths(plan).ofUniverse(Kind.UNIVERSE.id("u")).paths().get(0);
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
        assertThat(finding.text()).contains(text);
        assertThat(Fixes.proven(report, finding).stream()
                        .map(f -> f.edit().text())
                        .findFirst()
                        .orElse(""))
                .as(finding.text())
                .isEqualTo(fix);
    }

    private static final String CHAIN = """
            {"zentrel-plan":1,"segments":[{"id":"n","name":"Near"},{"id":"m","name":"Middle"},{"id":"f","name":"Far"}],
             "hosts":[{"id":"a","name":"Desk","adapters":[{"id":"aa","name":"Net","segment":"n","addresses":["%s"]%s}]},
                      {"id":"o","name":"Other","adapters":[{"id":"oo","name":"Net","segment":"n","addresses":["10.5.0.9/16"]}]},
                      {"id":"b","name":"Node","adapters":[{"id":"bb","name":"Net","segment":"f","addresses":["10.7.0.2/16"]}]},
                      {"id":"r","name":"Hut router","kind":"router","adapters":[
                        {"id":"ra","name":"In","segment":"n","addresses":["10.5.0.1/16"]},
                        {"id":"rb","name":"Out","segment":"m","addresses":["10.6.0.1/16"]%s}]},
                      {"id":"q","name":"Pier router","kind":"router","adapters":[
                        {"id":"qa","name":"In","segment":"m","addresses":["10.6.0.2/16"]%s},
                        {"id":"qb","name":"Out","segment":"f","addresses":["%s"]}]}],
             "applications":[{"id":"con","name":"Desk","host":"a"},{"id":"fw","name":"Node","host":"b"}],
             "universes":[{"id":"u","number":4}],
             "streams":[{"id":"s","application":"con","universe":"u","protocol":"artnet"%s}],
             "receivers":[{"id":"rx","application":"fw","ports":[{"id":"p","protocol":"artnet","wire":4,"universe":"u"}]}]}
            """;

    /** Two routers one after the other: the one that stops it is named, with what to tell it. */
    @ParameterizedTest(name = "{0} by {1}, {2}, {3}, {4}, {5}: {6}")
    @CsvSource(
            delimiter = '|',
            value = {
                "10.5.0.2/16 | 10.5.0.1 | 10.6.0.2 | '' | 10.7.0.1/16 | unicast | passes | '' | ''",
                // the first was told nothing, or another that is not there
                "10.5.0.2/16 | 10.5.0.1 | '' | '' | 10.7.0.1/16 | unicast | network.not-routed | Hut router has no route to 10.7.0.2, where Node is. Pier router, which leads on to Far, is 10.6.0.2 there: add the route to 10.7.0.0/16 by that address. | Add the route to 10.7.0.0/16 by 10.6.0.2 on the Out adapter of Hut router",
                "10.5.0.2/16 | 10.5.0.1 | 10.6.0.77 | '' | 10.7.0.1/16 | unicast | network.not-routed | Hut router sends what is for 10.7.0.2 to 10.6.0.77, and no router on Middle has that address. Pier router, which leads on to Far, is 10.6.0.2 there: add the route to 10.7.0.0/16 by that address. | Add the route to 10.7.0.0/16 by 10.6.0.2 on the Out adapter of Hut router",
                // the second has another network there
                "10.5.0.2/16 | 10.5.0.1 | 10.6.0.2 | '' | 10.8.0.1/16 | unicast | network.not-routed | Pier router has 10.8.0.1/16 on Far and sends nothing for Node at 10.7.0.2/16 there. Give Node an address of 10.8.0.0/16. | Give the Net adapter of Node 10.8.0.2/16, and in the unicast list of Desk",
                // or was told to send it back
                "10.5.0.2/16 | 10.5.0.1 | 10.6.0.2 | 10.7.0.0/24 by 10.6.0.1 | 10.7.0.1/16 | unicast | network.not-routed | Pier router sends what is for 10.7.0.2 back to Hut router at 10.6.0.1, and so it goes round in a circle. Check the routes of the routers between. | ''",
                // the sender itself
                "10.5.0.2/16 | '' | 10.6.0.2 | '' | 10.7.0.1/16 | unicast | network.not-routed | Desk has no route to 10.7.0.2, where Node is. Hut router, which leads on to Far, is 10.5.0.1 there: make that its gateway. | Give the Net adapter of Desk the gateway 10.5.0.1",
                "10.5.0.2/8 | 10.5.0.1 | 10.6.0.2 | '' | 10.7.0.1/16 | unicast | network.not-routed | Desk treats 10.7.0.2 as local and looks for Node on Near; it is on Far. Give it the mask of its segment. | Set the mask of the Net adapter of Desk to 255.255.0.0",
                "10.5.0.2/16 | 10.5.0.1 | 10.6.0.2 | '' | 10.7.0.1/16 | broadcast | network.apart | Node is behind Hut router, and a broadcast of Desk ends there. Send to its address instead, or put both on one segment. | Add 10.7.0.2 to the unicast list of Desk's U4 by Art-Net",
            })
    void aChainOfRoutersNamesTheOneThatStopsIt(
            String own,
            String gateway,
            String first,
            String second,
            String far,
            String delivery,
            String reason,
            String text,
            String fix) {
        Plan plan = TestPlans.read(CHAIN.formatted(
                        own,
                        told(gateway),
                        told(first),
                        told(second),
                        far,
                        delivery.equals("unicast") ? ",\"to\":[\"10.7.0.2\"]" : ",\"delivery\":\"" + delivery + "\"")
                .getBytes(StandardCharsets.UTF_8));
        judged(plan, reason, text, fix);
    }

    /** What an adapter is told: a gateway, or the way to one network. */
    private static String told(String told) {
        String[] way = told.split(" by ", -1);
        return told.isEmpty()
                ? ""
                : way.length == 1
                        ? ",\"gateway\":\"" + told + "\""
                        : ",\"routes\":[{\"to\":\"" + way[0] + "\",\"via\":\"" + way[1] + "\"}]";
    }
}
