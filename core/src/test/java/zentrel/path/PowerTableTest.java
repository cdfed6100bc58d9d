package zentrel.path;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import zentrel.check.Check;
import zentrel.check.Finding;
import zentrel.check.Fix;
import zentrel.check.Fixes;
import zentrel.check.Report;
import zentrel.command.Commands;
import zentrel.command.Offer;
import zentrel.entry.Renames;
import zentrel.gear.Connections;
import zentrel.gear.Library;
import zentrel.plan.*;

/**
 * Power from box to box, and DMX by way of boxes that need it: a console, a switch that gives power, two pixel controllers of
 * which the first feeds the second, and a line that goes through a splitter and by radio.
 */
class PowerTableTest {
    private static final Library LIBRARY = Library.shipped();
    private static final Plan RIG = rig();

    private static Plan say(Plan plan, String line) {
        List<Offer> offers = new Commands(plan, LIBRARY, null).offers(line);
        assertThat(offers).as(line).isNotEmpty();
        return offers.get(0).work().get().edit().applyTo(plan);
    }

    private static Plan rig() {
        Plan plan = Plan.EMPTY;
        for (String line : List.of(
                "full console",
                "switch poe",
                "2 pixel 9",
                "node 4",
                "splitter",
                "wireless dmx sender",
                "wireless dmx receiver")) {
            plan = say(plan, line);
        }
        List<String> names = List.of("Desk", "Hub", "Pixel 1", "Pixel 2", "Node", "Splitter", "Radio out", "Radio in");
        for (int i = 0; i < names.size(); i++) {
            plan = Renames.of(plan, plan.hosts().get(i).id(), names.get(i)).applyTo(plan);
        }
        for (String line : List.of(
                "route desk to pixel 1",
                "route desk to pixel 2",
                "route desk to node",
                "split node by splitter",
                "air splitter from radio out to radio in",
                "patch 2 wash of 10 on radio in",
                "cable desk to hub",
                "cable pixel 1 to hub",
                "cable pixel 2 to hub",
                "cable node to hub",
                "power node by poe",
                "power pixel 2 from pixel 1")) {
            plan = say(plan, line);
        }
        return plan;
    }

    private static Id<Host> box(Plan plan, String name) {
        return plan.hosts().stream()
                .filter(h -> h.name().equals(name))
                .map(Host::id)
                .findFirst()
                .orElseThrow();
    }

    private static Plan out(CableKind kind, String end) {
        Cable cable = RIG.cables().stream()
                .filter(c -> c.kind() == kind && c.name().contains(end))
                .findFirst()
                .orElseThrow();
        return RIG.with(cable.id(), c -> c.withConnected(false));
    }

    @ParameterizedTest(name = "{0} {1}: dark at {2}, because {3}")
    @CsvSource(
            delimiter = '|',
            value = {
                "off|Pixel 1|Pixel 1; Pixel 2|is switched off",
                "off|Pixel 2|Pixel 2|is switched off",
                "power out|Pixel|Pixel 2|has no power: the cable Pixel 1 to Pixel 2 from Pixel 1 is not plugged in",
                "network out|Node|Node|has no power: the cable",
                "off|Hub|Node; Pixel 1; Pixel 2|is switched off",
                "off|Desk|Node; Pixel 1; Pixel 2|is switched off",
                "off|Splitter|Node|Splitter, which passes Splitter line on, is switched off",
                "off|Radio out|Node|Radio out, which passes",
                "off|Radio in|Node|Radio in, which passes",
                "fed by|Node|Pixel 1; Pixel 2|Node, from which the cable Node to Pixel 1 comes, passes no power on"
            })
    void whatLosesItsPowerDarkensWhatHangsOnIt(String harm, String where, String dark, String because) {
        Plan plan = switch (harm) {
            case "off" -> RIG.with(box(RIG, where), h -> h.withPower(h.power().withOn(false)));
            case "power out" -> out(CableKind.POWER, where);
            case "network out" -> out(CableKind.NETWORK, where);
            default ->
                Connections.cable(RIG, CableKind.POWER, box(RIG, where), box(RIG, "Pixel 1"))
                        .applyTo(RIG);
        };
        Report report = Check.run(plan);
        assertThat(plan.receivers().stream()
                        .filter(r -> isDark(report, r))
                        .map(r -> plan.index().hostOf(r.application()).name())
                        .sorted())
                .as(harm + " " + where)
                .containsExactly(dark.split("; "));
        Finding power = report.findings().stream()
                .filter(f -> f.text().contains(because))
                .findFirst()
                .orElseThrow(() -> new AssertionError(report.findings().toString()));
        Fix fix = Fixes.proven(report, power).get(0);
        assertThat(Check.run(fix.edit().applyTo(plan)).findings())
                .as("after: " + fix.edit().text())
                .isEmpty();
    }

    /** Whether what is sent to a receiver does not arrive, or not at the fixtures behind it. */
    private static boolean isDark(Report report, Receiver receiver) {
        boolean fixtures =
                report.plan().index().hostOf(receiver.application()).name().equals("Node");
        Id<?> at = fixtures ? report.plan().fixtures().get(0).id() : receiver.id();
        return report.signalPaths().of(at).verdict() == Verdict.BROKEN;
    }

    @Test
    void theRigIsWholeAndAFeedThatNobodyDescribedIsTakenAsThere() {
        assertThat(Check.run(RIG).findings()).isEmpty();
        assertThat(Check.run(RIG.with(Kind.CABLE, List.of())).findings())
                .as("nothing is known of any feed")
                .isEmpty();
        assertThat(RIG.lines()).filteredOn(l -> l.via().isPresent()).hasSize(3);
    }
}
