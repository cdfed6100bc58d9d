package zentrel.check;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import zentrel.demo.FernlightTrail;
import zentrel.gear.DeviceFactory;
import zentrel.gear.Library;
import zentrel.path.Hop;
import zentrel.path.Issue;
import zentrel.path.SignalPath;
import zentrel.path.SignalPaths;
import zentrel.path.Verdict;
import zentrel.path.words.PathWords;
import zentrel.plan.Adapter;
import zentrel.plan.Fixture;
import zentrel.plan.Plan;

/** What must hold for any plan: over seeded random rigs with one to four random mistakes. */
class FindingsPropertyTest {
    private static final int RIGS = Integer.getInteger("zentrel.seeds", 120);

    static LongStream seeds() {
        return LongStream.range(0, RIGS);
    }

    private static Plan faulty(long seed) {
        Random random = new Random(seed * 31 + 7);
        Plan plan = RandomPlans.rig(seed);
        int mistakes = 1 + random.nextInt(4);
        for (int i = 0; i < mistakes; i++) {
            plan = RandomPlans.mistake(plan, random);
        }
        return plan;
    }

    /** All paths, those of single fixtures too. */
    private static List<SignalPath> paths(Plan plan) {
        SignalPaths all = new SignalPaths(plan);
        List<SignalPath> paths = new java.util.ArrayList<>(all.all());
        for (Fixture fixture : plan.fixtures()) {
            paths.addAll(all.ofFixture(fixture.id()).paths());
        }
        return paths;
    }

    /** All that a report says, without the edits themselves. */
    private static List<String> said(Report report) {
        List<String> said = new java.util.ArrayList<>();
        PathWords words = PathWords.of(report.signalPaths());
        report.outcomes().forEach((rule, outcome) -> said.add(rule + " " + outcome));
        for (Finding f : report.findings()) {
            said.add(f.id()
                    + f.severity()
                    + f.hop()
                    + f.subjects()
                    + f.text()
                    + f.fixes().stream().map(x -> x.id() + x.edit().text()).toList());
        }
        for (SignalPath p : report.paths()) {
            said.add(p.source() + " " + p.signal() + " " + p.receiver()
                    + p.hops()
                            .map(h -> h.at() + words.brief(h) + words.text(h) + h.would() + h.verdict())
                            .toList());
        }
        said.add(report.load().links() + " " + report.load().air() + " "
                + report.load().groups());
        report.load().sent().forEach(s -> said.add(s.stream().id() + " to " + s.taking()));
        for (Fixture f : report.plan().fixtures()) {
            said.add(f.id()
                    + report.signalPaths().patchIssues(f).stream()
                            .map(words::text)
                            .toList()
                            .toString());
        }
        return said;
    }

    /** What is judged after an edit is what a whole check would say: over mistakes made and mended one after the other. */
    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void whatAnEditCannotReachIsTheSame(long seed) {
        Random random = new Random(seed * 17 + 3);
        Plan healthy = RandomPlans.rig(seed);
        Plan plan = healthy;
        Report report = Check.run(plan);
        for (int step = 0; step < 12; step++) {
            List<Fix> fixes =
                    report.findings().stream().flatMap(f -> f.fixes().stream()).toList();
            Plan next;
            if (step % 4 == 3) {
                next = healthy; // as if all was undone
            } else if (fixes.isEmpty() || random.nextInt(3) > 0) {
                next = RandomPlans.mistake(plan, random);
            } else {
                next = fixes.get(random.nextInt(fixes.size())).edit().applyTo(plan);
            }
            if (random.nextInt(5) == 0 && !next.hosts().isEmpty()) {
                next = DeviceFactory.boxes(
                                next,
                                Library.shipped(),
                                Library.shipped().find("house/node-4").orElseThrow(),
                                2,
                                "",
                                "")
                        .edit()
                        .applyTo(next);
            }
            if (random.nextInt(3) == 0) {
                next = RandomPlans.change(next, random);
            }
            report = Check.after(report, next);
            Report anew = Check.run(next);
            assertThat(said(report)).as("step " + step).isEqualTo(said(anew));
            if (step == 6) {
                mendsAlike(report, anew);
            }
            plan = next;
        }
    }

    /** A fix that stood through an edit does what it would if it were found now. */
    private static void mendsAlike(Report carried, Report anew) {
        for (int i = 0; i < anew.findings().size(); i++) {
            List<Fix> fixes = anew.findings().get(i).fixes();
            for (int k = 0; k < fixes.size(); k++) {
                assertThat(carried.findings().get(i).fixes().get(k).edit().applyTo(carried.plan()))
                        .as(fixes.get(k).text())
                        .isEqualTo(fixes.get(k).edit().applyTo(anew.plan()));
            }
        }
    }

