package zentrel.path;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.stream.Collectors;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import zentrel.TestPlans;
import zentrel.Witnesses;
import zentrel.plan.Kind;
import zentrel.plan.Plan;

/**
 * Two programs on one computer, against the Linux kernel: every pair of bindings with every delivery is judged, and sent for real
 * within a network namespace of this test's own.
 */
class KernelOneComputerTest {
    private static final String SPACE = "zentrel-one-" + ProcessHandle.current().pid();
    private static final List<String> ADAPTERS = List.of("e0", "e1", "lo");
    private static final List<String> LISTEN = List.of("e0", "e1", "lo", "all");
    private static final List<String> DELIVERIES = List.of("multicast", "broadcast", "10.71.0.1", "127.0.0.1");

    private static String run(String input, String... command) throws IOException, InterruptedException {
        Process process = new ProcessBuilder(command).redirectErrorStream(true).start();
        process.getOutputStream().write(input.getBytes(StandardCharsets.UTF_8));
        process.getOutputStream().close();
        String text = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        assertThat(process.waitFor(60, TimeUnit.SECONDS)).isTrue();
        return process.exitValue() == 0 ? text : "failed: " + text;
    }

    @BeforeAll
    static void makeTheSpace() throws IOException, InterruptedException {
        String made;
        try {
            made = run("", "ip", "netns", "add", SPACE);
        } catch (IOException e) {
            made = "failed: the command ip (Debian package iproute2) is missing: " + e.getMessage();
        }
        Witnesses.need(!made.startsWith("failed"), "Network namespaces are not allowed here: " + made);
        String links = run("""
                link set lo up
                link add e0 type veth peer name p0
                link add e1 type veth peer name p1
                link set e0 up
                link set p0 up
                link set e1 up
                link set p1 up
                addr add 10.71.0.1/16 broadcast + dev e0
                addr add 10.72.0.1/16 broadcast + dev e1
                """, "ip", "-n", SPACE, "-batch", "-");
        Witnesses.need(!links.startsWith("failed"), "No pairs of virtual adapters can be made here: " + links);
    }

    @AfterAll
    static void removeTheSpace() throws IOException, InterruptedException {
        try {
            run("", "ip", "netns", "del", SPACE);
        } catch (IOException e) {
            assertThat(e).as("without the command ip no namespace was made").hasMessageContaining("ip");
        }
    }

    private static String judged(String send, String listen, String delivery, boolean copy) {
        boolean multicast = delivery.equals("multicast");
        String protocol = multicast ? "sacn" : "artnet";
        String typed =
                Character.isDigit(delivery.charAt(0)) ? "unicast\",\"to\":[\"" + delivery + "\"]" : delivery + "\"";
        Plan plan = TestPlans.read("""
                {"zentrel-plan":1,"segments":[{"id":"s0"},{"id":"s1"}],
                 "hosts":[{"id":"a","kind":"computer","system":"linux","adapters":[
                   {"id":"e0","segment":"s0","addresses":["10.71.0.1/16"]},{"id":"e1","segment":"s1","addresses":["10.72.0.1/16"]}]}],
                 "applications":[{"id":"tx","host":"a","kind":"console","bindings":{"%1$s-send":%2$s}%6$s},
                                 {"id":"rx","host":"a","kind":"previs","bindings":{"%1$s-listen":%3$s}}],
                 "universes":[{"id":"u","number":5}],
                 "streams":[{"id":"s","application":"tx","universe":"u","protocol":"%1$s","wire":5,"delivery":"%4$s}],
                 "receivers":[{"id":"r","application":"rx","ports":[{"id":"p","kind":"internal","protocol":"%1$s","wire":5,"universe":"u"}]}]}
                """.formatted(
                        protocol,
                        binding(send),
                        binding(listen),
                        typed,
                        "",
                        copy ? "" : ",\"outputs\":{\"" + protocol + "\":{\"alsoHere\":false}}")
                .getBytes(StandardCharsets.UTF_8));
        Verdict verdict = new SignalPaths(plan)
                .ofUniverse(Kind.UNIVERSE.id("u"))
                .paths()
                .get(0)
                .verdict();
        return verdict == Verdict.PASSES ? "passes" : verdict == Verdict.BROKEN ? "fails" : "at risk";
    }

    private static String binding(String name) {
        return name.equals("lo") ? "\"loopback\"" : name.equals("all") ? "\"all\"" : "[\"" + name + "\"]";
    }

    @Test
    void whatIsJudgedIsWhatTheKernelDoes() throws IOException, InterruptedException {
        List<String> trials = new ArrayList<>();
        List<String> judged = new ArrayList<>();
        for (String delivery : DELIVERIES) {
            for (String send : ADAPTERS) {
                if (delivery.equals("broadcast") && send.equals("lo")) {
                    continue; // loopback has no broadcast that a lighting program would use
                }
                for (String listen : LISTEN) {
                    if (delivery.equals("broadcast") && !listen.equals("all")) {
                        continue; // a socket at one address takes no broadcast, so programs listen on all and choose
                        // themselves
                    }
                    for (boolean copy : delivery.equals("multicast") ? List.of(true, false) : List.of(true)) {
                        String trial = send + ">" + listen + ">" + delivery + ">" + (copy ? "on" : "off");
                        trials.add(trial);
                        judged.add(trial + " " + judged(send, listen, delivery, copy));
                    }
                }
            }
        }
        List<String> command = new ArrayList<>(List.of(
                "ip",
                "netns",
                "exec",
                SPACE,
                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                "-Djava.net.preferIPv4Stack=true",
                "-cp",
                Path.of(OneComputerProbe.class
                                .getProtectionDomain()
                                .getCodeSource()
                                .getLocation()
                                .getPath())
                        .toString(),
                OneComputerProbe.class.getName()));
        command.addAll(trials);
        List<String> real = run("", command.toArray(String[]::new)).lines().collect(Collectors.toList());
        assertThat(judged).hasSize(50).containsExactlyElementsOf(real);
    }
}
