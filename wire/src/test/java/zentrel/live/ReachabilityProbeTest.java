package zentrel.live;

import static java.util.concurrent.TimeUnit.SECONDS;
import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.Predicate;
import org.junit.jupiter.api.Test;
import zentrel.Witnesses;
import zentrel.ipv4.Ipv4Address;
import zentrel.net.Guarded;
import zentrel.net.OutputGuard;
import zentrel.net.real.RealNet;
import zentrel.profile.Protocol;
import zentrel.standin.LevelStandin;
import zentrel.standin.StandinPort;
import zentrel.standin.StandinSite;

/** Planned devices asked whether they answer, on loopback. */
class ReachabilityProbeTest {
    private static final Ipv4Address NODE = Ipv4Address.of(127, 41, 22, 3);
    private static final Ipv4Address NOBODY = Ipv4Address.of(127, 41, 22, 4);

    private static Map<Ipv4Address, ReachabilityProbe.Answer> ask(Ping ping, List<ReachabilityProbe.Question> questions)
            throws Exception {
        Map<Ipv4Address, ReachabilityProbe.Answer> answers = new ConcurrentHashMap<>();
        CountDownLatch done = new CountDownLatch(1);
        try (ReachabilityProbe asking = new ReachabilityProbe(ThisComputer.adapters(), ping, Duration.ofSeconds(1))) {
            asking.start(questions, a -> answers.put(a.address(), a), done::countDown);
            assertThat(done.await(20, SECONDS)).isTrue();
        }
        return answers;
    }

    /** What is silent to ping, as simple nodes are, answers a poll; nobody answers neither. */
    @Test
    void whoIsSilentToPingIsPolled() throws Exception {
        RealNet net = new RealNet();
        try (LevelStandin node = new LevelStandin(
                new StandinSite(new Guarded(net, new OutputGuard(OutputGuard.State.ASK)), net.require(NODE)),
                "Node",
                List.of(new StandinPort("p", Protocol.ARTNET, 1, true, true)),
                true,
                e -> {})) {
            node.start();
            Map<Ipv4Address, ReachabilityProbe.Answer> answers = ask(
                    (address, limit) -> Optional.of(false),
                    List.of(
                            new ReachabilityProbe.Question(NODE, true),
                            new ReachabilityProbe.Question(NOBODY, true),
                            new ReachabilityProbe.Question(Ipv4Address.of(198, 51, 100, 7), true)));
            assertThat(answers.get(NODE)).satisfies(a -> assertThat(a.how()).startsWith("to an Art-Net poll, after "));
            assertThat(answers.get(NODE).answers()).isTrue();
            assertThat(answers.get(NOBODY))
                    .isEqualTo(new ReachabilityProbe.Answer(NOBODY, false, "to ping, to an Art-Net poll"));
            assertThat(answers.get(Ipv4Address.of(198, 51, 100, 7)).how())
                    .as("nothing was sent to what is on no link of this computer")
                    .isEqualTo("to ping, no poll could be sent, this computer has no address in its range");
        }
    }

    /** Forty that each take a quarter of a second are done in half a second, not in ten. */
    @Test
    void manyAreAskedAtOnceAndAllCanBeStopped() throws Exception {
        AtomicInteger most = new AtomicInteger();
        AtomicInteger now = new AtomicInteger();
        Ping slow = (address, limit) -> {
            most.accumulateAndGet(now.incrementAndGet(), Math::max);
            try {
                Thread.sleep(250);
            } finally {
                now.decrementAndGet();
            }
            return Optional.of(true);
        };
        List<ReachabilityProbe.Question> forty = new ArrayList<>();
        for (int i = 1; i <= 40; i++) {
            forty.add(new ReachabilityProbe.Question(Ipv4Address.of(127, 9, 9, i), false));
        }
        assertThat(ask(slow, forty)).hasSize(40);
        assertThat(most.get()).isGreaterThan(8);
        AtomicInteger heard = new AtomicInteger();
        ReachabilityProbe stopped = new ReachabilityProbe(
                List.of(),
                (a, limit) -> {
                    Thread.sleep(60_000);
                    return Optional.of(true);
                },
                Duration.ofSeconds(1));
        stopped.start(forty, a -> heard.incrementAndGet(), heard::incrementAndGet);
        stopped.close();
        Predicate<Thread> asking = t -> t.getName().equals("asking") && t.isAlive();
        org.awaitility.Awaitility.await()
                .atMost(10, SECONDS)
                .until(() -> Thread.getAllStackTraces().keySet().stream().noneMatch(asking));
        assertThat(heard.get()).isZero();
    }

    /** The system's ping, where there is one: this computer answers itself at every address of 127/8 on Linux. */
    @Test
    void theSystemsPingIsUnderstood() throws InterruptedException {
        Optional<Boolean> answer = Ping.ofSystem().answers(Ipv4Address.LOOPBACK, Duration.ofSeconds(2));
        Witnesses.need(answer.isPresent(), "This computer has no ping, or may not use it.");
        assertThat(answer).contains(true);
    }
}
