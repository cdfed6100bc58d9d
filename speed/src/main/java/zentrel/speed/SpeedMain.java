package zentrel.speed;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.infra.BenchmarkParams;
import org.openjdk.jmh.results.RunResult;
import org.openjdk.jmh.runner.Runner;
import org.openjdk.jmh.runner.RunnerException;
import org.openjdk.jmh.runner.options.OptionsBuilder;
import org.openjdk.jmh.runner.options.VerboseMode;
import zentrel.file.LoadedPlan;
import zentrel.file.PlanFile;
import zentrel.file.PlanFileException;
import zentrel.plan.Plan;
import zentrel.text.Version;

/** Measures and prints: machine, JVM, check and path by JMH, packets beside plain C, the start of the window beside a trivial one. */
public final class SpeedMain {
    private static final String VERSION = Version.current();
    private static final int PAIRS = 11;

    /** What ./zentrel starts the window with, for both programs alike. */
    private static final List<String> STARTING = List.of(
            "-XX:NewSize=96m",
            "-XX:Tier4InvocationThreshold=40000",
            "-XX:Tier4MinInvocationThreshold=5000",
            "-XX:Tier4CompileThreshold=120000",
            "-XX:Tier4BackEdgeThreshold=320000");

    private SpeedMain() {}

    /** The first argument is the checkout; with others only those parts are measured: plans, whole, wire, sessions, cues, patch, pixels, lit, decoders, answers, drag, flow, windows. */
    public static void main(String[] args) throws RunnerException, IOException, InterruptedException {
        Path home = Path.of(args.length > 0 ? args[0] : ".");
        System.out.printf(
                Locale.ROOT,
                "machine  %s, %d processors, %s %s%n",
                cpu(),
                Runtime.getRuntime().availableProcessors(),
                System.getProperty("os.name"),
                System.getProperty("os.version"));
        System.out.printf(
                "JVM      %s %s%n", System.getProperty("java.vm.name"), System.getProperty("java.vm.version"));
        List<String> parts = args.length > 1 ? List.of(args).subList(1, args.length) : List.of();
        if (parts.isEmpty() || parts.contains("plans")) {
            plans();
        }
        if (parts.isEmpty() || parts.contains("whole")) {
            WholeSpeed.print();
        }
        if (parts.isEmpty() || parts.contains("wire")) {
            WireSpeed.print(home);
        }
        if (parts.isEmpty() || parts.contains("sessions")) {
            SessionSpeed.print();
        }
        if (parts.isEmpty() || parts.contains("patch")) {
            PatchSpeed.print();
        }
        if (parts.contains("lit")) { // JavaFX starts once in a process, and pixels start it
            LitSpeed.print();
        }
        if (parts.isEmpty() || parts.contains("pixels")) {
            PixelSpeed.print();
        }
        if (parts.isEmpty() || parts.contains("cues")) {
            CueSpeed.print();
        }
        if (parts.isEmpty() || parts.contains("decoders")) {
            DecoderFlood.print();
        }
        if (parts.isEmpty() || parts.contains("answers")) {
            answers(home);
        }
        if (parts.isEmpty() || parts.contains("drag")) {
            drag(home);
        }
        if (parts.isEmpty() || parts.contains("flow")) {
            flow(home);
        }
        if (parts.isEmpty() || parts.contains("windows")) {
            windows(home);
        }
    }

    private static String cpu() throws IOException {
        Path info = Path.of("/proc/cpuinfo");
        if (!Files.exists(info)) {
            return System.getProperty("os.arch");
        }
        return Files.readAllLines(info).stream()
                .filter(l -> l.startsWith("model name"))
                .findFirst()
                .map(l -> l.substring(l.indexOf(':') + 1).strip())
                .orElse(System.getProperty("os.arch"));
    }

