package zentrel.app.lit;

import java.util.List;
import java.util.Optional;
import javafx.animation.KeyFrame;
import javafx.animation.Timeline;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.util.Duration;
import zentrel.app.look.Buttons;
import zentrel.app.look.Texts;
import zentrel.lit.LitGroups;
import zentrel.lit.LitGroups.By;
import zentrel.lit.LitGroups.Group;
import zentrel.plan.Plan;
import zentrel.text.Counted;

/** Lights one group of fixtures after the other in the picture; nothing is sent. */
final class TurnBar extends HBox {
    private static final Duration EACH = Duration.seconds(1.5);

    private final LitLevels levels;
    private final Runnable redraw;
    private By by = By.UNIVERSE;
    private final Label told = Texts.of("", "soft", "small");
    private final Button end = Buttons.quiet("End", "lit-turn-end", this::end);
    private final Button next = Buttons.quiet("Next", "lit-turn-next", () -> step(1));
    private final Timeline timer = new Timeline(new KeyFrame(EACH, e -> step(1)));
    private List<Group> groups = List.of();
    private Plan plan = Plan.EMPTY;
    private int at = -1;

    TurnBar(LitLevels levels, Runnable redraw) {
        super(6);
        this.levels = levels;
        this.redraw = redraw;
        told.setId("lit-turn-told");
        timer.setCycleCount(Timeline.INDEFINITE);
        setAlignment(Pos.CENTER_LEFT);
        getChildren().addAll(Texts.of("Lit in turn", "small"), told, next, end);
        show(false);
    }

    private void show(boolean running) {
        setVisible(running);
        setManaged(running);
    }

    void plan(Plan now) {
        plan = now;
        if (at >= 0) {
            groups = LitGroups.of(plan, by);
            at = Math.min(at, groups.size() - 1);
        }
    }

    /** Begins with the first group. */
    void begin(By kind) {
        by = kind;
        groups = LitGroups.of(plan, by);
        at = -1;
        show(true);
        if (groups.isEmpty()) {
            told.setText("no fixture has a " + by.word());
        } else {
            step(1);
            timer.playFromStart();
        }
    }

    private void step(int steps) {
        if (groups.isEmpty()) {
            return;
        }
        at = Math.floorMod(at + steps, groups.size());
        Group group = groups.get(at);
        levels.only(Optional.of(group.fixtures()));
        told.setText((at + 1) + " of " + groups.size() + ": " + group.name() + ", "
                + Counted.of(group.fixtures().size(), "fixture"));
        redraw.run();
    }

    /** All are lit by their levels again; nothing runs. */
    void end() {
        timer.stop();
        at = -1;
        told.setText("");
        show(false);
        levels.only(Optional.empty());
        redraw.run();
    }
}
