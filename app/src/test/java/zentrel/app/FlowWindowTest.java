package zentrel.app;

import static java.util.concurrent.TimeUnit.MILLISECONDS;
import static org.assertj.core.api.Assertions.assertThat;
import static org.awaitility.Awaitility.await;
import static zentrel.app.Fx.fx;
import static zentrel.app.Fx.settled;

import java.util.concurrent.atomic.AtomicReference;
import javafx.scene.Node;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import org.testfx.api.FxRobot;
import zentrel.app.flow.BigRig;
import zentrel.app.flow.FlowPage;
import zentrel.app.flow.FlowView;
import zentrel.demo.FernlightTrail;
import zentrel.file.LoadedPlan;
import zentrel.plan.Kind;
import zentrel.plan.Plan;

/** The real window: the flow filtered, folded, opened, walked by arrows, zoomed and back, and put on paper. */
class FlowWindowTest extends OpenWindow {
    @Override
    Plan opening() {
        return FernlightTrail.draft();
    }

    private static void more(FxRobot robot, String item) {
        fx(() -> {
            ((MenuButton) robot.lookup("#flow-more").query())
                    .getItems().stream().filter(i -> item.equals(i.getId())).forEach(MenuItem::fire);
            return true;
        });
    }

    private void shown(FxRobot robot) {
        plan();
        settled(() -> there(robot, "#card-boathouse-node-rx"));
    }

    @Test
    void onlyWhatIsAskedForIsShownAndBackspaceLeadsBack(FxRobot robot) {
        shown(robot);
        more(robot, "flow-filter");
        settled(() -> there(robot, "#flow-protocol"));
        ComboBox<String> protocol = robot.lookup("#flow-protocol").queryComboBox();
        assertThat(protocol.getItems()).contains("Art-Net", "sACN", "OSC");
        fx(() -> {
            protocol.setValue("OSC");
            return true;
        });
        settled(() -> !there(robot, "#card-boathouse-node-rx") && there(robot, "#card-cafe-dimmer"));
        fx(() -> {
            robot.lookup("#flow-scroll").query().requestFocus();
            return true;
        });
        robot.push(KeyCode.BACK_SPACE);
        settled(() -> there(robot, "#card-boathouse-node-rx"));
        assertThat(fx(protocol::getValue)).isEqualTo("every protocol");
        fx(() -> {
            robot.lookup("#flow-wrong").queryAs(CheckBox.class).fire();
            return true;
        });
        settled(() -> there(robot, "#card-boathouse-node-rx") && !there(robot, "#card-glasshouse-node-rx"));
    }

    @Test
    void arrowsLeadFromCardToCard(FxRobot robot) {
        shown(robot);
        fx(() -> {
            robot.lookup("#card-hut-desk").query().requestFocus();
            return true;
        });
        robot.push(KeyCode.DOWN);
        settled(() -> focused().equals("card-backup-desk"));
        robot.push(KeyCode.UP);
        settled(() -> focused().equals("card-hut-desk"));
        robot.push(KeyCode.RIGHT);
        settled(() -> focused().endsWith("-rx"));
        robot.push(KeyCode.LEFT);
        settled(() -> focused().equals("card-hut-desk"));
        robot.push(KeyCode.RIGHT);
        settled(() -> focused().endsWith("-rx"));
        String taker = focused();
        robot.push(KeyCode.ENTER);
        settled(() -> Kind.RECEIVER
                .id(taker.substring(5))
                .equals(document.selectionProperty().get()));
    }

    private String focused() {
        Node owner = stage.getScene().getFocusOwner();
        return owner == null || owner.getId() == null ? "" : owner.getId();
    }

    @Test
    void itGrowsAndShrinksAndComesBack(FxRobot robot) {
        shown(robot);
        double before = stillScale(robot);
        robot.push(KeyCode.EQUALS);
        settled(() -> scale(robot) > before);
        robot.push(KeyCode.MINUS);
        robot.push(KeyCode.MINUS);
        settled(() -> scale(robot) < before);
        robot.push(KeyCode.DIGIT0);
        settled(() -> there(robot, "#card-boathouse-node-rx") && scale(robot) > 0.5);
        robot.push(KeyCode.BACK_SPACE);
        settled(() -> scale(robot) < before);
    }

    /** The scale once the first layout is over: twice the same. */
    private static double stillScale(FxRobot robot) {
        AtomicReference<Double> last = new AtomicReference<>(0.0);
        await().pollInterval(300, MILLISECONDS).until(() -> {
            double now = fx(() -> scale(robot));
            return now == last.getAndSet(now);
        });
        return last.get();
    }

    private static double scale(FxRobot robot) {
        return robot.lookup("#card-hut-desk")
                .query()
                .getParent()
                .getLocalToSceneTransform()
                .getMxx();
    }

    /** Many boxes stand in groups with their totals; Enter opens one, and a name that is chosen is not hidden by that. */
    @Test
    void manyBoxesStandInGroups(FxRobot robot) {
        fx(() -> {
            document.show(LoadedPlan.of(BigRig.of(80, 8)));
            return true;
        });
        plan();
        settled(() -> there(robot, "#card-rx0"));
        assertThat(robot.lookup((Node n) -> n.getId() != null && n.getId().startsWith("card-rx"))
                        .queryAll())
                .hasSize(8);
        fx(() -> {
            robot.lookup("#card-rx3").query().requestFocus();
            return true;
        });
        robot.push(KeyCode.ENTER);
        settled(() -> there(robot, "#card-rx11"));
        fx(() -> {
            window.view(FlowPage.class).change(FlowView.ALL.folded(FlowView.Fold.NOTHING));
            return true;
        });
        settled(() -> there(robot, "#card-rx1") && there(robot, "#card-rx2"));
    }

    @Test
    void itIsPutOnPaper(FxRobot robot) {
        shown(robot);
        more(robot, "flow-export");
        settled(() -> there(robot, "#flow-paper"));
        String svg = fx(() ->
                new String(window.view(FlowPage.class).onPaper("Fernlight"), java.nio.charset.StandardCharsets.UTF_8));
        assertThat(svg)
                .startsWith("<svg")
                .contains(">Hut desk<")
                .contains(">10.41.22.3<")
                .contains(">Café dimmer, OSC<")
                .contains("<title>Fernlight</title>");
        assertThat(svg.split("<path", -1).length).as("ribbons, rules, marks").isGreaterThan(30);
        fire(robot, "#flow-export-leave");
        settled(() -> there(robot, "#card-boathouse-node-rx"));
    }
}