    private static void plans() throws RunnerException {
        Collection<RunResult> results = new Runner(new OptionsBuilder()
                        .include(PlanBenchmark.class.getSimpleName())
                        .include(AddressBenchmark.class.getSimpleName())
                        .verbosity(VerboseMode.SILENT)
                        .shouldFailOnError(true)
                        .build())
                .run();
        Map<String, SortedMap<Integer, Double>> medians = new TreeMap<>();
        for (RunResult result : results) {
            BenchmarkParams params = result.getParams();
            double[] iterations = result.getBenchmarkResults().iterator().next().getIterationResults().stream()
                    .mapToDouble(r -> r.getPrimaryResult().getScore())
                    .sorted()
                    .toArray();
            double median = iterations[iterations.length / 2];
            String name = params.getBenchmark().substring(params.getBenchmark().lastIndexOf('.') + 1);
            boolean ofAddresses = params.getParam("hosts") == null;
            String hosts = ofAddresses ? params.getParam("adapters") : params.getParam("hosts");
            medians.computeIfAbsent(name, n -> new TreeMap<>()).put(Integer.valueOf(hosts), median);
            System.out.printf(
                    Locale.ROOT,
                    "%-18s %4s %s: %10.3f ms median of %d (%.3f to %.3f)%n",
                    name,
                    hosts,
                    ofAddresses ? "adapters" : "hosts",
                    median / 1000,
                    iterations.length,
                    iterations[0] / 1000,
                    iterations[iterations.length - 1] / 1000);
        }
        medians.forEach(SpeedMain::growth);
    }

    /** How many times longer each size takes than the one before. */
    private static void growth(String name, SortedMap<Integer, Double> bySize) {
        int small = 0;
        for (Map.Entry<Integer, Double> size : bySize.entrySet()) {
            if (small > 0) {
                System.out.printf(
                        Locale.ROOT,
                        "growth of %s from %d to %d: %.1f×%n",
                        name,
                        small,
                        size.getKey(),
                        size.getValue() / bySize.getOrDefault(small, 1.0));
            }
            small = size.getKey();
        }
    }

    // --- how the window answers ---

    /** The window with a plan of 500 hosts, to which boxes are added. */
    private static void answers(Path home) throws IOException, InterruptedException {
        String[] f = measured(home, LargePlan.of(500), "answers");
        System.out.printf(
                "adding the 501st device and more in the window: it answers after %s ms (median), %s ms (p99), %s ms (most; the same window at rest %s ms at p99); findings after %s ms (median), %s ms (p99)%n",
                f[1], f[2], f[3], f[8], f[5], f[6]);
    }

    /** The window with a pin that is dragged among 2,000 others on one ruler. */
    private static void drag(Path home) throws IOException, InterruptedException {
        String[] f = measured(home, AddressBenchmark.oneSegment(2000), "drag");
        System.out.printf(
                "dragging a pin among 2,000: the window answers after %s ms (median), %s ms (p99), %s ms (most), %s frames, %s places%n",
                f[1], f[2], f[3], f[5], f[7]);
    }

    /** The flow of 500 hosts: laid out with nothing folded, then panned and zoomed. */
    private static void flow(Path home) throws IOException, InterruptedException {
        String[] f = measured(home, LargePlan.of(500), "flow");
        System.out.printf(
                "flow of 500 hosts: laid out in %s ms warm with nothing folded; panned and zoomed as it is shown at %s frames/s, a frame %s ms (median), %s ms (p99), %s ms (most); with nothing folded %s frames/s, %s, %s, %s ms%n",
                f[1], f[2], f[3], f[4], f[5], f[6], f[7], f[8], f[9]);
    }

    /** Starts the window with a plan and an option to measure; what it prints under the option's name, in words. */
    private static String[] measured(Path home, Plan plan, String what) throws IOException, InterruptedException {
        Path folder = Files.createTempDirectory("zentrel-" + what);
        Path file = folder.resolve("plan.zentrel.json");
        try {
            PlanFile.save(LoadedPlan.of(plan), file);
        } catch (PlanFileException e) {
            throw new IOException(e);
        }
        List<String> command = new ArrayList<>(
                List.of(Path.of(System.getProperty("java.home"), "bin", "java").toString()));
        command.addAll(STARTING);
        command.addAll(List.of(
                "-Dprism.order=sw",
                "-Dzentrel.home=" + folder,
                "-cp",
                zentrelClasses(home) + ":" + home.resolve("speed/target/zentrel-speed-" + VERSION + ".jar"),
                "zentrel.app.MeasuredApp$Start",
                file.toString(),
                "--" + what));
        Process process = new ProcessBuilder(command)
                .redirectError(ProcessBuilder.Redirect.DISCARD)
                .start();
        String figures = "";
        try (BufferedReader out =
                new BufferedReader(new InputStreamReader(process.getInputStream(), StandardCharsets.UTF_8))) {
            for (String line = out.readLine(); line != null; line = out.readLine()) {
                figures = line.startsWith(what) ? line : figures;
            }
        }
        if (!process.waitFor(120, TimeUnit.SECONDS) || figures.isEmpty()) {
            process.destroy();
            throw new IOException("The window gave no figures: " + String.join(" ", command));
        }
        return figures.split(" ", -1);
    }

