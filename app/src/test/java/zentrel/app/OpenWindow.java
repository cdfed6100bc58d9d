package zentrel.app;

import static java.util.concurrent.TimeUnit.SECONDS;
import static org.awaitility.Awaitility.await;
import static zentrel.app.Fx.fx;
import static zentrel.app.Fx.settled;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import javafx.scene.Node;
import javafx.scene.control.Labeled;
import javafx.scene.control.TextInputControl;
import javafx.stage.Stage;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import org.testfx.api.FxRobot;
import org.testfx.api.FxToolkit;
import org.testfx.framework.junit5.ApplicationExtension;
import zentrel.app.document.OpenDocument;
import zentrel.app.look.Fonts;
import zentrel.app.shell.PageContext;
import zentrel.app.shell.PageEntry;
import zentrel.check.Report;
import zentrel.demo.FernlightTrail;
import zentrel.file.LoadedPlan;
import zentrel.file.UserFolders;
import zentrel.plan.Id;
import zentrel.plan.Plan;

/** The real window with the demo plan open, for the tests of what is done in it. */
@ExtendWith(ApplicationExtension.class)
@SuppressWarnings("NullAway.Init")
abstract class OpenWindow {
    @TempDir
    static Path home;

    OpenDocument document;
    MainWindow window;
    Stage stage;

    /** The plan that the window opens with. */
    Plan opening() {
        return FernlightTrail.ready();
    }

    /** The pages of the window. */
    List<PageEntry<?>> pages(PageContext context) {
        return Pages.all(context);
    }

    /** The extension looks for its own start in the test's own class only, so the stage is filled here. */
    @BeforeEach
    void start() throws Exception {
        document = fx(() -> {
            Fonts.load();
            return new OpenDocument(UserFolders.in(Files.createTempDirectory(home, "run")));
        });
        FxToolkit.setupStage(given -> {
            stage = given;
            window = new MainWindow(given, document, this::pages);
            document.show(LoadedPlan.of(opening()));
            given.show();
        });
    }

    @AfterEach
    void end() {
        fx(() -> {
            window.close();
            document.close();
            return true;
        });
    }

    /** The findings of the plan as it stands, once they are there. */
    final Report report() {
        settled(() -> document.reportProperty().get() != null
                && document.reportProperty().get().plan().equals(document.plan()));
        return fx(() -> document.reportProperty().get());
    }

    /** The plan, once its findings are there. */
    final Plan plan() {
        return report().plan();
    }

    final void choose(Id<?> id) {
        plan();
        fx(() -> {
            document.select(id);
            return true;
        });
    }

    static void fire(FxRobot robot, String id) {
        fx(() -> {
            robot.lookup(id).queryButton().fire();
            return true;
        });
    }

    static void type(FxRobot robot, String id, String text) {
        fx(() -> {
            // an id may have dots, which a query takes for classes
            robot.lookup((TextInputControl n) -> id.equals("#" + n.getId()))
                    .<TextInputControl>query()
                    .setText(text);
            return true;
        });
    }

    static String text(FxRobot robot, String id) {
        return fx(() -> robot.lookup(id).queryLabeled().getText());
    }

    static boolean there(FxRobot robot, String query) {
        return robot.lookup(query).tryQuery().isPresent();
    }

    static List<Node> all(Node root) {
        List<Node> nodes = new ArrayList<>(List.of(root));
        if (root instanceof javafx.scene.Parent parent) {
            parent.getChildrenUnmodifiable().forEach(c -> nodes.addAll(all(c)));
        }
        return nodes;
    }

    final boolean shows(String text) {
        return fx(() -> all(stage.getScene().getRoot()).stream()
                .anyMatch(n -> (n instanceof Labeled l
                                && l.getText() != null
                                && l.getText().contains(text))
                        || (n instanceof javafx.scene.text.Text t && t.getText().contains(text))));
    }

    /** Waits until a text is seen somewhere in the window. */
    final void waitFor(String text) {
        await().atMost(30, SECONDS).until(() -> shows(text));
    }
}
