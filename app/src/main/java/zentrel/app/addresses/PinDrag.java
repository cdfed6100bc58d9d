package zentrel.app.addresses;

import javafx.animation.Animation;
import javafx.animation.PauseTransition;
import javafx.scene.control.Label;
import javafx.scene.layout.Pane;
import javafx.scene.shape.Line;
import javafx.util.Duration;
import org.jspecify.annotations.Nullable;
import zentrel.app.document.OpenDocument;
import zentrel.app.look.Texts;
import zentrel.check.Effect;
import zentrel.check.Report;
import zentrel.gear.CopiedPlace;
import zentrel.gear.SettingChange;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.plan.Edit;

/**
 * A pin on its way to another address: a second pin that snaps from address to address, with what would break and be mended if
 * it were put there. That is worked out in the background, for the last place only.
 */
final class PinDrag {
    /** A press that moves less than this is a click. */
    private static final double STILL = 4;

    private final Pane pane;
    private final OpenDocument document;
    private final Report report;
    private final Ruler ruler;
    private final Ruler.Pin pin;
    private final double across;
    private final double base;
    private final Line line = new Line();
    private final Label words = Texts.of("", "strong", "small", "ghost");
    /** What would break is worked out where the pin rests, so that moving it has the processors for itself. */
    private final PauseTransition rest = new PauseTransition(Duration.millis(90));

    private double start;
    private boolean moved;
    private boolean working;
    private Ipv4Address at;
    private @Nullable Ipv4Address judged;

    PinDrag(Pane pane, OpenDocument document, Report report, Ruler ruler, Ruler.Pin pin, double across, double base) {
        this.pane = pane;
        this.document = document;
        this.report = report;
        this.ruler = ruler;
        this.pin = pin;
        this.across = across;
        this.base = base;
        this.at = pin.address().address();
        line.getStyleClass().addAll("pin-line", "chosen");
        line.setManaged(false);
        words.setManaged(false);
        words.setMouseTransparent(true);
        rest.setOnFinished(e -> judge());
        words.setId("ruler-ghost");
        words.setAccessibleText("Where the pin would stand");
    }

    Ruler.Pin pin() {
        return pin;
    }

    void from(double x) {
        start = x;
    }

    /** To where the pointer is. */
    void to(double x) {
        if (moved || Math.abs(x - start) >= STILL) {
            move(ruler.snapped(pin, Math.max(0, Math.min(1, x / across)), NEAR_PIXELS / across));
        }
    }

    private static final double NEAR_PIXELS = 6;

    /** To the next free address; far goes a tick. */
    void by(int direction, boolean far) {
        move(ruler.nextFree(pin, at, direction, far ? 1 << ruler.tickBits() : 1));
    }

    private void move(Ipv4Address to) {
        if (!moved) {
            moved = true;
            pane.getChildren().addAll(line, words);
        } else if (to.equals(at)) {
            return;
        }
        at = to;
        double x = ruler.place(at) * across;
        line.setStartX(x);
        line.setEndX(x);
        line.setStartY(base);
        line.setEndY(24);
        say("");
        rest.playFromStart();
    }

    private void say(String effect) {
        words.setText(at + (effect.isEmpty() ? "" : " · " + effect));
        words.autosize();
        double x = ruler.place(at) * across;
        words.relocate(x + 6 + words.getWidth() > across ? x - 6 - words.getWidth() : x + 6, 20);
    }

    private SettingChange change() {
        return SettingChange.address(
                report.plan(),
                pin.adapter().id(),
                pin.at(),
                new HostAddress(at, pin.address().prefixLength()));
    }

    /** Asks for one place at a time. */
    private void judge() {
        if (working || at.equals(judged)) {
            return;
        }
        working = true;
        Ipv4Address asked = at;
        SettingChange change = change();
        document.derive(
                report,
                r -> {
                    Edit all = change.change();
                    for (CopiedPlace place : change.places()) {
                        all = all.and(place.follow()::applyTo);
                    }
                    return Effect.of(r, all.applyTo(r.plan())).words();
                },
                effect -> {
                    working = false;
                    judged = asked;
                    if (asked.equals(at)) {
                        say(effect);
                    } else if (rest.getStatus() != Animation.Status.RUNNING) {
                        judge(); // it has gone on and rests elsewhere
                    }
                });
    }

    /** Puts the pin where it is; false where it was not moved. */
    boolean put() {
        leave();
        if (!moved) {
            return false;
        }
        document.propose(change(), false);
        return true;
    }

    /** Lets it go back. */
    void leave() {
        rest.stop();
        pane.getChildren().removeAll(line, words);
    }
}
