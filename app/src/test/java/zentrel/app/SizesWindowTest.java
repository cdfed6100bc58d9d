package zentrel.app;

import static org.assertj.core.api.Assertions.assertThat;
import static zentrel.app.Fx.fx;
import static zentrel.app.Fx.settled;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import javafx.geometry.Bounds;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.control.Control;
import javafx.scene.control.ListView;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TableView;
import javafx.scene.layout.BorderPane;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.testfx.api.FxRobot;
import org.testfx.util.WaitForAsyncUtils;
import zentrel.app.addresses.AddressesPage;
import zentrel.app.flow.FlowPage;
import zentrel.app.gear.GearPage;
import zentrel.app.universes.UniversesPage;
import zentrel.demo.FernlightTrail;
import zentrel.file.Settings;
import zentrel.plan.Host;
import zentrel.plan.Id;
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
            resized(size);
            for (int page = 0; page < 5; page++) {
                int number = page;
                faults.addAll(faults(
                        size, "page " + (number + 1), () -> window.showPage(number), Kind.HOST.id("boathouse-node")));
            }
        }
        assertThat(faults).isEmpty();
    }

    /** What opens in place of a page's picture: forms, tables, previews, help. */
    @Test
    void nothingLeavesItsAreaOnSubpages(FxRobot robot) {
        plan();
        Map<String, Runnable> subpages = new LinkedHashMap<>();
        GearPage gear = fx(() -> window.view(GearPage.class));
        AddressesPage addresses = fx(() -> window.view(AddressesPage.class));
        UniversesPage universes = fx(() -> window.view(UniversesPage.class));
        subpages.put("form", on(0, gear::form));
        subpages.put("profiles", on(0, gear::profiles));
        subpages.put("patterns", on(0, gear::patterns));
        subpages.put(
                "filter of the flow", on(1, () -> window.view(FlowPage.class).filter()));
        subpages.put("moving", on(2, () -> addresses.move("172.20.0.0/16")));
        subpages.put("assigning", on(2, () -> addresses.giveOut(true)));
        subpages.put("advice", on(2, addresses::advise));
        subpages.put("this computer", on(2, addresses::here));
        subpages.put("importing", on(2, () -> addresses.importTable("Device;IP address\nJetty node;10.41.22.300\n")));
        subpages.put("exporting", on(2, addresses::export));
        subpages.put("factory addresses", on(2, addresses::outOfTheBox));
        subpages.put("asking", on(2, addresses::ask));
        subpages.put("load", on(3, universes::load));
        subpages.put("who wins", on(3, () -> universes.whoWins(Kind.UNIVERSE.id("u12"))));
        subpages.put("protocols", on(3, universes::protocols));
        subpages.put("numbers", on(3, universes::numbers));
        subpages.put("range", on(3, universes::range));
        subpages.put("help", on(3, () -> window.help("rule-universe.off-by-one")));
        subpages.put("settings", on(3, window::about));
        List<String> faults = new ArrayList<>();
        for (int[] size : new int[][] {{1100, 700}, {2560, 1440}, {1100, 700}}) {
            resized(size);
            subpages.forEach((name, open) -> faults.addAll(faults(size, name, open, Kind.HOST.id("boathouse-node"))));
        }
        assertThat(faults).isEmpty();
    }

    private Runnable on(int page, Runnable open) {
        return () -> {
            window.showPage(page);
            open.run();
        };
    }

    private void resized(int[] size) {
        fx(() -> {
            stage.setWidth(size[0]);
            stage.setHeight(size[1]);
            return true;
        });
        settled(() -> Math.abs(stage.getScene().getWidth() - size[0]) < 2);
    }

    private List<String> faults(int[] size, String name, Runnable open, Id<?> selected) {
        fx(() -> {
            document.select(selected);
            open.run();
            return true;
        });
        plan();
        WaitForAsyncUtils.waitForFxEvents();
        return fx(() -> {
            stage.getScene().getRoot().layout();
            return faults(size[0] + "×" + size[1] + " " + name + ": ");
        });
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
