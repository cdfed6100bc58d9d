package zentrel.check;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import zentrel.plan.*;
import zentrel.profile.ApplicationKind;
import zentrel.profile.HostKind;
import zentrel.profile.OperatingSystem;
import zentrel.profile.PortKind;
import zentrel.text.Numbers;

/** More than 32 unit loads on a DMX line: {@code line.loads}. */
final class LineLoads extends PathRule {
    LineLoads() {
        super("line.loads");
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
        Map<Id<Line>, Set<Id<Host>>> passing = new HashMap<>();
        for (Line line : context.plan().lines()) {
            line.via()
                    .ifPresent(v -> passing.computeIfAbsent(v.from(), l -> new HashSet<>())
                            .add(v.device()));
        }
        for (Line line : context.plan().lines()) {
            if (!isDmx(context.index(), line)) {
                continue;
            }
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
                        RuleWords.say(
                                "line.loads.says",
                                "line",
                                context.index().name(line.id()),
                                "loads",
                                Numbers.plain(loads)),
                        List.of(split(context.index().name(line.id()), line, fixtures, passedOn))));
            }
        }
        return findings;
    }

    /** Whether a line is a DMX line: behind a pixel output are pixels, and an input of a program is no line at all. */
    private static boolean isDmx(PlanIndex index, Line line) {
        return index.port(line.port()).kind() == PortKind.DMX
                && index.applicationOf(line.port()).kind() != ApplicationKind.PIXEL_CONTROLLER;
    }

    /** A splitter after as many fixtures as leave room for it; the rest hang on its branches, as many as they need. */
    private static Edit split(String name, Line line, List<Fixture> fixtures, long passedOn) {
        Map<Id<Fixture>, Integer> branchOf = new LinkedHashMap<>();
        int branch = 0;
        double before = passedOn + 1;
        double onBranch = 0;
        for (Fixture fixture : fixtures) {
            if (branch == 0 && before + fixture.unitLoads() <= MOST) {
                before += fixture.unitLoads();
                continue;
            }
            if (branch == 0 || onBranch + fixture.unitLoads() > MOST) {
                branch++;
                onBranch = 0;
            }
            onBranch += fixture.unitLoads();
            branchOf.put(fixture.id(), branch);
        }
        return new Edit(
                RuleWords.say("line.loads.fix", "line", name, "count", branchOf.size()),
                p -> split(p, name, line, branchOf));
    }

    private static Plan split(Plan plan, String name, Line line, Map<Id<Fixture>, Integer> branchOf) {
        Id<Host> device = Kind.HOST.id(Ids.free(plan, line.id().value() + ".splitter"));
        List<Host> hosts = new ArrayList<>(plan.hosts());
        hosts.add(new Host(
                device,
                RuleWords.say("line.loads.made/splitter", "line", name),
                HostKind.OTHER,
                "",
                OperatingSystem.FIRMWARE,
                Optional.empty(),
                List.of(),
                Firewall.OPEN,
                SourceCheck.NONE));
        List<Line> lines = new ArrayList<>(plan.lines());
        Map<Integer, Id<Line>> branches = new HashMap<>();
        for (int number : new TreeSet<>(branchOf.values())) {
            Id<Line> id = Kind.LINE.id(Ids.free(plan, line.id().value() + ".branch" + number));
            branches.put(number, id);
            lines.add(new Line(
                    id,
                    RuleWords.say("line.loads.made/branch", "line", name, "number", number),
                    line.port(),
                    Optional.of(new Via(device, line.id()))));
        }
        List<Fixture> hung = new ArrayList<>(plan.fixtures());
        hung.replaceAll(f ->
                branchOf.containsKey(f.id()) ? f.withLine(Optional.ofNullable(branches.get(branchOf.get(f.id())))) : f);
        return plan.with(Kind.HOST, hosts).with(Kind.LINE, lines).with(Kind.FIXTURE, hung);
    }
}
