package zentrel.app.desks;

import java.io.IOException;
import java.util.List;
import java.util.function.Supplier;
import javafx.application.Platform;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import zentrel.app.look.Buttons;
import zentrel.app.look.Daemons;
import zentrel.app.look.Texts;
import zentrel.plan.Plan;
import zentrel.rehearsal.MainStopsTrial;
import zentrel.session.MainStops;

/** What happens when the main desk stops: worked out, and rehearsed on demand. What was rehearsed stays until the plan changes. */
final class StopPane {
    private final Supplier<Plan> plan;
    private final Runnable redraw;
    private @Nullable MainStopsTrial running;
    private List<String> rehearsed = List.of();
    private final Button button = Buttons.quiet("Rehearse it", "desks-rehearse", this::pressed);
    private @Nullable DesksModel shown;

    /**
     * Nothing yet.
     *
     * @param plan the plan as it is now
     * @param redraw draws the page anew
     */
    StopPane(Supplier<Plan> plan, Runnable redraw) {
        this.plan = plan;
        this.redraw = redraw;
    }

    /** What stands on the page of a session now. */
    VBox of(DesksModel model) {
        if (!model.equals(shown)) {
            rehearsed = List.of();
            if (running != null) {
                running.stop();
                running = null;
                button.setText("Rehearse it");
            }
        }
        shown = model;
        HBox head = new HBox(10, Texts.of("If the main desk stops", "strong"));
        head.setAlignment(Pos.CENTER_LEFT);
        VBox all = new VBox(6, head);
        if (model.mainStops().isEmpty()) {
            all.getChildren().add(Texts.wrapped("No desk leads this session.", "small"));
            return all;
        }
        MainStops stops = model.mainStops().get();
        if (!stops.outcomes().isEmpty()) {
            head.getChildren().add(button);
        }
        model.ifMainStops().of(stops).forEach(t -> all.getChildren().add(Texts.wrapped(t, "small")));
        rehearsed.forEach(t -> all.getChildren().add(Texts.wrapped(t, "small")));
        return all;
    }

    private void pressed() {
        if (running != null) {
            running.stop();
            return;
        }
        DesksModel model = shown;
        if (model == null || model.mainStops().isEmpty()) {
            return;
        }
        MainStops stops = model.mainStops().get();
        MainStopsTrial trial = new MainStopsTrial(plan.get(), model.session(), StopWords.FADE_SECONDS);
        running = trial;
        Daemons.of(() -> run(trial, stops, model.ifMainStops()), "rehearse").start();
    }

    private void run(MainStopsTrial trial, MainStops stops, StopWords words) {
        List<String> said;
        try {
            said = words.of(trial.run(
                    stops.main(),
                    stops.ports(),
                    done -> Platform.runLater(() -> {
                        if (running == trial) {
                            button.setText("Stop, %.0f %% rehearsed".formatted(done * 100));
                        }
                    })));
        } catch (IOException e) {
            said = List.of("It cannot be rehearsed: " + e.getMessage());
        }
        List<String> result = said;
        Platform.runLater(() -> {
            if (running == trial) {
                running = null;
                button.setText("Rehearse it");
                rehearsed = trial.isStopped() ? List.of() : result;
                redraw.run();
            }
        });
    }
}
