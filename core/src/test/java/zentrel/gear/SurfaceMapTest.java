package zentrel.gear;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import zentrel.demo.FernlightTrail;
import zentrel.plan.ControlLink;
import zentrel.plan.Kind;
import zentrel.plan.LinkControl;
import zentrel.plan.LinkControl.Curve;
import zentrel.plan.LinkMessage;
import zentrel.plan.Plan;

/** What the controls of a surface send along their travel, and what collides. */
class SurfaceMapTest {
    private static final Plan PLAN = FernlightTrail.ready();
    private static final ControlLink LINK = PLAN.index().get(Kind.LINK.id("dim-link"));

    private static LinkControl fader(String name, Curve curve, String... values) {
        return new LinkControl(name, LinkControl.Kind.FADER, 0, 127, curve, List.of(values), true);
    }

    @ParameterizedTest
    @CsvSource({
        // curve, number of the control, what stands in the message for a level of 0 to 1, of 0 to 255, in percent, as a
        // switch
        "LINEAR, 0, 0, 0, 0, off",
        "LINEAR, 127, 1, 255, 100, on",
        "LINEAR, 64, 0.5039, 129, 50.3937, on",
        "SQUARE, 64, 0.254, 65, 25.3953, off",
        "SQUARE, 127, 1, 255, 100, on",
        "INVERTED, 0, 1, 255, 100, on",
        "INVERTED, 127, 0, 0, 0, off",
        "LINEAR, 200, 1, 255, 100, on"
    })
    void whatIsSentFollowsTheTravel(Curve curve, int number, String share, String level, String percent, String on) {
        LinkControl control = fader("Fader 3", curve, "3", "*");
        assertThat(new SurfaceMap(LINK).sent(control, number)).hasToString("/terrace/level 3 " + share);
        assertThat(new SurfaceMap(LINK.withArguments("channel:int level:level")).sent(control, number))
                .hasToString("/terrace/level 3 " + level);
        assertThat(new SurfaceMap(LINK.withArguments("channel:int level:percent")).sent(control, number))
                .hasToString("/terrace/level 3 " + percent);
        assertThat(new SurfaceMap(LINK.withArguments("channel:int on:switch")).sent(control, number))
                .hasToString("/terrace/level 3 " + on.equals("on"));
    }

    @Test
    void whatCollidesIsSaid() {
        ControlLink link = LINK.withControls(List.of(
                        fader("Fader 1", Curve.LINEAR, "1", "*"),
                        fader("Fader 2", Curve.LINEAR, "1", "*"),
                        fader("Fader 3", Curve.LINEAR, "x", "*")))
                .withMessages(
                        List.of(new LinkMessage("", List.of("1", "50 %")), new LinkMessage("", List.of("7", "0"))));
        assertThat(new SurfaceMap(link).conflicts())
                .satisfiesExactly(
                        c -> assertThat(c).contains("Fader 1 and Fader 2 send one message"),
                        c -> assertThat(c).contains("Fader 3 sends nothing that fits", "channel: \"x\""),
                        c -> assertThat(c).isEqualTo("No control sends /terrace/level 7 0."));
        assertThat(SurfaceMap.table(PLAN, link).csv())
                .contains(
                        "Fader 1,fader,0,127,linear,/terrace/level 1 0,/terrace/level 1 1,yes", "10.42.4.2 port 24520");
        assertThat(new SurfaceMap(link.withMessages(java.util.stream.IntStream.range(10, 20)
                                .mapToObj(n -> new LinkMessage("", List.of("" + n, "0")))
                                .toList()))
                        .conflicts())
                .last()
                .asString()
                .endsWith("/terrace/level 12 0 and 7 more.");
        assertThatIllegalArgumentException().isThrownBy(() -> fader("Fader 4", Curve.LINEAR, "*", "*"));
        assertThatIllegalArgumentException()
                .isThrownBy(() -> LINK.withControls(List.of(fader("F", Curve.LINEAR, "1"))));
    }
}
