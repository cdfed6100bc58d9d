package zentrel.path;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import zentrel.check.Check;
import zentrel.check.Finding;
import zentrel.check.Fix;
import zentrel.check.Fixes;
import zentrel.check.Report;
import zentrel.gear.DeviceFactory;
import zentrel.gear.Library;
import zentrel.gear.UniverseRoutes;
import zentrel.plan.Application;
import zentrel.plan.Plan;
import zentrel.plan.Receiver;
import zentrel.plan.Setting;

/** Which universes fall away above what a source sends, by version, licence and attached hardware. */
class LimitsTableTest {
    private static final Library LIBRARY = Library.shipped();

    /** A source of a profile that is routed to so many ports of sixteen-port nodes. */
    private static Plan rig(String profile, int universes) {
        Plan plan = DeviceFactory.boxes(
                        Plan.EMPTY, LIBRARY, LIBRARY.find("house/" + profile).orElseThrow(), 1, "", "")
                .edit()
                .applyTo(Plan.EMPTY);
        Application source = plan.applications().get(0);
        int nodes = (universes + 15) / 16;
        plan = DeviceFactory.boxes(plan, LIBRARY, LIBRARY.find("house/node-16").orElseThrow(), nodes, "Node", "")
                .edit()
                .applyTo(plan);
        int left = universes;
        for (Receiver receiver : new ArrayList<>(plan.receivers())) {
            if (receiver.name().startsWith("Node")) {
                int ports = Math.min(16, left);
                plan = UniverseRoutes.route(
                                plan, source, receiver.ports().subList(0, ports), UniverseRoutes.nextUniverse(plan))
                        .applyTo(plan);
                left -= ports;
            }
        }
        return plan;
    }

    private static Plan with(Plan plan, String version, String licence, String attached) {
        Application source = plan.applications().get(0);
        return plan.with(source.id(), a -> {
            Application changed = version.isEmpty() ? a : a.withVersion(version);
            return changed.withInstalled(changed.installed()
                    .withLicence(Optional.of(licence).filter(l -> !l.isEmpty()).map(Setting::of))
                    .withAttached(attached.isEmpty() ? List.of() : List.of(attached)));
        });
    }

    private static Optional<Finding> overLimit(Plan plan) {
        return Check.run(plan).findings().stream()
                .filter(f -> f.rule().equals("universe.over-limit"))
                .findFirst();
    }

    @ParameterizedTest(name = "{0} {1} {2} {3} with {4}: {5}")
    @CsvSource(
            nullValues = "none",
            emptyValue = "",
            value = {
                "compact-console, 2.6, '', '', 11, none",
                "compact-console, 2.6, '', '', 12, U12 falls away",
                "compact-console, 2.6, '', '', 14, U12 to U14 fall away",
                "compact-console, 2.7, '', '', 13, none",
                "compact-console, 2.7, '', '', 14, U14 falls away",
                "compact-console, 2.10, '', '', 13, none",
                "compact-console, 10.0, '', '', 13, none",
                "compact-console, '', '', '', 11, none",
                "compact-console, '', '', '', 13, none",
                "compact-console, '', '', '', 14, U14 falls away",
                "console-software, 1.0, free, '', 3, none",
                "console-software, 1.0, free, '', 4, U4 falls away",
                "console-software, 1.0, free, output key, 4, none",
                "console-software, 1.0, '', output key, 45, none",
                "console-software, 1.0, '', '', 1, U1 falls away",
                "console-software, 1.0, full, '', 110, none",
                "full-console, 1.0, club, '', 97, U97 falls away",
                "full-console, 1.0, touring, '', 97, none"
            })
    void theLargestLimitWhoseConditionsAreMetCounts(
            String profile, String version, String licence, String attached, int universes, String expected) {
        Optional<Finding> finding = overLimit(with(rig(profile, universes), version, licence, attached));
        if (expected == null) {
            assertThat(finding).isEmpty();
        } else {
            assertThat(finding).get().satisfies(f -> assertThat(f.text()).contains(expected));
        }
    }

    @Test
    void theFindingSaysWhatWouldDoAndTheFixDoesIt() {
        Plan plan = with(rig("compact-console", 13), "2.6", "", "");
        Report report = Check.run(plan);
        Finding finding = overLimit(plan).orElseThrow();
        assertThat(finding.text())
                .isEqualTo(
                        "Compact console sends 11 universes by sACN (version 2.6), and the plan asks for 13: U12 to U13 fall "
                                + "away. It sends 13 with version 2.7 or later. 1 more signal is affected.");
        List<Fix> fixes = Fixes.proven(report, finding);
        assertThat(fixes).isNotEmpty();
        assertThat(overLimit(fixes.get(0).edit().applyTo(plan))).isEmpty();
    }

    @Test
    void whatIsSwitchedOffCountsForNothing() {
        Plan plan = with(rig("compact-console", 13), "2.6", "", "");
        Plan silenced = plan;
        for (int i = 0; i < 2; i++) {
            silenced = silenced.with(plan.streams().get(i).id(), s -> s.withEnabled(false));
        }
        assertThat(overLimit(silenced)).isEmpty();
    }
}
