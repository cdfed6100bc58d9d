package zentrel.path;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;
import zentrel.TestPlans;
import zentrel.check.Check;
import zentrel.check.Finding;
import zentrel.check.Fix;
import zentrel.check.Fixes;
import zentrel.check.PathFindings;
import zentrel.check.Report;
import zentrel.check.Severity;
import zentrel.contest.Contest;
import zentrel.path.words.PathWords;
import zentrel.plan.*;
import zentrel.profile.OperatingSystem;
import zentrel.profile.Protocol;

/** Plans with one fault each beside a healthy one and near misses; every fix that is offered leaves nothing new. */
class JudgedRightlyTest {
    private static Plan plan(String json) {
        return TestPlans.read(json.replace('\'', '"').getBytes(StandardCharsets.UTF_8));
    }

    /** The reason that decides, or "passes". */
    private static String decisive(SignalPath path) {
        return path.hops()
                .flatMap(h -> h.issues().stream())
                .filter(i -> i.verdict() == path.verdict() && path.verdict().compareTo(Verdict.AT_RISK) >= 0)
                .map(i -> i.reason().code() + (i.verdict() == Verdict.AT_RISK ? " at risk" : ""))
                .findFirst()
                .orElse("passes");
    }

    private static String universe(Plan plan) {
        return decisive(new SignalPaths(plan)
                .ofUniverse(plan.universes().get(0).id())
                .paths()
                .get(0));
    }

    private static String link(Plan plan) {
        return decisive(
                new SignalPaths(plan).ofLink(plan.links().get(0).id()).paths().get(0));
    }

    /** The finding of a rule, whose fixes were tried; none of them leaves anything new above a note. */
    private static Finding finding(Plan plan, String rule) {
        Report report = Check.run(plan);
        Finding finding = report.findings().stream()
                .filter(f -> f.rule().equals(rule) && f.severity() != Severity.NOTE)
                .findFirst()
                .orElseThrow(() -> new AssertionError(rule + " is not among " + report.findings()));
        for (Fix fix : Fixes.proven(report, finding)) {
            Report after = Check.run(fix.edit().applyTo(plan));
            assertThat(after.findings())
                    .as(fix.text())
                    .filteredOn(f -> f.severity() != Severity.NOTE
                            && report.finding(f.id()).isEmpty())
                    .isEmpty();
        }
        return finding;
    }

    private static List<String> fixes(Plan plan, String rule) {
        Report report = Check.run(plan);
        Finding finding = finding(plan, rule);
        return Fixes.proven(report, finding).stream().map(f -> f.edit().text()).toList();
    }

    // --- by a router ---

    private static final String ROUTED = """
            {'zentrel-plan':1,'segments':[{'id':'n','name':'Near','subnet':'10.31.0.0/16'},{'id':'f','name':'Far','subnet':'10.32.0.0/16'}],
             'hosts':[{'id':'a','name':'Desk','kind':'console','system':'%s','adapters':[{'id':'aa','name':'Light','segment':'n','addresses':['10.31.0.5/16']%s}]},
                      {'id':'r','name':'Router','kind':'router','power':{'on':%s},'adapters':[{'id':'rn','name':'Near','segment':'n','addresses':['10.31.0.1/16']},{'id':'rf','name':'Far','segment':'f','addresses':['10.32.0.1/16']}]},
                      {'id':'b','name':'Node','kind':'node','adapters':[{'id':'bb','name':'Net','segment':'f','addresses':['10.32.0.7/16'],'gateway':'10.32.0.1'}]}],
             'applications':[{'id':'tx','name':'Desk','host':'a','kind':'console','bindings':{'artnet-send':['aa']}},{'id':'fw','name':'Node','host':'b','kind':'node'}],
             'universes':[{'id':'u','number':3}],
             'streams':[{'id':'s','application':'tx','universe':'u','protocol':'artnet','delivery':'unicast','to':['10.32.0.7']}],
             'receivers':[{'id':'rx','name':'Node','application':'fw','ports':[{'id':'p','name':'1','protocol':'artnet','wire':3,'universe':'u'}]}]}""";

