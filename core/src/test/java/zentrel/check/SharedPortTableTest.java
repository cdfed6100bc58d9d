package zentrel.check;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.stream.Collectors;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import zentrel.TestPlans;
import zentrel.plan.Kind;
import zentrel.plan.Plan;

/**
 * Two programs on one computer at one UDP port: what is sent to its address reaches one of them only, tried against the kernel elsewhere.
 * And the addresses that Art-Net was made for (Art-Net 4: 2/8, or 10/8), where nobody has said what a device accepts.
 */
class SharedPortTableTest {
    private static final String RIG = """
            {"zentrel-plan":1,"segments":[{"id":"n"}],
             "hosts":[{"id":"pc","kind":"computer","adapters":[{"id":"a","segment":"n","addresses":["10.71.0.1/16"]},
                                                               {"id":"b","kind":"virtual","addresses":["10.73.0.1/16"]}]},
                      {"id":"desk","kind":"console","adapters":[{"id":"d","segment":"n","addresses":["10.71.0.9/16"]}]}],
             "applications":[{"id":"tx","host":"desk","kind":"console"},
                             {"id":"one","host":"pc","kind":"previs","bindings":{"artnet-listen":%1$s,"osc-listen":%1$s}%3$s},
                             {"id":"two","host":"pc","kind":"previs","bindings":{"artnet-listen":%2$s,"osc-listen":%2$s}%4$s}],
             "universes":[{"id":"u","number":5}],
             "streams":[{"id":"s","application":"%5$s","universe":"u","protocol":"artnet","wire":5,"delivery":"%6$s","enabled":%7$s%8$s}],
             "receivers":[{"id":"r1","application":"one","inputOn":%9$s,"ports":[{"id":"p1","kind":"internal","protocol":"artnet","wire":5,"universe":"u"}]},
                          {"id":"r2","application":"two","ports":[{"id":"p2","kind":"internal","protocol":"%10$s","wire":5,"universe":"u"}]}]}
            """;

    private static String json(String binding) {
        return binding.length() == 1 ? "[\"" + binding + "\"]" : "\"" + binding + "\"";
    }

    private static String osc(String port) {
        return port.equals("-")
                ? ""
                : ",\"osc\":{\"port\":" + port.replace(" off", "") + ",\"receiving\":" + !port.endsWith("off") + "}";
    }

    @ParameterizedTest(name = "{0} and {1}, OSC {2} and {3}, {4} by {5} {6}, input {7}, {8}: {9}")
    @CsvSource({
        // where they listen
        "a, a, -, -, tx, found, true, true, artnet, streams",
        "a, b, -, -, tx, found, true, true, artnet, ''",
        "a, all, -, -, tx, found, true, true, artnet, streams",
        "all, loopback, -, -, tx, found, true, true, artnet, streams",
        "loopback, loopback, -, -, tx, found, true, true, artnet, streams",
        "a, loopback, -, -, tx, found, true, true, artnet, ''",
        "loopback, automatic, -, -, tx, found, true, true, artnet, ''",
        "automatic, automatic, -, -, tx, found, true, true, artnet, streams",
        // what is sent to the address, and to whom
        "a, a, -, -, tx, unicast, true, true, artnet, streams",
        "a, a, -, -, tx, broadcast, true, true, artnet, ''",
        "a, a, -, -, tx, found, false, true, artnet, ''",
        "a, a, -, -, tx, found, true, false, artnet, ''",
        "a, a, -, -, tx, found, true, true, sacn, ''",
        // OSC
        "a, a, 24510, 24510, tx, broadcast, true, true, artnet, osc",
        "a, a, 24510, 24511, tx, broadcast, true, true, artnet, ''",
        "a, b, 24510, 24510, tx, broadcast, true, true, artnet, ''",
        "a, a, 24510, -, tx, broadcast, true, true, artnet, ''",
        "a, a, 24510, 24510 off, tx, broadcast, true, true, artnet, ''"
    })
    void onlyOneOfThemReceives(
            String one,
            String two,
            String oscOne,
            String oscTwo,
            String source,
            String delivery,
            boolean on,
            boolean input,
            String protocol,
            String expected) {
        Plan plan = TestPlans.read(RIG.formatted(
                        json(one),
                        json(two),
                        osc(oscOne),
                        osc(oscTwo),
                        source,
                        delivery,
                        on,
                        delivery.equals("unicast") ? ",\"to\":[\"10.71.0.1\"]" : "",
                        input,
                        protocol)
                .getBytes(StandardCharsets.UTF_8));
        Report report = Check.run(plan);
        List<Finding> found = report.findings().stream()
                .filter(f -> f.rule().equals("adapter.port-shared"))
                .toList();
        assertThat(found.stream()
                        .map(f -> f.text().contains("for OSC") ? "osc" : "streams")
                        .collect(Collectors.joining(" ")))
                .isEqualTo(expected);
        for (Finding finding : found) {
            assertThat(finding.cause()).isEqualTo(Kind.APPLICATION.id("two"));
            List<Fix> fixes = Fixes.proven(report, finding);
            assertThat(fixes).isNotEmpty();
            Plan after = fixes.get(0).edit().applyTo(plan);
            assertThat(Check.run(after).finding(finding.id())).isEmpty();
        }
    }

    @ParameterizedTest(name = "{0} of {1} by {2}: {3}")
    @CsvSource({
        "172.20.0.5/16, firmware, artnet, true",
        "172.20.0.5/16, firmware, sacn, false",
        "172.20.0.5/16, linux, artnet, false",
        "2.20.0.5/8, firmware, artnet, false",
        "10.20.0.5/16, firmware, artnet, false",
        "169.254.3.5/16, firmware, artnet, false",
        "3.20.0.5/16, firmware, artnet, true"
    })
    void anUnusualAddressOfADeviceThatNobodyDescribedIsWorthALook(
            String address, String system, String protocol, boolean noted) {
        Plan plan = TestPlans.read("""
                {"zentrel-plan":1,"segments":[{"id":"n"}],
                 "hosts":[{"id":"h","kind":"node","system":"%s","adapters":[{"id":"a","segment":"n","addresses":["%s"]}]}],
                 "applications":[{"id":"fw","host":"h","kind":"node"}],"universes":[{"id":"u","number":1}],
                 "receivers":[{"id":"r","application":"fw","ports":[{"id":"p","protocol":"%s","wire":1,"universe":"u"}]}]}
                """.formatted(system, address, protocol).getBytes(StandardCharsets.UTF_8));
        assertThat(Check.run(plan).finding("address.artnet-range@a").isPresent())
                .isEqualTo(noted);
    }
}
