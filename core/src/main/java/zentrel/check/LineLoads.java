package zentrel.check;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import zentrel.plan.*;

/** More than 32 unit loads on a DMX line: {@code line.loads}. */
final class LineLoads extends PathRule {
    LineLoads() {
        super(
                "line.loads",
                "More than 32 unit loads on a DMX line",
                "A transmitter drives 32 unit loads (ANSI E1.11, EIA-485). Beyond that, levels are lost now and then, mostly at the far end.");
    }

    /** Unit loads that one transmitter drives (ANSI E1.11 by way of EIA-485). */
    private static final double MOST = 32;

    @Override
    public boolean applies(CheckContext context) {
        return !context.plan().lines().isEmpty();
    }

    @Override
    Collection<Finding> unmet(CheckContext context) {
        List<Finding> findings = new ArrayList<>();
        Map<LineId, Set<HostId>> passing = new HashMap<>();
        for (Line line : context.plan().lines()) {
            line.via()
                    .ifPresent(v -> passing.computeIfAbsent(v.from(), l -> new HashSet<>())
                            .add(v.device()));
        }
        for (Line line : context.plan().lines()) {
            List<Fixture> fixtures = context.index().fixturesOn(line.id());
            long passedOn = passing.isEmpty()
                    ? 0
                    : passing.getOrDefault(line.id(), Set.of()).size();
            double loads = passedOn;
            for (Fixture fixture : fixtures) {
                loads += fixture.unitLoads(); // a plain loop: a plan may have a hundred thousand
            }
            if (loads > MOST) {
                findings.add(unmet(
                        Severity.AT_RISK,
                        Optional.empty(),
                        List.of(line.id()),
                        line.name() + " has " + Numbers.plain(loads)
                                + " unit loads, and a line carries 32. Put a "
                                + "splitter in, and hang the last ones behind it.",
                        List.of(split(context.plan(), line, fixtures, passedOn))));
            }
        }
        return findings;
    }

    /** A splitter after as many fixtures as leave room for it; the rest hang on its branches, as many as they need. */
    private static Edit split(Plan plan, Line line, List<Fixture> fixtures, long passedOn) {
        HostId device = new HostId(Ids.free(plan, line.id().value() + ".splitter"));
        List<Line> branches = new ArrayList<>();
        Map<FixtureId, LineId> moved = new HashMap<>();
        double before = passedOn + 1;
        double onBranch = 0;
        for (Fixture fixture : fixtures) {
            if (branches.isEmpty() && before + fixture.unitLoads() <= MOST) {
                before += fixture.unitLoads();
                continue;
            }
            if (branches.isEmpty() || onBranch + fixture.unitLoads() > MOST) {
                int number = branches.size() + 1;
                branches.add(new Line(
                        new LineId(Ids.free(plan, line.id().value() + ".branch" + number)),
                        line.name() + ", branch " + number,
                        line.port(),
                        Optional.of(new Via(device, line.id()))));
                onBranch = 0;
            }
            onBranch += fixture.unitLoads();
            moved.put(fixture.id(), branches.get(branches.size() - 1).id());
        }
        return new Edit("Put a splitter in " + line.name() + " for the last " + moved.size(), p -> {
            List<Host> hosts = new ArrayList<>(p.hosts());
            hosts.add(new Host(
                    device,
                    "Splitter of " + line.name(),
                    HostKind.OTHER,
                    "",
                    OperatingSystem.FIRMWARE,
                    Optional.empty(),
                    List.of(),
                    Firewall.OPEN,
                    SourceCheck.NONE));
            List<Line> lines = new ArrayList<>(p.lines());
            lines.addAll(branches);
            List<Fixture> hung = new ArrayList<>(p.fixtures());
            hung.replaceAll(f -> moved.containsKey(f.id()) ? f.withLine(Optional.of(moved.get(f.id()))) : f);
            return p.withHosts(hosts).withLines(lines).withFixtures(hung);
        });
    }
}
