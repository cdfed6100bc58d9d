package zentrel.speed;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.IntFunction;
import java.util.function.Supplier;
import zentrel.check.Check;
import zentrel.check.Report;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.path.SignalPaths;
import zentrel.plan.AdapterAddress;
import zentrel.plan.AddressOrigin;
import zentrel.plan.Break;
import zentrel.plan.Kind;
import zentrel.plan.Plan;
import zentrel.plan.Setting;

/** The largest rig there may be: how long a full check takes, one edit, one path, and what the open plan takes of memory. */
final class WholeSpeed {
    private static final int WARM = 6;
    private static final int WARM_EDITS = 20;
    private static final int COUNTED = 5;

    private WholeSpeed() {}

    static void print() {
        double eighth = check(LargePlan.whole(8));
        long empty = used();
        Plan plan = LargePlan.whole(1);
        double whole = check(plan);
        Report report = Check.run(plan);
        report.paths(); // the open plan keeps its report
        long open = used() - empty;
        System.out.printf(
                Locale.ROOT,
                "the largest rig: %d hosts, %d universes, %d fixtures: full check %.0f ms warm (median of %d), %.1f times an eighth of it; the open plan with its findings takes %d MB%n",
                plan.hosts().size(),
                plan.universes().size(),
                plan.fixtures().size(),
                whole,
                COUNTED,
                whole / eighth,
                open / 1_000_000);
        double edit = 0;
        StringBuilder each = new StringBuilder();
        for (Map.Entry<String, IntFunction<Plan>> e : edits(plan).entrySet()) {
            int[] next = {1};
            double took = timed(
                    WARM_EDITS,
                    () -> Check.after(report, e.getValue().apply(next[0]++))
                            .findings()
                            .size());
            each.append(String.format(Locale.ROOT, "; %s %.0f ms", e.getKey(), took));
            edit = Math.max(edit, took);
        }
        SignalPaths paths = report.signalPaths();
        int[] fixture = {100};
        double path = timed(
                WARM,
                () -> paths.ofFixture(Kind.FIXTURE.id("f" + fixture[0]++ + ".0"))
                        .paths()
                        .size());
        System.out.printf(
                Locale.ROOT,
                "the largest rig: after one edit %.0f ms at most (medians%s), path of one fixture %.3f ms%n",
                edit,
                each,
                path);
    }

    /** One edit of each common kind, a little different each time: a number, a priority, an address, a start. */
    private static Map<String, IntFunction<Plan>> edits(Plan plan) {
        Map<String, IntFunction<Plan>> edits = new LinkedHashMap<>();
        edits.put("a port's number", i -> plan.with(Kind.PORT.id("node77.p1"), p -> p.withWire(i)));
        edits.put("a stream's priority", i -> plan.with(Kind.STREAM.id("s77"), s -> s.withPriority(i)));
        edits.put(
                "an address",
                i -> plan.with(
                        Kind.ADAPTER.id("node77.net"),
                        a -> a.withAddress(
                                0,
                                new AdapterAddress(
                                        Setting.of(new HostAddress(Ipv4Address.of(10, 77, 1, i), 8)),
                                        AddressOrigin.MANUAL))));
        edits.put(
                "a fixture's start",
                i -> plan.with(
                        Kind.FIXTURE.id("f77.0"), f -> f.withBreak(0, new Break(Kind.UNIVERSE.id("u77"), i, 36))));
        return edits;
    }

    private static double check(Plan plan) {
        return timed(WARM, () -> Check.run(plan).findings().size());
    }

    /** The median of some runs after others that do not count, in milliseconds. */
    private static double timed(int warm, Supplier<Integer> work) {
        List<Long> times = new ArrayList<>();
        long sum = 0;
        for (int i = 0; i < warm + COUNTED; i++) {
            long from = System.nanoTime();
            sum += work.get();
            times.add(System.nanoTime() - from);
        }
        if (sum < 0) {
            throw new IllegalStateException("Never: it keeps the work from being left out.");
        }
        return times.subList(warm, warm + COUNTED).stream()
                        .mapToLong(Long::longValue)
                        .sorted()
                        .skip(COUNTED / 2)
                        .findFirst()
                        .orElse(0)
                / 1e6;
    }

    private static long used() {
        for (int i = 0; i < 3; i++) {
            System.gc();
        }
        Runtime runtime = Runtime.getRuntime();
        return runtime.totalMemory() - runtime.freeMemory();
    }
}
