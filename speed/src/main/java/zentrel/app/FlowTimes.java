package zentrel.app;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.function.Consumer;
import javafx.animation.AnimationTimer;
import javafx.animation.PauseTransition;
import javafx.application.Platform;
import javafx.scene.Scene;
import javafx.scene.control.ScrollPane;
import javafx.util.Duration;
import zentrel.app.document.OpenDocument;
import zentrel.app.flow.FlowModel;
import zentrel.app.flow.FlowOrder;
import zentrel.app.flow.FlowPage;
import zentrel.app.flow.FlowView;
import zentrel.check.Report;

/**
 * For measuring: pans the flow of the plan that is open one step a frame and zooms in and out between, as it is shown at
 * first and with nothing folded. Prints {@code flow LAYOUT}, and for both {@code FRAMES_PER_SECOND P50 P99 MAX}, times in
 * milliseconds, and ends.
 */
final class FlowTimes {
    private static final int WARM = 120;
    private static final int COUNTED = 600;
    private static final int LAYOUTS = 7;

    private final OpenDocument document;
    private final FlowPage flow;
    private final Scene scene;

    FlowTimes(OpenDocument document, FlowPage flow, Scene scene) {
        this.document = document;
        this.flow = flow;
        this.scene = scene;
    }

    void start() {
        after(6, this::layout);
    }

    private static void after(double seconds, Runnable next) {
        PauseTransition settle = new PauseTransition(Duration.seconds(seconds));
        settle.setOnFinished(e -> next.run());
        settle.play();
    }

    /** Off the JavaFX thread, as the stage does it. */
    private void layout() {
        Report report = document.reportProperty().get();
        document.derive(
                report,
                r -> {
                    List<Long> times = new ArrayList<>();
                    for (int i = 0; i < LAYOUTS; i++) {
                        long from = System.nanoTime();
                        FlowOrder.arranged(FlowModel.of(r));
                        times.add(System.nanoTime() - from);
                    }
                    return Lateness.at(times.subList(LAYOUTS / 2, LAYOUTS), 0.5);
                },
                time -> pan(asShown -> {
                    flow.change(FlowView.ALL.folded(FlowView.Fold.NOTHING));
                    after(
                            6,
                            () -> pan(unfolded -> {
                                System.out.printf(Locale.ROOT, "flow %.0f %s %s%n", time, asShown, unfolded);
                                Platform.exit();
                            }));
                }));
    }

    private void pan(Consumer<String> then) {
        ScrollPane scroll = (ScrollPane) scene.lookup("#flow-scroll");
        List<Long> frames = new ArrayList<>();
        new AnimationTimer() {
            private int frame;
            private long last;

            @Override
            public void handle(long now) {
                if (frame > WARM) {
                    frames.add(now - last);
                }
                last = now;
                scroll.setVvalue(0.5 + 0.5 * Math.sin(frame / 90.0));
                if (frame % 40 == 20) {
                    flow.zoom(frame % 80 == 20);
                }
                if (++frame == WARM + COUNTED) {
                    stop();
                    double all = frames.stream().mapToLong(Long::longValue).sum() / 1e9;
                    then.accept(String.format(
                            Locale.ROOT,
                            "%.1f %.1f %.1f %.1f",
                            frames.size() / all,
                            Lateness.at(frames, 0.5),
                            Lateness.at(frames, 0.99),
                            Lateness.at(frames, 1)));
                }
            }
        }.start();
    }
}
