package zentrel.kernel;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import zentrel.demo.PlanSketch;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.ipv4.SpecialAddresses;
import zentrel.path.SignalPath;
import zentrel.path.SignalPaths;
import zentrel.path.Verdict;
import zentrel.plan.*;

/**
 * Whether what one computer sends reaches another, against the Linux kernel itself: random pairs of computers with one or two
 * cables between them, in two network namespaces of this test's own, with source checks off, loose and strict (rp_filter 0, 2
 * and 1), sending unicast, directed broadcast and to a group. The path says it passes exactly where the packet arrives.
 */
class KernelReachTest {
    private static final String A = "zentrel-a-" + ProcessHandle.current().pid();
    private static final String B = "zentrel-b-" + ProcessHandle.current().pid();
    private static final int CABLES = 2;
    private static final int RIGS = 40;

    /** How long a packet may take that is said to arrive, and how long is waited for one that is said not to. */
    private static final long ARRIVES_MILLIS = 3000;

    private static final long MISSES_MILLIS = 120;

    private static Peer sender;
    private static Peer ear;

    /** A process in a namespace, spoken to line by line. */
    private static final class Peer {
        private final Process process;
        private final PrintStream to;
        private final BlockingQueue<String> lines = new LinkedBlockingQueue<>();

        Peer(String space) throws IOException {
            process = new ProcessBuilder(
                            "ip",
                            "netns",
                            "exec",
                            space,
                            Path.of(System.getProperty("java.home"), "bin", "java")
                                    .toString(),
                            "-XX:TieredStopAtLevel=1",
                            "-cp",
                            System.getProperty("java.class.path") + ":"
                                    + System.getProperty("surefire.test.class.path", ""),
                            KernelPeer.class.getName())
                    .redirectErrorStream(true)
                    .start();
            to = new PrintStream(process.getOutputStream(), true, StandardCharsets.UTF_8);
            BufferedReader in =
                    new BufferedReader(new InputStreamReader(process.getInputStream(), StandardCharsets.UTF_8));
            Thread thread = new Thread(() -> in.lines().forEach(lines::add));
            thread.setDaemon(true);
            thread.start();
        }

        /** Says a line and waits until it is carried out; false where it failed. */
        boolean say(String line) throws InterruptedException {
            to.println(line);
            for (int i = 0; i < 50; i++) {
                String answer = lines.poll(5, TimeUnit.SECONDS);
                if (answer == null || answer.startsWith("failed")) {
                    return false;
                }
                if (answer.equals("done")) {
                    return true;
                }
            }
            return false;
        }

        boolean hears(String text, long millis) throws InterruptedException {
            long end = System.nanoTime() + TimeUnit.MILLISECONDS.toNanos(millis);
            for (long left = end - System.nanoTime(); left > 0; left = end - System.nanoTime()) {
                String line = lines.poll(left, TimeUnit.NANOSECONDS);
                if (("heard " + text).equals(line)) {
                    return true;
                }
            }
            return false;
        }

        void end() throws InterruptedException {
            to.close(); // it ends with its input
            if (!process.waitFor(5, TimeUnit.SECONDS)) {
                process.destroy();
            }
        }
    }

    private static String ip(String batch, String... command) throws IOException, InterruptedException {
        Process process = new ProcessBuilder(command).redirectErrorStream(true).start();
        process.getOutputStream().write(batch.getBytes(StandardCharsets.UTF_8));
        process.getOutputStream().close();
        String text = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        return process.waitFor(20, TimeUnit.SECONDS) && process.exitValue() == 0 ? "" : "failed: " + text;
    }

    @BeforeAll
    static void makeTheSpaces() throws IOException, InterruptedException {
        assumeTrue(Files.exists(Path.of("/sys/class/net")), "This is no Linux, so there is no such kernel to ask.");
        try {
            String made = ip("", "ip", "netns", "add", A) + ip("", "ip", "netns", "add", B);
            assumeTrue(made.isEmpty(), "Network namespaces are not allowed here: " + made);
        } catch (IOException e) {
            assumeTrue(false, "The command ip (Debian package iproute2) is missing: " + e.getMessage());
        }
        StringBuilder batch = new StringBuilder("link set lo up\n");
        for (int i = 0; i < CABLES; i++) {
            batch.append(
                    "link add a" + i + " type veth peer name b" + i + " netns " + B + "\nlink set a" + i + " up\n");
        }
        String links = ip(batch.toString(), "ip", "-n", A, "-batch", "-");
        links += ip("link set lo up\nlink set b0 up\nlink set b1 up\n", "ip", "-n", B, "-batch", "-");
        assumeTrue(links.isEmpty(), "No pairs of virtual adapters can be made here: " + links);
        sender = new Peer(A);
        ear = new Peer(B);
        assumeTrue(ear.say("hear"), "No program can be run in a namespace here.");
    }

