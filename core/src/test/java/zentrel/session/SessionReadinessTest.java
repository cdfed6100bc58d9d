package zentrel.session;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.junit.jupiter.params.provider.Arguments.arguments;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import zentrel.TestPlans;
import zentrel.check.Check;
import zentrel.check.Finding;
import zentrel.check.Report;
import zentrel.check.Severity;
import zentrel.demo.FernlightTrail;
import zentrel.plan.Application;
import zentrel.plan.Binding;
import zentrel.plan.Id;
import zentrel.plan.Kind;
import zentrel.plan.Part;
import zentrel.plan.Plan;
import zentrel.plan.Purpose;
import zentrel.plan.Session;
import zentrel.plan.Setting;
import zentrel.plan.VersionRule;
import zentrel.plan.VersionRule.Agreement;
import zentrel.profile.ApplicationKind;
import zentrel.session.BothEnds.Row;
import zentrel.session.BothEnds.What;

/** What keeps desks from working together, found and told in an order that can be followed. */
class SessionReadinessTest {
    private static final Plan READY = FernlightTrail.ready();
    private static final Id<Session> EVENING = Kind.SESSION.id("evening-session");
    private static final Id<Application> HUT = Kind.APPLICATION.id("hut-desk");
    private static final Id<Application> BACKUP = Kind.APPLICATION.id("backup-desk");
    private static final Id<Application> TABLET = Kind.APPLICATION.id("tablet-remote");

    private static SessionReady of(Plan plan, Id<Session> session) {
        return new SessionReadiness(Check.run(plan)).of(plan.index().get(session));
    }

    private static TakesPart member(SessionReady ready, Id<Application> program) {
        return ready.members().stream()
                .filter(m -> m.program().equals(program))
                .findFirst()
                .orElseThrow();
    }

    @ParameterizedTest
    @CsvSource({
        // how closely, here, there, outcome; 4.2 and 4.2.0.18: one release, and the build of the first is not known
        "EXACT, 4.2, 4.2.0.18, NOT_SURE",
        "EXACT, 4.2.0.18, 4.2.0.18, AGREE",
        "EXACT, 4.2.0.18, 4.2.0.19, DIFFER",
        "EXACT, 4.2, 4.20, DIFFER",
        "MAJOR_MINOR, 4.2, 4.2.0.18, AGREE",
        "MAJOR_MINOR, 4, 4.2.0, NOT_SURE",
        "MAJOR_MINOR, 4.1.9, 4.2.0, DIFFER",
        "MAJOR, 4, 4.9, AGREE",
        "MAJOR, 3.9, 4.0, DIFFER",
        "ANY, 1, 9.9.9, AGREE"
    })
    void versionsStandToEachOther(VersionRule rule, String here, String there, Agreement outcome) {
        assertThat(rule.compare(here, there)).isEqualTo(outcome);
        assertThat(rule.compare(there, here)).as("the other way round").isEqualTo(outcome);
    }

    @Test
    void whereNothingLacksAllIsDone() {
        SessionReady ready = of(READY, EVENING);
        assertThat(ready.isReady()).isTrue();
        assertThat(ready.members())
                .allMatch(m -> m.state() == TakesPart.State.IN_STEP && m.lacks().isEmpty());
        assertThat(ready.left()).isZero();
        assertThat(ready.seconds()).isZero();
    }

    private static Plan program(Id<Application> id, UnaryOperator<Application> change) {
        return READY.with(id, change);
    }

    private static Plan desk(Id<Application> id, UnaryOperator<Session.Desk> change) {
        return READY.with(
                EVENING,
                s -> s.withDesks(s.desks().stream()
                        .map(d -> d.application().equals(id) ? change.apply(d) : d)
                        .toList()));
    }

    private static String adapterOf(Id<Application> id) {
        return READY.index()
                .application(id)
                .binding(Purpose.SESSION)
                .adapters()
                .get(0)
                .value();
    }

    static Stream<Arguments> spoilt() {
        return Stream.of(
                arguments("desk.version-differs", BACKUP, program(BACKUP, a -> a.withVersion("3.5.4")), "cannot enter"),
                arguments("desk.session-differs", BACKUP, desk(BACKUP, d -> d.withKey(Optional.of("other"))), "key"),
                arguments("desk.session-differs", TABLET, desk(TABLET, d -> d.withKey(Optional.of(""))), "key"),
                arguments("desk.two-mains", BACKUP, desk(BACKUP, d -> d.withPart(Part.PRIMARY)), "cannot enter"),
                arguments(
                        "program.not-running",
                        BACKUP,
                        program(
                                BACKUP,
                                a -> a.withInstalled(a.installed().withRunning(Optional.of(Setting.of(false))))),
                        "not started"),
                arguments(
                        "adapter.loopback",
                        BACKUP,
                        program(BACKUP, a -> a.withBinding(Purpose.SESSION, Setting.of(Binding.LOOPBACK))),
                        "cannot enter"),
                arguments(
                        "adapter.unplugged",
                        BACKUP,
                        READY.with(Kind.ADAPTER.id(adapterOf(BACKUP)), a -> a.withEnabled(Setting.of(false))),
                        "cannot enter"),
                arguments(
                        "address.none",
                        BACKUP,
                        READY.with(Kind.ADAPTER.id(adapterOf(BACKUP)), a -> a.withAddresses(List.of())),
                        "cannot enter"),
                arguments(
                        "power.off",
                        BACKUP,
                        READY.with(
                                READY.index()
                                        .host(READY.index().application(BACKUP).host())
                                        .id(),
                                h -> h.withPower(h.power().withOn(false))),
                        "no power"));
    }