    @ParameterizedTest
    @ValueSource(strings = {"windows", "firmware", "linux", "macos"})
    void aHostBoundToItsOnlyAdapterReachesWhatIsBehindARouter(String system) {
        String gateway = ",'gateway':'10.31.0.1'";
        assertThat(universe(plan(ROUTED.formatted(system, gateway, "true")))).isEqualTo("passes");
        Plan without = plan(ROUTED.formatted(system, "", "true"));
        assertThat(universe(without)).isNotEqualTo("passes");
        Plan off = plan(ROUTED.formatted(system, gateway, "false"));
        assertThat(new SignalPaths(off)
                        .ofUniverse(Kind.UNIVERSE.id("u"))
                        .paths()
                        .get(0)
                        .issues())
                .anyMatch(i -> i.reason() == Reason.PASSING_OFF
                        && new PathWords(off.index()).text(i).startsWith("Router, which routes between"));
        assertThat(fixes(off, "power.off")).isNotEmpty();
    }

    @Test
    void aMissingGatewayIsOfferedWhereARouterIsThere() {
        Plan without = plan(ROUTED.formatted("linux", "", "true"));
        assertThat(fixes(without, "address.unreachable"))
                .contains("Give the Light adapter of Desk the gateway 10.31.0.1");
        Plan outside = plan(ROUTED.formatted("linux", ",'gateway':'10.77.0.1'", "true"));
        assertThat(fixes(outside, "address.gateway").get(0))
                .isEqualTo("Give the Light adapter of Desk the gateway 10.31.0.1");
    }

    // --- on one segment ---

    /** A desk and a node on one segment; the placeholders are the desk's delivery, the node's host and adapters. */
    private static final String NEAR = """
            {'zentrel-plan':1,'segments':[{'id':'n','name':'Stream','subnet':'10.31.0.0/16'},{'id':'w','name':'House','subnet':'192.168.31.0/24'}],
             'hosts':[{'id':'a','name':'Desk','kind':'console','system':'linux','adapters':[{'id':'aa','name':'Light','segment':'n','addresses':['10.31.0.5/16']}]},
                      {'id':'b','name':'Viewer','kind':'computer',%s}%s],
             'applications':[{'id':'tx','name':'Desk','host':'a','kind':'console','bindings':{'artnet-send':['aa'],'sacn-send':['aa']}},
                             {'id':'pv','name':'Previs','host':'b','kind':'previs'}],
             'universes':[{'id':'u','number':3}],
             'streams':[{'id':'s','application':'tx','universe':'u',%s}],
             'receivers':[{'id':'rx','name':'Previs','application':'pv','ports':[{'id':'p','name':'1','kind':'internal','protocol':'%s','wire':3,'universe':'u'}]}]}""";

    private static Plan near(String viewer, String stream, String protocol) {
        return plan(NEAR.formatted(viewer, "", stream, protocol));
    }

    private static String viewer(String system, String second) {
        return "'system':'" + system
                + "','adapters':[{'id':'bb','name':'Wired','segment':'n','addresses':['10.31.0.7/16']}" + second + "]";
    }

    @ParameterizedTest(name = "to {0}: {1}")
    @CsvSource({
        "10.31.255.255, passes",
        "255.255.255.255, passes",
        "10.31.0.7, passes",
        "10.31.0.255, universe.not-delivered", // the last address of another mask is a host here
        "192.168.31.255, universe.not-delivered"
    })
    void aBroadcastAddressTypedInReachesAllOfItsSubnet(String to, String expected) {
        Plan typed =
                near(viewer("linux", ""), "'protocol':'artnet','delivery':'unicast','to':['" + to + "']", "artnet");
        assertThat(universe(typed)).isEqualTo(expected);
    }

