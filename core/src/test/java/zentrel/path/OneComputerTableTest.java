package zentrel.path;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.stream.Collectors;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import zentrel.TestPlans;
import zentrel.check.Check;
import zentrel.check.Finding;
import zentrel.check.Fixes;
import zentrel.check.Report;
import zentrel.check.Severity;
import zentrel.path.words.PathWords;
import zentrel.plan.Kind;
import zentrel.plan.Plan;

/**
 * A console and a previs on one laptop with a wired, a wireless and a virtual adapter. Named adapters and loopback on Linux are tried
 * against its kernel elsewhere; that a choice left to the system is no choice to rely on is common practice, no source.
 */
class OneComputerTableTest {
    private static final String RIG = """
            {"zentrel-plan":1,"segments":[{"id":"stage"},{"id":"house"}],
             "hosts":[{"id":"a","name":"Laptop","kind":"computer","system":"%s","adapters":[
               {"id":"wired","name":"Lights","segment":"stage","enabled":%s,"addresses":["10.71.0.1/16"]},
               {"id":"wifi","name":"Wi-Fi","kind":"wireless","segment":"house","enabled":%s,"addresses":["10.72.0.1/16"]},
               {"id":"virtual","name":"Inner","kind":"virtual","enabled":%s,"addresses":["10.73.0.1/16"]}]}],
             "applications":[{"id":"tx","name":"Desk","host":"a","kind":"console","bindings":{"sacn-send":%s,"artnet-send":%s}%s},
                             {"id":"rx","name":"View","host":"a","kind":"previs","bindings":{"sacn-listen":%s,"artnet-listen":%s}%s}],
             "universes":[{"id":"u","number":5}],
             "streams":[{"id":"s","application":"tx","universe":"u","protocol":"%s","wire":5,"delivery":"%s"%s}],
             "receivers":[{"id":"r","application":"rx","ports":[{"id":"p","kind":"internal","protocol":"%s","wire":5,"universe":"u"}]}],
             "lines":[{"id":"l","port":"p"}],"fixtures":[{"id":"f","line":"l","breaks":[{"universe":"u","start":1}]}]}
            """;

    private static String json(String binding) {
        return List.of("automatic", "all", "first", "loopback").contains(binding)
                ? "\"" + binding + "\""
                : "[\"" + binding + "\"]";
    }

    private static Plan plan(String system, String up, String send, String listen, String delivery, String facts) {
        String protocol = delivery.equals("multicast") ? "sacn" : "artnet";
        boolean toOne = Character.isDigit(delivery.charAt(0));
        return TestPlans.read(RIG.formatted(
                        system,
                        up.contains("wired"),
                        up.contains("wifi"),
                        up.contains("virtual"),
                        json(send),
                        json(send),
                        facts.equals("no copy")
                                ? ",\"outputs\":{\"" + protocol + "\":{\"alsoHere\":false}}"
                                : facts.equals("copy")
                                        ? ",\"outputs\":{\"" + protocol + "\":{\"alsoHere\":true}}"
                                        : facts.equals("sender stopped") ? ",\"running\":false" : "",
                        json(listen),
                        json(listen),
                        facts.equals("receiver stopped") ? ",\"running\":false" : "",
                        protocol,
                        toOne ? "unicast" : delivery,
                        toOne ? ",\"to\":[\"" + delivery + "\"]" : "",
                        protocol)
                .getBytes(StandardCharsets.UTF_8));
    }

