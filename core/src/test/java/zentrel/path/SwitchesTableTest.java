package zentrel.path;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import zentrel.TestPlans;
import zentrel.check.Check;
import zentrel.check.Finding;
import zentrel.plan.*;
import zentrel.profile.AdapterKind;
import zentrel.profile.Protocol;

/**
 * One stream over one switch: what its settings and sockets do to it. VLANs keep apart (IEEE 802.1Q); a group that nobody
 * asks about is forgotten after 260 s (RFC 2236, section 8.4); what a switch does then is its own (RFC 4541); a group lives
 * for one network (RFC 1112, section 6.1). Half duplex and slow sockets: common practice, no source.
 */
class SwitchesTableTest {
    private static final String RIG = """
            {"zentrel-plan":1,"segments":[{"id":"light"}],
             "hosts":[{"id":"a","kind":"console","adapters":[
                        {"id":"aa","name":"Light","segment":"light","addresses":["10.58.1.1/16"]%s}]},
                      {"id":"b","name":"Node","kind":"node","adapters":[
                        {"id":"bb","name":"Net","segment":"light","addresses":["10.58.2.2/16"]%s}]},
                      {"id":"sw","name":"Switch","kind":"switch"%s}],
             "applications":[{"id":"con","host":"a","kind":"console"},{"id":"fw","host":"b","kind":"node"}],
             "universes":[{"id":"u","number":5}],
             "streams":[{"id":"s","application":"con","universe":"u","protocol":"%s","wire":5,"delivery":"%s"%s}],
             "receivers":[{"id":"r","application":"fw","ports":[{"id":"p","protocol":"%s","wire":5,"universe":"u"}]}],
             "lines":[{"id":"l","port":"p"}],
             "fixtures":[{"id":"f","line":"l","breaks":[{"universe":"u","start":1}]}],
             "cables":[{"id":"c1","from":"aa","to":"sw"},{"id":"c2","from":"bb","to":"sw"}]}
            """;

    private static Plan rig(String near, String far, String box, String delivery) {
        String protocol = delivery.equals("multicast") ? "sacn" : "artnet";
        return TestPlans.read(RIG.formatted(
                        near.isEmpty() ? "" : "," + near,
                        far.isEmpty() ? "" : "," + far,
                        box.isEmpty() ? "" : ",\"switching\":{" + box + "}",
                        protocol,
                        delivery,
                        delivery.equals("unicast") ? ",\"to\":[\"10.58.2.2\"]" : "",
                        protocol)
                .getBytes(StandardCharsets.UTF_8));
    }

    private static String judged(Plan plan) {
        return new SignalPaths(plan)
                .ofFixture(Kind.FIXTURE.id("f"))
                .paths()
                .get(0)
                .hops()
                .flatMap(h -> h.issues().stream())
                .filter(i -> i.verdict().compareTo(Verdict.AT_RISK) >= 0)
                .map(i -> (i.verdict() == Verdict.AT_RISK ? "at risk: " : "")
                        + i.reason().code())
                .findFirst()
                .orElse("passes");
    }

    @ParameterizedTest(name = "{0} | {1} | {2} | {3}: {4}")
    @CsvSource(
            delimiter = '|',
            value = {
                // VLANs
                "'\"vlan\":20' | '\"vlan\":20' | '' | multicast | passes",
                "'\"vlan\":20' | '\"vlan\":21' | '' | multicast | network.vlan",
                "'\"vlan\":20' | '\"vlan\":21' | '' | unicast | network.vlan",
                "'\"vlan\":20' | '\"vlan\":21' | '' | broadcast | network.vlan",
                "'\"vlan\":20' | '' | '' | found | passes",
                "'\"vlan\":{\"planned\":21,\"inForce\":20}' | '\"vlan\":20' | '' | found | passes",
                "'\"vlan\":{\"planned\":20,\"inForce\":21}' | '\"vlan\":20' | '' | found | network.vlan",
                // sockets
                "'\"speed\":1000' | '\"speed\":100' | '' | multicast | passes",
                "'\"speed\":1000' | '\"speed\":10' | '' | multicast | at risk: network.slow-port",
                "'\"speed\":10' | '' | '' | unicast | at risk: network.slow-port",
                "'' | '\"halfDuplex\":true' | '' | found | at risk: network.slow-port",
                "'\"speed\":99' | '' | '' | found | at risk: network.slow-port",
                // groups
                "'' | '' | '\"snooping\":true,\"querier\":true' | multicast | passes",
                "'' | '' | '\"snooping\":true' | multicast | at risk: network.multicast",
                "'' | '' | '\"snooping\":true' | unicast | passes",
                "'' | '' | '\"snooping\":true' | broadcast | passes",
                "'' | '' | '\"snooping\":true' | found | passes",
                "'' | '' | '\"snooping\":true,\"dropsUnasked\":false' | multicast | passes",
                "'' | '' | '\"querier\":true' | multicast | passes",
                "'' | '' | '\"snooping\":{\"planned\":true,\"inForce\":false}' | multicast | passes",
                "'' | '' | '\"snooping\":true,\"querier\":{\"planned\":true,\"inForce\":false}' | multicast | at risk: network.multicast",
                "'' | '' | '\"loopGuard\":true' | multicast | passes",
            })
    void theSwitchDecides(String near, String far, String box, String delivery, String expected) {
        assertThat(judged(rig(near, far, box, delivery))).isEqualTo(expected);
    }

