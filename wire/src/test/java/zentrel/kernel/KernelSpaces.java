package zentrel.kernel;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import java.util.function.Consumer;
import zentrel.Witnesses;
import zentrel.plan.SourceCheck;

/**
 * Network namespaces of a test's own, each a computer of its own to the kernel, with virtual cables between them and a program in
 * each. Where they are not allowed the test is skipped with the reason.
 */
final class KernelSpaces {
    private final List<String> names;
    private final List<Peer> peers = new ArrayList<>();
    private final List<Capture> captures = new ArrayList<>();

    KernelSpaces(String... names) {
        this.names = List.of(names);
    }

    /** The kernel's name for a space, which no other test has. */
    private static String space(String name) {
        return "zentrel-" + name + "-" + ProcessHandle.current().pid();
    }

    void make() throws IOException, InterruptedException {
        Witnesses.need(Files.exists(Path.of("/sys/class/net")), "This is no Linux, so there is no such kernel to ask.");
        try {
            for (String name : names) {
                String made = run("", "ip", "netns", "add", space(name));
                Witnesses.need(made.isEmpty(), "Network namespaces are not allowed here: " + made);
                String entered = run("", "ip", "netns", "exec", space(name), "true");
                Witnesses.need(entered.isEmpty(), "Network namespaces cannot be entered here: " + entered);
                ip(name, "link set lo up\n");
            }
        } catch (IOException e) {
            Witnesses.need(false, "The command ip (Debian package iproute2) is missing: " + e.getMessage());
        }
    }

    /** A cable from an adapter in one space to an adapter in another, both made for it and switched on. */
    void cable(String from, String adapter, String to, String other) throws IOException, InterruptedException {
        String made = run(
                "link add " + adapter + " type veth peer name " + other + " netns " + space(to) + "\nlink set "
                        + adapter + " up\n",
                "ip",
                "-n",
                space(from),
                "-batch",
                "-");
        Witnesses.need(made.isEmpty(), "No pairs of virtual adapters can be made here: " + made);
        ip(to, "link set " + other + " up\n");
    }

    /** Lines for the command {@code ip} in a space. */
    void ip(String name, String batch) throws IOException, InterruptedException {
        assertThat(run(batch, "ip", "-n", space(name), "-batch", "-")).as(batch).isEmpty();
    }

    /** How the adapters of a space check where packets come from. */
    void checkSources(String name, SourceCheck check) throws IOException, InterruptedException {
        // from RFC 3704 to the kernel's own numbers (ip-sysctl): 0 no check, 1 strict, 2 loose
        int number = switch (check) {
            case NONE -> 0;
            case LOOSE -> 2;
            case STRICT -> 1;
        };
        set(
                name,
                "cd /proc/sys/net/ipv4/conf; for f in */rp_filter; do echo " + number
                        + " > $f; done; echo 0 > all/rp_filter");
    }

    /** Lets a space pass packets on from adapter to adapter. */
    void forward(String name) throws IOException, InterruptedException {
        set(name, "echo 1 > /proc/sys/net/ipv4/ip_forward");
    }

    /** Lets a space send 127/8 by its real adapters, as some machines are set up. */
    void localNet(String name) throws IOException, InterruptedException {
        set(name, "for f in /proc/sys/net/ipv4/conf/*/route_localnet; do echo 1 > $f; done");
    }

    /** Lines for the command {@code ip} that may find nothing to do. */
    void forget(String name, String batch) throws IOException, InterruptedException {
        run(batch, "ip", "-n", space(name), "-force", "-batch", "-");
    }

    /** A capture of UDP at an adapter of a space, from outside of any program of ours; each packet's content is a line. */
    Capture capture(String name, String adapter) throws IOException, InterruptedException {
        Capture capture = new Capture(space(name), adapter);
        captures.add(capture);
        return capture;
    }

    private void set(String name, String shell) throws IOException, InterruptedException {
        assertThat(run(shell + "\n", "ip", "netns", "exec", space(name), "sh")).isEmpty();
    }

    /** A program in a space; it ends when the spaces are removed. */
    Peer peer(String name) throws IOException {
        Peer peer = new Peer(space(name));
        peers.add(peer);
        return peer;
    }

    void remove() throws IOException, InterruptedException {
        for (Peer peer : peers) {
            peer.end();
        }
        for (Capture capture : captures) {
            capture.process.destroy();
        }
        try {
            for (String name : names) {
                run("", "ip", "netns", "del", space(name));
            }
        } catch (IOException e) {
            assertThat(e).as("without the command ip no namespace was made").hasMessageContaining("ip");
        }
    }

    private static String run(String input, String... command) throws IOException, InterruptedException {
        Process process = new ProcessBuilder(command).redirectErrorStream(true).start();
        process.getOutputStream().write(input.getBytes(StandardCharsets.UTF_8));
        process.getOutputStream().close();
        String text = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        return process.waitFor(20, TimeUnit.SECONDS) && process.exitValue() == 0 ? "" : "failed: " + text;
    }

    /** What tshark sees at one adapter. */
    static final class Capture {
        private final Process process;
        private final Set<String> seen = ConcurrentHashMap.newKeySet();

        private Capture(String space, String adapter) throws IOException, InterruptedException {
            process = new ProcessBuilder(
                            "ip",
                            "netns",
                            "exec",
                            space,
                            "tshark",
                            "-l",
                            "-n",
                            "-i",
                            adapter,
                            "-f",
                            "udp",
                            "-T",
                            "fields",
                            "-e",
                            "udp.payload")
                    .start();
            CountDownLatch started = new CountDownLatch(1);
            reader(process.getErrorStream(), line -> {
                if (line.contains("Capturing on")) {
                    started.countDown();
                }
            });
            reader(
                    process.getInputStream(),
                    line -> seen.add(new String(
                            HexFormat.of().parseHex(line.strip().replace(":", "")), StandardCharsets.UTF_8)));
            assertThat(started.await(20, TimeUnit.SECONDS))
                    .as("tshark captures")
                    .isTrue();
        }

        private static void reader(InputStream in, Consumer<String> each) {
            Thread thread = new Thread(() -> new BufferedReader(new InputStreamReader(in, StandardCharsets.UTF_8))
                    .lines()
                    .forEach(each));
            thread.setDaemon(true);
            thread.start();
        }

        /** The contents of all packets so far. */
        Set<String> seen() {
            return seen;
        }
    }

    /** A process in a namespace, spoken to line by line. */
    static final class Peer {
        private final Process process;
        private final PrintStream to;
        private final BlockingQueue<String> lines = new LinkedBlockingQueue<>();

        private Peer(String space) throws IOException {
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

        /** Says a line and gives what is answered before it is done; empty where there is no answer. */
        Optional<String> ask(String line) throws InterruptedException {
            to.println(line);
            Optional<String> said = Optional.empty();
            for (int i = 0; i < 50; i++) {
                String answer = lines.poll(5, TimeUnit.SECONDS);
                if (answer == null || answer.equals("done")) {
                    return said;
                }
                said = Optional.of(answer);
                if (answer.startsWith("failed")) {
                    return said;
                }
            }
            return said;
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

        private void end() throws InterruptedException {
            to.close(); // it ends with its input
            if (!process.waitFor(5, TimeUnit.SECONDS)) {
                process.destroy();
            }
        }
    }
}
