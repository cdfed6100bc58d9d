package zentrel.speed;

import com.sun.management.OperatingSystemMXBean;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.lang.management.ManagementFactory;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Locale;
import java.util.UUID;
import java.util.concurrent.TimeUnit;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.live.StreamSeen;
import zentrel.live.StreamWatch;
import zentrel.net.Guarded;
import zentrel.net.NetAdapter;
import zentrel.net.NetHost;
import zentrel.net.OutputGuard;
import zentrel.net.real.RealNet;
import zentrel.net.sim.HostTraits;
import zentrel.net.sim.SimHost;
import zentrel.net.sim.SimNet;
import zentrel.net.sim.SimSwitch;
import zentrel.net.sim.SwitchTraits;
import zentrel.plan.Delivery;
import zentrel.profile.Protocol;
import zentrel.standin.ConsoleSpec;
import zentrel.standin.ConsoleStandin;
import zentrel.standin.ConsoleStream;
import zentrel.standin.LevelStandin;
import zentrel.standin.StandinPort;
import zentrel.standin.StandinSite;

/**
 * Receiving and sending on loopback beside plain C programs (speed/src/main/c), in turns, and how fast simulated time passes. The CPU time
 * of Zentrel is that of its whole process, with compiler and collector.
 */
final class WireSpeed {
    private static final int PAIRS = 5;
    private static final int UNIVERSES = 512;
    private static final double RATE = 44;
    private static final Ipv4Address HERE = Ipv4Address.parse("127.98.0.1");
    private static final Ipv4Address THERE = Ipv4Address.parse("127.98.0.2");
    private static final Ipv4Address SENDER = Ipv4Address.parse("127.98.0.3");

    private final Path receive;
    private final Path send;

    private WireSpeed(Path receive, Path send) {
        this.receive = receive;
        this.send = send;
    }

    static void print(Path home) throws IOException, InterruptedException {
        simulated();
        Path folder = Files.createTempDirectory("zentrel-speed");
        Path sources = home.resolve("speed/src/main/c");
        Path receive = compiled(sources.resolve("receive.c"), folder.resolve("receive"));
        Path send = compiled(sources.resolve("send.c"), folder.resolve("send"));
        WireSpeed speed = new WireSpeed(receive, send);
        speed.receiving("paced, 22,528/s", 220, RATE, 0);
        speed.receiving("in bursts of 512", 220, RATE, 1);
        speed.receiving("flat out", 1500, 0, 1);
        speed.sending();
    }

    private static Path compiled(Path source, Path program) throws IOException, InterruptedException {
        Process cc = new ProcessBuilder("cc", "-O2", "-o", program.toString(), source.toString())
                .inheritIO()
                .start();
        if (cc.waitFor() != 0) {
            throw new IOException("The C program " + source + " was not compiled.");
        }
        return program;
    }

    private static Process start(Object... command) throws IOException {
        return new ProcessBuilder(Arrays.stream(command).map(String::valueOf).toList())
                .redirectError(ProcessBuilder.Redirect.INHERIT)
                .start();
    }

    private static BufferedReader said(Process process) {
        return new BufferedReader(new InputStreamReader(process.getInputStream(), StandardCharsets.UTF_8));
    }

    private static double[] numbers(String line) {
        return Arrays.stream(String.valueOf(line).split(" ", -1))
                .mapToDouble(Double::parseDouble)
                .toArray();
    }

    private static double median(List<Double> values) {
        List<Double> sorted = new ArrayList<>(values);
        Collections.sort(sorted);
        return sorted.get(sorted.size() / 2);
    }

    private static double cpuSeconds() {
        return ((OperatingSystemMXBean) ManagementFactory.getOperatingSystemMXBean()).getProcessCpuTime() / 1e9;
    }

    // --- receiving ---

    /** One run: packets, lost, CPU seconds. */
    private record Received(double packets, double lost, double cpu) {
        double microsAPacket() {
            return cpu / packets * 1e6;
        }
    }

    private void receiving(String how, int frames, double rate, int burst) throws IOException, InterruptedException {
        zentrel(frames, rate, burst); // warm
        List<Double> ratios = new ArrayList<>();
        List<Double> ours = new ArrayList<>();
        List<Double> theirs = new ArrayList<>();
        double lost = 0;
        double lostInC = 0;
        for (int pair = 0; pair < PAIRS; pair++) {
            Received c = plain(frames, rate, burst);
            Received z = zentrel(frames, rate, burst);
            ours.add(z.microsAPacket());
            theirs.add(c.microsAPacket());
            ratios.add(z.microsAPacket() / c.microsAPacket());
            lost += z.lost();
            lostInC += c.lost();
        }
        System.out.printf(
                Locale.ROOT,
                "receive  %-18s CPU a packet %.2f µs with levels and statistics, C recvfrom %.2f µs: %.2f times;"
                        + " lost %.0f, C %.0f%n",
                how,
                median(ours),
                median(theirs),
                median(ratios),
                lost,
                lostInC);
    }

    private Received plain(int frames, double rate, int burst) throws IOException, InterruptedException {
        Process receiver = start(receive, THERE, 6454);
        try (BufferedReader heard = said(receiver)) {
            String unused = heard.readLine(); // ready
            start(send, THERE, 6454, frames, rate, burst).waitFor();
            double[] n = numbers(heard.readLine());
            receiver.waitFor();
            return new Received(n[0], n[1], n[2]);
        }
    }

