package zentrel.app;

import static org.assertj.core.api.Assertions.assertThat;
import static zentrel.app.Fx.click;
import static zentrel.app.Fx.fx;
import static zentrel.app.Fx.settled;

import java.nio.file.Files;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Labeled;
import javafx.scene.control.TextArea;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import org.testfx.api.FxRobot;
import zentrel.file.Settings;
import zentrel.plan.Plan;
import zentrel.text.Version;

/** Settings are changed and kept, and a report of a fault holds what it needs and nothing that tells who or where. */
class AboutWindowTest extends OpenWindow {
    @Test
    void settingsAreKeptAndAReportIsReadBeforeItIsSaved(FxRobot robot) throws Exception {
        Plan plan = plan();
        robot.push(KeyCode.CONTROL, KeyCode.K);
        robot.write("settings, and about");
        robot.push(KeyCode.ENTER);
        settled(() -> there(robot, "#about"));
        String shown = fx(() -> robot.lookup("#about .label").queryAllAs(Labeled.class).stream()
                .map(Labeled::getText)
                .reduce("", (a, b) -> a + "\n" + b));
        assertThat(shown)
                .contains(
                        Version.current(),
                        Version.commit(),
                        document.folders().logs().toString())
                .contains("org.openjfx:javafx-controls", "GPL-2.0 with Classpath Exception", "IBM Plex");

        fx(() -> {
            robot.lookup("#setting-day").queryAs(CheckBox.class).fire();
            robot.lookup("#setting-addresses").queryAs(CheckBox.class).fire();
            robot.lookup("#setting-levels").<ComboBox<Settings.Levels>>query().setValue(Settings.Levels.PERCENT);
            return true;
        });
        settled(() -> Files.exists(document.folders().settingsFile())
                && Files.readString(document.folders().settingsFile()).contains("percent"));
        assertThat(document.folders().settingsFile()).content().contains("\"day\": true", "\"addressesInLogs\": true");

        click(robot, "#report-make");
        settled(() -> there(robot, "#report-text"));
        String report =
                fx(() -> robot.lookup("#report-text").queryAs(TextArea.class).getText());
        assertThat(report)
                .contains(
                        Version.current(),
                        "Java ",
                        "Screens: 1280 by ",
                        "levels percent",
                        "host: " + plan.hosts().size())
                .contains("universe.no-receiver: 1")
                .doesNotContain("10.41.", "Boathouse", plan.name(), System.getProperty("user.home") + "/");
        robot.push(KeyCode.ESCAPE);
        settled(() -> !there(robot, "#about"));
        assertThat(fx(() -> stage.getScene().getRoot().getStyleClass().contains("day")))
                .isTrue();
    }
}