    @ParameterizedTest
    @EnumSource(
            value = OperatingSystem.class,
            names = {"WINDOWS", "MACOS", "LINUX"})
    void automaticIsNotAllForMulticast(OperatingSystem system) {
        String wifi =
                ",{'id':'bw','name':'Wi-Fi','kind':'wireless','segment':'w','addresses':['192.168.31.20/24'],'enabled':%s,'carrier':%s}";
        String group = "'protocol':'sacn'";
        assertThat(universe(near(viewer(system.word(), ""), group, "sacn"))).isEqualTo("passes");
        Plan both = near(viewer(system.word(), wifi.formatted("true", "true")), group, "sacn");
        assertThat(universe(both)).isEqualTo("adapter.joins-automatic at risk");
        assertThat(fixes(both, "adapter.automatic")).isNotEmpty();
        assertThat(universe(near(viewer(system.word(), wifi.formatted("false", "true")), group, "sacn")))
                .isEqualTo("passes");
        assertThat(universe(near(viewer(system.word(), wifi.formatted("true", "false")), group, "sacn")))
                .isEqualTo("passes");
        Plan all = both.with(
                Kind.APPLICATION.id("pv"),
                a -> a.withBinding(Purpose.listening(Protocol.SACN), Setting.of(Binding.ALL)));
        assertThat(universe(all)).as("bound to all").isEqualTo("passes");
        String unicast = "'protocol':'artnet','delivery':'unicast','to':['10.31.0.7']";
        assertThat(universe(near(viewer(system.word(), wifi.formatted("true", "true")), unicast, "artnet")))
                .isEqualTo("passes");
    }

    /** Linux joins where its routes lead the group (ip_mc_find_dev; the default route among them). */
    @Test
    void linuxJoinsByItsDefaultRoute() {
        String wired =
                "'system':'linux','adapters':[{'id':'bb','name':'Wired','segment':'n','addresses':['10.31.0.7/16'],'gateway':'10.31.0.1'},"
                        + "{'id':'bw','name':'Wi-Fi','kind':'wireless','segment':'w','addresses':['192.168.31.20/24']}]";
        assertThat(universe(near(wired, "'protocol':'sacn'", "sacn"))).isEqualTo("passes");
    }

    @Test
    void aSwitchWithoutPowerCarriesNothing() {
        String unicast = "'protocol':'artnet','delivery':'unicast','to':['10.31.0.7']";
        String box =
                ",{'id':'%s','name':'%s','kind':'switch','power':{'on':%s},'adapters':[{'id':'%sx','segment':'n'}]}";
        String off = box.formatted("sw", "Switch", "false", "sw");
        Plan dark = plan(NEAR.formatted(viewer("linux", ""), off, unicast, "artnet"));
        assertThat(universe(dark)).isEqualTo(Reason.PASSING_OFF.code());
        assertThat(fixes(dark, "power.off")).contains("Switch on Switch");
        assertThat(universe(plan(NEAR.formatted(
                        viewer("linux", ""), box.formatted("sw", "Switch", "true", "sw"), unicast, "artnet"))))
                .isEqualTo("passes");
        assertThat(universe(plan(NEAR.formatted(
                        viewer("linux", ""), off + box.formatted("s2", "Other", "true", "s2"), unicast, "artnet"))))
                .as("another one has power")
                .isEqualTo("passes");
    }

    /** After an edit only what it reaches is judged anew: a device by way of which others hear each other reaches all. */
    @ParameterizedTest
    @ValueSource(strings = {"removed", "without power", "back again"})
    void theSwitchThatAsksForAllIsGone(String how) {
        String box =
                ",{'id':'%s','name':'%s','kind':'switch','switching':{'snooping':true,'querier':%s},'adapters':[{'id':'%sx','segment':'n'}]}";
        Plan asked = plan(NEAR.formatted(
                viewer("linux", ""),
                box.formatted("sw", "Switch", "false", "sw") + box.formatted("q", "Asker", "true", "q"),
                "'protocol':'sacn'",
                "sacn"));
        Plan gone = how.equals("without power")
                ? asked.with(Kind.HOST.id("q"), h -> h.withPower(new Power(false, List.of(), Optional.empty())))
                : zentrel.gear.PlanRemoval.of(asked, List.of(Kind.HOST.id("q")))
                        .edit()
                        .applyTo(asked);
        Plan before = how.equals("back again") ? gone : asked;
        Plan after = how.equals("back again") ? asked : gone;
        Report carried = Check.after(Check.run(before), after);
        assertThat(carried.findings().stream().map(Finding::id).toList())
                .isEqualTo(Check.run(after).findings().stream().map(Finding::id).toList());
        assertThat(carried.paths().stream().map(JudgedRightlyTest::decisive).toList())
                .isEqualTo(Check.run(after).paths().stream()
                        .map(JudgedRightlyTest::decisive)
                        .toList());
        assertThat(carried.findings().stream().anyMatch(f -> f.rule().equals("network.multicast")))
                .isEqualTo(!how.equals("back again"));
    }

