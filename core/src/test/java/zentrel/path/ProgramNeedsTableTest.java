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

/** What a program needs before it sends, which addresses it uses, and what its limit is where its version is not said. Invented. */
class ProgramNeedsTableTest {
    private static final String RIG = """
            {"zentrel-plan":1,"segments":[{"id":"n"},{"id":"m"}],
             "profiles":[{"id":"own/desk","name":"Own desk","software":true,"applications":[{"name":"Desk","kind":"console",
                "sends":["sacn"],"takes":["sacn"],"licences":["show"]%s}]}],
             "hosts":[{"id":"one","name":"Laptop","kind":"computer","adapters":[
                        {"id":"a1","name":"Lights","segment":"n","addresses":["10.71.0.1/16"]},
                        {"id":"a2","name":"Other","segment":"m","addresses":["2.71.0.1/8"]}]},
                      {"id":"two","kind":"node","adapters":[{"id":"b1","segment":"n","addresses":["10.71.0.2/16"]}]},
                      {"id":"three","name":"Second laptop","kind":"computer","adapters":[{"id":"c1","segment":"%s","addresses":["10.71.0.3/16"]}]}],
             "applications":[{"id":"tx","name":"Desk","host":"one","kind":"console","profile":"own/desk","bindings":{"sacn-send":["a1"]}%s},
                             {"id":"node","host":"two","kind":"node"},
                             {"id":"like","name":"Spare","host":"three","kind":"console","profile":"own/desk"%s}],
             "universes":[{"id":"u","number":2},{"id":"v","number":1}],
             "streams":[{"id":"s","application":"tx","universe":"u","protocol":"sacn","wire":2,"delivery":"multicast"},
                        {"id":"t","application":"tx","universe":"v","protocol":"sacn","wire":1,"delivery":"multicast"}],
             "receivers":[{"id":"r","application":"node","ports":[{"id":"p","protocol":"sacn","wire":2,"universe":"u"},
                                                                  {"id":"q","protocol":"sacn","wire":1,"universe":"v"}]}],
             "sessions":[{"id":"e","name":"Evening","members":[%s]}]}
            """;

    @ParameterizedTest(name = "{0} with {1}, other {2} on {3}, session {4}: {5}")
    @CsvSource(
            delimiter = '|',
            value = {
                // what is needed | what is so | the other of its kind | its segment | desks of the session | verdict of
                // the path
                "                                            |                          |         | m | | passes",
                "needs:[{need:licence}]                      |                          |         | m | | broken program.no-licence",
                "needs:[{need:licence}]                      | licence:'show'           |         | m | | passes",
                "needs:[{need:licence}]                      | licence:'show',met:{licence:false} |  | m | | broken program.no-licence",
                "needs:[{need:licence,stops:false,otherwise:'it stops after half an hour'}] | | | m | | at risk program.no-licence",
                "needs:[{need:session}]                      |                          |         | m | | broken program.no-session",
                "needs:[{need:session}]                      |                          |         | m | tx:primary | passes",
                "needs:[{need:session}]                      |                          |         | m | like:primary,tx:remote | passes",
                "needs:[{need:session}]                      |                          | running:false | m | like:primary,tx:remote | broken program.no-session",
                "needs:[{need:session}]                      | met:{session:false}      |         | m | tx:primary | broken program.no-session",
                "needs:[{need:alone}]                        |                          |         | n | | broken program.not-alone",
                "needs:[{need:alone}]                        |                          | running:false | n | | passes",
                "needs:[{need:alone}]                        |                          |         | apart | | passes",
                "needs:[{need:alone}]                        | met:{alone:true}         |         | n | | passes",
                "needs:[{need:output}]                       |                          |         | m | | passes",
                "needs:[{need:output}]                       | met:{output:false}       |         | m | | broken program.output-stopped",
                "                                            | met:{output:{planned:true,inForce:false}} | | m | | broken program.output-stopped",
                // the ranges a program uses, whatever its device takes
                "accepts:['10.0.0.0/8','2.0.0.0/8']          |                          |         | m | | passes",
                "accepts:['2.0.0.0/8']                       |                          |         | m | | broken program.address-range",
                // a limit that depends on the version
                "limits:[{protocol:sacn,universes:1},{protocol:sacn,universes:5,fromVersion:'2.7'}] | version:'2.7' | | m | | passes",
                "limits:[{protocol:sacn,universes:1},{protocol:sacn,universes:5,fromVersion:'2.7'}] | version:'2.6' | | m | | broken universe.over-limit",
                "limits:[{protocol:sacn,universes:1},{protocol:sacn,universes:5,fromVersion:'2.7'}] |             | | m | | not known universe.limit-not-known",
                "limits:[{protocol:sacn,universes:1},{protocol:sacn,universes:1,fromVersion:'2.7'}] |             | | m | | broken universe.over-limit"
            })
    void whatAProgramNeedsIsJudgedAtItsSource(
            String profile, String program, String other, String segment, String desks, String expected) {
        Plan plan = TestPlans.read(RIG.formatted(
                        json(profile),
                        segment.equals("apart") ? "m" : segment,
                        json(program),
                        json(other),
                        desks == null
                                ? ""
                                : List.of(desks.split(",", -1)).stream()
                                        .map(d -> "{\"application\":\"" + d.replace(":", "\",\"part\":\"") + "\"}")
                                        .collect(Collectors.joining(",")))
                .getBytes(StandardCharsets.UTF_8));
        if (segment.equals("apart")) {
            plan = plan.with(Kind.ADAPTER.id("c1"), a -> a.withoutSegment());
        }
        SignalPaths paths = new SignalPaths(plan);
        SignalPath path = paths.ofUniverse(Kind.UNIVERSE.id("u")).paths().get(0);
        String codes = path.issues().map(i -> i.reason().code()).distinct().collect(Collectors.joining(" "));
        String verdict = switch (path.verdict()) {
            case BROKEN -> "broken " + codes;
            case AT_RISK -> "at risk " + codes;
            case NOT_KNOWN -> "not known " + codes;
            default -> "passes";
        };
        assertThat(verdict).isEqualTo(expected);
        path.hops()
                .filter(h -> !h.issues().isEmpty())
                .forEach(h ->
                        assertThat(PathWords.of(paths).text(h)).endsWith(".").doesNotContain("null", "{", ".."));
        Report report = Check.run(plan);
        for (Finding finding : report.findings().stream()
                .filter(f -> f.severity() == Severity.BROKEN || f.severity() == Severity.AT_RISK)
                .filter(f -> f.rule().startsWith("program.") && !expected.equals("broken program.address-range"))
                .toList()) {
            Plan after = Fixes.withProven(report, finding).fixes().get(0).edit().applyTo(plan);
            assertThat(Check.run(after).findings()).as(finding.text()).noneMatch(f -> f.id().equals(finding.id()));
        }
    }

    /** Members without quotes around them, as JSON after what is there. */
    private static String json(String members) {
        return members == null
                ? ""
                : ","
                        + members.strip()
                                .replace('\'', '"')
                                .replaceAll("(?<=[{,:\\[]|^)([a-zA-Z-]+)(?=[:,}])", "\"$1\"")
                                .replaceAll("\"(true|false)\"", "$1");
    }
}
