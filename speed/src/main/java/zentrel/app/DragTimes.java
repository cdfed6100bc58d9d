package zentrel.app;

import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import javafx.animation.AnimationTimer;
import javafx.animation.PauseTransition;
import javafx.application.Platform;
import javafx.event.Event;
import javafx.event.EventType;
import javafx.geometry.Bounds;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.control.Label;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;
import javafx.scene.input.PickResult;
import javafx.util.Duration;

/**
 * For measuring: drags the pin of the plan that is open back and forth along its ruler on the Addresses stage, one step a frame, with rests.
 * Prints {@code drag P50 P99 MAX frames N places M} in milliseconds, how late the JavaFX thread answered meanwhile, and ends.
 */
final class DragTimes {
    private static final int WARM = 120;
    private static final int COUNTED = 480;

    private final MainWindow window;
    private final Scene scene;
    private final Set<String> places = new HashSet<>();
    private final Lateness lateness = new Lateness();

    DragTimes(MainWindow window, Scene scene) {
        this.window = window;
        this.scene = scene;
    }

    void start() {
        window.showPage(2);
        lateness.start();
        PauseTransition settle = new PauseTransition(Duration.seconds(4));
        settle.setOnFinished(e -> drag());
        settle.play();
    }

    private void drag() {
        Node ruler = scene.lookup(".pin").getParent();
        Bounds pin = scene.lookup(".pin").getBoundsInParent();
        fire(ruler, MouseEvent.MOUSE_PRESSED, pin.getMinX() - 3, pin.getMaxY() - 2);
        new AnimationTimer() {
            private int frame;

            @Override
            public void handle(long now) {
                lateness.count(frame >= WARM);
                boolean rests = frame % 80 >= 60; // long enough for what it would break to be worked out
                double x = 400 + 390 * Math.sin(frame / 40.0);
                if (!rests) {
                    fire(ruler, MouseEvent.MOUSE_DRAGGED, x, pin.getMaxY());
                }
                if (scene.lookup("#ruler-ghost") instanceof Label ghost) {
                    places.add(ghost.getText().split(" ", 2)[0]);
                }
                if (++frame == WARM + COUNTED) {
                    stop();
                    print();
                    Platform.exit();
                }
            }
        }.start();
    }

    private static void fire(Node ruler, EventType<MouseEvent> type, double inRulerX, double inRulerY) {
        double x = ruler.localToScene(inRulerX, inRulerY).getX();
        double y = ruler.localToScene(inRulerX, inRulerY).getY();
        Event.fireEvent(
                ruler,
                new MouseEvent(
                        type,
                        x,
                        y,
                        x,
                        y,
                        MouseButton.PRIMARY,
                        1,
                        false,
                        false,
                        false,
                        false,
                        true,
                        false,
                        false,
                        true,
                        false,
                        false,
                        new PickResult(ruler, x, y)));
    }

    private void print() {
        List<Long> late = lateness.taken();
        System.out.printf(
                Locale.ROOT,
                "drag %.1f %.1f %.1f frames %d places %d%n",
                Lateness.at(late, 0.5),
                Lateness.at(late, 0.99),
                Lateness.at(late, 1),
                COUNTED,
                places.size());
    }
}
