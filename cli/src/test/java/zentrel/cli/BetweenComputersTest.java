package zentrel.cli;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.Assumptions;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/**
 * The line tools on two computers, which are network namespaces of this test with a virtual cable between them: a node is found, set and
 * followed; a capture beside them says what left; a pair of probes tries the cable.
 */
class BetweenComputersTest {
    private static final ObjectMapper JSON = new ObjectMapper();
    private static final String BENCH =
            "zentrel-bench-" + ProcessHandle.current().pid();
    private static final String STAGE =
            "zentrel-stage-" + ProcessHandle.current().pid();
    private final List<Process> running = new ArrayList<>();

    @BeforeAll
    static void layTheCable() throws Exception {
        need(ip("netns", "add", BENCH));
        need(ip("netns", "add", STAGE));
        need(ip("-n", BENCH, "link", "add", "b0", "type", "veth", "peer", "name", "s0", "netns", STAGE));
        need(ip("-n", BENCH, "addr", "add", "10.77.0.1/16", "brd", "10.77.255.255", "dev", "b0"));
        need(ip("-n", STAGE, "addr", "add", "10.77.0.2/16", "brd", "10.77.255.255", "dev", "s0"));
        need(ip("-n", STAGE, "addr", "add", "10.77.0.9/16", "brd", "10.77.255.255", "dev", "s0"));
        for (String[] up : new String[][] {{BENCH, "b0"}, {BENCH, "lo"}, {STAGE, "s0"}, {STAGE, "lo"}}) {
            need(ip("-n", up[0], "link", "set", up[1], "up"));
        }
        need(ip("-n", BENCH, "route", "add", "224.0.0.0/4", "dev", "b0"));
        need(ip("-n", STAGE, "route", "add", "224.0.0.0/4", "dev", "s0"));
    }

    @AfterAll
    static void removeIt() throws Exception {
        ip("netns", "del", BENCH);
        ip("netns", "del", STAGE);
    }

    /** Goes on where namespaces are allowed; where they must be, they must. */
    private static void need(boolean there) {
        if ("required".equals(System.getProperty("zentrel.witnesses"))) {
            assertThat(there).as("network namespaces can be made").isTrue();
        }
        Assumptions.assumeTrue(there, "network namespaces cannot be made here");
    }

    private static boolean ip(String... arguments) throws InterruptedException {
        List<String> command = new ArrayList<>(List.of("ip"));
        command.addAll(List.of(arguments));
        try {
            Process process = new ProcessBuilder(command)
                    .redirectErrorStream(true)
                    .redirectOutput(ProcessBuilder.Redirect.DISCARD)
                    .start();
            return process.waitFor(20, TimeUnit.SECONDS) && process.exitValue() == 0;
        } catch (IOException e) {
            return false; // there is no such command
        }
    }

    private Process start(String space, List<String> command) throws IOException {
        List<String> all = new ArrayList<>(List.of("ip", "netns", "exec", space));
        all.addAll(command);
        Process process = new ProcessBuilder(all)
                .redirectError(ProcessBuilder.Redirect.DISCARD)
                .start();
        running.add(process);
        return process;
    }

    private Process tool(String space, String line) throws IOException {
        List<String> command = new ArrayList<>(List.of(
                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                "-XX:TieredStopAtLevel=1",
                "-cp",
                System.getProperty("java.class.path") + ":" + System.getProperty("surefire.test.class.path", ""),
                "zentrel.cli.Main"));
        command.addAll(List.of(line.split(" ", -1)));
        return start(space, command);
    }

    private static String out(Process process) throws IOException, InterruptedException {
        String text = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        assertThat(process.waitFor(60, TimeUnit.SECONDS)).isTrue();
        return text;
    }

    private JsonNode json(String space, String line) throws Exception {
        return JSON.readTree(out(tool(space, line)));
    }

    @org.junit.jupiter.api.AfterEach
    void endThem() {
        running.forEach(Process::destroy);
    }

