package zentrel.path;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import zentrel.plan.*;
import zentrel.profile.AdapterKind;
import zentrel.profile.HostKind;
import zentrel.profile.OperatingSystem;

/** Switches cabled at random: rings by Euler's count, and what snoops on which segment by a closure over all pairs. */
class CablesPropertyTest {
    private static final int SWITCHES = 7;
    private static final int SEGMENTS = 3;

    static java.util.stream.LongStream seeds() {
        return java.util.stream.LongStream.rangeClosed(1, 60);
    }

    private static Id<Host> box(int n) {
        return Kind.HOST.id("sw" + n);
    }

    private static Plan rig(Random random) {
        List<Segment> segments = new ArrayList<>();
        for (int s = 0; s < SEGMENTS; s++) {
            segments.add(new Segment(Kind.SEGMENT.id("seg" + s), "Segment " + s, Optional.empty(), false, false));
        }
        List<Host> hosts = new ArrayList<>();
        List<Cable> cables = new ArrayList<>();
        for (int n = 0; n < SWITCHES; n++) {
            hosts.add(new Host(
                            box(n),
                            "Switch " + n,
                            HostKind.SWITCH,
                            "",
                            OperatingSystem.FIRMWARE,
                            Optional.empty(),
                            List.of(),
                            Firewall.OPEN,
                            SourceCheck.NONE)
                    .withPower(Power.ON.withOn(random.nextInt(6) > 0))
                    .withSwitching(new SwitchFeatures(
                            Setting.of(random.nextInt(3) == 0),
                            Setting.of(random.nextInt(3) == 0),
                            true,
                            random.nextInt(5) == 0)));
        }
        int wires = random.nextInt(10);
        for (int w = 0; w < wires; w++) {
            int a = random.nextInt(SWITCHES);
            int b = random.nextInt(SWITCHES);
            if (a != b) {
                cables.add(new Cable(
                        Kind.CABLE.id("w" + w), "w" + w, CableKind.NETWORK, box(a), box(b), random.nextInt(5) > 0));
            }
        }
        for (int n = 0; n < SWITCHES; n++) {
            if (random.nextBoolean()) {
                Id<Adapter> id = Kind.ADAPTER.id("n" + n + ".net");
                hosts.add(new Host(
                        Kind.HOST.id("n" + n),
                        "Node " + n,
                        HostKind.NODE,
                        "",
                        OperatingSystem.FIRMWARE,
                        Optional.empty(),
                        List.of(new Adapter(
                                id,
                                "Net",
                                AdapterKind.WIRED,
                                Optional.of(Kind.SEGMENT.id("seg" + random.nextInt(SEGMENTS))),
                                Setting.of(true),
                                true,
                                List.of(),
                                Optional.empty(),
                                Optional.empty())),
                        Firewall.OPEN,
                        SourceCheck.NONE));
                cables.add(new Cable(Kind.CABLE.id("a" + n), "a" + n, CableKind.NETWORK, id, box(n), true));
            }
        }
        return Plan.EMPTY.with(Kind.SEGMENT, segments).with(Kind.HOST, hosts).with(Kind.CABLE, cables);
    }

    /** Independent rings of a graph: its edges less its nodes plus its parts (Euler; any textbook of graphs). */
    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void asManyRingsAsEulerCounts(long seed) {
        Plan plan = rig(new Random(seed));
        Set<Id<Host>> open = plan.hosts().stream()
                .filter(h -> h.kind() == HostKind.SWITCH
                        && h.power().on()
                        && !h.switching().loopGuard())
                .map(Host::id)
                .collect(Collectors.toSet());
        List<Cable> edges = plan.cables().stream()
                .filter(c -> c.connected() && open.contains(c.from()) && open.contains(c.to()))
                .toList();
        int parts = parts(open, edges);
        List<Rings.Ring> rings = new Rings(plan).all();
        assertThat(rings).hasSize(edges.size() - open.size() + parts);
        Plan cut = plan;
        for (Rings.Ring ring : rings) {
            cut = cut.with(ring.closing(), c -> c.withConnected(false));
        }
        assertThat(new Rings(cut).all())
                .as("without the cables that close them")
                .isEmpty();
        assertThat(parts(
                        open,
                        edges.stream()
                                .filter(c -> rings.stream()
                                        .noneMatch(r -> r.closing().equals(c.id())))
                                .toList()))
                .as("and nothing comes apart by that")
                .isEqualTo(parts);
    }

    /** Parts by colouring until nothing changes, which is slow and plain. */
    private static int parts(Set<Id<Host>> nodes, List<Cable> edges) {
        List<Id<Host>> order = new ArrayList<>(nodes);
        int[] colour = java.util.stream.IntStream.range(0, order.size()).toArray();
        boolean changed = true;
        while (changed) {
            changed = false;
            for (Cable c : edges) {
                int a = order.indexOf(c.from());
                int b = order.indexOf(c.to());
                int low = Math.min(colour[a], colour[b]);
                changed |= colour[a] != low || colour[b] != low;
                colour[a] = low;
                colour[b] = low;
            }
        }
        return (int) java.util.Arrays.stream(colour).distinct().count();
    }

    /** Whether a box passes a segment on, by Warshall's closure over every pair of switches. */
    @ParameterizedTest(name = "seed {0}")
    @MethodSource("seeds")
    void whatSnoopsOnASegmentIsWhatItsCablesReach(long seed) {
        Plan plan = rig(new Random(seed));
        boolean[][] reach = new boolean[SWITCHES][SWITCHES];
        for (int n = 0; n < SWITCHES; n++) {
            reach[n][n] = true;
        }
        for (Cable c : plan.cables()) {
            if (c.connected() && c.from().is(Kind.HOST) && c.to().is(Kind.HOST)) {
                int i = number(c.from());
                int j = number(c.to());
                reach[i][j] = true;
                reach[j][i] = true;
            }
        }
        for (int k = 0; k < SWITCHES; k++) {
            for (int i = 0; i < SWITCHES; i++) {
                for (int j = 0; j < SWITCHES; j++) {
                    reach[i][j] |= reach[i][k] && reach[k][j];
                }
            }
        }
        var found = IgmpSnooping.of(plan);
        for (Segment segment : plan.segments()) {
            Set<Id<Host>> snoopers = new HashSet<>();
            boolean asked = false;
            for (Host box : plan.hosts()) {
                if (box.kind() != HostKind.SWITCH || !box.power().on()) {
                    continue;
                }
                int from = number(box.id());
                boolean passes = plan.index().adaptersOn(segment.id()).stream()
                        .anyMatch(
                                a -> reach[from][Integer.parseInt(a.id().value().substring(1, 2))]);
                if (passes && box.switching().snooping().inForce()) {
                    snoopers.add(box.id());
                }
                asked |= passes && box.switching().querier().inForce();
            }
            IgmpSnooping care = found.getOrDefault(segment.id(), IgmpSnooping.FLOODS);
            assertThat(new HashSet<>(care.snoopers())).isEqualTo(snoopers);
            if (!snoopers.isEmpty()) {
                assertThat(care.querier().isPresent()).isEqualTo(asked);
                assertThat(care.isAsked()).isEqualTo(asked);
            }
        }
    }

    private static int number(Id<?> id) {
        return Integer.parseInt(id.value().substring(2));
    }
}
