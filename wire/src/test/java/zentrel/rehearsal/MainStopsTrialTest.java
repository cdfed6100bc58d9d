package zentrel.rehearsal;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.util.List;
import org.junit.jupiter.api.Test;
import zentrel.check.Check;
import zentrel.demo.FernlightTrail;
import zentrel.plan.Kind;
import zentrel.plan.Plan;
import zentrel.plan.Session;
import zentrel.rehearsal.MainStopsTrial.Measured;
import zentrel.session.MainStops;

/** What is worked out of the moment in which the main desk stops is what the ports of a rehearsal do. */
class MainStopsTrialTest {
    private static final double FADE = 10;

    @Test
    void portsStandStillAsLongAsWasWorkedOut() throws IOException {
        Plan plan = FernlightTrail.ready();
        Session session = plan.index().get(Kind.SESSION.id("evening-session"));
        MainStops stops = MainStops.of(Check.run(plan).signalPaths(), session).orElseThrow();
        List<Measured> all = new MainStopsTrial(plan, session, FADE).run(stops.main(), stops.ports(), done -> {});
        for (MainStops.Outcome outcome : stops.outcomes()) {
            boolean standsBy = outcome.seconds() > 2.5; // Art-Net of the backup: how soon it begins is its own doing
            List<Measured> its =
                    all.stream().filter(m -> outcome.ports().contains(m.port())).toList();
            assertThat(its).hasSameSizeAs(outcome.ports());
            assertThat(its).as("%s", outcome.next()).allSatisfy(m -> {
                if (standsBy) {
                    assertThat(m.seconds()).isEmpty();
                } else {
                    assertThat(m.seconds().orElseThrow()).isCloseTo(outcome.seconds(), within(0.15));
                    assertThat(m.step()).isCloseTo(outcome.stepLevel(FADE), within(4));
                }
            });
        }
        assertThat(stops.outcomes()).extracting(MainStops.Outcome::seconds).contains(2.5, 10.0);
    }
}