    @ParameterizedTest(name = "{0} of {1}")
    @MethodSource("spoilt")
    void oneFactSpoiltIsFoundAtItsDeskAndItsFixMendsIt(String rule, Id<Application> at, Plan spoilt, String state) {
        SessionReady ready = of(spoilt, EVENING);
        assertThat(ready.isReady()).isFalse();
        TakesPart member = member(ready, at);
        assertThat(member.state().words()).contains(state);
        assertThat(member.lacks()).extracting(Lack::rule).contains(rule);
        assertThat(member.first().orElseThrow().rule()).as("what to begin with").isEqualTo(rule);
        Report report = Check.run(spoilt);
        Finding finding = member.lacks().get(0).finding();
        Plan mended =
                report.finding(finding.id()).orElseThrow().fixes().get(0).edit().applyTo(spoilt);
        assertThat(member(of(mended, EVENING), at).lacks())
                .extracting(Lack::rule)
                .doesNotContain(rule);
        assertThat(ready.steps())
                .filteredOn(s -> !s.done())
                .isNotEmpty()
                .allSatisfy(s -> assertThat(new StepWords(spoilt, spoilt.index().get(EVENING)).of(s))
                        .endsWith("."));
    }

    /** A previs with a key that must run first, then the console software, then the session (invented settings). */
    private static final String FIRST = """
            {"zentrel-plan":1,"segments":[{"id":"n","subnet":"10.71.0.0/16"}],
             "profiles":[{"id":"own/desk","name":"Own desk","software":true,"applications":[{"name":"Desk","kind":"console",
                          "start":{"seconds":20,"after":["previs"],"sign":"the bar says waiting"}}]},
                         {"id":"own/view","name":"Own view","software":true,"applications":[{"name":"View","kind":"previs",
                          "licences":["full"],"needs":[{"need":"licence"}],"start":{"seconds":35}}]}],
             "hosts":[{"id":"h","kind":"computer","adapters":[{"id":"a","segment":"n","addresses":["10.71.0.1/16"]}]},
                      {"id":"k","kind":"computer","adapters":[{"id":"b","segment":"n","addresses":[{"address":"10.71.0.2/16","origin":"dhcp"}]}]}],
             "applications":[{"id":"desk","host":"h","kind":"console","profile":"own/desk","running":%s,"bindings":{"session":["a"]}},
                             {"id":"view","host":"k","kind":"previs","profile":"own/view","licence":"full","running":false,"bindings":{"session":["b"]}}],
             "sessions":[{"id":"e","name":"Evening","desks":[{"application":"desk","part":"primary"},{"application":"view","part":"previs"}]}]}
            """;

    private static List<String> left(SessionReady ready) {
        return ready.steps().stream()
                .filter(s -> !s.done())
                .map(s -> s.program().value() + " " + s.what() + " at " + s.startsAt())
                .toList();
    }

    /** A desk that runs already was started too early, and is restarted. */
    @ParameterizedTest
    @CsvSource({"false, START", "true, RESTART"})
    void whatMustRunFirstIsStartedFirstAndItsTimeIsCounted(boolean deskRuns, Step.What step) {
        Plan plan = TestPlans.read(FIRST.formatted(deskRuns).getBytes(StandardCharsets.UTF_8));
        SessionReady ready = of(plan, Kind.SESSION.id("e"));
        assertThat(left(ready))
                .containsExactly(
                        "view ADDRESS at 0",
                        "view START at 5",
                        "desk " + step + " at 40",
                        "desk CREATE at 60",
                        "view ENTER at 60");
        assertThat(ready.seconds()).isEqualTo(60);
        assertThat(Check.run(plan).finding("desk.start-order@view").isPresent()).isEqualTo(deskRuns);
    }