    @ParameterizedTest(name = "{0} with {1}: {2} to {3}, {4}, {5}: {6}")
    @CsvSource({
        // bound on both sides
        "windows, wired wifi virtual, virtual, virtual, multicast, '', passes",
        "windows, wired wifi virtual, wired, wired, broadcast, '', passes",
        "windows, wired wifi virtual, virtual, wifi, multicast, '', broken adapter.joined-elsewhere",
        "windows, wired wifi virtual, wifi, virtual, broadcast, '', broken adapter.listens-elsewhere",
        "macos, wired wifi virtual, loopback, loopback, multicast, '', passes",
        // left to the system on one side or on both
        "windows, wired wifi virtual, automatic, virtual, multicast, '', at risk adapter.automatic",
        "windows, wired wifi virtual, virtual, automatic, multicast, '', at risk adapter.joins-automatic",
        "linux, wired wifi virtual, automatic, automatic, multicast, '', at risk adapter.automatic adapter.joins-automatic",
        "macos, wired wifi, automatic, automatic, found, '', at risk adapter.automatic adapter.joins-automatic",
        "windows, wired wifi, first, wired, multicast, '', at risk adapter.automatic",
        "windows, wired wifi, wired, first, broadcast, '', at risk adapter.joins-automatic",
        // one adapter is up, so there is nothing to choose; or the partner does not care
        "windows, virtual, automatic, automatic, multicast, '', passes",
        "windows, wired, automatic, wired, broadcast, '', passes",
        "windows, wired wifi virtual, automatic, all, multicast, '', passes",
        "windows, wired wifi virtual, all, automatic, multicast, '', passes",
        "windows, wired wifi virtual, automatic, automatic, 10.71.0.1, '', passes",
        // loopback at one end
        "linux, wired wifi, loopback, wired, 10.71.0.1, '', passes",
        "linux, wired wifi, wired, loopback, 127.0.0.1, '', passes",
        "linux, wired wifi, wired, loopback, multicast, '', broken adapter.listens-on-loopback",
        "linux, wired wifi, wired, loopback, multicast, copy, passes",
        "windows, wired wifi, automatic, loopback, found, copy, passes",
        // the sender's switch
        "linux, wired wifi, wired, wired, multicast, no copy, broken universe.no-local-copy",
        "linux, wired wifi, wired, wired, broadcast, no copy, at risk universe.no-local-copy",
        "windows, wired wifi, wired, wired, multicast, no copy, not known universe.no-local-copy",
        "macos, wired wifi, wired, wired, broadcast, no copy, not known universe.no-local-copy",
        "windows, wired wifi, wired, wired, 10.71.0.1, no copy, passes",
        "linux, wired wifi, wired, wired, 10.71.0.1, no copy, passes",
        "linux, wired wifi, loopback, loopback, multicast, no copy, passes",
        // whether they run
        "linux, wired wifi, wired, wired, multicast, sender stopped, broken program.not-running",
        "linux, wired wifi, wired, wired, multicast, receiver stopped, broken program.not-running-at-receiver"
    })
    void whatHappensWithin(
            String system, String up, String send, String listen, String delivery, String facts, String expected) {
        Plan plan = plan(system, up, send, listen, delivery, facts);
        SignalPaths paths = new SignalPaths(plan);
        SignalPath path = paths.ofUniverse(Kind.UNIVERSE.id("u")).paths().get(0);
        String issues = path.issues().map(i -> i.reason().code()).distinct().collect(Collectors.joining(" "));
        String verdict = switch (path.verdict()) {
            case BROKEN -> "broken ";
            case AT_RISK -> "at risk ";
            case NOT_KNOWN -> "not known ";
            case PASSES, NOT_APPLICABLE -> "";
        };
        assertThat(verdict.isEmpty() ? "passes" : verdict + issues).isEqualTo(expected);
        path.hops()
                .filter(h -> !h.issues().isEmpty())
                .forEach(h ->
                        assertThat(PathWords.of(paths).text(h)).endsWith(".").doesNotContain("null", "{"));
        // each finding has fixes that were tried, and the first of them makes it pass
        Report report = Check.run(plan);
        for (Finding finding : report.findings().stream()
                .filter(f -> f.severity() == Severity.BROKEN || f.severity() == Severity.AT_RISK)
                .toList()) {
            Plan after = Fixes.withProven(report, finding).fixes().get(0).edit().applyTo(plan);
            assertThat(Check.run(after).findings()).as(finding.text()).noneMatch(f -> f.id().equals(finding.id()));
        }
    }
}
