package zentrel.app;

import static org.assertj.core.api.Assertions.assertThat;
import static zentrel.app.Fx.fx;
import static zentrel.app.Fx.settled;

import java.util.ArrayList;
import java.util.List;
import javafx.geometry.Bounds;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.control.Control;
import javafx.scene.control.ListView;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TableView;
import javafx.scene.layout.BorderPane;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.testfx.api.FxRobot;
import zentrel.demo.FernlightTrail;
import zentrel.file.Settings;
import zentrel.plan.Host;
import zentrel.plan.Kind;
import zentrel.plan.Plan;

/** Every page at every size of the window: nothing leaves its area, and nothing covers what stands beside it. */
class SizesWindowTest extends OpenWindow {
    private static final int[][] SIZES = {{1100, 700}, {1280, 800}, {1920, 1080}, {2560, 1440}, {1100, 700}};
    private static final double TOLERANCE = 1.5;

    /** The demo with the longest names that anybody would give. */
    @Override
    Plan opening() {
        Plan plan = FernlightTrail.draft();
        for (Host host : plan.hosts()) {
            plan = plan.with(host.id(), h -> h.withName(h.name() + " in the far corner behind the old glasshouse"));
        }
        return plan;
    }

    /** As large as each step of the text asks for at least, and one window that is larger. */
    @ParameterizedTest
    @EnumSource(Settings.TextSize.class)
    void nothingLeavesItsArea(Settings.TextSize text, FxRobot robot) {
        plan();
        fx(() -> {
            document.settings().change(s -> s.withText(text));
            return true;
        });
        assertThat(stage.getMinWidth()).isEqualTo(1100 * text.times());
        fx(() -> {
            document.tell("A sentence that stands in the bar below the top, long enough to be told.");
            return true;
        });
        List<String> faults = new ArrayList<>();
        for (int[] usual : SIZES) {
            int[] size = {(int) Math.ceil(usual[0] * text.times()), (int) Math.ceil(usual[1] * text.times())};
            fx(() -> {
                stage.setWidth(size[0]);
                stage.setHeight(size[1]);
                return true;
            });
            settled(() -> Math.abs(stage.getScene().getWidth() - size[0]) < 2);
            for (int page = 0; page < 5; page++) {
                int number = page;
                fx(() -> {
                    window.showPage(number);
                    document.select(Kind.HOST.id("boathouse-node"));
                    return true;
                });
                plan();
                org.testfx.util.WaitForAsyncUtils.waitForFxEvents();
                faults.addAll(fx(() -> {
                    stage.getScene().getRoot().layout();
                    return faults(size[0] + "×" + size[1] + " page " + (number + 1) + ": ");
                }));
            }
        }
        assertThat(faults).isEmpty();
    }

    /** The window is used again by other tests. */
    @AfterEach
    void asBefore() {
        fx(() -> {
            document.settings().change(s -> s.withText(Settings.TextSize.USUAL));
            stage.setWidth(1280);
            stage.setHeight(800);
            return true;
        });
    }

    private List<String> faults(String where) {
        List<String> faults = new ArrayList<>();
        BorderPane root = (BorderPane)
                stage.getScene().getRoot().getChildrenUnmodifiable().get(0);
        for (Node area : List.of(root.getTop(), root.getLeft(), root.getCenter(), root.getRight(), root.getBottom())) {
            inside(area, area.localToScene(area.getLayoutBounds()), where, faults);
        }
        Bounds left = root.getLeft().localToScene(root.getLeft().getLayoutBounds());
        Bounds centre = root.getCenter().localToScene(root.getCenter().getLayoutBounds());
        Bounds right = root.getRight().localToScene(root.getRight().getLayoutBounds());
        if (left.getMaxX() > centre.getMinX() + TOLERANCE || centre.getMaxX() > right.getMinX() + TOLERANCE) {
            faults.add(where + "the areas overlap");
        }
        return faults;
    }

    /** Controls and texts within an area; what scrolls shows its own part. */
    private static void inside(Node node, Bounds area, String where, List<String> faults) {
        if (!node.isVisible() || !node.isManaged()) {
            return;
        }
        boolean scrolls = node instanceof ScrollPane || node instanceof ListView || node instanceof TableView;
        boolean leaf = node instanceof Control || !(node instanceof Parent);
        if (leaf) {
            Bounds at = node.localToScene(node.getLayoutBounds());
            boolean leaves = at.getMinX() < area.getMinX() - TOLERANCE || at.getMaxX() > area.getMaxX() + TOLERANCE;
            if (leaves && at.getWidth() > 0) {
                faults.add(where + node + " from " + Math.round(at.getMinX()) + " to " + Math.round(at.getMaxX())
                        + ", its area from " + Math.round(area.getMinX()) + " to " + Math.round(area.getMaxX()));
            }
        }
        if (!scrolls && !leaf) {
            ((Parent) node).getChildrenUnmodifiable().forEach(c -> inside(c, area, where, faults));
        }
    }
}
