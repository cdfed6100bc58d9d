package zentrel.check;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import zentrel.path.Hop;
import zentrel.path.SignalPath;
import zentrel.path.Verdict;
import zentrel.path.words.PathWords;
import zentrel.plan.Plan;

/** What a report says of each rule fits what it found, over random rigs with several mistakes. */
class OutcomesPropertyTest {
    static java.util.stream.LongStream seeds() {
        return java.util.stream.LongStream.rangeClosed(1001, 1080);
    }

    private static Plan rig(long seed) {
        Random random = new Random(seed);
        Plan plan = RandomPlans.rig(seed);
        for (int i = 0; i < 1 + random.nextInt(3); i++) {
            plan = RandomPlans.mistake(plan, random);
        }
        return plan;
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void everyOutcomeIsThatOfItsFindings(long seed) {
        Report report = Check.run(rig(seed));
        assertThat(report.outcomes().keySet())
                .containsExactlyElementsOf(
                        RuleBook.rules().stream().map(Rule::id).toList());
        for (Rule rule : RuleBook.rules()) {
            List<Finding> found = report.findings().stream()
                    .filter(f -> f.rule().equals(rule.id()))
                    .toList();
            Outcome outcome = report.outcomes().get(rule.id());
            if (found.isEmpty()) {
                assertThat(outcome).isIn(Outcome.PASSES, Outcome.NOT_APPLICABLE, Outcome.NOT_KNOWN);
            } else {
                Severity worst = found.stream()
                        .map(Finding::severity)
                        .max(Severity::compareTo)
                        .orElseThrow();
                assertThat(outcome).isEqualTo(Outcome.of(worst));
            }
        }
        Set<String> ids = new HashSet<>();
        for (Finding finding : report.findings()) {
            assertThat(ids.add(finding.id()))
                    .as("one finding of a rule for a cause: " + finding.id())
                    .isTrue();
            assertThat(finding.text()).endsWith(".").doesNotContain("null").doesNotContain("Optional[");
            assertThat(finding.subjects().get(0)).isEqualTo(finding.cause());
            assertThat(report.plan().index().find(finding.cause()))
                    .as(finding.id())
                    .isPresent();
        }
    }

    /** After the first broken hop the rest are judged as "would", and the decisive hop is the first of the worst. */
    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void whatComesAfterTheFirstBrokenHopWouldBe(long seed) {
        Report report = Check.run(rig(seed));
        PathWords words = PathWords.of(report.signalPaths());
        for (SignalPath path : report.paths()) {
            for (var leg : path.legs()) {
                assertThat(leg.hops()).hasSize(10);
                boolean broken = false;
                for (Hop hop : leg.hops()) {
                    if (broken) {
                        assertThat(hop.would() || !hop.applicable())
                                .as(hop.kind() + ": " + words.text(hop))
                                .isTrue();
                    }
                    broken |= hop.verdict() == Verdict.BROKEN;
                    assertThat(words.text(hop)).isNotBlank();
                }
            }
            assertThat(path.verdict())
                    .isEqualTo(path.hops()
                            .map(Hop::verdict)
                            .max(Verdict::compareTo)
                            .orElseThrow());
            path.decisive().ifPresent(d -> assertThat(d.verdict()).isEqualTo(path.verdict()));
        }
    }
}
