package zentrel.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import zentrel.TestPlans;
import zentrel.check.Check;
import zentrel.file.LoadedPlan;
import zentrel.file.PlanReader;
import zentrel.file.PlanWriter;
import zentrel.path.SignalPaths;
import zentrel.path.Verdict;
import zentrel.profile.Protocol;

/** What a device's screen shows: bases, radixes and fields in all combinations; never what is on the wire. */
class ScreenTest {
    private static List<Screen> all() {
        List<Screen.Field> fields = new ArrayList<>();
        for (int first : new int[] {0, 1}) {
            for (int radix : new int[] {10, 16}) {
                fields.add(new Screen.Field(first, radix));
            }
        }
        List<Screen> screens = new ArrayList<>();
        for (Screen.Field a : fields) {
            screens.add(new Screen(List.of(a)));
            for (Screen.Field b : fields) {
                for (Screen.Field c : fields) {
                    screens.add(new Screen(List.of(a, b, c)));
                }
            }
        }
        return screens;
    }

    @Test
    void whatIsReadOffIsWhatIsOnTheWire() {
        assertThat(all()).hasSize(4 + 64);
        for (Screen screen : all()) {
            for (int wire : new int[] {0, 1, 9, 10, 15, 16, 17, 255, 256, 3258, 32766, 32767}) {
                String shown = screen.text(Protocol.ARTNET, wire);
                assertThat(screen.wire(Protocol.ARTNET, shown))
                        .as(screen + " shows " + shown)
                        .isEqualTo(wire);
                if (screen.fields().size() == 3) {
                    assertThat(screen.wire(Protocol.ARTNET, shown.replace(" · ", ".")))
                            .isEqualTo(wire);
                    assertThat(screen.wire(Protocol.ARTNET, shown.replace(" · ", " / ")))
                            .isEqualTo(wire);
                }
            }
            if (screen.fields().size() == 1) {
                for (int wire : new int[] {1, 2, 255, 63999}) {
                    assertThat(screen.wire(Protocol.SACN, screen.text(Protocol.SACN, wire)))
                            .isEqualTo(wire);
                }
            }
        }
    }

    /** Worked by hand: 3258 is Net 12, Sub-Net 11, Universe 10 (Art-Net 4: seven, four and four bits). */
    @ParameterizedTest(name = "{0} fields from {1} in {2}: {3} is {4}")
    @CsvSource({
        "1, 0, 10, 3258, 3258",
        "1, 1, 10, 3258, 3259",
        "1, 0, 16, 3258, CBA",
        "3, 0, 10, 3258, 12 · 11 · 10",
        "3, 0, 16, 3258, C · B · A",
        "3, 1, 10, 3258, 13 · 12 · 11",
        "3, 1, 16, 255, 1 · 10 · 10"
    })
    void worked(int fields, int first, int radix, int wire, String shown) {
        Screen screen = new Screen(java.util.Collections.nCopies(fields, new Screen.Field(first, radix)));
        assertThat(screen.text(Protocol.ARTNET, wire)).isEqualTo(shown);
    }

    @ParameterizedTest(name = "{0}")
    @CsvSource(
            delimiter = '|',
            value = {
                "3 | 1.2 | \"1.2\" are not three numbers",
                "3 | 128.0.0 | does not exist: there are 128 Nets",
                "3 | 0.16.0 | does not exist: there are 128 Nets",
                "3 | a.b.c | is no whole number.",
                "1 | twelve | \"twelve\" is no whole number.",
                "1 | -3 | \"-3\" is no whole number."
            })
    void whatNoScreenShowsIsRefused(int fields, String typed, String sentence) {
        Screen screen = new Screen(java.util.Collections.nCopies(fields, new Screen.Field(0, 10)));
        assertThatThrownBy(() -> screen.wire(Protocol.ARTNET, typed)).hasMessageContaining(sentence);
    }

    @Test
    void screensAreWrittenAndReadAndChangeNothing() throws Exception {
        Plan pier = TestPlans.pier();
        for (Screen screen : all()) {
            Plan shown = pier.with(Kind.APPLICATION.id("fw-a"), a -> a.withScreen(Protocol.ARTNET, screen));
            assertThat(PlanReader.read(PlanWriter.write(LoadedPlan.of(shown))).plan())
                    .isEqualTo(shown);
            assertThat(Check.run(shown).findings()).isEmpty();
            assertThat(new SignalPaths(shown).of(Kind.PORT.id("a1")).verdict()).isEqualTo(Verdict.PASSES);
        }
        assertThatThrownBy(() -> new Screen(List.of())).hasMessageContaining("in one field, or in three");
        assertThatThrownBy(() -> new Screen.Field(2, 10)).hasMessageContaining("counts from 0 or 1");
    }
}
