package zentrel.path;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.stream.Collectors;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import zentrel.TestPlans;
import zentrel.plan.Kind;
import zentrel.plan.Plan;

/** One console feeds another, which passes it on to the previs beside it: one path of two legs. Worked by hand. */
class PassedOnTableTest {
    private static final String RIG = """
            {"zentrel-plan":1,"segments":[{"id":"hall"}],
             "hosts":[{"id":"one","kind":"computer","system":"linux","adapters":[{"id":"a1","segment":"hall","addresses":["10.30.0.1/16"]}]},
                      {"id":"two","kind":"computer","system":"linux","adapters":[{"id":"a2","segment":"hall","addresses":["10.30.0.2/16"]}]}],
             "applications":[{"id":"first","host":"one","kind":"console","bindings":{"sacn-send":["a1"]}},
                             {"id":"second","host":"two","kind":"console","bindings":{"sacn-send":%s,"sacn-listen":["a2"]}%s},
                             {"id":"view","host":"two","kind":"previs","bindings":{"sacn-listen":%s}}],
             "universes":[{"id":"u","number":1}],
             "streams":[{"id":"s1","application":"first","universe":"u","protocol":"sacn","wire":1,"delivery":"multicast","enabled":%s},
                        {"id":"s2","application":"second","universe":"u","protocol":"sacn","wire":1,"delivery":"multicast"%s}],
             "receivers":[{"id":"in","application":"second","inputOn":%s,"ports":[{"id":"i","kind":"internal","protocol":"sacn","wire":%d,"universe":"u"}]},
                          {"id":"r","application":"view","ports":[{"id":"p","kind":"internal","protocol":"sacn","wire":1,"universe":"u"}]}]}
            """;

    @ParameterizedTest(name = "second sends by {0}, previs on {1}, first on {2}, input on {3} at {4}: {5}")
    @CsvSource({
        "loopback, loopback, true, true, 1, first 2 legs PASSES",
        // each switch and number on the way
        "loopback, loopback, true, false, 1, first 2 legs BROKEN universe.input-off",
        "loopback, loopback, true, true, 2, first 2 legs BROKEN universe.group-not-joined",
        "loopback, loopback, false, true, 1, first 2 legs BROKEN universe.not-enabled",
        "loopback, a2, true, true, 1, first 1 leg PASSES + first 2 legs BROKEN adapter.joined-elsewhere",
        // levels of its own beside those that it passes on
        "loopback own, loopback, true, true, 1, first 2 legs AT_RISK universe.own-levels",
        "loopback own silent-here, loopback, true, true, 1, first 2 legs PASSES",
        "loopback silent own-here, loopback, true, true, 1, first 2 legs AT_RISK universe.own-levels",
        "loopback silent, loopback, true, true, 1, first 2 legs PASSES",
        // the first reaches the previs by itself too, and the two fight there
        "a2, a2, true, true, 1, first 1 leg AT_RISK universe.two-sources + first 2 legs AT_RISK universe.two-sources"
    })
    void oneConsoleFeedsAnothersPrevis(String send, String view, boolean on, boolean input, int wire, String expected) {
        Plan plan = TestPlans.read(
                RIG.formatted(json(send.split(" ", -1)[0]), levels(send), json(view), on, here(send), input, wire)
                        .getBytes(StandardCharsets.UTF_8));
        String paths = new SignalPaths(plan)
                .of(Kind.PORT.id("p")).paths().stream()
                        .map(PassedOnTableTest::said)
                        .sorted()
                        .collect(Collectors.joining(" + "));
        assertThat(paths).isEqualTo(expected);
    }

    private static String levels(String send) {
        return send.contains(" own ") || send.endsWith(" own")
                ? ",\"outputs\":{\"sacn\":{\"ownLevels\":true}}"
                : send.contains(" silent ") || send.endsWith(" silent")
                        ? ",\"outputs\":{\"sacn\":{\"ownLevels\":false}}"
                        : "";
    }

    /** What the one universe says of its own. */
    private static String here(String send) {
        return send.endsWith("-here") ? ",\"ownLevels\":" + send.endsWith("own-here") : "";
    }

    private static String json(String binding) {
        return binding.equals("loopback") ? "\"loopback\"" : "[\"" + binding + "\"]";
    }

    private static String said(SignalPath path) {
        int legs = path.legs().size();
        String reason = path.issues()
                .filter(i -> i.verdict() == path.verdict())
                .map(i -> " " + i.reason().code())
                .findFirst()
                .orElse("");
        return path.source().orElseThrow().value() + " " + legs + (legs == 1 ? " leg " : " legs ") + path.verdict()
                + reason;
    }
}