    @Test
    void aDhcpServerWithoutPowerGivesNothing() {
        String client =
                "'system':'linux','adapters':[{'id':'bb','name':'Wired','segment':'n','addresses':[{'address':'10.31.0.7/16','origin':'dhcp'}]}]";
        String server =
                ",{'id':'d','name':'Server','kind':'other','power':{'on':%s},'adapters':[{'id':'dd','segment':'n','addresses':['10.31.0.2/16'],'dhcpServer':{'first':'10.31.9.1','last':'10.31.9.99'}}]}";
        String unicast = "'protocol':'artnet','delivery':'unicast','to':['10.31.0.7']";
        assertThat(Check.run(plan(NEAR.formatted(client, server.formatted("true"), unicast, "artnet")))
                        .findings())
                .noneMatch(f -> f.rule().equals("address.link-local-mix"));
        assertThat(finding(
                                plan(NEAR.formatted(client, server.formatted("false"), unicast, "artnet")),
                                "address.link-local-mix")
                        .text())
                .contains("asks for its address");
    }

    @Test
    void theSenderItselfHasTheAddress() {
        String unicast = "'protocol':'artnet','delivery':'unicast','to':['10.31.0.5']";
        Plan own = near(
                "'system':'linux','adapters':[{'id':'bb','name':'Wired','segment':'n','addresses':['10.31.0.5/16']}]",
                unicast,
                "artnet");
        assertThat(universe(own)).isEqualTo("address.own");
        assertThat(finding(own, "address.duplicate").text()).contains("Desk delivers what it sends there to itself");
        assertThat(fixes(own, "address.duplicate")).isNotEmpty();
    }

    @Test
    void threeDevicesWithOneAddressAreSetApartInOneStep() {
        String unicast = "'protocol':'artnet','delivery':'unicast','to':['10.31.0.7']";
        String more = ",{'id':'%s','name':'%s','adapters':[{'id':'%sx','segment':'n','addresses':['10.31.0.7/16']}]}";
        Plan three = plan(NEAR.formatted(
                viewer("linux", ""),
                more.formatted("c", "Third", "c") + more.formatted("d", "Fourth", "d"),
                unicast,
                "artnet"));
        assertThat(fixes(three, "address.duplicate")).anyMatch(f -> f.startsWith("Give 2 of the 3 adapters"));
    }

    @Test
    void aPlannedAddressIsNamedAsPlanned() {
        String pending =
                "'system':'linux','adapters':[{'id':'bb','name':'Wired','segment':'n','addresses':[{'planned':'10.31.0.40/16','inForce':'10.31.0.7/16'}]}]";
        Plan early = near(pending, "'protocol':'artnet','delivery':'unicast','to':['10.31.0.40']", "artnet");
        assertThat(universe(early)).isEqualTo("universe.not-delivered");
        Finding finding = finding(early, "universe.not-delivered");
        assertThat(finding.text())
                .contains("10.31.0.40, which is planned for Viewer and not in force; 10.31.0.7 is.")
                .contains("Apply 10.31.0.40 on Viewer");
        assertThat(fixes(early, "universe.not-delivered").get(0)).startsWith("Apply the planned 10.31.0.40");
    }

    @Test
    void withoutAStatedSubnetItIsOpenWhichOfTwoIsMeant() {
        String open = NEAR.replace(",'subnet':'10.31.0.0/16'", "");
        Plan two = plan(open.formatted(
                "'system':'linux','adapters':[{'id':'bb','name':'Wired','segment':'n','addresses':['10.44.0.7/16']}]",
                "",
                "'protocol':'artnet','delivery':'unicast','to':['10.44.0.7']",
                "artnet"));
        Finding finding = finding(two, "address.unreachable");
        assertThat(finding.text())
                .contains("hich of the two subnets is meant is not specified")
                .contains("10.44.0.0/16")
                .contains("10.31.0.0/16");
        assertThat(fixes(two, "address.unreachable"))
                .anyMatch(f -> f.contains("Wired adapter of Viewer"))
                .anyMatch(f -> f.contains("Light adapter of Desk"));
    }

