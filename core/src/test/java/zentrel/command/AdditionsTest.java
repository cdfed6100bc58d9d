package zentrel.command;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import zentrel.demo.FernlightTrail;
import zentrel.entry.Format;
import zentrel.file.LoadedPlan;
import zentrel.file.PlanReader;
import zentrel.file.PlanWriter;
import zentrel.gear.Library;
import zentrel.plan.Id;
import zentrel.plan.Kind;
import zentrel.plan.Plan;

/** What can be added to what is selected. */
class AdditionsTest {
    private static final Library LIBRARY = Library.shipped();
    private static final Plan READY = FernlightTrail.ready();

    private static List<String> answers(Plan plan, Addition addition, int which) {
        List<String> answers = new ArrayList<>();
        for (Addition.Ask<?> ask : addition.asks()) {
            Format<?> format = ask.format();
            List<String> choices = format.choices(plan);
            answers.add(
                    !ask.usual().isEmpty() || choices.isEmpty() ? ask.usual() : choices.get(which % choices.size()));
        }
        return answers;
    }

    /** Each form, filled in with what is usual and with each choice in turn, adds something or is refused in a sentence. */
    @Test
    void everyKindOfEntityCanBeAddedByAForm() throws Exception {
        Set<Kind<?>> added = new HashSet<>();
        for (Addition addition : Additions.toPlan(READY, LIBRARY)) {
            tryOut(READY, addition, added);
        }
        for (Kind<?> kind : Kind.ALL) {
            for (Id<?> id : firstOf(kind)) {
                for (Addition addition : Additions.to(READY, LIBRARY, id)) {
                    tryOut(READY, addition, added);
                }
            }
        }
        assertThat(added).containsExactlyInAnyOrderElementsOf(Kind.ALL);
    }

    private static <E> List<Id<?>> firstOf(Kind<E> kind) {
        List<Id<?>> ids = new ArrayList<>();
        READY.all(kind).stream().limit(12).forEach(e -> ids.add(kind.idOf(e)));
        return ids;
    }

    private static void tryOut(Plan plan, Addition addition, Set<Kind<?>> added) throws Exception {
        for (int which = 0; which < 12; which++) {
            Plan after;
            try {
                after = addition.made(plan, answers(plan, addition, which))
                        .edit()
                        .applyTo(plan);
            } catch (IllegalArgumentException e) {
                assertThat(e.getMessage()).as(addition.title()).matches("(?s)[\\p{Lu}“0-9].*[.?]");
                continue;
            }
            assertThat(PlanReader.read(PlanWriter.write(LoadedPlan.of(after))).plan())
                    .as(addition.title())
                    .isEqualTo(after);
            kinds(plan, after, added);
        }
    }

    private static void kinds(Plan before, Plan after, Set<Kind<?>> added) {
        for (Kind<?> kind : Kind.ALL) {
            if (after.all(kind).size() > before.all(kind).size()) {
                added.add(kind);
            }
        }
    }

    @Test
    void whatIsLeftOutOrWrongIsNamed() {
        Addition adapter =
                Additions.to(READY, LIBRARY, Kind.HOST.id("hut-console")).get(0);
        assertThatThrownBy(() -> adapter.made(READY, List.of())).isInstanceOf(IllegalArgumentException.class);
        Addition universe = Additions.toPlan(READY, LIBRARY).get(2);
        assertThatThrownBy(() -> universe.made(READY, List.of("many", "")))
                .hasMessageStartingWith("Number: ")
                .hasMessageContaining("\"many\"");
        assertThatThrownBy(() -> universe.made(READY, List.of("1", "")))
                .hasMessage("There is a universe 1 already: Glasshouse north.");
    }
}
