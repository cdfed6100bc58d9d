package zentrel.speed;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
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
import zentrel.address.AddressAllocation;
import zentrel.address.Scheme;
import zentrel.check.Check;
import zentrel.check.Report;
import zentrel.demo.PlanSketch;
import zentrel.plan.Adapter;
import zentrel.plan.AdapterAddress;
import zentrel.plan.Host;
import zentrel.plan.Kind;
import zentrel.plan.Plan;
import zentrel.plan.Segment;
import zentrel.profile.HostKind;
import zentrel.profile.OperatingSystem;

/** All rules over a plan of nothing but addresses, and addresses assigned, warm. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
@Fork(1)
@Warmup(iterations = 6, time = 1)
@Measurement(iterations = 5, time = 1)
@SuppressWarnings("NullAway.Init")
public class AddressBenchmark {
    private static final int SEGMENTS = 20;

    /** 5,000 adapters in 20 segments; a tenth of them, and ten times as many. */
    @Param({"500", "5000", "50000"})
    public int adapters;

    private Plan plan;
    private Plan bare;
    private int next;

    @Setup
    public void setUp() {
        PlanSketch sketch = new PlanSketch("Addresses");
        for (int s = 0; s < SEGMENTS; s++) {
            sketch.segment("s" + s, "Segment " + s, "10." + (s + 1) + ".0.0/16", false, false);
        }
        for (int i = 0; i < adapters; i++) {
            int s = i % SEGMENTS;
            int n = i / SEGMENTS;
            sketch.host(
                    "h" + i,
                    "Box " + i,
                    HostKind.NODE,
                    "",
                    OperatingSystem.FIRMWARE,
                    "none",
                    PlanSketch.adapter(
                            "h" + i, "Net", "s" + s, "10." + (s + 1) + "." + (n / 200) + "." + (1 + n % 200) + "/16"));
        }
        plan = sketch.plan();
        List<Host> hosts = new ArrayList<>(plan.hosts());
        hosts.replaceAll(h -> h.withAdapters(
                h.adapters().stream().map(a -> a.withAddresses(List.of())).toList()));
        bare = plan.with(Kind.HOST, hosts);
    }

    /**
     * Only to look at each address once, which no rule can do without: how the time of this grows is how the machine's memory
     * grows slower, and what the growth of the others is to be held against.
     */
    @Benchmark
    public int walk() {
        int sum = 0;
        for (Host host : plan.hosts()) {
            for (Adapter adapter : host.adapters()) {
                for (AdapterAddress address : adapter.addresses()) {
                    sum += address.inForce().hashCode();
                }
            }
        }
        return sum;
    }

    /** Every rule, most of which find nothing to look at here. */
    @Benchmark
    public Report rulesOverAddresses() {
        return Check.run(plan.withName("Addresses " + next++));
    }

    /** An address for every adapter, and the plan that comes of it. */
    @Benchmark
    public Plan giveOut() {
        Plan at = bare.withName("Addresses " + next++);
        return AddressAllocation.of(
                        at,
                        at.segments().stream().map(Segment::id).toList(),
                        new Scheme.ByKind(0),
                        false,
                        Optional.empty())
                .readdressing()
                .edit()
                .applyTo(at);
    }

    /** Boxes that share one segment, ten to an octet so that the ruler is full from end to end. */
    static Plan oneSegment(int boxes) {
        PlanSketch sketch = new PlanSketch("One segment").segment("s", "Segment", "10.1.0.0/16", false, false);
        for (int i = 0; i < boxes; i++) {
            sketch.host(
                    "h" + i,
                    "Box " + i,
                    HostKind.NODE,
                    "",
                    OperatingSystem.FIRMWARE,
                    "none",
                    PlanSketch.adapter("h" + i, "Net", "s", "10.1." + (i / 10) + "." + (1 + i % 10) + "/16"));
        }
        return sketch.plan();
    }
}