    @AfterAll
    static void removeTheSpaces() throws IOException, InterruptedException {
        for (Peer peer : new Peer[] {sender, ear}) {
            if (peer != null) {
                peer.end();
            }
        }
        try {
            ip("", "ip", "netns", "del", A);
            ip("", "ip", "netns", "del", B);
        } catch (IOException e) {
            assertThat(e).as("without the command ip no namespace was made").hasMessageContaining("ip");
        }
    }

    private record Rig(
            List<HostAddress> a, List<HostAddress> b, Optional<Ipv4Address> gatewayA, Optional<Ipv4Address> gatewayB) {}

    @ParameterizedTest(name = "sources checked: {0}")
    @EnumSource(SourceCheck.class)
    void whatTheKernelDeliversIsWhatThePathLetsPass(SourceCheck check) throws IOException, InterruptedException {
        Random random = new Random(41);
        List<String> wrong = new ArrayList<>();
        int passed = 0;
        int judged = 0;
        for (int run = 0; run < RIGS; run++) {
            Rig rig = rig(random);
            setUp(rig, check);
            for (Delivery delivery : List.of(Delivery.UNICAST, Delivery.BROADCAST, Delivery.MULTICAST)) {
                int to = delivery == Delivery.UNICAST ? random.nextInt(rig.b().size()) : 0;
                SignalPath path = path(rig, check, delivery, rig.b().get(to).address());
                if (path.verdict() == Verdict.AT_RISK || path.verdict() == Verdict.NOT_KNOWN) {
                    continue; // it does not say that it arrives, nor that it does not
                }
                boolean says = path.verdict() == Verdict.PASSES;
                String id = check.word() + run + delivery.word();
                String destination = delivery == Delivery.UNICAST
                        ? rig.b().get(to).address().toString()
                        : delivery == Delivery.BROADCAST
                                ? rig.a().get(0).broadcast().toString()
                                : KernelPeer.GROUP;
                boolean sent = sender.say("send " + id + " " + rig.a().get(0).address() + " " + destination);
                boolean arrives = sent && ear.hears(id, says ? ARRIVES_MILLIS : MISSES_MILLIS);
                judged++;
                passed += arrives ? 1 : 0;
                if (says != arrives) {
                    wrong.add(delivery + " to " + destination + " in " + rig + (sent ? "" : ", not sent") + ": "
                            + (says
                                    ? "should arrive"
                                    : "arrived, though "
                                            + path.decisive()
                                                    .map(Object::toString)
                                                    .orElse("")));
                }
            }
        }
        assertThat(wrong).isEmpty();
        assertThat(judged).isGreaterThan(RIGS * 2);
        assertThat(passed).as("of " + judged).isBetween(judged / 5, judged * 4 / 5);
    }

    /** One or two cables, addresses in a few neighbouring ranges with masks that nest and differ. */
    private static Rig rig(Random random) {
        Set<Ipv4Address> taken = new HashSet<>();
        int cables = 1 + random.nextInt(CABLES);
        List<HostAddress> a = new ArrayList<>();
        List<HostAddress> b = new ArrayList<>();
        for (int i = 0; i < cables; i++) {
            a.add(address(random, taken, a));
            b.add(address(random, taken, b));
        }
        return new Rig(a, b, gateway(random, a.get(0), taken), gateway(random, b.get(0), taken));
    }

    private static Optional<Ipv4Address> gateway(Random random, HostAddress own, Set<Ipv4Address> taken) {
        if (random.nextInt(4) > 0) {
            return Optional.empty();
        }
        Ipv4Address router = own.subnet().firstHost().plus(200);
        return own.sees(router) && taken.add(router) ? Optional.of(router) : Optional.empty();
    }

    private static HostAddress address(Random random, Set<Ipv4Address> taken, List<HostAddress> own) {
        while (true) {
            int length = List.of(8, 16, 16, 24).get(random.nextInt(4));
            HostAddress address = new HostAddress(
                    Ipv4Address.of(10, random.nextInt(2), random.nextInt(2), 1 + random.nextInt(100)), length);
            boolean sameTwice = own.stream().anyMatch(o -> o.subnet().equals(address.subnet()));
            if (SpecialAddresses.notOnANetwork(address).isEmpty() && !sameTwice && taken.add(address.address())) {
                return address; // one computer with two adapters in one subnet has a rule of its own
            }
        }
    }

