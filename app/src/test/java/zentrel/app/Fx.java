package zentrel.app;

import static java.util.concurrent.TimeUnit.SECONDS;
import static org.awaitility.Awaitility.await;

import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.concurrent.CompletableFuture;
import javafx.application.Platform;
import javafx.scene.Node;
import javafx.scene.control.MenuButton;
import org.testfx.api.FxRobot;
import org.testfx.api.FxRobotInterface;

/** The JavaFX thread, for tests: do something on it, wait until something is so on it. */
public final class Fx {
    private Fx() {}

    /** What {@code work} gives on the JavaFX thread; a failure there is a failure here. */
    public static <T> T fx(Callable<T> work) {
        CompletableFuture<T> result = new CompletableFuture<>();
        Platform.runLater(() -> {
            try {
                result.complete(work.call());
            } catch (Exception e) {
                result.completeExceptionally(e);
            }
        });
        return result.orTimeout(20, SECONDS).join();
    }

    /** Waits until a condition holds on the JavaFX thread. */
    public static void settled(Callable<Boolean> condition) {
        await().atMost(30, SECONDS).until(() -> fx(condition));
    }

    /** Clicks on what is seen of a query; looked up on the JavaFX thread, since the window may still change. */
    public static FxRobotInterface click(FxRobot robot, String query) {
        settled(() -> seen(robot, query).isPresent());
        return robot.clickOn(fx(() -> seen(robot, query).orElseThrow()));
    }

    private static Optional<Node> seen(FxRobot robot, String query) {
        return robot.lookup(query).queryAll().stream().filter(Fx::isSeen).findFirst();
    }

    private static boolean isSeen(Node node) {
        for (Node at = node; at != null; at = at.getParent()) {
            if (!at.isVisible()) {
                return false;
            }
        }
        return true;
    }

    /** Fires what stands in a menu under a button. */
    public static void menu(FxRobot robot, String button, String item) {
        Runnable fire = () -> ((MenuButton) robot.lookup(button).query())
                .getItems().stream()
                        .filter(i -> item.equals(i.getId()))
                        .findFirst()
                        .orElseThrow()
                        .fire();
        if (Platform.isFxApplicationThread()) {
            fire.run();
        } else {
            fx(() -> {
                fire.run();
                return true;
            });
        }
    }
}
