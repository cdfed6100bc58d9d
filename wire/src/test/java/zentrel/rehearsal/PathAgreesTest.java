package zentrel.rehearsal;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.function.Predicate;
import org.junit.jupiter.api.Test;
import zentrel.path.Hop;
import zentrel.path.HopKind;
import zentrel.path.Issue;
import zentrel.path.Reason;
import zentrel.path.SignalPath;
import zentrel.path.SignalPaths;
import zentrel.path.Verdict;
import zentrel.path.fix.PathFixes;
import zentrel.plan.Delivery;
import zentrel.plan.Edit;
import zentrel.plan.Id;
import zentrel.plan.Kind;
import zentrel.plan.Plan;
import zentrel.plan.Port;
import zentrel.plan.Stream;

/**
 * The path says where a signal ends; the rehearsal sends it and sees. On random rigs with up to three faults the two agree, at the start
 * and again after each repair, until everything arrives.
 */
class PathAgreesTest {
    private static final int RIGS = Integer.getInteger("zentrel.rigs", 1500);
    private static final int MOST_REPAIRS = 12;
    private static final double SECONDS = 6;

    private record Flow(Plan plan, Stream stream, Port port, SignalPath path) {}

    private final Map<Reason, Integer> met = new LinkedHashMap<>();
    private int flows;
    private int repairs;
    private int anotherOfSeveral;

    @Test
    void pathAndRehearsalEndAtOnePlace() throws Exception {
        List<String> differing = new ArrayList<>();
        for (int seed = 1; seed <= RIGS; seed++) {
            Random random = new Random(seed * 31L);
            Plan plan = RandomRig.of(seed);
            List<Fault> faults = new ArrayList<>();
            for (int i = random.nextInt(4); i > 0; i--) {
                Fault fault = Fault.one(List.of(Fault.values()), random);
                faults.add(fault);
                plan = fault.done(plan, random);
            }
            for (int step = 0; step <= MOST_REPAIRS; step++) {
                Optional<Plan> repaired = compare(plan, seed + " " + faults + " step " + step, differing);
                if (repaired.isEmpty()) {
                    break;
                }
                repairs++;
                plan = repaired.get();
            }
        }
        System.getLogger(PathAgreesTest.class.getName())
                .log(
                        System.Logger.Level.DEBUG,
                        flows + " flows, " + repairs + " repairs, " + anotherOfSeveral
                                + " times another of several at one hop, endings " + met);
        assertThat(differing).isEmpty();
        assertThat(anotherOfSeveral).as("of %d", flows).isLessThan(flows / 100);
        assertThat(met).hasSizeGreaterThan(30);
    }

    /** Compares every flow; gives the plan with the first thing repaired that ends any, or nothing where all arrive. */
    private Optional<Plan> compare(Plan plan, String what, List<String> differing) throws Exception {
        Rehearsal rehearsal = new Rehearsal(plan, 1);
        rehearsal.run(SECONDS, done -> {});
        SignalPaths paths = new SignalPaths(plan);
        Optional<Plan> repaired = Optional.empty();
        for (Flow flow : flows(paths)) {
            flows++;
            Optional<Ending> ending = rehearsal.ending(flow.stream(), flow.port());
            ending.ifPresent(e -> met.merge(e.reason(), 1, Integer::sum));
            if (!agree(flow, ending)) {
                differing.add(
                        what + " " + flow.stream().id() + " → " + flow.port().id() + " ("
                                + flow.stream().delivery() + "): rehearsal "
                                + ending.map(Ending::toString).orElse("arrives")
                                + "; path " + issues(flow.path()));
            } else if (repaired.isEmpty()) {
                repaired = repair(plan, paths, flow.path());
            }
        }
        return repaired;
    }