    private static void setUp(Rig rig, SourceCheck check) throws IOException, InterruptedException {
        // from RFC 3704 to the kernel's own numbers (ip-sysctl): 0 no check, 1 strict, 2 loose
        int number = switch (check) {
            case NONE -> 0;
            case LOOSE -> 2;
            case STRICT -> 1;
        };
        StringBuilder filters = new StringBuilder();
        for (String name : List.of("all", "default", "b0", "b1", "lo")) {
            filters.append("echo " + (name.equals("all") ? 0 : number) + " > /proc/sys/net/ipv4/conf/" + name
                    + "/rp_filter\n");
        }
        assertThat(ip(filters.toString(), "ip", "netns", "exec", B, "sh")).isEmpty();
        assertThat(ip(batch("a", rig.a(), rig.gatewayA()), "ip", "-n", A, "-batch", "-"))
                .isEmpty();
        assertThat(ip(batch("b", rig.b(), rig.gatewayB()), "ip", "-n", B, "-batch", "-"))
                .isEmpty();
        assertThat(ear.say("hear b0 b1")).isTrue();
    }

    private static String batch(String end, List<HostAddress> addresses, Optional<Ipv4Address> gateway) {
        StringBuilder batch = new StringBuilder();
        for (int i = 0; i < CABLES; i++) {
            batch.append("addr flush dev " + end + i + "\nroute flush dev " + end + i + "\nneigh flush dev " + end + i
                    + "\n");
        }
        for (int i = 0; i < addresses.size(); i++) {
            HostAddress address = addresses.get(i);
            batch.append("addr add " + address + " broadcast " + address.broadcast() + " dev " + end + i + "\n");
        }
        gateway.ifPresent(g -> batch.append("route append default via " + g + " dev " + end + "0\n"));
        return batch.toString();
    }

    /** The same two computers as a plan, and the path of one universe between them. */
    private static SignalPath path(Rig rig, SourceCheck check, Delivery delivery, Ipv4Address to) {
        PlanSketch sketch = new PlanSketch("Two computers");
        for (int i = 0; i < CABLES; i++) {
            sketch.segment("s" + i, "Segment " + i, "10.0.0.0/8", false, false);
        }
        Protocol protocol = delivery == Delivery.MULTICAST ? Protocol.SACN : Protocol.ARTNET;
        sketch.host(
                "a", "A", HostKind.COMPUTER, "", OperatingSystem.LINUX, "none", adapters("a", rig.a(), rig.gatewayA()));
        sketch.host(
                        "b",
                        "B",
                        HostKind.COMPUTER,
                        "",
                        OperatingSystem.LINUX,
                        "none",
                        adapters("b", rig.b(), rig.gatewayB()))
                .withHost(h -> h.withSourceCheck(check));
        sketch.application("tx", "Sender", "a", ApplicationKind.CONSOLE, "", Map.of(Purpose.sending(protocol), "a.n0"));
        sketch.application("rx", "Receiver", "b", ApplicationKind.NODE, "", Map.of())
                .with(a -> a.withBinding(Purpose.listening(protocol), Setting.of(Binding.ALL)));
        sketch.universe("u", "One", 1);
        sketch.stream("s", "tx", "u", protocol, delivery, 100, false);
        sketch.receiver(
                "r",
                "Receiver",
                "rx",
                Set.of(protocol),
                List.of(PlanSketch.port("p", "Port", PortKind.DMX, protocol, 1, "u")));
        Plan plan = sketch.plan();
        if (delivery == Delivery.UNICAST) {
            plan = plan.withStream(new StreamId("s"), s -> s.withDelivery(delivery, List.of(to)));
        }
        return new SignalPaths(plan).ofUniverse(new UniverseId("u")).paths().get(0);
    }

    private static Adapter[] adapters(String host, List<HostAddress> addresses, Optional<Ipv4Address> gateway) {
        List<Adapter> adapters = new ArrayList<>();
        for (int i = 0; i < addresses.size(); i++) {
            Adapter adapter =
                    PlanSketch.adapter(host, "n" + i, "s" + i, addresses.get(i).toString());
            adapters.add(i == 0 ? adapter.withGateway(gateway) : adapter);
        }
        return adapters.toArray(Adapter[]::new);
    }
}
