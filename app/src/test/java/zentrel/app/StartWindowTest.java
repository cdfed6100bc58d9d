package zentrel.app;

import static org.assertj.core.api.Assertions.assertThat;
import static zentrel.app.Fx.fx;
import static zentrel.app.Fx.settled;

import java.nio.file.Files;
import java.nio.file.Path;
import javafx.scene.Node;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import org.testfx.api.FxRobot;
import zentrel.demo.FernlightTrail;
import zentrel.file.LoadedPlan;
import zentrel.file.PlanFile;
import zentrel.plan.Plan;

/** The first minute: four ways in where there is no plan. */
class StartWindowTest extends OpenWindow {
    @Override
    Plan opening() {
        return Plan.EMPTY;
    }

    private static void begun(FxRobot robot) {
        settled(() -> there(robot, "#start-page"));
        assertThat(there(robot, ".margin-pane")).isFalse();
    }

    /** The last example does those before it, and the page stays until somebody goes on. */
    @Test
    void linesAreSaidOneAfterTheOther(FxRobot robot) {
        begun(robot);
        fire(robot, "#start-example-2");
        settled(() -> document.plan().universes().size() == 8);
        assertThat(fx(() -> document.plan().hosts())).hasSize(4);
        assertThat(report().isBroken()).isFalse();
        assertThat(there(robot, "#start-page")).isTrue();
        fx(() -> {
            robot.lookup("#start-line").queryAs(TextField.class).requestFocus();
            robot.lookup("#start-line").queryAs(TextField.class).setText("moon");
            return true;
        });
        robot.push(KeyCode.ENTER);
        settled(() -> robot.lookup((javafx.scene.Node n) ->
                        n instanceof javafx.scene.control.Label l && l.getText().contains("moon"))
                .tryQuery()
                .isPresent());
        fire(robot, "#start-gear");
        settled(() -> there(robot, "#gear-words"));
        assertThat(there(robot, ".margin-pane")).isTrue();
        robot.push(KeyCode.CONTROL, KeyCode.Z).push(KeyCode.CONTROL, KeyCode.Z).push(KeyCode.CONTROL, KeyCode.Z);
        settled(() -> document.plan().hosts().isEmpty());
        assertThat(there(robot, "#start-page"))
                .as("whoever undoes all is not sent away")
                .isFalse();
    }

    /** Whoever begins with a sentence need not look for the line: keys go there, at the start and after Ctrl+N. */
    @Test
    void theKeyboardIsInTheLineOfWords(FxRobot robot) {
        for (int time = 0; time < 2; time++) {
            begun(robot);
            settled(() -> {
                Node owner = stage.getScene().getFocusOwner();
                return owner != null && "start-line".equals(owner.getId());
            });
            robot.write("node 4");
            robot.push(KeyCode.ENTER);
            settled(() -> document.plan().hosts().size() == 1);
            fx(() -> {
                document.tell("What is told of one plan is not of the next.");
                document.show(LoadedPlan.of(document.plan()));
                return true;
            });
            settled(() -> !there(robot, "#start-page"));
            assertThat(fx(() -> document.noticeProperty().get())).isNull();
            robot.push(KeyCode.CONTROL, KeyCode.N);
        }
    }

    @Test
    void thePatternTheDemoAndAFileAreOneStepAway(FxRobot robot) throws Exception {
        begun(robot);
        fire(robot, "#start-draft");
        settled(() -> document.plan().equals(FernlightTrail.draft()));
        settled(() -> !there(robot, "#start-page"));
        robot.push(KeyCode.CONTROL, KeyCode.N);
        settled(() -> there(robot, "#start-page"));
        fire(robot, "#start-pattern-console-nodes");
        settled(() -> there(robot, "#pattern-build"));
        fire(robot, "#pattern-build");
        settled(() -> !document.plan().hosts().isEmpty());
        Path file = Files.createTempDirectory(home, "kept").resolve("small.zentrel.json");
        PlanFile.save(LoadedPlan.of(FernlightTrail.ready().withName("Small")), file);
        fx(() -> {
            document.show(LoadedPlan.of(Plan.EMPTY));
            return true;
        });
        fx(() -> {
            document.open(file);
            return true;
        });
        settled(() -> document.plan().name().equals("Small"));
        assertThat(there(robot, "#start-page")).isFalse();
    }
}
