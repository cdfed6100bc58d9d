package zentrel.speed;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.function.Supplier;
import zentrel.check.Check;
import zentrel.check.Report;
import zentrel.path.SignalPaths;
import zentrel.plan.FixtureId;
import zentrel.plan.Plan;
import zentrel.plan.PortId;

/** The largest rig there may be: how long a full check takes, one edit, one path, and what the open plan takes of memory. */
final class WholeSpeed {
    private static final int WARM = 6;
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
        PortId port = new PortId("node77.p1");
        int[] next = {1};
        double edit = timed(() -> {
            Plan edited = plan.withPort(port, p -> p.withWire(next[0]++));
            return Check.after(report, edited).findings().size();
        });
        SignalPaths paths = report.signalPaths();
        int[] fixture = {100};
        double path = timed(() -> paths.ofFixture(new FixtureId("f" + fixture[0]++ + ".0"))
                .paths()
                .size());
        System.out.printf(
                Locale.ROOT, "the largest rig: after one edit %.0f ms, path of one fixture %.3f ms%n", edit, path);
    }

    private static double check(Plan plan) {
        return timed(() -> Check.run(plan).findings().size());
    }

    /** The median of some runs after others that do not count, in milliseconds. */
    private static double timed(Supplier<Integer> work) {
        List<Long> times = new ArrayList<>();
        long sum = 0;
        for (int i = 0; i < WARM + COUNTED; i++) {
            long from = System.nanoTime();
            sum += work.get();
            times.add(System.nanoTime() - from);
        }
        if (sum < 0) {
            throw new IllegalStateException("Never: it keeps the work from being left out.");
        }
        return times.subList(WARM, WARM + COUNTED).stream()
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