    /** The fix says which lists and fields it sets too. */
    @Test
    void aFixSaysWhatElseItSets() {
        Plan twice = plan(NEAR.formatted(
                viewer("linux", ""),
                ",{'id':'c','name':'Third','adapters':[{'id':'cx','segment':'n','addresses':['10.31.0.7/16']}]}",
                "'protocol':'artnet','delivery':'unicast','to':['10.31.0.7']",
                "artnet"));
        Plan swapped = twice.with(
                Kind.HOST,
                List.of(
                        twice.hosts().get(0),
                        twice.hosts().get(2),
                        twice.hosts().get(1)));
        assertThat(fixes(swapped, "address.duplicate")).anyMatch(f -> f.endsWith(", and in the unicast list of Desk"));
    }

    // --- one computer ---

    @ParameterizedTest(name = "{0}: {1}")
    @CsvSource({"linux, passes", "windows, adapter.unplugged", "macos, adapter.unplugged at risk"})
    void twoProgramsOnOneComputerWithoutACable(String system, String expected) {
        String json = """
                {'zentrel-plan':1,'segments':[{'id':'n'}],
                 'hosts':[{'id':'a','name':'Laptop','kind':'computer','system':'%s','adapters':[{'id':'aa','name':'Wired','segment':'n','carrier':%s,'addresses':['10.31.0.5/16']}]}],
                 'applications':[{'id':'tx','name':'Software','host':'a','kind':'console','bindings':{'artnet-send':['aa']}},{'id':'pv','name':'Previs','host':'a','kind':'previs','bindings':{'artnet-listen':['aa']}}],
                 'universes':[{'id':'u','number':3}],
                 'streams':[{'id':'s','application':'tx','universe':'u','protocol':'artnet','delivery':'unicast','to':['10.31.0.5']}],
                 'receivers':[{'id':'rx','application':'pv','ports':[{'id':'p','kind':'internal','protocol':'artnet','wire':3,'universe':'u'}]}]}""";
        assertThat(universe(plan(json.formatted(system, "true")))).isEqualTo("passes");
        Plan out = plan(json.formatted(system, "false"));
        assertThat(universe(out)).isEqualTo(expected);
        if (!expected.equals("passes")) {
            assertThat(fixes(out, "adapter.unplugged").get(0)).endsWith("to loopback");
        }
    }

    // --- sessions and who wins ---

    private static Plan desks(String part, String second, String receiver) {
        return plan("""
                {'zentrel-plan':1,'segments':[{'id':'n'}],
                 'hosts':[{'id':'a','name':'Main','kind':'console','adapters':[{'id':'aa','segment':'n','addresses':['10.31.0.5/16']}]},
                          {'id':'b','name':'Second','kind':'console','adapters':[{'id':'bb','segment':'n','addresses':['10.31.0.6/16']}]},
                          {'id':'c','name':'Node','kind':'node','adapters':[{'id':'cc','segment':'n','addresses':['10.31.0.7/16']}]}],
                 'applications':[{'id':'m','name':'Main','host':'a','kind':'console'},{'id':'x','name':'Second','host':'b','kind':'console'},{'id':'fw','name':'Node','host':'c','kind':'node'}],
                 'universes':[{'id':'u','number':3%s}],
                 'streams':[{'id':'s','application':'m','universe':'u','protocol':'sacn'},{'id':'t','application':'x','universe':'u','protocol':'sacn',%s}],
                 'receivers':[{'id':'rx','name':'Node','application':'fw',%s'ports':[{'id':'p','name':'1','protocol':'sacn','wire':3,'universe':'u'}]}],
                 'sessions':[{'id':'se','name':'Show','members':[{'application':'m','part':'primary'},{'application':'x','part':'%s'}]}]}""".formatted(receiver.contains("none") ? ",'merge':true" : "", second, receiver, part));
    }

