package zentrel.kernel;

import static org.assertj.core.api.Assertions.assertThat;
import static org.awaitility.Awaitility.await;

import java.io.IOException;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import zentrel.ipv4.HostAddress;
import zentrel.net.SendIntent;

/**
 * A computer with two adapters, armed for one of them: whatever the routes say, nothing leaves by the other, which a capture at
 * the far end of each cable tells. Routes, metrics, rules by source and subnets are drawn at random, and misled on purpose.
 */
class KernelOutputTest {
    private static final KernelSpaces SPACES = new KernelSpaces("sender", "first", "second");
    private static final int RIGS = 24;

    /** How long a packet takes from the kernel to the capture's output at most. */
    private static final Duration CAPTURED = Duration.ofSeconds(10);

    private static KernelSpaces.Peer sender;
    private static KernelSpaces.Capture[] captures;

    @BeforeAll
    static void layTheCables() throws IOException, InterruptedException {
        SPACES.make();
        SPACES.cable("sender", "s0", "first", "f0");
        SPACES.cable("sender", "s1", "second", "f1");
        SPACES.localNet("sender");
        sender = SPACES.peer("sender");
        captures = new KernelSpaces.Capture[] {SPACES.capture("first", "f0"), SPACES.capture("second", "f1")};
    }

    @AfterAll
    static void removeTheSpaces() throws IOException, InterruptedException {
        SPACES.remove();
    }

    /** The own addresses of the two adapters, and lines for {@code ip} that lead astray or aright. */
    private record Rig(List<HostAddress> own, List<String> routes) {}

    private static Rig rig(Random random) {
        int length = List.of(8, 16, 24).get(random.nextInt(3));
        boolean same = random.nextInt(4) == 0;
        HostAddress first = HostAddress.parse("10.1.0.1/" + length);
        HostAddress second = HostAddress.parse((same ? "10.1.0.2/" : "10.2.0.1/") + length);
        List<String> routes = new ArrayList<>();
        int over = random.nextInt(2);
        if (random.nextInt(2) == 0) {
            routes.add("route add default dev s" + over);
        }
        if (random.nextInt(3) == 0) {
            routes.add("route add 10.1.0.77/32 dev s1"); // a neighbour of the first, led to the second
        }
        if (random.nextInt(3) == 0) {
            routes.add("route add 10.2.0.77/32 dev s0 src 10.1.0.1");
        }
        if (random.nextInt(3) == 0) {
            routes.add("rule add from 10.1.0.1 table 100 pref 100");
            routes.add("route add 10.9.0.0/16 dev s" + random.nextInt(2) + " table 100");
        }
        if (random.nextInt(3) == 0) {
            routes.add("route add 239.0.0.0/8 dev s1");
            routes.add("route add 255.255.255.255/32 dev s1");
        }
        return new Rig(List.of(first, second), routes);
    }

    private static void setUp(Rig rig) throws IOException, InterruptedException {
        SPACES.forget("sender", "rule del pref 100\n");
        SPACES.forget("sender", "route flush table 100\n");
        StringBuilder batch = new StringBuilder();
        for (int i = 0; i < 2; i++) {
            batch.append(KernelTrial.fresh("s" + i, rig.own().get(i)));
            // no question who has an address goes unanswered: what is routed to an adapter leaves by it
            for (String neighbour : List.of("10.1.0.77", "10.2.0.77", "10.9.0.9", "192.0.2.9")) {
                batch.append("neigh replace " + neighbour + " lladdr 02:00:00:00:00:99 dev s" + i + " nud permanent\n");
            }
        }
        rig.routes().forEach(r -> batch.append(r).append('\n'));
        SPACES.ip("sender", batch.toString());
    }

    private static List<String> destinations(Rig rig) {
        return List.of(
                "10.1.0.77",
                "10.2.0.77",
                "10.9.0.9",
                "192.0.2.9",
                rig.own().get(0).broadcast().toString(),
                rig.own().get(1).broadcast().toString(),
                "255.255.255.255",
                KernelPeer.GROUP,
                "127.0.0.1",
                rig.own().get(1).address().toString());
    }

    @ParameterizedTest(name = "{0}")
    @EnumSource(SendIntent.class)
    void nothingLeavesByAnotherAdapterThanTheArmedOne(SendIntent kind) throws IOException, InterruptedException {
        Random random = new Random(kind == SendIntent.ASKING ? 47 : 48);
        List<String> wrong = new ArrayList<>();
        List<String> left = new ArrayList<>();
        List<String> stays = new ArrayList<>();
        int refused = 0;
        for (int run = 0; run < RIGS; run++) {
            Rig rig = rig(random);
            setUp(rig);
            int armed = random.nextInt(2);
            for (String to : destinations(rig)) {
                String id = kind + "-" + run + "-" + to + "-by-s" + armed + "-end";
                String from = rig.own().get(armed).address().toString();
                String answer = sender.ask("armed " + id + " " + from + " " + to + " s" + armed + " " + kind)
                        .orElse("");
                if (answer.equals("left") && to.equals(from)) {
                    stays.add(id); // a program on this computer at the same address
                } else if (answer.equals("left")) {
                    left.add(id);
                } else if (answer.startsWith("refused ") && answer.endsWith(".")) {
                    refused++;
                } else {
                    wrong.add(id + ": " + answer + " in " + rig);
                }
            }
        }
        assertThat(wrong).isEmpty();
        await().atMost(CAPTURED)
                .untilAsserted(() ->
                        assertThat(left).allMatch(l -> captures[armed(l)].seen().contains(l)));
        for (int i = 0; i < 2; i++) {
            int at = i;
            assertThat(captures[i].seen())
                    .filteredOn(s -> s.startsWith(kind.name()))
                    .allMatch(s -> armed(s) == at)
                    .doesNotContainAnyElementsOf(stays);
        }
        assertThat(left.size()).as("what does leave leaves").isGreaterThan(RIGS * 2);
        assertThat(refused).isGreaterThan(RIGS * 2);
    }

    private static int armed(String id) {
        return id.contains("-by-s0-") ? 0 : 1;
    }

    /** Armed for loopback, with 127/8 let out by real adapters (route_localnet) and every route leading there. */
    @Test
    void loopbackLeadsNowhereElse() throws IOException, InterruptedException {
        setUp(new Rig(
                List.of(HostAddress.parse("10.1.0.1/24"), HostAddress.parse("10.2.0.1/24")),
                List.of("route add default dev s0")));
        for (String to : List.of("10.1.0.77", "10.2.0.77", "192.0.2.9", "10.1.0.255", "255.255.255.255", "10.1.0.1")) {
            Optional<String> answer = sender.ask("armed loop-" + to + " 127.0.0.1 " + to + " lo SETTING");
            assertThat(answer).as(to).hasValueSatisfying(a -> assertThat(a).contains("is not on loopback"));
        }
        for (String to : List.of("127.0.0.1", "127.255.255.255", KernelPeer.GROUP)) {
            assertThat(sender.ask("armed loop-" + to + " 127.0.0.1 " + to + " lo SETTING"))
                    .contains("left");
        }
        assertThat(sender.ask("armed held 10.1.0.1 10.1.0.77 s1 SETTING")).contains("held");
        assertThat(sender.ask("armed marker 10.1.0.1 10.1.0.77 s0 SETTING")).contains("left");
        await().atMost(CAPTURED).until(() -> captures[0].seen().contains("marker"));
        assertThat(captures[0].seen()).noneMatch(s -> s.startsWith("loop") || s.equals("held"));
        assertThat(captures[1].seen()).noneMatch(s -> s.startsWith("loop") || s.equals("held"));
    }
}
