package zentrel.pixel;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import zentrel.demo.FernlightTrail;
import zentrel.pixel.PixelSplit.Output;
import zentrel.pixel.PixelSplit.Rules;
import zentrel.pixel.PixelSplit.Run;
import zentrel.profile.PixelChip;

/** Pixels counted, split, timed and fed: worked values, and a count by hand of every slot. */
class PixelsTest {
    private static List<Integer> pixels(Output o) {
        return o.universes().stream().map(Run::pixels).toList();
    }

    /** The worked value of the trade: 3060 RGB pixels on five outputs. */
    @Test
    void threeThousandPixelsOnFiveOutputs() {
        PixelSplit split = PixelSplit.of(PixelSplit.evenly(3060, 5), Rules.whole(3, 1));
        assertThat(split.outputs()).extracting(Output::pixels).containsOnly(612);
        assertThat(split.outputs()).extracting(Output::channels).containsOnly(1836);
        assertThat(split.outputs()).allSatisfy(o -> assertThat(pixels(o)).containsExactly(170, 170, 170, 102));
        assertThat(split.universes()).isEqualTo(20);
        assertThat(split.outputs().get(4).universes().get(3).number()).isEqualTo(20);
    }

    /** An 8 × 8 RGB panel is 192 slots: two to a universe, and a third straddles. */
    @Test
    void panelsThatStraddle() {
        PixelSplit three = PixelSplit.of(List.of(192), new Rules(3, true, false, 5, 1, 0));
        assertThat(three.outputs().get(0).universes())
                .containsExactly(new Run(5, 1, 171, 1, 512, true), new Run(6, 172, 21, 1, 64, false));
        PixelSplit packed = PixelSplit.of(List.of(64, 64, 64), new Rules(3, false, true, 5, 1, 0));
        assertThat(packed.outputs())
                .extracting(o -> o.universes().get(0).firstSlot())
                .containsExactly(1, 193, 385);
        assertThat(pixels(packed.outputs().get(2)))
                .as("42 whole pixels fit in the last 128 slots")
                .containsExactly(42, 22);
    }

    @ParameterizedTest
    @CsvSource({"3,170", "4,128", "6,85", "1,512"})
    void wholePixelsOfAUniverse(int components, int most) {
        assertThat(Rules.whole(components, 1).mostInUniverse()).isEqualTo(most);
        PixelSplit split = PixelSplit.of(List.of(most + 1), Rules.whole(components, 7));
        assertThat(pixels(split.outputs().get(0))).containsExactly(most, 1);
    }

    /** Against a count slot by slot, as a controller's manual would tell it. */
    @RepeatedTest(40)
    void everySlotIsWhereACountByHandPutsIt(RepetitionInfo run) {
        Random random = new Random(run.getCurrentRepetition());
        int components = 1 + random.nextInt(8);
        Rules rules = new Rules(
                components,
                random.nextBoolean(),
                random.nextBoolean(),
                random.nextInt(50),
                1 + random.nextInt(512),
                random.nextInt(3) == 0 ? 1 + random.nextInt(60) : 0);
        List<Integer> each = new ArrayList<>();
        for (int i = 0; i < 1 + random.nextInt(5); i++) {
            each.add(random.nextInt(700));
        }
        PixelSplit split = PixelSplit.of(each, rules);
        int universe = rules.firstUniverse();
        int slot = rules.firstSlot();
        int inside = 0;
        for (int o = 0; o < each.size(); o++) {
            if (o > 0 && !rules.packed() && (slot > 1 || inside > 0)) {
                universe++;
                slot = 1;
                inside = 0;
            }
            Set<String> expected = new HashSet<>();
            for (int p = 0; p < each.get(o); p++) {
                boolean full = rules.perUniverse() > 0 && inside >= rules.perUniverse();
                if (full || slot > 512 || (!rules.straddle() && slot + components - 1 > 512)) {
                    universe++;
                    slot = 1;
                    inside = 0;
                }
                inside++;
                for (int c = 0; c < components; c++) {
                    if (slot > 512) {
                        universe++;
                        slot = 1;
                        inside = 0;
                    }
                    expected.add(universe + "." + slot++);
                }
            }
            Set<String> got = new HashSet<>();
            int begun = 0;
            for (Run r : split.outputs().get(o).universes()) {
                assertThat(r.firstPixel()).isEqualTo(begun + 1);
                begun += r.pixels();
                for (int s = 0; s < r.slots(); s++) {
                    assertThat(got.add(r.number() + "." + (r.firstSlot() + s))).isTrue();
                }
            }
            assertThat(got).as(rules + " " + each).isEqualTo(expected);
            assertThat(begun).isEqualTo(each.get(o));
        }
    }