    /** Whoever gets another's address harms the other too, of which the edit says nothing. */
    @Test
    void whoSharesAnAddressIsJudgedAnew() {
        Plan ready = FernlightTrail.named("ready").orElseThrow();
        Report before = Check.run(ready);
        List<Adapter> adapters = ready.hosts().stream()
                .flatMap(h -> h.adapters().stream())
                .filter(a -> a.segment().isPresent() && !a.addresses().isEmpty())
                .toList();
        for (Adapter a : adapters) {
            for (Adapter b : adapters) {
                if (!a.id().equals(b.id()) && a.segment().equals(b.segment())) {
                    Plan shared = ready.with(a.id(), x -> x.withAddresses(b.addresses()));
                    assertThat(said(Check.after(before, shared))).isEqualTo(said(Check.run(shared)));
                }
            }
        }
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void aHealthyRigGivesNothing(long seed) {
        Plan plan = RandomPlans.rig(seed);
        assertThat(Check.run(plan).findings()).isEmpty();
        assertThat(paths(plan))
                .allSatisfy(p -> assertThat(p.verdict())
                        .as(p.protocol())
                        .isEqualTo(p.protocol().equals("own") ? Verdict.NOT_KNOWN : Verdict.PASSES));
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void aBrokenHopHasAFindingAndTheReverse(long seed) {
        Plan plan = faulty(seed);
        Report report = Check.run(plan);
        Set<String> found = report.findings().stream().map(Finding::id).collect(Collectors.toSet());
        Set<String> died = new HashSet<>();
        for (SignalPath path : paths(plan)) {
            for (Hop hop : path.hops().toList()) {
                for (Issue issue : hop.issues()) {
                    assertThat(issue.reason().hop())
                            .as("each reason has one place")
                            .isEqualTo(hop.kind());
                    if (issue.verdict() == Verdict.BROKEN) {
                        assertThat(found)
                                .as(
                                        "hop %s: %s",
                                        hop.kind(),
                                        PathWords.of(report.signalPaths()).text(issue))
                                .contains(issue.fixId());
                        died.add(issue.fixId() + " " + hop.kind());
                    }
                }
            }
        }
        for (Finding finding : report.findings()) {
            if (finding.severity() == Severity.BROKEN && finding.hop().isPresent()) {
                assertThat(died)
                        .as(finding.text())
                        .contains(finding.id() + " " + finding.hop().get());
            }
        }
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void aProvenFixRemovesItsFindingAndAddsNone(long seed) {
        Plan plan = faulty(seed);
        Report report = Check.run(plan);
        Set<String> before = report.findings().stream().map(Finding::id).collect(Collectors.toSet());
        for (Finding finding : report.findings()) {
            for (Fix fix : Fixes.proven(report, finding)) {
                Set<String> after = Check.run(fix.edit().applyTo(plan)).findings().stream()
                        .map(Finding::id)
                        .collect(Collectors.toCollection(LinkedHashSet::new));
                assertThat(after).as(fix.text()).doesNotContain(finding.id());
                assertThat(before).as(fix.text()).containsAll(after);
            }
        }
    }

    /** The filter must not be what makes the property true: nearly all findings have a fix that passes it. */
    @Test
    void nearlyEveryFindingHasAProvenFix() {
        int findings = 0;
        int mended = 0;
        Set<String> without = new LinkedHashSet<>();
        for (long seed = 0; seed < RIGS; seed++) {
            Report report = Check.run(faulty(seed));
            for (Finding finding : report.findings()) {
                if (finding.severity() != Severity.NOTE) {
                    findings++;
                    if (Fixes.proven(report, finding).isEmpty()) {
                        without.add("seed " + seed + " " + finding.id() + ": " + finding.text());
                    } else {
                        mended++;
                    }
                }
            }
        }
        assertThat(mended).as("of %d findings; without: %s", findings, without).isGreaterThan(findings * 9 / 10);
    }

    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void applyingFixesOneAfterTheOtherEndsWithNothingBroken(long seed) {
        Plan plan = faulty(seed);
        for (int step = 0; step < 40; step++) {
            Report report = Check.run(plan);
            Fix next = null;
            for (Finding finding : report.findings()) {
                List<Fix> proven = Fixes.proven(report, finding);
                if (next == null && !proven.isEmpty()) {
                    next = proven.get(0);
                }
            }
            if (next == null) {
                break;
            }
            int before = report.findings().size();
            plan = next.edit().applyTo(plan);
            assertThat(Check.run(plan).findings()).hasSizeLessThan(before);
        }
    }
}