    @Test
    void aNodeOnAnotherComputerIsFoundSetAndFollowed() throws Exception {
        Process node = tool(
                STAGE,
                "standin node --address 10.77.0.2 --arm s0 --name Jetty --port 1=artnet:4 --restart 0.5 --seconds 40 --json");
        JsonNode found = json(BENCH, "discover --adapter 10.77.0.1 --seconds 4 --json");
        assertThat(found.get("devices")).hasSize(1);
        JsonNode device = found.get("devices").get(0);
        assertThat(device.get("address").asText()).isEqualTo("10.77.0.2");
        assertThat(device.get("shortName").asText()).isEqualTo("Jetty");
        assertThat(device.get("ports").get(0).get("number").asInt()).isEqualTo(4);
        JsonNode set = json(
                BENCH,
                "set 10.77.0.2 --arm b0 --short-name Boathouse --port 1=sacn:300 --ip 10.77.0.9 --mask 255.255.0.0 --json");
        assertThat(set.get("notConfirmed")).as(set.toString()).isEmpty();
        assertThat(set.get("after").get("address").asText()).isEqualTo("10.77.0.9");
        assertThat(set.get("after").get("ports").get(0).get("number").asInt()).isEqualTo(300);
        node.destroy();
    }

    /**
     * A capture by another program, at the far end of the cable. ARP is the kernel's own: it asks again for a neighbour of the test before
     * this one, whatever is listened to, so only IP is claimed.
     */
    @Test
    void nothingLeavesWhileOnlyListening() throws Exception {
        Process capture = start(
                STAGE,
                List.of(
                        "tshark",
                        "-l",
                        "-n",
                        "-i",
                        "s0",
                        "-a",
                        "duration:90",
                        "-f",
                        "ip and src host 10.77.0.1",
                        "-T",
                        "fields",
                        "-e",
                        "frame.protocols"));
        Thread.sleep(4000);
        json(BENCH, "listen --adapter 10.77.0.1 --universes 5-8 --seconds 2 --json");
        JsonNode asked = json(BENCH, "discover --adapter 10.77.0.1 --seconds 1 --json");
        assertThat(asked.get("devices")).isEmpty();
        Thread.sleep(1500);
        capture.toHandle().destroy(); // not after a time of its own: two programs start slowly on a busy machine
        List<String> protocols = out(capture).lines().toList();
        assertThat(protocols).as("the capture sees the joins").anyMatch(p -> p.contains("igmp"));
        assertThat(protocols).as("and the question").anyMatch(p -> p.contains("artnet"));
        assertThat(protocols).allMatch(p -> p.contains("igmp") || p.contains("artnet"));
        assertThat(protocols.stream().filter(p -> p.contains("artnet")))
                .as("only the polls of discover")
                .hasSizeLessThanOrEqualTo(2);
    }

    @Test
    void aPairOfProbesTriesTheCable() throws Exception {
        Process waits = tool(STAGE, "probe wait --adapter 10.77.0.2 --seconds 30 --json");
        assertThat(waits.getInputStream().read()).isEqualTo('{'); // it is ready
        JsonNode result = json(BENCH, "probe run --adapter 10.77.0.1 --to 10.77.0.2 --json");
        assertThat(result.get("says")).as(result.toString()).isEmpty();
        assertThat(result.get("there").toString()).isEqualTo("{\"broadcast\":100,\"multicast\":100,\"unicast\":100}");
        assertThat(result.get("back").toString()).isEqualTo("{\"broadcast\":100,\"multicast\":100,\"unicast\":100}");
        assertThat(ip("-n", BENCH, "addr", "add", "10.77.0.1/24", "brd", "10.77.0.255", "dev", "b0"))
                .isTrue();
        assertThat(ip("-n", BENCH, "addr", "del", "10.77.0.1/16", "dev", "b0")).isTrue();
        JsonNode narrow = json(BENCH, "probe run --adapter 10.77.0.1 --to 10.77.0.2 --json");
        assertThat(narrow.get("there").get("broadcast").asInt())
                .as("the directed broadcast of a narrower range is none of the other's")
                .isZero();
        assertThat(narrow.get("says").toString()).contains("The masks differ: 255.255.255.0 here, 255.255.0.0 there");
        assertThat(ip("-n", BENCH, "addr", "add", "10.77.0.1/16", "brd", "10.77.255.255", "dev", "b0"))
                .isTrue();
        assertThat(ip("-n", BENCH, "addr", "del", "10.77.0.1/24", "dev", "b0")).isTrue();
        waits.destroy();
    }
}