    @ParameterizedTest(name = "{0} {1}: {2}")
    @CsvSource(
            delimiter = '|',
            value = {
                "remote | 'enabled':false | passes",
                "remote | 'priority':120 | desk.remote-outputs",
                "remote | 'priority':90 | desk.remote-outputs at risk",
                "remote | 'priority':100 | desk.remote-outputs at risk",
                "backup | 'priority':90 | passes",
                "backup | 'standby':true | passes",
                "backup | 'priority':120 | desk.backup-outranks",
                "backup | 'priority':100 | universe.two-sources at risk"
            })
    void thePartsOfASessionCount(String part, String second, String expected) {
        Plan plan = desks(part.strip(), second.strip().replace("‘", "'"), "");
        assertThat(universe(plan)).isEqualTo(expected);
        if (expected.startsWith("desk.")) {
            assertThat(fixes(plan, expected.split(" ", -1)[0])).isNotEmpty();
        }
    }

    @Test
    void standingByNeedsASourceThatSends() {
        Plan healthy = desks("backup", "'standby':true", "");
        Plan off = healthy.with(Kind.STREAM.id("s"), s -> s.withEnabled(false));
        SignalPaths paths = new SignalPaths(off);
        assertThat(paths.ofUniverse(Kind.UNIVERSE.id("u")).paths()).allMatch(p -> p.verdict() == Verdict.BROKEN);
        assertThat(finding(off, "universe.not-enabled").text()).contains("stands by for Main");
        assertThat(fixes(off, "universe.not-enabled")).isNotEmpty();
    }

    @Test
    void aMergeThatTheReceiverCannotDo() {
        Plan merged = desks("backup", "'priority':100", "");
        Plan meant = merged.with(Kind.UNIVERSE.id("u"), u -> u.withMerge(true));
        assertThat(universe(meant)).isEqualTo("passes");
        Plan none = desks("backup", "'priority':100", "'merge':'none',");
        assertThat(universe(none)).isEqualTo("universe.cannot-merge at risk");
        assertThat(Contest.of(new SignalPaths(none), Kind.UNIVERSE.id("u"))
                        .get(0)
                        .now())
                .contains("which one is not specified");
    }

    // --- patch ---

    private static final String PATCHED = """
            {'zentrel-plan':1,'segments':[{'id':'n'}],
             'hosts':[{'id':'a','name':'Desk','kind':'console','adapters':[{'id':'aa','segment':'n','addresses':['10.31.0.5/16']}]},
                      {'id':'c','name':'Node','kind':'node','adapters':[{'id':'cc','segment':'n','addresses':['10.31.0.7/16']}]}],
             'applications':[{'id':'m','name':'Desk','host':'a','kind':'console'},{'id':'fw','name':'Node','host':'c','kind':'node'}],
             'universes':[{'id':'u','number':3},{'id':'v','number':4}],
             'streams':[{'id':'s','application':'m','universe':'u','protocol':'sacn'},{'id':'t','application':'m','universe':'v','protocol':'sacn'}],
             'receivers':[{'id':'rx','name':'Node','application':'fw','ports':[{'id':'p','name':'1','protocol':'sacn','wire':3,'universe':'u'},{'id':'q','name':'2','protocol':'sacn','wire':4,'universe':'v'}]}],
             'lines':[{'id':'l','name':'Line A','port':'p'},{'id':'k','name':'Line B','port':'q'}],
             'fixtures':[{'id':'x','number':'7','line':'l','breaks':[{'universe':'u','start':1,'footprint':4},%s]},
                         {'id':'y','number':'8','line':'k','breaks':[{'universe':'v','start':100}]}]}""";

    @Test
    void aFixtureWithPartsOnTwoLines() {
        Plan parts = plan(PATCHED.formatted("{'universe':'v','start':1,'footprint':4,'line':'k'}"));
        assertThat(Check.run(parts).findings()).isEmpty();
        SignalPaths paths = new SignalPaths(parts);
        assertThat(paths.ofFixture(Kind.FIXTURE.id("x")).paths())
                .hasSize(2)
                .allMatch(p -> p.verdict() == Verdict.PASSES);
        Plan one = plan(PATCHED.formatted("{'universe':'v','start':1,'footprint':4}"));
        assertThat(fixes(one, "patch.line-differs")).contains("Connect slots 1 to 4 of 7 x by Line B");
    }

