package zentrel.speed;

import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;
import zentrel.check.Check;
import zentrel.check.Report;
import zentrel.gear.DeviceFactory;
import zentrel.gear.Library;
import zentrel.path.PathReport;
import zentrel.path.SignalPaths;
import zentrel.plan.Kind;
import zentrel.plan.Plan;
import zentrel.profile.Profile;

/** Full check, and the path of one fixture, warm. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
@Fork(1)
@Warmup(iterations = 15, time = 1)
@Measurement(iterations = 5, time = 1)
@SuppressWarnings("NullAway.Init")
public class PlanBenchmark {
    private static final Library LIBRARY = Library.shipped();
    private static final Profile NODE = LIBRARY.find("house/node-4").orElseThrow();

    /** 500 hosts, 2,000 universes, 10,000 fixtures; and a quarter of each. */
    @Param({"125", "500"})
    public int hosts;

    private Plan plan;
    private SignalPaths paths;
    private Plan open;
    private Report report;
    private int next;

    @Setup
    public void setUp() {
        plan = LargePlan.of(hosts);
        paths = new SignalPaths(plan);
        open = DeviceFactory.boxes(plan, LIBRARY, NODE, 1, "", "")
                .edit()
                .applyTo(plan); // the plan carries the profile by then
        report = Check.run(open);
    }

    /** A plan that was not looked at before: no index, no judged path. */
    @Benchmark
    public Report fullCheck() {
        return Check.run(plan.withName("Large " + next++));
    }

    /** One box more in a plan that is open and checked, made from a profile, and the findings of the plan with it. */
    @Benchmark
    public Report oneMoreHost() {
        return Check.after(
                report,
                DeviceFactory.boxes(open, LIBRARY, NODE, 1, "", "").edit().applyTo(open));
    }

    /** Another fixture each time, in a plan that is open. */
    @Benchmark
    public PathReport pathOfOneFixture() {
        next = (next + 7) % 400;
        return paths.ofFixture(Kind.FIXTURE.id("f" + (1 + next) + ".2"));
    }
}