    @Test
    void thePlansOwnOutputs() {
        PixelSplit split = PlannedPixels.of(FernlightTrail.ready());
        assertThat(split.outputs()).extracting(Output::pixels).containsExactly(320, 320, 320, 320, 160);
        assertThat(split.outputs().get(0).universes())
                .containsExactly(new Run(11, 1, 170, 1, 510, false), new Run(12, 171, 150, 1, 450, false));
        assertThat(split.universes()).isEqualTo(9);
        assertThatIllegalArgumentException()
                .isThrownBy(() -> PixelSplit.of(List.of(5), Rules.whole(0, 1)))
                .withMessage("A pixel has 1 to 16 slots, not 0.");
    }

    /**
     * Frame times after the chips' data sheets, from memory: WS2812B 1.25 µs a bit and at least 50 µs pause; WS2813 300 µs; SK6812 RGBW
     * 32 bits and 80 µs; WS2811 at 400 kHz 2.5 µs; APA102 32 bits a pixel, start frame of 32, half a bit a pixel at the end.
     */
    @ParameterizedTest
    @CsvSource({
        "WS2812B,800,3,24.05",
        "WS2813,800,3,24.3",
        "WS2812B,1024,3,30.77",
        "SK6812,100,4,4.08",
        "WS2811,50,3,3.05",
        "APA102,144,3,1.178",
        "WS2801,50,3,1.1"
    })
    void framesTakeWhatTheDataSheetsSay(PixelChip chip, int pixels, int components, double millis) {
        assertThat(chip.frameMillis(pixels, components, 8)).isCloseTo(millis, within(0.001));
    }

    @Test
    void theRateIsLimitedByTheSlowest() {
        PixelRefresh line = PixelRefresh.of(PixelChip.WS2812B, 1024, 3, 8, 44, 60, 40);
        assertThat(line.limit()).isEqualTo(PixelRefresh.Limit.DATA_LINE);
        assertThat(line.mostPixels()).as("25 ms less 0.05, over 0.03").isEqualTo(831);
        assertThat(PixelRefresh.of(PixelChip.WS2812B, 300, 3, 8, 44, 60, 40).limit())
                .isEqualTo(PixelRefresh.Limit.NETWORK);
        assertThat(PixelRefresh.of(PixelChip.WS2812B, 300, 3, 8, 44, 30, 40).limit())
                .isEqualTo(PixelRefresh.Limit.CONTROLLER);
    }

    /** 3060 × 60 mA at 5 V; the drop along a run of even load is half of that of a load at its end (Ohm's law). */
    @Test
    void powerOfTheWorkedValue() {
        PixelPower p = PixelPower.of(new PixelPower.Run(3060, 60, 1, 5, 0, 0, 0, 1.5, 0.1));
        assertThat(p.amps()).isCloseTo(183.6, within(1e-9));
        assertThat(p.watts()).isCloseTo(918, within(1e-9));
        assertThat(p.fuseAmps()).as("no blade fuse is so large").isZero();
        PixelPower run = PixelPower.of(new PixelPower.Run(300, 60, 0.5, 5, 5, 0.1, 4, 2.5, 0.1));
        assertThat(run.amps()).isEqualTo(9);
        assertThat(run.dropOneFeed()).isCloseTo(9 * 0.5 / 2, within(1e-9));
        assertThat(run.feeds()).isEqualTo(2);
        assertThat(run.dropVolts())
                .as("a quarter of the length with a quarter of the current")
                .isCloseTo(2.25 / 16, within(1e-9));
        assertThat(run.cableDrop()).isCloseTo(9 * 0.017241 * 8 / 2.5, within(1e-9));
        assertThat(run.fuseAmps()).isEqualTo(15);
    }
}
