package zentrel.demo;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import zentrel.check.Check;
import zentrel.check.Finding;
import zentrel.check.Fixes;
import zentrel.check.Report;
import zentrel.check.Severity;
import zentrel.plan.Plan;

class FernlightTrailTest {
    @Test
    void readyHasNothingAboveANote() {
        Plan plan = FernlightTrail.ready();
        assertThat(Check.run(plan).findings())
                .allSatisfy(f -> assertThat(f.severity()).isEqualTo(Severity.NOTE));
        assertThat(plan.hosts()).hasSize(20);
        assertThat(plan.universes()).hasSize(24);
        assertThat(plan.fixtures()).hasSize(140);
    }

    @Test
    void draftHoldsAtLeastEightDifferentMistakesEachWithAFix() {
        Report report = Check.run(FernlightTrail.draft());
        Set<String> rules = report.findings().stream()
                .filter(f -> f.severity() != Severity.NOTE)
                .map(Finding::rule)
                .collect(Collectors.toSet());
        assertThat(rules).hasSizeGreaterThanOrEqualTo(8);
        for (Finding finding : report.findings()) {
            if (finding.severity() != Severity.NOTE) {
                assertThat(Fixes.proven(report, finding)).as(finding.text()).isNotEmpty();
            }
        }
    }

    @Test
    void fixingTheDraftStepByStepMakesItReady() {
        Plan plan = FernlightTrail.draft();
        for (int step = 0; step < 40; step++) {
            Report report = Check.run(plan);
            Finding next = report.findings().stream()
                    .filter(f -> f.severity() != Severity.NOTE)
                    .findFirst()
                    .orElse(null);
            if (next == null) {
                break;
            }
            plan = Fixes.proven(report, next).get(0).edit().applyTo(plan);
        }
        assertThat(Check.run(plan).findings())
                .allSatisfy(f -> assertThat(f.severity()).isEqualTo(Severity.NOTE));
    }
}
