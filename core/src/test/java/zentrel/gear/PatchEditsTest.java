package zentrel.gear;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import java.util.HashSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;
import zentrel.command.Commands;
import zentrel.demo.FernlightTrail;
import zentrel.plan.Break;
import zentrel.plan.Fixture;
import zentrel.plan.Kind;
import zentrel.plan.Plan;
import zentrel.plan.Universe;

/** Many fixtures at once: nothing ends on anything else, nothing past the end, and nothing is lost. */
class PatchEditsTest {
    private static final Plan READY = FernlightTrail.ready();

    private static List<Fixture> fixtures(Plan plan, String numbers) {
        return PatchEdits.byNumber(plan.fixtures().stream()
                .filter(f -> f.number().matches(numbers))
                .toList());
    }

    private static Universe universe(Plan plan, int number) {
        return plan.universes().stream()
                .filter(u -> u.number() == number)
                .findFirst()
                .orElseThrow();
    }

    private static List<Integer> starts(Plan plan, String numbers) {
        return fixtures(plan, numbers).stream()
                .map(f -> f.breaks().get(0).start())
                .toList();
    }

    @Test
    void fixturesKeepTheirDistancesAndSnapToTheNearestRoom() {
        List<Fixture> two = fixtures(READY, "10[34]"); // slots 37 to 72 of U1, which is used to slot 216
        Plan after = PatchEdits.place(READY, two, universe(READY, 1), 210, 0)
                .orElseThrow()
                .applyTo(READY);
        assertThat(starts(after, "10[34]")).containsExactly(217, 235);
        Plan next = PatchEdits.place(READY, two, universe(READY, 6), 1, 1)
                .orElseThrow()
                .applyTo(READY);
        assertThat(starts(next, "10[34]"))
                .as("after the posts, which end at 48")
                .containsExactly(49, 67);
        assertThat(fixtures(next, "103").get(0).line())
                .as("on the line of its universe")
                .isEqualTo(fixtures(next, "601").get(0).line());
        assertThat(PatchEdits.place(READY, two, universe(READY, 1), 37, 0))
                .as("where they are")
                .isEmpty();
        assertThatIllegalArgumentException()
                .isThrownBy(() -> PatchEdits.place(READY, fixtures(READY, "1101"), universe(READY, 1), 1, 0))
                .withMessageContaining("no room");
    }

    /** Behind all that is there; where one stands at the very end, in the first gap that takes them all. */
    @Test
    void whatIsMovedWithoutASlotGoesWhereThereIsRoom() {
        List<Fixture> four = fixtures(READY, "10[1-4]");
        assertThat(starts(
                        FixturePatcher.move(READY, four, universe(READY, 6), 0).applyTo(READY), "10[1-4]"))
                .as("after the posts, which end at 48")
                .containsExactly(49, 67, 85, 103);
        Plan atEnd = READY.with(
                Kind.FIXTURE.id("f608"),
                f -> f.withBreak(0, new Break(universe(READY, 6).id(), 507, 6)));
        assertThat(starts(
                        FixturePatcher.move(atEnd, four, universe(atEnd, 6), 0).applyTo(atEnd), "10[1-4]"))
                .as("between the seventh post and the last")
                .containsExactly(43, 61, 79, 97);
    }

    @Test
    void numbersAreCountedOnAndNeverTakenTwice() {
        Plan after =
                PatchEdits.renumber(READY, fixtures(READY, "10[1-4]"), 5001, 10).applyTo(READY);
        assertThat(fixtures(after, "50\\d\\d"))
                .extracting(Fixture::number)
                .containsExactly("5001", "5011", "5021", "5031");
        assertThatIllegalArgumentException()
                .isThrownBy(() -> PatchEdits.renumber(READY, fixtures(READY, "10[1-4]"), 109, 1))
                .withMessage("The number 109 is taken by 109 Glasshouse wash 9.");
        assertThat(PatchEdits.renumber(READY, fixtures(READY, "10[1-4]"), 102, -1)
                        .applyTo(READY))
                .as("among themselves")
                .isNotNull();
    }

    @Test
    void twoOfOneSizeChangePlaces() {
        Fixture one = fixtures(READY, "101").get(0);
        Fixture other = fixtures(READY, "512").get(0);
        Plan after = PatchEdits.swap(READY, one, other).applyTo(READY);
        assertThat(fixtures(after, "101").get(0).breaks()).isEqualTo(other.breaks());
        assertThat(fixtures(after, "512").get(0).line()).isEqualTo(one.line());
        assertThatIllegalArgumentException()
                .isThrownBy(
                        () -> PatchEdits.swap(READY, one, fixtures(READY, "201").get(0)))
                .withMessageContaining("18 slots and 201 Glasshouse fern 1 23");
    }

    /** Whatever is arranged from wherever: all slots are theirs alone, and inside their universe. */
    @RepeatedTest(30)
    void startSlotsAreGivenWithoutOverlap(RepetitionInfo run) {
        Random random = new Random(run.getCurrentRepetition());
        List<Fixture> some =
                READY.fixtures().stream().filter(f -> random.nextInt(3) > 0).toList();
        PatchEdits.Order order = List.of(PatchEdits.Order.NUMBER, PatchEdits.Order.PLACE, PatchEdits.Order.TYPE)
                .get(random.nextInt(3));
        boolean whole = random.nextBoolean();
        Plan after = PatchEdits.startSlots(READY, some, 1 + random.nextInt(40), order, whole)
                .applyTo(READY);
        Set<String> used = new HashSet<>();
        for (Fixture f : after.fixtures()) {
            for (Break b : f.breaks()) {
                assertThat(b.end()).isLessThanOrEqualTo(Universe.SLOTS);
                for (int slot = b.start(); slot <= b.end(); slot++) {
                    assertThat(used.add(b.universe() + " " + slot))
                            .as(f.label())
                            .isTrue();
                }
            }
        }
        assertThat(after.fixtures()).hasSameSizeAs(READY.fixtures());
    }

    @Test
    void oneFieldOfManyByWords() {
        Plan after = new Commands(READY, Library.shipped(), null)
                .offers("set purpose of 101-112 to path light")
                .get(0)
                .work()
                .get()
                .edit()
                .applyTo(READY);
        assertThat(after.fixtures().stream().filter(f -> f.use().purpose().equals("path light")))
                .hasSize(12);
        Plan arranged = new Commands(READY, Library.shipped(), null)
                .offers("arrange 601-608,701-709 from U31 by place whole")
                .get(0)
                .work()
                .get()
                .edit()
                .applyTo(READY);
        assertThat(arranged.index().fixturesIn(universe(arranged, 31).id())).hasSize(17);
        assertThat(arranged.table(Kind.UNIVERSE)).hasSize(READY.universes().size() + 1);
    }
}
