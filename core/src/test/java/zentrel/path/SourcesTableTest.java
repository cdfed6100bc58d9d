package zentrel.path;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.stream.Collectors;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import zentrel.TestPlans;
import zentrel.check.Check;
import zentrel.check.Fixes;
import zentrel.check.Report;
import zentrel.check.Severity;
import zentrel.plan.*;

/**
 * Two consoles on one port: identity and synchronisation (ANSI E1.31-2018, sections 5.6, 6.2.4, 6.7.2), priority (6.2.3),
 * and how many sources the receiver takes.
 */
class SourcesTableTest {
    private static final String RIG = """
            {"zentrel-plan":1,"segments":[{"id":"net"}],
             "hosts":[{"id":"a","name":"A","kind":"console","adapters":[{"id":"aa","segment":"net","addresses":["10.58.1.1/16"]}]},
                      {"id":"b","name":"B","kind":"console","adapters":[{"id":"bb","segment":"net","addresses":["10.58.1.2/16"]}]},
                      {"id":"c","name":"C","kind":"node","adapters":[{"id":"cc","segment":"net","addresses":["10.58.2.2/16"]}]}],
             "applications":[{"id":"one","name":"One","host":"a","kind":"console"%s},
                             {"id":"two","name":"Two","host":"b","kind":"console"%s},
                             {"id":"fw","host":"c","kind":"node"}],
             "universes":[{"id":"u","number":5%s}],
             "streams":[{"id":"s1","application":"one","universe":"u","protocol":"%s","wire":5%s},
                        {"id":"s2","application":"two","universe":"u","protocol":"%s","wire":5%s}],
             "receivers":[{"id":"r","name":"Node","application":"fw"%s,"ports":[{"id":"p","protocol":"%s","wire":5,"universe":"u"}]}]}
            """;

    private static String with(String fields) {
        return fields.isEmpty() ? "" : "," + fields;
    }

    private static Plan rig(
            String protocol, String one, String two, String universe, String s1, String s2, String receiver) {
        return TestPlans.read(RIG.formatted(
                        with(one),
                        with(two),
                        with(universe),
                        protocol,
                        with(s1),
                        protocol,
                        with(s2),
                        with(receiver),
                        protocol)
                .getBytes(StandardCharsets.UTF_8));
    }

    /** Findings above a note, each with its cause. */
    private static String found(Plan plan) {
        return Check.run(plan).findings().stream()
                .filter(f -> f.severity() != Severity.NOTE)
                .map(f -> f.rule() + "@" + f.cause().value())
                .sorted()
                .collect(Collectors.joining(" "));
    }

    @ParameterizedTest(name = "{0} {1} {2} {3} {4} {5} {6}")
    @CsvSource(
            delimiter = '|',
            value = {
                // priorities and merging
                "sacn | '' | '' | '' | '' | '\"priority\":90' | '' | ''",
                "sacn | '' | '' | '' | '' | '' | '' | universe.two-sources@two",
                "sacn | '' | '' | '\"merge\":true' | '' | '' | '' | ''",
                "artnet | '' | '' | '' | '' | '' | '' | universe.two-sources@two",
                "artnet | '' | '' | '' | '' | '\"standby\":true' | '' | ''",
                "artnet | '' | '' | '\"merge\":true' | '' | '' | '' | ''",
                // identity
                "sacn | '\"cid\":\"x\"' | '\"cid\":\"y\"' | '' | '' | '\"priority\":90' | '' | ''",
                "sacn | '\"cid\":\"x\"' | '' | '' | '' | '\"priority\":90' | '' | ''",
                "sacn | '\"cid\":\"x\"' | '\"cid\":\"x\"' | '' | '' | '\"priority\":90' | '' | universe.one-cid@two",
                "sacn | '\"cid\":\"x\"' | '\"cid\":\"x\"' | '\"merge\":true' | '' | '' | '' | universe.one-cid@two",
                "sacn | '\"cid\":\"x\"' | '\"cid\":\"x\"' | '' | '' | '\"enabled\":false' | '' | ''",
                "artnet | '\"cid\":\"x\"' | '\"cid\":\"x\"' | '\"merge\":true' | '' | '' | '' | ''",
                // how many it takes
                "sacn | '' | '' | '' | '' | '\"priority\":90' | '\"sourcesAtMost\":2' | ''",
                "sacn | '' | '' | '' | '' | '\"priority\":90' | '\"sourcesAtMost\":1' | universe.two-sources@two",
                "sacn | '' | '' | '' | '\"priority\":80' | '\"priority\":90' | '\"sourcesAtMost\":1' | universe.two-sources@two",
                "sacn | '' | '' | '' | '' | '\"standby\":true' | '\"sourcesAtMost\":1' | ''",
                // synchronisation
                "sacn | '' | '' | '' | '\"sync\":7000' | '\"priority\":90' | '' | universe.sync@s1",
                "sacn | '\"outputs\":{\"sacn\":{\"syncOn\":7000}}' | '' | '' | '\"sync\":7000' | '\"priority\":90' | '' | ''",
                "sacn | '\"outputs\":{\"sacn\":{\"syncOn\":7001}}' | '' | '' | '\"sync\":7000' | '\"priority\":90' | '' | universe.sync@s1",
                "sacn | '\"outputs\":{\"sacn\":{\"syncOn\":7000}}' | '' | '' | '' | '\"priority\":90' | '' | ''",
                "sacn | '' | '\"outputs\":{\"sacn\":{\"syncOn\":7000}}' | '' | '\"sync\":7000' | '\"priority\":90' | '' | universe.sync@s1",
                "artnet | '' | '' | '\"merge\":true' | '\"sync\":7000' | '' | '' | ''"
            })
    void twoSources(
            String protocol,
            String one,
            String two,
            String universe,
            String s1,
            String s2,
            String receiver,
            String expected) {
        Plan plan = rig(protocol, one, two, universe, s1, s2, receiver);
        assertThat(found(plan)).isEqualTo(expected);
        Report report = Check.run(plan);
        report.findings().stream().filter(f -> f.severity() != Severity.NOTE).forEach(f -> {
            var proven = Fixes.proven(report, f);
            assertThat(proven).as(f.text()).isNotEmpty();
            proven.forEach(fix -> assertThat(Check.run(fix.edit().applyTo(plan)).finding(f.id()))
                    .as(fix.text())
                    .isEmpty());
        });
    }
}
