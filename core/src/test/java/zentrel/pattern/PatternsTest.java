package zentrel.pattern;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import zentrel.check.Check;
import zentrel.check.Report;
import zentrel.file.LoadedPlan;
import zentrel.file.PlanFileException;
import zentrel.file.PlanReader;
import zentrel.file.PlanWriter;
import zentrel.gear.Library;
import zentrel.path.SignalPath;
import zentrel.path.Verdict;
import zentrel.plan.Plan;

class PatternsTest {
    private static final Library LIBRARY = Library.shipped();

    static Stream<String> ids() {
        return Patterns.all().stream().map(Pattern::id);
    }

    private static void isCleanAndAlive(Plan plan, Map<String, String> answers) {
        Report report = Check.run(plan);
        assertThat(report.findings()).as("%s with %s", plan.name(), answers).isEmpty();
        List<SignalPath> paths = report.signalPaths().all();
        assertThat(paths).as(plan.name()).isNotEmpty();
        assertThat(paths).allSatisfy(p -> assertThat(p.verdict()).isEqualTo(Verdict.PASSES));
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("ids")
    void asUsualItChecksCleanAndEverySignalPasses(String id) throws PlanFileException {
        Plan plan = Patterns.find(id).orElseThrow().build(LIBRARY, Map.of());
        isCleanAndAlive(plan, Map.of());
        byte[] file = PlanWriter.write(LoadedPlan.of(plan));
        assertThat(PlanReader.read(file).plan()).as("opens from its file").isEqualTo(plan);
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("ids")
    void withAnyAnswersAllowedItChecksClean(String id) {
        Pattern pattern = Patterns.find(id).orElseThrow();
        for (int seed = 0; seed < 25; seed++) {
            Random random = new Random(seed);
            Map<String, String> answers = new HashMap<>();
            for (Question q : pattern.questions()) {
                if (q.isNumber()) {
                    int most = Math.min(q.most(), 12); // a large rig is the speed module's affair
                    answers.put(q.id(), String.valueOf(q.least() + random.nextInt(most - q.least() + 1)));
                } else if (!q.choices().isEmpty()) {
                    answers.put(
                            q.id(), q.choices().get(random.nextInt(q.choices().size())));
                } else {
                    answers.put(
                            q.id(),
                            List.of("10.93.0.0/16", "10.59.0.0/16", "2.0.0.0/8").get(random.nextInt(3)));
                }
            }
            Plan plan = pattern.build(LIBRARY, answers);
            Report report = Check.run(plan);
            boolean compact = "compact".equals(answers.get("console"));
            assertThat(report.findings())
                    .as("%s with %s", id, answers)
                    .allMatch(f -> compact && f.rule().equals("universe.over-limit"));
        }
    }

    @Test
    void thereAreEightWithFiveQuestionsAtMost() {
        assertThat(Patterns.all()).hasSizeGreaterThanOrEqualTo(8);
        assertThat(Patterns.all()).allSatisfy(p -> assertThat(p.questions()).hasSizeLessThanOrEqualTo(5));
    }

    @Test
    void anAnswerThatWillNotDoIsRefusedInASentence() {
        Pattern nodes = Patterns.find("console-nodes").orElseThrow();
        assertThatThrownBy(() -> nodes.build(LIBRARY, Map.of("nodes", "0")))
                .hasMessage("How many nodes? Answer a number from 1 to 40, not \"0\".");
        assertThatThrownBy(() -> nodes.build(LIBRARY, Map.of("console", "huge")))
                .hasMessage("Which console? Answer full or compact, not \"huge\".");
        assertThatThrownBy(() -> nodes.build(LIBRARY, Map.of("range", "10.1.2.3/16")))
                .hasMessageStartingWith("Which address range? ");
        assertThatThrownBy(() -> Patterns.find("pixels").orElseThrow().build(LIBRARY, Map.of("range", "172.21.0.0/16")))
                .hasMessageContaining("2.0.0.0/8 and 10.0.0.0/8 only");
    }
}