    private static List<Flow> flows(SignalPaths paths) {
        List<Flow> flows = new ArrayList<>();
        Plan plan = paths.plan();
        plan.universes().forEach(u -> {
            for (SignalPath path : paths.ofUniverse(u.id()).paths()) {
                Optional<Stream> stream =
                        path.signal().flatMap(s -> s.as(Kind.STREAM)).flatMap(plan.index()::find);
                Optional<Port> port =
                        path.receiver().flatMap(r -> r.as(Kind.PORT)).flatMap(plan.index()::find);
                boolean itself = stream.isPresent()
                        && port.isPresent()
                        && plan.index()
                                .applicationOf(port.get().id())
                                .id()
                                .equals(stream.get().application()); // what a program sends to itself is no path
                if (stream.isPresent() && port.isPresent() && !itself) {
                    flows.add(new Flow(plan, stream.get(), port.get(), path));
                }
            }
        });
        return flows;
    }

    private static List<Hop> hops(SignalPath path) {
        return path.legs().get(path.legs().size() - 1).hops().stream()
                .filter(h -> h.kind() != HopKind.LEADS)
                .toList();
    }

    /**
     * Whether the path says that it ends there. Of several things broken in one hop the path may tell another (counted); and discovery
     * is a round trip: the path tells all of it at hop 4, while a poll that ends further on shows nothing of its answer.
     */
    private boolean agree(Flow flow, Optional<Ending> ending) {
        boolean lottery = ending.filter(e -> e.reason() == Reason.DUPLICATE).isPresent()
                && flow.path().issues().anyMatch(i -> i.reason() == Reason.DUPLICATE);
        boolean missed = ending.filter(e -> e.reason() == Reason.NOT_DELIVERED).isPresent()
                && flow.path().issues().anyMatch(i -> i.reason() == Reason.NOT_DELIVERED);
        if (lottery || missed) {
            // who gets it is settled before it is carried anywhere; and where the list names somebody else, the path
            // judges the hops
            // before for the address that is meant
            return true;
        }
        for (Hop hop : hops(flow.path())) {
            Optional<Issue> same = hop.issues().stream()
                    .filter(i -> ending.filter(e -> e.reason() == i.reason()).isPresent())
                    .findFirst();
            if (same.isPresent()) {
                return isPlace(flow, same.get(), ending.orElseThrow());
            }
            boolean roundTrip = flow.stream().delivery() == Delivery.FOUND
                    && hop.issues().stream()
                            .allMatch(i -> i.reason() == Reason.NO_ROUTE
                                    || i.reason() == Reason.REPLY_LOST
                                    || i.reason() == Reason.POLL_DIFFERS);
            if (hop.verdict() == Verdict.BROKEN && !roundTrip) {
                boolean sameHop = ending.isPresent() && ending.get().reason().hop() == hop.kind();
                anotherOfSeveral += sameHop ? 1 : 0;
                return sameHop;
            }
        }
        return ending.isEmpty();
    }

    /** Whether both mean one place: the sender, the receiver, or the very cable or box between. */
    private static boolean isPlace(Flow flow, Issue issue, Ending ending) {
        Plan plan = flow.plan();
        Predicate<Id<?>> isOf = app -> plan.index().hostAt(app).stream()
                .anyMatch(h -> new Layout(plan.index()).placesOf(h).contains(ending.place())
                        || ending.place().equals(PlanNet.place(flow.port().id())));
        return switch (issue.reason()) {
            case CABLE_OUT, PASSING_OFF -> ending.place().equals(PlanNet.place(issue.cause()));
            case DUPLICATE -> true; // it is at whoever else has the address
            default ->
                issue.reason().hop() == HopKind.CARRIED
                        || isOf.test(
                                issue.reason().hop().number() <= 4
                                        ? flow.stream().application()
                                        : flow.port().id())
                        || isOf.test(flow.port().id());
        };
    }

    private static List<String> issues(SignalPath path) {
        List<String> all = new ArrayList<>();
        hops(path)
                .forEach(h ->
                        h.issues().forEach(i -> all.add(h.kind().number() + " " + i.reason() + " " + i.verdict())));
        return all;
    }

    private static Optional<Plan> repair(Plan plan, SignalPaths paths, SignalPath path) {
        for (Hop hop : hops(path)) {
            for (Issue issue : hop.issues()) {
                if (issue.verdict() == Verdict.BROKEN) {
                    List<Edit> edits = new PathFixes(paths).of(issue);
                    if (!edits.isEmpty()) {
                        return Optional.of(edits.get(0).applyTo(plan));
                    }
                }
            }
        }
        return Optional.empty();
    }
}