    // --- the start of the window ---

    private static void windows(Path home) throws IOException, InterruptedException {
        Path folder = Files.createTempDirectory("zentrel-speed");
        String trivialClasses = home.resolve("speed/target/zentrel-speed-" + VERSION + ".jar") + ":"
                + jars(home.resolve("speed/target/lib"), "javafx");
        List<String> zentrel = List.of(
                "-Dzentrel.home=" + folder,
                "-cp",
                zentrelClasses(home),
                "zentrel.app.Launcher",
                "demo:draft",
                "--once");
        List<String> trivial = List.of("-cp", trivialClasses, "zentrel.speed.TrivialWindow");
        start(folder.resolve("zentrel.jsa"), true, zentrel);
        start(folder.resolve("trivial.jsa"), true, trivial);
        List<Double> ours = new ArrayList<>();
        List<Double> theirs = new ArrayList<>();
        List<Double> times = new ArrayList<>();
        for (int i = 0; i < PAIRS; i++) {
            double a = start(folder.resolve("trivial.jsa"), false, trivial);
            double b = start(folder.resolve("zentrel.jsa"), false, zentrel);
            theirs.add(a);
            ours.add(b);
            times.add(b / a); // of one moment, for the machine is not equally fast at all times
        }
        System.out.printf(
                Locale.ROOT,
                "first window, both with an AppCDS archive, medians of %d pairs: trivial %.0f ms, Zentrel with the demo and its findings %.0f ms, in a pair %.2f×%n",
                PAIRS,
                median(theirs),
                median(ours),
                median(times));
    }

    /** The class path that ./zentrel starts the window with. */
    private static String zentrelClasses(Path home) throws IOException {
        Path libraries = home.resolve("app/target/lib");
        return home.resolve("app/target/zentrel-app-" + VERSION + ".jar") + ":"
                + libraries.resolve("zentrel-core-" + VERSION + ".jar") + ":" + jars(libraries, "");
    }

    private static String jars(Path folder, String begin) throws IOException {
        try (var files = Files.list(folder)) {
            return String.join(
                    ":",
                    files.filter(f -> f.getFileName().toString().startsWith(begin))
                            .map(Path::toString)
                            .filter(f -> f.endsWith(".jar"))
                            .sorted()
                            .toList());
        }
    }

    private static double median(List<Double> values) {
        double[] sorted =
                values.stream().mapToDouble(Double::doubleValue).sorted().toArray();
        return sorted[sorted.length / 2];
    }

    /** Milliseconds from starting the process to its word that the window is there. */
    private static long start(Path archive, boolean make, List<String> arguments)
            throws IOException, InterruptedException {
        List<String> command = new ArrayList<>(Arrays.asList(
                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                (make ? "-XX:ArchiveClassesAtExit=" : "-XX:SharedArchiveFile=") + archive,
                "-Xlog:cds=off",
                "-Xlog:cds+dynamic=off",
                "-Dprism.order=sw"));
        command.addAll(STARTING);
        command.addAll(arguments);
        long from = System.nanoTime();
        Process process = new ProcessBuilder(command)
                .redirectError(ProcessBuilder.Redirect.DISCARD)
                .start();
        long ready = -1;
        try (BufferedReader out =
                new BufferedReader(new InputStreamReader(process.getInputStream(), StandardCharsets.UTF_8))) {
            for (String line = out.readLine(); line != null; line = out.readLine()) {
                if (line.equals("ready")) {
                    ready = (System.nanoTime() - from) / 1_000_000;
                }
            }
        }
        if (!process.waitFor(60, TimeUnit.SECONDS) || ready < 0) {
            process.destroy();
            throw new IOException("The window did not come: " + String.join(" ", command));
        }
        return ready;
    }
}
