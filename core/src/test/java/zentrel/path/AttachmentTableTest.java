package zentrel.path;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import zentrel.TestPlans;
import zentrel.check.Check;
import zentrel.check.Fixes;
import zentrel.check.Outcome;
import zentrel.command.Commands;
import zentrel.gear.Library;
import zentrel.path.words.PathWords;
import zentrel.plan.*;

/** A console's own stream to a previs: where it dies, and that it never says more than is known. */
class AttachmentTableTest {
    private static final String RIG = """
            {"zentrel-plan":1,"segments":[{"id":"net"},{"id":"far"}],
             "hosts":[{"id":"c","name":"Console","kind":"console","adapters":[
                        {"id":"c.net","name":"Net","segment":"net","addresses":["10.58.1.1/16"]}]},
                      {"id":"p","name":"Computer","kind":"computer","system":"linux","adapters":[
                        {"id":"p.net","name":"Net","segment":"%s","addresses":["10.58.2.2/16"]}]%s}],
             "applications":[{"id":"desk","name":"Desk","host":"c","kind":"console","version":"%s"},
                             {"id":"view","name":"View","host":"p","kind":"previs","version":"%s"%s}],
             "attachments":[{"id":"x","name":"Desk view","from":"desk","to":"view"%s}]}
            """;

    private static Plan rig(
            String segment, String firewall, String mine, String theirs, String installed, String more) {
        return TestPlans.read(
                RIG.formatted(segment, firewall, mine, theirs, installed, more).getBytes(StandardCharsets.UTF_8));
    }

    private static SignalPath path(Plan plan) {
        return new SignalPaths(plan)
                .ofAttachment(Kind.ATTACHMENT.id("x"))
                .paths()
                .get(0);
    }

    private static String judged(Plan plan) {
        return path(plan)
                .hops()
                .flatMap(h -> h.issues().stream())
                .filter(i -> i.verdict() == Verdict.BROKEN)
                .map(i -> i.reason().code())
                .findFirst()
                .orElse("not known");
    }

    @ParameterizedTest(name = "{0} {1} {2}/{3} {4} {5}: {6}")
    @CsvSource(
            delimiter = '|',
            value = {
                "net | '' | 3.1 | 3.1 | '' | '' | not known",
                "net | '' | 3.1 | 3.1 | '' | ',\"destination\":\"10.58.2.2\"' | not known",
                "net | '' | 3.1 | 3.1 | '' | ',\"destination\":\"10.58.2.9\"' | previs.wrong-target",
                "net | '' | 3.1 | 3.1 | '' | ',\"sending\":false' | previs.not-sending",
                "net | '' | 3.1 | 3.1 | '' | ',\"sending\":{\"planned\":false,\"inForce\":true}' | not known",
                "net | '' | 3.1 | 3.1 | '' | ',\"chosen\":false' | previs.input-differs",
                "net | '' | 3.1 | 3.2 | '' | '' | previs.version-differs",
                "net | '' | 3.1 | 3.2 | '' | ',\"versions\":\"major\"' | not known",
                "net | '' | 3.1.4 | 3.1.9 | '' | ',\"versions\":\"major-minor\"' | not known",
                "net | '' | 3.1.4 | 3.2.4 | '' | ',\"versions\":\"major-minor\"' | previs.version-differs",
                "net | '' | 3.1 | 4.0 | '' | ',\"versions\":\"any\"' | not known",
                "net | '' | 3.1 | 3.1 | '' | ',\"driver\":\"Key 2\"' | previs.driver-missing",
                "net | '' | 3.1 | 3.1 | ',\"attached\":[\"Key 2\"]' | ',\"driver\":\"Key 2\"' | not known",
                "far | '' | 3.1 | 3.1 | '' | '' | network.apart",
                "net | ',\"firewall\":{\"barsInbound\":true}' | 3.1 | 3.1 | '' | '' | host.firewall",
                "net | ',\"firewall\":{\"barsInbound\":true,\"allows\":[\"own\"]}' | 3.1 | 3.1 | '' | '' | not known",
                "net | ',\"firewall\":{\"barsInbound\":true,\"allows\":[\"osc\"]}' | 3.1 | 3.1 | '' | '' | host.firewall",
                "net | ',\"power\":{\"on\":false}' | 3.1 | 3.1 | '' | '' | power.off-at-receiver"
            })
    void whereItDies(
            String segment, String firewall, String mine, String theirs, String installed, String more, String code) {
        Plan plan = rig(segment, firewall, mine, theirs, installed, more);
        assertThat(judged(plan)).isEqualTo(code);
        assertThat(path(plan).verdict()).isEqualTo(code.equals("not known") ? Verdict.NOT_KNOWN : Verdict.BROKEN);
        assertThat(path(plan).legs().get(0).hop(HopKind.WINS).verdict()).isEqualTo(Verdict.NOT_KNOWN);
        var report = Check.run(plan);
        assertThat(report.isBroken()).isEqualTo(!code.equals("not known"));
        if (!code.equals("not known") && !code.equals("network.apart")) {
            var finding = report.findings().get(0);
            Plan mended = Fixes.proven(report, finding).get(0).edit().applyTo(plan);
            assertThat(judged(mended)).isEqualTo("not known");
        }
        assertThat(report.outcomes().get("previs.input-differs"))
                .isEqualTo(code.startsWith("previs.") ? Outcome.BROKEN : Outcome.PASSES);
    }

    @Test
    void theSignIsWhatToLookFor() {
        Plan plan = rig("net", "", "1", "1", "", ",\"sign\":\"a green dot\"");
        assertThat(new PathWords(plan.index()).text(path(plan).legs().get(0).hop(HopKind.WINS)))
                .isEqualTo("Only its maker knows what is in it. It works when View shows a green dot.");
        Plan without = rig("net", "", "1", "1", "", "");
        assertThat(new PathWords(without.index())
                        .text(path(without).legs().get(0).hop(HopKind.WINS)))
                .endsWith("Look at View for a sign that it is connected.");
    }

    @Test
    void itIsMadeByWordsAndGoesWithItsEnds() {
        Plan plan = rig("net", "", "1", "1", "", "").with(Kind.ATTACHMENT, java.util.List.of());
        var offers = new Commands(plan, Library.shipped(), null).offers("attach desk to view");
        assertThat(offers.get(0).text()).isEqualTo("Attach View to Desk by its own stream");
        Plan attached = offers.get(0).work().get().edit().applyTo(plan);
        assertThat(attached.attachments()).singleElement().satisfies(a -> {
            assertThat(a.from().value()).isEqualTo("desk");
            assertThat(a.to().value()).isEqualTo("view");
        });
        assertThat(Check.run(attached).findings()).isEmpty();
        Plan gone = zentrel.gear.PlanRemoval.of(attached, java.util.List.of(Kind.HOST.id("p")))
                .edit()
                .applyTo(attached);
        assertThat(gone.attachments()).isEmpty();
    }
}
