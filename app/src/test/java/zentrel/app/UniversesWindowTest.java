package zentrel.app;

import static org.assertj.core.api.Assertions.assertThat;
import static zentrel.app.Fx.fx;
import static zentrel.app.Fx.settled;

import javafx.scene.control.ListView;
import javafx.scene.control.TextInputControl;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import org.testfx.api.FxRobot;
import zentrel.plan.*;

/** The real window: a dark port looked into, load and contests read, numbers moved and routes taken over. */
class UniversesWindowTest extends OpenWindow {
    private void shown(FxRobot robot) {
        settled(() -> document.reportProperty().get() != null);
        robot.push(KeyCode.CONTROL, KeyCode.DIGIT4);
        settled(() -> robot.lookup("#universes-load").tryQuery().isPresent());
    }

    /** The plan says that all is well and the port is dark: asked at most four times, the hop is found, with time and person. */
    @Test
    void whereADarkPortDiesIsFoundByLooking(FxRobot robot) {
        settled(() -> document.reportProperty().get() != null);
        fx(() -> {
            document.select(new PortId("boathouse-node.p1"));
            return true;
        });
        settled(() -> robot.lookup("#look-next").tryQuery().isPresent());
        fire(robot, "#look-next");
        int fault = 8; // whoever looks sees the signal up to hop 7
        int looks = 0;
        while (robot.lookup("#look-yes").tryQuery().isPresent()) {
            int asked = Integer.parseInt(text(robot, "#look-text").split(" ", 2)[0]);
            assertThat(text(robot, "#look-text")).endsWith("?");
            fire(robot, asked < fault ? "#look-yes" : "#look-no");
            looks++;
            assertThat(looks).isLessThanOrEqualTo(4);
        }
        assertThat(text(robot, "#look-text"))
                .startsWith("It dies at hop 8 (numbers agree). The plan says that it passes");
        assertThat(robot.lookup((javafx.scene.Node n) -> n instanceof javafx.scene.control.Label l
                                && l.getText().startsWith("seen at "))
                        .queryAll())
                .as("what was answered stands at its hop")
                .isNotEmpty();
    }

    @Test
    void loadAndContestsAreRead(FxRobot robot) {
        shown(robot);
        fire(robot, "#universes-load");
        settled(() -> robot.lookup("#load-table").tryQuery().isPresent());
        fx(() -> {
            robot.lookup("#load-pixels").queryAs(TextInputControl.class).setText("64000");
            robot.lookup("#load-pixels")
                    .queryAs(javafx.scene.control.TextField.class)
                    .fireEvent(new javafx.event.ActionEvent());
            return true;
        });
        settled(() -> robot.lookup("#load-universes")
                .queryAs(TextInputControl.class)
                .getText()
                .equals("377"));
        settled(() -> robot.lookup("There is no room below 70 %.").tryQuery().isPresent()
                || robot.lookup((javafx.scene.Node n) -> n instanceof javafx.scene.control.Label l
                                && l.getText().contains("There is no room below 70 %."))
                        .tryQuery()
                        .isPresent());
        robot.push(KeyCode.ESCAPE);
        settled(() -> robot.lookup("#universes-wins").tryQuery().isPresent());
        fire(robot, "#universes-wins");
        settled(() ->
                !robot.lookup("#wins-list").queryAs(ListView.class).getItems().isEmpty());
        robot.push(KeyCode.ESCAPE);
        settled(() -> robot.lookup("#universe-list").tryQuery().isPresent());
    }

    @Test
    void numbersMoveEverywhereAndRoutesAreTakenOver(FxRobot robot) {
        shown(robot);
        Plan ready = fx(document::plan);
        PortId output = new PortId("pergola.o1");
        assertThat(ready.index().find(output)).isPresent();
        fire(robot, "#universes-numbers");
        settled(() -> robot.lookup("#numbers-show").tryQuery().isPresent());
        fire(robot, "#numbers-show");
        settled(() -> !robot.lookup("#numbers-set").query().isDisabled());
        assertThat(fx(document::plan)).as("nothing is changed by looking").isEqualTo(ready);
        fire(robot, "#numbers-set");
        settled(() -> document.plan().index().port(output).wire().orElseThrow().inForce() == 111);
        robot.push(KeyCode.CONTROL, KeyCode.Z);
        settled(() -> document.plan().equals(ready));
        settled(() -> robot.lookup("#universes-more").tryQuery().isPresent());
        Fx.menu(robot, "#universes-more", "universes-import");
        settled(() -> robot.lookup("#routes-text").tryQuery().isPresent());
        fx(() -> {
            robot.lookup("#routes-text")
                    .queryAs(TextInputControl.class)
                    .setText("Receiver;Port;Number\nPergola controller;Output 1;311\nMoon;Output 1;3\n");
            return true;
        });
        settled(() -> !robot.lookup("#routes-set").query().isDisabled());
        assertThat(robot.lookup("Row 3: the plan has no port \"Output 1\" at \"Moon\"")
                        .tryQuery())
                .isPresent();
        fire(robot, "#routes-set");
        settled(() -> document.plan().index().port(output).wire().orElseThrow().inForce() == 311);
        robot.push(KeyCode.CONTROL, KeyCode.Z);
        settled(() -> document.plan().equals(ready));
    }

    /** Both protocols side by side; a move is shown with what it breaks, made, and undone. */
    @Test
    void aSourceIsMovedToTheOtherProtocol(FxRobot robot) {
        shown(robot);
        Plan ready = fx(document::plan);
        fire(robot, "#universes-protocol");
        settled(() -> there(robot, "#protocol-sacn-hut-desk"));
        fire(robot, "#protocol-artnet-hut-desk");
        settled(() -> there(robot, "#protocol-set"));
        assertThat(robot.lookup((javafx.scene.Node n) -> n instanceof javafx.scene.control.Label l
                                && l.getText().startsWith("It breaks "))
                        .tryQuery())
                .as("two sources without priorities")
                .isPresent();
        fire(robot, "#protocol-sacn-hut-desk");
        settled(() -> robot.lookup((javafx.scene.Node n) ->
                        n instanceof javafx.scene.control.Label l && l.getText().startsWith("It breaks nothing"))
                .tryQuery()
                .isPresent());
        assertThat(fx(document::plan)).as("nothing is changed by looking").isEqualTo(ready);
        fire(robot, "#protocol-set");
        settled(() -> document.plan().index().streamsOf(new ApplicationId("hut-desk")).stream()
                .allMatch(s -> s.protocol() == Protocol.SACN));
        plan();
        assertThat(fx(() -> document.reportProperty().get().isBroken())).isFalse();
        robot.push(KeyCode.CONTROL, KeyCode.Z);
        settled(() -> document.plan().equals(ready));
    }
}
