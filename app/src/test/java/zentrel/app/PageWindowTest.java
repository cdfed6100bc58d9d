package zentrel.app;

import static org.assertj.core.api.Assertions.assertThat;
import static zentrel.app.Fx.fx;
import static zentrel.app.Fx.settled;

import java.util.List;
import javafx.application.Platform;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.control.DialogPane;
import javafx.scene.control.Label;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.stage.Stage;
import javafx.stage.Window;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.testfx.api.FxRobot;
import zentrel.app.flow.FlowPage;
import zentrel.app.gear.GearPage;
import zentrel.file.Settings;
import zentrel.file.SettingsFile;
import zentrel.plan.Edit;
import zentrel.plan.Kind;

/** Pages in windows of their own, the size of the text, and what dialogs wear. */
class PageWindowTest extends OpenWindow {
    private static final int GEAR = 0;
    private static final int FLOW = 1;

    /** The window is used again by other tests. */
    @AfterEach
    void asBefore() {
        fx(() -> {
            document.settings().change(s -> Settings.USUAL);
            stage.setWidth(1280);
            stage.setHeight(800);
            return true;
        });
    }

    private Stage apart(String title) {
        return Window.getWindows().stream()
                .filter(Stage.class::isInstance)
                .map(Stage.class::cast)
                .filter(s -> s.getTitle() != null && s.getTitle().startsWith(title + " – "))
                .findFirst()
                .orElseThrow();
    }

    /** A key in a window; there is nothing here that would give one of two windows the keyboard. */
    private static void press(Stage in, KeyCode code, boolean shift) {
        fx(() -> {
            Node to = in.getScene().getFocusOwner();
            Node target = to == null ? in.getScene().getRoot() : to;
            target.fireEvent(new KeyEvent(KeyEvent.KEY_PRESSED, "", "", code, shift, true, false, false));
            return true;
        });
    }

    @Test
    void aPageStandsInAWindowOfItsOwn(FxRobot robot) {
        plan();
        robot.push(KeyCode.CONTROL, KeyCode.DIGIT2);
        robot.push(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.N);
        settled(() -> window.apart().isOpen(FLOW) && window.shownPage() != FLOW);
        Stage flow = fx(() -> apart("Flow"));
        settled(() -> flow.getScene().lookup("#card-hut-desk") != null);

        // what is chosen and changed in one window is seen in the other
        fx(() -> {
            window.showPage(GEAR);
            document.apply(
                    new Edit("Rename", p -> p.with(Kind.APPLICATION.id("hut-desk"), a -> a.withName("First desk"))));
            return true;
        });
        plan();
        settled(() ->
                flow.getScene().lookup("#card-hut-desk").getAccessibleText().startsWith("First desk"));

        press(flow, KeyCode.Z, false);
        settled(() -> document.undoText().isEmpty());
        press(flow, KeyCode.EQUALS, true);
        settled(() -> document.settings().get().text() == Settings.TextSize.LARGER);
        assertThat(fx(() -> List.copyOf(flow.getScene().getRoot().getStyleClass())))
                .contains("text-larger");

        // asking for the page brings its window, and closing that gives the page back
        fx(() -> {
            window.showPage(FLOW);
            return true;
        });
        assertThat(fx(window::shownPage)).isEqualTo(GEAR);
        press(flow, KeyCode.W, false);
        settled(() -> !window.apart().isOpen(FLOW));
        fx(() -> window.show(FlowPage.class));
        settled(() -> there(robot, "#card-hut-desk"));
        assertThat(fx(() -> document.settings().get().windows())).containsKey("Flow");
    }

    @Test
    void onePageStaysHere() {
        plan();
        for (int i = 0; i < 10; i++) {
            fx(() -> {
                window.openApart();
                return true;
            });
        }
        assertThat(fx(() -> window.apart().count())).isEqualTo(9);
        assertThat(fx(() -> document.noticeProperty().get().text())).contains("One page stays");
    }

    /** The screen of this test is 1280 by 1024: room for one step, not for two. */
    @Test
    void aStepThatTheScreenHasNoRoomForIsRefused(FxRobot robot) throws Exception {
        plan();
        robot.push(KeyCode.CONTROL, KeyCode.EQUALS);
        settled(() -> document.settings().get().text() == Settings.TextSize.LARGER);
        assertThat(fx(() -> stage.getMinWidth())).isEqualTo(1100 * 1.14);
        robot.push(KeyCode.CONTROL, KeyCode.EQUALS);
        settled(() -> document.noticeProperty().get() != null);
        assertThat(fx(() -> document.noticeProperty().get().text())).contains("no room", "1430", "1280");
        settled(() -> new SettingsFile(document.folders().settingsFile())
                        .read()
                        .settings()
                        .text()
                == Settings.TextSize.LARGER);
        robot.push(KeyCode.CONTROL, KeyCode.DIGIT0);
        settled(() -> document.settings().get().text() == Settings.TextSize.USUAL);
    }

    @Test
    void dialogsWearWhatTheWindowWears(FxRobot robot) {
        plan();
        fx(() -> {
            document.settings().change(s -> s.withDay(true).withText(Settings.TextSize.LARGEST));
            window.show(GearPage.class);
            document.select(Kind.HOST.id("boathouse-node"));
            return true;
        });
        settled(() -> there(robot, "#gear-list"));
        Platform.runLater(() -> robot.lookup("#gear-list")
                .query()
                .fireEvent(new KeyEvent(KeyEvent.KEY_PRESSED, "", "", KeyCode.F2, false, false, false, false)));
        settled(() -> there(robot, ".dialog-pane"));
        List<String> cut = fx(() -> {
            DialogPane dialog = robot.lookup(".dialog-pane").queryAs(DialogPane.class);
            List<String> faults = labels(dialog).stream()
                    .filter(l ->
                            l.isVisible() && l.getText() != null && !l.getText().isEmpty())
                    .filter(l -> l.getWidth() < l.prefWidth(-1) - 1)
                    .map(Label::getText)
                    .toList();
            boolean worn = dialog.getStyleClass().containsAll(List.of("day", "text-largest"));
            dialog.getScene().getWindow().hide();
            return worn ? faults : List.of("It does not wear what the window wears.");
        });
        assertThat(cut).isEmpty();
    }

    private static List<Label> labels(Parent parent) {
        return parent.lookupAll(".label").stream()
                .filter(Label.class::isInstance)
                .map(Label.class::cast)
                .toList();
    }
}
