package zentrel.app;

import static java.util.concurrent.TimeUnit.SECONDS;
import static org.assertj.core.api.Assertions.assertThat;
import static org.awaitility.Awaitility.await;
import static zentrel.app.Fx.click;
import static zentrel.app.Fx.fx;
import static zentrel.app.Fx.settled;

import java.nio.file.Files;
import java.nio.file.Path;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.testfx.api.FxRobot;
import zentrel.app.patch.PatchPage;
import zentrel.demo.FernlightTrail;
import zentrel.file.LoadedPlan;
import zentrel.plan.Break;
import zentrel.plan.Fixture;
import zentrel.plan.Kind;
import zentrel.plan.Plan;

/** Fixtures in a real window: chosen, moved by mouse and keys, renumbered in words, and a list of another program taken over. */
class PatchWindowTest extends OpenWindow {
    private Fixture fixture(String number) {
        return document.plan().fixtures().stream()
                .filter(f -> f.number().equals(number))
                .findFirst()
                .orElseThrow();
    }

    private Break at(String number) {
        return fixture(number).breaks().get(0);
    }

    /** The strips may be drawn anew under the pointer; then it is pressed again. */
    private void press(FxRobot robot, String number) {
        await().atMost(20, SECONDS).ignoreExceptions().until(() -> {
            robot.clickOn("#bar-" + number);
            return fx(() ->
                    fixture(number).id().equals(document.selectionProperty().get()));
        });
    }

    private void toPatch(FxRobot robot) {
        plan();
        robot.push(KeyCode.CONTROL, KeyCode.DIGIT5);
        waitFor("140 fixtures");
        settled(() -> robot.lookup("#bar-101").tryQuery().isPresent());
    }

    @Test
    void fixturesAreChosenAndMovedByMouseAndKeys(FxRobot robot) {
        toPatch(robot);
        press(robot, "112");
        robot.push(KeyCode.SHIFT, KeyCode.LEFT);
        waitFor("2 chosen, 111 to 112");
        robot.push(KeyCode.ALT, KeyCode.RIGHT);
        settled(() -> at("111").start() == 182 && at("112").start() == 200);
        robot.push(KeyCode.ALT, KeyCode.DOWN);
        settled(() -> at("112").universe().equals(Kind.UNIVERSE.id("u2")));
        assertThat(fx(() -> at("111").start()))
                .as("after the ferns, which end at 207")
                .isEqualTo(208);
        fx(() -> {
            document.undo();
            document.undo();
            return true;
        });
        settled(() -> at("111").start() == 181);

        press(robot, "101");
        robot.drag("#bar-101").dropTo("#bar-606"); // onto another fixture of another universe: the nearest room
        settled(() -> at("101").universe().equals(Kind.UNIVERSE.id("u6")));
        assertThat(fx(() -> at("101").start())).isGreaterThanOrEqualTo(43);
        robot.push(KeyCode.DELETE);
        settled(() ->
                document.plan().fixtures().stream().noneMatch(f -> f.number().equals("101")));
    }

    @Test
    void manyAreRenumberedInWordsAndARefusalKeepsTheLine(FxRobot robot) {
        toPatch(robot);
        press(robot, "103");
        robot.push(KeyCode.SHIFT, KeyCode.RIGHT);
        waitFor("2 chosen, 103 to 104");
        click(robot, "#patch-renumber");
        settled(() ->
                robot.lookup("#patch-words").queryAs(TextField.class).getText().equals("renumber 103,104 from "));
        robot.write("201");
        waitFor("Renumber 2 fixtures, 103 to 104 from 201");
        robot.push(KeyCode.ENTER);
        waitFor("The number 201 is taken by 201 Glasshouse fern 1.");
        robot.eraseText(3).write("131");
        waitFor("Renumber 2 fixtures, 103 to 104 from 131");
        robot.push(KeyCode.ENTER);
        settled(() ->
                document.plan().fixtures().stream().anyMatch(f -> f.number().equals("132")));
    }

    /** Both ways: what the list says into the plan, and what the plan says noted as set in the other program. */
    @Test
    void aListIsComparedAndTakenRowByRow(FxRobot robot) {
        fx(() -> {
            document.show(LoadedPlan.of(FernlightTrail.draft()));
            return true;
        });
        toPatch(robot);
        waitFor("140 fixtures, 24 differ");
        waitFor("start slot, footprint, mode");
        click(robot, "#as-list-301–310");
        settled(() -> at("301").start() == 13 && at("310").start() == 121);
        waitFor("140 fixtures, 14 differ");
        click(robot, "#as-plan-404");
        waitFor("140 fixtures, 13 differ");
        assertThat(fx(() -> document.plan().patchLists().get(0).rows().stream()
                        .anyMatch(r -> r.number().equals("404"))))
                .isTrue();
        click(robot, "#patch-all-plan");
        waitFor("140 fixtures, the same in both");
        assertThat(fx(() -> fixture("206").mode())).isEqualTo("leaves 23");
        fx(() -> {
            document.undo();
            return true;
        });
        waitFor("140 fixtures, 13 differ");
    }

    @Test
    void aListFromAFileIsReadSaidWhatWasLeftOutAndWritten(FxRobot robot, @TempDir Path folder) throws Exception {
        Path file = Files.writeString(folder.resolve("tower paper.csv"), """
                Number,Label,Type,Address,Footprint
                101,Glasshouse wash 1,wash 18,1.1,18
                102,Glasshouse wash two,wash 18,1.19,18
                103,Glasshouse wash 3,wash 18,1.600,18
                9001,Tower,wash 18,31.1,18
                """);
        toPatch(robot);
        fx(() -> {
            window.show(PatchPage.class).read(file);
            return true;
        });
        waitFor("tower paper: 3 fixtures, 1 left out. Row 4: there is no slot 600; a universe has 1 to 512");
        settled(() -> document.plan().patchLists().size() == 2);
        waitFor("140 fixtures, 140 differ");
        settled(() -> robot.lookup("#as-list-9001").tryQuery().isPresent() || scrolled(robot));
        click(robot, "#as-list-9001");
        settled(() -> document.plan().fixtures().size() == 141);
        assertThat(fx(() ->
                        document.plan().index().universe(at("9001").universe()).number()))
                .isEqualTo(31);
        Path written = folder.resolve("out.csv");
        fx(() -> {
            window.show(PatchPage.class).write(written, true);
            return true;
        });
        waitFor("141 fixtures written to out.csv.");
        assertThat(Files.readAllLines(written).get(0))
                .as("as that list is written")
                .isEqualTo("Number,Label,Type,Address,Footprint,Part");
    }

    private static boolean scrolled(FxRobot robot) {
        ListView<?> rows = robot.lookup("#patch-rows").queryAs(ListView.class);
        rows.scrollTo(rows.getItems().size() - 1);
        return false;
    }

    /** What is broken in an empty plan: nothing; what to do first is said. */
    @Test
    void anEmptyPlanSaysHowToBegin(FxRobot robot) {
        fx(() -> {
            document.show(LoadedPlan.of(Plan.EMPTY.withName("Empty")));
            return true;
        });
        settled(() -> document.plan().fixtures().isEmpty());
        robot.push(KeyCode.CONTROL, KeyCode.DIGIT5);
        waitFor("Universes stand here as strips of 512 slots");
        assertThat(fx(() -> robot.lookup("#patch-against")
                        .queryAs(javafx.scene.control.ComboBox.class)
                        .getItems()
                        .size()))
                .as("no list")
                .isEqualTo(1);
    }
}
