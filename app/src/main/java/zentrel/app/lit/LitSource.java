package zentrel.app.lit;

import java.util.Optional;
import javafx.animation.AnimationTimer;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.FlowPane;
import zentrel.app.lit.LitLevels.Way;
import zentrel.app.look.Texts;
import zentrel.app.look.ViewChoice;
import zentrel.app.shell.LiveNet;
import zentrel.app.shell.SeenNow;

/** By what the place is lit, always on screen. Nothing runs while the page is not in sight. */
final class LitSource {
    private static final long FRAME_NANOS = 25_000_000;

    private final SeenNow seen;
    private final LitLevels levels;
    private final Runnable redraw;
    private final Label told = Texts.of("", "soft", "small");
    private final ViewChoice choice = new ViewChoice(this::chosen);
    private final ToggleButton byPath = choice.add("By path", "lit-by-path");
    private final ToggleButton heard = choice.add("Whatever is heard", "lit-heard");
    private final ToggleButton full = choice.add("All at full", "lit-full");
    private final AnimationTimer timer = new AnimationTimer() {
        @Override
        public void handle(long now) {
            if (now - drawn >= FRAME_NANOS) {
                drawn = now;
                frame();
            }
        }
    };
    private long drawn;
    private boolean running;
    private boolean asked;
    private boolean silent;
    private boolean byHand;
    private boolean choosing;

    LitSource(SeenNow seen, LitLevels levels, Runnable redraw) {
        this.seen = seen;
        this.levels = levels;
        this.redraw = redraw;
        told.setId("lit-source");
        choosing = true;
        full.setSelected(true);
        choosing = false;
        tell();
    }

    Node row() {
        FlowPane row = new FlowPane(10, 2, choice, told);
        row.setAlignment(Pos.CENTER_LEFT);
        row.setMinWidth(0);
        return row;
    }

    /** The page came into sight. */
    void begin() {
        running = true;
        if (!byHand) {
            choosing = true;
            (net().isPresent() ? byPath : full).setSelected(true);
            choosing = false;
        }
        chosen();
    }

    /** It went out of sight. */
    void rest() {
        running = false;
        timer.stop();
    }

    void choose(Way way) {
        (way == Way.FULL ? full : way == Way.PATH ? byPath : heard).setSelected(true);
    }

    private Optional<LiveNet> net() {
        return seen.live().filter(n -> n.place().isPresent());
    }

    private void chosen() {
        byHand |= !choosing && running;
        levels.way(byPath.isSelected() ? Way.PATH : heard.isSelected() ? Way.HEARD : Way.FULL);
        silent = false;
        if (running && levels.way() != Way.FULL) {
            timer.start();
        } else {
            timer.stop();
        }
        levels.hearNothing();
        tell();
        redraw.run();
    }

    private void frame() {
        Optional<LiveNet> net = net();
        if (net.isEmpty()) {
            if (!silent) {
                silent = true;
                levels.hearNothing();
                tell();
                redraw.run();
            }
        } else if (!asked) {
            silent = false;
            asked = true;
            net.get().heard(universes -> {
                asked = false;
                if (running) {
                    levels.hear(universes);
                    tell();
                    redraw.run();
                }
            });
        }
    }

    private void tell() {
        Optional<String> place = net().flatMap(LiveNet::place);
        String text = switch (levels.way()) {
            case FULL -> "As if every fixture were at full; only those that are reached by their path are lit.";
            case PATH, HEARD ->
                place.map(p -> "Listening: " + p + ", "
                                + (levels.heardUniverses() == 0
                                        ? "no universe is heard"
                                        : levels.heardUniverses() + " universes heard")
                                + (levels.way() == Way.PATH
                                        ? ". What its path does not reach stays dark."
                                        : ". Paths are not looked at."))
                        .orElse(
                                "Nothing is listened to. Open the Bench and choose an adapter, loopback or a rehearsal.");
        };
        if (!text.equals(told.getText())) {
            told.setText(text);
        }
    }
}