    /** Any wish of who is started after whom, circles among them, gives an order in which each step comes after what it needs. */
    @RepeatedTest(60)
    void everyOrderRespectsEveryDependency(RepetitionInfo info) {
        Random random = new Random(info.getCurrentRepetition());
        List<ApplicationKind> kinds = List.of(
                ApplicationKind.CONSOLE, ApplicationKind.PREVIS, ApplicationKind.SHOW_CONTROL, ApplicationKind.REMOTE);
        StringBuilder profiles = new StringBuilder();
        StringBuilder hosts = new StringBuilder();
        StringBuilder programs = new StringBuilder();
        StringBuilder desks = new StringBuilder();
        int count = 2 + random.nextInt(7);
        for (int i = 0; i < count; i++) {
            String kind = kinds.get(random.nextInt(kinds.size())).word();
            List<String> after = new ArrayList<>();
            kinds.stream().filter(k -> random.nextInt(3) == 0).forEach(k -> after.add('"' + k.word() + '"'));
            String comma = i == 0 ? "" : ",";
            profiles.append(comma).append("""
                    {"id":"p/%d","name":"P%d","software":true,"applications":[{"name":"X","kind":"%s","start":{"seconds":%d,"after":%s}}]}
                    """.formatted(i, i, kind, random.nextInt(50), after));
            hosts.append(comma).append("""
                    {"id":"h%d","kind":"computer","power":{"on":%b},"adapters":[{"id":"a%d","segment":"n","addresses":[{"address":"10.71.0.%d/16","origin":"%s"}]}]}
                    """.formatted(
                            i, random.nextInt(6) > 0, i, i + 1, random.nextBoolean() ? "manual" : "dhcp"));
            programs.append(comma).append("""
                    {"id":"x%d","host":"h%d","kind":"%s","profile":"p/%d","version":"%d.1","running":%b,"bindings":{"session":["a%d"]}}
                    """.formatted(i, i, kind, i, random.nextInt(2), random.nextBoolean(), i));
            desks.append(comma).append("""
                    {"application":"x%d","part":"%s"}""".formatted(i, i == 0 ? "primary" : "backup"));
        }
        Plan plan =
                TestPlans.read("""
                {"zentrel-plan":1,"segments":[{"id":"n"}],"profiles":[%s],"hosts":[%s],"applications":[%s],
                 "sessions":[{"id":"e","desks":[%s]}]}
                """.formatted(profiles, hosts, programs, desks).getBytes(StandardCharsets.UTF_8));
        List<Step> steps = of(plan, Kind.SESSION.id("e")).steps();
        assertThat(steps).extracting(Step::order).isSorted().doesNotHaveDuplicates();
        for (Step step : steps) {
            assertThat(step.after()).allMatch(a -> a < step.order());
            step.after()
                    .forEach(a -> assertThat(step.startsAt())
                            .isGreaterThanOrEqualTo(steps.get(a - 1).endsAt()));
        }
        assertThat(steps.stream().map(Step::program).collect(Collectors.toSet()))
                .hasSize(count);
        assertThat(steps.stream().filter(s -> s.what() == Step.What.CREATE || s.what() == Step.What.ENTER))
                .hasSize(count);
    }

    /** ANSI E1.31-2018 §6.7.1: a source is lost after 2.5 s; 2.5 s of a fade of 10 s are 25 %, 64 of 255. */
    @Test
    void whatIsSeenWhenTheMainDeskStops() {
        MainStops stops = MainStops.of(
                        Check.run(READY).signalPaths(), READY.index().get(EVENING))
                .orElseThrow();
        assertThat(stops.main()).isEqualTo(HUT);
        MainStops.Outcome sacn = stops.outcomes().stream()
                .filter(o -> o.seconds() == 2.5 && o.next().equals(List.of(BACKUP)))
                .findFirst()
                .orElseThrow();
        assertThat(sacn.follows()).isTrue();
        assertThat(sacn.stepPercent(10)).isCloseTo(25, within(1e-9));
        assertThat(sacn.stepLevel(10)).isEqualTo(64);
        assertThat(sacn.stepLevel(2)).as("a fade that is over meanwhile").isEqualTo(255);
    }

    /** "4.2" is said of one end, and the other runs 4.2.0.18: one release, and a build that nobody knows. */
    @Test
    void aBuildThatNobodyKnowsIsAtRiskForDesksAndForAPrevis() {
        Plan plan = program(BACKUP, a -> a.withVersion("3"));
        assertThat(Check.run(plan)
                        .finding("desk.version-differs@backup-desk")
                        .orElseThrow()
                        .severity())
                .isEqualTo(Severity.AT_RISK);
        Plan pier = TestPlans.pier();
        Id<Application> view = pier.attachments().get(0).to();
        Id<Application> desk = pier.attachments().get(0).from();
        Plan release = pier.with(pier.attachments().get(0).id(), a -> a.withVersions(VersionRule.EXACT))
                .with(desk, a -> a.withVersion("4.2.0.18"))
                .with(view, a -> a.withVersion("4.2"));
        assertThat(Check.run(release)
                        .finding("desk.version-differs@" + view.value())
                        .orElseThrow()
                        .text())
                .contains("4.2.0.18")
                .contains("build");
    }

    @Test
    void bothEndsAreSetSideBySide() {
        Plan plan = program(BACKUP, a -> a.withVersion("3.5.4"));
        Session session = plan.index().get(EVENING);
        List<Row> rows = new BothEnds(plan).of(session, member(of(plan, EVENING), BACKUP));
        assertThat(rows)
                .filteredOn(r -> r.agreement().equals(Optional.of(Agreement.DIFFER)))
                .extracting(Row::what)
                .containsExactly(What.VERSION);
        assertThat(rows).extracting(Row::what).contains(What.KEY, What.NETWORK, What.ADDRESS, What.OUTPUT);
    }
}
