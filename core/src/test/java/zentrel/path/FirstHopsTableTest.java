package zentrel.path;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.stream.Collectors;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import zentrel.TestPlans;
import zentrel.plan.Kind;
import zentrel.plan.Plan;

/** Whether a universe leaves its source at all, and whether a node that is silent to polls is sent it. Worked by hand. */
class FirstHopsTableTest {
    private static final String RIG = """
            {"zentrel-plan":1,"segments":[{"id":"n"}],
             "hosts":[{"id":"a","kind":"console","adapters":[{"id":"aa","segment":"n","addresses":["10.61.0.1/16"]}]},
                      {"id":"b","kind":"console","adapters":[{"id":"bb","segment":"n","addresses":["10.61.0.2/16"]}]},
                      {"id":"c","kind":"node","adapters":[{"id":"cc","segment":"n","addresses":["10.61.0.3/16"]}]}],
             "applications":[{"id":"one","host":"a","kind":"console"%s},{"id":"two","host":"b","kind":"console"},{"id":"fw","host":"c","kind":"node"}],
             "universes":[{"id":"u","number":5}],
             "streams":[{"id":"s1","application":"one","universe":"u","protocol":"artnet"%s},
                        {"id":"s2","application":"two","universe":"u","protocol":"artnet","wire":5%s}],
             "receivers":[{"id":"r","application":"fw"%s,"ports":[{"id":"p","protocol":"artnet","wire":5,"universe":"u"}]}],
             "sessions":[{"id":"e","desks":[{"application":"two","part":"primary"},{"application":"one","part":"backup"}]}]}
            """;

    @ParameterizedTest(name = "one {0} {1}, two {2}, node {3}: {4}")
    @CsvSource(
            delimiter = '|',
            value = {
                // a label and the ranges of its source: 5 - 1 is 4, and the port waits for 5
                "'ranges':[{'first':1,'last':9,'offset':0}] | | standby | | passes",
                "'ranges':[{'first':1,'last':9,'offset':-1}] | | standby | | universe.nobody-asked",
                "'ranges':[{'first':1,'last':4,'offset':0}] | | standby | | universe.label-not-covered",
                "'ranges':[{'first':1,'last':4,'offset':0}] | 'wire':5 | standby | | passes",
                // one stands by for two, which sends or not
                " | 'wire':5,'standby':true | | | passes",
                " | 'wire':5,'standby':true | off | | universe.stands-by",
                " | 'wire':5,'standby':true | standby | | universe.stands-by",
                // a node that answers no polls is sent nothing by a source that sends to those found
                " | 'wire':5,'delivery':'found' | standby | silent | discovery.silent",
                " | 'wire':5,'delivery':'broadcast' | standby | silent | passes",
                " | 'wire':5,'to':['10.61.0.3'] | standby | silent | passes"
            })
    void itLeavesOrNot(String output, String stream, String two, String node, String expected) {
        Plan plan = TestPlans.read(RIG.formatted(
                        output == null ? "" : ",'outputs':{'artnet':{" + output + "}}",
                        stream == null ? "" : "," + stream,
                        two == null ? "" : two.equals("off") ? ",'enabled':false" : ",'standby':true",
                        node == null ? "" : ",'answersPolls':false")
                .replace('\'', '"')
                .getBytes(StandardCharsets.UTF_8));
        String codes = new SignalPaths(plan)
                .ofUniverse(Kind.UNIVERSE.id("u")).paths().stream()
                        .filter(p -> p.source()
                                .filter(Kind.APPLICATION.id("one")::equals)
                                .isPresent())
                        .flatMap(SignalPath::issues)
                        .filter(i -> i.verdict() == Verdict.BROKEN)
                        .map(i -> i.reason().code())
                        .distinct()
                        .limit(1)
                        .collect(Collectors.joining(" "));
        assertThat(codes.isEmpty() ? "passes" : codes).isEqualTo(expected);
    }
}