    @Test
    void aSwitchWithoutPowerSnoopsNothing() {
        Plan dark = rig("", "", "\"snooping\":true", "multicast")
                .with(Kind.HOST.id("sw"), h -> h.withPower(h.power().withOn(false)));
        assertThat(judged(dark)).isEqualTo("power.off-between");
    }

    /** Of three sockets the one that is alone in its VLAN is the odd one, and its setting the first fix. */
    @Test
    void theSocketThatIsAloneIsTheOddOne() {
        Plan plan = rig("\"vlan\":20", "\"vlan\":20", "", "multicast");
        List<Adapter> more = List.of(new Adapter(
                        Kind.ADAPTER.id("cc"),
                        "Third",
                        AdapterKind.WIRED,
                        java.util.Optional.of(Kind.SEGMENT.id("light")),
                        Setting.of(true),
                        true,
                        List.of(),
                        java.util.Optional.empty(),
                        java.util.Optional.empty())
                .withPlug(Plug.USUAL.withVlan(java.util.Optional.of(Setting.of(20)))));
        Plan three = plan.with(Kind.HOST.id("sw"), h -> h.withAdapters(more));
        for (String odd : List.of("aa", "bb")) {
            Plan off = three.with(
                    Kind.ADAPTER.id(odd), a -> a.withPlug(a.plug().withVlan(java.util.Optional.of(Setting.of(7)))));
            Finding finding = Check.run(off).findings().stream()
                    .filter(f -> f.rule().equals("network.vlan"))
                    .findFirst()
                    .orElseThrow();
            assertThat(finding.cause().value()).isEqualTo(odd);
            assertThat(finding.fixes().get(0).text()).endsWith("to VLAN 20");
        }
    }

    /** A receiver that takes a part of the numbers; the fix lets one more in and nothing else. */
    @ParameterizedTest(name = "takes {0}")
    @CsvSource(
            delimiter = '|',
            value = {
                "1-9 | passes",
                "5 | passes",
                "1-4, 6-9 | universe.not-taken",
                "6-9 | universe.not-taken",
                "1-2, 4 | universe.not-taken",
                "'' | passes"
            })
    void aReceiverTakesAPart(String ranges, String expected) {
        Plan plan = rig("", "", "", "multicast")
                .with(
                        Kind.RECEIVER.id("r"),
                        r -> r.withTaking(r.taking().withRanges(Protocol.SACN, NumberRange.parse(ranges))));
        assertThat(judged(plan)).isEqualTo(expected);
        if (!expected.equals("passes")) {
            Finding finding = Check.run(plan).findings().get(0);
            Plan mended = finding.fixes().get(0).edit().applyTo(plan);
            assertThat(judged(mended)).isEqualTo("passes");
            ReceiverCapability taking =
                    mended.index().receiver(Kind.RECEIVER.id("r")).taking();
            for (int number = 1; number <= 12; number++) {
                boolean before =
                        plan.index().receiver(Kind.RECEIVER.id("r")).taking().takes(Protocol.SACN, number);
                assertThat(taking.takes(Protocol.SACN, number)).as("%d", number).isEqualTo(before || number == 5);
            }
        }
    }
}