    private Received zentrel(int frames, double rate, int burst) throws IOException, InterruptedException {
        RealNet net = new RealNet();
        try (NetHost host = new Guarded(net, new OutputGuard(OutputGuard.State.LISTEN));
                StreamWatch watch = new StreamWatch(host, net.require(HERE))) {
            watch.start(List.of());
            double before = cpuSeconds();
            start(send, HERE, 6454, frames, rate, burst).waitFor();
            TimeUnit.MILLISECONDS.sleep(200);
            double cpu = cpuSeconds() - before;
            List<StreamSeen> seen = watch.found().streams();
            double packets = seen.stream().mapToLong(StreamSeen::packets).sum();
            double lost = seen.stream().mapToLong(StreamSeen::lost).sum();
            return new Received(packets, lost, cpu);
        }
    }

    // --- sending ---

    private void sending() throws IOException, InterruptedException {
        List<Double> cores = new ArrayList<>();
        List<Double> median = new ArrayList<>();
        List<Double> p99 = new ArrayList<>();
        List<Double> medianC = new ArrayList<>();
        List<Double> p99C = new ArrayList<>();
        List<Double> coresC = new ArrayList<>();
        for (int pair = 0; pair <= PAIRS; pair++) {
            Process receiver = start(receive, THERE, 6454, Math.round(1e9 / RATE));
            try (BufferedReader heard = said(receiver)) {
                String unused = heard.readLine(); // ready
                Process sender = start(send, THERE, 6454, 5 * (int) RATE, RATE, 1);
                double[] sent = numbers(said(sender).readLine());
                double[] n = numbers(heard.readLine());
                coresC.add(sent[2] / sent[1]);
                medianC.add(n[3]);
                p99C.add(n[4]);
            }
            receiver = start(receive, THERE, 6454, Math.round(1e9 / RATE));
            try (BufferedReader heard = said(receiver)) {
                String unused = heard.readLine(); // ready
                double used = console(5);
                double[] n = numbers(heard.readLine());
                if (pair > 0) { // the first is warm-up
                    cores.add(used);
                    median.add(n[3]);
                    p99.add(n[4]);
                }
            }
        }
        System.out.printf(
                Locale.ROOT,
                "send     512 universes at 44/s: %.2f of a core, C %.2f; period error median %.2f ms, p99 %.2f ms, C %.2f and"
                        + " %.2f ms%n",
                median(cores),
                median(coresC),
                median(median),
                median(p99),
                median(medianC),
                median(p99C));
    }

    /** Sends for some seconds; gives the part of a core that it took. */
    private static double console(int seconds) throws IOException, InterruptedException {
        List<ConsoleStream> streams = new ArrayList<>();
        for (int u = 0; u < UNIVERSES; u++) {
            streams.add(
                    new ConsoleStream("u" + u, Protocol.ARTNET, u, Delivery.UNICAST, List.of(THERE), 100, RATE, false));
        }
        RealNet net = new RealNet();
        try (NetHost host = new Guarded(net, OutputGuard.armed(RealNet.loopbackName()));
                ConsoleStandin console = new ConsoleStandin(
                        new StandinSite(host, net.require(SENDER)),
                        new ConsoleSpec("Speed", new UUID(1, 2), streams, true),
                        e -> {})) {
            double before = cpuSeconds();
            long start = System.nanoTime();
            console.start();
            TimeUnit.SECONDS.sleep(seconds);
            return (cpuSeconds() - before) / ((System.nanoTime() - start) / 1e9);
        }
    }

    // --- simulated time ---

    private static void simulated() throws IOException {
        List<Double> times = new ArrayList<>();
        for (int run = 0; run < PAIRS; run++) {
            long start = System.nanoTime();
            SimNet net = rig();
            net.pass(TimeUnit.SECONDS.toNanos(300));
            times.add((System.nanoTime() - start) / 1e9);
        }
        System.out.printf(
                Locale.ROOT,
                "simulate 300 s of 50 computers and 100 universes: %.2f s (the first time %.2f s)%n",
                median(times),
                times.get(0));
    }

    /** Two desks with 50 universes each, by group and to those found, and 48 nodes that take two of them. */
    private static SimNet rig() throws IOException {
        SimNet net = new SimNet(1);
        SimSwitch box = net.addSwitch("switch", SwitchTraits.PLAIN);
        for (int node = 0; node < 48; node++) {
            List<StandinPort> ports = List.of(
                    new StandinPort("s", Protocol.SACN, 1 + node, true, true),
                    new StandinPort("a", Protocol.ARTNET, 100 + node, true, true));
            new LevelStandin(site(net, box, "10.0.1." + (1 + node)), "Node " + node, ports, true, e -> {}).start();
        }
        for (int desk = 0; desk < 2; desk++) {
            List<ConsoleStream> streams = new ArrayList<>();
            for (int u = 0; u < 50; u++) {
                streams.add(
                        desk == 0
                                ? new ConsoleStream(
                                        "s" + u, Protocol.SACN, 1 + u, Delivery.MULTICAST, List.of(), 100, 44, false)
                                : new ConsoleStream(
                                        "a" + u, Protocol.ARTNET, 100 + u, Delivery.FOUND, List.of(), 100, 44, false));
            }
            new ConsoleStandin(
                            site(net, box, "10.0.0." + (1 + desk)),
                            new ConsoleSpec("Desk", new UUID(7, desk), streams, false),
                            e -> {})
                    .start();
        }
        return net;
    }

    private static StandinSite site(SimNet net, SimSwitch box, String address) {
        SimHost host = net.addHost(address, HostTraits.LINUX);
        HostAddress own = HostAddress.parse(address + "/16");
        net.cable(
                address + " cable",
                host.addAdapter(address + " net", "net", false).with(own),
                box.socket(address + " socket", 0, false),
                true);
        NetHost program = host.program(address + " program");
        NetAdapter adapter = program.adapterAt(own.address()).orElseThrow();
        return new StandinSite(program, adapter);
    }
}
