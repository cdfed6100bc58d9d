package zentrel.found;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import zentrel.plan.Fixture;
import zentrel.plan.Host;
import zentrel.plan.Plan;

/**
 * One thing in which the fixtures on a port are not as they are patched.
 *
 * @param fixture the one of the plan; empty where the plan has none there
 * @param text a sentence
 */
public record PatchDifference(int port, Optional<Fixture> fixture, String text) {
    /**
     * A fixture that was found by RDM.
     *
     * @param port the output, counted from 1
     * @param start its first slot, 1–512
     * @param footprint how many slots it takes
     * @param name what it calls itself
     */
    public record FoundFixture(int port, int start, int footprint, String name) {}

    private record Planned(Fixture fixture, int start, int footprint) {}

    /** What differs, port by port in the order of slots; ports without lines in the plan are not compared. */
    public static List<PatchDifference> of(Plan plan, Host host, List<FoundFixture> found) {
        PlannedDevice device = PlannedDevice.of(plan, host);
        List<PatchDifference> all = new ArrayList<>();
        for (int port = 1; port <= device.ports().size(); port++) {
            List<Planned> planned = planned(plan, device.ports().get(port - 1).port());
            if (!planned.isEmpty()) {
                int number = port;
                compare(
                        number,
                        planned,
                        found.stream().filter(f -> f.port() == number).toList(),
                        all);
            }
        }
        return all;
    }

    private static List<Planned> planned(Plan plan, zentrel.plan.Port port) {
        List<Planned> list = new ArrayList<>();
        plan.index()
                .linesOf(port.id())
                .forEach(line -> plan.index()
                        .fixturesOn(line.id())
                        .forEach(f -> f.breaks().stream()
                                .filter(b -> port.universe()
                                        .filter(u -> u.equals(b.universe()))
                                        .isPresent())
                                .forEach(b -> list.add(new Planned(f, b.start(), b.end() - b.start() + 1)))));
        list.sort(java.util.Comparator.comparingInt(Planned::start));
        return list;
    }

    private static void compare(int port, List<Planned> planned, List<FoundFixture> found, List<PatchDifference> all) {
        List<FoundFixture> left = new ArrayList<>(found);
        for (Planned p : planned) {
            String name = p.fixture().number() + " " + p.fixture().name();
            Optional<FoundFixture> there =
                    left.stream().filter(f -> f.start() == p.start()).findFirst();
            if (there.isEmpty()) {
                all.add(new PatchDifference(
                        port,
                        Optional.of(p.fixture()),
                        name + " is patched at slot " + p.start() + " of port " + port
                                + ", and nothing answers there."));
            } else {
                left.remove(there.get());
                if (there.get().footprint() != p.footprint()) {
                    all.add(new PatchDifference(
                            port,
                            Optional.of(p.fixture()),
                            name + " has " + there.get().footprint() + " slots on the line, and " + p.footprint()
                                    + " in the plan."));
                }
            }
        }
        for (FoundFixture f : left) {
            all.add(new PatchDifference(
                    port,
                    Optional.empty(),
                    f.name() + " answers at slot " + f.start() + " of port " + port
                            + ", where the plan has nothing that begins there."));
        }
    }
}