    /** The check and the path of the fixture name one cause at one hop. */
    @Test
    void aFixtureOnAnotherLine() {
        Plan wrong = plan(PATCHED.formatted("{'universe':'u','start':20}"))
                .with(Kind.FIXTURE.id("y"), f -> f.withLine(Optional.of(Kind.LINE.id("l"))));
        List<SignalPath> paths =
                new SignalPaths(wrong).ofFixture(Kind.FIXTURE.id("y")).paths();
        assertThat(paths).singleElement().satisfies(p -> {
            assertThat(decisive(p)).isEqualTo("patch.line-differs");
            assertThat(p.decisive().orElseThrow().kind()).isEqualTo(HopKind.LEADS);
        });
        Finding finding = finding(wrong, "patch.line-differs");
        assertThat(finding.cause()).isEqualTo(Kind.FIXTURE.id("y"));
        assertThat(finding.text()).doesNotContain("more signal");
    }

    @Test
    void aConsolesOwnConnectorTakesWhatItsPortSays() {
        Plan own = plan("""
                {'zentrel-plan':1,'hosts':[{'id':'a','name':'Desk','kind':'console'}],
                 'applications':[{'id':'m','name':'Desk','host':'a','kind':'console'}],
                 'universes':[{'id':'u','number':1}],
                 'streams':[{'id':'s','application':'m','universe':'u','protocol':'dmx'}],
                 'receivers':[{'id':'rx','application':'m','ports':[{'id':'p','protocol':'dmx','wire':1,'universe':'u'}]}]}""");
        assertThat(own.receivers().get(0).protocols()).containsExactly(Protocol.DMX);
        assertThat(universe(own)).isEqualTo("passes");
    }

    // --- control ---

    /** A desk with a streaming and a control adapter; the link's destination, its answer, the sender's firewall. */
    private static Plan control(String destination, String answer, String bars, String listens) {
        return plan("""
                {'zentrel-plan':1,'segments':[{'id':'n','name':'Stream'},{'id':'k','name':'Control'}],
                 'hosts':[{'id':'a','name':'Hut desk','kind':'console','adapters':[{'id':'as','name':'Stream','segment':'n','addresses':['10.31.0.5/16']},{'id':'ak','name':'Control','segment':'k','addresses':['10.45.0.5/16']}]},
                          {'id':'b','name':'Laptop','kind':'computer','system':'windows','firewall':{'barsInbound':%s},'adapters':[{'id':'bb','name':'Wired','segment':'k','addresses':['10.45.0.9/16']}]}],
                 'applications':[{'id':'m','name':'Hut desk','host':'a','kind':'console','bindings':{'sacn-send':['as'],%s},'osc':{'port':24510,'targets':['/next']}},
                                 {'id':'x','name':'Cues','host':'b','kind':'show-control','bindings':{'osc-send':['bb'],'osc-listen':['bb']},'osc':{'port':24520}}],
                 'links':[{'id':'l','from':'x','to':'m','destination':'%s','port':24510,'pattern':'/next'%s}]}""".formatted(bars, listens, destination, answer));
    }

    @ParameterizedTest(name = "{0} {1}: {2}")
    @CsvSource(
            delimiter = '|',
            value = {
                "10.45.0.5 | ak | passes",
                "10.31.0.5 | ak | control.wrong-target",
                "10.31.0.5 | as,ak | control.wrong-target",
                "10.45.0.5 | as,ak | passes",
                "10.45.255.255 | ak | passes",
                "10.99.0.1 | ak | control.wrong-target"
            })
    void oscGoesToTheControlAddress(String destination, String listens, String expected) {
        String bound = "'osc-send':['ak'],'osc-listen':['" + listens.replace(",", "','") + "']";
        Plan plan = control(destination, "", "false", bound);
        assertThat(link(plan)).isEqualTo(expected);
        if (destination.equals("10.31.0.5")) {
            assertThat(finding(plan, "control.wrong-target").text())
                    .contains(
                            "goes to 10.31.0.5. On Hut desk that is the address of its Stream adapter, which is for streams")
                    .contains("Send it to 10.45.0.5.")
                    .startsWith("Cues to Hut desk");
            assertThat(fixes(plan, "control.wrong-target")).contains("Send Cues to Hut desk to 10.45.0.5");
        }
    }

    @Test
    void anAnswerToOnesOwnQuestionPassesTheFirewall() {
        String bound = "'osc-send':['ak'],'osc-listen':['ak']";
        assertThat(link(control("10.45.0.5", ",'answer':true", "true", bound))).isEqualTo("passes");
        assertThat(link(control("10.45.0.5", ",'answer':true,'answerPort':24520", "true", bound)))
                .as("a port of its own is not what was asked from")
                .isEqualTo("host.firewall");
    }

    @Test
    void oneOfTwoAddressesOfAnAdapter() {
        String bound = "'osc-send':['ak'],'osc-listen':[{'adapter':'ak','address':'10.45.0.5'}]";
        Plan plan = control("10.45.0.5", "", "false", bound)
                .with(
                        Kind.ADAPTER.id("ak"),
                        a -> a.withAddress(
                                1,
                                new AdapterAddress(
                                        Setting.of(zentrel.ipv4.HostAddress.parse("10.45.0.6/16")),
                                        AddressOrigin.MANUAL)));
        assertThat(link(plan)).isEqualTo("passes");
        Plan other = plan.with(Kind.LINK.id("l"), l -> l.withDestination(zentrel.ipv4.Ipv4Address.parse("10.45.0.6")));
        assertThat(link(other)).isEqualTo("control.wrong-target");
        assertThat(fixes(other, "control.wrong-target")).contains("Send Cues to Hut desk to 10.45.0.5");
    }

    // --- one verdict, one name ---

    @Test
    void aPathShowsWhatOnlyTheWholePlanTells() {
        Plan shared = control("10.45.0.5", "", "false", "'osc-send':['ak'],'osc-listen':['ak']");
        Application twin = shared.index().application(Kind.APPLICATION.id("m"));
        List<Application> programs = new java.util.ArrayList<>(shared.applications());
        programs.add(new Application(
                Kind.APPLICATION.id("m2"),
                "Hut desk",
                twin.host(),
                twin.kind(),
                twin.version(),
                twin.bindings(),
                twin.outputs(),
                twin.screens(),
                twin.osc()));
        Report report = Check.run(shared.with(Kind.APPLICATION, programs));
        Finding finding = report.findings().stream()
                .filter(f -> f.rule().equals("adapter.port-shared"))
                .findFirst()
                .orElseThrow();
        SignalPath path = PathFindings.of(report, report.signalPaths().ofLink(Kind.LINK.id("l")))
                .paths()
                .get(0);
        assertThat(decisive(path)).isEqualTo("adapter.port-shared at risk");
        assertThat(Optional.of(path.decisive().orElseThrow().kind())).isEqualTo(finding.hop());
        assertThat(PathWords.of(report.signalPaths()).text(path.decisive().orElseThrow()))
                .isEqualTo(finding.text());
    }

    @Test
    void twoProgramsOfOneNameAreToldApartAndUnnamedThingsByTheirDevice() {
        Plan plan = plan("""
                {'zentrel-plan':1,'segments':[{'id':'n'}],
                 'hosts':[{'id':'h1','name':'Left node','adapters':[{'id':'x1','segment':'n'}]},{'id':'h2','name':'Right node','adapters':[{'id':'x2','segment':'n'}]},{'id':'h3','name':'Third'}],
                 'applications':[{'id':'a1','name':'Firmware','host':'h1'},{'id':'a2','name':'Firmware','host':'h2'},{'id':'a3','host':'h3'}],
                 'universes':[{'id':'u','number':1}],
                 'receivers':[{'id':'r1','application':'a1','ports':[{'id':'p1','protocol':'sacn','wire':1,'universe':'u'}]},{'id':'r3','application':'a3'}],
                 'links':[{'id':'l','from':'a1','to':'a3','destination':'10.1.1.1','port':24510,'pattern':'/a'}]}""");
        PlanIndex index = plan.index();
        assertThat(List.of("a1", "a2", "a3").stream()
                        .map(a -> index.name(Kind.APPLICATION.id(a)))
                        .collect(Collectors.joining(", ")))
                .isEqualTo("Firmware on Left node, Firmware on Right node, Third");
        assertThat(index.name(Kind.RECEIVER.id("r3"))).isEqualTo("Third");
        assertThat(index.name(Kind.PORT.id("p1"))).isEqualTo("Port 1 of Firmware on Left node");
        assertThat(index.name(Kind.LINK.id("l"))).isEqualTo("Firmware on Left node to Third");
    }
}
